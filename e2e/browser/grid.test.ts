/** Entry in weave and grid, in the real interface: nothing slips, whatever is dragged, sorted, pasted or left half typed. */
import type { Browser, Page, Route } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { type Family, childLabels, familyIndex, figureOf } from '@loom-kin/core/family';
import { launchBrowser, sellerPage } from './launch';
import { startWorld, until, type World } from '../world';

let world: World;
let browser: Browser;
let page: Page;
let id = '';
const faults: string[] = [];

beforeAll(async () => {
  world = await startWorld();
  const made = await makeChange(world.call, [
    {
      on: 'start',
      skus: true,
      family: {
        fields: {
          name: 'Fell jacket',
          styleCode: 'FLJ',
          category: 'outerwear/jackets',
          price: '200.00',
          brand: 'Tarn Works',
        },
        axes: [
          { role: 'colour', label: 'Colour', values: ['Rust', 'Spruce', 'Midnight'].map((label) => ({ label })) },
          { role: 'size', label: 'Size', values: ['S', 'M', 'L', 'XXL'].map((label) => ({ label })) },
        ],
        off: [],
      },
    },
  ]);
  id = made.started[0]!;
  browser = await launchBrowser();
  page = await sellerPage(browser, faults);
  await open();
}, 300_000);
afterAll(async () => {
  await browser?.close();
  await world?.end();
});

const test = (name: string) => page.locator(`[data-test="${name}"]`);
async function open(): Promise<void> {
  await page.goto(`${world.url}/families/${id}`);
  await test('crossing').first().waitFor();
  await page.locator('#cell-0-0').waitFor();
}
const family = async (): Promise<Family> => (await world.call(api.family, { params: { id } })).family;
/** Figures of the children by their options, as far as they have one of their own or from elsewhere. */
async function figures(key: string): Promise<Record<string, unknown>> {
  const now = await family();
  const told = familyIndex(now).woven.map((child) => [childLabels(now, child).join(' '), figureOf(now, child, key)]);
  return Object.fromEntries(told.filter(([, figure]) => figure !== undefined));
}
/** A cell by the header of its column and the options of its child, wherever both stand. */
const cell = (column: string, child: string) => cellAt(column, async () => rowOf(child));
async function cellAt(column: string, row: () => Promise<number>): Promise<void> {
  const heads = page.locator('.grid [role=columnheader]');
  const scroller = page.locator('.grid-scroller');
  // Columns out of view are not drawn.
  for (let left = 0; (await page.locator(`[id="head-${column}"]`).count()) === 0 && left < 4000; left += 300) {
    await scroller.evaluate((grid, to) => (grid.scrollLeft = to), left);
    await page.evaluate(() => new Promise(requestAnimationFrame));
  }
  const places = await heads.evaluateAll((all) =>
    all.map((head) => [head.id, Number(head.getAttribute('aria-colindex'))] as const),
  );
  const options = places.filter(([name]) => name.startsWith('head-axis:')).length;
  const at = places.find(([name]) => name === `head-${column}`)![1] - 1 - options;
  await page.locator(`#cell-${await row()}-${at}`).click();
}
const rowOf = async (child: string): Promise<number> => {
  const rows = await page
    .locator('.grid [role=row][aria-rowindex]')
    .evaluateAll((all) =>
      all.map(
        (row) =>
          [
            [...row.querySelectorAll('[role=rowheader]')].map((one) => one.textContent!.trim()).join(' '),
            Number(row.getAttribute('aria-rowindex')),
          ] as const,
      ),
    );
  return rows.find(([name]) => name === child)![1] - 2;
};
async function paste(text: string): Promise<void> {
  await page.evaluate((pasted) => navigator.clipboard.writeText(pasted), text);
  await page.keyboard.press('Control+v');
}
const undo = async (): Promise<void> => {
  await page.keyboard.press('Control+z');
};

