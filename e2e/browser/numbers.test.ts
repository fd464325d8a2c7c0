/** SKUs by a pattern and GTINs of blocks in the browser: looked at on the children, mended, made, given back. */
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { familyIndex } from '@loom-kin/core/family';
import { demoPage } from './demoPage';
import { until, type World } from '../world';

let world: World;
let page: Page;
let smock = '';
const faults: string[] = [];

demoPage(async (made) => {
  ({ world, page } = made);
  smock = (await world.call(api.listFamilies, { query: { q: 'DSM' } })).families[0]!.id;
}, faults);

const test = (name: string) => page.locator(`[data-test="${name}"]`);
const figures = async (id: string, key: string) => {
  const { family } = await world.call(api.family, { params: { id } });
  return familyIndex(family).woven.map((child) => child.fields[key]);
};
async function startMugs(): Promise<string> {
  const axes = [
    { role: 'colour' as const, label: 'Glaze', values: [{ label: 'Rust' }, { label: 'Rush' }, { label: 'Rusk' }] },
    { role: 'size' as const, label: 'Size', values: [{ label: 'S' }, { label: 'M' }] },
  ];
  const fields = { name: 'Tide jug', styleCode: 'TJG' };
  return (await makeChange(world.call, [{ on: 'start', family: { fields, axes, off: [] } }])).started[0]!;
}

describe('a pattern of SKUs', () => {
  it('is written piece by piece, looked at on the children, and put right with one press', async () => {
    const id = await startMugs();
    await page.goto(`${world.url}/families/${id}/numbers`);
    await test('sku-pattern').fill('{style}-{glaze:label,2}-{size}');
    await until(
      () => test('sku-bad').innerText(),
      (text) => text.startsWith('4 children would get none'),
    );
    expect(await test('numbers').innerText()).toContain('Two children would be TJG-RU-S');
    await test('way-out').click();
    expect(await test('sku-pattern').inputValue()).toBe('{style}-{glaze:label}-{size}');
    await until(
      () => test('make-skus').innerText(),
      (text) => text === 'Make 6 SKUs',
    );
    await test('make-skus').click();
    await until(
      () => figures(id, 'sku'),
      (skus) => skus.join() === 'TJG-RUST-S,TJG-RUST-M,TJG-RUSH-S,TJG-RUSH-M,TJG-RUSK-S,TJG-RUSK-M',
    );
    expect((await world.call(api.family, { params: { id } })).family.skuPattern).toBe('{style}-{glaze:label}-{size}');
  });
  it('goes past what other families have, by their names', async () => {
    const id = await startMugs();
    await page.goto(`${world.url}/families/${id}/numbers`);
    await test('sku-pattern').fill('{style}-{glaze:label}-{size}');
    await until(
      () => test('numbers').innerText(),
      (text) => text.includes('The SKU TJG-RUST-S belongs to Tide jug already.'),
    );
    await test('way-out').click();
    await until(
      () => test('make-skus').innerText(),
      (text) => text === 'Make 6 SKUs',
    );
    await test('make-skus').click();
    await until(
      () => figures(id, 'sku'),
      (skus) => skus[0] === 'TJG-RUST-S-2',
    );
  });
  it('leaves a SKU that an account lists as it is', async () => {
    await page.goto(`${world.url}/families/${smock}/numbers`);
    await test('number-row').first().waitFor();
    await until(
      () => test('numbers').innerText(),
      (text) => text.includes('listed'),
    );
    expect(await test('skus-anew').count()).toBe(0);
    expect(await test('make-skus').isDisabled()).toBe(true);
  });
});

describe('the pattern of new families', () => {
  it('is written in the setup, looked at on families there are, and given to those that start', async () => {
    await page.goto(`${world.url}/setup`);
    const part = test('house-pattern');
    await part.locator('[data-test="sku-pattern"]').fill('{brand:2}.{style}/{axes}');
    await until(
      () => test('house-sample').allInnerTexts(),
      (texts) => texts.some((text) => /\{brand:2\}\.\{style\}\/\{\w+\}.*\tSK\.\w+\//.test(text)),
    );
    await test('keep-house-pattern').click();
    await until(
      () => world.call(api.setup),
      (now) => now.registry.skuPattern === '{brand:2}.{style}/{axes}',
    );
    const { family } = await world.call(api.family, { params: { id: await startMugs() } });
    expect(family.skuPattern).toBe('{brand:2}.{style}/{glaze}/{size}');
    await part.locator('[data-test="sku-pattern"]').fill('{style}-{colour}');
    expect(await part.innerText()).toContain('which not every family has');
    expect(await test('keep-house-pattern').isDisabled()).toBe(true);
  });
});

describe('numbers of a block', () => {
  it('are set aside in the setup, taken for children, and given back', async () => {
    const id = await startMugs();
    await page.goto(`${world.url}/setup`);
    await test('aside-count').fill('4');
    await test('aside-label').fill('Labels of the spring');
    await test('aside-do').click();
    await until(
      () => test('aside').innerText(),
      (text) => text.includes('Labels of the spring'),
    );
    await page.goto(`${world.url}/families/${id}/numbers`);
    const spring = await test('number-source').locator('option', { hasText: 'Labels of the spring' }).innerText();
    await test('number-source').selectOption({ label: spring.trim() });
    expect(await test('too-few').innerText()).toContain('2 children would be without');
    await test('take-numbers').click();
    await until(
      () => figures(id, 'gtin'),
      (gtins) => gtins.filter(Boolean).length === 4,
    );
    await test('gtin-list').fill('4006381333931');
    expect(await test('gtin-foreign').innerText()).toContain('of none of your blocks');
    await test('gtin-list').fill('');
    await test('numbers-back').click();
    await until(
      () => figures(id, 'gtin'),
      (gtins) => gtins.filter(Boolean).length === 0,
    );
    await page.keyboard.press('Control+z');
    await until(
      () => figures(id, 'gtin'),
      (gtins) => gtins.filter(Boolean).length === 4,
    );
    expect(faults).toEqual([]);
  });
});
