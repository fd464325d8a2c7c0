<script setup lang="ts">
/** A value as a head of the weave is called. */
import type { Value } from '@loom-kin/core';

defineProps<{ value: Value }>();
</script>

<template>
  <span class="name"
    ><i v-if="value.swatch" class="swatch" :style="{ background: value.swatch }" />{{ value.label }}</span
  >
</template>

<style scoped>
.name {
  overflow: hidden;
  text-overflow: ellipsis;
}
.swatch {
  display: inline-block;
  width: 11px;
  height: 11px;
  margin-right: 6px;
  vertical-align: -1px;
  border: 1px solid #0003;
}
</style>
