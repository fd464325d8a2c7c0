/** Channels: their rulebooks and what they say of the seller's accounts, as last fetched. */
import { eq } from 'drizzle-orm';
import { dequal } from 'dequal';
import { type Account, AccountSchema, ApprovalSchema, usualSettings } from '@loom-kin/core/catalogue';
import { Refusal } from '@loom-kin/core/refusal';
import { type Rulebook, RulebookSchema, readRulebook } from '@loom-kin/core/rulebook';
import type { Channel } from '@loom-kin/contract';
import { z } from 'zod';
import { readDocument, writeDocument } from '../store/documents';
import { addressOf, ask, understood } from './transports/channelClient';
import { channels, editions } from '../store/schema';
import type { Store } from '../store/store';

const SaidSchema = z.object({
  exemptBrands: z.array(z.string()),
  exemptOnlyIn: z.record(z.string(), z.array(z.string())).optional(),
  approvals: z.record(z.string(), ApprovalSchema).optional(),
  choices: z.record(z.string(), z.array(z.string())),
  rate: z.string(),
});
type Said = z.infer<typeof SaidSchema>;

/** Rules and what is granted are short, and somebody waits for them. */
const BOUNDS = { patience: 5000, largest: 5_000_000 };

async function fetchJson(address: string): Promise<unknown> {
  return ask(address, {}, BOUNDS).catch(() => {
    throw new Refusal('channel.silent', {});
  });
}

/**
 * Fetches what a channel says of itself and of the seller's accounts. What the seller set up is kept, and so are the rules in
 * force: others that the channel has published wait until they are adopted.
 */
export async function fetchChannel(store: Store, base: string, id: string, place: number): Promise<Channel> {
  await takeChannel(store, base, id, place);
  return store.catalogue().channels.find((one) => one.channel === id)!;
}

/** Fetches it; whether anything is other than it was known. */
async function takeChannel(store: Store, base: string, id: string, place: number): Promise<boolean> {
  const read = readRulebook(await fetchJson(`${base}/${id}/rulebook`), store.catalogue().registry);
  if (!read.ok) {
    const [first] = read.problems;
    const problem = `${first!.place}: ${first!.text}`;
    throw new Refusal('rulebook.wrong', { channel: id, problem }, { detail: read.problems });
  }
  const here = accountsOn(store, id, read.rulebook.name);
  const said = await Promise.all(here.map((account) => saidOf(base, account)));
  const row = { rulebook: read.rulebook, choices: said[0]!.choices, reachable: true };
  const isOther = await store.transactionWhenQuiet(() => {
    const there = store.database.select().from(channels).where(eq(channels.channel, id)).get();
    store.database
      .insert(channels)
      .values({ channel: id, place, ...row })
      .onConflictDoUpdate({ target: channels.channel, set: { ...row, place } })
      .run();
    keepEdition(store, read.rulebook);
    if (!readDocument(store.database, RulebookSchema, 'rulebook', id))
      writeDocument(store.database, 'rulebook', id, read.rulebook);
    const news = here.filter((account, at) => takeSaid(store, account, said[at]!));
    return news.length > 0 || !dequal(there, { channel: id, place, ...row });
  });
  store.forgetCatalogue();
  return isOther;
}

const saidOf = async (base: string, account: Account): Promise<Said> =>
  understood(SaidSchema, await fetchJson(addressOf(base, account, 'account')));

/** Every edition of the rules is kept as it was met last. */
function keepEdition({ database }: Store, rulebook: Rulebook): void {
  const at = new Date().toISOString();
  const { channel, version } = rulebook;
  database
    .insert(editions)
    .values({ channel, version, rulebook, at })
    .onConflictDoUpdate({ target: [editions.channel, editions.version], set: { rulebook } })
    .run();
}

/** The accounts on a channel; where there is none yet, one is begun under the channel's name. */
function accountsOn(store: Store, channel: string, name: string): Account[] {
  const { accounts, registry } = store.catalogue();
  const here = accounts.filter((account) => account.channel === channel);
  if (here.length > 0) return here;
  const settings = usualSettings();
  return [{ id: channel, channel, name, language: registry.firstLanguage, at: accounts.length, settings }];
}

/** What the channel granted an account, and a rate to begin with where the account is new. Returns whether anything differs. */
function takeSaid(store: Store, account: Account, said: Said): boolean {
  const there = readDocument(store.database, AccountSchema, 'account', account.id);
  const { exemptBrands, exemptOnlyIn, approvals } = said;
  const settings = {
    ...(there ?? account).settings,
    ...(there ? {} : { rate: said.rate }),
    exemptBrands,
    ...(exemptOnlyIn ? { exemptOnlyIn } : {}),
    ...(approvals ? { approvals } : {}),
  };
  if (there && dequal(settings, there.settings)) return false;
  writeDocument(store.database, 'account', account.id, { ...(there ?? account), settings });
  return true;
}

/** Asks again how an account stands with its channel; whether anything differs. */
export async function fetchAccount(store: Store, base: string, account: Account): Promise<boolean> {
  const said = await saidOf(base, account);
  const isOther = await store.transactionWhenQuiet(() => takeSaid(store, account, said));
  if (isOther) store.forgetCatalogue();
  return isOther;
}

/**
 * Fetches all channels the service plays. Those that do not answer, or whose rules cannot be read, are marked so and keep what was known.
 * @returns whether anything is other than it was known
 */
export async function fetchChannels(store: Store, base: string): Promise<boolean> {
  const { database } = store;
  let ids: string[];
  try {
    ids = z.array(z.string().regex(/^[a-z][a-z0-9-]{0,59}$/)).parse(await fetchJson(`${base}/channels`));
  } catch {
    await store.whenQuiet(() => database.update(channels).set({ reachable: false }).run());
    store.forgetCatalogue();
    return false;
  }
  let isOther = false;
  for (const [place, id] of ids.entries()) {
    const isNews = await takeChannel(store, base, id, place).catch(async () => {
      await store.whenQuiet(() =>
        database.update(channels).set({ reachable: false }).where(eq(channels.channel, id)).run(),
      );
      return false;
    });
    isOther ||= isNews;
  }
  store.forgetCatalogue();
  return isOther;
}
