/** A list read whole: its table found, its columns understood, its families recognised, the figures of each child read. */
import type { Registry } from '../../registry/openRegistry';
import { openOptionReader } from '../options/readOptions';
import { findTable, type SkipReason, type TableFound } from '../table/findTable';
import { openHeaders, type HeaderMeaning } from '../table/headerWords';
import { NO_MAPPING, type ListColumn, type ListMapping, type Table } from '../table/shape';
import { findSizeDates, withSizes, type SizeDate } from '../table/sizeDates';
import { understandColumns } from '../table/understandColumns';
import { columnOfField } from './columnsThat';
import { readFigures, type ChildFigures } from './readFigures';
import { recogniseFamilies } from './recogniseFamilies';
import { rowItems, type Deletion } from './rowItems';
import {
  NO_SETTLEMENT,
  settleFamily,
  settleParents,
  settleRows,
  settleSingle,
  type ListSettlement,
} from './settlement';
import type { Doubt, Item, ListFamily, ListProblem, ListSingle, Mended } from './shape';

export interface ListReading {
  /**
   * The table as it is understood: rows with what stands once above them, and with more columns where sizes across
   * change on the way down.
   */
  table: Table;
  columns: ListColumn[];
  /** Rows of the header, from 1. */
  headerRows: number[];
  skipped: { row: number; why: SkipReason }[];
  families: ListFamily[];
  singles: ListSingle[];
  /** Child of a family → its figures: by the family's key and the child's place. */
  figures: Map<string, ChildFigures[]>;
  /** Of singles, by place. */
  singleFigures: ChildFigures[];
  /** Rows whose child is to go. */
  deletions: Deletion[];
  problems: ListProblem[];
  /** Cells that a spreadsheet had hurt and that could be mended one way only. */
  mended: Mended[];
}

/** Hears which part of the work is done, from 0 to 1. */
export type TellPart = (part: number) => void;

/** What is behind when rows are goods, and when their families are made; measured, roughly. */
const PARTS = { rows: 0.2, families: 0.85 };

/** Reads a list. Nothing is refused as a whole but what has no row of goods: then there are no families, and a problem says why. */
export function readList(
  registry: Registry,
  given: Table,
  mapping: ListMapping = NO_MAPPING,
  settlement: ListSettlement = NO_SETTLEMENT,
  tell: TellPart = () => undefined,
): ListReading {
  const words = { meaningOf: headersOf(registry, mapping), options: openOptionReader(registry) };
  const found = findTable(given, words, mapping.headerRow);
  const columns = understandColumns(registry, found.table, found, words, mapping);
  const dates = findSizeDates(found.table, found.body, columns);
  const dated = withSizes(found.table, dates);
  const problems = [...columnProblems(dated, found, columns), ...openMarks(dated, found.body, columns)];
  const rows = rowItems(dated, found, columns, words);
  const table = withCarried(dated, rows.items);
  tell(PARTS.rows);
  const spare = columns.filter(({ meaning, header }) => meaning.is === 'ignored' && header !== '');
  const settled = {
    ...rows,
    items: settleRows(rows.items, settlement),
    parents: settleParents(rows.parents, rows.items, settlement),
  };
  const apart = ['wearer', 'category'].flatMap((key) => columnOfField(columns, key)?.at ?? []);
  const recognised = recogniseFamilies(registry, words.options, settled, { spare, apart }, (part) =>
    tell(PARTS.rows + part * (PARTS.families - PARTS.rows)),
  );
  const asked = new Map(dates.flatMap(({ at, text, readings }) => (readings.length === 1 ? [] : [[at + 1, text]])));
  recognised.families = recognised.families.map((family) => settleFamily(doubtSizes(family, asked), settlement));
  recognised.singles = recognised.singles.map((single) => settleSingle(single, settlement));
  const read = readFigures(registry, table, columns, recognised, mapping);
  const sections = new Set(rows.sections);
  return {
    table,
    columns,
    headerRows: found.headerRows.map((at) => at + 1),
    skipped: found.skipped
      .filter(({ at, why }) => why !== 'section' || sections.has(at + 1))
      .map(({ at, why }) => ({ row: at + 1, why })),
    families: recognised.families,
    singles: recognised.singles,
    figures: read.figures,
    singleFigures: read.singleFigures,
    deletions: rows.deletions,
    problems: [...problems, ...askedDates(dates), ...recognised.problems, ...read.problems].sort(
      (a, b) => a.row - b.row,
    ),
    mended: [...mendedDates(dates), ...read.mended],
  };
}

