/** Tables that stand below each other in one list, each with a header of its own: the columns of the later ones put where the first has them. */
import { isBlank } from './cells';
import { foldHeader, type ListWords } from './headerWords';
import { widthOf, type Table } from './shape';

export interface Stacked {
  /** One table, with more columns on the right for what only later headers have. */
  table: Table;
  /** Places of the later headers. */
  headers: ReadonlySet<number>;
}

/** So many words two headers have in common at least. */
const SHARED = 2;

/** What comes to more columns is no table. */
const WIDEST = 400;

/** Whether two rows are headers of tables of one list: some of their words are the same. */
export function areOfOneList(some: readonly string[], others: readonly string[]): boolean {
  const words = new Set(wordsIn(some));
  return wordsIn(others).filter((word) => words.has(word)).length >= SHARED;
}
const wordsIn = (row: readonly string[]): string[] => row.filter((cell) => !isBlank(cell)).map(foldHeader);

/** Puts the tables below the first one into its columns; null where there are none. `header` is the place of its header. */
export function stackTables(table: Table, header: number, words: ListWords): Stacked | null {
  const head = table[header]!;
  const later = new Map<number, readonly string[]>();
  const known = new Set(head.map((cell) => cell.trim()).filter(Boolean));
  for (let at = header + 1; at < table.length; at++)
    if (isLaterHeader(table[at]!, known, words)) later.set(at, table[at]!);
  if ([...later.values()].every((row) => isSame(row, head))) return null;
  const width = widthOf(table);
  const places = new Map(head.map((cell, at) => [foldHeader(cell), at]));
  const added: string[] = [];
  const placeOf = (cell: string): number => {
    const folded = foldHeader(cell);
    if (!places.has(folded)) {
      places.set(folded, width + added.length);
      added.push(cell);
    }
    return places.get(folded)!;
  };
  let now: number[] | null = null;
  const rows = table.map((row, at): readonly string[] => {
    const own = later.get(at);
    if (own) now = own.map((cell) => (isBlank(cell) ? -1 : placeOf(cell)));
    if (!now || own) return row;
    const cells: string[] = [];
    for (const [from, to] of now.entries()) if (to >= 0) cells[to] = row[from] ?? '';
    return Array.from(cells, (cell) => cell ?? '');
  });
  const full = width + added.length;
  if (full > WIDEST) return null;
  const filled = (row: readonly string[]) => Array.from({ length: full }, (_, at) => row[at] ?? '');
  return {
    table: rows.map((row, at) => (at === header ? [...filled(head).slice(0, width), ...added] : filled(row))),
    headers: new Set(later.keys()),
  };
}

const isSame = (row: readonly string[], head: readonly string[]): boolean =>
  row.every((cell, at) => cell.trim() === (head[at] ?? '').trim());

/** A row all of whose cells are words for columns, some of them those of the first header. */
function isLaterHeader(row: readonly string[], known: ReadonlySet<string>, { meaningOf }: ListWords): boolean {
  let shared = 0;
  for (const cell of row) if (known.has(cell.trim())) shared += 1;
  if (shared < SHARED) return false;
  return row.every((cell) => isBlank(cell) || known.has(cell.trim()) || meaningOf(cell.trim()) !== null);
}
