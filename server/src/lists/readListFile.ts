/** A list read against the catalogue: what it becomes, and the families as they will be. Runs in a worker thread. */
import { readFile } from 'node:fs/promises';
import {
  type Become,
  LIST_VERDICTS,
  type ListMapping,
  type ListReading,
  type ListRow,
  type ListSettlement,
  type ListVerdict,
  doubtText,
  listProblemText,
  planList,
  readList,
  singleAsFamily,
  whyText,
} from '@loom-kin/core/intake';
import type { Registry } from '@loom-kin/core/registry';
import { CHILDREN_SHOWN, type ListCounts, type ListFamilyView } from '@loom-kin/contract';
import { decodeText, fileSource } from '@loom-kin/sheets';
import { readCatalogue } from '../store/readCatalogue';
import type { Database } from '../store/database';
import { rowsOfList, type RowsRead } from '../listFiles/keptRows';
import type { ListRead } from '../listFiles/listFound';
import { catalogueIn, readCatalogueFile } from './readCatalogueFile';
import { kindOfList, rememberedMapping } from './remembered';
import { openShelves } from './shelves';

export interface ListOrder {
  path: string;
  fileName: string;
  sheet: string | null;
  /** What the seller said of the columns; null: what was said of the last list of this kind. */
  mapping: ListMapping | null;
  settlement: ListSettlement;
}

const HEAD = 14;
const CELLS_SHOWN = 3;
const PROBLEMS_SHOWN = 300;

/** Of the whole work that is behind when the families are recognised; measured, roughly. */
const PART_READ = 0.45;

/**
 * Reads a list; `tell` hears how far it is, in rows, and of how many, once that is known. Throws a Refusal where
 * the file cannot be read.
 */
export async function readListFile(
  database: Database,
  order: ListOrder,
  tell: (done: number, total: number | null) => void,
): Promise<ListRead> {
  const { path, fileName, sheet } = order;
  const given = /\.json$/i.test(fileName) ? catalogueIn(decodeText(await readFile(path))) : null;
  if (given) return database.transaction(() => readCatalogueFile(database, given, tell));
  const read = await rowsOfList(fileSource(path, fileName), path, sheet, (rows) => tell(rows, null));
  const { table } = read;
  // One picture of the data for the whole list.
  return database.transaction(() => {
    const catalogue = readCatalogue(database);
    const { registry } = catalogue;
    const kind = kindOfList(registry, table);
    const mapping = order.mapping ?? rememberedMapping(database, kind);
    const rows = table.length;
    const tellPart = (part: number) => tell(Math.round(rows * part), rows);
    tellPart(0);
    const reading = readList(registry, table, mapping, order.settlement, (part) => tellPart(part * PART_READ));
    const shelves = openShelves(database, catalogue);
    const plans = planList(registry, reading, mapping, shelves, (done, total) =>
      tellPart(PART_READ + (done / total) * (1 - PART_READ)),
    );
    const revisionOf = (id: string) => (shelves.keyed(id) === undefined ? null : shelves.load(id).family.revision);
    return foundOf({ registry, reading, mapping, plans, read, revisionOf, kind });
  });
}

interface Found {
  registry: Registry;
  reading: ListReading;
  mapping: ListMapping;
  plans: readonly Become[];
  read: RowsRead;
  kind: string;
  revisionOf: (familyId: string) => number | null;
}