/** The table with the rows as they are once what stands above them has gone down to them. */
function withCarried(table: Table, items: readonly Item[]): Table {
  const rows = table.slice();
  for (const { row, cells } of items) rows[row - 1] = cells;
  return rows;
}

const mendedDates = (dates: readonly SizeDate[]): Mended[] =>
  dates.flatMap(({ at, column: { header }, text, readings: [to, ...others] }) =>
    to !== undefined && others.length === 0 ? [{ code: 'size.date', row: at + 1, column: header, from: text, to }] : [],
  );
const askedDates = (dates: readonly SizeDate[]): ListProblem[] =>
  dates.flatMap(({ at, column: { header }, text, readings }) =>
    readings.length === 1
      ? []
      : [{ row: at + 1, column: header, code: 'size.date', text: [text, ...readings].join('\n') }],
  );

/** A row whose size is a day that may have been several is in doubt. */
function doubtSizes(family: ListFamily, asked: ReadonlyMap<number, string>): ListFamily {
  const rows = asked.size === 0 ? [] : family.children.flatMap((child) => child.rows).filter((row) => asked.has(row));
  if (rows.length === 0) return family;
  const doubts = rows.map((row): Doubt => ({ row, code: 'sizeIsDay', text: asked.get(row)! }));
  return { ...family, doubts: [...family.doubts, ...doubts] };
}

/** Headers mean what the seller said, else what they say. */
function headersOf(registry: Registry, { columns }: ListMapping): (header: string) => HeaderMeaning | null {
  const known = openHeaders(registry);
  return (header) => {
    const meaning = Object.hasOwn(columns, header) ? columns[header] : undefined;
    return meaning ? { meaning, certainty: 1 } : known(header);
  };
}

/** Cells that a quotation mark begins and none ends: their lines were parted as they stand, maybe at signs that were text. */
function openMarks(table: Table, body: readonly number[], columns: readonly ListColumn[]): ListProblem[] {
  return body.flatMap((at) =>
    columns
      .filter((column) => isOpenMark(table[at]![column.at]))
      .map(({ header }) => ({ row: at + 1, column: header, code: 'cell.open-mark', text: '' })),
  );
}
const isOpenMark = (cell = '') => cell.startsWith('"') && cell.length > 1 && cell.split('"').length % 2 === 0;

function columnProblems(table: Table, { headerRows, body }: TableFound, columns: readonly ListColumn[]): ListProblem[] {
  const row = (headerRows.at(-1) ?? 0) + 1;
  const problems: ListProblem[] = columns
    .filter(({ reason }) => reason === 'twice')
    .map(({ header }) => ({ row, column: header.replace(/#\d+$/, ''), code: 'column.twice', text: '' }));
  // What holds families together may name them as well.
  const isNamed = columns.some(
    ({ at, meaning }) =>
      (meaning.is === 'field' && meaning.key === 'name') ||
      ((meaning.is === 'parent' || meaning.is === 'group') &&
        body.every((place) => /\p{L} \p{L}/u.test(table[place]![at] ?? ''))),
  );
  if (body.length === 0) problems.push({ row, code: 'list.no-rows', text: '' });
  else if (!isNamed) problems.push({ row, code: 'list.no-name', text: '' });
  return problems;
}
