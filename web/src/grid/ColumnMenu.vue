<script setup lang="ts">
/** What is done with one column: sort, filter, freeze, hide, move, and the figures in it that children have of their own. */
import { computed, ref } from 'vue';
import { EVERYWHERE } from '@loom-kin/core/family';
import { children } from '@loom-kin/core/text';
import Popup from '../common/Popup.vue';
import { useFamily } from '../stores/family';
import { useLayout } from './layout';
import { chosenSet, type GridColumn } from './gridColumns';
import type { GridEdits } from './useGridEdits';
import type { GridView } from './useGridView';

const props = defineProps<{ column: GridColumn; at: HTMLElement; view: GridView; edits: GridEdits }>();
const emit = defineEmits<{ close: []; other: [column: GridColumn] }>();
const layout = useLayout();
const store = useFamily();

const LISTED = 200;
const id = computed(() => props.column.id);
const sorting = computed(() => props.view.arrangement.sorting);
const isFrozen = computed(() => layout.grid.frozen.includes(id.value));

const search = ref('');
const texts = props.view.counts(props.column);
const shownTexts = computed(() =>
  texts.filter((one) => one.text.toLowerCase().includes(search.value.toLowerCase())).slice(0, LISTED),
);
const wanted = ref(new Set(props.view.arrangement.filters.get(id.value) ?? texts.map((one) => one.text)));

function sort(descending: boolean): void {
  const isSame = sorting.value?.columnId === id.value && sorting.value.descending === descending;
  props.view.sortBy(isSame ? null : { columnId: id.value, descending });
  emit('close');
}
const setFilter = (next: Set<string> | null) =>
  props.view.filterBy(id.value, next && next.size < texts.length ? next : null);
function toggle(text: string): void {
  const next = new Set(wanted.value);
  if (!next.delete(text)) next.add(text);
  wanted.value = next;
  setFilter(next);
}
function only(text: string): void {
  wanted.value = new Set([text]);
  setFilter(wanted.value);
}
function all(): void {
  wanted.value = new Set(texts.map((one) => one.text));
  setFilter(null);
}

function freeze(): void {
  const { frozen } = layout.grid;
  layout.change({ frozen: isFrozen.value ? frozen.filter((one) => one !== id.value) : [...frozen, id.value] });
  emit('close');
}
function hide(): void {
  const set = chosenSet(layout.grid);
  layout.changeSet({ hidden: [...set.hidden, id.value], shown: set.shown.filter((one) => one !== id.value) });
  emit('close');
}
const place = computed(() => props.view.columnAt.value.get(id.value) ?? 0);
function move(step: 1 | -1): void {
  const ids = props.view.fields.value.map((one) => one.id);
  const to = place.value + step;
  if (to < 0 || to >= ids.length) return;
  [ids[place.value], ids[to]] = [ids[to]!, ids[place.value]!];
  layout.change({ frozen: ids.slice(0, props.view.frozen.value) });
  layout.changeSet({ order: ids });
}
function widen(by: number): void {
  const width = Math.max(40, Math.min(800, props.view.fields.value[place.value]!.size + by));
  layout.change({ widths: { ...layout.grid.widths, [id.value]: width } });
}

const own = computed(() => props.view.index.value.woven.filter((child) => props.view.isOwn(child.id, props.column)));
/** The keyboard is on figures alone: options are got at from here. */
const options = computed(() => props.view.columns.value.filter((one) => one.kind === 'option'));
/** Options are sorted and filtered by, and stay where they are. */
const field = computed(() => (props.column.kind === 'field' ? props.column : null));
const mayFollow = computed(
  () => field.value !== null && (field.value.scope !== EVERYWHERE || field.value.field.levels.length > 1),
);
function showOwn(): void {
  store.only = new Set(own.value.map((child) => child.id));
  emit('close');
}
function giveBack(): void {
  const ids = own.value.map((child) => child.id);
  if (field.value) props.edits.giveBack(field.value, ids);
  emit('close');
}
</script>

<template>
  <Popup :at="at" :name="`Column ${column.name}`" @close="emit('close')">
    <div class="menu" data-test="column-menu">
      <button :aria-pressed="sorting?.columnId === id && !sorting.descending" data-test="sort-up" @click="sort(false)">
        Sort upwards ↑
      </button>
      <button :aria-pressed="sorting?.columnId === id && sorting.descending" data-test="sort-down" @click="sort(true)">
        Sort downwards ↓
      </button>
      <template v-if="field">
        <hr />
        <button data-test="freeze" @click="freeze">{{ isFrozen ? 'Let it scroll again' : 'Keep it in view' }}</button>
        <button data-test="hide" @click="hide">Hide it in this set</button>
        <span class="pair">
          <button :disabled="place === 0" @click="move(-1)">Left</button
          ><button :disabled="place === view.fields.value.length - 1" @click="move(1)">Right</button>
          <button @click="widen(-24)">Narrower</button><button @click="widen(24)">Wider</button>
        </span>
      </template>
      <template v-if="field && options.length">
        <hr />
        <button v-for="one in options" :key="one.id" :data-test="`by-${one.name}`" @click="emit('other', one)">
          By {{ one.name }} instead…
        </button>
      </template>
      <template v-if="mayFollow">
        <hr />
        <p v-if="own.length === 0" class="soft">No child has a figure of its own here.</p>
        <template v-else>
          <button data-test="show-own" @click="showOwn">
            Show the {{ own.length === 1 ? 'child' : children(own.length) }} with a figure of
            {{ own.length === 1 ? 'its' : 'their' }} own
          </button>
          <button data-test="give-back-own" @click="giveBack">
            Give {{ own.length === 1 ? 'it' : `all ${own.length.toLocaleString('en')}` }} back: follow values and family
            again
          </button>
        </template>
      </template>
      <hr />
      <label class="search"
        >Show only<input v-model="search" type="search" :aria-label="`Search ${column.name}`"
      /></label>
      <button v-if="view.arrangement.filters.has(id)" data-test="filter-all" @click="all">Show all again</button>
      <label v-for="{ text, count } in shownTexts" :key="text" class="text"
        ><input type="checkbox" :checked="wanted.has(text)" :data-test="`filter-${text}`" @change="toggle(text)" /><span
          class="grow"
          >{{ text || '(empty)' }}</span
        ><span class="soft">{{ count }}</span
        ><button class="link" @click.prevent="only(text)">only</button></label
      >
      <p v-if="texts.length > LISTED" class="soft">and more: search for them.</p>
    </div>
  </Popup>
</template>

<style scoped>
.menu {
  display: flex;
  flex-direction: column;
}
.menu > button,
.pair button {
  font: inherit;
  text-align: left;
  border: 0;
  background: none;
  padding: 4px 6px;
  cursor: pointer;
  color: var(--ink);
}
.menu > button:hover,
.menu > button:focus-visible,
.pair button:hover {
  background: var(--weld-pale);
}
.menu > button[aria-pressed='true'] {
  font-weight: 600;
}
.pair {
  display: flex;
}
button:disabled {
  color: var(--ink-soft);
  cursor: default;
}
hr {
  width: 100%;
  border: 0;
  border-top: 1px solid var(--line-soft);
  margin: 4px 0;
}
p {
  padding: 3px 6px;
}
.search,
.text {
  display: flex;
  gap: 6px;
  align-items: center;
  padding: 2px 6px;
}
.search input {
  flex: 1;
  min-width: 0;
  font: inherit;
  border: 1px solid var(--line);
  padding: 1px 5px;
}
.text .grow {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
