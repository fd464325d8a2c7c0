/** Pictures of several options together, such as a colour in a design: brought by their names, placed by hand, shown by whoever has both. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api } from '@loom-kin/contract';
import { type Family, childLabels, familyIndex } from '@loom-kin/core/family';
import { picturesOf } from '@loom-kin/core/pictures';
import { drawnGoods, zipOf } from '../pictures';
import { sellerIn } from '../shop';
import { startWorld, until, type World } from '../world';
import { bringZip } from './bringZip';
import { launchBrowser } from './launch';

let world: World;
let browser: Browser;
let page: Page;
let tee: string;
let zip: string;
let one: string;
const seller = sellerIn(() => world);
const test = (name: string) => page.locator(`[data-test="${name}"]`);
const read = () => world.call(api.family, { params: { id: tee } });
const COLOURS = { Navy: '#1B2540', Rust: '#A4502B' };
const DESIGNS = ['Stars', 'Waves', 'Plain'];
/** "Navy with Stars" → the names of its pictures' files. */
async function together(): Promise<Record<string, string[]>> {
  const { family, pictures } = await read();
  const { combinations, valueById } = familyIndex(family);
  const label = (ids: Record<string, string>) =>
    family.axes.flatMap(({ id }) => valueById.get(ids[id] ?? '')?.label ?? []);
  return Object.fromEntries(
    combinations.map(({ at, pictures: ids }) => [label(at).join(' with '), ids.map((id) => pictures[id]!.fileName)]),
  );
}
const shownBy = (family: Family, labels: string): string[] =>
  picturesOf(
    family,
    familyIndex(family).woven.find((child) => childLabels(family, child).join() === labels)!,
  );

beforeAll(async () => {
  world = await startWorld();
  browser = await launchBrowser();
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.setDefaultTimeout(30_000);
  const axes = [
    {
      role: 'colour' as const,
      label: 'Colour',
      values: Object.entries(COLOURS).map(([label, swatch]) => ({ label, swatch })),
    },
    { role: 'pattern' as const, label: 'Design', values: DESIGNS.map((label) => ({ label })) },
    { role: 'size' as const, label: 'Size', values: ['S', 'M', 'L', 'XL'].map((label) => ({ label })) },
  ];
  const fields = { name: 'Fjell tee', styleCode: 'FT', category: 'outerwear/jackets', price: '29.00' };
  const { started } = await seller.change([{ on: 'start', family: { axes, fields }, skus: true }]);
  tee = started[0]!;
  const files: [string, Buffer][] = [];
  for (const [colour, hex] of Object.entries(COLOURS))
    for (const design of DESIGNS)
      for (const angle of ['front', 'back'])
        files.push([
          `fjell_tee_${colour}_${design}_${angle}.png`,
          await drawnGoods(hex, files.length).png().toBuffer(),
        ]);
  const folder = join(world.folder, 'bring');
  mkdirSync(folder);
  writeFileSync((zip = join(folder, 'tees.zip')), await zipOf(files));
  writeFileSync((one = join(folder, 'detail.png')), await drawnGoods(COLOURS.Navy, 50).png().toBuffer());
}, 300_000);
afterAll(async () => {
  await browser?.close();
  await world?.end();
});

describe('pictures of options together', () => {
  it('find their place by both names, without a question, and are put there', async () => {
    expect(await bringZip(page, world.url, zip, /12 pictures to 1 family/)).not.toContain('question');
    expect(await test('row-Navy with Stars').locator('[data-tile]').count()).toBe(2);
    await test('put-in-place').click();
    await until(together, (places) => Object.keys(places).length === 6);
    expect((await together())['Rust with Waves']).toEqual([
      'fjell_tee_Rust_Waves_front.png',
      'fjell_tee_Rust_Waves_back.png',
    ]);
    const { family } = await read();
    for (const labels of ['Navy,Plain,S', 'Navy,Plain,XL']) expect(shownBy(family, labels)).toHaveLength(2);
  });
  it('have trays of their own in the family; another place is opened by choosing options, and says whom it shows', async () => {
    await page.goto(`${world.url}/families/${tee}/pictures`);
    await test('tray-Rust with Waves').locator('.picture').nth(1).waitFor();
    const choose = (axis: string, label: string) => test(`together-${axis}`).selectOption({ label });
    const told = () => test('options-together').locator('[role=status]').innerText();
    await choose('Colour', 'Navy');
    expect(await told()).toBe('Choose options of two axes.');
    await choose('Size', 'S');
    expect(await told()).toBe('Shows 3 children.');
    await choose('Design', 'Plain');
    expect(await told()).toBe('That is a single child: leave one axis open.');
    expect(await test('open-together').isDisabled()).toBe(true);
    await choose('Design', 'any design');
    await test('open-together').click();
    await test('tray-Navy with S').locator('input[type=file]').setInputFiles(one);
    await until(together, (places) => places['Navy with S']?.length === 1);
    const { family } = await read();
    expect(shownBy(family, 'Navy,Plain,S')).toHaveLength(3);
    expect(shownBy(family, 'Navy,Plain,M')).toHaveLength(2);
  });
  it('are moved there by key, and taken back', async () => {
    const before = (await together())['Navy with S']!;
    await test('tray-Navy with S').getByText('move', { exact: true }).first().focus();
    await page.keyboard.press('Enter');
    await page.getByRole('dialog').getByText('to Rust with Plain').click();
    await until(together, (places) => places['Rust with Plain']?.length === 3);
    expect((await together())['Navy with S']).toBeUndefined();
    await page.keyboard.press('Control+z');
    await until(together, (places) => places['Navy with S']?.length === 1);
    expect((await together())['Navy with S']).toEqual(before);
  });
});
