/** Has a thread bring what was written into the file of the database, so that no request does it. */
import { Worker } from 'node:worker_threads';
import type { Logger } from 'pino';
import { CHECKPOINT_WORKER } from '../folders/folders';
import type { CheckpointSettings } from './checkpointWorker';
import type { Database } from './database';

/** Pages of the log from which on the server's own connection checkpoints after all: the thread does not keep up then. */
const PAGES_AT_MOST = 50_000;

/** Begins it for a database that is open; `close` ends it, before the database is closed. */
export function startCheckpoints(database: Database, databaseFile: string, log: Logger): { close(): Promise<void> } {
  const { filename, ...options } = CHECKPOINT_WORKER;
  const workerData: CheckpointSettings = { databaseFile };
  const worker = new Worker(filename, { ...options, workerData });
  worker.on('error', (error) => {
    log.error({ err: error }, 'the thread for checkpoints ended');
    database.$client.pragma('wal_autocheckpoint = 1000');
  });
  database.$client.pragma(`wal_autocheckpoint = ${PAGES_AT_MOST}`);
  return { close: async () => void (await worker.terminate()) };
}
