<script setup lang="ts">
/** One picture that was brought: what it shows, what it is called, and why it goes where it does. */
import { computed } from 'vue';
import { ANGLE_LABELS } from '@loom-kin/core/pictures';
import type { Arrival } from '@loom-kin/contract';
import { smallPicture } from '../pictureAddress';

const props = defineProps<{ arrival: Arrival; isChosen: boolean }>();
const name = computed(() => props.arrival.path.split('/').at(-1)!);
const caption = computed(() => {
  const { angle, number } = props.arrival.match ?? {};
  return [angle ? ANGLE_LABELS[angle] : '', number ?? ''].filter((one) => one !== '').join(' ') || name.value;
});
const why = computed(() =>
  [props.arrival.path, ...(props.arrival.settled ? ['settled by hand'] : (props.arrival.match?.why ?? []))].join('\n'),
);
</script>

<template>
  <button
    class="tile"
    :class="{ chosen: isChosen, there: arrival.isThere, settled: arrival.settled }"
    :data-tile="arrival.at"
    :title="why"
    :aria-pressed="isChosen"
    :aria-label="`${name}${arrival.isThere ? ', in its place' : ''}`"
    draggable="true"
  >
    <img :src="smallPicture(arrival.picture!.id)" alt="" width="72" height="72" loading="lazy" draggable="false" />
    <span class="caption">{{ caption }}</span>
  </button>
</template>

<style scoped>
.tile {
  font: inherit;
  padding: 0;
  width: 78px;
  border: 1px solid var(--line);
  background: var(--sheet);
  cursor: pointer;
  text-align: left;
}
.tile img {
  display: block;
  object-fit: contain;
  margin: 2px;
}
.caption {
  display: block;
  font-size: 11px;
  padding: 1px 4px;
  border-top: 1px solid var(--line-soft);
  color: var(--ink-soft);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.chosen {
  border-color: var(--weld);
  outline: 2px solid var(--weld);
  background: var(--weld-pale);
}
.tile:focus-visible {
  outline: 2px solid var(--woad);
}
.there .caption {
  color: var(--fits);
}
.settled .caption {
  color: var(--ink);
  font-weight: 600;
}
</style>
