/** Channels: their rulebooks and accounts as last fetched, the seller's settings, pairings. */
import { and, asc, eq } from 'drizzle-orm';
import {
  ChannelSettingsSchema,
  PairingSchema,
  readRulebook,
  Refusal,
  type ChannelSettings,
  type Pairing,
} from '@loom-kin/core';
import type { Channel } from '@loom-kin/contract';
import { z } from 'zod';
import type { Database } from '../store/database';
import { channels, pairings } from '../store/schema';

export function readChannels(database: Database): Channel[] {
  return database
    .select()
    .from(channels)
    .orderBy(asc(channels.place))
    .all()
    .map(({ channel, rulebook, settings, choices, reachable }) => ({
      channel,
      rulebook,
      settings: ChannelSettingsSchema.parse(settings),
      choices,
      reachable,
    }));
}

export function readChannel(database: Database, id: string): Channel {
  const found = readChannels(database).find((one) => one.channel === id);
  if (!found) throw new Refusal('channel.unknown', 'There is no such channel.');
  return found;
}

export function writeSettings(database: Database, id: string, settings: ChannelSettings): void {
  readChannel(database, id);
  database.update(channels).set({ settings }).where(eq(channels.channel, id)).run();
}

export function readPairings(database: Database): Pairing[] {
  return database
    .select()
    .from(pairings)
    .all()
    .map((row) => PairingSchema.parse({ channel: row.channel, role: row.role, value: row.value, to: row.target }));
}

/** Stores pairings and says what was there before for the same values (`to` empty: nothing). */
export function writePairings(database: Database, wanted: readonly Pairing[]): Pairing[] {
  return wanted.map((one) => {
    const here = and(eq(pairings.channel, one.channel), eq(pairings.role, one.role), eq(pairings.value, one.value));
    const before = database.select().from(pairings).where(here).get();
    if (one.to === '') database.delete(pairings).where(here).run();
    else {
      database
        .insert(pairings)
        .values({ channel: one.channel, role: one.role, value: one.value, target: one.to })
        .onConflictDoUpdate({ target: [pairings.channel, pairings.role, pairings.value], set: { target: one.to } })
        .run();
    }
    return { ...one, to: before?.target ?? '' };
  });
}

const AccountSchema = z.object({
  exemptBrands: z.array(z.string()),
  choices: z.record(z.string(), z.array(z.string())),
  rate: z.string(),
});

/** Fetches what a channel says of itself and of the seller's account. The settings the seller made are kept. */
export async function fetchChannel(database: Database, base: string, id: string, place: number): Promise<Channel> {
  const get = async (path: string): Promise<unknown> => {
    const answer = await fetch(`${base}/${id}/${path}`, { signal: AbortSignal.timeout(5000) });
    if (!answer.ok) throw new Refusal('channel.silent', `${id} answered with ${answer.status}.`);
    return answer.json();
  };
  const read = readRulebook(await get('rulebook'));
  if (!read.ok)
    throw new Refusal(
      'rulebook.wrong',
      `The rulebook of ${id} cannot be read: ${read.problems[0]}`,
      undefined,
      read.problems,
    );
  const account = AccountSchema.parse(await get('account'));
  const known = database.select().from(channels).where(eq(channels.channel, id)).get();
  const settings: ChannelSettings = known
    ? { ...known.settings, exemptBrands: account.exemptBrands }
    : { rate: account.rate, exemptBrands: account.exemptBrands, answers: {}, objective: 'listings' };
  const row = { rulebook: read.rulebook, settings, choices: account.choices, reachable: true };
  database
    .insert(channels)
    .values({ channel: id, place, ...row })
    .onConflictDoUpdate({ target: channels.channel, set: { ...row, place } })
    .run();
  return readChannel(database, id);
}

/** Fetches all channels the service plays. Those that do not answer are marked so and keep what was known. */
export async function fetchChannels(database: Database, base: string): Promise<void> {
  let ids: string[];
  try {
    ids = z
      .array(z.string())
      .parse(await (await fetch(`${base}/channels`, { signal: AbortSignal.timeout(5000) })).json());
  } catch {
    database.update(channels).set({ reachable: false }).run();
    return;
  }
  for (const [place, id] of ids.entries()) {
    await fetchChannel(database, base, id, place).catch(() =>
      database.update(channels).set({ reachable: false }).where(eq(channels.channel, id)).run(),
    );
  }
}
