/** A first seller whose family goes onto all seven channels. */
import { endpoints as api } from '@loom-kin/contract';
import { startWorld, until, type World } from '../../e2e/world';
import type { Hands } from './hands';
import { mendAndSend, onPage, picture, takeBlock, weightAndPack, words, type Journey } from './journeys';

const ALL = ['quayside', 'fernpost', 'own-shop', 'tallow-gate', 'norang-hall', 'palmway', 'loftline'];

/** What no program can know is typed at the finding that asks for it. */
async function answerLoftline(hands: Hands): Promise<void> {
  const answers = { care: 'Wash at 30', garmentLength: '70 cm', madeIn: 'Norrhavn', taxCode: '62014010' };
  await hands.choose('choose-pair', 'Unisex');
  for (const [key, text] of Object.entries(answers)) {
    const entry = hands.find(`type-${key}`);
    await entry.waitFor();
    await hands.enter(entry, text);
    await hands.key('Enter');
    await entry.waitFor({ state: 'detached' });
  }
}

const RATES: Record<string, string> = {
  fernpost: '1.1',
  'tallow-gate': '0.86',
  'norang-hall': '1480',
  palmway: '1.45',
  loftline: '92',
};

/** From an empty product to a family of 4 × 8 × 3, pasted as rows, that all seven channels have accepted. */
export async function everywhereSeller(): Promise<Journey> {
  const world = await startWorld({ bare: true, every: true });
  try {
    return await onPage(world, 'first seller, 96 children pasted, seven channels', async (hands) => {
      const { find } = hands;
      const page = find('place').page();
      await find('first-steps').waitFor();
      await find('first-name').focus();
      await hands.type('Tarn Works');
      for (const text of ['EUR', '20']) {
        await hands.key('Tab');
        await hands.type(text);
      }
      for (const [account, rate] of Object.entries(RATES)) {
        await hands.tabTo(`first-rate-${account}`);
        await hands.type(rate);
      }
      await hands.choose(find('first-Delivery profile'), 'Letter');
      await hands.choose(find('first-Certification'), 'Nothing to certify');
      await hands.enter('first-Return fee', '5000');
      await hands.click('first-keep');

      await find('name').waitFor();
      await find('name').focus();
      await hands.paste(pastedRows());
      await until(
        () => page.locator('form').first().innerText(),
        (text) => text.includes('96'),
      );
      await hands.type('Gale parka for winter days');
      await hands.key('Tab');
      await hands.type('Tarn');
      await hands.key('Tab');
      await hands.type('GPK');
      await hands.key('Tab');
      await hands.type('outerw');
      await hands.key('Enter');
      await hands.key('Tab');
      await hands.key('Enter');
      await find('crossing').waitFor();
      await weightAndPack(hands);
      await takeBlock(hands);
      await hands.click(page.getByLabel('Parts of the family').getByRole('link', { name: 'Pictures', exact: true }));
      const shots = await Promise.all(['#A4502B', '#9A4A28', '#AE5733', '#8F4424'].map(picture));
      await hands.drop(
        page.locator('input[type=file]').first(),
        shots.map((buffer, at) => ({ name: `parka-${at}.png`, mimeType: 'image/png', buffer })),
      );
      await page.locator('.picture').nth(3).waitFor();
      await words(hands);
      const ended = await mendAndSend(world, hands, 96, ALL, answerLoftline).catch(
        (error: Error) => `not everywhere: ${error.message.slice(0, 200)}`,
      );
      const left = await leftToDo(world);
      return `${ended}${left ? `; left: ${left}` : ''}`;
    });
  } finally {
    await world.end();
  }
}

/** What still stops the family where it is stopped. */
async function leftToDo(world: World): Promise<string> {
  const found = await world.call(api.boardFindings, { query: {} });
  return found
    .filter((one) => one.severity === 'stops')
    .map((one) => `${one.account} ${one.code} ${one.key}`)
    .join(', ');
}

/** Rows as a seller's list has them: options, price and pieces. */
function pastedRows(): string {
  const colours = ['Rust', 'Green', 'Navy', 'Grey'];
  const sizes = ['XXS', 'XS', 'S', 'M', 'L', 'XL', 'XXL', '3XL'];
  const linings = ['Unlined', 'Fleece', 'Wool'];
  const rows = colours.flatMap((colour) =>
    sizes.flatMap((size) => linings.map((lining, at) => [colour, size, lining, `${240 + at * 20}`, '8'].join('\t'))),
  );
  return ['Colour\tSize\tLining\tPrice\tStock', ...rows].join('\n');
}
