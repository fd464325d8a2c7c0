/** Which of the seller's numbers channels have entries for already: asked by itself once for each number, and again on wish. */
import { and, eq, inArray, sql } from 'drizzle-orm';
import { setImmediate } from 'node:timers/promises';
import { dequal } from 'dequal';
import type { Account } from '@loom-kin/core/catalogue';
import { identityOf } from '@loom-kin/core/identifiers';
import { ChannelEntrySchema } from '@loom-kin/core/listing';
import { Refusal } from '@loom-kin/core/refusal';
import type { Logger } from 'pino';
import { z } from 'zod';
import { addressOf, ask, understood } from './transports/channelClient';
import { markDue } from '../fitQueue/due';
import { inTransaction, type Database } from '../store/database';
import { identifiers, knownNumbers } from '../store/schema';
import type { Store } from '../store/store';
import { accountOf } from '../store/readCatalogue';

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

  /** Families with numbers that may be new; all where somebody changed what holds for all families, or at the start. */
  let changed: Set<string> | 'all' = 'all';

  const askAll = async () => {
    const meant = changed;
    changed = new Set();
    for (const account of withEntries(store)) {
      try {
        await askNew(store, base, account, meant, () => isClosed);
      } catch (error) {
        // Asked again with the next change.
        changed = changed === 'all' || meant === 'all' ? 'all' : new Set([...changed, ...meant]);
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
  const unsubscribe = store.events.subscribe(({ families, setup }) => {
    const ids = Object.keys(families);
    if (setup) changed = 'all';
    else if (ids.length === 0) return;
    else if (changed !== 'all') ids.forEach((id) => (changed as Set<string>).add(id));
    soon();
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
      unsubscribe();
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

async function askNew(
  store: Store,
  base: string,
  account: Account,
  families: ReadonlySet<string> | 'all',
  isClosed: () => boolean,
): Promise<void> {
  for await (const numbers of families === 'all'
    ? unasked(store.database, account.id)
    : unaskedOf(store.database, account.id, families)) {
    if (isClosed()) return;
    await askAbout(store, base, account, numbers);
  }
}

/** So many numbers are looked through before others come in between. */
const LOOKED_THROUGH = 5000;

/** All numbers that an account was not asked about, looked through some at a time. */
async function* unasked(database: Database, account: string): AsyncGenerator<string[]> {
  const some = database.$client.prepare<[string, string, number], { value: string; known: number }>(
    `SELECT value, EXISTS (SELECT 1 FROM known_numbers WHERE account = ? AND number = value) AS known
      FROM identifiers WHERE kind = 'gtin' AND value > ? ORDER BY value LIMIT ?`,
  );
  let last = '';
  let waiting: string[] = [];
  for (;;) {
    const rows = some.all(account, last, LOOKED_THROUGH);
    waiting.push(...rows.flatMap(({ value, known }) => (known ? [] : [value])));
    while (waiting.length >= AT_ONCE || (rows.length === 0 && waiting.length > 0)) {
      yield waiting.slice(0, AT_ONCE);
      waiting = waiting.slice(AT_ONCE);
    }
    if (rows.length === 0) return;
    last = rows.at(-1)!.value;
    await setImmediate();
  }
}

function* unaskedOf(database: Database, account: string, families: ReadonlySet<string>): Generator<string[]> {
  const numbers = database
    .all<{ value: string }>(
      sql`SELECT i.value FROM json_each(${JSON.stringify([...families])}) AS one
        CROSS JOIN identifiers AS i ON i.family_id = one.value AND i.kind = 'gtin'
        WHERE NOT EXISTS (SELECT 1 FROM known_numbers WHERE account = ${account} AND number = i.value)`,
    )
    .map((row) => row.value);
  for (let at = 0; at < numbers.length; at += AT_ONCE) yield numbers.slice(at, at + AT_ONCE);
}

async function askAbout(store: Store, base: string, account: Account, numbers: readonly string[]): Promise<void> {
  for (let at = 0; at < numbers.length; at += AT_ONCE) {
    const some = numbers.slice(at, at + AT_ONCE);
    const body = JSON.stringify({ gtins: some });
    const headers = { 'content-type': 'application/json' };
    const said = understood(
      SaidSchema,
      await ask(addressOf(base, account, 'entries'), { method: 'POST', headers, body }),
    ).entries;
    const known = new Map(said.map((entry) => [identityOf('gtin', entry.gtin), entry]));
    await store.whenQuiet(() => keep(store, account, some, known));
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
    // Nobody typed this: what was typed goes before it.
    markDue(database, ids, true);
    return ids;
  });
  store.events.emit({ entries: touched });
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
