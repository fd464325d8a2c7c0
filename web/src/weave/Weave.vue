<script setup lang="ts">
/**
 * The weave: the family as cloth. The first axis runs down the side, the second along the top, all further axes make
 * bands side by side. While weaving, a click takes a crossing, a row or a column out or in; else it selects.
 */
import { computed, ref } from 'vue';
import {
  allCrossings,
  crossingKey,
  familyIndex,
  type Axis,
  type Family,
  type FitState,
  type Place,
  type Value,
} from '@loom-kin/core';
import Crossing from './Crossing.vue';

const props = defineProps<{
  family: Family;
  weaving: boolean;
  /** channel → child → state; without it the crossings carry no ticks. */
  states?: Record<string, Record<string, FitState>>;
  /** One channel's ticks alone. */
  only?: string;
  selected?: Place;
  lit?: ReadonlySet<string>;
  /** Beside other things: crossings as narrow as their tick allows. */
  narrow?: boolean;
}>();
const emit = defineEmits<{
  select: [place: Place];
  toggle: [crossings: Record<string, string>[], woven: boolean];
  hover: [childIds: string[]];
}>();

const SINGLE: Value = { id: '', label: '', code: '', fields: {}, pictures: [] };
const rowAxis = computed(() => props.family.axes[0]);
const columnAxis = computed(() => props.family.axes[1]);
const rows = computed(() => rowAxis.value?.values ?? [SINGLE]);
const columns = computed(() => columnAxis.value?.values ?? [SINGLE]);
const bands = computed(() => {
  const axes = props.family.axes.slice(2);
  return allCrossings(axes).map((at) => ({
    at,
    label: axes.map((axis) => axis.values.find((value) => value.id === at[axis.id])!.label).join(' · '),
    key: crossingKey(axes, at),
  }));
});
const index = computed(() => familyIndex(props.family));
/** Pixels a crossing: many columns make a finer cloth. */
const width = computed(() => (props.narrow ? 36 : columns.value.length * bands.value.length > 9 ? 44 : 54));

interface Cell {
  key: string;
  at: Record<string, string>;
  childId: string | null;
  woven: boolean;
  code: string;
}
const cloth = computed(() =>
  rows.value.map((row, rowAt) => ({
    row,
    cells: bands.value.map((band) =>
      columns.value.map((column, columnAt): Cell & { over: boolean } => {
        const at = {
          ...band.at,
          ...(rowAxis.value ? { [rowAxis.value.id]: row.id } : {}),
          ...(columnAxis.value ? { [columnAxis.value.id]: column.id } : {}),
        };
        const child = index.value.byCrossing.get(crossingKey(props.family.axes, at));
        const code = Object.entries(props.states ?? {})
          .flatMap(([channel, byChild]) => (child && byChild[child.id] ? [`${channel}=${byChild[child.id]!}`] : []))
          .join(';');
        return {
          key: crossingKey(props.family.axes, at),
          at,
          childId: child?.id ?? null,
          woven: child?.woven ?? false,
          code,
          over: (rowAt + columnAt) % 2 === 0,
        };
      }),
    ),
  })),
);

const isSelected = (childId: string | null) => props.selected?.level === 'child' && props.selected.childId === childId;
const isValueSelected = (value: Value) => props.selected?.level === 'value' && props.selected.valueId === value.id;
const isLit = (cell: Cell) => cell.childId !== null && (props.lit?.has(cell.childId) ?? false);
const nameOf = (cell: Cell) =>
  props.family.axes.map((axis) => axis.values.find((value) => value.id === cell.at[axis.id])?.label).join(' · ');

function press(cell: Cell): void {
  if (props.weaving) emit('toggle', [cell.at], !cell.woven);
  else if (cell.childId && cell.woven) emit('select', { level: 'child', childId: cell.childId });
}

/** A row, a column or a band: out when all of it is woven, else in. */
function pressThread(axis: Axis | undefined, value: Value, within?: Record<string, string>): void {
  if (!axis) return;
  if (!props.weaving) return emit('select', { level: 'value', axisId: axis.id, valueId: value.id });
  const cells = cloth.value
    .flatMap((row) => row.cells.flat())
    .filter(
      (cell) =>
        cell.at[axis.id] === value.id && Object.entries(within ?? {}).every(([id, wanted]) => cell.at[id] === wanted),
    );
  emit(
    'toggle',
    cells.map((cell) => cell.at),
    !cells.every((cell) => cell.woven),
  );
}

function hoverValue(value: Value | null): void {
  emit(
    'hover',
    value
      ? index.value.woven.filter((child) => Object.values(child.at).includes(value.id)).map((child) => child.id)
      : [],
  );
}

