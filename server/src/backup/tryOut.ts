/**
 * A database that is to take the place of the data is opened on trial first: brought up to date, compared with what this program makes
 * itself, and every document in it read. Whatever would keep the server from starting is found here, while the data is untouched.
 */
import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import Sqlite from 'better-sqlite3';
import { getTableColumns, getTableName, inArray, is, sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import { SQLiteTable } from 'drizzle-orm/sqlite-core';
import { FamilySchema } from '@loom-kin/core/family';
import { ListingSchema } from '@loom-kin/core/listing';
import { PictureFactsSchema } from '@loom-kin/core/pictures';
import { RulebookSchema } from '@loom-kin/core/rulebook';
import type { z } from 'zod';
import { readCatalogue } from '../store/readCatalogue';
import { MIGRATIONS } from '../folders/folders';
import { markUnread } from '../held/unconfirmed';
import { openDatabase, type Database } from '../store/database';
import { storeOf } from '../store/openStore';
import * as schema from '../store/schema';

/** What is wrong with a database that was to be brought back. */
export class Unfit extends Error {
  constructor(
    /** It comes from a newer program. */
    readonly isNewer: boolean,
    message: string,
  ) {
    super(message);
  }
}

const unfit = (why: string) => new Unfit(false, why);

/** The SHA-256 of a file, in hexadecimal. */
export async function digestOf(path: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
}

/** How many families, children and pictures a database knows of. */
export interface Counts {
  families: number;
  children: number;
  pictures: number;
}

/**
 * Opens a database on trial and leaves it ready to be used: up to date, words to search by made anew, work that was under way ended,
 * accounts marked to be read, since they may hold something newer.
 * @throws Unfit where the program could not work with it
 */
export function tryOut(path: string, dataFolder: string): Counts {
  requireOrigin(path);
  const database = openDatabase(path);
  try {
    requireTables(database);
    requireDocuments(database);
    database.$client.exec('DROP TABLE IF EXISTS family_words');
    storeOf(database, dataFolder);
    endWork(database);
    const counts = countsOf(database);
    database.$client.pragma('wal_checkpoint(TRUNCATE)');
    return counts;
  } finally {
    database.$client.close();
  }
}

/** The database is whole, one of ours, and no newer than this program. */
function requireOrigin(path: string): void {
  const client = new Sqlite(path);
  try {
    if (client.pragma('integrity_check', { simple: true }) !== 'ok') throw unfit('its database is damaged');
    const names = client.prepare<[], { name: string }>('SELECT name FROM sqlite_master').all();
    const has = (name: string) => names.some((row) => row.name === name);
    if (!has('families') || !has('__drizzle_migrations')) throw unfit('its database is of something else');
    const known = new Set(readMigrationFiles({ migrationsFolder: MIGRATIONS }).map((one) => one.hash));
    const done = client.prepare<[], { hash: string }>('SELECT hash FROM __drizzle_migrations').all();
    if (done.some(({ hash }) => !known.has(hash))) throw new Unfit(true, 'it comes from a newer program');
  } finally {
    client.close();
  }
}

/** Tables, indexes and triggers are those this program makes, and no others. */
function requireTables(database: Database): void {
  const own = new Sqlite(':memory:');
  try {
    migrate(drizzle(own), { migrationsFolder: MIGRATIONS });
    const [wanted, there] = [partsIn(own), partsIn(database.$client)];
    for (const [name, made] of wanted)
      if (there.get(name) !== made) throw unfit(`its part "${name}" is missing or another`);
    for (const name of there.keys()) if (!wanted.has(name)) throw unfit(`"${name}" in it is not of this program`);
  } finally {
    own.close();
  }
  if ((database.$client.pragma('foreign_key_check') as unknown[]).length > 0) throw unfit('parts of it are missing');
}

function partsIn(client: Sqlite.Database): Map<string, string> {
  const rows = client
    .prepare<[], { name: string; type: string; sql: string | null }>(
      "SELECT name, type, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite_%' AND name NOT LIKE 'family_words%' AND name NOT LIKE 'family_search%'",
    )
    .all();
  return new Map(rows.map((row) => [row.name, `${row.type} ${row.sql}`]));
}

const TABLES = Object.values(schema).filter((one) => is(one, SQLiteTable));

function requireDocuments(database: Database): void {
  for (const table of TABLES)
    for (const column of Object.values(getTableColumns(table)))
      if (column.dataType === 'json') {
        const wrong = database.get(
          sql`SELECT 1 FROM ${table} WHERE ${column} IS NOT NULL AND NOT json_valid(${column}) LIMIT 1`,
        );
        if (wrong) throw unfit(`what stands in ${getTableName(table)} cannot be read`);
      }
  try {
    readCatalogue(database);
  } catch {
    throw unfit('its settings cannot be read');
  }
  for (const { doc, revision, id } of each<{ doc: string; revision: number; id: string }>(
    database,
    'SELECT id, revision, doc FROM families',
  )) {
    const read = FamilySchema.safeParse({ ...(JSON.parse(doc) as object), revision });
    if (!read.success) throw unfit(`the family ${id} cannot be read`);
  }
  requireColumn(database, 'held_listings', 'listing', ListingSchema);
  requireColumn(database, 'dispatch_lines', 'listing', ListingSchema);
  requireColumn(database, 'unconfirmed_listings', 'listing', ListingSchema);
  requireColumn(database, 'pictures', 'facts', PictureFactsSchema);
  requireColumn(database, 'channels', 'rulebook', RulebookSchema);
  requireColumn(database, 'editions', 'rulebook', RulebookSchema);
}

function requireColumn(database: Database, table: string, column: string, shape: z.ZodType): void {
  for (const { doc } of each<{ doc: string }>(
    database,
    `SELECT ${column} AS doc FROM ${table} WHERE ${column} IS NOT NULL AND ${column} <> 'null'`,
  ))
    if (!shape.safeParse(JSON.parse(doc)).success) throw unfit(`what stands in ${table} cannot be read`);
}

const each = <T>({ $client }: Database, query: string): IterableIterator<T> => $client.prepare<[], T>(query).iterate();

/** Files that came in are not in a backup, and what was on its way to a channel has another end by now. */
function endWork(database: Database): void {
  const outcome = 'ended when the data was brought back';
  database
    .update(schema.dispatchLines)
    .set({ state: 'stopped', outcome })
    .where(inArray(schema.dispatchLines.state, ['queued', 'sent']))
    .run();
  database.run(sql`UPDATE dispatches SET state = 'stopped', notice = NULL WHERE state = 'running'`);
  database.run(
    sql`UPDATE jobs SET state = 'failed', notice = ${outcome} WHERE state = 'running' AND kind <> 'recheck'`,
  );
  database.run(sql`DELETE FROM unconfirmed_listings`);
  const accounts = readCatalogue(database).accounts.map((account) => account.id);
  markUnread(database, accounts, 'the data was brought back from an earlier time');
}

function countsOf(database: Database): Counts {
  const { families, children } = database.get<{ families: number; children: number }>(
    sql`SELECT count(*) AS families, coalesce(sum(children), 0) AS children FROM families`,
  );
  const { pictures } = database.get<{ pictures: number }>(sql`SELECT count(*) AS pictures FROM pictures`);
  return { families, children, pictures };
}
