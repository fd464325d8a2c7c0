/**
 * Tables that stand below each other in one list, each with a header of its own: the columns of the later ones put
 * where the first has them.
 */
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
  const words = wordsIn(some);
  return [...wordsIn(others)].filter((word) => words.has(word)).length >= SHARED;
}
const wordsIn = (row: readonly string[]): Set<string> =>
  new Set(row.filter((cell) => !isBlank(cell)).map((cell) => foldHeader(cell)));

/**
 * Puts the tables below the first one into its columns; null where there are none. `header` is the place of its
 * header.
 */
export function stackTables(table: Table, header: number, words: ListWords): Stacked | null {
  const head = table[header]!;
  const later = new Map<number, readonly string[]>();
  const known = new Set(head.map((cell) => cell.trim()).filter(Boolean));
  for (let at = header + 1; at < table.length; at++)
    if (isLaterHeader(table[at]!, known, words)) later.set(at, table[at]!);
  if ([...later.values()].every((row) => isSame(row, head))) return null;
  const [second] = later.keys();
  const columns = columnsOf(head, widthOf(table.slice(0, second)));
  let placeOf: ((from: number) => number) | null = null;
  const rows = table.map((row, at): readonly string[] => {
    const own = later.get(at);
    if (own) {
      placeOf = columns.below(own);
      // What a header names is a column, whether anything stands below it or not.
      for (const [from, cell] of own.entries()) if (!isBlank(cell)) placeOf(from);
    }
    if (!placeOf || own) return row;
    const cells: string[] = [];
    for (const [from, cell] of row.entries()) if (cell !== '') cells[placeOf(from)] = cell;
    return cells;
  });
  const full = columns.heads.length;
  if (full > WIDEST) return null;
  const filled = (row: readonly string[]) => Array.from({ length: full }, (_, at) => row[at] ?? '');
  return {
    table: rows.map((row, at) => filled(at === header ? columns.heads : row)),
    headers: new Set(later.keys()),
  };
}

/** The columns of the first table, which grow by those that only later ones have. */
function columnsOf(head: readonly string[], width: number) {
  const heads = Array.from({ length: width }, (_, at) => head[at] ?? '');
  const places = new Map<string, number[]>();
  for (const [at, cell] of heads.entries()) note(foldHeader(cell), at);
  function note(word: string, at: number): void {
    const known = places.get(word);
    if (known) known.push(at);
    else places.set(word, [at]);
  }
  return {
    heads,
    /**
     * Where the cells below a later header go. A word that stands in it twice means the second such column, one
     * without a word too.
     */
    below(own: readonly string[]): (from: number) => number {
      const words = own.map(foldHeader);
      const seen = new Map<string, number>();
      const nth = words.map((word) => {
        seen.set(word, (seen.get(word) ?? 0) + 1);
        return seen.get(word)!;
      });
      return (from) => {
        const word = words[from] ?? '';
        const times = nth[from] ?? (seen.get('') ?? 0) + 1 + from - own.length;
        while ((places.get(word)?.length ?? 0) < times) note(word, heads.push(own[from] ?? '') - 1);
        return places.get(word)![times - 1]!;
      };
    },
  };
}

const isSame = (row: readonly string[], head: readonly string[]): boolean =>
  row.every((cell, at) => cell.trim() === (head[at] ?? '').trim());

/** A row all of whose cells are words for columns, some of them those of the first header. */
function isLaterHeader(row: readonly string[], known: ReadonlySet<string>, { meaningOf }: ListWords): boolean {
  const shared = new Set(row.map((cell) => cell.trim()).filter((cell) => known.has(cell)));
  if (shared.size < SHARED) return false;
  return row.every((cell) => isBlank(cell) || known.has(cell.trim()) || meaningOf(cell.trim()) !== null);
}
