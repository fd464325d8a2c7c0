/** Every view and open state, looked at by axe-core (rules of WCAG 2.2 and its own best practices): nothing moderate or worse. */
import axe from 'axe-core';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api } from '@loom-kin/contract';
import { drawnGoods, formOf } from '../pictures';
import { launchBrowser } from './launch';
import { IS_LONG } from '../howMuch';
import { startWorld, until, type World } from '../world';

let world: World;
let browser: Browser;
let page: Page;
let family = '';

beforeAll(async () => {
  world = await startWorld({ demo: true });
  browser = await launchBrowser();
  page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  page.setDefaultTimeout(30_000);
  await page.goto(world.url);
  await test('family-row').filter({ hasText: 'Skerry storm jacket' }).first().click();
  await test('crossing').first().waitFor();
  family = page.url();
}, 300_000);
afterAll(async () => {
  await browser?.close();
  await world?.end();
});

const test = (name: string) => page.locator(`[data-test="${name}"]`);

/** What axe finds: rule, impact and the first places. Run without `eval`, which the page forbids. */
async function found(): Promise<string[]> {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Runtime.evaluate', { expression: axe.source });
  const { result } = await cdp.send('Runtime.evaluate', {
    expression: `axe.run(document, { resultTypes: ['violations'] }).then(({ violations }) => JSON.stringify(
      violations.filter((one) => one.impact !== 'minor').map((one) => one.id + ' (' + one.impact + '): ' + one.nodes.slice(0, 3).map((node) => node.target.join(' ')).join(' | '))))`,
    awaitPromise: true,
  });
  await cdp.detach();
  return JSON.parse(String(result.value)) as string[];
}

describe('a view', () => {
  const views: [name: string, open: () => Promise<unknown>][] = [
    ['the families', () => at('/families', 'family-row')],
    ['a new family', () => at('/families/new', 'name')],
    ['weave and grid', () => at(family, 'crossing')],
    ['families that are gathered', () => gathered()],
    ['words and facts', () => at(`${family}/words`, 'word-name')],
    ['prices', () => at(`${family}/prices`, 'waterfall')],
    ['SKUs and GTINs', () => at(`${family}/numbers`, 'number-row')],
    ['the stock of a child', () => childStock()],
    ['pictures', () => at(`${family}/pictures`, 'tray-Rust')],
    ['a fit', () => at(`${family}/fit/quayside`, 'plan')],
    ['a family’s journal', () => at(`${family}/journal`, 'crossing', false)],
    ['the channels', () => at('/channels', 'account-name')],
    ['the rules of a channel', () => at('/channels?part=rules', 'rules-category')],
    ['how an account’s prices are made', () => at('/channels?part=money', 'trial-told')],
    ['what an account is told of stock', () => at('/channels?part=stock', 'stock-buffer')],
    ['the routes to an account', () => at('/channels?part=routes', 'add-route')],
    ['the pairings of all families', () => at('/channels?part=pairings', 'paired-word')],
    ['rules of one’s own', () => at('/rules/quayside', 'trial-state')],
    ['the fit board', () => at('/board', 'board-finding')],
    ['where pictures are brought', () => at('/pictures', 'bring')],
    ['pictures that were brought', () => brought()],
    ['a picture that is cut and described', () => editor()],
    ['the intake', () => at('/intake', 'place')],
    ['the families of a list', () => listed('Families', 'found-family')],
    ['the columns of a list', () => listed('Columns', 'list-column')],
    ['the rows of a list', () => listed('Rows', 'list-row')],
    ['the dispatches', () => at('/dispatch', 'place')],
    ['what would be sent', () => at(`/dispatch/new?families=${family.split('/').at(-1)}`, 'place')],
    ['the journal', () => at('/journal', 'place')],
    ['the setup', () => at('/setup', 'place')],
    ['no view at all', () => at('/nowhere', 'place')],
  ];
  async function at(path: string, shown: string, wait = true): Promise<void> {
    await page.goto(path.startsWith('http') ? path : world.url + path);
    if (wait) await test(shown).first().waitFor();
    await page.waitForLoadState('networkidle');
  }
  async function brought(): Promise<void> {
    const files: [string, Buffer][] = [
      ['SKJ_rust_front.png', await drawnGoods('#A4502B', 1).png().toBuffer()],
      ['SKJ_teal.png', await drawnGoods('#1F7A83', 2).png().toBuffer()],
      ['holiday.png', await drawnGoods('#E7BDB3', 3).png().toBuffer()],
      ['notes.txt', Buffer.from('no picture')],
    ];
    const { id } = await world.call(api.bringPictures, { form: formOf(...files), query: {} });
    await at(`/pictures/brought/${id}`, 'refused');
    await test('question').first().waitFor();
  }
  async function listed(tab: string, shown: string): Promise<void> {
    const text = 'Name;Size;EAN;Price\nFell Cap Navy;S;4006381333932;9\nFell Cap Rust;S;;9\nFell Cap Gannet;M;;9';
    const { id } = await world.call(api.pasteList, { body: { text } });
    await at(`/intake/lists/${id}`, 'found-family');
    await page.getByRole('tab', { name: new RegExp(tab) }).click();
    await test(shown).first().waitFor();
  }
  async function editor(): Promise<void> {
    await at(`${family}/pictures`, 'tray-Rust');
    await test('tray-Rust').getByText('edit', { exact: true }).first().click();
    await test('editor').waitFor();
  }
  async function gathered(): Promise<void> {
    const { families } = await world.call(api.listFamilies, { query: { limit: 2 } });
    await at(`/families/gather?families=${families.map(({ id }) => id).join(',')}`, 'gather-do');
  }
  async function childStock(): Promise<void> {
    await at(family, 'crossing');
    await page.locator('[data-test=grid] [data-column=sku]').first().click();
    await test('ledger-open').click();
    await test('ledger').waitFor();
  }
  it.each(views)('keeps to the rules: %s', async (_name, open) => {
    await open();
    expect(await found()).toEqual([]);
    expect(await page.title()).toMatch(/^.+ · Loom Kin$/);
  });
});

