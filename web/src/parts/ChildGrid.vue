<script setup lang="ts">
/**
 * The children as a grid. Ranges, copy, paste, fill and keyboard; what is typed goes through the field registry, good cells are taken
 * and bad ones named. A figure of its own is in full ink, one from a value or the family lighter, with its source on hover.
 */
import { computed, ref, shallowRef, watch } from 'vue';
import VGrid, { type ColumnRegular } from '@revolist/vue3-datagrid';
import { fieldOf, figureOf, headerOf, placeLabel, readFigure, resolve, showFigure, type Command } from '@loom-kin/core';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

type Row = Record<string, string> & { id: string };
type Cells = Record<number, Record<string, unknown>>;
interface Range { x: number; y: number; x1: number; y1: number }

const store = useFamily();
const setup = useSetup();
const refused = ref<string[]>([]);
const grid = ref<{ $el: HTMLElement & { getFocused(): Promise<{ cell: { x: number; y: number } } | null>; getSelectedRange(): Promise<Range | null>; scrollToRow(at: number): Promise<void>; refresh(rows: string): Promise<void> } }>();

const KEYS = ['sku', 'gtin', 'listPrice', 'price', 'cost', 'stock', 'weight', 'packageLength', 'packageWidth', 'packageHeight', 'onSale', 'gtinExempt', 'salePrice', 'saleFrom', 'saleUntil', 'mpn'];
const FIELDS_SHOWN = KEYS.flatMap((key) => fieldOf(key) ?? []);
const SIZES: Record<string, number> = { sku: 138, gtin: 128, stock: 70, onSale: 74, gtinExempt: 96, saleFrom: 96, saleUntil: 96 };

const rows = shallowRef<Row[]>([]);
watch([() => store.family, () => store.stock], () => {
  const family = store.family;
  const index = store.index;
  if (!family || !index) return;
  rows.value = index.woven.map((child) => {
    const row: Row = { id: child.id, stock: String(store.stock[child.id] ?? 0) };
    for (const axis of family.axes) row[axis.id] = index.valueById.get(child.at[axis.id]!)?.label ?? '';
    for (const field of FIELDS_SHOWN) row[field.key] = showFigure(field, figureOf(family, child, field.key), setup.currency);
    return row;
  });
}, { immediate: true });

const source = (childId: string, key: string) => {
  const family = store.family;
  const child = family?.children[childId];
  if (!family || !child) return null;
  const { from, beaten } = resolve(family, child, key);
  if (!from) return null;
  return { own: from.level === 'child', text: from.level === 'child' ? 'its own' : `from ${placeLabel(family, from)}${beaten.length > 0 ? `, before ${beaten.map((one) => placeLabel(family, one)).join(', ')}` : ''}` };
};

/** Columns are built anew only when the axes change: the grid works long on new columns and hardly on new rows. */
const columns = shallowRef<ColumnRegular[]>([]);
const shapeOfAxes = computed(() => JSON.stringify(store.family?.axes.map((axis) => [axis.id, axis.label, Math.max(...axis.values.map((value) => value.label.length))])));
watch(shapeOfAxes, () => (columns.value = buildColumns()), { immediate: true });

function buildColumns(): ColumnRegular[] {
  return [
  ...(store.family?.axes ?? []).map((axis) => ({ prop: axis.id, name: axis.label, size: Math.max(72, Math.min(150, 26 + 7.5 * Math.max(...axis.values.map((value) => value.label.length), axis.label.length))), readonly: true, pin: 'colPinStart' as const, cellProperties: () => ({ class: 'option' }) })),
  ...KEYS.map((key) => {
    const field = fieldOf(key);
    const numeric = key === 'stock' || ['money', 'weight', 'length', 'integer'].includes(field?.type ?? '');
    return {
      prop: key, name: field ? headerOf(field) : 'Stock', size: SIZES[key] ?? (field ? Math.max(82, 24 + headerOf(field).length * 7) : 80),
      columnProperties: () => ({ class: numeric ? 'figures' : '' }),
      cellProperties: ({ model }: { model: Record<string, unknown> }) => {
        const id = String(model.id);
        const from = key === 'stock' ? { own: true, text: 'the ledger' } : source(id, key);
        return {
          class: `${numeric ? 'figures ' : ''}${key === 'sku' || key === 'gtin' ? 'mono ' : ''}${from && !from.own ? 'inherited ' : ''}${store.lit.has(id) ? 'lit' : ''}`,
          title: from ? `${field?.label ?? 'Stock'}: ${from.text}` : '',
        };
      },
    };
  }),
  ];
}

