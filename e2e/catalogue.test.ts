/** The catalogue over real HTTP: finding families, what is set up for all of them, pairings, pictures, the journal. */
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { familyIndex } from '@loom-kin/core/family';
import { SEVERITIES } from '@loom-kin/core/fit';
import { endpoints as api, type FamilyDetail } from '@loom-kin/contract';
import { refused, sellerIn } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
const { change, run, shopFamily, fresh, setPrice, undo, redo } = sellerIn(() => world);
let coat: FamilyDetail;
beforeAll(async () => {
  world = await startWorld();
  coat = await shopFamily({ name: 'Öland rain coat 100% "dry"', modelNumber: 'MX_77' });
}, 60_000);
afterAll(() => world?.end());

const names = async (query: Record<string, string | number>) =>
  (await world.call(api.listFamilies, { query })).families.map((family) => family.name);

describe('search', () => {
  it('finds a family by any part of its name, style, model, SKU or category, in any case', async () => {
    const sku = String(familyIndex(coat.family).woven[3]!.fields.sku);
    for (const q of ['land', 'RAIN', 'rain dry', 'ra', 'mx_77', sku, sku.toLowerCase(), 'jackets', 'skerry rain'])
      expect([q, await names({ q })]).toEqual([q, [coat.family.fields.name]]);
  });
  it('takes signs for what they are, not for a language of its own', async () => {
    for (const q of ['100%', '"dry"', 'dry" OR "', "'; DROP TABLE families; --", '_', '%', '*', 'a-b', '^', 'NEAR(']) {
      const found = await names({ q });
      expect([q, found.every((name) => name.includes('Öland'))]).toEqual([q, true]);
    }
    expect(await names({ q: 'nothing of that kind' })).toEqual([]);
  });
  it('finds a GTIN in whatever form it is written', async () => {
    const child = familyIndex(coat.family).woven[0]!;
    await run(await fresh(coat), {
      do: 'setFigures',
      changes: [{ place: { level: 'child', childId: child.id }, key: 'gtin', figure: '036000291452' }],
    });
    for (const q of ['036000291452', '0036000291452', '00036000291452'])
      expect([q, await names({ q })]).toEqual([q, [coat.family.fields.name]]);
    expect(await names({ q: '036000291453' })).toEqual([]);
  });
  it('are counted and filtered by finding on an account, as each finding says', async () => {
    const counts = await until(
      () => world.call(api.findingCounts, { query: { account: 'quayside' } }),
      (all) => all.some((one) => one.code === 'gtin.missing'),
    );
    const ranks = counts.map((one) => SEVERITIES.indexOf(one.severity));
    expect(ranks).toEqual(ranks.toSorted());
    for (const { code, key, families } of counts.slice(0, 4)) {
      const found = await world.call(api.listFamilies, { query: { account: 'quayside', finding: `${code}|${key}` } });
      expect([code, found.total]).toEqual([code, families]);
      expect(found.families.every((one) => one.strip.quayside!.state !== 'absent')).toBe(true);
    }
    expect((await world.call(api.listFamilies, { query: { account: 'quayside', finding: 'no|such' } })).total).toBe(0);
  });
  it('orders, pages and filters by state on a channel', async () => {
    const dear = await shopFamily({ name: 'Dear coat', price: '900.00' });
    const cheap = await shopFamily({ name: 'Cheap coat', price: '9.00', description: 'Short.' });
    expect((await names({ sort: 'price' }))[0]).toBe('Cheap coat');
    expect((await names({ sort: 'changed' }))[0]).toBe('Cheap coat');
    const pages = await Promise.all([0, 1, 2].map((offset) => names({ sort: 'name', offset, limit: 1 })));
    expect(pages.flat()).toEqual((await names({ sort: 'name' })).slice(0, 3));
    await until(
      () => names({ account: 'own-shop', state: 'stopped' }),
      (list) => list.join() === 'Cheap coat',
    );
    await until(
      () => names({ account: 'own-shop', state: 'needs' }),
      (list) => list.includes('Dear coat'),
    );
    expect((await refused(world.call(api.listFamilies, { query: { limit: 9000 } }))).status).toBe(422);
    await run(await fresh(dear), { do: 'retireFamily', retired: true });
    expect([await names({ q: 'dear' }), await names({ q: 'dear', retired: 'yes' })]).toEqual([[], ['Dear coat']]);
    // Taken back it is in use again.
    await undo(dear.family.id);
    expect(await names({ q: 'dear' })).toEqual(['Dear coat']);
    expect((await fresh(cheap)).family.retired).toBe(false);
  });
  it('tells of a family like the one about to be started, by style code or by most of its words', async () => {
    const like = (name: string, styleCode = '') =>
      world.call(api.likeFamilies, { query: { name, styleCode } }).then((found) => found.map((one) => one.why));
    expect(await like('Dry Öland coat, 100% rain')).toEqual(['has nearly this name']);
    expect(await like('', String(coat.family.fields.styleCode).toLowerCase())).toEqual(['has this style code']);
    expect(await like('Wool blanket')).toEqual([]);
    // Slips of the pen, words in another order, and numbers are no way past it.
    expect(await like('Ölnd rain coat 100% dry')).toEqual(['has nearly this name']);
    const { sku } = familyIndex(coat.family).woven[2]!.fields;
    expect(await like(String(sku).toLowerCase())).toEqual(['has a child with this number']);
    expect(await like('mx_77')).toEqual(['has this model number']);
  });
});

