<script setup lang="ts">
/** Pictures of several options together, such as a colour in a design: shown by all children that have them, and by no others. */
import { computed, inject, nextTick, ref } from 'vue';
import { ElButton } from 'element-plus';
import { combinationLabel, hasCombination, placeKey } from '@loom-kin/core/family';
import type { Place } from '@loom-kin/core/place';
import { children } from '@loom-kin/core/text';
import { trayId } from '../common/leadsTo';
import { useFamily } from '../stores/family';
import type { Brought } from './bring/bringFiles';
import PictureTray from './PictureTray.vue';
import { OPENED, usePicturePlaces, type CombinationPlace } from './usePicturePlaces';
import type { Standing } from './usePlaced';

defineProps<{ chosen: ReadonlySet<string>; flawsOf: (id: string, place: Place) => readonly string[] }>();
const emit = defineEmits<{
  press: [key: string, event: MouseEvent];
  open: [standing: Standing];
  bring: [files: Brought[]];
}>();
const store = useFamily();
const opened = inject(OPENED, ref([]));
const { combinations } = usePicturePlaces();
const axes = computed(() => store.family!.axes);
/** Axis id → the value that was picked on it; none: any. */
const picked = ref<Record<string, string>>({});
const at = computed(() =>
  Object.fromEntries(
    axes.value.flatMap(({ id, values }) =>
      values.some((value) => value.id === picked.value[id]) ? [[id, picked.value[id]!]] : [],
    ),
  ),
);
const count = computed(() => Object.keys(at.value).length);
const countOf = (place: CombinationPlace) => store.index!.woven.filter((child) => hasCombination(child, place)).length;
/** Children that a place for what is picked would show. */
const shown = computed(() => countOf({ level: 'combination', at: at.value }));
const isPlace = computed(() => count.value >= 2 && count.value < axes.value.length);
const canOpen = computed(() => isPlace.value && shown.value > 0);
const hint = computed(() => {
  if (count.value < 2) return 'Choose options of two axes.';
  if (!isPlace.value) return 'That is a single child: leave one axis open.';
  return shown.value === 0 ? 'No child has these options together.' : `Shows ${children(shown.value)}.`;
});
async function openPlace(): Promise<void> {
  if (!canOpen.value) return;
  const place: CombinationPlace = { level: 'combination', at: at.value };
  if (!combinations.value.some((one) => placeKey(one) === placeKey(place))) opened.value = [...opened.value, place];
  picked.value = {};
  await nextTick();
  const tray = document.getElementById(trayId(place));
  tray?.scrollIntoView({ block: 'nearest' });
  tray?.querySelector<HTMLElement>('input')?.focus();
}
</script>

<template>
  <div class="together soft" data-test="options-together">
    <span>Options together</span>
    <form @submit.prevent="openPlace">
      <select
        v-for="one in axes"
        :key="one.id"
        v-model="picked[one.id]"
        :aria-label="one.label"
        :data-test="`together-${one.label}`"
      >
        <option :value="undefined">any {{ one.label.toLowerCase() }}</option>
        <option v-for="value in one.values" :key="value.id" :value="value.id">{{ value.label }}</option>
      </select>
      <ElButton native-type="submit" size="small" :disabled="!canOpen" data-test="open-together">Add a place</ElButton>
      <span v-if="count > 0" role="status">{{ hint }}</span>
    </form>
  </div>
  <PictureTray
    v-for="place in combinations"
    :key="placeKey(place)"
    :place="place"
    :label="combinationLabel(store.family!, place.at)"
    :note="children(countOf(place))"
    :chosen="chosen"
    :flaws-of="flawsOf"
    @press="(key, event) => emit('press', key, event)"
    @open="emit('open', $event)"
    @bring="emit('bring', $event)"
  />
</template>

<style scoped>
.together,
form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.together {
  padding: 8px 14px;
  border-top: 1px solid var(--line-soft);
  background: var(--ground);
}
select {
  font: inherit;
  font-size: 13px;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 2px;
  max-width: 160px;
}
</style>
