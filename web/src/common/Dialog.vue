<script setup lang="ts">
/** A sheet before everything else: it keeps the focus, and closes with Esc. */
import { nextTick, ref, watch } from 'vue';

defineProps<{ title: string; width?: number }>();
const shown = defineModel<boolean>({ required: true });
const root = ref<HTMLDialogElement>();
watch(
  shown,
  async (now) => {
    await nextTick();
    if (now) root.value?.showModal();
    else root.value?.close();
  },
  { immediate: true },
);
</script>

<template>
  <Teleport to="body">
    <dialog v-if="shown" ref="root" :aria-label="title" :style="{ width: `${width ?? 480}px` }" @close="shown = false">
      <div class="top">
        <h2>{{ title }}</h2>
        <button class="link" aria-label="Close" @click="shown = false">Close</button>
      </div>
      <slot />
    </dialog>
  </Teleport>
</template>

<style scoped>
dialog {
  border: 1px solid var(--ink-soft);
  background: var(--sheet);
  color: var(--ink);
  padding: 14px 18px 18px;
  max-width: calc(100vw - 32px);
  max-height: calc(100vh - 48px);
  overflow: auto;
}
dialog::backdrop {
  background: rgb(22 33 43 / 35%);
}
.top {
  display: flex;
  justify-content: space-between;
  margin-bottom: 10px;
}
</style>
