/**
 * A backup that was laid ready takes the place of the data before the store is opened. What was there is kept beside it. Each step can be
 * done again: a process that ends in the middle is gone on with at the next start.
 */
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { BACKUP_DATABASE } from './shape';

export const restoringFolder = (dataFolder: string): string => join(dataFolder, 'restoring');
const readyFile = (dataFolder: string) => join(restoringFolder(dataFolder), 'ready');

/** Marks what lies ready as whole, and says where what is there now will be kept. */
export function layReady(dataFolder: string): void {
  const kept = `before-${new Date().toISOString().replace(/[:.]/g, '-')}`;
  writeFileSync(readyFile(dataFolder), kept);
}

/** Whether a backup waits to take the place of the data. */
const isLaidReady = (dataFolder: string): boolean => existsSync(readyFile(dataFolder));

/** What takes the place of what: while it still lies ready, what is there is of before. */
const PLACES = {
  [BACKUP_DATABASE]: [BACKUP_DATABASE, `${BACKUP_DATABASE}-wal`, `${BACKUP_DATABASE}-shm`],
  pictures: ['pictures'],
};

/** Puts it in place, if there is one. The folder of data must be this process's alone. */
export function finishRestore(dataFolder: string): void {
  if (!isLaidReady(dataFolder)) {
    // Half of one that never came to its end.
    rmSync(restoringFolder(dataFolder), { recursive: true, force: true });
    return;
  }
  const kept = join(dataFolder, readFileSync(readyFile(dataFolder), 'utf8'));
  mkdirSync(kept, { recursive: true, mode: 0o700 });
  for (const [name, old] of Object.entries(PLACES)) {
    const ready = join(restoringFolder(dataFolder), name);
    if (!existsSync(ready)) continue;
    for (const one of old) if (existsSync(join(dataFolder, one))) renameSync(join(dataFolder, one), join(kept, one));
    renameSync(ready, join(dataFolder, name));
  }
  rmSync(restoringFolder(dataFolder), { recursive: true, force: true });
}
