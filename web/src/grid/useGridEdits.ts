/** What is done to the grid's cells: typed, pasted, filled, cleared, replaced. Every gesture is one change and one undo. */
import type { FieldColumn } from './gridColumns';
import type { TypedCell } from './readCells';
import { useFilling } from './useFilling';
import { useGridClipboard } from './useGridClipboard';
import type { GridSelection } from './useGridSelection';
import type { GridView } from './useGridView';
import { useTakenCells } from './useTakenCells';

export function useGridEdits(view: GridView, selection: GridSelection) {
  const taken = useTakenCells(view);
  const { take } = taken;

  /** Gives the figures of a column back, so that children follow their values or the family again. */
  function giveBack(column: FieldColumn, childIds: readonly string[]): void {
    take(childIds.filter((id) => view.isOwn(id, column)).map((childId) => ({ childId, column, text: '' })));
  }

  return {
    ...taken,
    ...useFilling(selection, taken),
    ...useGridClipboard(view, selection, taken),
    /** What was typed into one cell. */
    takeTyped: (cell: TypedCell) => take([cell], { takesSums: true }),
    giveBack,
  };
}

export type GridEdits = ReturnType<typeof useGridEdits>;
