/** Money, stock and words in the browser: from the cost to a price and back, a tax rate that depends on the price, stock at two places, two languages, a composition, a size chart. */
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { type Family, familyIndex } from '@loom-kin/core/family';
import { launchBrowser, sellerPage } from './launch';
import { startWorld, until, type World } from '../world';

let world: World;
let browser: Browser;
let page: Page;
let jacket: string;
const faults: string[] = [];
const test = (name: string) => page.locator(`[data-test="${name}"]`);
const setup = () => world.call(api.setup);
const detail = () => world.call(api.family, { params: { id: jacket } });
const family = async (): Promise<Family> => (await detail()).family;

beforeAll(async () => {
  world = await startWorld({ demo: true, every: true });
  browser = await launchBrowser();
  page = await sellerPage(browser, faults);
  jacket = (await world.call(api.listFamilies, { query: { q: 'SKJ' } })).families[0]!.id;
}, 300_000);
afterAll(async () => {
  await browser?.close();
  await world?.end();
  expect(faults).toEqual([]);
});

/** The figure that stands on a value everywhere. */
const onValue = async (label: string, key: string) => {
  const { axes } = await family();
  return axes.flatMap((axis) => axis.values).find((value) => value.label === label)!.fields[key];
};
const leave = () => page.getByRole('heading', { level: 1 }).click();

describe('prices', () => {
  it('are tried by key, set where they stand, and asked for backwards', async () => {
    await page.goto(`${world.url}/families/${jacket}/prices`);
    await test('waterfall').waitFor();
    // 189 − 31.50 − 26.46 − 4.20 − 71.40: what Quayside, the tax, the way and the maker take.
    expect(await test('step-left').innerText()).toBe('€55.44');
    await test('price-handle').focus();
    for (let nth = 0; nth < 100; nth++) await page.keyboard.press('ArrowRight');
    expect(await test('step-price').innerText()).toBe('€190.00');
    await test('set-everywhere').click();
    await until(family, ({ fields }) => fields.price === '190.00');
    await test('earn-own-shop').click();
    expect(await test('step-price').innerText()).toBe('€190.00');

    // Backwards, for all children, on one account alone.
    await test('earn-quayside').click();
    await test('target-amount').fill('40');
    expect(await test('proposed').allInnerTexts()).toEqual(['€210.00', '€245.28']);
    await test('take-here').click();
    await until(
      async () =>
        (await family()).axes.flatMap((axis) => axis.values).map((one) => one.scoped?.['account:quayside']?.price),
      (prices) => prices.includes('210.00') && prices.includes('245.28'),
    );
    await until(
      () => test('margin').innerText(),
      (text) => text === '40.0 %',
    );
    await page.keyboard.press('Control+z');
    await until(
      () => test('step-price').innerText(),
      (text) => text === '€190.00',
    );
  });
  it('of a few children chosen are asked for by themselves; one that cannot be is said', async () => {
    await page.goto(`${world.url}/families/${jacket}`);
    await test('crossing').first().click();
    await test('crossing')
      .nth(1)
      .click({ modifiers: ['Control'] });
    await page.getByRole('link', { name: 'Prices', exact: true }).click();
    await test('looked').selectOption('chosen');
    await test('target-kind').selectOption('left');
    await test('target-amount').fill('0');
    expect(await test('proposed').count()).toBeGreaterThan(0);
    await test('target-kind').selectOption('margin');
    await test('target-amount').fill('90');
    await test('target').getByText('no price leaves that').first().waitFor();
    await test('target-amount').fill('lots');
    await test('target').getByRole('alert').waitFor();
  });
  it('without tax make those with it, and the next tax rate is seen while one types', async () => {
    await page.goto(`${world.url}/families/${jacket}`);
    await test('set-price').fill('25');
    expect(await test('slab-loftline').count()).toBe(0);
    await test('set-price').press('Escape');
    await test('net-price').fill('300');
    await test('net-price').press('Enter');
    await until(family, ({ fields }) => fields.price === '360.00');
    // Loftline makes its prices of the cost: without that rule the price is what is typed.
    await page.goto(`${world.url}/channels?account=loftline&part=money`);
    await test('rule-from').selectOption('none');
    await until(
      () => test('trial-told').innerText(),
      (text) => text.includes('would cost something else'),
    );
    await test('keep-money').click();
    await until(setup, ({ accounts }) => !accounts.find((one) => one.id === 'loftline')!.settings.priceRule);
    await page.goto(`${world.url}/families/${jacket}`);
    await test('set-price').fill('25');
    await until(
      () => test('slab-loftline').innerText(),
      (text) => text === 'Loftline: 5 % tax at ₹2,300.00; above ₹2,500.00 (€27.17) 12 %',
    );
    await test('set-price').fill('30');
    expect(await test('slab-loftline').innerText()).toContain('12 % tax at ₹2,760.00; up to ₹2,500.00 (€27.17) 5 %');
    await test('set-price').press('Escape');
  });
  it('are made by a rule that is seen before it is kept, and a wrong one is said', async () => {
    await page.goto(`${world.url}/channels?account=own-shop&part=money`);
    await test('rule-from').selectOption('cost');
    await test('rule-percent').fill('45');
    await test('rule-percent').press('Enter');
    await test('rule-ending').fill('90');
    await test('rule-ending').press('Enter');
    const then = test('price-then');
    await until(
      () => then.allInnerTexts(),
      (texts) => texts.length > 3 && texts.every((text) => /90$/.test(text)),
    );
    await test('payment-percent').fill('much');
    await test('payment-percent').press('Enter');
    await page.getByText('"much" is no amount.').waitFor();
    await test('keep-money').click();
    const wanted = async () =>
      (await world.call(api.listFamilies, { query: { q: 'SKJ' } })).families[0]!.strip['own-shop']!.state;
    await until(
      setup,
      ({ accounts }) => accounts.find((one) => one.id === 'own-shop')!.settings.priceRule?.from === 'cost',
    );
    expect(await wanted()).toBeDefined();
  });
});

