/** Channels: their rulebooks and what they say of the seller's accounts, as last fetched. */
import { eq } from 'drizzle-orm';
import { AccountSchema, readRulebook, Refusal, type Account } from '@loom-kin/core';
import type { Channel } from '@loom-kin/contract';
import { z } from 'zod';
import { readDocument, writeDocument } from '../store/documents';
import { channels } from '../store/schema';
import type { Store } from '../store/store';

const SaidSchema = z.object({
  exemptBrands: z.array(z.string()),
  choices: z.record(z.string(), z.array(z.string())),
  rate: z.string(),
});
type Said = z.infer<typeof SaidSchema>;

/** Longest wait for a channel, in milliseconds. */
const PATIENCE = 5000;
/** Most a channel may send at once, in characters. */
const LARGEST = 5_000_000;

async function fetchJson(address: string): Promise<unknown> {
  // A channel that points elsewhere is not followed there.
  const answer = await fetch(address, { signal: AbortSignal.timeout(PATIENCE), redirect: 'error' });
  if (!answer.ok) throw new Refusal('channel.silent', {});
  const text = await answer.text();
  if (text.length > LARGEST) throw new Refusal('channel.silent', {});
  return JSON.parse(text);
}

/** Fetches what a channel says of itself and of the seller's accounts. What the seller set up is kept. */
export async function fetchChannel(store: Store, base: string, id: string, place: number): Promise<Channel> {
  const read = readRulebook(await fetchJson(`${base}/${id}/rulebook`), store.catalogue().registry);
  if (!read.ok) {
    const [first] = read.problems;
    const problem = `${first!.place}: ${first!.text}`;
    throw new Refusal('rulebook.wrong', { channel: id, problem }, { detail: read.problems });
  }
  const said = SaidSchema.parse(await fetchJson(`${base}/${id}/account`));
  const row = { rulebook: read.rulebook, choices: said.choices, reachable: true };
  store.database
    .insert(channels)
    .values({ channel: id, place, ...row })
    .onConflictDoUpdate({ target: channels.channel, set: { ...row, place } })
    .run();
  takeSaid(store, id, read.rulebook.name, said);
  store.forgetCatalogue();
  return { channel: id, ...row };
}

/** What the channel granted holds for every account there; where there is none yet, one is begun under the channel's name. */
function takeSaid(store: Store, channel: string, name: string, said: Said): void {
  const { accounts, registry } = store.catalogue();
  const here = accounts.filter((account) => account.channel === channel);
  for (const account of here) {
    const settings = { ...account.settings, exemptBrands: said.exemptBrands };
    if (JSON.stringify(settings) !== JSON.stringify(account.settings)) {
      writeDocument(store.database, 'account', account.id, { ...account, settings });
    }
  }
  if (here.length > 0 || readDocument(store.database, AccountSchema, 'account', channel)) return;
  const first: Account = {
    id: channel,
    channel,
    name,
    language: registry.firstLanguage,
    at: accounts.length,
    settings: { rate: said.rate, exemptBrands: said.exemptBrands, answers: {}, objective: 'listings' },
  };
  writeDocument(store.database, 'account', channel, first);
}

/** Fetches all channels the service plays. Those that do not answer, or whose rules cannot be read, are marked so and keep what was known. */
export async function fetchChannels(store: Store, base: string): Promise<void> {
  const { database } = store;
  let ids: string[];
  try {
    ids = z.array(z.string().regex(/^[a-z][a-z0-9-]{0,59}$/)).parse(await fetchJson(`${base}/channels`));
  } catch {
    database.update(channels).set({ reachable: false }).run();
    store.forgetCatalogue();
    return;
  }
  for (const [place, id] of ids.entries()) {
    await fetchChannel(store, base, id, place).catch(() =>
      database.update(channels).set({ reachable: false }).where(eq(channels.channel, id)).run(),
    );
  }
  store.forgetCatalogue();
}
