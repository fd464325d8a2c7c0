/**
 * After any doubt about what an account holds, the channel is asked, and what it says is written down.
 *
 * Reading alone is not enough: a channel may have taken a submission whose answer was lost, and work on it after it was read. So
 * first it is settled what became of each submission. Its key makes that possible: the same key twice is one submission. Handed over
 * once more without any message, a key gives the receipt of what came under it before, or is used up, so that nothing can come
 * under it any more.
 */
import { and, eq } from 'drizzle-orm';
import { dequal } from 'dequal';
import type { Account } from '@loom-kin/core/catalogue';
import { familyOfListing } from '@loom-kin/core/fit';
import { rulebookOf } from '../store/readCatalogue';
import { hasFamily } from '../store/loadFamily';
import { markDue } from '../fitQueue/due';
import type { Database } from '../store/database';
import { heldListings, unconfirmedListings, unreadAccounts } from '../store/schema';
import type { Store } from '../store/store';
import { forgetHeld, putHeld } from './book';
import { isUnderWay } from './standing';
import { askHeld, askReceipt, ChannelSilent } from '../channels/transports/channelClient';
import { handOver } from '../channels/transports/handOver';
import { withoutAddresses } from '../channels/transports/pictureAddresses';
import { unconfirmedOn, unreadAccount, type UnconfirmedRow } from '../held/unconfirmed';

export interface ChannelLink {
  /** Where the channels are. */
  base: string;
  /** How long a channel may take to work on a submission, in milliseconds. */
  patience: number;
}

interface Ended {
  /** Key of a listing → the page that the receipt names. */
  pages: Map<string, string | null>;
}

type Found = Awaited<ReturnType<typeof askHeld>>[number];

/**
 * Settles what became of what is in doubt on an account, reads what the account holds and writes it down. What the channel may
 * still be working on stays in doubt, with what was found meanwhile. Throws where the channel cannot be asked.
 * @param isAsked which doubts are settled; all where nothing is said
 * @returns how many listings of the account are still in doubt
 */
export async function reconcile(
  store: Store,
  link: ChannelLink,
  account: Account,
  isAsked: (doubt: UnconfirmedRow) => boolean = () => true,
): Promise<number> {
  const doubts = unconfirmedOn(store.database, account.id).filter(isAsked);
  const whole = unreadAccount(store.database, account.id);
  if (doubts.length === 0 && !whole) return 0;
  const ended = new Map<string, Ended | null>();
  for (const submission of new Set(doubts.map((doubt) => doubt.submission))) {
    const mine = doubts.filter((doubt) => doubt.submission === submission);
    ended.set(submission, await endOf(store, link, account, mine));
  }
  const there = new Map(
    (await askHeld(link.base, account)).map((held) => [
      held.listing.key,
      { ...held, listing: withoutAddresses(held.listing) },
    ]),
  );
  await store.transactionWhenQuiet(() => {
    for (const doubt of doubts) {
      const end = ended.get(doubt.submission) ?? null;
      writeFound(store.database, account.id, doubt, there.get(doubt.key), end);
    }
    if (whole) writeWhole(store.database, account.id, there, whole.since);
  });
  store.events.emit({ dispatches: true, families: {} });
  return unconfirmedOn(store.database, account.id).length;
}

/** What became of a submission: how it ended, or null where the channel may still be working on it. */
async function endOf(
  store: Store,
  link: ChannelLink,
  account: Account,
  doubts: readonly UnconfirmedRow[],
): Promise<Ended | null> {
  const [first] = doubts;
  const over: Ended = { pages: new Map() };
  if (first!.isOver) return over;
  const overdue = Date.now() - Date.parse(first!.since) > link.patience;
  const byReceipt = first!.receipt ? await endOfReceipt(link, account, first!.receipt).catch(onlySilence) : 'unknown';
  if (byReceipt !== 'unknown') return byReceipt ?? (overdue ? over : null);
  const rulebook = rulebookOf(store.catalogue(), account)?.rulebook;
  if (!rulebook) return overdue ? over : null;
  const claim = {
    base: link.base,
    account,
    key: first!.submission,
    rulebook,
    messages: [],
    pictureAddress: (id: string) => id,
  };
  const byKey = await handOver(claim)
    .then((receipt) => endOfReceipt(link, account, receipt))
    .catch(onlySilence);
  if (byKey !== 'unknown') return byKey ?? (overdue ? over : null);
  // The channel does not say what became of a key. What it turned away before as well, it did not take.
  return first!.isTurnedAway || overdue ? over : null;
}

async function endOfReceipt(link: ChannelLink, account: Account, receipt: string): Promise<Ended | null> {
  const answer = await askReceipt(link.base, account, receipt);
  return answer.state === 'done' ? { pages: new Map(answer.lines.map(({ key, page }) => [key, page])) } : null;
}

/** A channel that is silent is asked another time; one that answers something else just does not know. */
function onlySilence(error: unknown): 'unknown' {
  if (error instanceof ChannelSilent) throw error;
  return 'unknown';
}

const doubtAt = ({ account, key, submission }: UnconfirmedRow) =>
  and(
    eq(unconfirmedListings.account, account),
    eq(unconfirmedListings.key, key),
    eq(unconfirmedListings.submission, submission),
  );

/** Writes down what was found of a listing in doubt, unless somebody else settled it meanwhile. */
function writeFound(
  database: Database,
  account: string,
  doubt: UnconfirmedRow,
  found: Found | undefined,
  end: Ended | null,
): void {
  if (!database.select().from(unconfirmedListings).where(doubtAt(doubt)).get()) return;
  putFound(database, account, doubt.key, doubt.familyId, found, end?.pages.get(doubt.key) ?? null);
  if (end || hasArrived(doubt, found)) database.delete(unconfirmedListings).where(doubtAt(doubt)).run();
}

/** A submission is worked on once: what the account holds is what was sent. */
const hasArrived = ({ listing }: UnconfirmedRow, found: Found | undefined): boolean =>
  listing === null ? found === undefined : found !== undefined && dequal(found.listing, withoutAddresses(listing));

function putFound(
  database: Database,
  account: string,
  key: string,
  familyId: string,
  found: Found | undefined,
  page: string | null,
): void {
  const before = database
    .select({ page: heldListings.page })
    .from(heldListings)
    .where(and(eq(heldListings.account, account), eq(heldListings.key, key)))
    .get();
  if (!found || !hasFamily(database, familyId)) forgetHeld(database, account, key);
  else
    putHeld(database, account, familyId, {
      listing: found.listing,
      draft: found.draft,
      page: page ?? before?.page ?? null,
    });
  markDue(database, hasFamily(database, familyId) ? [familyId] : []);
}

/** Writes down everything an account holds of families that are here. What is on its way is told by its receipt. */
function writeWhole(database: Database, account: string, there: ReadonlyMap<string, Found>, since: string): void {
  const here = and(eq(unreadAccounts.account, account), eq(unreadAccounts.since, since));
  if (!database.select().from(unreadAccounts).where(here).get()) return;
  const known = database
    .select({ key: heldListings.key, familyId: heldListings.familyId })
    .from(heldListings)
    .where(eq(heldListings.account, account))
    .all();
  const families = new Map(known.map(({ key, familyId }) => [key, familyId]));
  for (const key of there.keys()) if (!families.has(key)) families.set(key, familyOfListing(key));
  for (const [key, familyId] of families)
    if (!isUnderWay(database, account, key)) putFound(database, account, key, familyId, there.get(key), null);
  database.delete(unreadAccounts).where(here).run();
}
