/** A worker thread that computes fits: it reads the database beside the server and never writes it. */
import type { PriceTrial, Remedies, RulesMeaning } from '@loom-kin/contract';
import type { Account } from '@loom-kin/core/catalogue';
import type { Rulebook } from '@loom-kin/core/rulebook';
import { workerData } from 'piscina';
import { readCatalogue, type Catalogue } from '../store/readCatalogue';
import { hasFamily } from '../store/loadFamily';
import { readDatabase } from '../store/database';
import { meaningOf } from './meaning';
import { priceTrialOf } from './priceTrial';
import { remediesOf, type Kind } from './remedies';
import { offeringsOf, standingsOf, type Offering, type Standing } from './compute';
import { yieldToRequests } from '../threads/lowPriority';

yieldToRequests();

export interface WorkerSettings {
  databaseFile: string;
}

/** `version` counts the changes of what holds for all families: a new one is read anew. */
export type Task =
  | { do: 'standings'; families: DueFamily[]; version: number }
  | { do: 'offerings'; familyId: string; accountIds: string[]; version: number }
  | { do: 'remedies'; familyIds: string[]; kind: Kind; version: number }
  | { do: 'meaning'; familyIds: string[]; rulebook: Rulebook; version: number }
  | { do: 'prices'; familyIds: string[]; account: Account; version: number };

/** A family and its turn of the due list, as it was when the version of the task was. */
export interface DueFamily {
  familyId: string;
  turn: number;
}

export interface FamilyStandings extends DueFamily {
  standings: Standing[];
}
export interface FamilyOfferings {
  revision: number;
  offerings: Offering[];
}

const database = readDatabase((workerData as WorkerSettings).databaseFile);
let known: { version: number; catalogue: Catalogue } | null = null;

function catalogueAt(version: number): Catalogue {
  if (known?.version !== version) known = { version, catalogue: readCatalogue(database) };
  return known.catalogue;
}

type Answer = FamilyStandings[] | FamilyOfferings | RulesMeaning | Remedies | PriceTrial;

export default function work(task: Task): Answer {
  const catalogue = catalogueAt(task.version);
  // One picture of the data for the whole task.
  return database.transaction((): Answer => {
    if (task.do === 'remedies') return remediesOf(database, catalogue, task.familyIds, task.kind);
    if (task.do === 'meaning') return meaningOf(database, catalogue, task.familyIds, task.rulebook);
    if (task.do === 'prices') return priceTrialOf(database, catalogue, task.familyIds, task.account);
    if (task.do === 'offerings') return offeringsOf(database, catalogue, task.familyId, task.accountIds);
    // The turn is the one that was given with the version: read here it could be of a change that the catalogue known here is without.
    return task.families
      .filter(({ familyId }) => hasFamily(database, familyId))
      .map((one) => ({ ...one, standings: standingsOf(database, catalogue, one.familyId) }));
  });
}