describe('nothing slips', () => {
  it('a column that is dragged elsewhere takes what is typed under its name', async () => {
    const head = page.locator('#head-cost');
    const [from, to] = [(await head.boundingBox())!, (await page.locator('#head-listPrice').boundingBox())!];
    await page.mouse.move(from.x + 20, from.y + 12);
    await page.mouse.down();
    await page.mouse.move(to.x + 30, to.y + 12, { steps: 6 });
    await page.mouse.up();
    const names = await page.locator('.grid [role=columnheader] .text').allTextContents();
    expect(names.indexOf('Cost')).toBeLessThan(names.indexOf('List price'));
    await cell('cost', 'Rust M');
    await page.keyboard.type('55');
    await page.keyboard.press('Enter');
    await until(
      () => figures('cost'),
      (now) => now['Rust M'] === '55',
    );
    expect(await figures('listPrice')).toEqual({});
    // The order is the seller's, not this page's.
    await until(
      () => world.call(api.gridLayout),
      (layout) => (layout?.sets['All figures']?.order.length ?? 0) > 0,
    );
    // Nothing can be clicked that would be elsewhere a moment later.
    const held: Route[] = [];
    await page.route('**/api/layouts/grid', (route) => void held.push(route), { times: 1 });
    await page.goto(`${world.url}/families/${id}`);
    await test('crossing').first().waitFor();
    expect(await page.locator('.grid [role=columnheader]').count()).toBe(0);
    await held[0]!.continue();
    await page.locator('#cell-0-0').waitFor();
    const again = await page.locator('.grid [role=columnheader] .text').allTextContents();
    expect(again.indexOf('Cost')).toBeLessThan(again.indexOf('List price'));
  });
  it('rows pasted in another order go to the children they name, once somebody has seen it', async () => {
    await cell('price', 'Rust S');
    await paste('Colour\tSize\tPrice\tWeight (kg)\nmidnight\tL\t210\t0.9\nRust\tS\t205\t0.8\nRust\tXS\t1\t1');
    const offer = await test('paste-offer').innerText();
    expect(offer).toContain('2 children found by options, in another order than here');
    expect(offer).toContain('Row 4, Rust · XS: no such child here');
    expect((await figures('price'))['Midnight L']).toBe('200.00');
    await page.keyboard.press('Enter');
    const now = await until(
      () => figures('weight'),
      (all) => Object.keys(all).length === 2,
    );
    expect(now).toEqual({ 'Midnight L': 900, 'Rust S': 800 });
    expect(await figures('price')).toMatchObject({ 'Midnight L': '210', 'Rust S': '205', 'Rust M': '200.00' });
    // Everything pasted is one change.
    await undo();
    await until(
      () => figures('weight'),
      (all) => Object.keys(all).length === 0,
    );
    expect((await figures('price'))['Midnight L']).toBe('200.00');
  });
  it('SKUs never go from one child to another without a word', async () => {
    const before = await figures('sku');
    const turned = Object.values(before).slice(1).concat(Object.values(before)[0]);
    await cell('sku', 'Rust S');
    await paste(turned.join('\n'));
    expect(await test('paste-by-place').innerText()).toContain('moves 12 SKU');
    await test('paste-leave').click();
    expect(await figures('sku')).toEqual(before);
  });
  it('what is half typed is there again after a reload, and stored only when it is gone on with', async () => {
    await cell('price', 'Spruce M');
    await page.keyboard.type('23');
    await page.reload();
    await until(
      () => test('draft').innerText(),
      (text) => text.includes('“23” under Price'),
    );
    expect((await figures('price'))['Spruce M']).toBe('200.00');
    await test('draft-on').click();
    await page.keyboard.type('5');
    await page.keyboard.press('Enter');
    await until(
      () => figures('price'),
      (now) => now['Spruce M'] === '235',
    );
    await undo();
    const entry = test('set-price');
    await page.getByText('to the whole family').click();
    await entry.fill('19');
    await page.reload();
    await test('crossing').first().waitFor();
    expect(await entry.inputValue()).toBe('19');
    await entry.press('Escape');
    expect(await entry.inputValue()).toBe('200.00');
  });
  it('a new family’s form is as it was left, and so are its crossings', async () => {
    await page.goto(`${world.url}/families/new`);
    await test('name').fill('Half a coat');
    await page.reload();
    await test('restored').waitFor();
    expect(await test('name').inputValue()).toBe('Half a coat');
    await test('begin-anew').click();
    expect(await test('name').inputValue()).toBe('');
    await open();
  });
  it('views open when the server is away, and a click says why nothing comes', async () => {
    await page.waitForLoadState('networkidle');
    await until(
      () =>
        page.evaluate(() => performance.getEntriesByType('resource').filter((one) => /View-/.test(one.name)).length),
      (count) => count >= 8,
    );
    await world.killServer();
    for (const place of ['Channels', 'Setup', 'Journal', 'Dispatch', 'Intake']) {
      await page.getByRole('link', { name: place }).click();
      await until(
        () => test('place').innerText(),
        (text) => text === place,
      );
    }
    await world.startServer();
    await open();
  });
});

