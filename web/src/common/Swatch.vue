<script setup lang="ts">
/** A colour, shown before what is called by it. */
defineProps<{ colour: string }>();
</script>

<template>
  <i :style="{ background: colour }" />
</template>

<style scoped>
i {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 7px;
  border: 1px solid #0003;
}
</style>
