<script setup lang="ts">
/** The sheet of a dialog while it is open. Lists that entries in it open stand beside it in the page, so it is no native one. */
import { ref } from 'vue';
import { useFocusWithin } from './useFocusWithin';

defineProps<{ title: string; width: number }>();
const emit = defineEmits<{ close: [] }>();
const root = ref<HTMLElement>();
const onKey = useFocusWithin(root, () => emit('close'));
</script>

<template>
  <div class="behind" @pointerdown.self="emit('close')">
    <div
      ref="root"
      class="dialog"
      role="dialog"
      aria-modal="true"
      tabindex="-1"
      :aria-label="title"
      :style="{ width: `${width}px` }"
      @keydown="onKey"
    >
      <div class="top">
        <h2>{{ title }}</h2>
        <button class="link" @click="emit('close')">Close</button>
      </div>
      <slot />
    </div>
  </div>
</template>

<style scoped>
.behind {
  position: fixed;
  inset: 0;
  z-index: 1800;
  display: grid;
  place-items: center;
  background: rgb(22 33 43 / 35%);
}
.dialog {
  border: 1px solid var(--ink-soft);
  background: var(--sheet);
  padding: 14px 18px 18px;
  max-width: calc(100vw - 32px);
  max-height: calc(100vh - 48px);
  overflow: auto;
}
.top {
  display: flex;
  justify-content: space-between;
  margin-bottom: 10px;
}
</style>
