/** Whole tasks done as a seller would, and what they took in gestures. */
import { endpoints as api } from '@loom-kin/contract';
import { familyIndex } from '@loom-kin/core/family';
import sharp from 'sharp';
import { launchBrowser, sellerPage } from '../../e2e/browser/launch';
import { startWorld, until, type World } from '../../e2e/world';
import { handsOn, type Gestures, type Hands } from './hands';

export interface Journey {
  what: string;
  gestures: Gestures;
  seconds: number;
  ended: string;
  hasBrokenOff: boolean;
}

export async function picture(colour: string): Promise<Buffer> {
  const ground = sharp({ create: { width: 1200, height: 1200, channels: 3, background: '#ffffff' } });
  const goods = await sharp({ create: { width: 700, height: 800, channels: 3, background: colour } })
    .png()
    .toBuffer();
  return ground
    .composite([{ input: goods }])
    .png()
    .toBuffer();
}

export async function onPage(
  world: World,
  what: string,
  walk: (hands: Hands, url: string) => Promise<string>,
): Promise<Journey> {
  const browser = await launchBrowser();
  const page = await sellerPage(browser);
  const hands = handsOn(page);
  await page.goto(world.url);
  const began = performance.now();
  try {
    const ended = await walk(hands, world.url);
    return { what, gestures: hands.done, seconds: (performance.now() - began) / 1000, ended, hasBrokenOff: false };
  } catch (error) {
    const ended = `broken off: ${(error as Error).message.split('\n')[0]!}`;
    return { what, gestures: hands.done, seconds: 0, ended, hasBrokenOff: true };
  } finally {
    await browser.close();
  }
}

const CHANNELS = ['quayside', 'fernpost', 'own-shop'];
async function accepted(world: World, offers: number, channels = CHANNELS): Promise<string> {
  const counts = async () =>
    Promise.all(
      channels.map(async (one) => (await world.held(one)).reduce((sum, { goods }) => sum + goods.offers.length, 0)),
    );
  const held = await until(counts, (all) => all.every((count) => count >= offers), 30);
  return `accepted: ${channels.map((one, at) => `${one} ${held[at]!}`).join(', ')} children`;
}

/** From the first page of an empty product to a family of 3 × 4 that three channels have accepted. */
export async function firstSeller(): Promise<Journey> {
  const world = await startWorld({ bare: true });
  try {
    return await onPage(world, 'first seller, 3 × 4, three channels', async (hands) => {
      const { find } = hands;
      await find('first-steps').waitFor();
      // The first entry has the focus; Tab goes on.
      await find('first-name').focus();
      await hands.type('Tarn Works');
      await hands.key('Tab');
      await hands.type('EUR');
      await hands.key('Tab');
      await hands.type('20');
      await hands.key('Tab');
      await hands.type('1.1');
      await hands.choose(find('first-steps').locator('select'), 'Letter');
      await hands.click('first-keep');

      await find('name').waitFor();
      await find('name').focus();
      await hands.type('Gale parka');
      await hands.key('Tab');
      await hands.type('Tarn');
      await hands.key('Tab');
      await hands.type('GPK');
      await hands.key('Tab');
      await hands.type('outerw');
      await hands.key('Enter');
      await hands.key('Tab');
      await hands.type('240');
      await hands.key('Tab');
      await hands.type('Rust, Kelp, Teal');
      await hands.key('Tab');
      await hands.type('S, M, L, XL');
      // Once to the third list, which stays empty, and once to begin.
      await hands.key('Enter', 2);

      await find('crossing').waitFor();
      // Stock is pasted from a list.
      await takeBlock(hands);
      await hands.click(find('grid').locator('#head-stock'));
      await hands.paste(Array.from({ length: 12 }, (_, at) => String(at + 4)).join('\n'));
      await weightAndPack(hands);
      // One picture for all of the family, white behind.
      const page = find('place').page();
      await hands.click(page.getByLabel('Parts of the family').getByRole('link', { name: 'Pictures', exact: true }));
      await hands.drop(page.locator('input[type=file]').first(), [
        { name: 'parka.png', mimeType: 'image/png', buffer: await picture('#A4502B') },
      ]);
      await page.locator('.picture').first().waitFor();
      await words(hands);
      return await mendAndSend(world, hands, 12);
    });
  } finally {
    await world.end();
  }
}

/** Presses what mends, until only questions are left; the fit is worked out anew after each. */
async function mendWhatNeedsNoAnswer({ click, find }: Hands): Promise<void> {
  const page = find('place').page();
  const heading = () => page.locator('.findings h2').innerText();
  for (let turn = 0; turn < 6; turn++) {
    const before = await heading();
    const button = (await find('mend-all').count()) > 0 ? 'mend-all' : 'remedy';
    if ((await find(button).count()) === 0) return;
    await click(button);
    await until(heading, (now) => now !== before, 5).catch(() => undefined);
  }
}