describe('a word of the dictionary that is renamed', () => {
  it('is renamed on all families that have it, with its pairings, as one change; a family that has the new word is named', async () => {
    const one = await shopFamily();
    const two = await shopFamily();
    const both = await shopFamily();
    await run(await fresh(both), { do: 'addValues', axisId: both.family.axes[0]!.id, values: [{ label: 'Madder' }] });
    const paired = [{ channel: 'quayside', role: 'colour' as const, value: 'Rust', to: 'Orange' }];
    await change([{ on: 'pairings', pairings: paired }]);
    const uses = await world.call(api.valueUses, { query: { role: 'colour', label: 'rust' } });
    expect(uses.names).toContain(one.family.fields.name);
    const labels = async (detail: FamilyDetail) => (await fresh(detail)).family.axes[0]!.values.map((v) => v.label);
    const done = await change([{ on: 'renameValue', role: 'colour', from: 'Rust', to: 'Madder' }]);
    expect(done.title).toBe(`Rename Rust to Madder in ${uses.families - 1} families`);
    expect(done.notices).toEqual([
      `Left as they are, since they have a value Madder already: ${String(both.family.fields.name)}.`,
    ]);
    expect([await labels(one), await labels(two)]).toEqual([
      ['Madder', 'Spruce'],
      ['Madder', 'Spruce'],
    ]);
    expect(await labels(both)).toContain('Rust');
    expect((await world.call(api.setup)).pairings.quayside?.colour?.madder).toBe('Orange');
    // One change: taken back from one family it is taken back on all.
    await undo(one.family.id);
    expect([await labels(one), await labels(two)]).toEqual([
      ['Rust', 'Spruce'],
      ['Rust', 'Spruce'],
    ]);
    await change([{ on: 'pairings', pairings: [{ ...paired[0]!, to: '' }] }]);
    // Written in capitals everywhere: a family that has it so already is neither renamed nor still to do.
    const [first] = one.family.axes;
    const capitals = { do: 'editValue' as const, axisId: first!.id, valueId: first!.values[0]!.id, label: 'RUST' };
    await run(await fresh(one), capitals);
    const again = await change([{ on: 'renameValue', role: 'colour', from: 'Rust', to: 'RUST' }]);
    expect([again.notices, await labels(two)]).toEqual([[], ['RUST', 'Spruce']]);
    await undo(two.family.id);
  });
});

