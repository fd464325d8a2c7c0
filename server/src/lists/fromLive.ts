/** A list made of what stands on an account. */
import { eq } from 'drizzle-orm';
import type { Account, CategoryMap } from '@loom-kin/core/catalogue';
import { liveTable } from '@loom-kin/core/intake';
import type { Listing } from '@loom-kin/core/listing';
import { Refusal } from '@loom-kin/core/refusal';
import { askHeld, ChannelSilent } from '../channels/transports/channelClient';
import { heldListings } from '../store/schema';
import type { Store } from '../store/store';
import type { ListJob } from '../store/tables/jobs';
import type { Lists } from './lists';

/**
 * Asks an account what it holds and begins a list of it. Throws a Refusal where it does not answer or holds
 * nothing.
 */
export async function startFromLive(
  store: Store,
  lists: Lists,
  base: string,
  accountId: string,
): ReturnType<typeof begin> {
  const account = store.catalogue().accounts.find((one) => one.id === accountId);
  if (!account) throw new Refusal('account.unknown', {});
  return begin(store, lists, account, await heldOn(base, account));
}

async function heldOn(base: string, account: Account): Promise<NonNullable<ListJob['live']>> {
  try {
    return await askHeld(base, account);
  } catch (error) {
    if (error instanceof ChannelSilent) throw new Refusal('list.silent', { account: account.name });
    throw error;
  }
}

async function begin(store: Store, lists: Lists, account: Account, live: NonNullable<ListJob['live']>) {
  if (live.length === 0) throw new Refusal('list.nothing-live', { account: account.name });
  const { registry, channels, seller, categoryMaps } = store.catalogue();
  const rules = channels.find((one) => one.channel === account.channel)?.rulebook.rules.fields ?? [];
  const listings = live.map(({ listing }) => listing);
  const { table, mapping } = liveTable(registry, listings, rules, {
    currency: seller.currency,
    sent: sentTo(store, account.id),
    categoryOf: (theirs) => onlyOneFor(categoryMaps[account.channel] ?? {}, theirs),
  });
  const text = JSON.stringify(table);
  return lists.startText(text, { fileName: `${account.name}, live.json`, account: account.id, live, mapping });
}

/** What an account was sent last, by the keys of its listings. */
const sentTo = ({ database }: Store, accountId: string): Map<string, Listing> =>
  new Map(
    database
      .select({ key: heldListings.key, listing: heldListings.listing })
      .from(heldListings)
      .where(eq(heldListings.account, accountId))
      .all()
      .map(({ key, listing }) => [key, listing]),
  );

/** The seller's category that goes to one of a channel's, if it is the only one. */
function onlyOneFor(map: CategoryMap, theirs: string): string | undefined {
  const ours = Object.keys(map).filter((id) => map[id] === theirs);
  return ours.length === 1 ? ours[0] : undefined;
}
