/** Sets of items over the API: their pieces follow from their parts, wherever those are counted, renamed or taken back. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Figure, familyIndex } from '@loom-kin/core/family';
import { endpoints as api, type FamilyDetail } from '@loom-kin/contract';
import { refused, sellerIn } from './shop';
import { startWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world?.end());
const { change, count, ended, fresh, run, send, shopFamily, startFamily, undo } = sellerIn(() => world);

const childOf = ({ family }: FamilyDetail, at = 0) => familyIndex(family).woven[at]!;
const put = (detail: FamilyDetail, key: string, figure: Figure | null, at = 0) =>
  run(detail, {
    do: 'setFigures',
    changes: [{ place: { level: 'child', childId: childOf(detail, at).id }, key, figure }],
  });
const sets = async (detail: FamilyDetail) => {
  const now = await fresh(detail);
  return now.stock[childOf(now).id];
};
const counted = (detail: FamilyDetail, ...pieces: number[]) =>
  count(
    detail,
    pieces.map((one, at) => ({ childId: childOf(detail, at).id, pieces: one })),
  );
let number = 0;
/** Two items with pieces, and a set of two of the first and one of the second. */
async function kit(): Promise<{ goods: FamilyDetail; set: FamilyDetail; skus: string[] }> {
  const goods = await counted(await shopFamily(), 11, 4);
  const skus = [0, 1].map((at) => String(childOf(goods, at).fields.sku));
  const code = `KIT${(number += 1)}`;
  const set = await startFamily({ fields: { name: `Kit ${number}`, styleCode: code, price: '99' }, axes: [], off: [] });
  await put(set, 'sku', code);
  const done = await put(await fresh(set), 'parts', `2 x ${skus[0]!.toLowerCase()}, ${skus[1]}`);
  expect(done.notices).toEqual([]);
  return { goods, set: await fresh(set), skus };
}

describe('a set', () => {
  it('has as many pieces as there are parts for, and follows them: counted, made to order, taken back', async () => {
    const { goods, set } = await kit();
    expect(await sets(set)).toBe(4);
    expect(
      (await world.call(api.listFamilies, { query: { q: String(set.family.fields.name) } })).families[0]!.stock,
    ).toBe(4);
    await counted(goods, 5);
    expect(await sets(set)).toBe(2);
    expect(
      (await world.call(api.listFamilies, { query: { q: String(set.family.fields.name) } })).families[0]!.stock,
    ).toBe(2);
    await undo(goods.family.id);
    expect(await sets(set)).toBe(4);
    await put(await fresh(goods), 'counting', 'toOrder', 1);
    expect(await sets(set)).toBe(5);
    const items = await world.call(api.bundleItems, { params: { id: set.family.id, childId: childOf(set).id } });
    expect(items.map(({ pieces, item }) => [pieces, item!.stock])).toEqual([
      [2, 11],
      [1, null],
    ]);
  });
  it('is not counted itself; the parts are', async () => {
    const { set } = await kit();
    const refusal = await refused(counted(set, 7));
    expect([refusal.status, refusal.message]).toEqual([
      422,
      expect.stringContaining('its pieces follow from its parts'),
    ]);
    expect(await sets(set)).toBe(4);
  });
  it('names its parts by SKU and follows a new one in the same change; undo takes both back', async () => {
    const { goods, set, skus } = await kit();
    await put(await fresh(goods), 'sku', `${skus[0]}-NEW`);
    const now = await fresh(set);
    expect(childOf(now).fields.parts).toBe(`2 × ${skus[0]}-NEW, 1 × ${skus[1]}`);
    expect(await sets(set)).toBe(4);
    await undo(goods.family.id);
    expect(childOf(await fresh(set)).fields.parts).toBe(`2 × ${skus[0]!.toLowerCase()}, 1 × ${skus[1]}`);
    expect(await sets(set)).toBe(4);
  });
  it('is in no other set and not in itself; a part that nobody has is told', async () => {
    const { goods, set, skus } = await kit();
    const code = String(childOf(set).fields.sku);
    const own = await refused(put(set, 'parts', `2 × ${code}`));
    expect(own.message).toContain('a part of itself');
    expect((await refused(put(await fresh(goods), 'parts', code, 2))).message).toContain('is a set itself');
    expect((await refused(put(await fresh(goods), 'parts', String(childOf(goods, 2).fields.sku)))).message).toContain(
      `a part of ${String(set.family.fields.name)}`,
    );
    const { notices } = await put(await fresh(set), 'parts', `1 × ${skus[0]}, 1 × NOBODY-HAS`);
    expect(notices).toEqual([expect.stringContaining('no item with the SKU NOBODY-HAS')]);
    expect(await sets(set)).toBe(0);
  });
  it('is offered with the pieces that there are parts for, and due when they change', async () => {
    const { goods, skus } = await kit();
    const shown = await shopFamily();
    const at = 1;
    await put(shown, 'parts', `1 × ${skus[0]}`, at);
    await ended((await send([shown.family.id], ['own-shop'])).id);
    const offer = async () =>
      (await world.held('own-shop'))
        .flatMap(({ goods: held }) => held.offers)
        .find(({ sku }) => sku === childOf(shown, at).fields.sku);
    expect((await offer())?.stock).toBe(11);
    await counted(goods, 3);
    await ended((await send([shown.family.id], ['own-shop'])).id);
    expect((await offer())?.stock).toBe(3);
  });
  it('is parted again when its parts are taken from it', async () => {
    const { set } = await kit();
    await put(set, 'parts', null);
    await change([{ on: 'stock', familyId: set.family.id, counts: [{ childId: childOf(set).id, pieces: 7 }] }]);
    expect(await sets(set)).toBe(7);
  });
});
