/** What the grid shows at this moment: its columns, its rows, and the text of every cell. */
import { computed } from 'vue';
import { useFamily } from '../stores/family';
import { useCells } from './useCells';
import { useGridColumns } from './useGridColumns';
import { useGridRows } from './useGridRows';

export function useGridView() {
  const store = useFamily();
  const columns = useGridColumns();
  const { readers, ...cells } = useCells();
  const rows = useGridRows(columns, { readers, ...cells });
  const { shape: _shape, ...shown } = columns;
  return {
    family: computed(() => store.family!),
    index: computed(() => store.index!),
    ...shown,
    ...rows,
    ...cells,
    /** Another whenever a cell may say something else. */
    version: readers,
  };
}

export type GridView = ReturnType<typeof useGridView>;
