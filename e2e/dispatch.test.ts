/** Sending, over real HTTP: what channels get, what comes back, and what happens when something breaks on the way. */
import readXlsxFile from 'read-excel-file/node';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { familyIndex } from '@loom-kin/core/family';
import { endpoints as api } from '@loom-kin/contract';
import { refused, sellerIn } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
beforeAll(async () => void (world = await startWorld()), 60_000);
afterAll(() => world?.end());
const { change, run, shopFamily, fresh, setPrice, send, ended, undo, redo } = sellerIn(() => world);

/** A family that fits Quayside as well. */
async function quaysideFamily() {
  const detail = await shopFamily({
    description: 'A coat to try things with, and nothing else, whatever the weather.',
    highlights: ['One', 'Two', 'Three', 'Four', 'Five'],
    wearer: 'anyone',
    composition: '100 % cotton',
    gtinExempt: true,
    packageLength: 38,
    packageWidth: 30,
    packageHeight: 8,
  });
  const pairing = { channel: 'quayside', role: 'colour' as const };
  const pairings = [
    { ...pairing, value: 'Rust', to: 'Orange' },
    { ...pairing, value: 'Spruce', to: 'Green' },
  ];
  await change([{ on: 'pairings', pairings }]);
  return fresh(detail);
}

describe('what channels get', () => {
  it("is, for Quayside, a sheet whose family row holds no child's figure and whose child rows point to it, read by another library", async () => {
    const { family } = await quaysideFamily();
    const bytes = Buffer.from(
      await (await fetch(`${world.url}/api/families/${family.id}/upload/quayside`)).arrayBuffer(),
    );
    const read = await readXlsxFile(bytes);
    const rows = (!Array.isArray(read[0]) ? (read[0] as unknown as { data: unknown[][] }).data : read) as unknown[][];
    const headers = rows[0]!.map(String);
    const sheet = rows.slice(1).map((row) => Object.fromEntries(headers.map((header, at) => [header, row[at]])));
    expect(sheet.map((row) => row.Row)).toEqual(['family', ...Array<string>(6).fill('child')]);
    for (const name of ['GTIN', 'Price EUR', 'Pieces', 'Colour shown', 'Size shown', 'Of family'])
      expect([name, sheet[0]![name]]).toEqual([name, null]);
    for (const row of sheet.slice(1))
      expect(row).toMatchObject({ 'Of family': family.id, 'Price EUR': '100.00', Pieces: 5, Title: null });
    expect(sheet.slice(1).map((row) => row.Key)).toEqual(familyIndex(family).woven.map((child) => child.fields.sku));
  });
  it("is, on the own shop's page, a schema.org ProductGroup with every child as a variant", async () => {
    const { family } = await shopFamily();
    await ended((await send([family.id], ['own-shop'])).id);
    const page = await (await fetch(`${world.channelsUrl}/own-shop/pages/${family.id}`)).text();
    const data = JSON.parse(/<script type="application\/ld\+json">(.*?)<\/script>/s.exec(page)![1]!);
    // https://schema.org/ProductGroup: variesBy and hasVariant; each Product with an Offer in an ISO 4217 currency.
    expect(data).toMatchObject({
      '@context': 'https://schema.org',
      '@type': 'ProductGroup',
      variesBy: ['https://schema.org/color', 'https://schema.org/size'],
    });
    expect(data.hasVariant.map((one: { sku: string }) => one.sku)).toEqual(
      familyIndex(family).woven.map((child) => child.fields.sku),
    );
    expect(data.hasVariant[0].offers).toEqual({
      '@type': 'Offer',
      price: '100.00',
      priceCurrency: 'EUR',
      availability: 'https://schema.org/InStock',
    });
  });
});

