/** Writing a backup: the database as it is at one moment, and every picture. Runs in a worker thread. */
import { createWriteStream, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { finished } from 'node:stream/promises';
import Sqlite from 'better-sqlite3';
import { ZipFile } from 'yazl';
import type { Database } from '../store/database';
import { digestOf } from './tryOut';
import { BACKUP_DATABASE, BACKUP_NOTE, PICTURE_PATH, type BackupNote } from './shape';

/** Writes the archive; the data may change meanwhile. */
export async function writeBackup(database: Database, path: string, pictureFolder: string): Promise<void> {
  const folder = mkdtempSync(join(dirname(path), 'backup-'));
  try {
    const copy = join(folder, BACKUP_DATABASE);
    database.$client.prepare('VACUUM INTO ?').run(copy);
    forgetWritten(copy);
    const names = existsSync(pictureFolder)
      ? readdirSync(pictureFolder).filter((name) => PICTURE_PATH.test(`pictures/${name}`))
      : [];
    const zip = new ZipFile();
    const note = noteOf(copy, names.filter((name) => !name.includes('.small.')).length);
    zip.addBuffer(Buffer.from(JSON.stringify({ ...note, digest: await digestOf(copy) })), BACKUP_NOTE);
    zip.addFile(copy, BACKUP_DATABASE);
    for (const name of names) zip.addFile(join(pictureFolder, name), `pictures/${name}`, { compress: false });
    zip.end();
    const file = createWriteStream(path, { mode: 0o600 });
    zip.outputStream.pipe(file);
    await finished(file);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Files that were written lie elsewhere, and this backup is one of them: where it is brought back nobody waits for them. */
function forgetWritten(copy: string): void {
  const there = new Sqlite(copy);
  there.prepare("DELETE FROM jobs WHERE kind = 'export'").run();
  there.close();
}

/** What the copy holds: the data may have changed since. */
function noteOf(copy: string, pictures: number): BackupNote {
  const there = new Sqlite(copy, { readonly: true });
  const { families, children, migrations } = there
    .prepare<[], { families: number; children: number; migrations: number }>(
      `SELECT count(*) AS families, coalesce(sum(children), 0) AS children,
        (SELECT count(*) FROM __drizzle_migrations) AS migrations FROM families`,
    )
    .get()!;
  there.close();
  return {
    format: 'loom-kin/backup',
    version: 1,
    madeAt: new Date().toISOString(),
    families,
    children,
    pictures,
    migrations,
  };
}
