/** What is selected in the grid. Cells are remembered as child and column, so that a selection stays on its cells however they are moved about. */
import { computed, ref, shallowRef } from 'vue';
import { rangeOf, within, type GridExtent, type Range } from './gridMoves';
import type { Spot } from '../common/arrows';
import type { FieldColumn } from './gridColumns';
import type { GridView } from './useGridView';

interface Cell {
  childId: string;
  columnId: string;
}

export function useGridSelection(view: GridView, page: () => number) {
  const anchor = shallowRef<Cell | null>(null);
  const focus = shallowRef<Cell | null>(null);
  /** Raised whenever somebody selects here. What was selected elsewhere and is shown here, too, does not raise it. */
  const turn = ref(0);
  /** Where the focus was last, for when its child or column is not shown any more. */
  let last: Spot = { x: 0, y: 0 };

  const ground = computed((): GridExtent => ({
    columns: view.fields.value.length,
    rows: view.rows.value.length,
    page: page(),
    isFilled: ({ x, y }) => textAt({ x, y }) !== '',
  }));
  const columnOfSpot = (x: number): FieldColumn | undefined => view.fields.value[x];
  const childIdAt = (y: number): string | undefined => view.rows.value[y]?.id;
  function textAt({ x, y }: Spot): string {
    const column = columnOfSpot(x);
    const childId = childIdAt(y);
    return column && childId ? view.text(childId, column) : '';
  }

  function spotOf(cell: Cell | null): Spot | null {
    if (!cell) return null;
    const y = view.rowAt.value.get(cell.childId);
    const x = view.columnAt.value.get(cell.columnId);
    if (x !== undefined && y !== undefined) return { x, y };
    if (ground.value.rows === 0 || ground.value.columns === 0) return null;
    return within(ground.value, { x: x ?? last.x, y: y ?? last.y });
  }
  const spot = computed(() => spotOf(focus.value));
  const range = computed((): Range | null => {
    const from = spotOf(anchor.value);
    return from && spot.value ? rangeOf(from, spot.value) : null;
  });
  /** The cell that is typed in: the corner a range was begun at. */
  const begin = computed(() => spotOf(anchor.value));

  function cellAt({ x, y }: Spot): Cell | null {
    const column = columnOfSpot(x);
    const childId = childIdAt(y);
    return column && childId ? { childId, columnId: column.id } : null;
  }
  function select(from: Spot, to: Spot = from): void {
    turn.value += 1;
    put(from, to);
  }
  function put(from: Spot, to: Spot): void {
    anchor.value = cellAt(within(ground.value, from));
    focus.value = cellAt(within(ground.value, to));
    last = within(ground.value, to);
  }
  /** The far corner goes elsewhere, the near one stays. */
  function extend(to: Spot): void {
    select(begin.value ?? to, to);
  }
  const lastSpot = () => ({ x: ground.value.columns - 1, y: ground.value.rows - 1 });
  const selectRows = (y: number, y1: number) => select({ x: 0, y }, { x: lastSpot().x, y: y1 });
  const selectColumns = (x: number, x1: number) => select({ x, y: 0 }, { x: x1, y: lastSpot().y });

  return {
    ground,
    turn,
    range,
    spot,
    begin,
    textAt,
    columnOfSpot,
    childIdAt,
    select,
    extend,
    selectRows,
    selectColumns,
    selectAll: () => select({ x: 0, y: 0 }, lastSpot()),
    clear: () => {
      anchor.value = null;
      focus.value = null;
    },
    selectCell: (childId: string, column?: string) => {
      const y = view.rowAt.value.get(childId);
      const x = column === undefined ? (spot.value?.x ?? 0) : view.columnAt.value.get(column);
      if (x !== undefined && y !== undefined) put({ x, y }, { x, y });
      return x !== undefined && y !== undefined;
    },
    /** Every cell of the range, row by row. */
    cells: (within = range.value): { childId: string; column: FieldColumn; x: number; y: number }[] => {
      if (!within) return [];
      const columns = view.fields.value.slice(within.x, within.x1 + 1);
      return view.rows.value
        .slice(within.y, within.y1 + 1)
        .flatMap(({ id }, y) =>
          columns.map((column, x) => ({ childId: id, column, x: within.x + x, y: within.y + y })),
        );
    },
  };
}

export type GridSelection = ReturnType<typeof useGridSelection>;
