/**
 * The catalogue, or families of it, written to a file family by family: what is in memory does not grow with it.
 * Runs in a worker thread.
 */
import { once } from 'node:events';
import { createWriteStream, mkdtempSync, rmSync, type WriteStream } from 'node:fs';
import { dirname, join } from 'node:path';
import { finished } from 'node:stream/promises';
import { asc, eq, sql } from 'drizzle-orm';
import { ZipFile } from 'yazl';
import {
  type ColumnTold,
  PACKAGE_TABLES,
  type PackageTable,
  catalogueColumns,
  catalogueRows,
  packageDescriptor,
  packageHeaders,
  packageRows,
  productGroup,
  registryUsed,
  schemaOrgContext,
} from '@loom-kin/core/export';
import type { Family } from '@loom-kin/core/family';
import { allPictures } from '@loom-kin/core/pictures';
import type { ExportKind } from '@loom-kin/contract';
import { csvLines, streamCsv, streamXlsx, type Book, type Cell } from '@loom-kin/sheets';
import { readCatalogue, type Catalogue } from '../store/readCatalogue';
import { loadFamily } from '../store/loadFamily';
import { familyFile } from '../files/familyFile';
import { pictureFile } from '../pictures/pictureFiles';
import { loadStock, loadStockAt } from '../stock/ledger';
import type { Database } from '../store/database';
import { families } from '../store/schema';
import { wantedBy } from './wantedBy';

export interface ExportOrder {
  kind: ExportKind;
  /** Null for all that are not retired. */
  ids: readonly string[] | null;
  /** Where it is written. */
  path: string;
  /** Before `/pictures/ID`. */
  address: string;
  pictureFolder: string;
}

interface Out {
  database: Database;
  catalogue: Catalogue;
  ids: readonly string[];
  order: ExportOrder;
  tell: (done: number, total: number) => void;
}

/** Its families one after the other. */
function* familiesOf({ database, ids, tell }: Out): Iterable<Family> {
  for (const [at, id] of ids.entries()) {
    if (at % TELL_EVERY === 0) tell(at, ids.length);
    yield loadFamily(database, id);
  }
}

/** So often is told how many families are written. */
const TELL_EVERY = 20;

/** Writes the file, of the data as they are at one moment. `tell` hears how many families are written. */
export async function writeCatalogue(
  database: Database,
  order: ExportOrder,
  tell: (done: number, total: number) => void,
): Promise<void> {
  database.$client.exec('BEGIN');
  try {
    await write(database, order, tell);
  } finally {
    database.$client.exec('COMMIT');
  }
}

async function write(
  database: Database,
  order: ExportOrder,
  tell: (done: number, total: number) => void,
): Promise<void> {
  const wanted = order.ids === null ? eq(families.retired, false) : isOneOf(order.ids);
  const rows = database
    .select({ id: families.id })
    .from(families)
    .where(wanted)
    .orderBy(asc(families.name), asc(families.id))
    .all();
  const out: Out = { database, catalogue: readCatalogue(database), ids: rows.map(({ id }) => id), order, tell };
  if (order.kind === 'package') return writePackage(out);
  const file = createWriteStream(order.path, { mode: 0o600 });
  await WRITERS[order.kind](out, file);
  file.end();
  await finished(file);
}

const WRITERS: Record<Exclude<ExportKind, 'package'>, (out: Out, file: WriteStream) => Promise<void>> = {
  csv(out, file) {
    const columns = columnsOf(out);
    return streamCsv(
      file,
      columns.map(({ column }) => column.header),
      textRows(out, columns),
    );
  },
  xlsx(out, file) {
    const columns = columnsOf(out);
    return streamXlsx(file, bookOf(columns), cellRows(out, columns));
  },
  json(out, file) {
    const used = registryUsed(out.catalogue.registry);
    const told = ({ database }: Out, family: Family) => {
      const made = familyFile(family, loadStock(database, family.id), loadStockAt(database, family.id));
      used.note(made);
      return made;
    };
    const end = () => `,"registry":${JSON.stringify(used.parts())}`;
    return writeJson(out, file, { head: '{"format":"loom-kin/catalogue","version":1,"families":[', end }, told);
  },
  jsonld: (out, file) =>
    writeJson(
      out,
      file,
      { head: `{"@context":${contextOf(out)},"@graph":[` },
      ({ database, catalogue, order }, family) => {
        const { '@context': _context, ...group } = productGroup({
          family,
          stock: loadStock(database, family.id),
          currency: catalogue.seller.currency,
          languages: catalogue.registry.languages,
          today: new Date().toISOString().slice(0, 10),
          pictureAddress: (id) => `${order.address}/pictures/${id}`,
        });
        return group;
      },
    ),
};

const contextOf = ({ catalogue }: Out): string => JSON.stringify(schemaOrgContext(catalogue.registry.firstLanguage));

/**
 * JSON that cannot end the script element it is put into: pages carry JSON-LD in one (HTML, "Restrictions for
 * contents of script elements").
 */
const inScript = (data: unknown): string => JSON.stringify(data).replaceAll('<', '\\u003c');

