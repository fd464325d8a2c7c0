<script setup lang="ts">
/** A small sheet beside what opened it: takes the focus, closes with Esc or a press elsewhere, and gives the focus back. */
import { nextTick, onMounted, onUnmounted, ref } from 'vue';
import { useFocusWithin } from './useFocusWithin';

const props = defineProps<{ at: HTMLElement; name: string; width?: number }>();
const emit = defineEmits<{ close: [] }>();

const root = ref<HTMLElement>();
const place = ref({ left: 0, top: 0, most: 400 });
const MARGIN = 8;

function settle(): void {
  const anchor = props.at.getBoundingClientRect();
  const width = props.width ?? 250;
  const below = window.innerHeight - anchor.bottom - MARGIN * 2;
  const isAbove = below < 220 && anchor.top > below;
  const most = Math.max(160, isAbove ? anchor.top - MARGIN * 2 : below);
  const height = Math.min(root.value?.scrollHeight ?? 0, most);
  place.value = {
    left: Math.max(MARGIN, Math.min(anchor.left, window.innerWidth - width - MARGIN)),
    top: isAbove ? anchor.top - height - 2 : anchor.bottom + 2,
    most,
  };
}

const onKey = useFocusWithin(root, () => emit('close'));
function onPress(event: PointerEvent): void {
  const target = event.target as Element;
  // Lists that an entry of the sheet opens stand beside it in the page.
  if (!root.value?.contains(target) && !props.at.contains(target) && !target.closest('.el-popper')) emit('close');
}

onMounted(async () => {
  settle();
  window.addEventListener('pointerdown', onPress, true);
  await nextTick();
  settle();
});
onUnmounted(() => window.removeEventListener('pointerdown', onPress, true));
</script>

<template>
  <Teleport to="body">
    <div
      ref="root"
      class="popup sheet"
      role="dialog"
      tabindex="-1"
      :aria-label="name"
      :style="{
        left: `${place.left}px`,
        top: `${place.top}px`,
        width: `${width ?? 250}px`,
        maxHeight: `${place.most}px`,
      }"
      @keydown="onKey"
    >
      <slot />
    </div>
  </Teleport>
</template>

<style scoped>
.popup {
  position: fixed;
  z-index: 1500;
  overflow: auto;
  padding: 8px 10px;
  font-size: 13px;
  border-color: var(--ink-soft);
}
</style>
