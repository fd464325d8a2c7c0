/** Worker threads for fits, so that no request waits for a planner. */
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import type { PriceTrial, Remedies, RulesMeaning } from '@loom-kin/contract';
import type { Account } from '@loom-kin/core/catalogue';
import type { Rulebook } from '@loom-kin/core/rulebook';
import { Piscina } from 'piscina';
import { FIT_WORKER } from '../folders/folders';
import { DATABASE_FILE } from '../store/database';
import type { Store } from '../store/store';
import { createLanes, type Urgency } from './lanes';
import type { Kind } from './remedies';
import type { DueFamily, FamilyOfferings, FamilyStandings, Task, WorkerSettings } from './worker';

export interface FitPool {
  /** How many tasks are worked on at the same time. */
  readonly width: number;
  /** How families stand; those that nobody just changed are behind everything else. */
  standings(families: DueFamily[], isBehind: boolean): Promise<FamilyStandings[]>;
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
  const width = availableParallelism();
  const pool = new Piscina({ ...FIT_WORKER, workerData, maxThreads: width, minThreads: 1, idleTimeout: 60_000 });
  const lanes = createLanes<unknown>(width);
  const run = (task: Task, urgency: Urgency = 'asked') => lanes.run(urgency, () => pool.run(task));
  return {
    width,
    standings: (families, isBehind) =>
      run({ do: 'standings', families, version: store.version() }, isBehind ? 'behind' : 'typed') as Promise<
        FamilyStandings[]
      >,
    offerings: (familyId, accountIds) =>
      run({ do: 'offerings', familyId, accountIds, version: store.version() }, 'typed') as Promise<FamilyOfferings>,
    meaning: (familyIds, rulebook) =>
      run({ do: 'meaning', familyIds, rulebook, version: store.version() }) as Promise<RulesMeaning>,
    remedies: (familyIds, kind) =>
      run({ do: 'remedies', familyIds, kind, version: store.version() }) as Promise<Remedies>,
    prices: (familyIds, account) =>
      run({ do: 'prices', familyIds, account, version: store.version() }) as Promise<PriceTrial>,
    close: () => pool.destroy(),
  };
}