describe('sending', () => {
  it('sends the same thing twice and it is listed once; a change sends only itself', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    const key = crypto.randomUUID();
    const [one, two] = await Promise.all([send([id], ['own-shop'], key), send([id], ['own-shop'], key)]);
    expect(two.id).toBe(one.id);
    expect((await ended(one.id)).lines.map((line) => line.outcome)).toEqual(['listed']);
    expect((await world.held('own-shop')).filter((held) => held.goods.key === id)).toHaveLength(1);
    expect(
      (await world.call(api.previewDispatch, { body: { familyIds: [id], accounts: ['own-shop'] } })).totals,
    ).toMatchObject({ listings: 0, revisions: 0, unchanged: 1 });
    await run(await fresh(detail), setPrice(detail, 2, '77'));
    const changed = await ended((await send([id], ['own-shop'])).id);
    const [line] = changed.lines;
    expect(line).toMatchObject({ action: 'revise', outcome: 'revised', children: 1 });
    const { message } = await world.call(api.dispatchLine, { params: { id: changed.id, line: line!.id } });
    expect(line!.what).toBe('1 child: price · listing: fromPrice');
    expect(message).toMatchObject({
      offers: [{ sku: familyIndex(detail.family).woven[2]!.fields.sku, price: '77.00' }],
      gone: [],
      changes: { fromPrice: '77.00' },
    });
    expect(Object.keys((message as { offers: object[] }).offers[0]!)).toEqual(['price', 'sku']);
    expect((await world.call(api.dispatches)).find((one) => one.id === changed.id)).toMatchObject({
      title: detail.family.fields.name,
      lines: 1,
      states: { done: 1 },
      state: 'done',
    });
    const [held] = (await world.held('own-shop')).filter((each) => each.goods.key === id);
    expect(held!.goods.offers.map((offer) => offer.price).sort()).toEqual([
      '100.00',
      '100.00',
      '100.00',
      '100.00',
      '100.00',
      '77.00',
    ]);
  });
  it('sends a draft, then publishes it; takes down what is no longer offered', async () => {
    const { family } = await shopFamily();
    await ended((await send([family.id], ['own-shop'], undefined, true)).id);
    const held = async () => (await world.held('own-shop')).find((one) => one.goods.key === family.id);
    expect((await held())!.draft).toBe(true);
    expect((await ended((await send([family.id], ['own-shop'])).id)).lines[0]!.outcome).toBe('revised');
    expect((await held())!.draft).toBe(false);
    const now = await world.call(api.family, { params: { id: family.id } });
    await run(now, {
      do: 'setWish',
      account: 'own-shop',
      wish: { apart: [], whole: [], leaveOut: [], offered: false },
    });
    expect((await ended((await send([family.id], ['own-shop'])).id)).lines[0]!.outcome).toBe('taken down');
    expect(await held()).toBeUndefined();
  });
  it('moves children between listings without a refusal: what holds an SKU lets go of it before another takes it', async () => {
    const detail = await shopFamily();
    const { family } = detail;
    const wish = { apart: [], whole: [], leaveOut: [], offered: true };
    const [colour, size] = family.axes.map((axis) => axis.id);
    // The second colour has more children: the live listing goes on with that, and the first becomes a new one.
    await run(detail, { do: 'setWoven', crossings: [familyIndex(family).woven[0]!.at], woven: false });
    await ended((await send([family.id], ['own-shop'])).id);
    const change = async (chosen?: string) => {
      const now = await world.call(api.family, { params: { id: family.id } });
      await run(now, { do: 'setWish', account: 'own-shop', wish: { ...wish, ...(chosen ? { chosen } : {}) } });
      const { lines } = await ended((await send([family.id], ['own-shop'])).id);
      return lines.map((line) => line.outcome).toSorted();
    };
    const held = async () =>
      (await world.held('own-shop'))
        .filter((one) => one.goods.key.startsWith(family.id))
        .map((one) => one.goods.offers.length);
    // One listing becomes two: the live one goes on with half of its children.
    expect(await change(`${size};split=${colour};pin=`)).toEqual(['listed', 'revised']);
    expect((await held()).toSorted()).toEqual([2, 3]);
    expect(await change()).toEqual(['revised', 'taken down']);
    expect(await held()).toEqual([5]);
  });
  it('lets no SKU be renamed, emptied or taken back while a channel lists it; taken down there it is free', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    const [first, second] = familyIndex(detail.family).woven.map((child) => ({
      place: { level: 'child' as const, childId: child.id },
      sku: String(child.fields.sku),
    }));
    await ended((await send([id], ['own-shop'])).id);
    const rename = async (...to: [typeof first, string | null][]) =>
      run(await fresh(detail), {
        do: 'setFigures',
        changes: to.map(([child, figure]) => ({ place: child!.place, key: 'sku', figure })),
      });
    for (const to of ['RENAMED', null]) {
      const stays = await refused(rename([first, to]));
      expect([stays.status, stays.problem.code, stays.message]).toEqual([
        422,
        'sku.live',
        `${first!.sku} is listed on Own shop: orders come in under it. Take it down there first, then change it.`,
      ]);
    }
    // Exchanged between two children orders would find the wrong one.
    expect((await refused(rename([first, second!.sku], [second, first!.sku]))).problem.code).toBe('sku.live');
    await undo(id);
    expect((await refused(undo(id))).problem.code).toBe('sku.live');
    await redo(id);
    await run(await fresh(detail), {
      do: 'setWish',
      account: 'own-shop',
      wish: { apart: [], whole: [], leaveOut: [], offered: false },
    });
    await ended((await send([id], ['own-shop'])).id);
    await rename([first, 'RENAMED']);
    expect((await fresh(detail)).family.children[first!.place.childId]!.fields.sku).toBe('RENAMED');
  });
  it('refuses to send when the total is not the one agreed to', async () => {
    const { family } = await shopFamily();
    const clash = await refused(
      world.call(api.startDispatch, {
        body: {
          familyIds: [family.id],
          accounts: ['own-shop'],
          key: crypto.randomUUID(),
          agreed: { listings: 7, takenDown: 0, fees: [] },
        },
      }),
    );
    expect([clash.status, clash.problem.code]).toEqual([409, 'dispatch.total-changed']);
    // Nor is anything taken down that nobody agreed to.
    await ended((await send([family.id], ['own-shop'])).id);
    await run(await world.call(api.family, { params: { id: family.id } }), { do: 'retireFamily', retired: true });
    const unseen = await refused(
      world.call(api.startDispatch, {
        body: {
          familyIds: [family.id],
          accounts: ['own-shop'],
          key: crypto.randomUUID(),
          agreed: { listings: 0, takenDown: 0, fees: [] },
        },
      }),
    );
    expect(unseen.problem).toMatchObject({ code: 'dispatch.total-changed', detail: { takenDown: 1 } });
    expect((await world.held('own-shop')).some((one) => one.goods.key === family.id)).toBe(true);
  });
  it('holds back what findings stop, and leads a refusal to its child and field', async () => {
    const stopped = await shopFamily({ description: 'Short.' });
    const lines = (await send([stopped.family.id], ['own-shop'])).lines;
    expect(lines[0]).toMatchObject({ state: 'held', reasons: [{ field: 'description' }] });
    // Somebody else's listing holds one of our SKUs already: only the channel can know.
    const { family } = await shopFamily();
    const child = familyIndex(family).woven[3]!;
    const [mine] = (await world.call(api.previewDispatch, { body: { familyIds: [family.id], accounts: ['own-shop'] } }))
      .lines;
    const listing = structuredClone(
      (
        mine!.message as {
          listing: {
            key: string;
            offers: { sku: string }[];
            pictures: string[];
            axes: { options: { pictures?: string[] }[] }[];
            pictureTexts?: unknown;
          };
        }
      ).listing,
    );
    listing.key = 'elsewhere';
    delete listing.pictureTexts;
    listing.pictures = listing.pictures.map((one) => `${world.url}/pictures/${one.slice(8)}`);
    listing.axes.forEach((axis) => axis.options.forEach((option) => delete option.pictures));
    listing.offers.forEach((offer, at) => at !== 3 && (offer.sku += '-ELSE'));
    await fetch(`${world.channelsUrl}/own-shop/submissions`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ key: 'else', messages: [{ action: 'list', key: 'elsewhere', draft: false, listing }] }),
    });
    await until(
      () => world.held('own-shop'),
      (held) => held.some((one) => one.goods.key === 'elsewhere'),
    );
    const done = await ended((await send([family.id], ['own-shop'])).id);
    expect(done.lines[0]).toMatchObject({
      state: 'refused',
      reasons: [{ sku: child.fields.sku, childId: child.id, field: 'sku' }],
    });
  });
});

