/**
 * Opening the database: WAL, foreign keys, full sync so that an accepted change survives a crash, migrations, search.
 */
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import Sqlite from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { MIGRATIONS } from '../folders';
import * as schema from './schema';

export type Database = BetterSQLite3Database<typeof schema> & { $client: Sqlite.Database };

/** Opens (or creates) the database file and brings it up to date. */
export function openDatabase(file: string, migrations = MIGRATIONS): Database {
  mkdirSync(dirname(file), { recursive: true });
  const client = new Sqlite(file);
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.pragma('foreign_keys = ON');
  client.pragma('busy_timeout = 5000');
  client.pragma('cache_size = -65536');
  const database = drizzle(client, { schema, casing: 'snake_case' }) as Database;
  migrate(database, { migrationsFolder: migrations });
  // Trigrams find any part of a name, style code, SKU or GTIN. Virtual tables are beyond the migration tool.
  client.exec(
    'CREATE VIRTUAL TABLE IF NOT EXISTS family_search USING fts5(family_id UNINDEXED, words, tokenize = "trigram")',
  );
  return database;
}

/**
 * Runs the work in one transaction, which is the connection's: whatever the work does through `database` is in it.
 * All of it or nothing.
 */
export function inTransaction<T>(database: Database, work: () => T): T {
  return database.transaction(work, { behavior: 'immediate' });
}