describe('pairings', () => {
  it('are remembered for every family, stand in the journal, and are taken back with everything they changed', async () => {
    const one = await shopFamily();
    const two = await shopFamily();
    const missing = async (detail: FamilyDetail) => {
      const { families } = await world.call(api.listFamilies, { query: { q: String(detail.family.fields.styleCode) } });
      return families.find((family) => family.id === detail.family.id)!.strip.quayside?.stops ?? 0;
    };
    // Standings are worked out beside the changes: it is waited for until they tell of the last one.
    const before = 10;
    await until(
      () => missing(two),
      (stops) => stops === before,
    );
    const pairings = [
      { channel: 'quayside', role: 'colour' as const, value: 'Rust', to: 'Orange' },
      { channel: 'quayside', role: 'colour' as const, value: 'spruce', to: 'Green' },
    ];
    await change([{ on: 'pairings', pairings }], { from: one.family.id });
    await until(
      () => missing(two),
      (stops) => stops === before - 2,
    );
    const paired = async () => (await world.call(api.setup)).pairings.quayside?.colour ?? {};
    expect(await paired()).toEqual({ rust: 'Orange', spruce: 'Green' });
    const [entry] = await world.call(api.journal, { query: { familyId: one.family.id } });
    expect(entry).toMatchObject({
      title: 'Pair rust and spruce',
      parts: [
        {},
        {
          name: 'Pairings on Quayside',
          lines: [{ where: 'colour', what: 'Pairing of rust', before: '', after: 'Orange' }, { after: 'Green' }],
        },
      ],
    });
    await undo(one.family.id);
    expect(await paired()).toEqual({});
    // Other families stand as they did before.
    await until(
      () => missing(two),
      (stops) => stops === before,
    );
    const unknown = await refused(
      change([{ on: 'pairings', pairings: [{ channel: 'nowhere', role: 'colour', value: 'rust', to: 'Orange' }] }]),
    );
    expect([unknown.status, await paired()]).toEqual([404, {}]);
  });
});

describe('what is set up', () => {
  it('an account: its settings change the fit of every family; a wrong rate is refused', async () => {
    const accountNow = async () => (await world.call(api.setup)).accounts.find((one) => one.id === 'fernpost')!;
    const account = await accountNow();
    const set = (more: object) =>
      change([{ on: 'account', account: { ...account, settings: { ...account.settings, ...more } } }]);
    for (const rate of ['0', '-1', '1,5', '']) expect((await refused(set({ rate }))).status).toBe(422);
    const stopped = () => names({ account: 'fernpost', state: 'stopped' });
    await set({ answers: {} });
    await until(stopped, (list) => list.includes(String(coat.family.fields.name)));
    await set({ answers: { 'Delivery profile': 'Letter' } });
    await until(stopped, (list) => !list.includes(String(coat.family.fields.name)));
    await world.call(api.refreshChannel, { params: { id: 'fernpost' } });
    expect((await accountNow()).settings.answers).toEqual({ 'Delivery profile': 'Letter' });
  });
});