/** Lit rows are a matter of cell classes, which the grid only asks for when it is told to. */
watch(() => store.lit, () => void grid.value?.$el.refresh('rgRow'));

/** Takes cells by row and column; everything good becomes one change, everything bad a line that names its place. */
function take(cells: Cells): void {
  const family = store.family!;
  const problems: string[] = [];
  const changes: Extract<Command, { do: 'setFigures' }>['changes'] = [];
  const counts: { childId: string; pieces: number }[] = [];
  for (const [at, cellsOfRow] of Object.entries(cells)) {
    const row = rows.value[Number(at)];
    if (!row) continue;
    const place = { level: 'child' as const, childId: row.id };
    for (const [key, typed] of Object.entries(cellsOfRow)) {
      const text = String(typed ?? '');
      if (text === row[key] || (key !== 'stock' && !fieldOf(key))) continue;
      const where = () => `${placeLabel(family, place)}, ${fieldOf(key)?.label ?? 'Stock'}`;
      if (key === 'stock') {
        if (/^\d{1,9}$/.test(text.trim())) counts.push({ childId: row.id, pieces: Number(text) });
        else problems.push(`${where()}: "${text}" is no whole number of pieces.`);
        continue;
      }
      const read = readFigure(fieldOf(key)!, text);
      if (read.ok) changes.push({ place, key, figure: read.figure });
      else problems.push(`${where()}: ${read.message}`);
    }
  }
  const good = withoutDoubles(changes, problems);
  if (good.length > 0) store.run({ do: 'setFigures', changes: good });
  if (counts.length > 0) store.count(counts);
  refused.value = problems;
}

/** An SKU or GTIN that another child of the family has, or that comes twice, is held back by itself, so that the rest goes in. */
function withoutDoubles(changes: Extract<Command, { do: 'setFigures' }>['changes'], problems: string[]) {
  const family = store.family!;
  const touched = new Set(changes.flatMap((change) => (change.place.level === 'child' ? [`${change.key}|${change.place.childId}`] : [])));
  const same = (key: string, figure: unknown) => `${key}|${key === 'gtin' ? String(figure).padStart(14, '0') : String(figure).toUpperCase()}`;
  const owners = new Map<string, string>();
  for (const child of [...Object.values(family.children), ...Object.values(family.shelf).map((one) => one.child)]) {
    for (const key of ['sku', 'gtin']) if (child.fields[key] !== undefined && !touched.has(`${key}|${child.id}`)) owners.set(same(key, child.fields[key]), child.id);
  }
  return changes.filter(({ place, key, figure }) => {
    if (place.level !== 'child' || (key !== 'sku' && key !== 'gtin') || figure === null) return true;
    const owner = owners.get(same(key, figure));
    owners.set(same(key, figure), owner ?? place.childId);
    if (!owner || owner === place.childId) return true;
    problems.push(`${placeLabel(family, place)}, ${fieldOf(key)!.label}: ${String(figure)} belongs to ${placeLabel(family, { level: 'child', childId: owner })} already.`);
    return false;
  });
}

function onEdit(event: CustomEvent<{ rowIndex: number; prop: string | number; val?: unknown }>): void {
  event.preventDefault();
  take({ [event.detail.rowIndex]: { [String(event.detail.prop)]: event.detail.val } });
}
function onRange(event: CustomEvent<{ data: Cells }>): void {
  event.preventDefault();
  take(event.detail.data);
}
function onFocus(event: CustomEvent<{ model?: Record<string, unknown> }>): void {
  const id = event.detail.model?.id;
  if (typeof id === 'string') store.selected = { level: 'child', childId: id };
}

/** The selected range of the field columns, or the focused cell. */
async function range(): Promise<Range | null> {
  const element = grid.value!.$el;
  const selected = await element.getSelectedRange();
  if (selected) return selected;
  const focused = await element.getFocused();
  return focused ? { x: focused.cell.x, y: focused.cell.y, x1: focused.cell.x, y1: focused.cell.y } : null;
}

async function onPaste(event: ClipboardEvent): Promise<void> {
  if ((event.target as HTMLElement).tagName === 'INPUT') return;
  const text = event.clipboardData?.getData('text/plain') ?? '';
  if (text === '') return;
  event.preventDefault();
  event.stopPropagation();
  const at = await range();
  if (!at) return;
  const lines = text.replace(/\r?\n$/, '').split(/\r?\n/).map((line) => line.split('\t'));
  const single = lines.length === 1 && lines[0]!.length === 1;
  const cells: Cells = {};
  const height = single ? at.y1 - at.y + 1 : lines.length;
  for (let y = 0; y < height && at.y + y < rows.value.length; y++) {
    const line = single ? Array.from({ length: at.x1 - at.x + 1 }, () => lines[0]![0]!) : lines[y]!;
    line.forEach((cell, x) => {
      const key = KEYS[at.x + x];
      if (key) (cells[at.y + y] ??= {})[key] = cell;
    });
  }
  take(cells);
  const over = lines.length - (rows.value.length - at.y);
  if (over > 0) refused.value = [`${lines.length.toLocaleString('en')} rows were pasted; the ${(rows.value.length - at.y).toLocaleString('en')} children from here down took theirs, ${over.toLocaleString('en')} rows had no child. Rows for new children go in under Intake.`, ...refused.value];
}

