/** The storm jacket on every channel that is played: what each makes of it, taken by all, and seen by buyers. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { familyIndex } from '@loom-kin/core';
import { endpoints as api } from '@loom-kin/contract';
import { sellerIn } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
let id: string;
const { change, send, ended } = sellerIn(() => world);
beforeAll(async () => {
  world = await startWorld({ demo: true, every: true });
  id = (await world.call(api.listFamilies, { query: { q: 'SKJ' } })).families[0]!.id;
  const colours = { Rust: 'Orange', Spruce: 'Green', Midnight: 'Navy blue', Ochre: 'Yellow' };
  const pairings = Object.entries(colours).map(([value, to]) => ({
    ...{ channel: 'quayside', role: 'colour' as const, value, to },
  }));
  await change([{ on: 'pairings', pairings }]);
}, 120_000);
afterAll(() => world?.end());

/** Channel → axes of the listing, its options joined or not. */
const EXPECTED: Record<string, string[]> = {
  quayside: ['Colour', 'Size'],
  fernpost: ['Colour', 'Size / Lining'],
  'own-shop': ['Colour', 'Size', 'Lining'],
  'tallow-gate': ['Colour', 'Size', 'Lining'],
  'norang-hall': ['Colour', 'Size', 'Lining'],
};

describe('the storm jacket', () => {
  it('is taken by every channel with all of its children, each with the axes that its rules allow', async () => {
    const accounts = Object.keys(EXPECTED);
    await until(
      async () => (await world.call(api.listFamilies, { query: { q: 'SKJ' } })).families[0]!.strip,
      (strip) => accounts.every((account) => strip[account] && strip[account].state !== 'stopped'),
    );
    const { lines } = await ended((await send([id], accounts)).id);
    expect(lines.map((line) => [line.account, line.outcome]).toSorted()).toEqual(
      accounts.toSorted().map((account) => [account, 'listed']),
    );
    const { family } = await world.call(api.family, { params: { id } });
    const skus = familyIndex(family).woven.map((child) => child.fields.sku);
    for (const [account, axes] of Object.entries(EXPECTED)) {
      const held = (await world.held(account)).filter((one) => one.goods.key.startsWith(id));
      expect([account, held.map((one) => one.goods.axes.map((axis) => axis.name))]).toEqual([account, [axes]]);
      expect(held[0]!.goods.offers.map((offer) => offer.sku).toSorted()).toEqual(skus.toSorted());
    }
  });
  it('costs won in tens and without decimals, and pounds with pence', async () => {
    const prices = async (account: string) =>
      (await world.held(account)).find((one) => one.goods.key === id)!.goods.offers.map((offer) => offer.price);
    // 189.00 EUR at 1,480 won are 279,720; at 0.86 pounds 162.54.
    expect((await prices('norang-hall'))[0]).toBe('279720');
    expect((await prices('norang-hall')).every((price) => /^\d+0$/.test(price))).toBe(true);
    expect((await prices('tallow-gate'))[0]).toBe('162.54');
  });
  it('has a page for buyers on each', async () => {
    for (const account of Object.keys(EXPECTED)) {
      const page = await fetch(`${world.channelsUrl}/${account}/pages/${id}`);
      expect([account, page.status, (await page.text()).includes('Skerry storm jacket')]).toEqual([account, 200, true]);
    }
  });
});
