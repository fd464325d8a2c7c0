/** What stands once above the rows it is for: names, colours and figures go down to them. */
import { isBlank } from '../table/cells';
import type { ListColumn, Table } from '../table/shape';
import { codeKey } from './codeKey';
import { columnOfField, columnThat, nameColumn } from './columnsThat';

export interface Carried {
  rows: { place: number; cells: readonly string[]; block: number | null; isHead: boolean }[];
  sections: number[];
}

/** The rows of a list in order, with those among them that are a line with one cell. */
export interface Lines {
  table: Table;
  places: readonly number[];
  single: readonly number[];
}

/**
 * Gives rows what stands above them. `isOption` says whether a text is a colour, a size or the like, and nothing
 * else.
 */
export function carryDown(lines: Lines, columns: readonly ListColumn[], isOption: (text: string) => boolean): Carried {
  const { table, places } = lines;
  const name = nameColumn(columns);
  const isParent = openParentLines(table, places, columns);
  const going = linesThatGoOn(lines, columns);
  const alone = new Set(lines.single.filter((place) => !going.has(place) && !isParent(place)));
  const result: Carried = { rows: [], sections: [] };
  const carry = openCarrying(columns);
  const isElsewhere = openPointing(columns);
  const listed = name ? listedBelow(lines, name, alone) : NONE;
  const isBelow = (place: number | undefined) =>
    name !== undefined &&
    place !== undefined &&
    !alone.has(place) &&
    (isBlank(table[place]![name.at]) || listed.has(place));
  // "Style: Fell Jacket" says first what it is.
  const textIn = (place: number) =>
    table[place]!.find((cell) => !isBlank(cell))!
      .trim()
      .replace(/^[^:]{2,20}:\s+/, '');
  /** "Navy" below "Hoodie", both in lines of their own, is the colour of the rows that follow. */
  const isOptionLine = (place: number | undefined) =>
    place !== undefined && name?.reason === 'headings' && alone.has(place) && isOption(textIn(place));
  let head: readonly string[] | null = null;
  /** The last line that is the name of goods. */
  let title: readonly string[] | null = null;
  let above: readonly string[] | null = null;
  let block = 0;

  function takeLine(place: number, next: number | undefined): void {
    if (title && name && isOptionLine(place)) {
      head = above = title.with(name.at, `${title[name.at]!}, ${textIn(place)}`);
      return void result.sections.push(place);
    }
    if (!isBelow(next) && !isOptionLine(next)) return void result.sections.push(place);
    block += 1;
    // A heading may stand in another column than names do.
    const cells = name ? table[place]!.map(() => '') : table[place]!.slice();
    if (name) cells[name.at] = textIn(place);
    title = head = above = cells;
    result.rows.push({ place, cells, block, isHead: true });
  }

  function takeNamed(place: number, next: number | undefined): void {
    const cells = table[place]!;
    const startsBlock = isBelow(next);
    if (startsBlock) block += 1;
    const isHead = startsBlock && isHeadAlone(cells, table[next!]!, columns, listed.has(next!));
    head = startsBlock ? cells : null;
    above = above && !startsBlock ? carry.options(cells, above) : cells;
    result.rows.push({ place, cells: above, block: startsBlock ? block : null, isHead });
  }

  places.forEach((place, order) => {
    const cells = table[place]!;
    if (alone.has(place)) return takeLine(place, places[order + 1]);
    if (!isBelow(place) || !head || isElsewhere(cells, head)) return takeNamed(place, places[order + 1]);
    above = carry.all(cells, head, above);
    result.rows.push({ place, cells: above, block, isHead: false });
  });
  return result;
}

/**
 * Rows that say an option alone and go on with the rows above them: these have an option there too, and what else is
 * said once is blank below.
 */
function linesThatGoOn({ table, single }: Lines, columns: readonly ListColumn[]): ReadonlySet<number> {
  const name = nameColumn(columns);
  const options = new Set(optionsIn(columns).map(({ at }) => at));
  const lines = new Set(single);
  const going = new Set<number>();
  if (!name || name.reason === 'headings') return going;
  for (const place of single) {
    const at = table[place]!.findIndex((cell) => !isBlank(cell));
    const above = table[place - 1];
    if (!above || !options.has(at) || isBlank(above[at])) continue;
    if (!isAloneAt(above, at) || going.has(place - 1) || !lines.has(place - 1)) going.add(place);
  }
  return going;
}
const isAloneAt = (row: readonly string[], at: number): boolean =>
  row.every((cell, other) => (other === at) !== isBlank(cell));

/** Whether a line with one cell is the row of a parent: others say that they belong to what it says. */
function openParentLines(
  table: Table,
  places: readonly number[],
  columns: readonly ListColumn[],
): (place: number) => boolean {
  const parent = columnThat(columns, 'parent');
  const referred = new Set(parent ? places.map((place) => codeKey(table[place]![parent.at] ?? '')) : []);
  return (place) => table[place]!.some((cell) => !isBlank(cell) && referred.has(codeKey(cell)));
}

