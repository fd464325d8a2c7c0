/**
 * An answer of a channel that is lost leaves a doubt about what the channel holds, not about one dispatch: until it has been read again
 * the product says so, and what is sent next starts from what is there.
 */
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, type FamilyDetail } from '@loom-kin/contract';
import { faultyLine, type Fault } from './faultyLine';
import { sellerIn } from './shop';
import { startWorld, until, type World } from './world';

const line = faultyLine();
let world: World;
beforeAll(async () => void (world = await startWorld({ through: line.open, waits: '30,30' })), 60_000);
afterAll(async () => {
  await world?.end();
  line.close();
});
afterEach(() => void (line.fault = () => undefined));
const { shopFamily, fresh, run, send, ended } = sellerIn(() => world);

const setAll = async (detail: FamilyDetail, price: string) =>
  run(await fresh(detail), {
    do: 'setFigures',
    changes: [{ place: { level: 'family' }, key: 'price', figure: price }],
  });
const priceThere = async ({ family }: FamilyDetail) =>
  (await world.held('own-shop')).find(({ goods }) => goods.key === family.id)?.goods.offers[0]!.price;
const preview = ({ family }: FamilyDetail) =>
  world.call(api.previewDispatch, { body: { familyIds: [family.id], accounts: ['own-shop'] } });
const stripOf = async ({ family }: FamilyDetail) =>
  (await world.call(api.listFamilies, { query: { q: String(family.fields.styleCode) } })).families[0]!.strip[
    'own-shop'
  ];

const isSubmission = (path: string) => path.includes('/submissions');
const isReceipt = (path: string) => path.includes('/receipts/');
const onSubmissions = (fault: Fault) => (path: string) => (isSubmission(path) ? fault : undefined);
const onReceipts =
  (bend: (body: string) => string, status = 200) =>
  (path: string, body: string) =>
    isReceipt(path) && body.includes('"done"') ? ({ do: 'answer', status, body: bend(body) } as const) : undefined;

const WAYS: Record<string, (path: string, body: string) => Fault | undefined> = {
  'is cut off': onSubmissions({ do: 'cut' }),
  'is no JSON': onSubmissions({ do: 'answer', status: 200, body: '<html>Welcome' }),
  'is JSON of something else': onSubmissions({ do: 'answer', status: 200, body: '{"thanks":true}' }),
  'says that nothing is there': onSubmissions({ do: 'answer', status: 404, body: '{"text":"Not there."}' }),
  'says that there is no such receipt': onReceipts(() => '{"text":"Not there."}', 404),
  'is a receipt that does not name the listing': onReceipts((body) =>
    JSON.stringify({ ...JSON.parse(body), lines: [] }),
  ),
  'is a receipt that falsely says refused': onReceipts((body) =>
    body.replace(/"outcome":"[a-z ]+"/, '"outcome":"refused"'),
  ),
};

describe('An answer that', () => {
  for (const [way, fault] of Object.entries(WAYS))
    it(`${way} after a price was taken: the old price is sent back`, async () => {
      const coat = await shopFamily();
      await ended((await send([coat.family.id], ['own-shop'])).id);
      await setAll(coat, '120.00');
      line.fault = ({ path, body }) => fault(path, body);
      const lost = await ended((await send([coat.family.id], ['own-shop'])).id);
      expect(lost.lines[0]!.state).toMatch(/failed|refused/);
      expect(
        await until(
          () => priceThere(coat),
          (price) => price === '120.00',
        ),
      ).toBe('120.00');
      expect((await stripOf(coat))!.unconfirmed).toBe(1);
      await setAll(coat, '100.00');
      line.fault = () => undefined;
      expect((await preview(coat)).totals).toMatchObject({ revisions: 1, unchanged: 0, held: 0 });
      expect((await stripOf(coat))!.unconfirmed).toBe(0);
      await ended((await send([coat.family.id], ['own-shop'])).id);
      expect(await priceThere(coat)).toBe('100.00');
    });

  it('never comes, of a first listing, leaves it known here as soon as the channel is read', async () => {
    const coat = await shopFamily();
    line.fault = ({ path }) => (isSubmission(path) ? { do: 'cut' } : undefined);
    await ended((await send([coat.family.id], ['own-shop'])).id);
    expect(await fresh(coat)).toMatchObject({ live: [], unconfirmed: [{ account: 'own-shop' }] });
    line.fault = () => undefined;
    await world.call(api.readAccount, { params: { id: 'own-shop' } });
    expect(await fresh(coat)).toMatchObject({ live: [{ key: coat.family.id }], unconfirmed: [] });
  });

  it('cannot be had at all holds the listing back, and says why', async () => {
    const coat = await shopFamily();
    await ended((await send([coat.family.id], ['own-shop'])).id);
    await setAll(coat, '120.00');
    line.fault = () => ({ do: 'cut' });
    await ended((await send([coat.family.id], ['own-shop'])).id);
    await setAll(coat, '100.00');
    const { totals, lines } = await preview(coat);
    expect(totals).toMatchObject({ held: 1, unchanged: 0, revisions: 0 });
    expect(lines[0]).toMatchObject({ state: 'held', outcome: 'not confirmed' });
    expect(lines[0]!.reasons[0]!.text).toContain('Nothing is sent until Own shop has been read');
  });
});

