<script setup lang="ts">
/** The heads of the grid's columns: a click selects the column, the button opens its menu, dragging moves it, its edge sets its width. */
import { computed, ref } from 'vue';
import { useLayout } from './layout';
import type { FieldColumn, GridColumn } from './gridColumns';
import { chosenSet, isRight } from './gridColumns';
import { HEAD, type DrawnColumn, type GridDrawing } from './useGridDrawing';
import type { GridSelection } from './useGridSelection';
import type { GridView } from './useGridView';

const props = defineProps<{ view: GridView; drawing: GridDrawing; selection: GridSelection }>();
const emit = defineEmits<{ menu: [column: GridColumn, at: HTMLElement] }>();
const layout = useLayout();

/** Pixels the mouse goes before a press becomes a drag. */
const SLACK = 5;
const LEAST = 40;

const moving = ref<{ id: string; to: number } | null>(null);
const sorting = computed(() => props.view.arrangement.sorting);
const parts = computed(() => [
  {
    name: 'scrolled',
    columns: props.drawing.scrolled.value,
    style: { transform: `translateX(${-props.drawing.left.value}px)` },
  },
  { name: 'stays', columns: props.drawing.stickyColumns.value, style: undefined },
]);
const firstField = computed(() => props.view.columns.value.length - props.view.fields.value.length);

function sortOf(column: GridColumn): 'ascending' | 'descending' | undefined {
  if (sorting.value?.columnId !== column.id) return undefined;
  return sorting.value.descending ? 'descending' : 'ascending';
}

function press(event: PointerEvent, { column, x }: DrawnColumn): void {
  if (event.button !== 0 || column.kind !== 'field' || (event.target as HTMLElement).closest('.menu, .edge')) return;
  const begin = event.clientX;
  const move = (now: PointerEvent) => {
    if (moving.value || Math.abs(now.clientX - begin) > SLACK)
      moving.value = { id: column.id, to: props.drawing.spotUnder(now).x };
  };
  const end = () => {
    window.removeEventListener('pointermove', move);
    if (moving.value) place(column, moving.value.to);
    else props.selection.selectColumns(event.shiftKey ? (props.selection.begin.value?.x ?? x) : x, x);
    moving.value = null;
  };
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', end, { once: true });
}

/** Puts a column at the place of another; among frozen ones it is frozen, too. */
function place(column: FieldColumn, to: number): void {
  const ids = props.view.fields.value.map((one) => one.id);
  const from = ids.indexOf(column.id);
  if (from === to || from < 0) return;
  ids.splice(from, 1);
  ids.splice(to, 0, column.id);
  const isFrozen = layout.grid.frozen.includes(column.id);
  const frozenCount =
    props.view.frozen.value +
    (to < props.view.frozen.value && !isFrozen ? 1 : 0) -
    (to >= props.view.frozen.value && isFrozen ? 1 : 0);
  layout.change({ frozen: ids.slice(0, frozenCount) });
  layout.changeSet({ order: [...ids, ...chosenSet(layout.grid).order.filter((id) => !ids.includes(id))] });
}

function resize(event: PointerEvent, column: GridColumn): void {
  const begin = event.clientX - column.size;
  const move = (now: PointerEvent) =>
    layout.change({
      widths: { ...layout.grid.widths, [column.id]: Math.max(LEAST, Math.min(800, Math.round(now.clientX - begin))) },
    });
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', () => window.removeEventListener('pointermove', move), { once: true });
}
/** As wide as what it began with. */
function fit(column: GridColumn): void {
  const { [column.id]: _gone, ...widths } = layout.grid.widths;
  layout.change({ widths });
}
</script>

<template>
  <div class="head" role="row" aria-rowindex="1" :style="{ height: `${HEAD}px` }">
    <div v-for="part in parts" :key="part.name" :class="part.name" role="presentation" :style="part.style">
      <div
        v-for="drawn in part.columns"
        :id="`head-${drawn.column.id}`"
        :key="drawn.column.id"
        class="name"
        :class="{
          right: isRight(drawn.column),
          aimed: moving !== null && moving.to === drawn.x && moving.id !== drawn.column.id,
        }"
        role="columnheader"
        :aria-colindex="drawn.x + firstField + 1"
        :aria-sort="sortOf(drawn.column)"
        :title="drawn.column.kind === 'field' ? (drawn.column.field.help ?? drawn.column.name) : drawn.column.name"
        :style="{
          width: `${drawn.column.size}px`,
          left: `${drawn.left}px`,
        }"
        @pointerdown.stop="press($event, drawn)"
      >
        <span class="text">{{ drawn.column.name }}</span>
        <span v-if="sortOf(drawn.column)" aria-hidden="true">{{
          sortOf(drawn.column) === 'descending' ? '↓' : '↑'
        }}</span>
        <span v-if="view.arrangement.filters.has(drawn.column.id)" class="filtered" title="Some are filtered out"
          >⌄</span
        >
        <button
          class="menu"
          tabindex="-1"
          :aria-label="`Menu of the column ${drawn.column.name}`"
          :data-test="`menu-${drawn.column.id}`"
          @click="emit('menu', drawn.column, $event.currentTarget as HTMLElement)"
        >
          ▾
        </button>
        <i
          v-if="drawn.column.kind === 'field'"
          class="edge"
          @pointerdown.prevent.stop="resize($event, drawn.column)"
          @dblclick.stop="fit(drawn.column)"
        />
      </div>
    </div>
  </div>
</template>

<style scoped>
.head {
  position: absolute;
  top: 0;
  left: 0;
  z-index: 4;
  width: 100%;
  overflow: hidden;
  background: var(--ground);
  border-bottom: 1px solid var(--line);
}
.scrolled,
.stays {
  position: absolute;
  top: 0;
  left: 0;
}
.name {
  position: absolute;
  top: 0;
  height: 30px;
  display: flex;
  align-items: center;
  gap: 3px;
  padding: 0 4px 0 8px;
  font-size: 12.5px;
  font-weight: 600;
  color: var(--ink-soft);
  background: var(--ground);
  border-right: 1px solid var(--line-soft);
  cursor: default;
}
.text {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.right .text {
  text-align: right;
}
.menu {
  border: 0;
  background: none;
  color: var(--ink-soft);
  font-size: 10px;
  padding: 4px 3px;
  cursor: pointer;
  opacity: 0.55;
}
.name:hover .menu {
  opacity: 1;
}
.filtered {
  color: var(--woad);
}
.edge {
  position: absolute;
  right: -3px;
  top: 0;
  width: 7px;
  height: 100%;
  cursor: col-resize;
  z-index: 1;
}
.aimed {
  box-shadow: inset 3px 0 0 var(--weld);
}
</style>