/** How cells are filled from those above. */
function openCarrying(columns: readonly ListColumn[]) {
  const name = nameColumn(columns);
  const options = optionsIn(columns);
  const ofFamily = columns.filter(({ meaning }) => meaning.is === 'field' && CARRIED.has(meaning.key));
  const ofAll = columns.filter(({ meaning }) => meaning.is === 'field' && HELD.has(meaning.key));
  return {
    /** A row without a name gets the name and what is said of its family, options from the row above. */
    all(cells: readonly string[], head: readonly string[], above: readonly string[] | null): readonly string[] {
      const full = cells.slice();
      for (const { at } of ofFamily) if (isBlank(full[at])) full[at] = head[at] ?? '';
      if (name) full[name.at] = listedName(head[name.at]!, cells[name.at]!);
      for (const { at } of options) if (isBlank(full[at]) && above) full[at] = above[at] ?? '';
      for (const { at } of ofAll) if (isBlank(full[at])) full[at] = head[at] ?? '';
      return full;
    },
    /** Rows that repeat the name may still leave out the colour that stands above. */
    options(cells: readonly string[], above: readonly string[]): readonly string[] {
      const isSame = name && !isBlank(cells[name.at]) && cells[name.at] === above[name.at];
      const blank = options.filter(({ at }) => isBlank(cells[at]));
      if (!isSame || blank.length === 0 || blank.length === options.length) return cells;
      const full = cells.slice();
      for (const { at } of blank) full[at] = above[at] ?? '';
      return full;
    },
  };
}
/** "- Navy / S" below "Fell Hoodie" is "Fell Hoodie - Navy / S". */
const listedName = (head: string, cell: string): string =>
  isBlank(cell) ? head : `${head.trim()} - ${cell.replace(LISTED, '')}`;

/** Signs and blanks that lines begin with which list what belongs to a line above. */
const LISTED = /^(?:\s*[-–—•·▪◦*+>›»└├↳]+\s+|\s{2,})/;
const NONE: ReadonlySet<number> = new Set();

/** Rows whose names begin so, below one whose name does not; none where all do. */
function listedBelow({ table, places }: Lines, name: ListColumn, alone: ReadonlySet<number>): ReadonlySet<number> {
  const named = places.filter((place) => !alone.has(place) && !isBlank(table[place]![name.at]));
  const isListed = (place: number) => LISTED.test(table[place]![name.at]!);
  const first = named[0];
  return first === undefined || isListed(first) ? NONE : new Set(named.filter(isListed));
}

const optionsIn = (columns: readonly ListColumn[]) =>
  columns.filter(({ meaning }) => ['option', 'optionValue', 'optionName', 'options'].includes(meaning.is));

/** Whether a row says that it belongs to another than stands above it. */
function openPointing(columns: readonly ListColumn[]): (cells: readonly string[], head: readonly string[]) => boolean {
  const parent = columnThat(columns, 'parent');
  const own = ['sku', 'styleCode', 'name'].flatMap((key) => columnOfField(columns, key) ?? []);
  return (cells, head) => {
    const ref = parent ? codeKey(cells[parent.at] ?? '') : '';
    return ref !== '' && ![parent!, ...own].some(({ at }) => codeKey(head[at] ?? '') === ref);
  };
}

/** What is said of a family, and what mostly holds for all of it. */
const CARRIED = new Set([
  'name',
  'brand',
  'styleCode',
  'category',
  'maker',
  'description',
  'shortText',
  'madeIn',
  'composition',
  'taxCode',
  'collections',
  'wearer',
  'care',
]);
const HELD = new Set(['price', 'listPrice', 'cost', 'weight']);

/** The first row of a block says nothing of a child: no option, no number, no pieces, where the next row does. */
function isHeadAlone(
  cells: readonly string[],
  next: readonly string[],
  columns: readonly ListColumn[],
  isListed: boolean,
): boolean {
  const options = optionsIn(columns);
  const ofChild = columns.filter(
    ({ meaning }) => meaning.is === 'field' && ['sku', 'gtin', 'stock'].includes(meaning.key),
  );
  const across = columns.filter(({ meaning }) => meaning.is === 'across');
  const says = (row: readonly string[], list: readonly ListColumn[]) => list.some(({ at }) => !isBlank(row[at]));
  return (
    !says(cells, options) &&
    !says(cells, across) &&
    (isListed || says(next, options) || says(next, across)) &&
    !columnsSay(cells, ofChild)
  );
}
const columnsSay = (cells: readonly string[], columns: readonly ListColumn[]) =>
  columns.filter(({ at }) => !isBlank(cells[at])).length > 1;
