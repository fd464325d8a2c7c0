/** Makes changes one after another: those of large families in a thread of their own, so that nobody else waits while they are stored. */
import type { ChangeDone } from '@loom-kin/contract';
import { Piscina } from 'piscina';
import { WRITE_WORKER } from '../folders';
import type { Store } from '../store/store';
import { heard, type Told } from '../threads/told';
import { doWrite, isLong, type WriteTask } from './task';
import type { Written, WriteWorkerSettings } from './worker';

export interface Writer {
  /** Makes a change; throws a Refusal where it cannot be made. Null only where what was read of a file was overtaken. */
  write(task: Exclude<WriteTask, { do: 'take' | 'takeList' }>): Promise<ChangeDone>;
  write(task: WriteTask): Promise<ChangeDone | null>;
  close(): Promise<void>;
}

export function createWriter(store: Store): Writer {
  const workerData: WriteWorkerSettings = { dataFolder: store.dataFolder };
  const pool = new Piscina({ ...WRITE_WORKER, workerData, minThreads: 0, maxThreads: 1, idleTimeout: 60_000 });

  async function writeBeside(task: WriteTask): Promise<ChangeDone | null> {
    const answer = pool.run(task) as Promise<Told<Written>>;
    store.busyUntil(answer);
    const { done, events, isForAll } = heard(await answer);
    if (isForAll) store.forgetCatalogue();
    for (const event of events) store.bell.ring(event);
    return done;
  }

  /** The last change in line. */
  let last: Promise<unknown> = Promise.resolve();
  function write(task: WriteTask): Promise<ChangeDone | null> {
    const mine = last.then(() => (isLong(store.database, task) ? writeBeside(task) : doWrite(store, task)));
    last = mine.catch(() => undefined);
    return mine;
  }
  return {
    write: write as Writer['write'],
    async close() {
      await last;
      await pool.destroy();
    },
  };
}
