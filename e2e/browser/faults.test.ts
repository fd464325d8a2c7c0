/**
 * The interface when something goes wrong or comes from outside: a server that dies, a channel that is off, files
 * with faults, keys alone.
 */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { familyIndex } from '@loom-kin/core/family';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { launchBrowser } from './launch';
import { startWorld, until, type World } from '../world';

let world: World;
let browser: Browser;
let page: Page;
let jacket = '';
beforeAll(async () => {
  // What is said between two tries has to stand long enough for a page on a busy machine to show it.
  world = await startWorld({ demo: true, waits: '100,200,3000' });
  browser = await launchBrowser();
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.setDefaultTimeout(30_000);
  jacket = (await world.call(api.listFamilies, { query: { q: 'SKJ' } })).families[0]!.id;
}, 300_000);
afterEach(() => page.context().setOffline(false));
afterAll(async () => {
  await browser?.close();
  await world?.end();
});

const test = (name: string) => page.locator(`[data-test="${name}"]`);
const detail = () => world.call(api.family, { params: { id: jacket } });
/** The browser answers before its network has gone: what is asked at once may still get through. */
const goOffline = async () => {
  await page.context().setOffline(true);
  await until(
    () =>
      page.evaluate(() =>
        fetch('/api/channels').then(
          () => 'answered',
          () => 'gone',
        ),
      ),
    (state) => state === 'gone',
  );
};
const open = async (path: string, shown = 'crossing') => {
  await page.goto(world.url + path);
  await until(
    () => test(shown).count(),
    (count) => count > 0,
  );
};

describe('by the keyboard', () => {
  it('a family is found from anywhere with Ctrl K, however fast its name and Enter are typed', async () => {
    await open('/journal', 'entry');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('dog st');
    await page.keyboard.press('Enter');
    await page.waitForURL(/families\/k\w+$/);
    await until(
      () => test('place').innerText(),
      (text) => text.includes('Dog storm coat'),
    );
  });
  it('a child is found by its SKU, and the inspector opens on it', async () => {
    await page.keyboard.press('Control+k');
    await page.keyboard.type('skj-spr-l-f', { delay: 20 });
    await until(
      () => page.locator('#command-entries').innerText(),
      (text) => text.includes('Skerry storm jacket'),
    );
    await page.keyboard.press('Enter');
    await until(
      () => test('inspector').allInnerTexts(),
      (texts) => texts.some((text) => text.includes('Spruce · L · Fleece-lined')),
    );
  });
  it('families are walked and opened, and ? shows the keys of the view', async () => {
    await open('/families', 'family-row');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    expect(await page.locator('tr.at').innerText()).toContain('Galley mug');
    await page.keyboard.press('?');
    await until(
      () => page.locator('[role=dialog]').innerText(),
      (text) => text.includes('start a family'),
    );
    await page.keyboard.press('Escape');
    await until(
      () => page.locator('[role=dialog]').isVisible(),
      (shown) => !shown,
    );
    await page.keyboard.press('Enter');
    await until(
      () => test('place').innerText(),
      (text) => text.includes('Galley mug'),
    );
  });
  it('crossings are walked with arrows and taken out and in with Space while weaving', async () => {
    await open(`/families/${jacket}`);
    await page.keyboard.press('w');
    await test('weave').focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Space');
    await until(detail, (one) => familyIndex(one.family).woven.length === 43);
    await page.keyboard.press('Space');
    await until(detail, (one) => familyIndex(one.family).woven.length === 44);
  });
  it('findings are walked with J and K and mended with Enter and Shift Enter', async () => {
    await open(`/families/${jacket}/fit/quayside`, 'finding');
    await page.locator('.findings h2').click();
    await page.keyboard.press('j');
    expect(await page.locator('.finding.at').innerText()).toContain('Spruce');
    await page.keyboard.press('k');
    await page.keyboard.press('Enter');
    await until(
      () => test('finding').count(),
      (count) => count === 3,
    );
    await page.keyboard.press('Shift+Enter');
    // What it will do is shown first.
    expect(await test('mend-plan').innerText()).toContain('since');
    await test('mend-yes').click();
    await until(
      () => page.locator('.findings').innerText(),
      (text) => text.includes('Nothing is missing'),
    );
    await page.keyboard.press('Control+z');
    await until(
      () => test('finding').count(),
      (count) => count === 3,
    );
    await page.keyboard.press('Control+y');
    await until(
      () => page.locator('.findings').innerText(),
      (text) => text.includes('Nothing is missing'),
    );
  });
});

