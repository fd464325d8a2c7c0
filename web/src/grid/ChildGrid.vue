<script setup lang="ts">
/** The children as a spreadsheet: sets of columns, find and replace, sorting and filters, paste with a look before it is taken, sums below. */
import { computed, nextTick, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue';
import { useFamily } from '../stores/family';
import { useLayout } from './layout';
import ColumnMenu from './ColumnMenu.vue';
import ColumnsPanel from './ColumnsPanel.vue';
import FindBar from './FindBar.vue';
import GridTable from './GridTable.vue';
import PastePreview from './PastePreview.vue';
import SumLine from './SumLine.vue';
import { ALL_FIGURES, setNames, type GridColumn } from './gridColumns';
import type { CellDraft } from './useCellEntry';
import { useGridEdits } from './useGridEdits';
import { useGridSelection } from './useGridSelection';
import { useGridView } from './useGridView';

const store = useFamily();
const layout = useLayout();
const view = useGridView();
const table = ref<InstanceType<typeof GridTable>>();
const selection = useGridSelection(view, () => table.value?.page() ?? 10);
const edits = useGridEdits(view, selection);

const finding = ref<'no' | 'find' | 'replace'>('no');
const menu = shallowRef<{ column: GridColumn; at: HTMLElement } | null>(null);
const panelAt = shallowRef<HTMLElement | null>(null);
const draft = shallowRef<CellDraft | null>(null);

/** Rows that are selected here are the chosen children everywhere, once the selection stands still. */
const REST = 80;
let resting: ReturnType<typeof setTimeout> | undefined;
watch(selection.turn, () => {
  clearTimeout(resting);
  resting = setTimeout(tellSelection, REST);
});
onUnmounted(() => clearTimeout(resting));
function tellSelection(): void {
  const range = selection.range.value;
  if (!range) return;
  const ids = view.rows.value.slice(range.y, range.y1 + 1).map((child) => child.id);
  if (ids.length > 0 && ids.length < view.index.value.woven.length) store.choose(ids, 'grid');
  if (ids.length === 1) store.selected = { level: 'child', childId: ids[0]! };
}
/** What is selected elsewhere is brought into view, and the grid begins there. */
watch(
  () => store.selected,
  (place) => {
    if (place.level !== 'child') return;
    const y = view.rowAt.value.get(place.childId);
    if (y === undefined || selection.begin.value?.y === y) return;
    selection.selectCell(place.childId);
    table.value?.show({ x: selection.spot.value?.x ?? 0, y });
  },
);
watch(
  () => store.chosen,
  (chosen) => {
    if (store.chosenIn === 'grid') return;
    // Whoever chooses elsewhere meanwhile is not overruled by what was selected here just before.
    clearTimeout(resting);
    const first = view.rows.value.findIndex((child) => chosen.has(child.id));
    if (first >= 0) table.value?.show({ x: selection.spot.value?.x ?? 0, y: first });
  },
);

/** The very cell that somebody is led to; its column is shown where it was not. */
watch(
  () => store.aim,
  async (aim) => {
    if (!aim || !view.columnById.value.has(aim.columnId)) return;
    store.aim = null;
    if (!view.columnAt.value.has(aim.columnId)) layout.change({ set: ALL_FIGURES });
    await nextTick();
    if (selection.selectCell(aim.childId, aim.columnId)) table.value?.show(selection.spot.value!);
  },
  { immediate: true, flush: 'post' },
);

const isPartial = computed(
  () => view.rows.value.length < view.index.value.woven.length || view.arrangement.sorting !== null,
);
function showAll(): void {
  view.arrangeNothing();
  store.only = null;
}
async function closeFind(): Promise<void> {
  finding.value = 'no';
  await nextTick();
  table.value?.focus();
}
function endPaste(reading: Parameters<typeof edits.takeClipping>[0] | null): void {
  if (reading) edits.takeClipping(reading);
  edits.offer.value = null;
  table.value?.focus();
}

onMounted(() => {
  draft.value = table.value?.entry.draft() ?? null;
  edits.refused.value = store.notTaken;
  store.notTaken = [];
});
const draftColumn = computed(() => draft.value && view.columnById.value.get(draft.value.columnId));
async function goOnWithDraft(): Promise<void> {
  const kept = draft.value;
  draft.value = null;
  if (!kept) return;
  if (!view.columnAt.value.has(kept.columnId)) layout.changeSet({ shown: [kept.columnId] });
  await nextTick();
  await table.value?.entry.goOnWith(kept);
}
function dropDraft(): void {
  draft.value = null;
  table.value?.entry.dropDraft();
}
</script>

<template>
  <div class="holder">
    <div class="tools">
      <label
        >Columns
        <select
          :value="layout.grid.set"
          data-test="set"
          @change="layout.change({ set: ($event.target as HTMLSelectElement).value })"
        >
          <option v-for="name in setNames(layout.grid)" :key="name">{{ name }}</option>
        </select></label
      >
      <button
        class="link"
        aria-haspopup="dialog"
        data-test="columns"
        @click="panelAt = $event.currentTarget as HTMLElement"
      >
        Choose…
      </button>
      <button class="link" title="Ctrl F" data-test="open-find" @click="finding = 'replace'">Find and replace</button>
      <span class="grow" />
      <span v-if="isPartial" role="status" class="partial" data-test="only">
        {{ view.rows.value.length.toLocaleString('en') }} of
        {{ view.index.value.woven.length.toLocaleString('en') }} children<template v-if="view.arrangement.sorting"
          >, sorted</template
        >
        <button
          v-if="view.isArranged.value"
          class="link"
          title="Rows stay where they are while you type"
          data-test="arrange"
          @click="view.arrangeAnew()"
        >
          Sort and filter anew
        </button>
        <button class="link" data-test="show-all" @click="showAll">Show all</button>
      </span>
      <slot />
    </div>
    <FindBar
      v-if="finding !== 'no'"
      :view="view"
      :selection="selection"
      :edits="edits"
      :replacing="finding === 'replace'"
      @close="closeFind"
      @show="table?.show($event)"
    />
    <PastePreview
      v-if="edits.offer.value"
      :offer="edits.offer.value"
      :view="view"
      @take="endPaste($event)"
      @close="endPaste(null)"
    />
    <div v-if="draft" class="notice" role="status" data-test="draft">
      Half typed before: “{{ draft.text }}” under {{ draftColumn?.name ?? 'a column that is gone' }}. It is not stored.
      <button v-if="draftColumn" class="link" data-test="draft-on" @click="goOnWithDraft">Go on typing</button>
      <button class="link" @click="dropDraft">Drop it</button>
    </div>
    <div v-if="edits.refused.value.length" class="refused" role="alert" data-test="refused">
      <strong>{{
        edits.refused.value.length === 1 ? 'Not taken:' : `${edits.refused.value.length} not taken:`
      }}</strong>
      <ul>
        <li v-for="(line, at) in edits.refused.value.slice(0, 6)" :key="at">{{ line }}</li>
        <li v-if="edits.refused.value.length > 6">and {{ edits.refused.value.length - 6 }} more</li>
      </ul>
      <button class="link" @click="edits.refused.value = []">Close</button>
    </div>
    <GridTable
      ref="table"
      :view="view"
      :selection="selection"
      :edits="edits"
      :lit="store.lit"
      :chosen="store.chosen"
      @find="finding = $event ? 'replace' : 'find'"
      @menu="(column, at) => (menu = { column, at })"
      @leave="store.choose([], 'grid')"
    />
    <SumLine :view="view" :selection="selection" />
    <ColumnMenu
      v-if="menu"
      :key="menu.column.id"
      v-bind="menu"
      :view="view"
      :edits="edits"
      @close="menu = null"
      @other="menu = { column: $event, at: menu.at }"
    />
    <ColumnsPanel v-if="panelAt" :at="panelAt" :view="view" @close="panelAt = null" />
  </div>
</template>

<style scoped>
.holder {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.tools {
  display: flex;
  align-items: center;
  gap: 4px 14px;
  flex-wrap: wrap;
  padding: 3px 12px;
  font-size: 12.5px;
  color: var(--ink-soft);
  border-bottom: 1px solid var(--line-soft);
}
.tools select {
  font: inherit;
  color: var(--ink);
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 1px 4px;
}
.partial {
  display: flex;
  gap: 10px;
  background: var(--weld-pale);
  color: var(--ink);
  padding: 1px 8px;
}
.notice,
.refused {
  padding: 5px 12px;
  font-size: 13px;
  display: flex;
  gap: 12px;
  align-items: flex-start;
}
.notice {
  background: var(--weld-pale);
}
.refused {
  background: var(--stops-pale);
  border: 1px solid var(--stops);
}
.refused ul {
  margin: 0;
  padding: 0;
  list-style: none;
  flex: 1;
}
</style>