function foundOf({ reading, mapping, plans, read: { table, sheets, sheet }, revisionOf, kind }: Found): ListRead {
  const rows = plans.flatMap((plan) => plan.rows).sort((a, b) => a.row - b.row);
  const made = plans.flatMap(({ family, pieces, when }) =>
    family ? [{ revision: revisionOf(family.id), family, pieces, when }] : [],
  );
  const problems = [
    ...reading.problems.map((problem) => ({ ...problem, text: listProblemText(problem) })),
    ...cellsLeftOut(rows),
  ];
  return {
    found: {
      sheets,
      sheet,
      rows: table.length,
      mapping,
      head: table.slice(0, HEAD).map((row) => row.slice(0, 60).map((cell) => cell.slice(0, 120))),
      headerRows: reading.headerRows,
      columns: reading.columns.map((column) => ({ ...column, cells: someCells(reading, column) })),
      families: reading.families.length + reading.singles.length,
      counts: countsOf(rows.filter(isCountedOnce())),
      skipped: reading.skipped.slice(0, PROBLEMS_SHOWN),
      mended: reading.mended.slice(0, PROBLEMS_SHOWN),
      problems: problems.slice(0, PROBLEMS_SHOWN),
      problemCount: problems.length,
      pictures: plans.reduce((sum, plan) => sum + plan.pictures.length, 0),
      brings: '',
    },
    families: viewsOf(reading, plans),
    rows,
    made,
    kind,
    registry: null,
    pictures: plans.flatMap((plan) => plan.pictures),
  };
}

/** Cells of rows that go in all the same: what they say is not taken. */
const cellsLeftOut = (rows: readonly ListRow[]) =>
  rows.flatMap(({ row, verdict, family, problems }) =>
    verdict === 'refused'
      ? []
      : problems.map(({ column, message }) => ({ row, column, code: 'cell.left-out', text: `${family}: ${message}` })),
  );

/**
 * What stands in a column, the first that differ; lines between the rows are in none but the one that they are
 * called by.
 */
function someCells(
  { table, headerRows, skipped }: ListReading,
  { at, reason }: ListReading['columns'][number],
): string[] {
  const out = new Set(skipped.map(({ row }) => row));
  const cells = new Set<string>();
  for (let row = headerRows.at(-1) ?? 0; row < Math.min(table.length, 400) && cells.size < CELLS_SHOWN; row++) {
    const filled = table[row]!.filter((cell) => cell.trim() !== '');
    const isLine = filled.length === 1 && table[row]!.length > 1;
    const text = (reason === 'headings' ? (isLine ? filled[0]! : '') : isLine ? '' : (table[row]![at] ?? '')).trim();
    if (text !== '' && !out.has(row + 1)) cells.add(text.slice(0, 60));
  }
  return [...cells];
}

function countsOf(rows: readonly { verdict: ListVerdict }[]): ListCounts {
  const counts = Object.fromEntries(LIST_VERDICTS.map((verdict) => [verdict, 0])) as ListCounts;
  for (const { verdict } of rows) counts[verdict] += 1;
  return counts;
}

/**
 * A row that makes several children is one row of the list; new children of families that are there are counted
 * themselves.
 */
function isCountedOnce(): (row: ListRow) => boolean {
  const seen = new Set<string>();
  return ({ row, verdict }) => {
    const key = `${row} ${verdict}`;
    if (seen.has(key) && verdict !== 'newChild') return false;
    seen.add(key);
    return true;
  };
}

function viewsOf(reading: ListReading, plans: readonly Become[]): ListRead['families'] {
  return [...reading.families, ...reading.singles.map(singleAsFamily)].map((family, at) => {
    const plan = plans[at]!;
    const counts = countsOf(plan.rows);
    const mark =
      counts.refused > 0
        ? 'refused'
        : family.doubts.length > 0
          ? 'doubtful'
          : family.axes.length === 0
            ? 'single'
            : 'plain';
    const doc: ListFamilyView = {
      ...{
        at,
        key: family.key,
        name: family.name,
        brand: family.brand,
        axes: family.axes,
        counts,
        changes: plan.changes,
      },
      familyId: plan.heldId,
      children: family.children.slice(0, CHILDREN_SHOWN).map(({ rows, at: options }) => ({ rows, at: options })),
      rows: plan.rows.length,
      why: family.axes.length === 0 ? '' : whyText(family),
      doubts: family.doubts.map((doubt) => ({ row: doubt.row, text: doubtText(doubt) })),
    };
    return { mark, doc };
  });
}
