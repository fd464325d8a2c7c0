<script setup lang="ts">
/**
 * The children as a grid. Ranges, copy, paste, fill and keyboard; what is typed goes through the field registry, good
 * cells are taken and bad ones named. A figure of its own is in full ink, one from a value or the family lighter,
 * with its source on hover.
 */
import { computed, ref, shallowRef, watch } from 'vue';
import VGrid, { type ColumnRegular } from '@revolist/vue3-datagrid';
import { columnOf, headerOf, isLong, isNumeric, placeLabel, resolve, sheetFields, showColumn } from '@loom-kin/core';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { useCellEditor, type CellAt, type Selection } from './cellEditor';
import { readCells, type Cells, type GridRow } from './gridCells';

const store = useFamily();
const setup = useSetup();
const refused = ref<string[]>([]);
const grid = ref<{
  $el: HTMLElement & {
    getFocused(): Promise<{ cell: { x: number; y: number } } | null>;
    setCellsFocus(start: CellAt, end: CellAt, columns: string, rows: string): Promise<void>;
    scrollToRow(at: number): Promise<void>;
    refresh(rows: string): Promise<void>;
  };
}>();

/** The columns beside the options: every field of the registry that a child may have, in its order. */
const fields = computed(() =>
  store.family ? sheetFields(setup.registry, store.family).filter((field) => !isLong(field)) : [],
);
const keys = computed(() => fields.value.map((field) => field.key));
const SIZES: Record<string, number> = {
  sku: 138,
  gtin: 128,
  stock: 70,
  onSale: 74,
  gtinExempt: 96,
  saleFrom: 96,
  saleUntil: 96,
};

const rows = shallowRef<GridRow[]>([]);
watch(
  [() => store.family, () => store.stock, () => store.only, fields],
  () => {
    const family = store.family;
    const index = store.index;
    if (!family || !index) return;
    const shown = store.only ? index.woven.filter((child) => store.only!.has(child.id)) : index.woven;
    const figures = fields.value
      .filter((field) => field.type !== 'stock')
      .map((field) => ({
        ...{ key: field.key, unset: field.unset ?? '' },
        text: showColumn(setup.registry, field, columnOf(family, field.key), setup.currency),
      }));
    rows.value = shown.map((child) => {
      const position = index.position.get(child.id)!;
      const row: GridRow = { id: child.id, stock: String(store.stock[child.id] ?? 0) };
      for (const axis of family.axes) row[axis.id] = index.valueById.get(child.at[axis.id]!)?.label ?? '';
      for (const { key, text, unset } of figures) row[key] = text(position) || unset;
      return row;
    });
  },
  { immediate: true },
);

const source = (childId: string, key: string) => {
  const family = store.family;
  const child = family?.children[childId];
  if (!family || !child) return null;
  const { from, beaten } = resolve(family, child, key);
  if (!from) return null;
  return {
    own: from.level === 'child',
    text:
      from.level === 'child'
        ? 'its own'
        : `from ${placeLabel(family, from)}${beaten.length > 0 ? `, before ${beaten.map((one) => placeLabel(family, one)).join(', ')}` : ''}`,
  };
};

/** Columns are built anew only when axes or fields change: the grid works long on new columns and hardly on new rows. */
const columns = shallowRef<ColumnRegular[]>([]);
const shapeOfAxes = computed(() =>
  JSON.stringify([
    keys.value,
    store.family?.axes.map((axis) => [
      axis.id,
      axis.label,
      Math.max(...axis.values.map((value) => value.label.length)),
    ]),
  ]),
);
watch(shapeOfAxes, () => (columns.value = buildColumns()), { immediate: true });

function buildColumns(): ColumnRegular[] {
  return [
    ...(store.family?.axes ?? []).map((axis) => ({
      prop: axis.id,
      name: axis.label,
      size: Math.max(
        72,
        Math.min(150, 26 + 7.5 * Math.max(...axis.values.map((value) => value.label.length), axis.label.length)),
      ),
      readonly: true,
      pin: 'colPinStart' as const,
      cellProperties: () => ({ class: 'option' }),
    })),
    ...fields.value.map((field) => {
      const { key } = field;
      const numeric = isNumeric(field);
      return {
        prop: key,
        name: field.type === 'stock' ? field.label : headerOf(field),
        size: SIZES[key] ?? Math.max(82, 24 + headerOf(field).length * 7),
        columnProperties: () => ({ class: numeric ? 'figures' : '' }),
        cellProperties: ({ model }: { model: Record<string, unknown> }) => {
          const id = String(model.id);
          const from =
            key === 'stock'
              ? { own: true, text: 'the ledger' }
              : (source(id, key) ?? (field.unset ? { own: false, text: 'nobody has set it' } : null));
          return {
            class: `${numeric ? 'figures ' : ''}${key === 'sku' || key === 'gtin' ? 'mono ' : ''}${from && !from.own ? 'inherited ' : ''}${store.lit.has(id) ? 'lit' : ''}`,
            title: from ? `${field.label}: ${from.text}` : '',
          };
        },
      };
    }),
  ];
}

