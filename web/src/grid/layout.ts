/** How the seller has arranged the grid: kept on the server a moment after it changed. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { ColumnSet, GridLayout } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { chosenSet, FIRST_LAYOUT } from './gridColumns';

/** Milliseconds after the last change. */
const KEEP_AFTER = 500;
/** So many changes of the arrangement can be taken back, until the page is left. */
const STEPS_BACK = 30;

export const useLayout = defineStore('layout', () => {
  const grid = shallowRef<GridLayout>(FIRST_LAYOUT);
  const past = shallowRef<readonly GridLayout[]>([]);
  /** `unread` when the server did not answer: the grid is as it comes then, and nothing is kept over what is stored. */
  const state = ref<'waited for' | 'known' | 'unread'>('waited for');
  let loading: Promise<void> | null = null;
  let waiting: ReturnType<typeof setTimeout> | undefined;

  async function load(): Promise<void> {
    try {
      grid.value = (await call(api.gridLayout)) ?? grid.value;
      state.value = 'known';
    } catch (error) {
      tell(error);
      state.value = 'unread';
      loading = null;
    }
  }
  /** Loads once, however many ask; anew where it failed. */
  const ensure = () => (loading ??= load());

  function change(more: Partial<GridLayout>): void {
    // A width that is being dragged is one change.
    const isDragged = waiting !== undefined && more.widths !== undefined;
    if (!isDragged) past.value = [...past.value.slice(1 - STEPS_BACK), grid.value];
    arrange(more);
  }

  /** Takes the last change of the arrangement back. */
  function back(): void {
    const before = past.value.at(-1);
    if (!before) return;
    past.value = past.value.slice(0, -1);
    arrange(before);
  }

  function arrange(more: Partial<GridLayout>): void {
    grid.value = { ...grid.value, ...more };
    if (state.value !== 'known') return;
    clearTimeout(waiting);
    waiting = setTimeout(() => {
      waiting = undefined;
      call(api.saveGridLayout, { body: grid.value }).catch(tell);
    }, KEEP_AFTER);
  }

  /** Changes the chosen set. */
  const changeSet = (more: Partial<ColumnSet>, name = grid.value.set) =>
    change({ sets: { ...grid.value.sets, [name]: { ...chosenSet(grid.value), ...more } } });

  return {
    grid,
    isRead: computed(() => state.value !== 'waited for'),
    ensure,
    change,
    changeSet,
    back,
    canGoBack: computed(() => past.value.length > 0),
  };
});
