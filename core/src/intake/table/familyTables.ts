/** Lists that have a small table for each family: its name beside its sizes in a line, its colours with their pieces in the lines below. */
import type { Role } from '../../family/shape';
import { tokensOf } from '../options/tokens';
import { plainHead } from './acrossHeads';
import { isBlank, looksLikeTotal, numberLook } from './cells';
import type { ListWords } from './headerWords';
import { widthOf, type Table } from './shape';

export interface FamilyTables {
  /** The table with a column for each size, and names in lines of their own. */
  table: Table;
  /** Headers for all of its columns; '' for those that say by their cells what they are. */
  headers: string[];
}

/** A line that begins a small table: its place, and by place the values in it, and the other headers. */
interface Title {
  at: number;
  values: Map<number, string>;
  words: Map<number, string>;
  /** The name of its goods stands in the line above. */
  isBelowName: boolean;
}

/** So many of them at least: one alone is a header with an odd word in front. */
const FEWEST = 2;

/** The first of them begins so far down at most. */
const LOOKED_AT = 60;

/** One table of all the small ones; null where the list is none of these. */
export function familyTables(table: Table, words: ListWords): FamilyTables | null {
  const isLikely = table.slice(0, LOOKED_AT).some((_, at) => titleIn(table, at, words));
  const titles = isLikely ? table.flatMap((_, at) => titleIn(table, at, words) ?? []) : [];
  if (titles.length < FEWEST || !areAllBelow(table, titles)) return null;
  const width = widthOf(table);
  const values = [...new Set(titles.flatMap((title) => [...title.values.values()]))];
  const columnOf = (value: string) => width + values.indexOf(value);
  const byPlace = new Map(titles.map((title) => [title.at, title]));
  let title: Title | undefined;
  const rows = table.map((row, at): string[] => {
    const begins = byPlace.get(at);
    title = begins ?? title;
    const cells = Array.from({ length: width + values.length }, (_, place) => row[place] ?? '');
    for (const [place, value] of title?.values ?? []) {
      if (!begins) cells[columnOf(value)] = cells[place]!;
      cells[place] = '';
    }
    if (begins) for (const place of begins.words.keys()) cells[place] = '';
    return cells;
  });
  const headers = Array.from({ length: width }, (_, place) => titles.find(hasWord(place))?.words.get(place) ?? '');
  const areOptions = rowsBelow(table, titles[0]!.at, byPlace).every((row) =>
    words.options.whole(tokensOf(row[0] ?? '')),
  );
  headers[0] ||= areOptions ? '' : 'Colour';
  return { table: rows, headers: [...headers, ...values] };
}
const hasWord =
  (place: number) =>
  ({ words }: Title): boolean =>
    words.has(place);

/** A name, or what its rows have in front below a line with the name, and beside it two values or more of one kind, with headers at most. */
function titleIn(table: Table, at: number, { meaningOf, options }: ListWords): Title | null {
  const row = table[at]!;
  const first = (row[0] ?? '').trim();
  const said = first === '' ? null : meaningOf(first);
  const isBelowName = first === '' || said?.meaning.is === 'option';
  if (isBelowName ? !isLine(table[at - 1]) : said || !/\p{L}{2}/u.test(first) || options.whole(tokensOf(first)))
    return null;
  const title: Title = { at, isBelowName, values: new Map(), words: new Map(said ? [[0, first]] : []) };
  const roles = new Set<Role>();
  for (const [place, cell] of row.entries()) {
    const text = cell.trim();
    if (place === 0 || text === '') continue;
    const head = plainHead(text, options);
    // Small numbers are the pieces of a row.
    if (head && !(/^\d/.test(head.value) && head.isWeak && +head.value < 14)) {
      title.values.set(place, head.value);
      roles.add(head.role);
    } else if (meaningOf(text) || looksLikeTotal(text)) title.words.set(place, text);
    else return null;
  }
  return title.values.size > 1 && roles.size === 1 ? title : null;
}

const isLine = (row: readonly string[] = []): boolean => row.filter((cell) => !isBlank(cell)).length === 1;

/** Rows of the small tables, without the lines that begin them and those with their names. */
const rowsBelow = (table: Table, first: number, titles: ReadonlyMap<number, Title>): Table =>
  table.filter((row, at) => {
    const isTitle = titles.has(at) || titles.get(at + 1)?.isBelowName === true;
    return at > first && !isTitle && !row.every(isBlank);
  });

/** Whether every row below has something in front and numbers or marks below the values; and each title has rows. */
function areAllBelow(table: Table, titles: readonly Title[]): boolean {
  return titles.every(({ at, values }, nth) => {
    const next = titles[nth + 1];
    const end = next ? next.at - Number(next.isBelowName) : table.length;
    const rows = table.slice(at + 1, end).filter((row) => !row.every(isBlank));
    const isPiece = (cell: string | undefined) =>
      isBlank(cell) || numberLook(cell!) !== null || cell!.trim().length < 2;
    return (
      rows.length > 0 &&
      rows.every((row) => !isBlank(row[0]) && [...values.keys()].every((place) => isPiece(row[place])))
    );
  });
}