/** Lit rows are a matter of cell classes, which the grid only asks for when it is told to. */
watch(
  () => store.lit,
  () => void grid.value?.$el.refresh('rgRow'),
);

const listedOn = computed(
  () =>
    new Map(
      store.live.flatMap(({ account, listing }) =>
        listing.offers.map((offer) => [offer.sku, setup.accountName(account)] as const),
      ),
    ),
);
/** Takes cells by row and column: everything good becomes one change with one undo, everything bad a line that names its place. */
function take(cells: Cells): void {
  const family = store.family;
  if (!family) return;
  const { changes, counts, problems } = readCells(setup.registry, family, rows.value, cells, (sku) =>
    listedOn.value.get(sku),
  );
  if (changes.length > 0) store.run({ do: 'setFigures', changes }, counts);
  else if (counts.length > 0) store.count(counts);
  refused.value = problems;
}

const holder = ref<HTMLElement>();
const input = ref<HTMLInputElement>();
const editor = useCellEditor({
  holder,
  input,
  columns: () => keys.value.length,
  rows: () => rows.value.length,
  textAt: ({ x, y }) => rows.value[y]?.[keys.value[x]!] ?? '',
  rowId: (y) => rows.value[y]?.id ?? '',
  commit: (x, rowId, text) => {
    const y = rows.value.findIndex((row) => row.id === rowId);
    if (y >= 0) take({ [y]: { [keys.value[x]!]: text } });
    else refused.value = [`"${text}" was typed for a child that is not woven any more.`];
  },
  draw: (from, to) => grid.value!.$el.setCellsFocus(from, to, 'rgCol', 'rgRow'),
  clear,
  fillDown,
});
const boxStyle = computed(() =>
  Object.fromEntries(Object.entries(editor.box.value).map(([side, length]) => [side, `${length}px`])),
);
function onRange(event: CustomEvent<{ data: Cells }>): void {
  event.preventDefault();
  take(event.detail.data);
}
function onFocus(
  event: CustomEvent<{ model?: Record<string, unknown>; rowIndex: number; colIndex: number; colType: string }>,
): void {
  const { model, rowIndex, colIndex, colType } = event.detail;
  if (typeof model?.id === 'string') store.selected = { level: 'child', childId: model.id };
  editor.followed(colType === 'rgCol' ? { x: colIndex, y: rowIndex } : null);
}

function onPaste(event: ClipboardEvent): void {
  if (event.target === input.value) return;
  const text = event.clipboardData?.getData('text/plain') ?? '';
  if (text === '') return;
  event.preventDefault();
  event.stopPropagation();
  const at = editor.selection();
  if (!at) return;
  const lines = text
    .replace(/\r?\n$/, '')
    .split(/\r?\n/)
    .map((line) => line.split('\t'));
  const single = lines.length === 1 && lines[0]!.length === 1;
  const cells: Cells = {};
  const height = single ? at.y1 - at.y + 1 : lines.length;
  for (let y = 0; y < height && at.y + y < rows.value.length; y++) {
    const line = single ? Array.from({ length: at.x1 - at.x + 1 }, () => lines[0]![0]!) : lines[y]!;
    line.forEach((cell, x) => {
      const key = keys.value[at.x + x];
      if (key) (cells[at.y + y] ??= {})[key] = cell;
    });
  }
  take(cells);
  const over = lines.length - (rows.value.length - at.y);
  if (over > 0)
    refused.value = [
      `${lines.length.toLocaleString('en')} rows were pasted; the ${(rows.value.length - at.y).toLocaleString('en')} children from here down took theirs, ${over.toLocaleString('en')} rows had no child. Rows for new children go in under Intake.`,
      ...refused.value,
    ];
}

/** What is selected goes out as rows of tabbed text, as spreadsheets take it; cut, it is given back besides. */
function onCopy(event: ClipboardEvent): void {
  const at = editor.selection();
  if (event.target === input.value || !at) return;
  event.preventDefault();
  event.stopPropagation();
  const lines = rows.value.slice(at.y, at.y1 + 1).map((row) =>
    keys.value
      .slice(at.x, at.x1 + 1)
      .map((key) => row[key]!)
      .join('\t'),
  );
  event.clipboardData?.setData('text/plain', lines.join('\n'));
  if (event.type === 'cut') clear();
}
/** The first row of the range goes down through it. */
function fillDown(): void {
  const at = editor.selection();
  if (at) take(cellsIn({ ...at, y: at.y + 1 }, (key) => rows.value[at.y]![key]!));
}
function clear(): void {
  const at = editor.selection();
  if (at) take(cellsIn(at, () => ''));
}
function cellsIn(at: Selection, text: (key: string) => string): Cells {
  const cells: Cells = {};
  for (let y = at.y; y <= at.y1; y++)
    cells[y] = Object.fromEntries(keys.value.slice(at.x, at.x1 + 1).map((key) => [key, text(key)]));
  return cells;
}

