<script setup lang="ts">
/**
 * One short vertical tick per account, always in the same order. Form tells the state first, colour second, words on
 * hover.
 */
import { computed } from 'vue';
import type { FitState } from '@loom-kin/core/fit';
import { useSetup } from '../stores/setup';
import { heldWords, type HeldCounts } from './heldCounts';

const props = defineProps<{
  states: Record<string, FitState | undefined>;
  /** What each account holds; nothing where it is left out. */
  held?: Record<string, HeldCounts | undefined>;
  only?: string;
}>();
const setup = useSetup();
const WORDS: Record<FitState, string> = {
  fits: 'fits',
  needs: 'needs work',
  stopped: 'stopped',
  absent: 'not offered',
};

const ticks = computed(() =>
  setup.accounts
    .filter(({ id }) => !props.only || id === props.only)
    .map(({ id, name }, at) => ({
      at,
      id,
      state: props.states[id] ?? 'absent',
      name,
      held: props.held?.[id],
    })),
);
const title = computed(() =>
  ticks.value.map((tick) => [`${tick.name}: ${WORDS[tick.state]}`, ...heldWords(tick.held)].join(', ')).join(' · '),
);
const height = 14;
</script>

<template>
  <svg class="ticks" :width="ticks.length * 8" :height="height + 3" role="img" :aria-label="title">
    <title>{{ title }}</title>
    <g v-for="tick in ticks" :key="tick.id" :transform="`translate(${tick.at * 8 + 1} 0)`" :class="tick.state">
      <rect v-if="tick.state === 'fits'" x="1" y="0" width="4" :height="height" />
      <path
        v-else-if="tick.state === 'needs'"
        class="open"
        :d="`M1.500 .5 h3 v${height / 2 - 2} l-2 1.500 l2 1.500 v${height / 2 - 2} h-3 z`"
      />
      <template v-else-if="tick.state === 'stopped'">
        <rect x="1" y="0" width="4" :height="height / 2 - 2.5" />
        <rect x="1" :y="height / 2 + 2.5" width="4" :height="height / 2 - 2.5" />
      </template>
      <template v-if="tick.held?.unconfirmed">
        <rect class="unsure" x="0" :y="height + 1" width="1.5" height="1.5" />
        <rect class="unsure" x="4.5" :y="height + 1" width="1.5" height="1.5" />
      </template>
      <rect v-else-if="tick.held?.live" class="live" x="0" :y="height + 1" width="6" height="1.5" />
    </g>
  </svg>
</template>

<style scoped>
.ticks {
  display: block;
  overflow: visible;
}
.fits rect {
  fill: var(--fits);
}
.needs .open {
  fill: var(--sheet);
  stroke: var(--warns);
  stroke-width: 1.2;
}
.stopped rect {
  fill: var(--stops);
}
g rect.live {
  fill: var(--woad);
}
g rect.unsure {
  fill: var(--stops);
}
</style>
