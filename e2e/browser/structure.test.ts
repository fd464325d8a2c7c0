/** The structure of a family changed in the browser: shown beforehand, done, taken back; nothing a child holds is lost. */
import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { endpoints as api } from '@loom-kin/contract';
import { childLabels, familyIndex, figureOf } from '@loom-kin/core/family';
import { demoPage } from './demoPage';
import { until, type World } from '../world';

let world: World;
let page: Page;
let jacket = '';
const faults: string[] = [];

demoPage(async (made) => {
  ({ world, page } = made);
  jacket = (await world.call(api.listFamilies, { query: { q: 'SKJ' } })).families[0]!.id;
}, faults);

const test = (name: string) => page.locator(`[data-test="${name}"]`);
const detail = () => world.call(api.family, { params: { id: jacket } });
/** Child → its options, SKU, price and pieces. */
async function held(): Promise<Record<string, unknown[]>> {
  const { family, stock } = await detail();
  return Object.fromEntries(
    familyIndex(family).woven.map((child) => [
      child.id,
      [childLabels(family, child).sort().join(), child.fields.sku, figureOf(family, child, 'price'), stock[child.id]],
    ]),
  );
}
const axes = async () => (await detail()).family.axes.map(({ label, values }) => `${label} ${values.length}`);
const turn = async (axis: string, how: string) => {
  await test(`axis-${axis}`).click();
  await test(`${how}-${axis}`).click();
};
const done = (wanted: string[]) => until(axes, (now) => now.join() === wanted.join());

describe('The storm jacket', () => {
  it('has two axes joined into one and parted again, without a figure lost', async () => {
    const before = await held();
    await page.goto(`${world.url}/families/${jacket}`);
    await test('crossing').first().waitFor();
    await turn('Colour', 'join-axis');
    await test('join-with').selectOption({ label: 'Lining' });
    expect(await test('fates').innerText()).toContain('44 go on under other options');
    await test('structure-do').click();
    await done(['Colour 8', 'Size 6']);
    await turn('Colour', 'split-axis');
    await test('split-label-1').fill('Lining');
    expect(await test('fates').innerText()).toContain('44 go on under other options');
    await test('structure-do').click();
    await done(['Colour 4', 'Lining 2', 'Size 6']);
    expect(await held()).toEqual(before);
  });

  it('has two colours merged: one of each pair stays as it is said, the other waits on the shelf; one undo', async () => {
    const before = await held();
    await turn('Colour', 'merge-values');
    await test('merge-Spruce').click();
    await until(
      () => test('fates').innerText(),
      (text) => text.includes('11 go to the shelf'),
    );
    await test('alike').getByText('Spruce', { exact: true }).click();
    await test('structure-do').click();
    await done(['Colour 3', 'Lining 2', 'Size 6']);
    const { family } = await detail();
    const skus = familyIndex(family)
      .woven.map((child) => String(child.fields.sku))
      .filter((sku) => sku.startsWith('SKJ-SPR'));
    expect(skus).toHaveLength(11);
    await until(
      () => test('undo').isEnabled(),
      (on) => on,
    );
    await test('undo').click();
    await done(['Colour 4', 'Lining 2', 'Size 6']);
    expect(await held()).toEqual(before);
    expect(faults).toEqual([]);
  });

  it('has children that would be alike leave, each with its SKU and pieces, in the same change; one undo', async () => {
    const before = await held();
    await page.goto(`${world.url}/families/${jacket}`);
    await turn('Colour', 'merge-values');
    await test('merge-Spruce').click();
    await test('alike-others').getByText('leave').click();
    await until(
      () => test('fates').innerText(),
      (text) => text.includes('11 leave, each a family of its own'),
    );
    await test('structure-do').click();
    await done(['Colour 3', 'Lining 2', 'Size 6']);
    const alone = () => world.call(api.listFamilies, { query: { q: 'Skerry storm jacket Spruce', limit: 60 } });
    const { families } = await alone();
    expect(families.map(({ children }) => children)).toEqual(Array(11).fill(1));
    expect(families.every(({ stock }) => stock > 0)).toBe(true);
    await until(
      () => test('undo').isEnabled(),
      (on) => on,
    );
    await test('undo').click();
    await done(['Colour 4', 'Lining 2', 'Size 6']);
    expect(await held()).toEqual(before);
    expect((await alone()).total).toBe(0);
  });
});