watch(
  () => store.selected,
  async (place) => {
    if (place.level !== 'child' || !grid.value) return;
    const at = rows.value.findIndex((row) => row.id === place.childId);
    const focused = await grid.value.$el.getFocused().catch(() => null);
    if (at >= 0 && focused?.cell.y !== at) await grid.value.$el.scrollToRow(Math.max(0, at - 2));
  },
);
</script>

<template>
  <div
    id="children-grid"
    ref="holder"
    class="holder"
    data-test="grid"
    tabindex="-1"
    @paste.capture="onPaste"
    @copy.capture="onCopy"
    @cut.capture="onCopy"
  >
    <div v-if="refused.length" class="refused" role="alert" data-test="refused">
      <strong>{{ refused.length === 1 ? 'Not taken:' : `${refused.length} not taken:` }}</strong>
      <ul>
        <li v-for="(line, at) in refused.slice(0, 6)" :key="at">{{ line }}</li>
        <li v-if="refused.length > 6">and {{ refused.length - 6 }} more</li>
      </ul>
      <button class="link" @click="refused = []">Close</button>
    </div>
    <p v-if="store.only" class="only" role="status" data-test="only">
      {{ rows.length === 1 ? 'The child' : `The ${rows.length.toLocaleString('en')} children` }} of a finding,
      {{ store.index?.woven.length.toLocaleString('en') }} in all.
      <button class="link" data-test="show-all" @click="store.only = null">Show all</button>
    </p>
    <VGrid
      ref="grid"
      class="grid"
      :source="rows"
      :columns="columns"
      :range="true"
      :filter="false"
      :resize="true"
      :row-size="28"
      theme="compact"
      :can-focus="true"
      :apply-on-close="true"
      hide-attribution
      @beforeeditstart="(event: Event) => event.preventDefault()"
      @beforerangeedit="onRange"
      @afterfocus="onFocus"
    />
    <input
      ref="input"
      class="cell-editor"
      :class="{ open: editor.open.value }"
      :style="boxStyle"
      aria-label="Cell"
      autocomplete="off"
      spellcheck="false"
      tabindex="-1"
      @blur="editor.leave"
    />
  </div>
</template>

<style>
.holder {
  outline: none;
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.refused {
  background: var(--stops-pale);
  border: 1px solid var(--stops);
  padding: 6px 12px;
  font-size: 13px;
  display: flex;
  gap: 12px;
  align-items: flex-start;
}
.refused ul {
  margin: 0;
  padding: 0;
  list-style: none;
  flex: 1;
}
.only {
  background: var(--weld-pale);
  padding: 4px 12px;
  font-size: 13px;
}
.grid {
  flex: 1;
  min-height: 0;
  font-family: var(--face);
  font-size: 13px;
}
revo-grid.grid[theme='compact'] {
  font-family: var(--face);
  font-size: 13px;
}
revo-grid.grid[theme='compact'] revogr-header {
  background: var(--ground);
  color: var(--ink-soft);
  font-weight: 600;
  font-family: var(--face);
  font-size: 12.5px;
  line-height: 30px;
}
revo-grid.grid[theme='compact'] revogr-header .header-rgRow {
  height: 30px;
}
revo-grid.grid[theme='compact'] revogr-header .rgHeaderCell {
  padding: 0 8px;
  font-weight: 600;
  font-size: 12.5px;
}
revo-grid.grid[theme='compact'] revogr-data {
  font-family: var(--face);
  font-size: 13px;
}
revo-grid[theme='compact'] revogr-data .rgCell {
  padding: 0 8px;
  line-height: 28px;
  color: var(--ink);
  box-shadow:
    0 -1px 0 0 var(--line-soft) inset,
    -1px 0 0 0 var(--line-soft) inset;
}
revo-grid revogr-data .rgCell.inherited {
  color: #6d7780;
  font-style: italic;
}
revo-grid revogr-data .rgCell.option {
  background: var(--ground);
  color: var(--ink-soft);
}
revo-grid revogr-data .rgCell.figures,
revo-grid revogr-header .rgHeaderCell.figures {
  text-align: right;
  justify-content: flex-end;
  font-variant-numeric: tabular-nums;
}
revo-grid revogr-data .rgCell.mono {
  font-family: var(--mono);
  font-size: 12px;
}
revo-grid revogr-data .rgCell.lit {
  background: var(--weld-pale);
}
revo-grid revogr-focus.focused-cell {
  box-shadow: 0 0 0 2px var(--weld) inset;
}
revo-grid .selection-border-range {
  box-shadow: 0 0 0 1px var(--weld) inset;
  background: rgb(217 164 0 / 12%);
}
.cell-editor {
  position: absolute;
  opacity: 0;
  pointer-events: none;
  z-index: 5;
  border: 0;
  outline: 2px solid var(--woad);
  outline-offset: -2px;
  padding: 0 8px;
  font: 13px var(--face);
  color: var(--ink);
  background: var(--sheet);
}
.cell-editor.open {
  opacity: 1;
  pointer-events: auto;
}
</style>
