/** The rows of the grid: children that are woven, sorted and filtered as the seller has it. */
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import type { Child } from '@loom-kin/core/family';
import { useFamily } from '../stores/family';
import { arrange, textCounts, type Filters, type Sorting } from './gridRows';
import type { GridColumn } from './gridColumns';
import type { Cells } from './useCells';
import type { GridColumns } from './useGridColumns';

export function useGridRows({ shape, columnById }: GridColumns, { readers }: Cells) {
  const store = useFamily();
  const arrangement = reactive({ sorting: null as Sorting | null, filters: new Map() as Filters });
  /** Raised to arrange the rows anew: they stay where they are while somebody types in a sorted column. */
  const turn = ref(0);
  const shownIds = shallowRef<readonly string[]>([]);

  watch(
    [
      () => arrangement.sorting,
      () => arrangement.filters,
      () => store.only,
      turn,
      () => store.index!.woven.length,
      shape,
      () => store.family?.id,
    ],
    () => {
      const { woven } = store.index!;
      const order = arrange(woven, { ...arrangement, only: store.only }, (id) => {
        const column = columnById.value.get(id);
        return column && readers.value(column);
      });
      shownIds.value = order.map((position) => woven[position]!.id);
    },
    { immediate: true },
  );
  /** Children that are not woven any more are gone at once. */
  const rows = computed<Child[]>(() =>
    shownIds.value.flatMap((id) => {
      const child = store.family!.children[id];
      return child?.woven ? [child] : [];
    }),
  );

  return {
    arrangement,
    rows,
    rowAt: computed(() => new Map(rows.value.map((child, at) => [child.id, at]))),
    isArranged: computed(() => arrangement.sorting !== null || arrangement.filters.size > 0),
    sortBy: (sorting: Sorting | null) => (arrangement.sorting = sorting),
    /** Shows those alone that have one of some texts in a column; null shows all. */
    filterBy(columnId: string, wanted: ReadonlySet<string> | null): void {
      const filters = new Map(arrangement.filters);
      if (wanted) filters.set(columnId, wanted);
      else filters.delete(columnId);
      arrangement.filters = filters;
    },
    arrangeNothing(): void {
      arrangement.filters = new Map();
      arrangement.sorting = null;
    },
    arrangeAnew: () => (turn.value += 1),
    /** How many rows have each text of a column. */
    counts: (column: GridColumn) => textCounts(store.index!.woven, readers.value(column)),
  };
}
