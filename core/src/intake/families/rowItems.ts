/** Rows of a list as goods: cells put where they belong, what stands once above others carried down, parents told from children. */
import { compact } from '../../pictures/match/fileWords';
import { tokensOf } from '../options/tokens';
import { isBlank, kindOf } from '../table/cells';
import type { TableFound } from '../table/findTable';
import type { ListColumn, Meaning, Table } from '../table/shape';
import { codeKey } from './codeKey';
import { openGiven, type ListWords } from './givenOptions';
import { remembered } from './remembered';
import type { Item } from './shape';

/** A row that says that its child goes. */
export interface Deletion {
  row: number;
  sku: string;
  gtin: string;
}

export interface RowItems {
  items: Item[];
  /** Rows of parents: what they belong to → row. */
  parents: { row: number; name: string; refs: string[]; block: number | null }[];
  /** Rows that are headings of what follows. */
  sections: number[];
  /** Rows whose child is to go, with what it is found by. */
  deletions: Deletion[];
}

/** What a column of deeds says where a child is to go. */
const DELETES = /^(?:delete|del|remove|löschen|loeschen|supprimer|eliminar|elimina|verwijderen)$/i;

/** The column of a meaning. */
export const columnOfField = (columns: readonly ListColumn[], key: string): ListColumn | undefined =>
  columns.find(({ meaning }) => meaning.is === 'field' && meaning.key === key);
const columnThat = (columns: readonly ListColumn[], is: Meaning['is']) =>
  columns.find(({ meaning }) => meaning.is === is);

/** Where goods are named: by a name, else by their style. */
const nameColumn = (columns: readonly ListColumn[]) =>
  columnOfField(columns, 'name') ?? columnOfField(columns, 'styleCode');

/** Makes items of the rows of a table. */
export function rowItems(table: Table, found: TableFound, columns: readonly ListColumn[], words: ListWords): RowItems {
  const sections = found.skipped.filter((one) => one.why === 'section').map((one) => one.at);
  const rows = [...found.body, ...sections].sort((a, b) => a - b);
  const alone = new Set(sections.filter((at) => !goesOn(table, at, columns)));
  const filled = carryDown(table, rows, alone, columns);
  const result: RowItems = { items: [], parents: [], sections: filled.sections.map((at) => at + 1), deletions: [] };
  const text = (cells: readonly string[], column: ListColumn | undefined) =>
    column ? (cells[column.at] ?? '').trim() : '';
  const at = {
    name: columnOfField(columns, 'name'),
    brand: columnOfField(columns, 'brand'),
    style: columnOfField(columns, 'styleCode'),
    sku: columnOfField(columns, 'sku'),
    price: columnOfField(columns, 'price') ?? columnOfField(columns, 'cost') ?? columnOfField(columns, 'listPrice'),
    parent: columnThat(columns, 'parent') ?? columnThat(columns, 'group'),
    kind: columnThat(columns, 'kind'),
    deed: columnThat(columns, 'deed'),
    gtin: columnOfField(columns, 'gtin'),
  };
  const referred = new Set(
    at.parent ? filled.rows.map(({ cells }) => codeKey(text(cells, at.parent))).filter(Boolean) : [],
  );
  const ownCodes = new Set(at.parent && at.kind ? filled.rows.map(({ cells }) => codeKey(text(cells, at.sku))) : []);
  const givenOf = openGiven(columns, words);
  const brandKeyOf = remembered(compact);
  const tokensIn = remembered(tokensOf);
  const priceIn = remembered(roughly);
  for (const { place, cells, block, isHead } of filled.rows) {
    const row = place + 1;
    if (DELETES.test(text(cells, at.deed))) {
      result.deletions.push({ row, sku: text(cells, at.sku), gtin: text(cells, at.gtin) });
      continue;
    }
    const item = {
      name: text(cells, at.name),
      brand: text(cells, at.brand),
      style: text(cells, at.style),
      ownCode: text(cells, at.sku),
      belongs: text(cells, at.parent),
      price: priceIn(text(cells, at.price)),
    };
    const kind = at.kind ? kindOf(text(cells, at.kind)) : null;
    const refs =
      referred.size === 0
        ? []
        : [item.ownCode, item.style, item.name].filter((ref) => ref !== '' && referred.has(codeKey(ref)));
    const pointsElsewhere = item.belongs !== '' && codeKey(item.belongs) !== codeKey(item.ownCode);
    // A group's key in the column of parents points nowhere.
    const isCalledParent = kind === 'parent' && !(pointsElsewhere && ownCodes.has(codeKey(item.belongs)));
    const isParent = isHead || isCalledParent || (!pointsElsewhere && refs.length > 0);
    const given = givenOf.options(cells);
    const across = givenOf.across(cells);
    if (isParent && across.length === 0 && (given.length === 0 || kind === 'parent' || refs.length > 0)) {
      const own = kind === 'parent' ? [item.ownCode, item.style, item.belongs, item.name].filter(Boolean) : refs;
      result.parents.push({ row, name: item.name, refs: own.map(codeKey), block });
      continue;
    }
    result.items.push({
      row,
      cells,
      ...item,
      brandKey: brandKeyOf(item.brand),
      block,
      given,
      across,
      tokens: tokensIn(item.name),
      spans: [],
      read: [],
      said: [],
    });
  }
  return result;
}