// Each takes some seconds; the views themselves are looked at every time.
describe.runIf(IS_LONG)('an open state', () => {
  const states: [name: string, open: () => Promise<unknown>][] = [
    ['an axis', () => test('axis-Colour').click()],
    ...(['join-axis', 'split-axis', 'merge-values', 'remove-axis'] as const).map(
      (how): [string, () => Promise<unknown>] => [
        `an axis before ${how.replace('-', ' ')}`,
        async () => {
          await test('axis-Colour').click();
          await test(`${how}-Colour`).click();
          await test('structure').waitFor();
        },
      ],
    ),
    [
      'a family to be copied',
      async () => {
        await test('files').click();
        await test('copy-family').click();
      },
    ],

    ['GTINs', () => test('gtins').click()],
    [
      'labels to be printed',
      async () => {
        await test('gtins').click();
        await test('print-labels').click();
      },
    ],
    ['files', () => test('files').click()],
    ['jobs', () => test('jobs').click()],
    ['a column’s menu', () => test('menu-price').click()],
    ['the columns', () => test('columns').click()],
    ['side and top', () => test('edges').click()],
    ['find and replace', () => test('open-find').click()],
    [
      'a cell that is typed in',
      async () => {
        await page.locator('#cell-0-3').click();
        await page.keyboard.type('2');
      },
    ],
    ['chosen children', () => page.locator('[data-test=weave-head]').first().click()],
    [
      'the keys',
      async () => {
        await test('place').click();
        await page.keyboard.press('?');
        await page.locator('[role=dialog]').waitFor();
      },
    ],
    ['the command box', () => page.keyboard.press('Control+k')],
  ];
  it.each(states)('keeps to the rules: %s', async (_name, open) => {
    if (page.url() !== family) await page.goto(family);
    await test('crossing').first().waitFor();
    await open();
    expect(await found()).toEqual([]);
    await page.keyboard.press('Escape');
  });
});