describe('Values', () => {
  it('are dragged into an order of their own, by hand, and put back into that of sizes', async () => {
    const sizes = async () =>
      (await detail()).family.axes.find(({ role }) => role === 'size')!.values.map(({ label }) => label);
    const before = await sizes();
    await page.goto(`${world.url}/families/${jacket}`);
    await test('axis-Size').click();
    const middle = async (name: string) => {
      const box = (await test(name).boundingBox())!;
      return [box.x + box.width / 2, box.y + box.height / 2] as const;
    };
    // It is over it when the sheet has come to rest.
    await test('grip-M').hover();
    await page.mouse.down();
    const [x, y] = await middle('grip-S');
    await page.mouse.move(x, y + 6, { steps: 8 });
    await page.mouse.move(x, y - 6, { steps: 4 });
    await page.mouse.up();
    await until(sizes, (now) => now.indexOf('M') < now.indexOf('S'));
    const shown = () =>
      test('values-Size')
        .getByLabel(/^Label of/)
        .evaluateAll((all) => all.map((one) => (one as HTMLInputElement).value));
    expect(await shown()).toEqual(await sizes());
    await test('sort-Size').click();
    await until(sizes, (now) => now.join() === before.join());
    expect(await test('sort-Size').count()).toBe(0);
    await page.keyboard.press('Escape');
    expect(faults).toEqual([]);
  });
});

describe('Labels', () => {
  it('are made for the children that have a number, as a PDF; a symbol that does not fit is told', async () => {
    await page.goto(`${world.url}/families/${jacket}`);
    await test('gtins').click();
    await test('print-labels').click();
    await test('label-sheet').selectOption('roll50');
    await test('label-percent').fill('190');
    expect(await test('label-problem').innerText()).toContain('from 80 % to 126 % fits');
    await test('label-sheet').selectOption('a4x24');
    await test('label-percent').fill('100');
    expect(await test('label-count').innerText()).toContain('44 labels on 2 pages');
    const [download] = await Promise.all([
      page.waitForEvent('download', { timeout: 40_000 }),
      test('label-print').click(),
    ]);
    expect(readFileSync(await download.path(), 'latin1').slice(0, 5)).toBe('%PDF-');
  });
});

describe('Three designs of one mug', () => {
  it('are copied from one, told apart, gathered into one family, and one of them leaves again', async () => {
    const mug = (await world.call(api.listFamilies, { query: { q: 'GMG' } })).families[0]!.id;
    for (const [name, code] of [
      ['Galley mug Anchor', 'GMA'],
      ['Galley mug Gull', 'GMU'],
    ] as const) {
      await page.goto(`${world.url}/families/${mug}`);
      await test('files').click();
      await test('copy-family').click();
      await test('copy-name').fill(name);
      await test('copy-style').fill(code);
      await test('copy-do').click();
      await page.waitForURL((url) => !url.pathname.endsWith(mug));
    }
    await page.goto(`${world.url}/families?q=Galley`);
    await test('search').fill('Galley');
    await until(
      () => page.locator('tbody input[type=checkbox]').count(),
      (count) => count === 3,
    );
    for (const box of await page.locator('tbody input[type=checkbox]').all()) await box.check();
    await test('gather').click();
    await test('gather-into').selectOption({ label: 'Galley mug (12 children)' });
    expect(await page.locator('tr[data-test="gather-Galley mug Gull"] input').inputValue()).toBe('Gull');
    // An axis that is not wanted goes, and comes back with what was written.
    await test('gather-drop-0').click();
    expect(await test('gather-problem').innerText()).toContain('Two children would be');
    await test('gather-dropped').getByText('bring back').click();
    await page.locator('tr[data-test="gather-Galley mug"] input').fill('Gull');
    expect(await test('gather-problem').innerText()).toContain('Two children would be Chalk');
    await page.locator('tr[data-test="gather-Galley mug"] input').fill('Plain');
    await test('gather-do').click();
    await page.waitForURL((url) => url.pathname.endsWith(mug));
    const { family } = await world.call(api.family, { params: { id: mug } });
    expect(family.axes.map(({ label, values }) => `${label} ${values.length}`)).toEqual([
      'Colour 6',
      'Volume 2',
      'Design 3',
    ]);
    await page.locator('#cell-0-0').click();
    await test('let-leave').click();
    await test('leave-do').click();
    await until(
      async () => familyIndex((await world.call(api.family, { params: { id: mug } })).family).woven.length,
      (count) => count === 35,
    );
    const { families } = await world.call(api.listFamilies, { query: { q: 'Galley mug Chalk 300 ml Plain' } });
    expect(families.map(({ children, stock }) => [children, stock > 0])).toEqual([[1, true]]);
    // And back, from its own side.
    await page.goto(`${world.url}/families/${families[0]!.id}`);
    await page.locator('#cell-0-0').click();
    await test('join-family').click();
    await test('join-find').fill('Galley mug');
    await test('join-into').filter({ hasText: '35 children' }).click();
    for (const [axis, label] of [
      ['Colour', 'Chalk'],
      ['Volume', '300 ml'],
      ['Design', 'Plain'],
    ] as const) {
      const entry = page.getByLabel(`${axis} of Galley mug Chalk 300 ml Plain`);
      expect([axis, await entry.inputValue()]).toEqual([axis, label]);
    }
    await test('gather-do').click();
    await page.waitForURL((url) => url.pathname.endsWith(mug));
    const back = await world.call(api.family, { params: { id: mug } });
    expect(familyIndex(back.family).woven).toHaveLength(36);
    expect(faults).toEqual([]);
  });
});