describe('when things go wrong', () => {
  it.each(['busy', 'ill', 'cut'] as const)(
    'a channel that is %s for a while gets it in the end, and once',
    async (mood) => {
      const { family } = await shopFamily();
      await world.mood('own-shop', mood, 2);
      const done = await ended((await send([family.id], ['own-shop'])).id);
      expect(done.lines.map((line) => line.state)).toEqual(['done']);
      expect((await world.held('own-shop')).filter((one) => one.goods.key === family.id)).toHaveLength(1);
    },
  );
  it('a channel that is switched off leaves the lines to be sent again by hand', async () => {
    const { family } = await shopFamily();
    await world.killChannels();
    const failed = await ended((await send([family.id], ['own-shop'])).id);
    expect(failed.lines[0]).toMatchObject({ state: 'failed', outcome: 'Own shop cannot be reached' });
    await world.startChannels();
    await world.call(api.retryDispatch, { params: { id: failed.id } });
    expect((await ended(failed.id)).lines[0]!.outcome).toBe('listed');
  });
  it('a server killed while a channel thinks goes on where it was', async () => {
    const { family } = await shopFamily();
    await fetch(`${world.channelsUrl}/control`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ channel: 'own-shop', delay: 900 }),
    });
    const sent = await send([family.id], ['own-shop']);
    await until(
      () => world.call(api.dispatch, { params: { id: sent.id } }),
      (one) => one.lines[0]!.state === 'sent',
    );
    await world.killServer();
    await world.startServer();
    expect((await ended(sent.id)).lines[0]!.outcome).toBe('listed');
    await fetch(`${world.channelsUrl}/control`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ channel: 'own-shop', delay: 30 }),
    });
  });
});

