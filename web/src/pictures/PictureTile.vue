<script setup lang="ts">
/** A picture at its place: chosen by a press, opened by two, with what is amiss told at it. */
import { computed } from 'vue';
import { placeLabel } from '@loom-kin/core/family';
import { ANGLE_LABELS, angleOfPicture } from '@loom-kin/core/pictures';
import type { Place } from '@loom-kin/core/place';
import { useFamily } from '../stores/family';
import MovePicture from './MovePicture.vue';
import { smallPicture } from './pictureAddress';
import { standingKey } from './usePlaced';

const props = defineProps<{
  id: string;
  place: Place;
  at: number;
  count: number;
  isChosen: boolean;
  flaws: readonly string[];
}>();
const emit = defineEmits<{
  press: [event: MouseEvent];
  open: [];
  shift: [by: number | 'first'];
  to: [place: Place];
  remove: [];
}>();
const store = useFamily();
const facts = computed(() => store.pictures[props.id]);
const name = computed(() => facts.value?.fileName.split('/').at(-1) ?? 'this picture');
const angle = computed(() => angleOfPicture(store.family!, props.id, facts.value));
const title = computed(() => {
  const one = facts.value;
  if (!one) return 'This picture is gone';
  const where = props.place.level === 'family' ? 'all children' : placeLabel(store.family!, props.place);
  return [
    `${one.fileName}, ${one.width} × ${one.height} pixels${one.whiteBackground ? ', on white' : ''} · ${where}`,
    ...props.flaws,
  ].join('\n');
});
</script>

<template>
  <figure class="picture" :class="{ chosen: isChosen, flawed: flaws.length }" :data-id="id" :title="title">
    <button
      class="image"
      :data-tile="standingKey({ place, id })"
      :aria-pressed="isChosen"
      :aria-label="`${name}${at === 0 ? ', the main picture' : ''}${flaws.length ? `: ${flaws.join(' ')}` : ''}`"
      @click="emit('press', $event)"
      @dblclick="emit('open')"
    >
      <img :src="smallPicture(id)" alt="" width="84" height="84" loading="lazy" draggable="false" />
      <span v-if="flaws.length" class="flaw" aria-hidden="true">!</span>
    </button>
    <figcaption>
      <span v-if="at === 0" class="main">main</span>
      <button v-else class="plain" title="Make this the main picture" @click="emit('shift', 'first')">first</button>
      <span v-if="angle" class="angle">{{ ANGLE_LABELS[angle] }}</span>
      <button class="plain" :title="`Cut, turn or describe ${name}`" @click="emit('open')">edit</button>
      <MovePicture
        :name="name"
        :place="place"
        :at="at"
        :count="count"
        @shift="(by) => emit('shift', by)"
        @to="(target) => emit('to', target)"
      />
      <button class="plain" :title="`Take ${name} away from here`" @click="emit('remove')">✕</button>
    </figcaption>
  </figure>
</template>

<style scoped>
.picture {
  margin: 0;
  border: 1px solid var(--line);
  background: var(--sheet);
  cursor: grab;
}
.image {
  position: relative;
  display: grid;
  place-items: center;
  width: 100%;
  border: 0;
  padding: 2px;
  background: none;
  cursor: inherit;
}
.image img {
  display: block;
  object-fit: contain;
}
.flaw {
  position: absolute;
  top: 3px;
  right: 3px;
  width: 16px;
  height: 16px;
  font: 700 12px/16px var(--face);
  text-align: center;
  color: #fff;
  background: var(--warns);
}
figcaption {
  gap: 5px;
  display: flex;
  justify-content: space-between;
  font-size: 11px;
  padding: 1px 5px;
  border-top: 1px solid var(--line-soft);
  color: var(--ink-soft);
}
.main {
  color: var(--ink);
  font-weight: 600;
}
.angle {
  color: var(--ink);
}
.chosen {
  border-color: var(--weld);
  outline: 2px solid var(--weld);
  background: var(--weld-pale);
}
</style>
