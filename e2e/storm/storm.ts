/**
 * Sending over a line that loses, delays, doubles and spoils answers, round after round. After each round what the product says an account
 * holds is compared with what it does hold: a difference that is not marked as unconfirmed is one that nobody would know of.
 */
import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { Listing } from '@loom-kin/core/listing';
import { endpoints as api, Refused, type FamilyDetail } from '@loom-kin/contract';
import type { Fault, FaultyLine } from '../faultyLine';
import { sellerIn } from '../shop';
import { until, type World } from '../world';

export interface StormOrder {
  world: World;
  line: FaultyLine;
  /** Goes on until so many messages were handed over. */
  messages: number;
  /** Families made besides those that are there. */
  families: number;
  seed: number;
  tell?: (report: StormReport) => void;
}

export interface StormReport {
  rounds: number;
  messages: number;
  faults: Record<string, number>;
  /** Listings that were marked as unconfirmed after a round, all rounds together. */
  unconfirmed: number;
  /** Of those, listings that did differ. */
  disclosed: number;
  /** "round, account, listing: what is said, what is there", of differences that nobody is told of. */
  undisclosed: string[];
  /** The same once every account has been read. */
  afterReading: string[];
}

const ACCOUNTS = ['own-shop', 'quayside', 'fernpost'];
/** So often all accounts are read, and nothing may be in doubt any more. */
const READ_EVERY = 8;

/** Numbers from 0 to 1, the same for a seed (Marsaglia, Xorshift RNGs, 2003). */
function diceFrom(seed: number): () => number {
  let state = seed || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 2 ** 32;
  };
}

