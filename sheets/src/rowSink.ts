/** Rows on their way from a file, and what becomes of them. */
import { Refusal } from '@loom-kin/core/refusal';

/** Takes the rows of a file as they are read. */
export interface RowSink {
  /** A row and its place from 0; between two that are told there may be blank ones. */
  row(at: number, cells: string[]): void;
  /** The file is read another way: nothing of what was told counts. */
  again(): void;
}

/** A cell that goes down over several rows: its column, and its first and last row, from 0. */
export interface Area {
  column: number;
  first: number;
  last: number;
}

/** What is known of a table when its last row is read. */
export interface TableEnd {
  /** So many cells have all its rows; 0 where each is as long as it is. */
  width: number;
  areas: Area[];
}

export const NO_END: TableEnd = { width: 0, areas: [] };

export const ROWS_AT_MOST = 200_000;
export const COLUMNS_AT_MOST = 400;
const CELLS_AT_MOST = 8_000_000;

/** Refuses more rows or columns than are taken, or more cells if all rows were as wide as the widest. */
export function checkBounds(file: string, rows: number, columns: number): void {
  if (rows <= ROWS_AT_MOST && columns <= COLUMNS_AT_MOST && rows * columns <= CELLS_AT_MOST) return;
  const most = { mostRows: ROWS_AT_MOST, mostColumns: COLUMNS_AT_MOST };
  throw new Refusal('sheet.too-large', { file, rows, columns, ...most });
}

/** Holds the rows. */
export function collectRows(): RowSink & { rows: string[][] } {
  const rows: string[][] = [];
  return {
    rows,
    row(at, cells) {
      while (rows.length <= at) rows.push([]);
      rows[at] = cells;
    },
    again: () => void (rows.length = 0),
  };
}

/** The table of rows: what stands in an area of several rows that is one cell stands in each of them; to the right nothing is put. */
export function tableOf(rows: string[][], { width, areas }: TableEnd): string[][] {
  for (const row of rows) while (row.length < width) row.push('');
  // Areas do not overlap, so that there is an end to them.
  let left = CELLS_AT_MOST;
  for (const { column, first, last } of areas) {
    const text = rows[first]?.[column] ?? '';
    if (text === '') continue;
    const end = Math.min(last, rows.length - 1);
    left -= end - first;
    if (left < 0) break;
    for (let at = first + 1; at <= end; at++) if (rows[at]![column] === '') rows[at]![column] = text;
  }
  return rows;
}
