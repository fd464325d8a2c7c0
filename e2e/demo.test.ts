/**
 * The demo seller: whole, right by others' reckoning, drawn in its real colours, and loaded once however often the
 * loader runs.
 */
import sharp from 'sharp';
import validator from 'validator';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { colourDifference } from '@loom-kin/core/colour';
import { familyIndex, figureOf } from '@loom-kin/core/family';
import { endpoints as api, type FamilyDetail } from '@loom-kin/contract';
import { loadDemo } from '../demo/src/load';
import { startWorld, until, type World } from './world';

let world: World;
let all: FamilyDetail[];
const read = async () => {
  const { families } = await world.call(api.listFamilies, { query: { limit: 200 } });
  return Promise.all(families.map(({ id }) => world.call(api.family, { params: { id } })));
};
beforeAll(async () => {
  world = await startWorld({ demo: true });
  all = await read();
}, 300_000);
afterAll(() => world?.end());

describe('the demo seller', () => {
  it('has families enough to try everything on, every child with SKU, price and weight', () => {
    const children = all.flatMap(({ family }) => familyIndex(family).woven.map((child) => ({ family, child })));
    expect(all.length).toBeGreaterThanOrEqual(6);
    expect(children.length).toBeGreaterThanOrEqual(150);
    expect(new Set(children.map(({ child }) => child.fields.sku)).size).toBe(children.length);
    for (const { family, child } of children)
      for (const key of ['sku', 'price', 'weight'])
        expect([key, figureOf(family, child, key)]).not.toEqual([key, undefined]);
  });
  it('has GTINs that a registry library takes too, each once', () => {
    const gtins = all.flatMap(({ family }) =>
      familyIndex(family).woven.flatMap((child) =>
        child.fields.gtin === undefined ? [] : [String(child.fields.gtin)],
      ),
    );
    expect(gtins.length).toBeGreaterThan(100);
    expect(new Set(gtins).size).toBe(gtins.length);
    expect(gtins.filter((gtin) => !validator.isEAN(gtin))).toEqual([]);
  });
  it('has pictures that show the colour of their value', async () => {
    let looked = 0;
    for (const value of all.flatMap(({ family }) => family.axes.flatMap((axis) => axis.values))) {
      const [picture] = value.pictures;
      if (!value.swatch || !picture) continue;
      const png = Buffer.from(await (await fetch(`${world.url}/pictures/${picture}.png`)).arrayBuffer());
      const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
      // The commonest colour that is not the white ground.
      const counts = new Map<string, number>();
      for (let at = 0; at < data.length; at += info.channels * 97) {
        const hex = '#' + data.subarray(at, at + 3).toString('hex');
        if (hex !== '#ffffff') counts.set(hex, (counts.get(hex) ?? 0) + 1);
      }
      const [commonest] = [...counts].sort((a, b) => b[1] - a[1])[0]!;
      // A CIEDE2000 difference of 1 is about what an eye just sees.
      expect([value.label, colourDifference(commonest, value.swatch) < 1]).toEqual([value.label, true]);
      looked += 1;
    }
    expect(looked).toBeGreaterThan(15);
  });
  it('is loaded once: the loader run again, as after it was broken off, makes and changes nothing', async () => {
    await until(
      () => world.held('own-shop'),
      (held) => held.length === 1,
    );
    const before = await read();
    await loadDemo(world.url, () => undefined);
    const after = await read();
    expect(after.map(({ family }) => [family.id, family.revision])).toEqual(
      before.map(({ family }) => [family.id, family.revision]),
    );
    expect(after.map(({ stock }) => stock)).toEqual(before.map(({ stock }) => stock));
    expect((await world.call(api.setup)).blocks).toHaveLength(1);
    expect(await world.call(api.dispatches)).toHaveLength(1);
  });
});
