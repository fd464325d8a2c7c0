<script setup lang="ts">
/** Below the grid: how much is selected, and what its numbers come to. Worked out a moment after the selection stands still. */
import { onUnmounted, ref, watch } from 'vue';
import { children } from '@loom-kin/core/text';
import { useSetup } from '../stores/setup';
import { sumsOf, type Sums } from './sums';
import type { GridSelection } from './useGridSelection';
import type { GridView } from './useGridView';

const props = defineProps<{ view: GridView; selection: GridSelection }>();
const setup = useSetup();
const REST = 60;
const sums = ref<Sums | null>(null);
let timer: ReturnType<typeof setTimeout> | undefined;

function work(): void {
  const range = props.selection.range.value;
  if (!range) return void (sums.value = null);
  const rows = props.view.rows.value.slice(range.y, range.y1 + 1);
  const columns = props.view.fields.value.slice(range.x, range.x1 + 1).map((column) => ({
    column,
    texts: rows.map((child) => props.view.text(child.id, column)),
  }));
  sums.value = sumsOf(columns, ({ field }) => field.unit ?? (field.type === 'money' ? setup.currency : ''));
}
watch(
  [props.selection.range, props.view.family, props.view.rows],
  () => {
    clearTimeout(timer);
    timer = setTimeout(work, REST);
  },
  { immediate: true },
);
onUnmounted(() => clearTimeout(timer));
</script>

<template>
  <p class="sums soft" role="status" data-test="sums">
    <span>{{
      view.rows.value.length === view.index.value.woven.length
        ? children(view.rows.value.length)
        : `${view.rows.value.length.toLocaleString('en')} of ${children(view.index.value.woven.length)}`
    }}</span>
    <template v-if="sums && sums.cells > 1">
      <span>{{ sums.cells.toLocaleString('en') }} cells, {{ sums.filled.toLocaleString('en') }} filled</span>
      <template v-if="sums.numbers">
        <span
          >Sum <b>{{ sums.numbers.sum }}</b> {{ sums.numbers.unit }}</span
        >
        <span
          >Least <b>{{ sums.numbers.least }}</b></span
        >
        <span
          >Most <b>{{ sums.numbers.most }}</b></span
        >
        <span
          >Mean <b>{{ sums.numbers.mean }}</b></span
        >
      </template>
    </template>
  </p>
</template>

<style scoped>
.sums {
  display: flex;
  gap: 16px;
  padding: 3px 12px;
  font-size: 12px;
  border-top: 1px solid var(--line-soft);
  white-space: nowrap;
  overflow: hidden;
}
b {
  color: var(--ink);
  font-weight: 600;
}
</style>
