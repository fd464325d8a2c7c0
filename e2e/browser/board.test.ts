/** The fit board with thousands of families: filtered, scrolled to its end, mended and sent from. */
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { rounds } from '../howMuch';
import { launchBrowser, sellerPage } from './launch';
import { startWorld, until, type World } from '../world';

const FAMILIES = rounds(2000, 5000);
/** Every tenth family has a colour that a channel has no word for. */
const ODD = FAMILIES / 10;
const AT_ONCE = 250;

let world: World;
let browser: Browser;
let page: Page;
const faults: string[] = [];
const test = (name: string) => page.locator(`[data-test="${name}"]`);

/** Coats without anything, every tenth of a colour that a channel has no word for. */
const family = (number: number) => ({
  on: 'start' as const,
  family: {
    fields: { name: `Coat ${String(number).padStart(4, '0')}`, styleCode: `C${number}`, category: 'outerwear/jackets' },
    axes: [{ role: 'colour' as const, label: 'Colour', values: [{ label: number % 10 === 0 ? 'Rust' : 'Red' }] }],
    off: [],
  },
});

beforeAll(async () => {
  // Two channels of different kinds: every family is checked on each.
  world = await startWorld({ only: 'quayside,own-shop' });
  for (let begun = 0; begun < FAMILIES; begun += AT_ONCE)
    await makeChange(
      world.call,
      Array.from({ length: AT_ONCE }, (_, at) => family(begun + at)),
    );
  browser = await launchBrowser();
  page = await sellerPage(browser, faults);
}, 240_000);
afterAll(async () => {
  await browser?.close();
  await world?.end();
  expect(faults).toEqual([]);
});

describe('the board of thousands of families', () => {
  it('is worked out in the background, and is there whole', async () => {
    await until(
      () => world.call(api.boardCounts, { query: {} }),
      (counts) => Object.values(counts.quayside ?? {}).reduce((sum, one) => sum + one, 0) === FAMILIES,
      140,
    );
    await page.goto(`${world.url}/board`);
    await page.getByText(`${FAMILIES.toLocaleString('en')} families ·`).waitFor();
    await until(
      () => test('sum-quayside-stopped').innerText(),
      (sum) => sum === String(FAMILIES),
    );
    // No more rows are drawn than can be seen.
    expect(await test('board-row').count()).toBeLessThan(60);
  }, 150_000);
  it('goes to its end and back by key, and shows what stands there', async () => {
    await page.keyboard.press('End');
    await page.getByText(`Coat ${FAMILIES - 1}`).waitFor();
    await page.keyboard.press('Home');
    await page.getByText('Coat 0000').waitFor();
    await page.keyboard.press('x');
    expect(await page.getByLabel('Tick Coat 0000').isChecked()).toBe(true);
  });
  it('is filtered by words, by state, and by a finding of all that share it, and says so in its address', async () => {
    await test('board-search').fill('Coat 999');
    await page.getByText(`${FAMILIES / 1000} families ·`).waitFor();
    await test('board-clear').click();
    const found = page.locator('[data-test=board-finding][data-code="pairing.missing"]').first();
    await found.locator('.told').click();
    await page.getByText(`${ODD} families ·`).waitFor();
    expect(new URL(page.url()).searchParams.get('finding')).toBe('pairing.missing|pairing');
    await page.reload();
    await page.getByText(`${ODD} families ·`).waitFor();
  });
  it('mends what all of them share at once, after showing it', async () => {
    const found = page.locator('[data-test=board-finding][data-code="pairing.missing"]').first();
    await found.locator('[data-test=board-mend]').click();
    await test('mend-row').first().waitFor();
    expect(await test('mend-row').first().innerText()).toMatch(/Coat 0000[\s\S]*Rust ↔ Orange/);
    await test('mend-families').click();
    await until(
      () => world.call(api.setup),
      ({ pairings }) => pairings.quayside?.colour?.rust === 'Orange',
    );
    await page.getByText('No family matches').waitFor({ timeout: 120_000 });
    await page.getByRole('button', { name: 'Show all families' }).click();
  }, 300_000);
  it('ticks all that are meant, not only what is seen, and takes them off an account in one change', async () => {
    await test('board-search').fill('Coat 00');
    await page.getByText('100 families ·').waitFor();
    await test('tick-all').click();
    await page.getByText('100 families ticked').waitFor();
    await test('act-quayside').uncheck();
    await test('board-withhold').click();
    await until(
      () => world.call(api.boardCounts, { query: { q: 'Coat 00' } }),
      (counts) => counts['own-shop']?.absent === 100,
      60,
    );
    const [entry] = await world.call(api.journal, { query: { limit: 1 } });
    expect(entry!.title).toBe('Do not offer 100 families on Own shop');
  });
});
