/** What is copied and filled down in the browser: what is still the same is pointed at, gone to, mended or called right. */
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { demoPage } from './demoPage';
import { until, type World } from '../world';

let world: World;
let page: Page;
const faults: string[] = [];

demoPage((made) => void ({ world, page } = made), faults);

const test = (name: string) => page.locator(`[data-test="${name}"]`);
const idOf = async (q: string) => (await world.call(api.listFamilies, { query: { q } })).families[0]!.id;

describe('A copy', () => {
  it('says what it still has of the other, and is quiet when that is called right; taken back it says it again', async () => {
    const jacket = await idOf('SKJ');
    await page.goto(`${world.url}/families/${jacket}`);
    await test('files').click();
    await test('copy-family').click();
    await test('copy-name').fill('Harbour coat');
    await page.getByText('with its pictures').click();
    await test('copy-do').click();
    await page.waitForURL((url) => !url.pathname.endsWith(jacket));
    await test('still-same').click();
    const said = await test('same').allInnerTexts();
    expect(said.map((text) => text.split('\n')[0])).toEqual([
      '8 pictures are those of Skerry storm jacket.',
      'Search title says "Skerry storm jacket", which this was copied from.',
      expect.stringMatching(/^As for Skerry storm jacket: List price, Price, Cost/),
    ]);
    await test('same').nth(1).locator('[data-test="same-show"]').click();
    await page.waitForURL(/\/words$/);
    await until(
      () => page.evaluate(() => (document.activeElement as HTMLInputElement | null)?.value),
      (value) => value?.includes('Skerry storm jacket') === true,
    );
    await page.keyboard.press('Control+a');
    await page.keyboard.type('Harbour coat for hard weather');
    await page.keyboard.press('Tab');
    await until(
      () => test('still-same').innerText(),
      (text) => text === '2 still the same',
    );
    await test('still-same').click();
    await test('all-right').click();
    await until(
      () => test('still-same').innerText(),
      (text) => text === 'called right',
    );
    await page.keyboard.press('Control+z');
    await until(
      () => test('still-same').innerText(),
      (text) => text === '2 still the same',
    );
  });
});

describe('What is filled down', () => {
  it('is pointed at where sizes mostly differ, and leads to the children', async () => {
    const smock = await idOf('DSM');
    const { family } = await world.call(api.family, { params: { id: smock } });
    const size = family.axes.find(({ role }) => role === 'size')!;
    const changes = size.values.map(({ id }, nth) => ({
      place: { level: 'value' as const, axisId: size.id, valueId: id },
      key: 'garmentLength',
      figure: nth === 2 ? 70 + 1 : 70 + nth,
    }));
    const command = { do: 'setFigures' as const, changes };
    await makeChange(world.call, [{ on: 'family', familyId: smock, revision: family.revision, command }]);
    await page.goto(`${world.url}/families/${smock}`);
    await test('still-same').click();
    const [second, third] = size.values.slice(1, 3).map(({ label }) => label);
    expect(await test('same').innerText()).toContain(
      `Garment length is 71 cm for ${second} and ${third}; the other sizes differ.`,
    );
    await test('same-show').click();
    await until(
      () => test('chosen').innerText(),
      (text) => /^\d+ children chosen/.test(text),
    );
    expect(faults).toEqual([]);
  });
});
