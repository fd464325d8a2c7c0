/** Computes the fits of a family beside the page, so that typing never waits for them. */
import { expose } from 'comlink';
import { type Account, inItsCollections, sortedOf } from '@loom-kin/core/catalogue';
import { type Family, NO_WISH, freeze } from '@loom-kin/core/family';
import {
  type Fit,
  type FitInput,
  type LeaveOutOffer,
  brokenFit,
  combinedPictures,
  computeWithContext,
  createPlannerMemory,
  leaveOutsFor,
  projectListings,
} from '@loom-kin/core/fit';
import type { KnownNumbers, Listing } from '@loom-kin/core/listing';
import type { Combined, PictureFacts } from '@loom-kin/core/pictures';
import { emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { type OpenRulebook, compilePattern, openRulebook } from '@loom-kin/core/rulebook';
import type { StockPlaces } from '@loom-kin/core/stock';
import type { LiveListingRow, Setup } from '@loom-kin/contract';

export interface FitsTask {
  family: Family;
  stock: Record<string, number>;
  stockAt?: StockPlaces;
  pictures: Record<string, PictureFacts>;
  live: LiveListingRow[];
  /** Account → what its channel knows of the family's numbers. */
  known: Record<string, KnownNumbers>;
}

/** A fit as it travels: the rules of its category are known on both sides. */
export type SentFit = Omit<Fit, 'category'> & { categoryId: string | null };
const sent = ({ category, ...fit }: Fit): SentFit => ({ ...fit, categoryId: category?.id ?? null });

let setup: Setup | null = null;
let registry = openRegistry(emptyRegistry());
let rulebooks = new Map<string, OpenRulebook>();
const memory = createPlannerMemory();

function inputFor(account: Account, task: FitsTask): FitInput | null {
  const rulebook = rulebooks.get(account.channel);
  if (!setup || !rulebook) return null;
  return {
    ...task,
    account,
    rulebook,
    memory,
    seller: setup.seller,
    pairings: setup.pairings[account.channel] ?? {},
    categories: setup.categoryMaps[account.channel] ?? {},
    routes: setup.routes[account.id] ?? [],
    live: task.live.filter((one) => one.account === account.id),
    known: task.known[account.id] ?? {},
  };
}

/** The family as channels see it: in the collections that take it, too. */
function asSeen({ family, stock }: FitsTask): Family {
  const frozen = freeze(family, true);
  return inItsCollections(frozen, setup?.collections ?? [], () => sortedOf(frozen, stock), registry);
}

function underPlan(input: FitInput, chosen: string): FitInput {
  const { family, account } = input;
  const wish = family.wishes[account.id] ?? NO_WISH;
  return { ...input, family: { ...family, wishes: { ...family.wishes, [account.id]: { ...wish, chosen } } } };
}

const fits = {
  /** What holds for every family: sent once, kept here. */
  setUp(given: Setup): void {
    setup = given;
    registry = openRegistry(given.registry);
    rulebooks = new Map(
      given.channels.map(({ channel, rulebook }) => [channel, openRulebook(rulebook, registry, compilePattern)]),
    );
  },
  compute(task: FitsTask): SentFit[] {
    const family = asSeen(task);
    return (setup?.accounts ?? []).map((account) => {
      const input = inputFor(account, { ...task, family });
      try {
        if (!input) throw new Error('its channel is gone');
        return sent(computeWithContext(input).fit);
      } catch (error) {
        const why = error instanceof Error ? error.message : 'something went wrong';
        return sent(brokenFit({ family, account }, why));
      }
    });
  },
  /** What could be left out on an account so that fewer listings are enough. */
  leaveOuts(task: FitsTask, accountId: string): LeaveOutOffer[] {
    const account = setup?.accounts.find((one) => one.id === accountId);
    const input = account && inputFor(account, { ...task, family: asSeen(task) });
    return input ? leaveOutsFor(input) : [];
  },
  /** The listings that would go out to one account; under another plan than the one in force where its signature is given. */
  listings(task: FitsTask, accountId: string, signature?: string): Listing[] {
    const account = setup?.accounts.find((one) => one.id === accountId);
    const input = account && inputFor(account, { ...task, family: asSeen(task) });
    const context = input && computeWithContext(signature ? underPlan(input, signature) : input).context;
    return context ? projectListings(context) : [];
  },
  /** Pictures in those listings that are put together of several. */
  combined(task: FitsTask, accountId: string, signature?: string): Combined[] {
    const account = setup?.accounts.find((one) => one.id === accountId);
    const input = account && inputFor(account, { ...task, family: asSeen(task) });
    const context = input && computeWithContext(signature ? underPlan(input, signature) : input).context;
    return context ? [...combinedPictures(context).values()] : [];
  },
};

export type FitsWorker = typeof fits;
expose(fits);