describe('what is typed', () => {
  it('waits while the server is away, and is stored when it is back', async () => {
    await open(`/families/${jacket}`);
    await world.killServer();
    for (const [key, figure] of [
      ['price', '195'],
      ['cost', '72'],
    ] as const) {
      await test(`set-${key}`).fill(figure);
      await test(`set-${key}`).press('Enter');
    }
    await until(
      () => page.locator('header.bar').innerText(),
      (text) => text.includes('The server does not answer; 2 changes wait here'),
    );
    await world.startServer();
    const after = await until(
      () => detail().catch(() => null),
      (one) => one?.family.fields.cost === '72',
    );
    expect(after!.family.fields.price).toBe('195');
    await until(
      () => page.locator('header.bar').innerText(),
      (text) => !text.includes('wait here'),
    );
  });
  it('is not lost when the page is closed while it waits', async () => {
    await open(`/families/${jacket}`);
    await world.killServer();
    await test('set-leadDays').fill('21');
    await test('set-leadDays').press('Enter');
    await until(
      () => page.locator('header.bar').innerText(),
      (text) => text.includes('1 change waits here'),
    );
    await page.goto('about:blank');
    await world.startServer();
    await open(`/families/${jacket}`);
    await until(detail, (one) => one.family.fields.leadDays === 21);
  });
  it('stays, marked, when it is no figure, says why, and is given up with Esc', async () => {
    await open(`/families/${jacket}`);
    await test('set-price').fill('much');
    await test('set-price').press('Enter');
    await until(
      () => page.locator('.el-message').allInnerTexts(),
      (texts) => texts.some((text) => text.includes('"much" is no amount')),
    );
    expect([await test('set-price').inputValue(), await test('set-price').getAttribute('aria-invalid')]).toEqual([
      'much',
      'true',
    ]);
    await test('set-price').press('Escape');
    expect(await test('set-price').inputValue()).toBe('195.00');
  });
  it('is set aside when somebody else changed the family meanwhile, and made again on top with one press', async () => {
    await open(`/families/${jacket}`);
    const now = await detail();
    // The page has not heard of it when the price is typed, or has and shows it: either way nothing is written over unasked.
    await goOffline();
    await test('set-cost').fill('80');
    await test('set-cost').press('Enter');
    await test('set-leadDays').fill('30');
    await test('set-leadDays').press('Enter');
    await makeChange(world.call, [
      {
        on: 'family',
        familyId: jacket,
        revision: now.family.revision,
        command: {
          do: 'setFigures',
          changes: [
            { place: { level: 'family' }, key: 'maker', figure: 'Somebody else' },
            { place: { level: 'family' }, key: 'cost', figure: '75' },
          ],
        },
      },
    ]);
    await page.context().setOffline(false);
    await until(
      () => test('aside').allInnerTexts(),
      (texts) => texts.some((text) => text.includes('One change of yours is not stored')),
    );
    await until(
      () => test('set-cost').inputValue(),
      (value) => value === '75.00',
    );
    expect((await detail()).family.fields).toMatchObject({ cost: '75', maker: 'Somebody else', leadDays: 30 });
    await page.goto('about:blank');
    await open(`/families/${jacket}`);
    await test('aside-again').click();
    await until(detail, (one) => one.family.fields.cost === '80' && one.family.fields.maker === 'Somebody else');
    expect(await test('aside').count()).toBe(0);
  });
});

describe('files', () => {
  const file = (name: string, text: string) => {
    const path = join(world.folder, name);
    writeFileSync(path, text);
    return path;
  };
  it('get a verdict for every row before anything is done; the good rows go in', async () => {
    await open(`/intake?family=${jacket}`, 'file');
    await test('file').setInputFiles(
      file(
        'jackets.csv',
        'Option: Colour,Option: Size,Option: Lining,Price,Stock (pieces)\nRust,M,Unlined,199,12\nRust,L,Unlined,abc,4\nHeather,M,Unlined,189,5\n',
      ),
    );
    await until(
      () => test('counts').innerText(),
      (text) => /1 new\s+1 changed\s+0 already so\s+1 refused/.test(text),
    );
    expect(await page.locator('table.lines').innerText()).toContain('Price: "abc" is no amount');
    await test('apply').click();
    await until(
      () => test('counts').innerText(),
      (text) => text.includes('Taken in.'),
    );
    const after = await detail();
    expect(familyIndex(after.family).woven).toHaveLength(45);
    expect(
      familyIndex(after.family).woven.some((child) => child.fields.price === '199' && after.stock[child.id] === 12),
    ).toBe(true);
  });
  it('that are cut off or of another kind are refused in words', async () => {
    await test('file').setInputFiles(file('cut.xlsx', 'PK\u0003\u0004 not whole'));
    await until(
      () => test('intake-problem').innerText(),
      (text) => text.includes('cut.xlsx is not a whole XLSX file'),
    );
    await test('file').setInputFiles(file('family.json', '{"format": "loom-kin/fam'));
    await test('take-in').click();
    await until(
      () => test('intake-problem').innerText(),
      (text) => text.includes('family.json is no JSON'),
    );
    await test('file').setInputFiles(file('other.json', '{"format": "another"}'));
    await test('take-in').click();
    await until(
      () => test('intake-problem').innerText(),
      (text) => text.includes('other.json is no family file'),
    );
  });
});