async function writeJson(
  out: Out,
  file: WriteStream,
  { head, end = () => '' }: { head: string; end?: () => string },
  told: (out: Out, family: Family) => unknown,
): Promise<void> {
  file.write(head);
  let isFirst = true;
  for (const family of familiesOf(out)) {
    const text = (isFirst ? '' : ',\n') + inScript(told(out, family));
    isFirst = false;
    if (!file.write(text)) await once(file, 'drain');
  }
  file.write(`]${end()}}\n`);
}

function columnsOf({ database, catalogue, ids }: Out): ColumnTold[] {
  const most = ids.length === 0 ? 0 : mostAxes(database, ids);
  const wanted = wantedBy(catalogue, categoriesOf(database, ids));
  return catalogueColumns(catalogue.registry, Math.max(1, most), wanted);
}

const categoriesOf = (database: Database, ids: readonly string[]): string[] =>
  database
    .selectDistinct({ category: families.category })
    .from(families)
    .where(isOneOf(ids))
    .all()
    .map(({ category }) => category);

/** Of as many as there may be: as parameters one by one they are counted. */
const isOneOf = (ids: readonly string[]) =>
  sql`${families.id} IN (SELECT value FROM json_each(${JSON.stringify(ids)}))`;

function mostAxes(database: Database, ids: readonly string[]): number {
  const length = sql<number>`max(json_array_length(${families.doc}, '$.axes'))`;
  return database.select({ length }).from(families).where(isOneOf(ids)).get()?.length ?? 0;
}

function* textRows(out: Out, columns: readonly ColumnTold[]): Iterable<string[]> {
  const { registry } = out.catalogue;
  for (const family of familiesOf(out))
    yield* catalogueRows(registry, columns, family, loadStock(out.database, family.id));
}

/** Numbers as numbers, all else as text. */
function* cellRows(out: Out, columns: readonly ColumnTold[]): Iterable<Cell[]> {
  const isNumber = columns.map((told) => told.isNumber);
  for (const row of textRows(out, columns))
    yield row.map((cell, at) => (isNumber[at] && cell !== '' && Number.isFinite(Number(cell)) ? Number(cell) : cell));
}

const NEEDS = { required: 'Required', recommended: 'Recommended', optional: 'Optional' } as const;

function bookOf(columns: readonly ColumnTold[]): Book {
  const wantedBy = ({ wantedBy: accounts, need }: ColumnTold) =>
    accounts.length > 0 ? `${NEEDS[need]} on ${accounts.join(', ')}.` : need === 'required' ? 'Required.' : '';
  return {
    name: 'Catalogue',
    columns: columns.map((told) => ({
      header: told.column.header,
      mark: told.need === 'optional' ? undefined : told.need,
      note: [wantedBy(told), told.help].filter(Boolean).join(' ') || undefined,
      choices: told.choices,
    })),
    explained: {
      name: 'Columns',
      rows: [
        ['Column', 'How much it is wanted', 'Where', 'What it is', 'One of'],
        ...columns.map((told) => [
          told.column.header,
          NEEDS[told.need],
          told.wantedBy.join(', '),
          told.help,
          told.choices.length > 0 ? told.choices.slice(0, 40).join(', ') : '',
        ]),
      ],
    },
  };
}

/** Tables as CSV beside their description, pictures with them, in one archive. */
async function writePackage(out: Out): Promise<void> {
  const { database, catalogue, order } = out;
  const folder = mkdtempSync(join(dirname(order.path), 'package-'));
  try {
    const files = Object.fromEntries(
      PACKAGE_TABLES.map((table) => [table, createWriteStream(join(folder, `${table}.csv`))]),
    ) as Record<PackageTable, WriteStream>;
    const pictures = new Map<string, string>();
    const fileOf = (id: string): string => {
      const name = pictures.get(id) ?? pictureFile(order.pictureFolder, id, 'full') ?? '';
      if (name) pictures.set(id, name);
      return name ? `pictures/${name}` : '';
    };
    for (const table of PACKAGE_TABLES)
      files[table].write(csvLines([packageHeaders(catalogue.registry, table)], false));
    for (const family of familiesOf(out)) {
      // Those of children that are put away, and of single accounts, stand in no table.
      for (const id of allPictures(family)) fileOf(id);
      const rows = packageRows(catalogue.registry, family, loadStock(database, family.id), fileOf);
      for (const table of PACKAGE_TABLES)
        if (rows[table].length > 0 && !files[table].write(csvLines(rows[table], false)))
          await once(files[table], 'drain');
    }
    for (const table of PACKAGE_TABLES) files[table].end();
    await Promise.all(PACKAGE_TABLES.map((table) => finished(files[table])));
    const descriptor = packageDescriptor(catalogue.registry, catalogue.seller, new Date().toISOString());
    const zip = new ZipFile();
    zip.addBuffer(Buffer.from(JSON.stringify(descriptor, null, 2)), 'datapackage.json');
    for (const table of PACKAGE_TABLES) zip.addFile(join(folder, `${table}.csv`), `${table}.csv`);
    for (const name of new Set(pictures.values()))
      zip.addFile(join(order.pictureFolder, name), `pictures/${name}`, { compress: false });
    zip.end();
    const file = createWriteStream(order.path, { mode: 0o600 });
    zip.outputStream.pipe(file);
    await finished(file);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
