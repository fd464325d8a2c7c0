/** Filling a range of the grid: with one text, with nothing, from its edge, or with what its beginning goes on to. */
import { goOn } from '@loom-kin/core/intake';
import type { Range } from './gridMoves';
import type { TypedCell } from './readCells';
import type { GridSelection } from './useGridSelection';
import type { TakenCells } from './useTakenCells';

export function useFilling(selection: GridSelection, { take }: TakenCells) {
  const cellsOf = (range: Range, text: (x: number, y: number) => string): TypedCell[] =>
    selection.cells(range).map(({ childId, column, x, y }) => ({ childId, column, text: text(x, y) }));

  function clear(): void {
    take(selection.cells().map(({ childId, column }) => ({ childId, column, text: '' })));
  }
  /** The same text into every selected cell; sums go on from what each has. */
  function takeIntoAll(text: string): void {
    take(
      selection.cells().map(({ childId, column }) => ({ childId, column, text })),
      { takesSums: true },
    );
  }
  /** The first row of the range goes down through it; of a single row, the row above it comes down. */
  function fillDown(): void {
    const range = selection.range.value;
    if (!range) return;
    const from = range.y === range.y1 ? range.y - 1 : range.y;
    if (from < 0) return;
    take(cellsOf({ ...range, y: from + 1, y1: Math.max(range.y1, from + 1) }, (x) => selection.textAt({ x, y: from })));
  }
  function fillRight(): void {
    const range = selection.range.value;
    if (!range) return;
    const from = range.x === range.x1 ? range.x - 1 : range.x;
    if (from < 0) return;
    const into = { ...range, x: from + 1, x1: Math.max(range.x1, from + 1) };
    take(cellsOf(into, (_x, y) => selection.textAt({ x: from, y })));
  }

  /** What the range began goes on to a wider one, downwards or upwards, to the right or the left. */
  function fillSeries(from: Range, to: Range): void {
    const isDown = to.y1 > from.y1 || to.y < from.y;
    const isForward = to.y1 > from.y1 || to.x1 > from.x1;
    const lines = isDown ? columnsIn(from) : rowsIn(from);
    const count = isDown ? to.y1 - to.y - (from.y1 - from.y) : to.x1 - to.x - (from.x1 - from.x);
    const cells = lines.flatMap((spots): TypedCell[] => {
      const texts = spots.map(selection.textAt);
      const more = goOn(isForward ? texts : texts.toReversed(), count);
      const edge = isForward ? spots.at(-1)! : spots[0]!;
      return more.flatMap((text, at) => {
        const step = (at + 1) * (isForward ? 1 : -1);
        const childId = selection.childIdAt(isDown ? edge.y + step : edge.y);
        const column = selection.columnOfSpot(isDown ? edge.x : edge.x + step);
        return childId && column ? [{ childId, column, text }] : [];
      });
    });
    take(cells);
    selection.select({ x: to.x, y: to.y }, { x: to.x1, y: to.y1 });
  }

  return { clear, takeIntoAll, fillDown, fillRight, fillSeries };
}

/** Whole numbers from one to another, both included. */
const numbers = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, at) => from + at);
const columnsIn = (range: Range) =>
  numbers(range.x, range.x1).map((x) => numbers(range.y, range.y1).map((y) => ({ x, y })));
const rowsIn = (range: Range) =>
  numbers(range.y, range.y1).map((y) => numbers(range.x, range.x1).map((x) => ({ x, y })));
