/** Makes changes one after another: those of large families in a thread of their own, so that nobody else waits while they are stored. */
import type { ChangeDone } from '@loom-kin/contract';
import { setImmediate } from 'node:timers/promises';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { WRITE_WORKER } from '../folders/folders';
import type { Store } from '../store/store';
import { heard, type Told } from '../threads/told';
import { doWrite, isLong, type WriteTask } from './task';
import type { TellProgress } from './runChange';
import type { WriteWork, Written, WriteWorkerSettings } from './worker';

export interface Writer {
  /** Makes a change; throws a Refusal where it cannot be made. `tell` hears how far a list is stored. */
  write(task: WriteTask, tell?: TellProgress): Promise<ChangeDone>;
  close(): Promise<void>;
}

export function createWriter(store: Store): Writer {
  const workerData: WriteWorkerSettings = { dataFolder: store.dataFolder };
  const pool = new Piscina({ ...WRITE_WORKER, workerData, minThreads: 0, maxThreads: 1, idleTimeout: 60_000 });

  async function writeBeside(task: WriteTask, tell?: TellProgress): Promise<ChangeDone> {
    const { port1, port2 } = new MessageChannel();
    port1.on('message', ({ done, total }: { done: number; total: number }) => tell?.(done, total));
    const work: WriteWork = { task, port: port2 };
    const answer = (pool.run(work, { transferList: [port2] }) as Promise<Told<Written>>).finally(() => port1.close());
    store.busyUntil(answer);
    const { done, events, isForAll } = heard(await answer);
    if (isForAll) store.forgetCatalogue();
    for (const event of events) store.events.emit(event);
    return done;
  }

  /** The last change in line. */
  let last: Promise<unknown> = Promise.resolve();
  function write(task: WriteTask, tell?: TellProgress): Promise<ChangeDone> {
    const mine = last.then(() => (isLong(store.database, task) ? writeBeside(task, tell) : doWrite(store, task)));
    // Those who only read have their turn between two changes.
    last = mine.catch(() => undefined).then(() => setImmediate());
    return mine;
  }
  return {
    write,
    async close() {
      await last;
      await pool.destroy();
    },
  };
}
