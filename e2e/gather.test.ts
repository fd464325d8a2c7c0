/** Families gathered, left and copied over HTTP: SKUs, pieces and listings stay with the children; one undo. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { familyIndex, figureOf } from '@loom-kin/core/family';
import { proposeGather } from '@loom-kin/core/gather';
import { openRegistry } from '@loom-kin/core/registry';
import { refused, sellerIn } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world.end());
const seller = sellerIn(() => world);
const detail = (id: string) => world.call(api.family, { params: { id } });

/** SKU → price and pieces, of every family that is in use. */
async function everything(ids: readonly string[]): Promise<Record<string, unknown[]>> {
  const all = await Promise.all(ids.map(detail));
  return Object.fromEntries(
    all.flatMap(({ family, stock }) =>
      familyIndex(family).woven.map((child) => [
        String(child.fields.sku),
        [figureOf(family, child, 'price'), figureOf(family, child, 'weight'), stock[child.id] ?? 0],
      ]),
    ),
  );
}
const sent = async (ids: string[]) => seller.ended((await seller.send(ids, ['own-shop'])).id);
const listedOn = async (account: string) =>
  (await world.held(account)).flatMap((one) => one.goods.offers.map(({ sku }) => sku)).sort();

describe('Three families that are listed', () => {
  it('become one and stay listed under their SKUs; taken back they are three again', async () => {
    const families = [];
    for (const name of ['Gull tee', 'Heron tee', 'Puffin tee']) families.push(await seller.shopFamily({ name }));
    const ids = families.map(({ family }) => family.id);
    await sent(ids);
    const before = await everything(ids);
    const listed = await listedOn('own-shop');
    expect(listed).toHaveLength(18);
    const [into, ...others] = (await Promise.all(ids.map(detail))).map(({ family }) => family);
    const { registry } = await world.call(api.setup);
    const { axes, members } = proposeGather(openRegistry(registry), into!, others);
    const revisions = Object.fromEntries([into!, ...others].map(({ id, revision }) => [id, revision]));
    const done = await makeChange(world.call, [{ on: 'gather', familyId: into!.id, revisions, axes, members }]);
    expect([done.title, done.notices]).toEqual(['Gather 12 children into Gull tee', []]);
    const after = await detail(into!.id);
    expect(after.family.axes.map(({ label, values }) => `${label} ${values.length}`)).toEqual([
      'Colour 2',
      'Size 3',
      'Design 3',
    ]);
    expect(await everything([into!.id])).toEqual(before);
    expect((await Promise.all(others.map(({ id }) => detail(id)))).map(({ family }) => family.retired)).toEqual([
      true,
      true,
    ]);
    // Sent again: one listing with all of them; the others let go what it takes.
    await sent(ids);
    await until(
      () => world.held('own-shop'),
      (held) => held.filter((one) => one.goods.offers.length > 0).length === 1,
    );
    expect(await listedOn('own-shop')).toEqual(listed);
    await world.call(api.undo, { params: { id: done.id! }, body: { key: 'gather-undone' } });
    expect(await everything(ids)).toEqual(before);
    await world.call(api.redo, { params: { id: done.id! }, body: { key: 'gather-redone' } });
    expect(await everything([into!.id])).toEqual(before);
  });

  it('are refused where one was changed meanwhile', async () => {
    const [first, second] = [
      await seller.shopFamily({ name: 'Fell cap' }),
      await seller.shopFamily({ name: 'Tarn cap' }),
    ];
    const { registry } = await world.call(api.setup);
    const { axes, members } = proposeGather(openRegistry(registry), first.family, [second.family]);
    const revisions = { [first.family.id]: first.family.revision, [second.family.id]: 0 };
    const refusal = await refused(
      makeChange(world.call, [{ on: 'gather', familyId: first.family.id, revisions, axes, members }]),
    );
    expect(refusal.message).toContain('Tarn cap was changed meanwhile');
  });
});

describe('A child', () => {
  it('leaves with its SKU and its pieces, listed or not, and is a family of one', async () => {
    const coat = await seller.shopFamily({ name: 'Leaving coat' });
    const { id, revision } = coat.family;
    await sent([id]);
    const now = await detail(id);
    const [child] = familyIndex(now.family).woven;
    const before = await everything([id]);
    const done = await makeChange(world.call, [
      { on: 'leave', familyId: id, revision: now.family.revision, childIds: [child!.id] },
    ]);
    expect(revision).toBeGreaterThan(0);
    const [single] = done.started;
    const alone = await detail(single!);
    expect(alone.family.axes).toEqual([]);
    expect(await everything([id, single!])).toEqual(before);
    expect(done.notices).toEqual([]);
    expect((await detail(id)).undo).toMatchObject({ id: done.id, title: 'Let 1 child leave Leaving coat' });
    expect((await detail(single!)).undo).toBeNull();
    await world.call(api.undo, { params: { id: done.id! }, body: { key: 'leave-undone' } });
    expect(await everything([id])).toEqual(before);
  });
});

describe('A family', () => {
  it('is copied without SKUs, numbers and pieces', async () => {
    const coat = await seller.shopFamily({ name: 'Copied coat' });
    const done = await makeChange(world.call, [
      { on: 'copy', familyId: coat.family.id, fields: { name: 'Another coat', styleCode: 'ANC' } },
    ]);
    const { family, stock } = await detail(done.started[0]!);
    expect(family.fields).toMatchObject({ name: 'Another coat', styleCode: 'ANC' });
    expect(familyIndex(family).woven.map((child) => child.fields.sku)).toEqual(Array(6).fill(undefined));
    expect(Object.values(stock).filter(Boolean)).toEqual([]);
  });
});
