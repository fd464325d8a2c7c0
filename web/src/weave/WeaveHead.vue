<script setup lang="ts">
/** A head of the weave: a value, along the side or the top, over all the threads it has there. */
import type { Head } from './useClothDrawing';

defineProps<{ head: Head; id: string; isActive: boolean; isChosen: boolean }>();
const emit = defineEmits<{ hover: [isOver: boolean] }>();
</script>

<template>
  <div
    :id="id"
    class="head"
    :class="{ side: head.spot.x < 0, outer: head.isOuter, active: isActive, chosen: isChosen }"
    :role="head.spot.x < 0 ? 'rowheader' : 'columnheader'"
    :aria-colindex="head.spot.x < 0 ? 1 : head.spot.x + 2"
    :data-x="head.spot.x"
    :data-y="head.spot.y"
    data-test="weave-head"
    :title="`${head.band.axis.label}: ${head.band.value.label}`"
    @mouseenter="emit('hover', true)"
    @mouseleave="emit('hover', false)"
  >
    <span class="name"
      ><i v-if="head.band.value.swatch" class="swatch" :style="{ background: head.band.value.swatch }" />{{
        head.band.value.label
      }}</span
    >
  </div>
</template>

<style scoped>
.head {
  position: absolute;
  display: flex;
  align-items: center;
  justify-content: center;
  padding: 0 4px;
  overflow: clip;
  white-space: nowrap;
  font-weight: 500;
  cursor: pointer;
  background: var(--sheet);
}
.outer:not(.side) {
  justify-content: flex-start;
  border-bottom: 1px solid var(--line);
  font-weight: 600;
}
.head:hover {
  background: var(--weld-pale);
}
.chosen {
  background: var(--weld-pale);
  box-shadow: inset 0 -2px 0 var(--weld);
}
.side {
  justify-content: flex-start;
}
.side.outer {
  align-items: flex-start;
  padding-top: 4px;
  border-right: 1px solid var(--line);
  font-weight: 600;
}
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
.weave:focus .active {
  outline: 2px solid var(--woad);
  outline-offset: -2px;
  z-index: 3;
}
.weaving .head {
  cursor: crosshair;
}
</style>