const root = ref<HTMLElement>();
function walk(event: KeyboardEvent): void {
  const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
  const from = (event.target as HTMLElement).closest<HTMLElement>('[data-row]');
  if (!step || !from) return;
  event.preventDefault();
  event.stopPropagation();
  root.value
    ?.querySelector<HTMLElement>(
      `[data-row="${Number(from.dataset.row) + step[0]!}"][data-column="${Number(from.dataset.column) + step[1]!}"]`,
    )
    ?.focus();
}
</script>

<template>
  <div ref="root" class="weave" :class="{ weaving }" :style="{ '--crossing': `${width}px` }" @keydown="walk">
    <table role="grid" aria-label="The weave">
      <thead>
        <tr v-if="family.axes.length > 2">
          <th class="corner" />
          <th
            v-for="(band, at) in bands"
            :key="band.key"
            :colspan="columns.length"
            class="band"
            :class="{ gap: at > 0 }"
          >
            <button
              v-if="family.axes.length === 3"
              class="plain"
              :class="{
                chosen: family.axes[2]!.values.some(
                  (value) => band.at[family.axes[2]!.id] === value.id && isValueSelected(value),
                ),
              }"
              @click="
                pressThread(
                  family.axes[2],
                  family.axes[2]!.values.find((value) => value.id === band.at[family.axes[2]!.id])!,
                )
              "
              @mouseenter="
                hoverValue(family.axes[2]!.values.find((value) => value.id === band.at[family.axes[2]!.id])!)
              "
              @mouseleave="hoverValue(null)"
            >
              {{ band.label }}
            </button>
            <template v-else>{{ band.label }}</template>
          </th>
        </tr>
        <tr>
          <th class="corner">
            <span v-if="rowAxis" class="soft"
              >{{ rowAxis.label }}<template v-if="columnAxis"> × {{ columnAxis.label }}</template></span
            >
          </th>
          <template v-for="(band, bandAt) in bands" :key="band.key">
            <th v-for="(column, at) in columns" :key="column.id" :class="{ gap: bandAt > 0 && at === 0 }">
              <button
                class="plain head"
                :class="{ chosen: isValueSelected(column) }"
                :disabled="!columnAxis"
                @click="pressThread(columnAxis, column, weaving ? band.at : undefined)"
                @mouseenter="hoverValue(column)"
                @mouseleave="hoverValue(null)"
              >
                <i v-if="column.swatch" class="swatch" :style="{ background: column.swatch }" />{{ column.label }}
              </button>
            </th>
          </template>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(line, rowAt) in cloth" :key="line.row.id">
          <th scope="row">
            <button
              class="plain head side"
              :class="{ chosen: isValueSelected(line.row) }"
              :disabled="!rowAxis"
              @click="pressThread(rowAxis, line.row)"
              @mouseenter="hoverValue(line.row)"
              @mouseleave="hoverValue(null)"
            >
              <i v-if="line.row.swatch" class="swatch" :style="{ background: line.row.swatch }" />{{ line.row.label }}
            </button>
          </th>
          <template v-for="(cells, bandAt) in line.cells" :key="bandAt">
            <td v-for="(cell, at) in cells" :key="cell.key" :class="{ gap: bandAt > 0 && at === 0 }">
              <Crossing
                :name="nameOf(cell)"
                :woven="cell.woven"
                :over="cell.over"
                :chosen="isSelected(cell.childId)"
                :lit="isLit(cell)"
                :weaving="weaving"
                :code="states ? cell.code : undefined"
                :only="only"
                :warp="columnAxis?.values[at]?.swatch"
                :weft="line.row.swatch"
                :data-row="rowAt"
                :data-column="bandAt * columns.length + at"
                @press="press(cell)"
              />
            </td>
          </template>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.weave {
  overflow: auto;
  padding: 2px;
}
table {
  border-collapse: separate;
  border-spacing: 0;
}
th {
  font-weight: 500;
  font-size: 12px;
  padding: 0;
  text-align: center;
  background: var(--sheet);
}
thead th {
  padding-bottom: 3px;
}
th.band {
  border-bottom: 1px solid var(--line);
  padding: 2px 0;
  font-weight: 600;
}
th.corner,
tbody th {
  text-align: left;
  position: sticky;
  left: 0;
  z-index: 1;
  padding-right: 10px;
  white-space: nowrap;
}
tbody td {
  padding: 0;
  line-height: 0;
}
tbody tr {
  height: 32px;
}
.gap,
tbody td.gap {
  padding-left: 18px;
}
.head {
  padding: 2px 5px;
  line-height: 18px;
  white-space: nowrap;
  border-radius: 2px;
}
.head:not(:disabled):hover {
  background: var(--weld-pale);
}
.head:disabled {
  cursor: default;
}
.chosen {
  background: var(--weld-pale);
  box-shadow: inset 0 -2px 0 var(--weld);
}
.swatch {
  display: inline-block;
  width: 11px;
  height: 11px;
  margin-right: 6px;
  vertical-align: -1px;
  border: 1px solid #0003;
}
.weaving .head:not(:disabled) {
  cursor: crosshair;
}
</style>
