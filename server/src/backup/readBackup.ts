/** A backup that is brought back: looked at whole, and laid ready beside the data, which is not touched yet. */
import { createWriteStream, mkdirSync, rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import { text } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import Sqlite from 'better-sqlite3';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { Refusal } from '@loom-kin/core';
import { BACKUP_DATABASE, BACKUP_NOTE, BackupNoteSchema, PICTURE_PATH, type BackupNote } from './shape';
import { layReady, restoringFolder } from './restore';

const MEGABYTE = 1024 * 1024;
const NOTE_AT_MOST = MEGABYTE;
const DATABASE_AT_MOST = 8000 * MEGABYTE;
const UNPACKED_AT_MOST = 60_000 * MEGABYTE;

/**
 * Unpacks a backup and lays it ready: it takes the place of the data when the server starts next. Throws a Refusal, with nothing left behind,
 * where the file is no backup, is cut off, or is newer than this program.
 * @param migrations how many changes of tables this program knows
 */
export async function readBackup(
  file: string,
  fileName: string,
  dataFolder: string,
  migrations: number,
): Promise<BackupNote> {
  const folder = restoringFolder(dataFolder);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(join(folder, 'pictures'), { recursive: true, mode: 0o700 });
  try {
    const note = await unpackInto(file, fileName, folder);
    if (note.migrations > migrations) throw new Refusal('backup.newer', { file: fileName });
    mindDatabase(join(folder, BACKUP_DATABASE), fileName);
    layReady(dataFolder);
    return note;
  } catch (error) {
    rmSync(folder, { recursive: true, force: true });
    if (error instanceof Refusal) throw error;
    throw new Refusal('backup.broken', { file: fileName });
  }
}

async function unpackInto(file: string, fileName: string, folder: string): Promise<BackupNote> {
  const zip = await yauzl.openPromise(file, { lazyEntries: true });
  let note: BackupNote | null = null;
  let hasDatabase = false;
  let unpacked = 0;
  for await (const entry of zip.eachEntry()) {
    unpacked += entry.uncompressedSize;
    if (unpacked > UNPACKED_AT_MOST) throw new Refusal('backup.broken', { file: fileName });
    if (entry.fileName === BACKUP_NOTE) note = await noteIn(zip, entry, fileName);
    // What is no backup is known before anything large is unpacked.
    else if (!note) throw new Refusal('backup.none', { file: fileName });
    else if (entry.fileName === BACKUP_DATABASE && entry.uncompressedSize <= DATABASE_AT_MOST) {
      await put(zip, entry, join(folder, BACKUP_DATABASE));
      hasDatabase = true;
    } else if (PICTURE_PATH.test(entry.fileName))
      await put(zip, entry, join(folder, 'pictures', basename(entry.fileName)));
  }
  if (!note || !hasDatabase) throw new Refusal('backup.none', { file: fileName });
  return note;
}

async function noteIn(zip: ZipFile, entry: Entry, fileName: string): Promise<BackupNote> {
  if (entry.uncompressedSize > NOTE_AT_MOST) throw new Refusal('backup.none', { file: fileName });
  const read = BackupNoteSchema.safeParse(JSON.parse(await text(await zip.openReadStreamPromise(entry))));
  if (!read.success) throw new Refusal('backup.none', { file: fileName });
  return read.data;
}

const put = async (zip: ZipFile, entry: Entry, path: string) =>
  pipeline(await zip.openReadStreamPromise(entry), createWriteStream(path, { mode: 0o600 }));

/** The database is whole, and one of ours. */
function mindDatabase(path: string, fileName: string): void {
  const client = new Sqlite(path, { readonly: true });
  try {
    const isWhole = client.pragma('integrity_check', { simple: true }) === 'ok';
    const isOurs = client.prepare("SELECT 1 FROM sqlite_master WHERE name = 'families'").get() !== undefined;
    if (!isWhole || !isOurs) throw new Refusal('backup.broken', { file: fileName });
  } finally {
    client.close();
  }
}
