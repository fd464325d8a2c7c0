<script setup lang="ts">
/** Which columns the grid shows: sets to choose from, each changed by ticks, and sets of the seller's own. */
import { computed, ref } from 'vue';
import { EVERYWHERE, scopeName } from '@loom-kin/core/family';
import Popup from '../common/Popup.vue';
import { useLayout } from './layout';
import { ALL_FIGURES, chosenSet, SETS, UNCHANGED, type FieldColumn } from './gridColumns';
import type { GridView } from './useGridView';

const props = defineProps<{ at: HTMLElement; view: GridView }>();
const emit = defineEmits<{ close: [] }>();
const layout = useLayout();

const search = ref('');
const newName = ref('');
const set = computed(() => chosenSet(layout.grid));
const shown = computed(() => new Set(props.view.fields.value.map((column) => column.id)));
const found = computed(() =>
  props.view.all.value.filter((column) => column.name.toLowerCase().includes(search.value.toLowerCase())),
);
const isFor = ({ scope }: FieldColumn, kind: string) => scopeName(scope).kind === kind;
const parts = computed(() => [
  { title: 'For everybody', columns: found.value.filter((column) => column.scope === EVERYWHERE) },
  { title: 'In one language', columns: found.value.filter((column) => isFor(column, 'language')) },
  { title: 'For one account', columns: found.value.filter((column) => isFor(column, 'account')) },
]);
const isChanged = computed(() => set.value.order.length + set.value.hidden.length + set.value.shown.length > 0);
const nameTaken = computed(
  () => newName.value.trim() in layout.grid.sets || SETS.some((one) => one.name === newName.value.trim()),
);

function toggle({ id }: FieldColumn): void {
  const without = (list: readonly string[]) => list.filter((one) => one !== id);
  layout.changeSet(
    shown.value.has(id)
      ? { hidden: [...set.value.hidden, id], shown: without(set.value.shown) }
      : { hidden: without(set.value.hidden), shown: [...set.value.shown, id] },
  );
}
function keep(): void {
  const name = newName.value.trim().slice(0, 40);
  if (name === '' || nameTaken.value) return;
  const ids = props.view.fields.value.map((column) => column.id);
  layout.change({
    set: name,
    sets: { ...layout.grid.sets, [name]: { order: ids, hidden: [], shown: ids, own: true } },
  });
  newName.value = '';
}
function remove(): void {
  const { [layout.grid.set]: _gone, ...sets } = layout.grid.sets;
  layout.change({ set: ALL_FIGURES, sets });
}
</script>

<template>
  <Popup :at="at" name="Columns" :width="290" @close="emit('close')">
    <div class="panel" data-test="columns-panel">
      <p class="soft">Columns of “{{ layout.grid.set }}”. Options stand before them always.</p>
      <label>Search<input v-model="search" type="search" data-first data-test="columns-search" /></label>
      <div class="list">
        <template v-for="part in parts" :key="part.title">
          <h3 v-if="part.columns.length">{{ part.title }}</h3>
          <label v-for="column in part.columns" :key="column.id"
            ><input
              type="checkbox"
              :checked="shown.has(column.id)"
              :data-test="`column-${column.id}`"
              @change="toggle(column)"
            />{{ column.name }}</label
          >
        </template>
      </div>
      <p v-if="layout.canGoBack">
        <button class="link" data-test="columns-back" @click="layout.back">Take the last change of columns back</button>
      </p>
      <p v-if="isChanged && !set.own">
        <button class="link" @click="layout.changeSet(UNCHANGED)">As it was at first</button>
      </p>
      <p v-if="set.own">
        <button class="link" data-test="remove-set" @click="remove">Remove the set “{{ layout.grid.set }}”</button>
      </p>
      <form class="keep" @submit.prevent="keep">
        <label
          >Keep these columns as<input
            v-model="newName"
            maxlength="40"
            placeholder="name of a set"
            data-test="set-name"
        /></label>
        <button class="link" :disabled="newName.trim() === '' || nameTaken" data-test="keep-set">Keep</button>
      </form>
      <p v-if="nameTaken && newName" class="stops">There is a set of that name already.</p>
    </div>
  </Popup>
</template>

<style scoped>
.panel {
  display: flex;
  flex-direction: column;
  gap: 5px;
  padding: 2px 4px;
}
label {
  display: flex;
  gap: 7px;
  align-items: center;
}
label input:not([type='checkbox']) {
  flex: 1;
  min-width: 0;
  font: inherit;
  border: 1px solid var(--line);
  padding: 1px 5px;
}
.list {
  max-height: 300px;
  overflow: auto;
  border: 1px solid var(--line-soft);
  padding: 4px 6px;
}
.keep {
  display: flex;
  gap: 8px;
}
.keep label {
  flex: 1;
}
button:disabled {
  color: var(--ink-soft);
}
</style>
