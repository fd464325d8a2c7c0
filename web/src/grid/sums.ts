/** What is told of the figures that are selected. */
import Big from 'big.js';
import { isNumeric } from '@loom-kin/core/registry';
import type { FieldColumn } from './gridColumns';

export interface Sums {
  cells: number;
  /** Cells that are not empty. */
  filled: number;
  /** Of numbers in one unit; null where there are none, or of several units. */
  numbers: { count: number; sum: string; least: string; most: string; mean: string; unit: string } | null;
}

/** More cells than this are counted, not summed up: nobody waits for a sum. */
const CELLS_AT_MOST = 200_000;

/** Sums of cells, column by column. */
export function sumsOf(
  columns: readonly { column: FieldColumn; texts: readonly string[] }[],
  unitOf: (column: FieldColumn) => string,
): Sums {
  const cells = columns.reduce((sum, { texts }) => sum + texts.length, 0);
  const filled = columns.reduce((sum, { texts }) => sum + texts.filter((text) => text !== '').length, 0);
  const numeric = columns.filter(({ column }) => isNumeric(column.field));
  const units = new Set(numeric.map(({ column }) => unitOf(column)));
  const texts = numeric.flatMap((one) => one.texts.filter((text) => text !== ''));
  if (texts.length < 2 || units.size !== 1 || cells > CELLS_AT_MOST) return { cells, filled, numbers: null };
  const numbers = texts.map((text) => new Big(text));
  const decimals = Math.max(...texts.map((text) => text.split('.')[1]?.length ?? 0));
  const sum = numbers.reduce((total, one) => total.plus(one));
  const least = numbers.reduce((low, one) => (one.lt(low) ? one : low));
  const most = numbers.reduce((high, one) => (one.gt(high) ? one : high));
  const write = (number: Big) => number.toFixed(decimals);
  return {
    cells,
    filled,
    numbers: {
      count: numbers.length,
      unit: [...units][0]!,
      sum: write(sum),
      least: write(least),
      most: write(most),
      mean: sum.div(numbers.length).round(Math.max(decimals, 2), Big.roundHalfUp).toString(),
    },
  };
}
