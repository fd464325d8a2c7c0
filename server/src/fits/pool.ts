/** Worker threads for fits, so that no request waits for a planner. */
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import type { PriceTrial, Remedies, RulesMeaning } from '@loom-kin/contract';
import type { Account, Rulebook } from '@loom-kin/core';
import { Piscina } from 'piscina';
import { FIT_WORKER } from '../folders';
import { DATABASE_FILE } from '../store/database';
import type { Store } from '../store/store';
import type { Kind } from './remedies';
import type { FamilyOfferings, FamilyStandings, Task, WorkerSettings } from './worker';

export interface FitPool {
  standings(familyIds: string[]): Promise<FamilyStandings[]>;
  offerings(familyId: string, accountIds: string[]): Promise<FamilyOfferings>;
  /** What other rules of a channel would mean for families. */
  meaning(familyIds: string[], rulebook: Rulebook): Promise<RulesMeaning>;
  /** What would mend a kind of finding in families. */
  remedies(familyIds: string[], kind: Kind): Promise<Remedies>;
  /** What an account, set up otherwise, would make of the prices of families. */
  prices(familyIds: string[], account: Account): Promise<PriceTrial>;
  close(): Promise<void>;
}

export function createFitPool(store: Store): FitPool {
  const workerData: WorkerSettings = { databaseFile: join(store.dataFolder, DATABASE_FILE) };
  const pool = new Piscina({
    ...FIT_WORKER,
    workerData,
    maxThreads: Math.max(1, availableParallelism() - 1),
    minThreads: 1,
    idleTimeout: 60_000,
  });
  const run = (task: Task) => pool.run(task) as Promise<unknown>;
  return {
    standings: (familyIds) =>
      run({ do: 'standings', familyIds, version: store.version() }) as Promise<FamilyStandings[]>,
    offerings: (familyId, accountIds) =>
      run({ do: 'offerings', familyId, accountIds, version: store.version() }) as Promise<FamilyOfferings>,
    meaning: (familyIds, rulebook) =>
      run({ do: 'meaning', familyIds, rulebook, version: store.version() }) as Promise<RulesMeaning>,
    remedies: (familyIds, kind) =>
      run({ do: 'remedies', familyIds, kind, version: store.version() }) as Promise<Remedies>,
    prices: (familyIds, account) =>
      run({ do: 'prices', familyIds, account, version: store.version() }) as Promise<PriceTrial>,
    close: () => pool.destroy(),
  };
}
