/** A worker thread that makes changes of large families: it writes the same database as the server, and tells what is to be told. */
import { join } from 'node:path';
import type { MessagePort } from 'node:worker_threads';
import type { ChangeDone, ServerEvent } from '@loom-kin/contract';
import { workerData } from 'piscina';
import { leaveCheckpoints } from '../store/checkpoints';
import { DATABASE_FILE, openDatabase } from '../store/database';
import { storeOf } from '../store/openStore';
import { telling, type Told } from '../threads/told';
import { doWrite, type WriteTask } from './task';

export interface WriteWorkerSettings {
  dataFolder: string;
}

/** A task, and where it is told how far it is. */
export interface WriteWork {
  task: WriteTask;
  port: MessagePort;
}

export interface Written {
  done: ChangeDone;
  /** What the open pages are to be told. */
  events: ServerEvent[];
  /** Something that holds for all families was changed with it. */
  isForAll: boolean;
}

const { dataFolder } = workerData as WriteWorkerSettings;
const database = openDatabase(join(dataFolder, DATABASE_FILE));
leaveCheckpoints(database);
const store = storeOf(database, dataFolder);

export default function work({ task, port }: WriteWork): Promise<Told<Written>> {
  // The server may have changed it meanwhile.
  store.forgetCatalogue();
  const events: ServerEvent[] = [];
  const unsubscribe = store.events.subscribe((event) => events.push(event));
  const before = store.version();
  return telling(() => {
    try {
      const done = doWrite(store, task, (some, total) => port.postMessage({ done: some, total }));
      return { done, events, isForAll: store.version() !== before };
    } finally {
      unsubscribe();
    }
  });
}
