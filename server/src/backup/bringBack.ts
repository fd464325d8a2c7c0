/** Data that a backup took the place of, brought back. Runs in a worker thread. */
import { copyFileSync, existsSync, linkSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Refusal } from '@loom-kin/core/refusal';
import { keptData, layReady, restoringFolder } from './restore';
import { BACKUP_DATABASE } from './shape';
import { tryOut, Unfit, type Counts } from './tryOut';

/**
 * Lays kept data ready, tried out like a backup: it takes the place of what is there when the server starts next. It stays where it is
 * kept as well.
 */
export function bringBack(name: string, dataFolder: string): Counts {
  const kept = join(dataFolder, name);
  if (!keptData(dataFolder).some((one) => one.name === name) || !existsSync(join(kept, BACKUP_DATABASE)))
    throw new Refusal('backup.not-kept', {});
  const folder = restoringFolder(dataFolder);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(join(folder, 'pictures'), { recursive: true, mode: 0o700 });
  try {
    for (const file of [BACKUP_DATABASE, `${BACKUP_DATABASE}-wal`])
      if (existsSync(join(kept, file))) copyFileSync(join(kept, file), join(folder, file));
    copyPictures(join(kept, 'pictures'), join(folder, 'pictures'));
    const counts = tryOut(join(folder, BACKUP_DATABASE), dataFolder);
    layReady(dataFolder);
    return counts;
  } catch (error) {
    rmSync(folder, { recursive: true, force: true });
    throw error instanceof Unfit ? new Refusal('backup.unfit', { file: name, why: error.message }) : error;
  }
}

/** Pictures never change, so that two folders may share them. */
function copyPictures(from: string, into: string): void {
  if (!existsSync(from)) return;
  for (const name of readdirSync(from)) {
    try {
      linkSync(join(from, name), join(into, name));
    } catch {
      copyFileSync(join(from, name), join(into, name));
    }
  }
}