describe('a spreadsheet', () => {
  it('sums go on from what each cell has, into all that are selected', async () => {
    await cell('price', 'Rust S');
    for (let at = 0; at < 2; at++) await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.type('*1.1');
    await page.keyboard.press('Control+Enter');
    await until(
      () => figures('price'),
      (now) => now['Rust S'] === '220.00' && now['Rust M'] === '220.00' && now['Rust L'] === '220.00',
    );
    await undo();
    await until(
      () => figures('price'),
      (now) => now['Rust S'] === '200.00',
    );
  });
  it('Ctrl R fills to the right instead of loading the page anew, the handle goes on with a series', async () => {
    await cell('stock', 'Rust S');
    await page.evaluate(() => ((window as unknown as { stays: boolean }).stays = true));
    await page.keyboard.type('3');
    await page.keyboard.press('Enter');
    await page.keyboard.type('5');
    await page.keyboard.press('Enter');
    await cell('stock', 'Rust S');
    await page.keyboard.press('Shift+ArrowDown');
    // The handle stands below both cells only when both are drawn as selected.
    await until(
      () => test('sums').innerText(),
      (text) => text.includes('Sum 8 pieces'),
    );
    const handle = (await page.locator('.handle').boundingBox())!;
    await page.mouse.move(handle.x + 4, handle.y + 4);
    await page.mouse.down();
    await page.mouse.move(handle.x, handle.y + 28 * 2 + 8, { steps: 5 });
    await page.mouse.up();
    const pieces = async () => Object.values((await world.call(api.family, { params: { id } })).stock);
    await until(pieces, (all) => [3, 5, 7, 9].every((count) => all.includes(count)));
    await until(
      () => test('sums').innerText(),
      (text) => text.includes('Sum 24 pieces') && text.includes('Least 3') && text.includes('Most 9'),
    );
    await cell('cost', 'Rust S');
    await page.keyboard.type('70');
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Control+r');
    await until(
      () => figures('listPrice'),
      (now) => now['Rust S'] === '70.00',
    );
    expect(await page.evaluate(() => (window as unknown as { stays?: boolean }).stays)).toBe(true);
    await undo();
    await undo();
  });
  it('what is copied says which children and columns it is, and pasted back it is the cells alone', async () => {
    await cell('price', 'Spruce S');
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Control+c');
    const told = await page.evaluate(() => navigator.clipboard.readText());
    expect(told).toBe('Colour\tSize\tPrice\nSpruce\tS\t200.00\nSpruce\tM\t200.00');
  });
  it('stays where it is whether one child is chosen or several', async () => {
    const top = async () => (await test('open-find').boundingBox())!.y;
    await cell('price', 'Spruce S');
    await test('chosen').waitFor({ state: 'detached' });
    const before = await top();
    await page.keyboard.press('Shift+ArrowDown');
    await test('chosen').waitFor();
    expect(await top()).toBe(before);
  });
  it('finds and replaces in the cells that are shown, as one change', async () => {
    await cell('sku', 'Rust S');
    await test('open-find').click();
    await test('find').fill('FLJ-RST');
    await test('replace-with').fill('FLJ-RUST');
    expect(await test('found').innerText()).toBe('4 cells');
    await test('replace-all').click();
    await until(
      () => figures('sku'),
      (now) => now['Rust S'] === 'FLJ-RUST-S' && now['Rust XXL'] === 'FLJ-RUST-XXL',
    );
    await page.keyboard.press('Escape');
    await undo();
    await until(
      () => figures('sku'),
      (now) => now['Rust S'] === 'FLJ-RST-S',
    );
  });
  it('is sorted, filtered, hidden and kept in view column by column; typing goes to the child that is seen', async () => {
    await test('menu-stock').click();
    await test('sort-down').click();
    expect(await rowOf('Rust XXL')).toBe(0);
    await cellAt('price', async () => 0);
    await page.keyboard.type('240');
    await page.keyboard.press('Enter');
    await until(
      () => figures('price'),
      (now) => now['Rust XXL'] === '240',
    );
    await test('show-all').click();
    await test('menu-price').click();
    await test('filter-200.00').uncheck();
    await page.keyboard.press('Escape');
    expect(await test('only').innerText()).toContain('1 of 12 children');
    await test('show-all').click();
    // By an option as well, from the keyboard.
    await cell('price', 'Rust S');
    await page.keyboard.press('Alt+ArrowDown');
    await test('by-Size').press('Enter');
    await test('sort-down').press('Enter');
    await until(
      () => rowOf('Rust XXL'),
      (row) => row === 0,
    );
    await test('show-all').click();
    await test('menu-gtin').click();
    await test('hide').click();
    expect(await page.locator('#head-gtin').count()).toBe(0);
    await test('menu-price').click();
    await test('show-own').click();
    expect(await test('only').innerText()).toContain('1 of 12 children');
    await test('show-all').click();
    await test('menu-price').click();
    await test('give-back-own').click();
    await until(
      () => figures('price'),
      (now) => now['Rust XXL'] === '200.00',
    );
  });
  it('has sets of columns, accounts’ own figures among them', async () => {
    await test('set').selectOption('Prices');
    await cell('price@account:fernpost', 'Rust S');
    await page.keyboard.type('230');
    await page.keyboard.press('Enter');
    const own = await until(family, (now) => Object.values(now.children).some((child) => child.scoped));
    expect(Object.values(own.children).flatMap((child) => (child.scoped ? [child.scoped] : []))).toEqual([
      { 'account:fernpost': { price: '230' } },
    ]);
    await undo();
    await test('set').selectOption('All figures');
  });
  it('has columns for each further language; a change of columns is taken back', async () => {
    const languages = ['en', 'de'];
    await makeChange(world.call, [{ on: 'registry', command: { do: 'setLanguages', languages } }]);
    await test('columns').click();
    const column = test('column-nameSuffix@language:de');
    await column.check();
    await test('columns-back').click();
    await until(
      () => column.isChecked(),
      (checked) => !checked,
    );
    await column.check();
    await page.keyboard.press('Escape');
    await cell('nameSuffix@language:de', 'Rust S');
    await page.keyboard.type('klein');
    await page.keyboard.press('Enter');
    const own = await until(family, (now) => Object.values(now.children).some((child) => child.scoped));
    expect(Object.values(own.children).flatMap((child) => (child.scoped ? [child.scoped] : []))).toEqual([
      { 'language:de': { nameSuffix: 'klein' } },
    ]);
    await undo();
    await test('columns').click();
    await test('columns-back').click();
    await page.keyboard.press('Escape');
    await cell('price', 'Rust S');
  });
});