describe('two accounts on one channel', () => {
  it('hold listings of their own, with figures of their own, sent together and changed apart', async () => {
    const { accounts } = await world.call(api.setup);
    const first = accounts.find((one) => one.id === 'own-shop')!;
    const second = { ...first, id: 'own-shop-b', name: 'Own shop B', at: accounts.length };
    await change([{ on: 'account', account: second }]);
    const detail = await shopFamily();
    const { id } = detail.family;
    const priced = (figure: string, scope?: string) => ({
      do: 'setFigures' as const,
      changes: [{ place: { level: 'family' as const }, key: 'price', figure, ...(scope ? { scope } : {}) }],
    });
    await run(detail, priced('120.00', 'account:own-shop-b'));
    const both = await ended((await send([id], ['own-shop', 'own-shop-b'])).id);
    expect(both.lines.map((line) => [line.account, line.outcome])).toEqual([
      ['own-shop', 'listed'],
      ['own-shop-b', 'listed'],
    ]);
    const held = async (query: string) => {
      const listings = (await (await fetch(`${world.channelsUrl}/own-shop/listings${query}`)).json()) as {
        goods: { key: string; offers: { price: string }[] };
      }[];
      const mine = listings.filter((one) => one.goods.key.startsWith(id));
      return mine.map((one) => [...new Set(one.goods.offers.map((offer) => offer.price))]);
    };
    expect([await held(''), await held('?account=own-shop-b')]).toEqual([[['100.00']], [['120.00']]]);

    // A change of what holds everywhere reaches the first account alone: the second has a price of its own.
    await run(await fresh(detail), priced('110.00'));
    const { lines } = await world.call(api.previewDispatch, {
      body: { familyIds: [id], accounts: ['own-shop', 'own-shop-b'] },
    });
    expect(lines.map((line) => [line.account, line.action])).toEqual([
      ['own-shop', 'revise'],
      ['own-shop-b', 'none'],
    ]);
    await ended((await send([id], ['own-shop', 'own-shop-b'])).id);
    expect([await held(''), await held('?account=own-shop-b')]).toEqual([[['110.00']], [['120.00']]]);
    const removed = await refused(change([{ on: 'removeAccount', id: 'own-shop-b' }]));
    expect(removed.message).toContain('Own shop B holds 1 listing');
  });
});
