<script setup lang="ts">
/**
 * One crossing of the weave: the two threads, one over the other, and the ticks of its child. Plain properties, so
 * that it is drawn anew only when it differs.
 */
import { computed } from 'vue';
import type { FitState } from '@loom-kin/core';
import Ticks from '../common/Ticks.vue';

const props = defineProps<{
  name: string;
  woven: boolean;
  /** The thread from the side lies over the one from the top. */
  over: boolean;
  chosen: boolean;
  lit: boolean;
  weaving: boolean;
  /** `channel=state;channel=state`; without it there are no ticks. */
  code?: string | undefined;
  only?: string | undefined;
  warp?: string | undefined;
  weft?: string | undefined;
}>();
defineEmits<{ press: [] }>();

const states = computed(
  () =>
    Object.fromEntries(
      (props.code ?? '')
        .split(';')
        .filter(Boolean)
        .map((one) => one.split('=')),
    ) as Record<string, FitState>,
);
</script>

<template>
  <button
    class="crossing"
    :class="{ woven, over, chosen, lit, weaving }"
    data-test="crossing"
    :aria-label="`${name}: ${woven ? 'woven' : 'not woven'}`"
    :aria-pressed="woven"
    :title="name"
    @click="$emit('press')"
  >
    <span class="warp" :style="{ '--thread': warp }" />
    <span class="weft" :style="{ '--thread': weft }" />
    <span v-if="woven && code !== undefined" class="ticks-patch"><Ticks :states="states" :only="only" /></span>
  </button>
</template>

<style scoped>
.crossing {
  position: relative;
  display: block;
  width: 100%;
  min-width: var(--crossing);
  height: 32px;
  border: 0;
  background: none;
  padding: 0;
  cursor: pointer;
  overflow: hidden;
}
/* Threads run through every crossing, one over the other in turn; where one is not woven the ground shows. */
.warp,
.weft {
  position: absolute;
  display: none;
  background: color-mix(in srgb, var(--thread, #9aa69e) 52%, white);
}
.woven .warp,
.woven .weft {
  display: block;
}
.warp {
  left: 50%;
  width: min(28px, 54%);
  transform: translateX(-50%);
  top: 0;
  bottom: 0;
}
.weft {
  top: 5px;
  bottom: 5px;
  left: 0;
  right: 0;
}
.over .weft {
  z-index: 1;
  box-shadow:
    0 -2px 0 var(--sheet),
    0 2px 0 var(--sheet);
}
.crossing:not(.over) .warp {
  z-index: 1;
  box-shadow:
    -2px 0 0 var(--sheet),
    2px 0 0 var(--sheet);
}
.ticks-patch {
  position: absolute;
  z-index: 2;
  left: 50%;
  transform: translateX(-50%);
  top: 7px;
  height: 18px;
  background: var(--sheet);
  padding: 2px 1px 0;
}
.crossing:not(.woven)::after {
  content: '';
  position: absolute;
  left: 50%;
  top: 50%;
  width: 4px;
  height: 4px;
  margin: -2px;
  background: var(--line);
}
.crossing.weaving:hover,
.crossing.woven:hover {
  outline: 1px solid var(--weld);
  outline-offset: -1px;
}
.crossing.lit {
  background: var(--weld-pale);
}
.crossing.chosen::before,
.crossing.lit::before {
  content: '';
  position: absolute;
  inset: 0;
  border: 2px solid var(--weld);
  z-index: 4;
}
.crossing.weaving {
  cursor: crosshair;
}
</style>
