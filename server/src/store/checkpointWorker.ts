/**
 * A worker thread that brings what was written to the log of the database into its file (https://sqlite.org/wal.html, "Checkpointing").
 * It can take most of a second where much was written, and whoever writes next would have to do it: here nobody waits.
 */
import { statSync } from 'node:fs';
import Sqlite from 'better-sqlite3';
import { workerData } from 'piscina';
import { yieldToRequests } from '../threads/lowPriority';

export interface CheckpointSettings {
  databaseFile: string;
}

/** The log is brought into the file from so many bytes on. */
const FROM = 4_000_000;
/**
 * From so many pages on the log is emptied: whoever reads looks through all of it, and while somebody always reads SQLite never begins it
 * anew by itself.
 */
const EMPTIED_FROM = 4000;
/** Bytes from which on the file of the log is large. */
const LARGE = 100_000_000;
/** So many pages of the log are brought into the file while it is emptied, when whoever wants to write waits. */
const PAGES_AT_ONCE = 500;
/** Whoever wants to write waits so long at most for those who read the log, in milliseconds. Then it is tried again. */
const WAITS = 30;

yieldToRequests();
const { databaseFile } = workerData as CheckpointSettings;
const client = new Sqlite(databaseFile, { timeout: WAITS });

/** Looks at the log, and does what is to be done. */
export default function checkpoint(): void {
  const size = statSync(`${databaseFile}-wal`, { throwIfNoEntry: false })?.size ?? 0;
  if (size < FROM) return;
  try {
    // It takes what it can without holding anybody up.
    const [taken] = client.pragma('wal_checkpoint(PASSIVE)') as { log: number; checkpointed: number }[];
    const { log, checkpointed } = taken!;
    if (log < EMPTIED_FROM || log - checkpointed > PAGES_AT_ONCE) return;
    // Giving a large file back to the disk takes seconds: it is written over from its beginning instead.
    client.pragma(size > LARGE ? 'wal_checkpoint(RESTART)' : 'wal_checkpoint(TRUNCATE)');
  } catch {
    // A full disk, say: what is in the log is safe there, and it is tried again.
  }
}
