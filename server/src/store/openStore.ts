/** Opening the store. */
import { join } from 'node:path';
import { setImmediate } from 'node:timers/promises';
import { readCatalogue, type Catalogue } from './readCatalogue';
import { ensureSearch } from './searchWords';
import { createServerEvents } from './serverEvents';
import { DATABASE_FILE, inTransaction, openDatabase, type Database } from './database';
import type { Store } from './store';

/** Opens the store of a data folder. */
export function openStore(dataFolder: string): Store {
  return storeOf(openDatabase(join(dataFolder, DATABASE_FILE)), dataFolder);
}

/** A store over a database that is open. */
export function storeOf(database: Database, dataFolder: string): Store {
  let catalogue: Catalogue | null = null;
  let version = 1;
  let busy: Promise<unknown> | null = null;
  const store: Store = {
    database,
    dataFolder,
    catalogue: () => (catalogue ??= readCatalogue(database)),
    forgetCatalogue() {
      catalogue = null;
      version += 1;
    },
    version: () => version,
    async whenQuiet(work) {
      while (busy) {
        await busy.catch(() => undefined);
        // Who comes next in line may have begun something long by then.
        await setImmediate();
      }
      return work();
    },
    transactionWhenQuiet: (work) => store.whenQuiet(() => inTransaction(database, work)),
    busyUntil(work) {
      const mine = work.finally(() => {
        if (busy === mine) busy = null;
      });
      busy = mine;
      mine.catch(() => undefined);
    },
    events: createServerEvents(),
    close: () => database.$client.close(),
  };
  ensureSearch(store);
  return store;
}
