/** Marks that mean what stands above them. */
import { isBlank } from './cells';
import type { Table } from './shape';

const MARKS = new Set([
  '"',
  "''",
  '″',
  '〃',
  '”',
  '„',
  'ditto',
  'dito',
  'dto',
  'dto.',
  'do.',
  'idem',
  'as above',
  'wie oben',
  's.o.',
]);
const LONGEST = 8;

const isDitto = (cell: string): boolean =>
  cell !== '' && cell.length <= LONGEST && MARKS.has(cell.trim().toLowerCase());

/** The table with what stands above each such mark put in its place; the table itself where there is none. */
export function withoutDittos(table: Table): Table {
  if (!table.some((row) => row.some(isDitto))) return table;
  let above: readonly string[] = [];
  return table.map((row) => {
    if (row.every((cell) => isBlank(cell))) return row;
    above = row.map((cell, at) => (isDitto(cell) ? (above[at] ?? '') : cell));
    return above;
  });
}
