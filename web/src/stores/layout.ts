/** How the seller has arranged the grid: kept on the server a moment after it changed. */
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { ColumnSet, GridLayout } from '@loom-kin/contract';
import { api, call, tell } from '../api';
import { chosenSet, FIRST_LAYOUT } from '../grid/gridColumns';

/** Milliseconds after the last change. */
const KEEP_AFTER = 500;

export const useLayout = defineStore('layout', () => {
  const grid = shallowRef<GridLayout>(FIRST_LAYOUT);
  let loading: Promise<void> | null = null;
  let waiting: ReturnType<typeof setTimeout> | undefined;

  async function load(): Promise<void> {
    const kept = await call(api.gridLayout).catch(() => null);
    if (kept && waiting === undefined) grid.value = kept;
  }
  const ensure = () => (loading ??= load());

  function change(more: Partial<GridLayout>): void {
    grid.value = { ...grid.value, ...more };
    clearTimeout(waiting);
    waiting = setTimeout(() => {
      waiting = undefined;
      call(api.saveGridLayout, { body: grid.value }).catch(tell);
    }, KEEP_AFTER);
  }

  /** Changes the chosen set. */
  const changeSet = (more: Partial<ColumnSet>, name = grid.value.set) =>
    change({ sets: { ...grid.value.sets, [name]: { ...chosenSet(grid.value), ...more } } });

  return { grid, ensure, change, changeSet };
});