export async function runStorm({ world, line, messages, families, seed, tell }: StormOrder): Promise<StormReport> {
  const { shopFamily, fresh, run, count } = sellerIn(() => world);
  const dice = diceFrom(seed);
  const one = <T>(list: readonly T[]): T => list[Math.floor(dice() * list.length)]!;
  const report: StormReport = {
    rounds: 0,
    messages: 0,
    faults: {},
    unconfirmed: 0,
    disclosed: 0,
    undisclosed: [],
    afterReading: [],
  };
  const goods: FamilyDetail[] = [];
  for (const { id } of (await world.call(api.listFamilies, { query: { limit: 200 } })).families)
    goods.push(await world.call(api.family, { params: { id } }));
  for (let made = 0; made < families; made++) goods.push(await shopFamily());
  const database = new Database(join(world.folder, 'loom-kin.db'), { readonly: true });

  function anyFault(path: string, body: string): Fault | undefined {
    const isReceipt = path.includes('/receipts/') && body.includes('"done"');
    if (dice() > (path.includes('/submissions') ? 0.4 : isReceipt ? 0.3 : 0.1)) return undefined;
    const ways: [string, Fault][] = [
      ['cut', { do: 'cut' }],
      ['late', { do: 'late', milliseconds: Math.floor(dice() * 300) }],
      ['no JSON', { do: 'answer', status: 200, body: '<html>Welcome' }],
      ['something else', { do: 'answer', status: 200, body: '{"thanks":true}' }],
      ['not there', { do: 'answer', status: 404, body: '{"text":"Not there."}' }],
      ['fault inside', { do: 'answer', status: 500, body: '{"text":"A fault inside."}' }],
      ['half of it', { do: 'answer', status: 200, body: body.slice(0, Math.floor(body.length * dice())) }],
    ];
    // A question that arrives twice is one that changes nothing, or has a key.
    ways.push(['twice', { do: 'twice' }]);
    if (isReceipt)
      ways.push(
        [
          'refused falsely',
          { do: 'answer', status: 200, body: body.replaceAll(/"outcome":"[a-z ]+"/g, '"outcome":"refused"') },
        ],
        ['without its lines', { do: 'answer', status: 200, body: JSON.stringify({ ...JSON.parse(body), lines: [] }) }],
      );
    const [name, fault] = one(ways);
    report.faults[name] = (report.faults[name] ?? 0) + 1;
    return fault;
  }

  async function changeSome(): Promise<string[]> {
    const chosen = goods.filter(() => dice() < 0.6);
    for (const detail of chosen) {
      const now = await fresh(detail);
      if (dice() < 0.12) {
        const wish = { apart: [], whole: [], leaveOut: [], offered: dice() < 0.5 };
        await run(now, { do: 'setWish', account: one(ACCOUNTS), wish });
      } else if (dice() < 0.3) {
        const child = one(Object.values(now.family.children).filter(({ woven }) => woven));
        await count(now, [{ childId: child.id, pieces: 20 + Math.floor(dice() * 9) }]);
      } else {
        const price = {
          place: { level: 'family' as const },
          key: 'price',
          figure: one(['100.00', '120.00', '140.00']),
        };
        await run(now, { do: 'setFigures', changes: [price] });
      }
    }
    return chosen.map(({ family }) => family.id);
  }

  /** A dispatch that is done or stopped, with no line on its way. */
  const overWith = (id: string) =>
    until(
      () => world.call(api.dispatch, { params: { id } }),
      ({ state, lines }) => state !== 'running' && lines.every((line) => line.state !== 'sent'),
    );

  async function sendSome(familyIds: string[]): Promise<void> {
    const order = { familyIds, accounts: ACCOUNTS, draft: false };
    try {
      const { totals } = await world.call(api.previewDispatch, { body: order });
      const agreed = { listings: totals.listings, takenDown: totals.takenDown, fees: totals.fees };
      const { id } = await world.call(api.startDispatch, { body: { ...order, agreed, key: crypto.randomUUID() } });
      if (dice() < 0.15) await world.call(api.stopDispatch, { params: { id } });
      if (dice() < 0.5) line.fault = () => undefined;
      const { lines } = await overWith(id);
      report.messages += lines.filter(({ state }) => !['held', 'queued', 'stopped'].includes(state)).length;
    } catch (error) {
      // The total changed, or there is nothing to send: a seller looks again.
      if (!(error instanceof Refused)) throw error;
    }
  }

  const isUnread = database.prepare('SELECT count(*) FROM unread_accounts WHERE account = ?').pluck();
  const unsure = database.prepare('SELECT key FROM unconfirmed_listings WHERE account = ?').pluck();
  const known = database.prepare('SELECT key, listing FROM held_listings WHERE account = ?');

  /** Account and key → what is said to be there, and what is. */
  async function compare(account: string): Promise<Map<string, { said: string; there: string }>> {
    const said = new Map(
      (known.all(account) as { key: string; listing: string }[]).map(({ key, listing }) => [
        key,
        shown((JSON.parse(listing) as Listing).offers),
      ]),
    );
    const there = new Map((await atRest(account)).map(({ goods: { key, offers } }) => [key, shown(offers)]));
    const keys = new Set([...said.keys(), ...there.keys()]);
    return new Map(
      [...keys].flatMap((key) => {
        const both = { said: said.get(key) ?? 'nothing', there: there.get(key) ?? 'nothing' };
        return both.said === both.there ? [] : [[key, both] as const];
      }),
    );
  }

  /** What an account holds once its channel is done with what it was given. */
  async function atRest(account: string) {
    let before = '';
    const [, now] = await until(
      async () => {
        const held = await world.held(account);
        const text = JSON.stringify(held);
        const isSame = text === before;
        before = text;
        return [isSame, held] as const;
      },
      ([isSame]) => isSame,
    );
    return now;
  }

  try {
    while (report.messages < messages) {
      report.rounds += 1;
      const ids = await changeSome();
      line.fault = ({ path, body }) => anyFault(path, body);
      await sendSome(ids);
      line.fault = () => undefined;
      for (const account of ACCOUNTS) {
        const differing = await compare(account);
        const marked = new Set(unsure.all(account) as string[]);
        const isAllMarked = Number(isUnread.get(account)) > 0;
        report.unconfirmed += marked.size;
        for (const [key, { said, there }] of differing)
          if (marked.has(key) || isAllMarked) report.disclosed += 1;
          else report.undisclosed.push(`${report.rounds}, ${account}, ${key}: ${said} – ${there}`);
        if (report.rounds % READ_EVERY > 0) continue;
        // What the channel still works on stays in doubt until it is done.
        await until(
          () => world.call(api.readAccount, { params: { id: account } }),
          ({ left }) => left === 0,
        );
        for (const [key, { said, there }] of await compare(account))
          report.afterReading.push(`${report.rounds}, ${account}, ${key}: ${said} – ${there}`);
      }
      tell?.(report);
    }
  } finally {
    database.close();
  }
  return report;
}

const shown = (offers: readonly { sku: string; price: string; stock: number }[]): string =>
  offers
    .map(({ sku, price, stock }) => `${sku} ${Number(price)} ${stock}`)
    .sort()
    .join(', ');
