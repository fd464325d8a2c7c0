/** Pictures in the browser: a zip brought, asked about, corrected and put in place; cut, ordered, described; several options on one. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api } from '@loom-kin/contract';
import { type Family, familyIndex } from '@loom-kin/core/family';
import { drawnGoods, formOf, zipOf } from '../pictures';
import { sellerIn } from '../shop';
import { startWorld, until, type World } from '../world';
import { bringZip } from './bringZip';
import { launchBrowser } from './launch';

let world: World;
let browser: Browser;
let page: Page;
let jacket: string;
let zip: string;
const seller = sellerIn(() => world);
const test = (name: string) => page.locator(`[data-test=${name}]`);
const family = async () => (await world.call(api.family, { params: { id: jacket } })).family;
const picturesOn = (one: Family, label: string) => familyIndex(one).valueCalled(one.axes[0]!.id, label)!.pictures;
const COLOURS = { Rust: '#A4502B', Spruce: '#24483C', Midnight: '#1B2540' };

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
    { role: 'size' as const, label: 'Size', values: [{ label: 'S' }, { label: 'M' }] },
  ];
  const { started } = await seller.change([
    {
      on: 'start',
      family: { axes, fields: { name: 'Gale jacket', styleCode: 'GJ', category: 'outerwear/jackets' } },
      skus: true,
    },
  ]);
  jacket = started[0]!;
  const files: [string, Buffer][] = [];
  const add = async (path: string, colour: string) =>
    files.push([path, await drawnGoods(colour, files.length).png().toBuffer()]);
  for (const [label, colour] of Object.entries(COLOURS))
    for (const angle of ['back', 'front']) await add(`GJ-${label}-${angle}.png`, colour);
  await add('GJ_01.png', COLOURS.Spruce);
  await add('GJ_turquoise.png', '#1F7A83');
  await add('holiday.png', '#D98A96');
  files.push(['notes.txt', Buffer.from('no picture')]);
  mkdirSync(join(world.folder, 'bring'));
  zip = join(world.folder, 'bring', 'gale.zip');
  writeFileSync(zip, await zipOf(files));
}, 300_000);
afterAll(async () => {
  await browser?.close();
  await world?.end();
});

describe('a zip of pictures', () => {
  it('is brought, and says what goes where, what it asks and what it cannot take', async () => {
    const told = /6 pictures to 1 family\s+2 questions about 2\s+1 without a place\s+1 not taken/;
    await bringZip(page, world.url, zip, told);
    expect(await test('refused').innerText()).toContain('notes.txt is no picture');
    expect(await test('row-Rust').locator('[data-tile]').count()).toBe(2);
  });
  it('is asked about and corrected by key: yes, another option, left out, moved, taken back', async () => {
    await page.keyboard.press('j');
    const focused = () =>
      page
        .locator('[data-question]:focus')
        .allInnerTexts()
        .then((texts) => texts.join());
    await until(focused, (text) => text.includes('as their colour says'));
    await page.keyboard.press('Enter');
    await until(focused, (text) => text.includes('Which option is "turquoise"?'));
    // All children, Rust, Spruce, Midnight: the third.
    await page.keyboard.press('3');
    await until(
      () => test('row-Spruce').locator('[data-tile]').count(),
      (count) => count === 4,
    );
    await test('nowhere').locator('[data-tile]').focus();
    await page.keyboard.press('Space');
    await page.keyboard.press('m');
    await test('place-search').fill('midn');
    await test('place-search').press('Enter');
    await until(
      () => test('row-Midnight').locator('[data-tile]').count(),
      (count) => count === 3,
    );
    await page.keyboard.press('Control+z');
    await until(
      () => test('nowhere').locator('[data-tile]').count(),
      (count) => count === 1,
    );
    await test('nowhere').locator('[data-tile]').focus();
    await page.keyboard.press('x');
    await until(
      () => test('left-out').locator('[data-tile]').count(),
      (count) => count === 1,
    );
  });
  it('is put in place as one change, seen in the family, and taken back with one press', async () => {
    await page.keyboard.press('Control+Enter');
    await until(family, (one) => picturesOn(one, 'Rust').length === 2);
    const now = await family();
    expect(['Spruce', 'Midnight'].map((label) => picturesOn(now, label).length)).toEqual([4, 2]);
    const facts = (await world.call(api.family, { params: { id: jacket } })).pictures;
    expect(picturesOn(now, 'Rust').map((id) => facts[id]!.fileName)).toEqual(['GJ-Rust-front.png', 'GJ-Rust-back.png']);
    await test('take-back').click();
    await until(family, (one) => picturesOn(one, 'Rust').length === 0);
    await test('put-in-place').click();
    await until(family, (one) => picturesOn(one, 'Rust').length === 2);
  });
  it('dropped beside the trays of a family comes to that family', async () => {
    await page.goto(`${world.url}/families/${jacket}/pictures`);
    await test('tray-Rust').locator('.picture').first().waitFor();
    const bytes = [...(await drawnGoods(COLOURS.Rust, 60).png().toBuffer())];
    const data = await page.evaluateHandle((given) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([new Uint8Array(given)], 'rust_detail.png', { type: 'image/png' }));
      return transfer;
    }, bytes);
    await test('coverage').dispatchEvent('drop', { dataTransfer: data });
    await page.waitForURL(/\/pictures\/brought\//);
    await until(
      () => test('row-Rust').innerText(),
      (text) => text.includes('2 there') && text.includes('Detail'),
    );
    await test('put-in-place').click();
    await until(family, (one) => picturesOn(one, 'Rust').length === 3);
  });
});

describe('the pictures of a family', () => {
  it('are told at a glance: by value and angle, and what each account lacks', async () => {
    await page.goto(`${world.url}/families/${jacket}/pictures`);
    const row = test('coverage').locator('tr', { hasText: 'Rust' });
    await until(
      () => row.locator('td').allInnerTexts(),
      (cells) => cells.slice(0, 4).join() === '1,1,1,–',
    );
  });
  it('go earlier and later by key and by mouse, each as one change', async () => {
    const before = picturesOn(await family(), 'Rust');
    const tiles = test('tray-Rust').locator('[data-tile]');
    await tiles.first().focus();
    await page.keyboard.press('Alt+ArrowRight');
    await until(family, (one) => picturesOn(one, 'Rust').join() === [before[1], before[0], before[2]].join());
    const [from, to] = [await tiles.nth(2).boundingBox(), await tiles.nth(0).boundingBox()];
    await page.mouse.move(from!.x + 40, from!.y + 40);
    await page.mouse.down();
    for (let step = 1; step <= 12; step++)
      await page.mouse.move(from!.x + 40 + ((to!.x - from!.x - 30) * step) / 12, from!.y + 42);
    await page.mouse.up();
    await until(family, (one) => picturesOn(one, 'Rust')[0] === before[2]);
    await page.keyboard.press('Control+z');
    await until(family, (one) => picturesOn(one, 'Rust').join() === [before[1], before[0], before[2]].join());
  });
  it('are chosen many at once, copied to several options, and taken away, one undo each', async () => {
    const [one, two] = picturesOn(await family(), 'Rust');
    const tiles = test('tray-Rust').locator('[data-tile]');
    // What was taken back just before stands in the tray again.
    await until(
      () => tiles.first().getAttribute('data-tile'),
      (key) => (key ?? '').includes(one!),
    );
    await tiles.nth(0).click();
    await tiles.nth(1).click({ modifiers: ['Shift'] });
    await test('copy-to').click();
    await page.getByRole('checkbox', { name: 'Midnight' }).check();
    await page.getByRole('checkbox', { name: 'Spruce' }).check();
    await test('copy-now').click();
    const has = (now: Family, label: string) => [one!, two!].every((id) => picturesOn(now, label).includes(id));
    await until(family, (now) => has(now, 'Midnight') && has(now, 'Spruce'));
    // The same picture on two options is told at the picture.
    await until(
      () => test('tray-Midnight').locator('.picture').last().getAttribute('title'),
      (title) => (title ?? '').includes('choosing between them shows no difference'),
    );
    await page.keyboard.press('Control+z');
    await until(family, (now) => !has(now, 'Midnight') && !has(now, 'Spruce'));
  });
  it('are cut and turned in place, and described; all of it comes back', async () => {
    const [main] = picturesOn(await family(), 'Rust');
    await test('tray-Rust').locator('[data-tile]').first().focus();
    await page.keyboard.press('Enter');
    await test('editor').locator('.vue-advanced-cropper__image').first().waitFor();
    await until(
      () => test('cut-width').inputValue(),
      (width) => width === '400',
    );
    await test('cut-width').fill('200');
    await test('cut-width').press('Tab');
    await until(
      () => test('cut-width').inputValue(),
      (width) => width === '200',
    );
    await test('angle').selectOption('side');
    expect(await test('alt-en').getAttribute('placeholder')).toBe('Gale jacket, Rust, side');
    await test('alt-en').fill('A jacket in rust, half of it');
    await test('keep-picture').click();
    const after = await until(family, (one) => picturesOn(one, 'Rust')[0] !== main);
    const [made] = picturesOn(after, 'Rust');
    expect(after.pictureNotes).toEqual({ [made!]: { angle: 'side', texts: { en: 'A jacket in rust, half of it' } } });
    const facts = (await world.call(api.family, { params: { id: jacket } })).pictures[made!]!;
    expect([facts.width, facts.height, facts.madeOf]).toEqual([200, 400, main]);
    await page.keyboard.press('Control+z');
    await until(family, (one) => picturesOn(one, 'Rust')[0] === main && one.pictureNotes === undefined);
  });
});

describe('more options than an account has room for', () => {
  it('share pictures, seen beside and on the buyer’s page', async () => {
    const labels = 'Rust Spruce Midnight Ochre Cream Moss Brick Navy Grey Sand Rose Plum'.split(' ');
    const mugs = await seller.shopFamily({ name: 'Harbour mug in many colours', searchWords: ['mug'] }, [
      { role: 'colour', label: 'Colour', values: labels.map((label) => ({ label })) },
    ]);
    const taken = await world.call(api.addPictures, {
      form: formOf(
        ...(await Promise.all(
          labels.map(async (label, at): Promise<[string, Buffer]> => [
            `${label}.png`,
            await drawnGoods('#36607F', at * 3, { side: 640 })
              .png()
              .toBuffer(),
          ]),
        )),
      ),
    });
    const axis = mugs.family.axes[0]!;
    await seller.run(await seller.fresh(mugs), {
      do: 'batch',
      title: 'Pictures',
      commands: [
        { do: 'setPictures', place: { level: 'family' }, pictures: [] },
        ...taken.map(({ picture }, at) => ({
          do: 'setPictures' as const,
          place: { level: 'value' as const, axisId: axis.id, valueId: axis.values[at]!.id },
          pictures: [picture!.id],
        })),
      ],
    });
    await page.goto(`${world.url}/families/${mugs.family.id}/pictures`);
    await test('shows-account').selectOption('fernpost');
    await until(
      () => test('account-shows').locator('.one').count(),
      (count) => count === 10,
    );
    await test('share-pictures').selectOption('names');
    // Rust leads alone; the others are shared out over nine.
    await until(
      () => test('account-shows').locator('.one').allInnerTexts(),
      (texts) => texts.some((text) => /\w+, \w+/.test(text)) && labels.every((label) => texts.join().includes(label)),
    );
    const loaded = () =>
      test('account-shows')
        .locator('img')
        .evaluateAll((all) => all.every((one) => (one as HTMLImageElement).naturalWidth > 0));
    await until(loaded, (all) => all);
    await seller.run(await seller.fresh(mugs), {
      do: 'setWish',
      account: 'fernpost',
      wish: { apart: [], whole: [], leaveOut: [], offered: true, combine: 'names' },
    });
    const sent = await seller.ended((await seller.send([mugs.family.id], ['fernpost'])).id);
    expect(sent.lines.map((line) => [line.state, ...line.reasons.map((one) => one.text)])).toEqual([['done']]);
    await page.goto(sent.lines[0]!.page!);
    await page.getByText('Plum', { exact: true }).first().click();
    const large = page.locator('img').first();
    await until(
      () => large.evaluate((one) => (one as HTMLImageElement).naturalWidth),
      (width) => width === 560,
    );
    const [listing] = await world.held('fernpost');
    expect(listing!.goods.axes[0]!.options).toHaveLength(12);
  });
});
