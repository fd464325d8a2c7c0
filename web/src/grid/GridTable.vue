<script setup lang="ts">
/**
 * The grid drawn: only the rows and columns in view. Cells are addressed by child and column; a figure of its own is in full ink, one from a
 * value or the family lighter. One tab stop; the focused cell is told to screen readers as the active one.
 */
import { computed, ref } from 'vue';
import type { Child } from '@loom-kin/core/family';
import GridHead from './GridHead.vue';
import { isRight, type GridColumn } from './gridColumns';
import { isWithin } from './gridMoves';
import type { Spot } from '../common/arrows';
import { useCellEntry } from './useCellEntry';
import { useGridDrawing, HEAD, ROW, type DrawnColumn } from './useGridDrawing';
import type { GridEdits } from './useGridEdits';
import { useGridKeys } from './useGridKeys';
import { useGridMouse } from './useGridMouse';
import type { GridSelection } from './useGridSelection';
import type { GridView } from './useGridView';

const props = defineProps<{
  view: GridView;
  selection: GridSelection;
  edits: GridEdits;
  /** Children that are lit up, by a finding or a hover, and those chosen in the weave. */
  lit: ReadonlySet<string>;
  chosen: ReadonlySet<string>;
}>();
const emit = defineEmits<{
  find: [withReplacement: boolean];
  menu: [column: GridColumn, at: HTMLElement];
  leave: [];
  page: [rows: number];
}>();

const scroller = ref<HTMLElement>();
const body = ref<HTMLElement>();
const input = ref<HTMLTextAreaElement>();
const drawing = useGridDrawing(props.view, scroller);
const focusGrid = () => body.value?.focus({ preventScroll: true });
const go = (spot: Spot) => {
  props.selection.select(spot);
  drawing.show(props.selection.spot.value ?? spot);
};
const entry = useCellEntry(props.view, props.selection, props.edits, { input, focusGrid, go });
const mouse = useGridMouse(scroller, drawing, props.selection, props.edits, entry);
const onKey = useGridKeys(props.selection, entry, props.edits, {
  show: drawing.show,
  openFind: (withReplacement) => emit('find', withReplacement),
  openMenu: (x) => openMenu(x),
  leaveSelection: () => {
    const at = props.selection.begin.value;
    if (at) props.selection.select(at);
    emit('leave');
  },
});
function openMenu(x: number): void {
  const column = props.selection.columnOfSpot(x);
  const head = column && document.getElementById(`head-${column.id}`);
  if (column && head) emit('menu', column, head);
}

const range = computed(() => props.selection.range.value);
const begin = computed(() => props.selection.begin.value);
const active = computed(() => props.selection.spot.value);
const cellId = ({ x, y }: Spot) => `cell-${y}-${x}`;

/** As one text: a cell that stays as it is costs one comparison. */
function classesOf(child: Child, { column, x }: DrawnColumn, y: number): string {
  const right = isRight(column) ? ' right' : '';
  if (column.kind === 'option') return `cell option${right}`;
  const at = { x, y };
  const own = props.view.isOwn(child.id, column);
  return [
    `cell${right}`,
    column.field.key === 'sku' || column.field.key === 'gtin' ? ' mono' : '',
    own === false ? ' inherited' : own ? ' own' : '',
    range.value !== null && isWithin(range.value, at) ? ' chosen' : '',
    column.field.type === 'stock' && props.view.isLow(child.id) ? ' low' : '',
    begin.value?.x === x && begin.value.y === y ? ' begin' : '',
    mouse.filling.value !== null && isWithin(mouse.filling.value, at) ? ' filling' : '',
  ].join('');
}
/** What of the selection shows in a row: a row is drawn anew when this changes, or what stands in its cells. */
function markOf(y: number): string {
  const [now, fill] = [range.value, mouse.filling.value];
  const part = now && y >= now.y && y <= now.y1 ? `${now.x}-${now.x1}${y === now.y1 ? '!' : ''}` : '';
  const first = begin.value?.y === y ? begin.value.x : '';
  return `${part}/${first}/${fill && y >= fill.y && y <= fill.y1 ? `${fill.x}-${fill.x1}` : ''}`;
}
const isCorner = (x: number, y: number) => range.value?.x1 === x && range.value.y1 === y;

const optionCount = computed(() => props.view.columns.value.length - props.view.fields.value.length);
/** Each row in two parts: what stays in view, and what is scrolled beneath it. */
const parts = computed(() => [
  { name: 'scrolled', columns: drawing.scrolled.value, style: `transform:translateX(${-drawing.left.value}px)` },
  { name: 'stays', columns: drawing.stickyColumns.value, style: undefined },
]);

