/** Opening the database: alone, WAL, foreign keys, full sync so that an accepted change survives a crash, migrations. */
import { accessSync, constants, existsSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { MIGRATIONS } from '../folders/folders';
import * as schema from './schema';

export type Database = BetterSQLite3Database<typeof schema> & { $client: Sqlite.Database };

/** The data cannot be worked on here; the message says why, and the way out. */
export class DataUnavailable extends Error {}
/** Somebody else has the data open. */
export class DataInUse extends DataUnavailable {}

/** Each change waits until the disk has it, so that it survives a crash of the machine (https://sqlite.org/pragma.html#pragma_synchronous). */
const WAITS_FOR_THE_DISK = 'synchronous = FULL';
/** What was written last can be lost with such a crash, all of a transaction or nothing. */
const WAITS_FOR_NOTHING = 'synchronous = NORMAL';

/** Opens (or creates) the database file and brings it up to date. */
export function openDatabase(file: string, migrations = MIGRATIONS): Database {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const client = new Sqlite(file);
  client.pragma('journal_mode = WAL');
  client.pragma(WAITS_FOR_THE_DISK);
  client.pragma('foreign_keys = ON');
  client.pragma('busy_timeout = 5000');
  client.pragma('cache_size = -65536');
  const database = drizzle(client, { schema, casing: 'snake_case' }) as Database;
  migrate(database, { migrationsFolder: migrations });
  return database;
}

/** Opens the database for reading alone, beside the server that writes it. */
export function readDatabase(file: string): Database {
  const client = new Sqlite(file, { readonly: true });
  client.pragma('busy_timeout = 5000');
  return drizzle(client, { schema, casing: 'snake_case' }) as Database;
}

/**
 * Takes a data folder for one process. The lock is a transaction that stays open on a file beside the data, so that it ends with
 * the process, however that ends. Throws `DataInUse` where another process has it, `DataUnavailable` where it cannot be written.
 */
export function lockData(folder: string): { release(): void } {
  requireWritable(folder);
  const client = new Sqlite(`${folder}/in-use.lock`, { timeout: 0 });
  try {
    client.exec('BEGIN EXCLUSIVE');
  } catch {
    client.close();
    throw new DataInUse(`Another server works on ${folder}. End it first, or start this one on another folder.`);
  }
  try {
    requireNobodyElse(folder);
  } catch (error) {
    client.close();
    throw error;
  }
  return { release: () => client.close() };
}

/** Why a folder cannot be written, by the code of the operating system (POSIX.1-2017, errno.h). */
const WHY_NOT: ReadonlyMap<string, string> = new Map([
  ['EROFS', 'its disk is read-only'],
  ['EACCES', 'this user has no right to'],
  ['EPERM', 'this user has no right to'],
  ['ENOTDIR', 'a part of its path is a file'],
  ['EEXIST', 'there is a file of that name'],
  ['ENOSPC', 'there is no space left on its disk'],
]);

function requireWritable(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    accessSync(folder, constants.R_OK | constants.W_OK | constants.X_OK);
  } catch (error) {
    const { code = '', message } = error as NodeJS.ErrnoException;
    throw new DataUnavailable(
      `The data folder ${folder} cannot be written: ${WHY_NOT.get(code) ?? message}. Make it writable for this user, or name another folder in LOOM_KIN_DATA.`,
    );
  }
}

/** Whoever has the database open is noticed even where the lock file was deleted: it cannot be had exclusively then. */
function requireNobodyElse(folder: string): void {
  const file = join(folder, DATABASE_FILE);
  if (!existsSync(file)) return;
  const client = new Sqlite(file, { timeout: 0 });
  try {
    client.pragma('locking_mode = EXCLUSIVE');
    client.exec('BEGIN EXCLUSIVE; ROLLBACK');
  } catch (error) {
    if ((error as { code?: string }).code?.startsWith('SQLITE_BUSY'))
      throw new DataInUse(`Another server works on ${folder}. End it first, or start this one on another folder.`);
    throw error;
  } finally {
    client.close();
  }
}

/** The name of the database in a data folder. */
export const DATABASE_FILE = 'loom-kin.db';

/** Runs the work in one transaction, which is the connection's: whatever the work does through `database` is in it. All of it or nothing. */
export function inTransaction<T>(database: Database, work: () => T): T {
  return database.transaction(work, { behavior: 'immediate' });
}

/** The same for what can be worked out again: nobody waits until the disk has it. */
export function inLossyTransaction<T>(database: Database, work: () => T): T {
  database.$client.pragma(WAITS_FOR_NOTHING);
  try {
    return inTransaction(database, work);
  } finally {
    database.$client.pragma(WAITS_FOR_THE_DISK);
  }
}
