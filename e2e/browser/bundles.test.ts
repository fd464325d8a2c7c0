/** A set of items in the browser: its parts typed, its pieces worked out, not counted. */
import type { Page } from 'playwright-core';
import { expect, it } from 'vitest';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { familyIndex } from '@loom-kin/core/family';
import { demoPage } from './demoPage';
import { until, type World } from '../world';

let world: World;
let page: Page;
const faults: string[] = [];

demoPage((made) => void ({ world, page } = made), faults);

const test = (name: string) => page.locator(`[data-test="${name}"]`);
const goods = async (q: string) => {
  const { id } = (await world.call(api.listFamilies, { query: { q } })).families[0]!;
  return world.call(api.family, { params: { id } });
};

it('is as many as there are parts for, shown with each, and cannot be counted', async () => {
  const [jacket, mug] = [await goods('SKJ'), await goods('GMG')];
  const [one, two] = [familyIndex(jacket.family).woven[3]!, familyIndex(mug.family).woven[0]!];
  const fields = { name: 'Pier gift set', styleCode: 'PGS', price: '199' };
  const { started } = await makeChange(world.call, [
    { on: 'start', family: { fields, axes: [], off: [] }, skus: true },
  ]);
  await page.goto(`${world.url}/families/${started[0]}`);
  await page.locator('#cell-0-0').click();
  await page.locator('#i-parts').fill(`${String(one.fields.sku)}, 2 x ${String(two.fields.sku)}`);
  await page.locator('#i-parts').press('Enter');
  const pieces = Math.min(jacket.stock[one.id]!, Math.floor(mug.stock[two.id]! / 2));
  await until(
    () => test('bundle-stock').innerText(),
    (text) => text.includes(`${pieces} sets`) && text.includes(String(two.fields.sku)),
  );
  const stock = page.locator('[data-test=grid] [data-column=stock]').first();
  await until(
    () => stock.innerText(),
    (text) => text.trim() === String(pieces),
  );
  await stock.click();
  await page.keyboard.type('700');
  await page.keyboard.press('Enter');
  await until(
    () => test('refused').allInnerTexts(),
    (texts) => texts.some((text) => text.includes('its pieces follow from its parts')),
  );
  // Counted where it is kept: the set follows on the open page.
  const { id: familyId } = mug.family;
  await makeChange(world.call, [{ on: 'stock', familyId, counts: [{ childId: two.id, pieces: 3 }] }]);
  await until(
    () => test('bundle-stock').innerText(),
    (text) => text.includes('1 set\n'),
  );
  expect(faults).toEqual([]);
});

it('sold only with another item says so to buyers, and leads them there', async () => {
  const [jacket, mug] = [await goods('SKJ'), await goods('GMG')];
  const sku = String(familyIndex(jacket.family).woven.find((child) => child.fields.sku !== undefined)!.fields.sku);
  const family = { level: 'family' as const };
  const command = {
    do: 'setFigures' as const,
    changes: [{ place: family, key: 'soldWith', figure: [sku.toLowerCase(), 'NOBODY-1'] }],
  };
  const { id: familyId, revision } = mug.family;
  await makeChange(world.call, [{ on: 'family', familyId, revision, command }]);
  await page.goto(`${world.url}/dispatch/new?families=${familyId},${jacket.family.id}&accounts=own-shop`);
  await test('agree').click();
  await until(
    () => test('report').innerText(),
    (text) => text === '2 listed',
  );
  await page.goto(`${world.channelsUrl}/own-shop/pages/${familyId}`);
  expect(await page.locator('#with').innerText()).toMatch(
    /^Sold only together with Skerry storm jacket, \w+.* or NOBODY-1$/,
  );
  await page.locator('#with a').click();
  await page.waitForURL(`**/own-shop/pages/${jacket.family.id}`);
  expect(await page.locator('#with').isHidden()).toBe(true);
});