describe('tax codes and rates', () => {
  it('are entered in a line, and refused in words', async () => {
    await page.goto(`${world.url}/setup`);
    await test('new-tax-code').fill('6404.1990');
    await test('new-tax-country').fill('at');
    await test('new-tax-rates').fill('5 up to 1000, 12 up to 500, 20');
    await test('add-tax-code').click();
    await page.getByText('The prices have to rise from rate to rate').waitFor();
    await test('new-tax-rates').fill('5 up to 1000, 12');
    await test('add-tax-code').click();
    await until(setup, ({ registry }) => registry.taxCodes['64041990']?.rates.AT?.[0]?.upTo === '1000');
    await test('rate-USD').fill('0');
    await test('rate-USD').press('Enter');
    await page.getByText('The rate is above zero.').waitFor();
    await test('rate-USD').fill('1.12');
    await test('rate-USD').press('Enter');
    await until(setup, ({ seller }) => seller.rates?.USD?.rate === '1.12');
  });
});

describe('stock', () => {
  it('is counted at two places, moved with a reason, and told to an account less what is kept back', async () => {
    await page.goto(`${world.url}/families/${jacket}`);
    const child = familyIndex(await family()).woven.find((one) => one.fields.sku === 'SKJ-RST-XS-U')!;
    await page.locator('[data-test=grid]').getByText('SKJ-RST-XS-U').click();
    await test('child-stock').waitFor();
    expect([await test('count-main').inputValue(), await test('count-quay-shed').inputValue()]).toEqual(['14', '6']);
    await test('count-quay-shed').fill('9');
    await test('count-quay-shed').press('Enter');
    await until(detail, ({ stock }) => stock[child.id] === 23);
    await test('move-pieces').fill('-2');
    await test('move-kind').selectOption('corrected');
    await test('move-reason').fill('damaged');
    await test('move').click();
    await until(detail, ({ stock }) => stock[child.id] === 21);
    await test('ledger-open').click();
    await until(
      () => test('ledger').innerText(),
      (text) => /−2\s+corrected, Harbour store: damaged[\s\S]*\+3\s+counted, Quay shed/.test(text),
    );
    await page.keyboard.press('Control+z');
    await until(detail, ({ stock }) => stock[child.id] === 23);

    // Quayside is told of the store alone; now it keeps three back besides.
    await page.goto(`${world.url}/channels?account=quayside&part=stock`);
    await test('stock-buffer').fill('3');
    await test('stock-buffer').press('Enter');
    await until(setup, ({ accounts }) => accounts.find((one) => one.id === 'quayside')!.settings.stock?.buffer === 3);
    await until(
      () => test('stock-example').innerText(),
      (text) => text === 'Of 0, 1, 3, 10, 100 pieces it is told 0, 0, 0, 7, 97.',
    );
  });
  it('of a place that holds pieces is not lost with the place', async () => {
    await page.goto(`${world.url}/setup`);
    await test('location').last().getByText('remove').click();
    await page.getByText(/Quay shed holds \d+ pieces/).waitFor();
  });
});

