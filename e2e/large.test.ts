/** Changes of large families: stored beside, so that nobody else waits, in line with all others, whole or not at all. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Command } from '@loom-kin/core/change';
import { familyIndex } from '@loom-kin/core/family';
import { endpoints as api, type FamilyDetail } from '@loom-kin/contract';
import { refused, sellerIn } from './shop';
import { startWorld, type World } from './world';

let world: World;
let large: FamilyDetail;
const { change, fresh, startFamily, shopFamily, undo } = sellerIn(() => world);
const values = (word: string, many: number) => Array.from({ length: many }, (_, at) => ({ label: `${word} ${at}` }));

beforeAll(async () => {
  world = await startWorld({ only: 'own-shop' });
  large = await startFamily({
    fields: { name: 'Sea of yarn', styleCode: 'YARN', brand: 'Skerry Supply', category: 'outerwear/jackets' },
    axes: [
      { role: 'colour', label: 'Colour', values: values('Hue', 60) },
      { role: 'size', label: 'Size', values: values('Cut', 50) },
      { role: 'material', label: 'Yarn', values: values('Ply', 3) },
    ],
    off: [],
  });
}, 300_000);
afterAll(() => world?.end());

const children = () => familyIndex(large.family).woven;
const pricesOf = (figure: (at: number) => string): Command => ({
  do: 'setFigures',
  changes: children().map(({ id: childId }, at) => ({
    place: { level: 'child' as const, childId },
    key: 'price',
    figure: figure(at),
  })),
});
/** Begins to store a price for each of 9,000 children. */
const begin = ({ family }: FamilyDetail, figure: (at: number) => string, key: string = crypto.randomUUID()) =>
  change([{ on: 'family', familyId: family.id, revision: family.revision, command: pricesOf(figure) }], { key });
const pricesNow = async () => {
  const { family } = await fresh(large);
  return new Set(familyIndex(family).woven.map((child) => child.fields.price));
};

describe('a change of 9,000 children', () => {
  it('lets others be served while it is stored', async () => {
    let isStored = false;
    const stored = begin(large, () => '10.00').finally(() => (isStored = true));
    let served = 0;
    while (!isStored) {
      await world.call(api.health);
      if (!isStored) served += 1;
    }
    expect((await stored).revisions[large.family.id]).toBe(large.family.revision + 1);
    // With all of it in one thread one or two are served: before it is looked at, and while it is read.
    expect(served).toBeGreaterThan(8);
    expect(await pricesNow()).toEqual(new Set(['10.00']));
  });
  it('is read beside, too', async () => {
    let isRead = false;
    const read = world.call(api.family, { params: { id: large.family.id } }).finally(() => (isRead = true));
    let served = 0;
    while (!isRead) {
      await world.call(api.health);
      if (!isRead) served += 1;
    }
    expect(Object.keys((await read).family.children)).toHaveLength(9000);
    expect(served).toBeGreaterThan(8);
  });
  it('is made beside others that come meanwhile, each on what the one before left', async () => {
    const small = await shopFamily();
    const now = await fresh(large);
    const first = begin(now, () => '11.00');
    const renamed = { place: { level: 'family' as const }, key: 'name', figure: 'Coat after the yarn' };
    const { id: familyId, revision } = small.family;
    const second = change([{ on: 'family', familyId, revision, command: { do: 'setFigures', changes: [renamed] } }]);
    await Promise.all([first, second]);
    expect((await refused(begin(now, () => '12.00'))).problem.code).toBe('family.stale');
    expect((await fresh(small)).family.fields.name).toBe('Coat after the yarn');
    expect(await pricesNow()).toEqual(new Set(['11.00']));
  });
  it('is refused in words, with nothing changed, and taken back and made once like every other', async () => {
    const now = await fresh(large);
    const wrong = await refused(begin(now, (at) => (at === 7000 ? 'dear' : '13.00')));
    expect([wrong.status, wrong.problem.code]).toEqual([422, 'figure.no-amount']);
    expect((await fresh(large)).family.revision).toBe(now.family.revision);
    const key = crypto.randomUUID();
    const [once, again] = [await begin(now, () => '14.00', key), await begin(now, () => '14.00', key)];
    expect(again.id).toBe(once.id);
    expect(familyIndex((await undo(large.family.id)).family).woven[5]!.fields.price).toBe('11.00');
  });
  it('is there whole or not at all when the server is killed while it is stored', async () => {
    for (const wait of [30, 250]) {
      const now = await fresh(large);
      const before = await pricesNow();
      const price = `2${wait}.00`;
      const told = begin(now, () => price).then(
        () => true,
        () => false,
      );
      await new Promise((next) => setTimeout(next, wait));
      await world.killServer();
      const isTold = await told;
      await world.startServer();
      const after = await pricesNow();
      expect([before, new Set([price])]).toContainEqual(after);
      if (isTold) expect(after).toEqual(new Set([price]));
    }
  }, 60_000);
});
