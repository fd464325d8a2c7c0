/** A backup that is brought back: looked at whole, and laid ready beside the data, which is not touched yet. */
import { createWriteStream, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import { text } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { Refusal } from '@loom-kin/core/refusal';
import { BACKUP_DATABASE, BACKUP_NOTE, BackupNoteSchema, PICTURE_PATH, type BackupNote } from './shape';
import { layReady, restoringFolder } from './restore';
import { digestOf, tryOut, Unfit } from './tryOut';

const MEGABYTE = 1024 * 1024;
const NOTE_AT_MOST = MEGABYTE;
const DATABASE_AT_MOST = 8000 * MEGABYTE;
const UNPACKED_AT_MOST = 60_000 * MEGABYTE;

/**
 * Unpacks a backup, tries it out and lays it ready: it takes the place of the data when the server starts next. Throws a Refusal, with
 * nothing left behind, where the file is no backup, is cut off or not whole, is newer than this program, or holds what the program could
 * not work with. Runs in a worker thread.
 */
export async function readBackup(file: string, fileName: string, dataFolder: string): Promise<BackupNote> {
  const folder = restoringFolder(dataFolder);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(join(folder, 'pictures'), { recursive: true, mode: 0o700 });
  try {
    const note = await unpackInto(file, fileName, folder);
    const path = join(folder, BACKUP_DATABASE);
    if (note.digest && note.digest !== (await digestOf(path)))
      throw new Refusal('backup.unfit', { file: fileName, why: 'its database was changed after it was taken' });
    const counts = tryOut(path, dataFolder);
    const pictures = readdirSync(join(folder, 'pictures')).filter((name) => !name.includes('.small.')).length;
    if (counts.families !== note.families || counts.children !== note.children || pictures !== note.pictures)
      throw new Refusal('backup.unfit', { file: fileName, why: 'it does not hold as much as it says' });
    layReady(dataFolder);
    return note;
  } catch (error) {
    rmSync(folder, { recursive: true, force: true });
    if (error instanceof Refusal) throw error;
    if (error instanceof Unfit)
      throw error.isNewer
        ? new Refusal('backup.newer', { file: fileName })
        : new Refusal('backup.unfit', { file: fileName, why: error.message });
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
