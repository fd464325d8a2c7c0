/** What the seller defines for all goods, in the browser: categories, facts, languages, accounts, and a text in each language. */
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api } from '@loom-kin/contract';
import { launchBrowser } from './launch';
import { startWorld, until, type World } from '../world';

let world: World;
let browser: Browser;
let page: Page;
let jacket: string;
const test = (name: string) => page.locator(`[data-test=${name}]`);
const setup = () => world.call(api.setup);
const family = async () => (await world.call(api.family, { params: { id: jacket } })).family;
const messages = () => page.locator('.el-message').allInnerTexts();

beforeAll(async () => {
  world = await startWorld({ demo: true });
  browser = await launchBrowser();
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.setDefaultTimeout(30_000);
  jacket = (await world.call(api.listFamilies, { query: { q: 'SKJ' } })).families[0]!.id;
}, 300_000);
afterAll(async () => {
  await browser?.close();
  await world?.end();
});

describe('what holds for all goods', () => {
  it('grows by categories; two alike in one place are refused in words', async () => {
    await page.goto(`${world.url}/setup`);
    // Two quick ones, the second while the first is under way.
    await test('new-category').fill('Headwear');
    await test('new-category').press('Enter');
    await test('new-category').fill('headwear');
    await test('new-category').press('Enter');
    await until(setup, ({ registry }) => registry.categories.headwear?.label === 'Headwear');
    await until(messages, (texts) => texts.some((text) => text.includes('There is a category headwear')));
  });

  it('grows by a fact, which every family then has among its words', async () => {
    await test('add-fact').click();
    await test('fact-label').fill('Water column');
    await test('fact-type').click();
    await page.getByRole('option', { name: 'a number', exact: true }).click();
    await test('save-fact').click();
    await until(setup, ({ registry }) => registry.facts.waterColumn?.type === 'number');
    await page.goto(`${world.url}/families/${jacket}/words`);
    await test('word-waterColumn').fill('20,000');
    await test('word-waterColumn').press('Enter');
    await until(messages, (texts) => texts.some((text) => text.includes('can be read as 20000 and as 20.000')));
    await test('word-waterColumn').fill('20000');
    await test('word-waterColumn').press('Enter');
    await until(family, ({ fields }) => fields.waterColumn === 20000);
  });

  it('has languages: an account in another asks for its texts, and a finding leads to the very field', async () => {
    await page.goto(`${world.url}/setup`);
    await test('new-language').fill('no language!');
    await test('new-language').press('Enter');
    await until(messages, (texts) => texts.some((text) => text.includes('is no language tag')));
    await test('new-language').fill('nl');
    await test('new-language').press('Enter');
    await until(setup, ({ registry }) => registry.languages.join() === 'en,de,nl');
    await page.goto(`${world.url}/channels`);
    await test('add-account-own-shop').click();
    await until(setup, ({ accounts }) => accounts.length === 5);
    await until(
      () => test('account-name').inputValue(),
      (name) => name === 'Own shop 2',
    );
    await test('account-language').fill('nl');
    await test('account-language').press('Enter');
    await until(setup, ({ accounts }) => accounts.find((one) => one.id === 'own-shop-2')!.language === 'nl');

    await page.goto(`${world.url}/families/${jacket}/fit/own-shop-2`);
    const missing = page.locator('[data-test=finding]', {
      hasText: /^stops Description is not written in Dutch yet/i,
    });
    await missing.locator('.acts .link').click();
    await until(
      () => page.evaluate(() => document.activeElement?.id),
      (id) => id === 'w-description',
    );
    expect(await test('scope').inputValue()).toBe('language:nl');
    await test('word-description').fill('Een gewaxte jas voor dagen waarop de veerboot niet vaart.');
    await test('word-name').click();
    await until(family, ({ scoped }) => String(scoped?.['language:nl']?.description).startsWith('Een gewaxte'));

    // Seen from everywhere, and gone to with one press.
    await test('scope').selectOption({ label: 'everywhere' });
    await test('other-description').filter({ hasText: 'Dutch' }).click();
    expect(await test('scope').inputValue()).toBe('language:nl');

    await page.goto(`${world.url}/families/${jacket}/fit/own-shop-2`);
    const labels = page.locator('[data-test=finding]', { hasText: 'Labels of Lining are not written in Dutch yet' });
    await labels.locator('.acts .link').click();
    await until(
      () => page.evaluate(() => document.activeElement?.id),
      (id) => id === 'i-label',
    );
    expect(await missing.count()).toBe(0);
    await test('set-label').fill('Ongevoerd');
    await test('set-label').press('Enter');
    await until(
      family,
      ({ axes }) =>
        axes[2]!.values[0]!.scoped?.['language:nl']?.label === 'Ongevoerd' && axes[2]!.values[0]!.label === 'Unlined',
    );
  });

  it('stands in the journal, each thing once', async () => {
    await page.goto(`${world.url}/journal`);
    const entry = page.locator('[data-test=entry]', { hasText: 'Add the account Own shop 2' });
    await entry.waitFor();
    expect(await entry.locator('tr').count()).toBe(1);
  });
});