/** Numbers for all children, of a block that is given here. */
export async function takeBlock(hands: Hands): Promise<void> {
  await hands.click('gtins');
  await hands.enter('block-prefix', '950 1017');
  await hands.click('add-block');
  await until(
    () => hands.find('gtins').innerText(),
    (text) => !text.includes('without'),
  );
  await hands.key('Escape');
}

const APPEARANCE = 'A parka for gales: taped seams and a warm wool lining.';

export async function words(hands: Hands): Promise<void> {
  const page = hands.find('place').page();
  await hands.click(page.getByRole('link', { name: 'Words and facts' }));
  await hands.enter('word-description', APPEARANCE);
  await hands.tabTo('word-highlights');
  await hands.type('Taped');
  for (const point of ['Warm', 'Light', 'Dry', 'Hooded']) {
    await hands.key('Enter');
    await hands.type(point);
  }
  await hands.tabTo('word-composition');
  await hands.type('100 % wool');
  await hands.tabTo('word-wearer');
  await hands.type('Any');
  await hands.tabTo('word-collections');
  await hands.type('Winter');
  await hands.key('Tab');
}

export async function weightAndPack(hands: Hands): Promise<void> {
  await hands.enter('set-weight', '900');
  for (const size of ['40', '30', '8']) {
    await hands.key('Tab');
    await hands.type(size);
  }
  await hands.key('Enter');
}

export async function mendAndSend(
  world: World,
  hands: Hands,
  offers: number,
  channels = CHANNELS,
  answer: (hands: Hands) => Promise<void> = () => Promise.resolve(),
): Promise<string> {
  const page = hands.find('place').page();
  for (const account of channels) {
    await hands.click(`fit-${account}`);
    await page.locator('.findings h2').waitFor();
    await mendWhatNeedsNoAnswer(hands);
  }
  await answer(hands);
  await hands.click(page.getByRole('link', { name: 'Weave' }));
  await hands.click('send');
  await hands.find('agree').waitFor();
  await hands.click('agree');
  return accepted(world, offers, channels);
}

/** A family of 4 × 6 × 2 by a seller who has others: surcharges, stock from a sheet in another order, a picture for each colour. */
export async function usualSeller(): Promise<Journey> {
  const world = await startWorld();
  try {
    return await onPage(world, 'usual seller, 4 × 6 × 2, surcharges, sheet, three', async (hands, url) => {
      const { find } = hands;
      const page = find('place').page();
      await page.goto(`${url}/families`);
      await hands.click('new-family');
      await find('name').waitFor();
      await hands.type('Fell parka');
      await hands.key('Tab');
      await hands.type('Skerry Supply');
      await hands.key('Tab');
      await hands.type('FPK');
      await hands.key('Tab');
      await hands.type('jack');
      await hands.key('Enter');
      await hands.key('Tab');
      await hands.type('240');
      for (const list of ['Rust, Spruce, Midnight, Ochre', 'XS, S, M, L, XL, XXL', 'Unlined, Fleece-lined']) {
        await hands.key('Tab');
        await hands.type(list);
      }
      await hands.key('Enter');
      await find('crossing').waitFor();

      const head = (label: string) =>
        page.locator('[data-test=weave-head]', { hasText: new RegExp(`^${label}$`) }).first();
      for (const [label, surcharge] of [
        ['XXL', '+4'],
        ['Midnight', '+5 %'],
      ] as const) {
        await hands.click(head(label));
        await hands.enter('chosen-text', surcharge);
        await hands.key('Enter');
      }
      const family = await world.call(api.family, { params: { id: page.url().split('/').at(-1)! } });
      const rows = familyIndex(family.family).woven.map((child, at) => `${String(child.fields.sku)}\t${at + 3}`);
      await hands.click(find('grid').locator('#head-sku .text'));
      await hands.paste(['SKU\tStock', ...rows.toReversed()].join('\n'));
      await hands.key('Enter');
      await hands.click(page.getByText('to the whole family'));
      await weightAndPack(hands);

      await hands.click(page.getByLabel('Parts of the family').getByRole('link', { name: 'Pictures', exact: true }));
      for (const [label, colour] of [
        ['Rust', '#A4502B'],
        ['Spruce', '#24483C'],
        ['Midnight', '#1B2540'],
        ['Ochre', '#C08A1E'],
      ] as const) {
        const tray = page.locator(`[data-test="tray-${label}"]`);
        await hands.drop(tray.locator('input[type=file]'), [
          { name: `${label}.png`, mimeType: 'image/png', buffer: await picture(colour) },
        ]);
        await tray.locator('.picture').first().waitFor();
      }
      await words(hands);
      return mendAndSend(world, hands, 48);
    });
  } finally {
    await world.end();
  }
}

export function tellJourneys(journeys: readonly Journey[]): void {
  console.log('\nGestures');
  for (const { what, gestures, seconds, ended } of journeys) {
    const { clicks, characters, keys, pastes } = gestures;
    console.log(
      `  ${what.padEnd(50)} ${clicks} clicks, ${characters} characters, ${keys} other keys, ${pastes} pastes; ${seconds.toFixed(0)} s by machine; ${ended}`,
    );
  }
}