describe('words', () => {
  it('have form, are counted as channels count, and what could be wrong is said while one types', async () => {
    await page.goto(`${world.url}/families/${jacket}/words`);
    await test('word-name').fill('AMAZING jacket in Rust');
    await test('hint-shouting').waitFor();
    await test('hint-option-values').waitFor();
    await test('word-name').press('Escape');
    await test('word-description').click();
    await page.keyboard.press('Control+End');
    await page.keyboard.press('Enter');
    await page
      .getByRole('toolbar', { name: 'Form of Description' })
      .getByRole('button', { name: 'List of points' })
      .click();
    await page.keyboard.type('Hood');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Pockets');
    await leave();
    await until(family, ({ fields }) => String(fields.description).endsWith('<ul><li>Hood</li><li>Pockets</li></ul>'));
    await test('scope').selectOption('language:de');
    expect(await test('original-name').innerText()).toBe('Skerry storm jacket');
    await test('word-care').fill('Abwischen');
    await leave();
    await until(family, ({ scoped }) => scoped?.['language:de']?.care === 'Abwischen');
  });
  it('that other families say word for word are pointed at', async () => {
    const smock = (await world.call(api.listFamilies, { query: { q: 'DSM' } })).families[0]!.id;
    const { revision, fields } = (await world.call(api.family, { params: { id: smock } })).family;
    const said = 'A "waxed" jacket for days when the ferry does not run.';
    const figure = `${String(fields.shortText ?? '')} ${said}`.trim();
    const command = {
      do: 'setFigures' as const,
      changes: [{ place: { level: 'family' as const }, key: 'shortText', figure }],
    };
    await makeChange(world.call, [{ on: 'family', familyId: smock, revision, command }]);
    await test('scope').selectOption('everywhere');
    await test('word-shortText').fill(said);
    await leave();
    await until(
      () => test('said-elsewhere').allInnerTexts(),
      (texts) => texts.some((text) => text.endsWith('stands in 1 other family, too: Deck smock.')),
    );
  });
  it('a composition that is not whole is refused, and nothing is lost', async () => {
    await test('scope').selectOption('everywhere');
    await test('word-composition').fill('90 % cotton, 9 % wool');
    await leave();
    await page.getByText(/99 %/).first().waitFor();
    expect((await family()).fields.composition).toBe('100 % cotton, waxed');
    await test('word-composition').fill('90 % cotton, 10 % wool');
    await leave();
    await until(family, ({ fields }) => fields.composition === '90 % cotton, 10 % wool');
  });
  it('a size chart is made of a pasted table and chosen; one that is chosen stays', async () => {
    await page.goto(`${world.url}/setup`);
    await test('new-chart').click();
    await test('chart-name').fill('Smocks');
    await test('chart-text').fill('Size\tChest\nS\t100\nS\t104');
    await page.getByText('Line 3: S stands twice.').waitFor();
    await test('chart-text').fill('Size\tChest\nS\t100\nM\t104');
    await test('keep-chart').click();
    await until(setup, ({ registry }) => registry.sizeCharts.smocks?.rows.length === 2);
    await page.goto(`${world.url}/families/${jacket}/words`);
    await test('word-sizeChart').selectOption({ label: 'Smocks' });
    await until(family, ({ fields }) => fields.sizeChart === 'smocks');
    await page.goto(`${world.url}/setup`);
    await test('size-chart').filter({ hasText: 'Smocks' }).getByText('remove').click();
    await page.getByText('Skerry storm jacket has chosen it.').waitFor();
  });
});

describe('goods without options', () => {
  it('are started, priced and given options later', async () => {
    await page.goto(`${world.url}/families/new`);
    await test('name').fill('Slip rope');
    await test('style').fill('SLR');
    await test('category').click();
    await page.getByRole('option', { name: 'Mugs' }).first().click();
    await page.getByRole('button', { name: /Start with 1 child/ }).click();
    await until(
      () => Promise.resolve(page.url()),
      (url) => /families\/k/.test(url),
    );
    const id = /families\/(k\w+)/.exec(page.url())![1]!;
    const rope = async () => (await world.call(api.family, { params: { id } })).family;
    await test('set-price').fill('12');
    await test('set-price').press('Enter');
    await until(rope, ({ fields }) => fields.price === '12');
    expect(familyIndex(await rope()).woven).toHaveLength(1);
  });
  it('show the figure of the child they had when they get options', async () => {
    const id = /families\/(k\w+)/.exec(page.url())![1]!;
    await test('add-axis').click();
    await test('new-axis-values').fill('Short, Long');
    await test('add-axis-now').click();
    await until(
      async () => familyIndex((await world.call(api.family, { params: { id } })).family).woven.length,
      (count) => count === 2,
    );
  });
  it('whose value has a price of its own keep it', async () => {
    expect(await onValue('Fleece-lined', 'price')).toBe('219.00');
  });
});