describe('a channel that is off', () => {
  it('is said while sending; what failed is sent again with one press', async () => {
    const mug = (await world.call(api.listFamilies, { query: { q: 'GMG' } })).families[0]!.id;
    await world.killChannels();
    await page.goto(`${world.url}/dispatch/new?families=${mug}&accounts=own-shop`);
    await test('agree').click();
    await until(
      () => test('notice').allInnerTexts(),
      (texts) => texts.some((text) => text.includes('Own shop cannot be reached. Trying again')),
    );
    await until(
      () => test('report').innerText(),
      (text) => text.includes('1 not delivered'),
    );
    await world.startChannels();
    await test('retry').click();
    await until(
      () => test('report').innerText(),
      (text) => text === '1 listed',
    );
    expect((await world.held('own-shop')).some((one) => one.goods.key === mug)).toBe(true);
  });
});

describe('a refusal', () => {
  it('that is held back leads to the children with one press', async () => {
    const dog = (await world.call(api.listFamilies, { query: { q: 'DSC' } })).families[0]!.id;
    await page.goto(`${world.url}/dispatch/new?families=${dog}&accounts=fernpost`);
    await until(
      () => test('dispatch-lines').innerText(),
      (text) => text.includes('4 children have fewer pieces than the 1 Fernpost takes at least'),
    );
    await test('reason-link').first().click();
    await page.waitForURL(new RegExp(`families/${dog}/fit/fernpost$`));
    // The grid shows those it is about, and all again with one press.
    await test('in-grid').first().click();
    await until(
      () => test('only').innerText(),
      (text) => text.startsWith('4 of '),
    );
    await page.locator('#cell-0-5').click();
    for (let at = 0; at < 4; at++) {
      await page.keyboard.type('6');
      await page.keyboard.press('Enter');
    }
    await until(
      () => world.call(api.family, { params: { id: dog } }),
      (one) => Object.values(one.stock).filter((pieces) => pieces === 6).length >= 4,
    );
    await test('show-all').click();
    expect(await test('only').count()).toBe(0);
  });
  it("in a split plan: two listings, each its own buyers' page", async () => {
    const now = await detail();
    const lining = now.family.axes[2]!;
    await makeChange(world.call, [
      {
        on: 'family',
        familyId: jacket,
        revision: now.family.revision,
        command: {
          do: 'setWish',
          account: 'quayside',
          wish: {
            apart: now.family.axes.map((axis) => axis.id),
            whole: [],
            leaveOut: familyIndex(now.family)
              .woven.filter((child) => child.fields.sku === undefined)
              .map((child) => child.id),
            offered: true,
          },
        },
      },
    ]);
    await open(`/families/${jacket}/fit/quayside`, 'plan');
    await until(
      () => test('plan-in-force').innerText(),
      (text) => text.startsWith('A listing for each Lining'),
    );
    await test('send').click();
    await until(
      () => test('total').innerText(),
      (text) => text.includes('2 new listings') && text.includes('44 children'),
    );
    await test('agree').click();
    await until(
      () => test('report').innerText(),
      (text) => text === '2 listed',
    );
    const listings = (await world.held('quayside')).filter((one) => one.goods.key.startsWith(jacket));
    expect(listings.map((one) => one.goods.offers.length).sort()).toEqual([20, 24]);
    for (const value of lining.values) {
      await page.goto(`${world.channelsUrl}/quayside/pages/${jacket}.${value.id}`);
      expect(await page.locator('legend').allInnerTexts()).toEqual(['Colour', 'Size']);
    }
  });
});

describe('what is refused', () => {
  it('stays where it was typed, marked, until it is put right or given up', async () => {
    await open(`/families/${jacket}/words`, 'word-searchWords');
    const words = test('word-searchWords');
    const before = await words.inputValue();
    const many = Array.from({ length: 24 }, (_, at) => `word ${at}`).join('\n');
    await words.fill(many);
    await words.blur();
    await until(
      () => words.getAttribute('aria-invalid'),
      (invalid) => invalid === 'true',
    );
    expect(await words.inputValue()).toBe(many);
    expect(await words.getAttribute('title')).toContain('Not stored');
    const care = test('word-composition');
    await care.fill('60 % wool, 30 % nylon');
    await care.blur();
    expect(await words.inputValue()).toBe(many);
    expect(await care.inputValue()).toBe('60 % wool, 30 % nylon');
    await care.press('Escape');
    const fewer = many.split('\n').slice(0, 12).join('\n');
    await words.fill(fewer);
    await words.blur();
    await until(detail, ({ family }) => (family.fields.searchWords as string[]).length === 12);
    expect([await words.getAttribute('aria-invalid'), before === fewer]).toEqual([null, false]);
  });
});
