/**
 * A backup that was laid ready takes the place of the data before the store is opened. What was there is kept beside it. Each step can be
 * done again: a process that ends in the middle is gone on with at the next start. Until the server has started on the new data once,
 * that is on trial: where it cannot, what was there before comes back.
 */
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { BACKUP_DATABASE } from './shape';

export const restoringFolder = (dataFolder: string): string => join(dataFolder, 'restoring');
const readyFile = (dataFolder: string) => join(restoringFolder(dataFolder), 'ready');

const stamp = () => new Date().toISOString().replace(/[:.]/g, '-');

/** Marks what lies ready as whole, and says where what is there now will be kept. */
export function layReady(dataFolder: string): void {
  writeFileSync(readyFile(dataFolder), `before-${stamp()}`);
}

/** Whether a backup waits to take the place of the data. */
const isLaidReady = (dataFolder: string): boolean => existsSync(readyFile(dataFolder));

/** What takes the place of what: while it still lies ready, what is there is of before. */
const PLACES = {
  [BACKUP_DATABASE]: [BACKUP_DATABASE, `${BACKUP_DATABASE}-wal`, `${BACKUP_DATABASE}-shm`],
  pictures: ['pictures'],
};

/** Names the folder of the data of before, as long as the server has not started on the new data. */
const trialFile = (dataFolder: string) => join(dataFolder, 'on-trial');

/** Puts it in place, if there is one. The folder of data must be this process's alone. */
export function finishRestore(dataFolder: string): void {
  if (!isLaidReady(dataFolder)) {
    // Half of one that never came to its end.
    rmSync(restoringFolder(dataFolder), { recursive: true, force: true });
    return;
  }
  const name = readFileSync(readyFile(dataFolder), 'utf8');
  const kept = join(dataFolder, name);
  mkdirSync(kept, { recursive: true, mode: 0o700 });
  for (const [part, old] of Object.entries(PLACES)) {
    const ready = join(restoringFolder(dataFolder), part);
    if (!existsSync(ready)) continue;
    for (const one of old) if (existsSync(join(dataFolder, one))) renameSync(join(dataFolder, one), join(kept, one));
    renameSync(ready, join(dataFolder, part));
  }
  writeFileSync(trialFile(dataFolder), name);
  rmSync(restoringFolder(dataFolder), { recursive: true, force: true });
}

/** The server has started: the data of before is kept, and not needed. */
export function passTrial(dataFolder: string): void {
  rmSync(trialFile(dataFolder), { force: true });
}

/**
 * Brings the data of before back where the server could not start on what took its place, which is kept beside it under another name.
 * @returns whether there was any
 */
export function rollBack(dataFolder: string): boolean {
  if (!existsSync(trialFile(dataFolder))) return false;
  const kept = join(dataFolder, readFileSync(trialFile(dataFolder), 'utf8'));
  if (!existsSync(join(kept, BACKUP_DATABASE))) return false;
  const failed = join(dataFolder, `failed-${stamp()}`);
  mkdirSync(failed, { recursive: true, mode: 0o700 });
  for (const one of Object.values(PLACES).flat()) {
    if (existsSync(join(dataFolder, one))) renameSync(join(dataFolder, one), join(failed, one));
    if (existsSync(join(kept, one))) renameSync(join(kept, one), join(dataFolder, one));
  }
  rmSync(kept, { recursive: true, force: true });
  passTrial(dataFolder);
  return true;
}

/** So long the data of before is kept, in days; the newest always is. */
export const DAYS_KEPT = 30;
const DAY = 86_400_000;
const KEPT_NAME = /^(before|failed)-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z$/;

export interface KeptData {
  /** The name of its folder. */
  name: string;
  /** When something else took its place, as ISO 8601 in UTC. */
  at: string;
}

/** Data that something else took the place of, the newest first. */
export function keptData(dataFolder: string): KeptData[] {
  return readdirSync(dataFolder)
    .flatMap((name) => {
      const [, , day, hour, minute, second, part] = KEPT_NAME.exec(name) ?? [];
      return day ? [{ name, at: `${day}T${hour}:${minute}:${second}.${part}Z` }] : [];
    })
    .toSorted((a, b) => b.at.localeCompare(a.at));
}

/** Forgets data of before that is older than it is kept. */
export function forgetOldData(dataFolder: string, now = Date.now()): void {
  for (const { name, at } of keptData(dataFolder).slice(1))
    if (now - Date.parse(at) > DAYS_KEPT * DAY) rmSync(join(dataFolder, name), { recursive: true, force: true });
}
