/** Which of the seller's numbers channels have entries for already: asked by itself once for each number, and again on wish. */
import { and, eq, inArray, sql } from 'drizzle-orm';
import { dequal } from 'dequal';
import { ChannelEntrySchema, identityOf, Refusal, type Account, type KnownNumbers } from '@loom-kin/core';
import type { Logger } from 'pino';
import { z } from 'zod';
import { addressOf, ask } from '../dispatch/transports/channelClient';
import { markDue } from '../fits/due';
import { inTransaction, type Database } from '../store/database';
import { identifiers, knownNumbers } from '../store/schema';
import type { Store } from '../store/store';
import { accountOf } from './readCatalogue';

export interface Entries {
  /** Asks the channel of an account about all numbers of a family anew. */
  askAgain(accountId: string, familyId: string): Promise<void>;
  close(): Promise<void>;
}

/** So many numbers are asked about at once. */
const AT_ONCE = 500;
/** Changes that come together are asked about together, this many milliseconds after the first. */
const REST = 150;

const SaidSchema = z.object({ entries: z.array(ChannelEntrySchema).max(AT_ONCE) });

/** Asks about new numbers whenever something changed. A channel that is away is asked at the next change. */
export function createEntries(store: Store, base: string, log: Logger): Entries {
  let timer: NodeJS.Timeout | null = null;
  let isClosed = false;
  let asking = Promise.resolve();

  const askAll = async () => {
    for (const account of withEntries(store)) {
      try {
        await askNew(store, base, account, () => isClosed);
      } catch (error) {
        log.info({ err: error }, `${account.name} could not be asked about numbers`);
      }
    }
  };
  const soon = () => {
    if (isClosed || timer) return;
    timer = setTimeout(() => {
      timer = null;
      asking = asking.then(askAll);
    }, REST);
    timer.unref();
  };
  const deafen = store.bell.listen(({ families, setup }) => {
    if (setup || Object.keys(families).length > 0) soon();
  });
  soon();
  return {
    async askAgain(accountId, familyId) {
      const account = accountOf(store.catalogue(), accountId);
      const mine = and(eq(identifiers.kind, 'gtin'), eq(identifiers.familyId, familyId));
      const rows = store.database.select({ number: identifiers.value }).from(identifiers).where(mine).all();
      await askAbout(
        store,
        base,
        account,
        rows.map((row) => row.number),
      ).catch(() => {
        throw new Refusal('channel.silent', {});
      });
    },
    async close() {
      isClosed = true;
      deafen();
      if (timer) clearTimeout(timer);
      await asking;
    },
  };
}

/** Accounts on channels that have entries in any of their categories. */
function withEntries(store: Store): Account[] {
  const { accounts, rulebooks, channels } = store.catalogue();
  const isOwn = (id: string) => channels.find((one) => one.channel === id)?.isOwn === true;
  return accounts.filter(({ channel }) => !isOwn(channel) && rulebooks.get(channel)?.hasEntries === true);
}

async function askNew(store: Store, base: string, account: Account, isClosed: () => boolean): Promise<void> {
  for (;;) {
    const numbers = unasked(store.database, account.id);
    if (numbers.length === 0 || isClosed()) return;
    await askAbout(store, base, account, numbers);
  }
}

const unasked = (database: Database, account: string): string[] =>
  database
    .select({ number: identifiers.value })
    .from(identifiers)
    .where(
      sql`${identifiers.kind} = 'gtin' AND NOT EXISTS (SELECT 1 FROM ${knownNumbers}
        WHERE ${knownNumbers.account} = ${account} AND ${knownNumbers.number} = ${identifiers.value})`,
    )
    .limit(AT_ONCE)
    .all()
    .map((row) => row.number);

async function askAbout(store: Store, base: string, account: Account, numbers: readonly string[]): Promise<void> {
  for (let at = 0; at < numbers.length; at += AT_ONCE) {
    const some = numbers.slice(at, at + AT_ONCE);
    const body = JSON.stringify({ gtins: some });
    const headers = { 'content-type': 'application/json' };
    const said = SaidSchema.parse(
      await ask(addressOf(base, account, 'entries'), { method: 'POST', headers, body }),
    ).entries;
    await store.quiet();
    keep(store, account, some, new Map(said.map((entry) => [identityOf('gtin', entry.gtin), entry])));
  }
}

/** Writes down what was said; families with numbers of which something else was known, or nothing, are looked at anew. */
function keep(
  store: Store,
  { id: account }: Account,
  numbers: readonly string[],
  said: ReadonlyMap<string, z.infer<typeof ChannelEntrySchema>>,
): void {
  const at = new Date().toISOString();
  const { database } = store;
  const touched = inTransaction(database, () => {
    const before = knownBefore(database, account, numbers);
    const news = numbers.filter((number) => !dequal(before.get(number), said.get(number) ?? null));
    for (const number of news) {
      const entry = said.get(number) ?? null;
      database
        .insert(knownNumbers)
        .values({ account, number, entry, at })
        .onConflictDoUpdate({ target: [knownNumbers.account, knownNumbers.number], set: { entry, at } })
        .run();
    }
    const asked = and(eq(identifiers.kind, 'gtin'), inArray(identifiers.value, news));
    const rows = database.selectDistinct({ id: identifiers.familyId }).from(identifiers).where(asked).all();
    const ids = rows.map((row) => row.id);
    markDue(database, ids);
    return ids;
  });
  store.bell.ring({ entries: touched });
}

const knownBefore = (database: Database, account: string, numbers: readonly string[]) =>
  new Map(
    database
      .select({ number: knownNumbers.number, entry: knownNumbers.entry })
      .from(knownNumbers)
      .where(and(eq(knownNumbers.account, account), inArray(knownNumbers.number, [...numbers])))
      .all()
      .map((row) => [row.number, row.entry] as const),
  );

/** Account → what its channel said of the numbers of a family. */
export function knownNumbersOf(database: Database, familyId: string): Record<string, KnownNumbers> {
  const rows = database
    .select({ account: knownNumbers.account, number: knownNumbers.number, entry: knownNumbers.entry })
    .from(identifiers)
    .innerJoin(knownNumbers, eq(knownNumbers.number, identifiers.value))
    .where(and(eq(identifiers.kind, 'gtin'), eq(identifiers.familyId, familyId)))
    .all();
  const known: Record<string, KnownNumbers> = {};
  for (const { account, number, entry } of rows) (known[account] ??= {})[number] = entry;
  return known;
}