describe('levels and the weave', () => {
  it('a head chooses its value everywhere; "+4" stays a surcharge when the price below moves', async () => {
    await page.locator('[data-test=weave-head]', { hasText: /^XXL$/ }).click();
    await test('chosen-text').fill('+4');
    expect(await test('chosen-level').locator('option').first().innerText()).toBe('everything XXL');
    await test('stays-surcharge').waitFor();
    await test('chosen-text').press('Enter');
    await until(
      () => figures('price'),
      (now) => now['Rust XXL'] === '204' && now['Rust S'] === '200.00',
    );
    await page.locator('[data-test=weave-head]', { hasText: /^Midnight$/ }).click();
    await test('chosen-text').fill('+5 %');
    await test('chosen-text').press('Enter');
    await page.getByText('to the whole family').click();
    await test('set-price').fill('220');
    await test('set-price').press('Enter');
    await until(
      () => figures('price'),
      (now) => now['Midnight XXL'] === '235' && now['Midnight S'] === '231' && now['Rust XXL'] === '224',
    );
    expect(await page.locator('[data-column=price]').last().textContent()).toContain('235.00');
  });
  it('what is chosen in the weave is chosen in the grid, and the other way round', async () => {
    await page.locator('[aria-label^="Spruce · S"]').click();
    await page.locator('[aria-label^="Spruce · L"]').click({ modifiers: ['Shift'] });
    await until(
      () => page.locator('.row.picked').count(),
      (count) => count === 3,
    );
    await page.locator('.cell.option', { hasText: 'Rust' }).first().click();
    await page.keyboard.press('Shift+ArrowDown');
    await until(
      () =>
        page
          .locator('[data-test=crossing][aria-selected=true]')
          .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')!.split(':')[0])),
      (names) => names.join() === 'Rust · S,Rust · M',
    );
  });
  it('axes run where the seller wants them, and a figure stands in the crossings', async () => {
    await test('edges').click();
    await test('edge-Colour').click();
    await page.keyboard.press('Escape');
    await test('weave-figure').selectOption('price');
    await until(
      () => page.locator('[aria-label^="Midnight · XXL"]').textContent(),
      (text) => text === '235.00',
    );
    const [colour, size] = await Promise.all(
      ['Rust', 'S'].map((label) =>
        page
          .locator('[data-test=weave-head]', { hasText: new RegExp(`^${label}$`) })
          .first()
          .boundingBox(),
      ),
    );
    expect(colour!.y).toBeGreaterThan(size!.y);
    // It is the seller's arrangement, and there in another browser too.
    await until(
      () => world.call(api.weaveLook, { params: { id } }),
      (look) => look?.figure === 'price' && look.edges !== null,
    );
    await page.evaluate(() => localStorage.clear());
    await open();
    await until(
      () => page.locator('[aria-label^="Midnight · XXL"]').textContent(),
      (text) => text === '235.00',
    );
  });
});

