/** Every finding of families that lack nearly everything, or have it wrong, leads to where it is mended: focused, and in view. */
import type { Browser, Page } from 'playwright-core';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { type Figure, familyIndex } from '@loom-kin/core/family';
import { launchBrowser } from './launch';
import { startWorld, until, type World } from '../world';

let world: World;
let browser: Browser;
let page: Page;
const ids: Record<'bare' | 'wrong' | 'unsold' | 'placeless', string> = {
  bare: '',
  wrong: '',
  unsold: '',
  placeless: '',
};

const AXES = [
  { role: 'colour' as const, label: 'Colour', values: [{ label: 'Rust' }, { label: 'Unheard-of' }] },
  { role: 'size' as const, label: 'Size', values: [{ label: 'S' }, { label: 'M' }] },
];
async function start(fields: Record<string, Figure>): Promise<string> {
  const named = { brand: 'Nobody', styleCode: `X${Math.random()}`, category: 'outerwear/jackets', ...fields };
  return (await makeChange(world.call, [{ on: 'start', family: { axes: AXES, off: [], fields: named } }])).started[0]!;
}
async function change(familyId: string, command: object): Promise<void> {
  const { family } = await world.call(api.family, { params: { id: familyId } });
  await makeChange(world.call, [{ on: 'family', familyId, revision: family.revision, command: command as never }]);
}

beforeAll(async () => {
  world = await startWorld();
  ids.bare = await start({ name: 'Bare coat' });
  ids.placeless = await start({ name: 'Coat of no category', category: '' });
  ids.wrong = await start({
    name: 'Coat in Rust',
    price: '10.00',
    listPrice: '9.00',
    salePrice: '8.00',
    weight: 2,
    description: 'See https://coat.test for all that there is to say of it, and for more.',
    highlights: ['One'],
    searchWords: Array.from({ length: 20 }, (_, at) => `word ${at}`),
    searchTitle: 'A title that is far too long for any search page, whoever looks at it, and wherever',
  });
  const png = await sharp({ create: { width: 300, height: 300, channels: 3, background: '#804020' } })
    .png()
    .toBuffer();
  const form = new FormData();
  form.append('files', new Blob([new Uint8Array(png)]), 'small.png');
  const [taken] = await world.call(api.addPictures, { form });
  await change(ids.wrong, { do: 'setPictures', place: { level: 'family' }, pictures: [taken!.picture!.id] });
  const { family } = await world.call(api.family, { params: { id: ids.wrong } });
  const [first] = familyIndex(family).woven;
  await change(ids.wrong, {
    do: 'setFigures',
    changes: [
      {
        place: { level: 'child', childId: first!.id },
        key: 'sku',
        figure: 'A-LONG-SKU-OF-MORE-THAN-32-SIGNS-XY',
      },
      { place: { level: 'child', childId: first!.id }, key: 'gtinExempt', figure: true },
    ],
  });
  await makeChange(world.call, [{ on: 'stock', familyId: ids.wrong, counts: [{ childId: first!.id, pieces: 5000 }] }]);
  const { accounts } = await world.call(api.setup);
  const fernpost = accounts.find((one) => one.id === 'fernpost')!;
  const bareAccount = { ...fernpost, settings: { ...fernpost.settings, answers: {} } };
  await makeChange(world.call, [{ on: 'account', account: bareAccount }]);
  // Wishes that nothing keeps to: neither joined nor split, where there are more axes than are taken.
  await change(ids.bare, {
    do: 'addAxis',
    role: 'material',
    label: 'Lining',
    values: [{ label: 'None' }, { label: 'Fleece' }],
    existingTake: 0,
  });
  const { axes } = (await world.call(api.family, { params: { id: ids.bare } })).family;
  const all = axes.map((axis) => axis.id);
  const wish = { apart: all, whole: all, leaveOut: [], offered: true };
  await change(ids.bare, { do: 'setWish', account: 'fernpost', wish });
  ids.unsold = await start({ name: 'Coat that nobody gets', onSale: false });

  browser = await launchBrowser();
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.setDefaultTimeout(30_000);
}, 300_000);
afterAll(async () => {
  await browser?.close();
  await world?.end();
});

/** What has the focus: the nearest id around it, and whether it is in view. */
const focused = () =>
  page.evaluate(() => {
    const element = document.activeElement;
    if (!element || element === document.body) return null;
    const { top, bottom } = element.getBoundingClientRect();
    return { id: element.closest('[id]')?.id ?? '', inView: bottom > 0 && top < window.innerHeight };
  });

/** code → the id of the element it led to. */
const led = new Map<string, string>();
const findings = () => page.locator('[data-test=finding]');
async function open(familyId: string, account: string): Promise<string[]> {
  await page.goto(`${world.url}/families/${familyId}/fit/${account}`);
  await findings().first().waitFor();
  return findings().evaluateAll((all) => all.map((one) => (one as HTMLElement).dataset.code!));
}

/** Goes to the first finding of each code that was not met before. */
async function walk(familyId: string, account: string): Promise<void> {
  for (const code of new Set(await open(familyId, account))) {
    if (led.has(code)) continue;
    await page.locator(`[data-code="${code}"] .acts > .link`).first().click();
    const there = await until(focused, (focus) => focus !== null && !['', 'app'].includes(focus.id));
    expect([code, there!.inView]).toEqual([code, true]);
    led.set(code, there!.id);
    await open(familyId, account);
  }
}

it.each(['quayside', 'fernpost', 'own-shop'])(
  'findings on %s lead to where they are mended',
  async (account) => {
    for (const id of Object.values(ids)) await walk(id, account);
  },
  300_000,
);

it('lead to every part of the product', () => {
  expect(Object.fromEntries(led)).toMatchObject({
    'category.choose': 'w-category',
    'pairing.missing': 'pairings',
    'sku.missing': 'children-grid',
    'gtin.missing': 'children-grid',
    'gtin.not-exempt': 'i-gtinExempt',
    'price.missing': 'i-price',
    'price.sale-half': 'i-saleFrom',
    'stock.too-low': 'children-grid',
    'picture.missing': 'tray-family',
    'field.too-few': 'w-highlights',
    'wording.link': 'w-description',
    'measure.odd': 'i-weight',
    'plan.nothing-offered': 'i-onSale',
    'setting.missing': 'account-name',
    'plan.wishes': 'plans',
  });
});