/** Ctrl D: the first row of the range goes down through it. */
async function onKey(event: KeyboardEvent): Promise<void> {
  if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'd') return;
  event.preventDefault();
  const at = await range();
  if (!at || at.y1 === at.y) return;
  const cells: Cells = {};
  for (let y = at.y + 1; y <= at.y1; y++) for (let x = at.x; x <= at.x1; x++) if (KEYS[x]) (cells[y] ??= {})[KEYS[x]!] = rows.value[at.y]![KEYS[x]!];
  take(cells);
}

watch(() => store.selected, async (place) => {
  if (place.level !== 'child' || !grid.value) return;
  const at = rows.value.findIndex((row) => row.id === place.childId);
  const focused = await grid.value.$el.getFocused().catch(() => null);
  if (at >= 0 && focused?.cell.y !== at) await grid.value.$el.scrollToRow(Math.max(0, at - 2));
});
</script>

<template>
  <div class="holder" data-test="grid" @paste.capture="onPaste" @keydown.capture="onKey">
    <div v-if="refused.length" class="refused" role="alert" data-test="refused">
      <strong>{{ refused.length === 1 ? 'Not taken:' : `${refused.length} not taken:` }}</strong>
      <ul><li v-for="(line, at) in refused.slice(0, 6)" :key="at">{{ line }}</li><li v-if="refused.length > 6">and {{ refused.length - 6 }} more</li></ul>
      <button class="link" @click="refused = []">Close</button>
    </div>
    <VGrid ref="grid" class="grid" :source="rows" :columns="columns" :range="true" :filter="false" :resize="true" :row-size="28" theme="compact" :can-focus="true" :apply-on-close="true" hide-attribution
      @beforeedit="onEdit" @beforerangeedit="onRange" @afterfocus="onFocus" />
  </div>
</template>

<style>
.holder { display: flex; flex-direction: column; min-height: 0; height: 100%; }
.refused { background: var(--stops-pale); border: 1px solid var(--stops); padding: 6px 12px; font-size: 13px; display: flex; gap: 12px; align-items: flex-start; }
.refused ul { margin: 0; padding: 0; list-style: none; flex: 1; }
.grid { flex: 1; min-height: 0; font-family: var(--face); font-size: 13px; }
revo-grid.grid[theme='compact'] { font-family: var(--face); font-size: 13px; }
revo-grid.grid[theme='compact'] revogr-header { background: var(--ground); color: var(--ink-soft); font-weight: 600; font-family: var(--face); font-size: 12.5px; line-height: 30px; }
revo-grid.grid[theme='compact'] revogr-header .header-rgRow { height: 30px; }
revo-grid.grid[theme='compact'] revogr-header .rgHeaderCell { padding: 0 8px; font-weight: 600; font-size: 12.5px; }
revo-grid.grid[theme='compact'] revogr-data { font-family: var(--face); font-size: 13px; }
revo-grid[theme='compact'] revogr-data .rgCell { padding: 0 8px; line-height: 28px; color: var(--ink); box-shadow: 0 -1px 0 0 var(--line-soft) inset, -1px 0 0 0 var(--line-soft) inset; }
revo-grid revogr-data .rgCell.inherited { color: #6d7780; font-style: italic; }
revo-grid revogr-data .rgCell.option { background: var(--ground); color: var(--ink-soft); }
revo-grid revogr-data .rgCell.figures, revo-grid revogr-header .rgHeaderCell.figures { text-align: right; justify-content: flex-end; font-variant-numeric: tabular-nums; }
revo-grid revogr-data .rgCell.mono { font-family: var(--mono); font-size: 12px; }
revo-grid revogr-data .rgCell.lit { background: var(--weld-pale); }
revo-grid revogr-focus.focused-cell { box-shadow: 0 0 0 2px var(--weld) inset; }
revo-grid .selection-border-range { box-shadow: 0 0 0 1px var(--weld) inset; background: rgb(217 164 0 / 12%); }
revo-grid revogr-edit input { font: inherit; }
</style>