describe('a new family', () => {
  it('begins with a pasted block of rows: axes, crossings and figures, nothing typed twice', async () => {
    await page.goto(`${world.url}/families/new`);
    await test('name').click();
    await paste(
      'Name\tColour\tSize\tSKU\tPrice\tStock\nTarn vest\tRust\tS\tTV-1\t90\t4\nTarn vest\tRust\tM\tTV-2\t90\t5\nTarn vest\tKelp\tS\tTV-3\t95\t6',
    );
    expect(await test('name').inputValue()).toBe('Tarn vest');
    await until(
      () => test('create').innerText(),
      (text) => text.includes('3 children'),
    );
    // Brand and maker come from the last family; what kind of goods it is nobody guesses.
    expect(await test('brand').inputValue()).toBe('Tarn Works');
    await test('style').fill('TV');
    await test('category').click();
    await page
      .getByRole('option', { name: /Jackets/ })
      .first()
      .click();
    await test('style').press('Enter');
    await page.waitForURL(/families\/k\w+$/);
    const made = await until(
      () => world.call(api.family, { params: { id: page.url().split('/').at(-1)! } }),
      (one) => Object.keys(one.stock).length === 3,
    );
    const told = familyIndex(made.family).woven.map((child) => [
      childLabels(made.family, child).join(' '),
      child.fields.sku,
      figureOf(made.family, child, 'price'),
      made.stock[child.id],
    ]);
    expect(told).toEqual([
      ['Rust S', 'TV-1', '90', 4],
      ['Rust M', 'TV-2', '90', 5],
      ['Kelp S', 'TV-3', '95', 6],
    ]);
  });
  it('keeps pasted rows over a reload, and puts what is the same in all of them on the family', async () => {
    await page.goto(`${world.url}/families/new`);
    await test('name').click();
    await paste('Name\tColour\tPrice\tWeight (g)\nTarn cap\tRust\t20\t90\nTarn cap\tKelp\t20\tmuch');
    await page.reload();
    expect(await test('block').innerText()).toContain('2 rows taken as the beginning');
    await test('style').fill('TC');
    await test('category').click();
    await page
      .getByRole('option', { name: /Jackets/ })
      .first()
      .click();
    await test('style').press('Enter');
    await page.waitForURL(/families\/k\w+$/);
    // What cannot be read is told where the family opens; the family is there all the same.
    await until(
      () => test('refused').innerText(),
      (text) => text.includes('Kelp, Weight (g): "much" is no weight'),
    );
    const made = (await world.call(api.family, { params: { id: page.url().split('/').at(-1)! } })).family;
    expect(made.fields.price).toBe('20');
    expect(familyIndex(made).woven.map((child) => child.fields.price)).toEqual([undefined, undefined]);
    expect(familyIndex(made).woven.map((child) => child.fields.weight)).toEqual([90, undefined]);
  });
  it('meets no fault of the page on the way', () => expect(faults).toEqual([]));
});