describe('A seller who presses Stop on the way', () => {
  it('is told what the channel has made of it', async () => {
    const coat = await shopFamily();
    await ended((await send([coat.family.id], ['own-shop'])).id);
    await setAll(coat, '120.00');
    line.fault = ({ path }) => (isSubmission(path) ? { do: 'late', milliseconds: 400 } : undefined);
    const { id } = await send([coat.family.id], ['own-shop']);
    await until(
      () => priceThere(coat),
      (price) => price === '120.00',
    );
    await world.call(api.stopDispatch, { params: { id } });
    await setAll(coat, '100.00');
    line.fault = () => undefined;
    expect((await preview(coat)).totals).toMatchObject({ revisions: 1, unchanged: 0 });
    await ended((await send([coat.family.id], ['own-shop'])).id);
    expect(await priceThere(coat)).toBe('100.00');
  });
});

describe('A seller who presses Stop before anything has left', () => {
  it('has nothing sent, and what was stopped stays so', async () => {
    const coats = await Promise.all(Array.from({ length: 6 }, () => shopFamily()));
    const ids = coats.map(({ family }) => family.id);
    await ended((await send(ids, ['own-shop'])).id);
    for (const coat of coats) await setAll(coat, '120.00');
    const { id } = await send(ids, ['own-shop']);
    const stopped = await world.call(api.stopDispatch, { params: { id } });
    const kept = new Set(stopped.lines.filter(({ state }) => state === 'stopped').map((line) => line.id));
    expect(kept.size).toBeGreaterThan(0);
    // An account is worked on in order: what is sent later is done after anything that was being put together then.
    await ended((await send([(await shopFamily()).family.id], ['own-shop'])).id);
    const { lines } = await world.call(api.dispatch, { params: { id } });
    expect(lines.filter((line) => kept.has(line.id) && line.state !== 'stopped')).toEqual([]);
    for (const coat of coats)
      if ((await stripOf(coat))!.unconfirmed === 0) expect(await priceThere(coat)).toBe('100.00');
  });
});

describe('A channel that works on a lost submission later', () => {
  it('is not taken to be done with it: what came late is set right', async () => {
    const coat = await shopFamily();
    await ended((await send([coat.family.id], ['own-shop'])).id);
    await setAll(coat, '120.00');
    await delay(1500);
    line.fault = ({ path }) => (isSubmission(path) ? { do: 'cut' } : undefined);
    await ended((await send([coat.family.id], ['own-shop'])).id);
    line.fault = () => undefined;
    await setAll(coat, '100.00');
    expect((await preview(coat)).lines[0]).toMatchObject({ state: 'held', outcome: 'not confirmed' });
    await until(
      () => priceThere(coat),
      (price) => price === '120.00',
    );
    await delay(30);
    expect((await preview(coat)).totals.revisions).toBe(1);
    await ended((await send([coat.family.id], ['own-shop'])).id);
    expect(await priceThere(coat)).toBe('100.00');
  });
});

/** How long the own shop lets a submission wait, in milliseconds. */
const delay = (milliseconds: number) =>
  fetch(`${world.channelsUrl}/control`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ channel: 'own-shop', mood: 'well', delay: milliseconds }),
  });
