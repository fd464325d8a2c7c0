/** Goods that a channel knows by their numbers: found by itself, settled, sent under its entries, asked about again. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NO_WISH, familyIndex } from '@loom-kin/core/family';
import { computeWithContext } from '@loom-kin/core/fit';
import { openRegistry } from '@loom-kin/core/registry';
import { compilePattern, openRulebook } from '@loom-kin/core/rulebook';
import { endpoints as api } from '@loom-kin/contract';
import { refused, sellerIn } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
let id: string;
const { change, run, send, ended } = sellerIn(() => world);
beforeAll(async () => {
  world = await startWorld({ demo: true, only: 'quayside,fernpost,own-shop,tallow-gate' });
  id = (await world.call(api.listFamilies, { query: { q: 'GMG' } })).families[0]!.id;
  const colours = { chalk: 'White', midnight: 'Navy blue', madder: 'Red', ochre: 'Yellow', spruce: 'Green' };
  const pairs = Object.entries({ ...colours, kingfisher: 'Turquoise' });
  const pairings = pairs.map(([value, to]) => ({ channel: 'quayside', role: 'colour', value, to }));
  await change([{ on: 'pairings', pairings }]);
}, 300_000);
afterAll(() => world?.end());

const mug = () => world.call(api.family, { params: { id } });
const known = async (account: string) =>
  Object.values((await mug()).known[account] ?? {}).flatMap((entry) => entry?.entry ?? []);
const findings = async () =>
  (await world.call(api.findingCounts, { query: { account: 'quayside' } })).map((one) => one.code);
/** What the product makes of the mug on Quayside, as its page does. */
async function matches() {
  const [{ family, stock, pictures, known: said }, setup] = await Promise.all([mug(), world.call(api.setup)]);
  const account = setup.accounts.find((one) => one.id === 'quayside')!;
  const { rulebook } = setup.channels.find((one) => one.channel === 'quayside')!;
  return computeWithContext({
    family,
    stock,
    pictures,
    account,
    seller: setup.seller,
    live: [],
    rulebook: openRulebook(rulebook, openRegistry(setup.registry), compilePattern),
    pairings: setup.pairings.quayside ?? {},
    categories: setup.categoryMaps.quayside ?? {},
    known: said.quayside ?? {},
  }).fit.entries;
}
const settle = async (entries: Record<string, string | null>) => {
  const now = await mug();
  await run(now, { do: 'setWish', account: 'quayside', wish: { ...NO_WISH, ...now.family.wishes.quayside, entries } });
};

describe('numbers of the seller that a channel knows', () => {
  it('are asked about by themselves, and stop what would be refused', async () => {
    await until(
      () => known('quayside'),
      (entries) => entries.length === 3,
    );
    await until(
      () => known('tallow-gate'),
      (entries) => entries.length === 1,
    );
    await until(findings, (codes) => codes.includes('entry.found'));
    expect((await matches()).map(({ entry, isLikely }) => [entry.entry, isLikely])).toEqual([
      ['Q-20417', true],
      ['Q-20418', true],
      ['Q-20431', false],
    ]);
    const numbers = familyIndex((await mug()).family).woven.length;
    expect(Object.keys((await mug()).known.quayside!)).toHaveLength(numbers);
  });
  it('are sent under its entries once that is settled: their facts and pictures stay the channel’s', async () => {
    const found = await matches();
    await settle(Object.fromEntries(found.map(({ childId, entry }) => [childId, entry.entry])));
    await until(findings, (codes) => !codes.some((code) => code.startsWith('entry.')));
    const { lines } = await ended((await send([id], ['quayside'])).id);
    expect(lines.map((line) => [line.outcome, line.reasons])).toEqual([['listed', []]]);
    type Held = { entry?: string; gtin?: string; fields: object; pictures?: string[] };
    const [held] = await world.held('quayside');
    const offers = held!.goods.offers as unknown as Held[];
    expect(offers.filter((offer) => offer.entry).map(({ entry, gtin }) => [entry, gtin])).toEqual([
      ['Q-20417', '9501018400017'],
      ['Q-20418', '9501018400024'],
      ['Q-20431', '9501018400031'],
    ]);
    expect(offers.filter((offer) => offer.entry).map(({ fields, pictures }) => [fields, pictures])).toEqual([
      [{}, undefined],
      [{}, undefined],
      [{}, undefined],
    ]);
    expect(offers.find((offer) => !offer.entry)!.pictures!.length).toBeGreaterThan(0);
    // Nothing differs afterwards: what the channel holds is what it should.
    const again = await world.call(api.previewDispatch, {
      body: { familyIds: [id], accounts: ['quayside'], draft: false },
    });
    expect(again.totals).toMatchObject({ listings: 0, revisions: 0, unchanged: 1 });
    const page = await (await fetch(lines[0]!.page!)).text();
    expect(page).toContain('an offer under');
  });
  it('are refused by the channel where they are sent as goods of the seller’s own', async () => {
    const found = await matches();
    await settle(Object.fromEntries(found.map(({ childId }) => [childId, null])));
    await until(findings, (codes) => codes.includes('entry.apart'));
    const preview = await world.call(api.previewDispatch, {
      body: { familyIds: [id], accounts: ['quayside'], draft: false },
    });
    expect(preview.totals.held).toBe(1);
    await world.call(api.undo, { params: { id: (await mug()).undo!.id }, body: { key: crypto.randomUUID() } });
    await until(findings, (codes) => !codes.includes('entry.apart'));
  });
  it('are asked about again on wish: entries come and go', async () => {
    const last = familyIndex((await mug()).family).woven.at(-1)!;
    const gtin = String(last.fields.gtin);
    const entries = [{ entry: 'Q-777', gtin, name: 'A mug of somebody else’s' }];
    await fetch(`${world.channelsUrl}/control`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ channel: 'quayside', entries }),
    });
    await world.call(api.askEntries, { params: { id: 'quayside' }, body: { familyId: id } });
    expect(await known('quayside')).toContain('Q-777');
    await until(findings, (codes) => codes.includes('entry.found'));
    await world.killChannels();
    const away = world.call(api.askEntries, { params: { id: 'quayside' }, body: { familyId: id } });
    expect((await refused(away)).problem.code).toBe('channel.silent');
    expect(await known('quayside')).toContain('Q-777');
    await world.startChannels();
  });
  it('are new numbers, too, when they are given', async () => {
    const [child] = familyIndex((await mug()).family).woven;
    const place = { level: 'child' as const, childId: child!.id };
    const changes = [{ place, key: 'gtin', figure: '9501018400048' }];
    const { family } = await mug();
    const command = { do: 'setFigures' as const, changes };
    await change([{ on: 'family', familyId: id, revision: family.revision, command }]);
    await until(
      async () => Object.keys((await mug()).known.quayside ?? {}),
      (numbers) => numbers.includes('09501018400048'),
    );
    await until(findings, (codes) => codes.includes('entry.gone'));
  });
});
