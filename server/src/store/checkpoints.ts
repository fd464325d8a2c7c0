/** Has a thread bring what was written into the file of the database, so that no request does it. */
import { Piscina } from 'piscina';
import type { Logger } from 'pino';
import { CHECKPOINT_WORKER } from '../folders/folders';
import type { CheckpointSettings } from './checkpointWorker';
import type { Database } from './database';

/** The thread looks at the log so often, in milliseconds. */
const EVERY = 250;

/** Leaves checkpoints of what a connection writes to the thread. */
export function leaveCheckpoints(database: Database): void {
  database.$client.pragma('wal_autocheckpoint = 0');
}

/** Begins it for a database that is open; `close` ends it, before the database is closed. */
export function startCheckpoints(database: Database, databaseFile: string, log: Logger): { close(): Promise<void> } {
  const workerData: CheckpointSettings = { databaseFile };
  const pool = new Piscina({ ...CHECKPOINT_WORKER, workerData, minThreads: 1, maxThreads: 1 });
  leaveCheckpoints(database);
  let working: Promise<void> | null = null;
  const timer = setInterval(() => {
    working ??= pool.run(undefined).then(
      () => void (working = null),
      (error: unknown) => {
        clearInterval(timer);
        log.error({ err: error }, 'the thread for checkpoints ended');
        database.$client.pragma('wal_autocheckpoint = 1000');
      },
    );
  }, EVERY);
  return {
    async close() {
      clearInterval(timer);
      await working;
      await pool.destroy();
    },
  };
}
