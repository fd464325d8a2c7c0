/**
 * A worker thread that brings what was written to the log of the database into its file (https://sqlite.org/wal.html, "Checkpointing").
 * It can take most of a second where much was written, and whoever writes next would have to do it: here nobody waits.
 */
import { statSync } from 'node:fs';
import { workerData } from 'node:worker_threads';
import Sqlite from 'better-sqlite3';
import { yieldToRequests } from '../threads/lowPriority';

export interface CheckpointSettings {
  databaseFile: string;
}

/** It is looked after so often, in milliseconds, and begun from so many bytes on. */
const EVERY = 250;
const FROM = 4_000_000;

yieldToRequests();
const { databaseFile } = workerData as CheckpointSettings;
const client = new Sqlite(databaseFile);

function logSize(): number {
  return statSync(`${databaseFile}-wal`, { throwIfNoEntry: false })?.size ?? 0;
}

setInterval(() => {
  if (logSize() < FROM) return;
  try {
    // Passive: it takes what it can without holding anybody up.
    client.pragma('wal_checkpoint(PASSIVE)');
  } catch {
    // A full disk, say: what is in the log is safe there, and it is tried again.
  }
}, EVERY);