/** A number for comparing; how it is written does not matter there. */
function roughly(text: string): number | null {
  const digits = text
    .replace(/[^\d.,]/g, '')
    .replace(/[.,](?=\d{3}\b)/g, '')
    .replace(',', '.');
  const number = Number.parseFloat(digits);
  return Number.isFinite(number) ? number : null;
}

interface Carried {
  rows: { place: number; cells: readonly string[]; block: number | null; isHead: boolean }[];
  sections: number[];
}

/** Whether a row that says an option alone goes on with the rows above it: they have no name either, and an option there too. */
function goesOn(table: Table, place: number, columns: readonly ListColumn[]): boolean {
  const at = table[place]!.findIndex((cell) => !isBlank(cell));
  const name = nameColumn(columns);
  const above = table[place - 1];
  if (!name || name.reason === 'headings' || !above || columns.find((one) => one.at === at)?.meaning.is !== 'option')
    return false;
  return !isBlank(above[at]) && above.some((cell, other) => other !== at && !isBlank(cell));
}

/** Where names stand once above the rows they are for, rows get what stands above them. */
function carryDown(
  table: Table,
  rows: readonly number[],
  alone: ReadonlySet<number>,
  columns: readonly ListColumn[],
): Carried {
  const name = nameColumn(columns);
  const result: Carried = { rows: [], sections: [] };
  const isBelow = (place: number | undefined) =>
    name !== undefined && place !== undefined && !alone.has(place) && isBlank(table[place]![name.at]);
  const options = columns.filter(({ meaning }) =>
    ['option', 'optionValue', 'optionName', 'options'].includes(meaning.is),
  );
  const ofFamily = columns.filter(({ meaning }) => meaning.is === 'field' && CARRIED.has(meaning.key));
  const ofAll = columns.filter(({ meaning }) => meaning.is === 'field' && HELD.has(meaning.key));
  const isElsewhere = openPointing(columns);
  let head: readonly string[] | null = null;
  let above: readonly string[] | null = null;
  let block = 0;
  rows.forEach((place, order) => {
    const cells = table[place]!;
    const next = rows[order + 1];
    if (alone.has(place)) {
      const isHead = isBelow(next) && cells.some((cell, at) => !isBlank(cell) && (at === name?.at || !isBlank(cell)));
      if (!isHead) return void result.sections.push(place);
      block += 1;
      // A heading may stand in another column than names do.
      const text = cells.find((cell) => !isBlank(cell))!;
      const moved = name ? cells.map(() => '') : cells.slice();
      if (name) moved[name.at] = text;
      head = above = moved;
      result.rows.push({ place, cells: moved, block, isHead: true });
      return;
    }
    if (!isBelow(place) || !head || isElsewhere(cells, head)) {
      const startsBlock = isBelow(next);
      if (startsBlock) block += 1;
      const isHead = startsBlock && isHeadAlone(cells, table[next!]!, options, columns);
      head = startsBlock ? cells : null;
      const full = above && !startsBlock ? carryOptions(cells, above, name, options) : cells;
      above = full;
      result.rows.push({ place, cells: full, block: startsBlock ? block : null, isHead });
      return;
    }
    const full = cells.slice();
    for (const { at } of ofFamily) if (isBlank(full[at])) full[at] = head[at] ?? '';
    if (name) full[name.at] = head[name.at]!;
    for (const { at } of options) if (isBlank(full[at]) && above) full[at] = above[at] ?? '';
    for (const { at } of ofAll) if (isBlank(full[at])) full[at] = head[at] ?? '';
    above = full;
    result.rows.push({ place, cells: full, block, isHead: false });
  });
  return result;
}
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
  options: readonly ListColumn[],
  columns: readonly ListColumn[],
): boolean {
  const ofChild = columns.filter(
    ({ meaning }) => meaning.is === 'field' && ['sku', 'gtin', 'stock'].includes(meaning.key),
  );
  const across = columns.filter(({ meaning }) => meaning.is === 'across');
  const says = (row: readonly string[], list: readonly ListColumn[]) => list.some(({ at }) => !isBlank(row[at]));
  return (
    !says(cells, options) &&
    !says(cells, across) &&
    (says(next, options) || says(next, across)) &&
    !columnsSay(cells, ofChild)
  );
}
const columnsSay = (cells: readonly string[], columns: readonly ListColumn[]) =>
  columns.filter(({ at }) => !isBlank(cells[at])).length > 1;

/** Rows that repeat the name may still leave out the colour that stands above. */
function carryOptions(
  cells: readonly string[],
  above: readonly string[],
  name: ListColumn | undefined,
  options: readonly ListColumn[],
): readonly string[] {
  const isSame = name && !isBlank(cells[name.at]) && cells[name.at] === above[name.at];
  const blank = options.filter(({ at }) => isBlank(cells[at]));
  if (!isSame || blank.length === 0 || blank.length === options.length) return cells;
  const full = cells.slice();
  for (const { at } of blank) full[at] = above[at] ?? '';
  return full;
}