describe('typing', () => {
  it('at full speed loses no letter, whatever is asked for meanwhile', async () => {
    const faults: string[] = [];
    page.on('pageerror', (error) => faults.push(error.message));
    const text = 'Skerry storm jacket, warm';
    await page.goto(`${world.url}/families/new`);
    await test('name').pressSequentially(text, { delay: 0 });
    expect(await test('name').inputValue()).toBe(text);
    await until(
      () => test('likes').innerText(),
      (likes) => likes.includes('Skerry storm jacket'),
    );
    await page.goto(`${world.url}/families`);
    await test('search').pressSequentially('storm jacket', { delay: 0 });
    expect(await test('search').inputValue()).toBe('storm jacket');
    await until(
      () => page.locator('tbody tr').count(),
      (rows) => rows === 1,
    );
    await page.keyboard.press('Control+k');
    await page.keyboard.type('storm jacket', { delay: 0 });
    await until(
      () => page.locator('#command-entries').innerText(),
      (entries) => entries.includes('Skerry storm jacket'),
    );
    expect(faults).toEqual([]);
  });
  it('guesses no category, takes no tax code of other goods, and a brand that was cleared stays so', async () => {
    await page.goto(`${world.url}/families/new`);
    const brand = page.locator('[data-test="brand"] input, input[data-test="brand"]').first();
    await until(
      () => brand.inputValue(),
      (text) => text !== '',
    );
    await test('axis-values-0').waitFor({ state: 'detached' });
    await brand.fill('');
    await test('category').click();
    await page.getByRole('option', { name: 'Outerwear › Jackets' }).click();
    await test('axis-values-0').waitFor();
    expect(await brand.inputValue()).toBe('');
  });
  it('another category asks about the tax code, which is of the goods it was chosen for', async () => {
    const mug = (await world.call(api.listFamilies, { query: { q: 'GMG' } })).families[0]!.id;
    const codeOf = async (id: string) => (await world.call(api.family, { params: { id } })).family.fields.taxCode;
    const [before, ofJackets] = [await codeOf(mug), await codeOf(jacket)];
    await page.goto(`${world.url}/families/${mug}/words`);
    // Whatever else is changed asks nothing, and nobody what other goods have.
    const questions: string[] = [];
    page.on('request', (one) => void (/usual/.test(one.url()) && questions.push(one.url())));
    const name = page.locator('#w-name');
    await name.fill('Galley mug, enamelled');
    await name.press('Tab');
    await until(
      async () => (await world.call(api.family, { params: { id: mug } })).family.fields.name,
      (now) => now === 'Galley mug, enamelled',
    );
    expect([questions, await test('ask-tax-code').count()]).toEqual([[], 0]);
    await page.locator('#w-category').selectOption({ label: 'Outerwear › Jackets' });
    const asked = await test('ask-tax-code').innerText();
    expect(asked).toContain(`still ${before}`);
    expect(asked).toContain('chosen for Home › Mugs');
    await test('use-tax-code').click();
    await test('ask-tax-code').waitFor({ state: 'detached' });
    await until(
      () => codeOf(mug),
      (code) => code === ofJackets,
    );
  });
  it('a value is proposed from the dictionary, with its code and swatch', async () => {
    await page.goto(`${world.url}/families/new`);
    await test('category').click();
    await page.getByRole('option', { name: 'Outerwear › Jackets' }).click();
    await test('axis-values-0').pressSequentially('Rust, spr', { delay: 0 });
    await page.getByRole('option', { name: 'Spruce' }).waitFor();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    expect(await test('axis-values-0').inputValue()).toBe('Rust, Spruce, ');
    expect(await page.getByLabel('Short code of Spruce').inputValue()).toBe('SPR');
    // Enter goes on to the list that is still empty, and begins no family before.
    await test('axis-values-0').press('Enter');
    await until(
      () => page.evaluate(() => document.activeElement?.closest('[data-test]')?.getAttribute('data-test')),
      (name) => name === 'axis-values-1',
    );
    expect(page.url()).toContain('/families/new');
  });
});

describe('pictures', () => {
  it('have an order of their own on one account, and are given back with one press', async () => {
    await page.goto(`${world.url}/families/${jacket}/pictures`);
    await test('scope').selectOption({ label: 'on Fernpost' });
    const rust = test('tray-Rust');
    const files = () => rust.locator('img').evaluateAll((all) => all.map((one) => (one as HTMLImageElement).alt));
    const before = await files();
    await rust.getByTitle('Make this the main picture').first().click();
    await until(files, (now) => now.join() === before.toReversed().join());
    await until(family, ({ axes }) => Array.isArray(axes[0]!.values[0]!.scoped?.['account:fernpost']?.pictures));
    await test('scope').selectOption({ label: 'everywhere' });
    expect(await files()).toEqual(before);
    await test('scope').selectOption({ label: 'on Fernpost' });
    await test('give-back').click();
    await until(family, ({ axes }) => axes[0]!.values[0]!.scoped?.['account:fernpost'] === undefined);
    expect(await files()).toEqual(before);
  });
});