describe('by keyboard', () => {
  it('weave and grid are one stop each, and Tab leads out of both', async () => {
    await page.goto(family);
    await test('crossing').first().waitFor();
    await test('weave').focus();
    const stops: string[] = [];
    for (let at = 0; at < 12; at++) {
      await page.keyboard.press('Tab');
      stops.push(
        await page.evaluate(
          () => document.activeElement?.getAttribute('data-test') ?? document.activeElement?.tagName ?? '',
        ),
      );
    }
    expect(stops.filter((stop) => stop === 'grid')).toHaveLength(1);
    expect(stops).not.toContain('crossing');
    expect(stops.at(-1)).not.toBe('grid');
  });
  it('a small sheet takes the focus, keeps it, and gives it back with Esc', async () => {
    await test('columns').focus();
    await page.keyboard.press('Enter');
    const inside = () =>
      page.evaluate(() => document.activeElement?.closest('[role=dialog]')?.getAttribute('aria-label') ?? null);
    expect(await inside()).toBe('Columns');
    for (let at = 0; at < 60; at++) await page.keyboard.press('Tab');
    expect(await inside()).toBe('Columns');
    await page.keyboard.press('Escape');
    expect(await page.evaluate(() => document.activeElement?.getAttribute('data-test'))).toBe('columns');
  });
  it('crossings say their values, whether they are woven and chosen, and how they stand on each account', async () => {
    await test('weave').focus();
    await page.keyboard.press('Control+Home');
    await page.keyboard.press('Enter');
    const name = await page.evaluate(() => {
      const grid = document.activeElement!;
      return document.getElementById(grid.getAttribute('aria-activedescendant')!)!.getAttribute('aria-label');
    });
    expect(name).toMatch(/^Rust · XS · Unlined: woven, chosen, Quayside: \w+/);
  });
});

describe('by keyboard, too', () => {
  it('a picture goes to another place, and a thread of the plan is walked to', async () => {
    await page.goto(`${family}/pictures`);
    const spruce = test('tray-Spruce').locator('.picture');
    await spruce.first().waitFor();
    const before = await spruce.count();
    await test('tray-Rust').getByText('move', { exact: true }).first().focus();
    await page.keyboard.press('Enter');
    await page.getByRole('dialog').getByText('to Spruce').focus();
    await page.keyboard.press('Enter');
    await until(
      () => spruce.count(),
      (count) => count === before + 1,
    );
    await page.goto(`${family}/fit/quayside`);
    await test('threads').focus();
    await page.keyboard.press('ArrowDown');
    await until(
      () => test('threads').getByRole('status').innerText(),
      (text) => /\d+ child/.test(text),
    );
  });
});

describe('at 200 percent', () => {
  it('nothing is cut off: every part of the page can be scrolled to', async () => {
    const small = await browser.newPage({ viewport: { width: 640, height: 400 } });
    const views = ['/families', '/families/new', '/setup'];
    const ofFamily = ['', '/fit/quayside'].map((part) => new URL(family).pathname + part);
    for (const path of [...views, ...ofFamily]) {
      await small.goto(world.url + path);
      await small.locator('main button').first().waitFor();
      const cut = await small.evaluate(() =>
        [...document.querySelectorAll('main button, main input, main select, main a')]
          .filter((one) => one.getClientRects().length > 0)
          .filter((one) => {
            one.scrollIntoView({ block: 'center', inline: 'center' });
            const box = one.getBoundingClientRect();
            return box.right < 1 || box.left > innerWidth - 1 || box.bottom < 1 || box.top > innerHeight - 1;
          })
          .map((one) => one.outerHTML.slice(0, 90)),
      );
      expect([path, cut]).toEqual([path, []]);
    }
    await small.close();
  });
});