/** Where a figure comes from is worked out when the mouse asks. */
function tellSource(event: PointerEvent): void {
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-column]');
  const column = cell && props.view.columnById.value.get(cell.dataset.column!);
  if (cell && column)
    cell.title =
      column.kind === 'field' ? `${column.field.label}: ${props.view.source(cell.dataset.child!, column)}` : '';
}

const entryBox = computed(() => {
  const cell = entry.open.value;
  const x = cell && props.view.columnAt.value.get(cell.column.id);
  const y = cell && props.view.rowAt.value.get(cell.childId);
  const box = x !== undefined && x !== null && y !== undefined && y !== null ? drawing.boxOf({ x, y }) : null;
  if (!box) return { left: '0px', top: `${HEAD}px`, width: '1px', height: `${ROW}px` };
  return {
    left: `${box.left}px`,
    top: `${box.top}px`,
    minWidth: `${box.width}px`,
    width: `${Math.max(box.width, Math.min(360, 24 + entry.text.value.length * 7.4))}px`,
    height: `${entry.rows.value === 1 ? ROW : entry.rows.value * 19 + 10}px`,
  };
});
const entryName = computed(() => {
  const cell = entry.open.value;
  return cell ? `${cell.column.name}` : 'Cell';
});

defineExpose({ entry, show: drawing.show, focus: focusGrid, page: drawing.page });
</script>

<template>
  <div ref="scroller" class="grid-scroller" @scroll.passive="drawing.onScroll" @pointerover="tellSource">
    <div class="whole" :style="{ width: `${drawing.whole.value.width}px`, height: `${drawing.whole.value.height}px` }">
      <div class="pane" :style="{ width: `${drawing.width.value}px`, height: `${drawing.height.value}px` }">
        <div
          id="children-grid"
          ref="body"
          class="grid"
          role="grid"
          tabindex="0"
          aria-label="Children and their figures"
          aria-multiselectable="true"
          :aria-rowcount="view.rows.value.length + 1"
          :aria-colcount="view.columns.value.length"
          :aria-activedescendant="active ? cellId(active) : undefined"
          data-test="grid"
          @keydown="onKey"
          @pointerdown="mouse.onDown"
          @dblclick="mouse.onDouble"
          @paste.prevent="edits.paste($event.clipboardData)"
          @copy.prevent="$event.clipboardData && edits.copy($event.clipboardData)"
          @cut.prevent="$event.clipboardData && (edits.copy($event.clipboardData), edits.clear())"
        >
          <GridHead
            :view="view"
            :drawing="drawing"
            :selection="selection"
            @menu="(column, at) => emit('menu', column, at)"
          />
          <div class="rows" role="presentation" :style="{ transform: `translateY(${-drawing.top.value}px)` }">
            <div
              v-for="{ child, y } in drawing.drawnRows.value"
              :key="child.id"
              v-memo="[child.id, y, view.version.value, parts, markOf(y), lit.has(child.id), chosen.has(child.id)]"
              class="row"
              :class="{ lit: lit.has(child.id), picked: chosen.has(child.id) }"
              role="row"
              :aria-rowindex="y + 2"
              :style="`top:${y * ROW}px`"
            >
              <div v-for="part in parts" :key="part.name" :class="part.name" role="presentation" :style="part.style">
                <div
                  v-for="drawn in part.columns"
                  :id="drawn.x >= 0 ? cellId({ x: drawn.x, y }) : undefined"
                  :key="drawn.column.id"
                  :class="classesOf(child, drawn, y)"
                  :role="drawn.x < 0 ? 'rowheader' : 'gridcell'"
                  :aria-colindex="drawn.x + optionCount + 1"
                  :aria-selected="drawn.x >= 0 && range !== null && isWithin(range, { x: drawn.x, y })"
                  :data-column="drawn.column.id"
                  :data-child="child.id"
                  :style="`left:${drawn.left}px;width:${drawn.column.size}px`"
                >
                  {{ view.text(child.id, drawn.column)
                  }}<i
                    v-if="isCorner(drawn.x, y)"
                    class="handle"
                    title="Draw out to fill: copies, or goes on with a series"
                  />
                </div>
              </div>
            </div>
          </div>
        </div>
        <textarea
          ref="input"
          class="cell-entry"
          :class="{ open: entry.open.value }"
          :style="entryBox"
          rows="1"
          :aria-label="entryName"
          autocomplete="off"
          spellcheck="false"
          tabindex="-1"
          @input="entry.onInput"
          @keydown="entry.onKey"
          @blur="entry.onBlur"
          @paste.stop
          @copy.stop
          @cut.stop
        />
        <div
          v-if="entry.open.value && entry.choices.value.length"
          class="choices"
          aria-hidden="true"
          :style="{ left: entryBox.left, top: `calc(${entryBox.top} + ${entryBox.height})` }"
        >
          {{ entry.choices.value.join(' · ') }}
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped src="./grid.css" />