describe('pictures', () => {
  const take = async (...files: [name: string, bytes: Buffer][]) => {
    const form = new FormData();
    for (const [name, bytes] of files) form.append('files', new Blob([new Uint8Array(bytes)]), name);
    return world.call(api.addPictures, { form });
  };
  const plain = (width: number, height: number, colour = '#ffffff') =>
    sharp({ create: { width, height, channels: 3, background: colour } });
  it('are one when they show the same, whatever their name and format', async () => {
    const [png, again] = await take(
      ['a.png', await plain(40, 30).png().toBuffer()],
      ['b.webp', await plain(40, 30).webp({ lossless: true }).toBuffer()],
    );
    expect(again!.picture!.id).toBe(png!.picture!.id);
    const small = await fetch(`${world.url}/pictures/${png!.picture!.id}.small.png`);
    expect([small.status, small.headers.get('content-type')]).toEqual([200, 'image/webp']);
  });
  it('are measured and looked at: size, and whether the ground is white', async () => {
    const [white, grey, turned] = await take(
      ['white.png', await plain(60, 50).png().toBuffer()],
      ['grey.png', await plain(60, 50, '#d0d0d0').png().toBuffer()],
      ['turned.jpg', await plain(60, 50, '#ffffff').jpeg().withMetadata({ orientation: 6 }).toBuffer()],
    );
    expect([white!.picture, grey!.picture]).toMatchObject([
      { width: 60, height: 50, whiteBackground: true },
      { whiteBackground: false },
    ]);
    // Laid on its side by the camera: it is taken as a person sees it.
    expect(turned!.picture).toMatchObject({ width: 50, height: 60 });
  });
  it('that are none are named; the good ones beside them are taken', async () => {
    const [good, bad, cut] = await take(
      ['good.png', await plain(20, 20).png().toBuffer()],
      ['bad.png', Buffer.from('no picture')],
      ['cut.png', (await plain(300, 300, '#123456').png().toBuffer()).subarray(0, 80)],
    );
    expect(good!.picture).not.toBeNull();
    expect([bad!.problem, cut!.problem]).toEqual([
      expect.stringContaining('bad.png is no picture'),
      expect.stringContaining('cut.png is no picture'),
    ]);
  });
  it('are of points: a drawing, which can hold a thread with a filter of a few bytes, is refused before it is drawn', async () => {
    const filter = '<filter id="f"><feTurbulence numOctaves="9"/><feGaussianBlur stdDeviation="900"/></filter>';
    const drawing = `<svg xmlns="http://www.w3.org/2000/svg" width="7000" height="7000">${filter}<rect width="7000" height="7000" filter="url(#f)"/></svg>`;
    const [taken] = await take(['drawing.png', Buffer.from(drawing)]);
    expect(taken!.problem).toBe(
      'drawing.png is no picture this program can read. PNG, JPEG, WebP, AVIF, TIFF and GIF are taken; a drawing is exported as PNG first.',
    );
  });
  it('that were never taken in cannot be placed, and no path leads out of their folder', async () => {
    const missing = await refused(
      run(await fresh(coat), { do: 'setPictures', place: { level: 'family' }, pictures: ['0123456789abcdef01234567'] }),
    );
    expect(missing.message).toBe('A picture of this change was never taken in.');
    for (const path of ['/pictures/..%2floom-kin.db', '/pictures/x.png', '/pictures/0123456789abcdef01234567.png'])
      expect((await fetch(world.url + path)).status).toBe(404);
  });
});

describe('the journal', () => {
  it('is read page by page, newest first, each entry once', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    let { revision } = detail.family;
    for (let at = 0; at < 5; at++)
      ({ revision } = await run(
        { ...detail, family: { ...detail.family, revision } },
        setPrice(detail, 0, String(50 + at)),
      ));
    const read: number[] = [];
    for (let before: number | undefined; ;) {
      const page = await world.call(api.journal, { query: { familyId: id, limit: 3, ...(before ? { before } : {}) } });
      if (page.length === 0) break;
      read.push(...page.map((entry) => entry.id));
      before = page.at(-1)!.id;
    }
    expect(read).toEqual([...new Set(read)].sort((a, b) => b - a));
    expect(read).toHaveLength(8);
  });
  it('takes back the start of a family only while nothing else was done with it, and no more than was done; a new change ends what could be made again', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    const step = (kind: 'undo' | 'redo') => (kind === 'undo' ? undo(id) : redo(id));
    const start = (await world.call(api.journal, { query: { familyId: id } })).at(-1)!;
    const turn = (kind: 'undo' | 'redo') =>
      world.call(api[kind], { params: { id: start.id }, body: { key: crypto.randomUUID() } });
    expect((await refused(turn('undo'))).problem.code).toBe('undo.overtaken');
    await step('undo');
    const bare = await step('undo');
    expect([bare.undo, bare.redo?.title]).toEqual([null, 'Fill']);
    await turn('undo');
    expect((await refused(fresh(detail))).problem.code).toBe('family.unknown');
    await turn('redo');
    expect((await fresh(detail)).family.axes.length).toBe(2);
    expect((await step('redo')).redo?.title).toBe('Count stock of 6 children');
    await run(await fresh(detail), {
      do: 'setFigures',
      changes: [{ place: { level: 'family' }, key: 'price', figure: '5.00' }],
    });
    expect((await fresh(detail)).redo).toBeNull();
    expect(
      (await world.call(api.journal, { query: { familyId: id } })).filter(
        (entry) => entry.state === 'gone' && entry.kind === 'change',
      ),
    ).toHaveLength(1);
  });
});
