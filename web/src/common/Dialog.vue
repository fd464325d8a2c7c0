<script setup lang="ts">
/** A sheet before everything else. */
import DialogSheet from './DialogSheet.vue';

defineProps<{ title: string; width?: number }>();
const shown = defineModel<boolean>({ required: true });
</script>

<template>
  <Teleport to="body">
    <DialogSheet v-if="shown" :title="title" :width="width ?? 480" @close="shown = false"><slot /></DialogSheet>
  </Teleport>
</template>
