/** Fits of one family to accounts, from what the database holds. Runs in worker threads; a fault stops one account and nothing else. */
import { ZodError } from 'zod';
import { type Account, inItsCollections, sortedOf } from '@loom-kin/core/catalogue';
import { findingText } from '@loom-kin/core/descriptions';
import type { Family } from '@loom-kin/core/family';
import {
  type Finding,
  type Fit,
  type FitInput,
  type FitState,
  brokenFit,
  combinedPictures,
  computeWithContext,
  createPlannerMemory,
  projectListings,
} from '@loom-kin/core/fit';
import type { Listing } from '@loom-kin/core/listing';
import type { Combined } from '@loom-kin/core/pictures';
import { knownNumbersOf } from '../held/knownNumbers';
import { rulebookOf, type Catalogue } from '../store/readCatalogue';
import { heldOf, loadFamily } from '../store/loadFamily';
import { picturesIn } from '../pictures/pictureFacts';
import { loadStock, loadStockAt } from '../stock/ledger';
import type { Database } from '../store/database';

export interface FindingCount {
  code: string;
  key: string;
  severity: Finding['severity'];
  count: number;
  children: number;
}

/** How a family stands with one account, as lists show it. */
export interface Standing {
  account: string;
  state: FitState;
  stops: number;
  warns: number;
  findings: FindingCount[];
}

/** What a family would send to one account. */
export interface Offering {
  account: string;
  state: FitState;
  /** Fee of a new listing in the channel's currency. */
  listingFee: string;
  listings: Listing[];
  /** Pictures in them that are put together of several. */
  combined: Combined[];
  /** What stops it, in words. */
  stops: { text: string; childId: string | null; field: string }[];
}

type World = Omit<FitInput, 'rulebook' | 'account' | 'pairings' | 'categories' | 'live' | 'known'> & {
  held: ReturnType<typeof heldOf>;
  known: ReturnType<typeof knownNumbersOf>;
};

/** What all fits of a family read. */
export function worldOf(database: Database, catalogue: Catalogue, family: Family): World {
  const stock = loadStock(database, family.id);
  const stockAt = loadStockAt(database, family.id);
  const { registry, collections } = catalogue;
  return {
    family: inItsCollections(family, collections, () => sortedOf(family, stock), registry),
    stock,
    stockAt,
    pictures: picturesIn(database, family),
    held: heldOf(database, family.id),
    known: knownNumbersOf(database, family.id),
    seller: catalogue.seller,
    plansWanted: 1,
    memory: createPlannerMemory(),
  };
}

/** The fit of a family to one account; a fault stops that account alone. */
export function fitOn(
  catalogue: Catalogue,
  { held, known, ...world }: World,
  account: Account,
): ReturnType<typeof computeWithContext> {
  const rulebook = rulebookOf(catalogue, account);
  if (!rulebook) return { fit: brokenFit({ ...world, account }, 'its channel is gone'), context: null };
  try {
    return computeWithContext({
      ...world,
      account,
      rulebook,
      pairings: catalogue.pairings[account.channel] ?? {},
      categories: catalogue.categoryMaps[account.channel] ?? {},
      routes: catalogue.routes[account.id] ?? [],
      live: held.filter((one) => one.account === account.id),
      known: known[account.id] ?? {},
    });
  } catch (error) {
    return { fit: brokenFit({ ...world, account }, reasonOf(error)), context: null };
  }
}

/** A fault of our own in few words; what a schema says of one is long, and for nobody to read. */
const reasonOf = (error: unknown): string =>
  error instanceof Error && !(error instanceof ZodError) ? error.message.slice(0, 200) : 'something went wrong inside';

/** How a family stands with every account. */
export function standingsOf(database: Database, catalogue: Catalogue, familyId: string): Standing[] {
  const world = worldOf(database, catalogue, loadFamily(database, familyId));
  return catalogue.accounts.map((account) => standingOf(fitOn(catalogue, world, account).fit));
}

function standingOf({ account, state, findings }: Fit): Standing {
  const counts = new Map<string, FindingCount>();
  for (const { code, key, severity, childIds } of findings) {
    const name = `${code}|${key}`;
    const there = counts.get(name);
    if (!there) counts.set(name, { code, key, severity, count: 1, children: childIds.length });
    else {
      there.count += 1;
      there.children += childIds.length;
    }
  }
  const things = (severity: string) => findings.filter((finding) => finding.severity === severity).length;
  return { account, state, stops: things('stops'), warns: things('warns'), findings: [...counts.values()] };
}

/** What a family would send to accounts now, and at which of its revisions that was worked out. */
export function offeringsOf(
  database: Database,
  catalogue: Catalogue,
  familyId: string,
  accountIds: readonly string[],
): { revision: number; offerings: Offering[] } {
  const family = loadFamily(database, familyId);
  const world = worldOf(database, catalogue, family);
  const accounts = catalogue.accounts.filter((account) => accountIds.includes(account.id));
  const offerings = accounts.map((account): Offering => {
    const { fit, context } = fitOn(catalogue, world, account);
    const stops = fit.findings.filter((finding) => finding.severity === 'stops');
    return {
      account: account.id,
      state: fit.state,
      listingFee: fit.category?.rules.fees.perListing ?? '0',
      listings: context && fit.state !== 'stopped' ? projectListings(context) : [],
      combined: context ? [...combinedPictures(context).values()] : [],
      stops: stops.map((finding) => ({
        text: findingText(finding, family),
        childId: finding.childIds.length === 1 ? finding.childIds[0]! : null,
        field: finding.key,
      })),
    };
  });
  return { revision: family.revision, offerings };
}
