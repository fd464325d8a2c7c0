/** Starting families over the API: what the next one is likely to have, SKUs with the start, a sheet as rows, how the grid is arranged. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { familyIndex } from '@loom-kin/core/family';
import { refused } from './shop';
import { startWorld, type World } from './world';

let world: World;
beforeAll(async () => void (world = await startWorld({ bare: true })));
afterAll(() => world?.end());

const start = (name: string, styleCode: string, more: Record<string, string> = {}, skus = true) =>
  makeChange(world.call, [
    {
      on: 'start',
      skus,
      family: {
        fields: { name, styleCode, ...more },
        axes: [{ role: 'size', label: 'Size', values: ['S', 'M'].map((label) => ({ label })) }],
        off: [],
      },
    },
  ]);
const skusOf = async (id: string) =>
  familyIndex((await world.call(api.family, { params: { id } })).family).woven.map((child) => child.fields.sku);

describe('before the first family', () => {
  it('it is known that nobody has said who sells, and nothing is proposed', async () => {
    expect((await world.call(api.setup)).begun).toBe(false);
    expect(await world.call(api.usualFigures, { query: {} })).toBeNull();
    const seller = { name: 'Tarn Works', currency: 'GBP', taxPercent: '0' };
    await makeChange(world.call, [
      { on: 'seller', seller },
      { on: 'registry', command: { do: 'takeGeneralTree' } },
    ]);
    expect(await world.call(api.setup)).toMatchObject({ begun: true, seller });
  });
});

describe('a start', () => {
  it('gives SKUs in the same change; where one is another’s, the family is started without and it is told', async () => {
    const first = await start('Fell coat', 'FC', { brand: 'Tarn', maker: 'Tarn Ltd', category: 'clothing/outerwear' });
    expect(await skusOf(first.started[0]!)).toEqual(['FC-S', 'FC-M']);
    expect(first.notices).toEqual([]);
    const twin = await start('Fell coat, longer', 'FC', { category: 'clothing/outerwear' });
    expect(await skusOf(twin.started[0]!)).toEqual([undefined, undefined]);
    expect(twin.notices).toEqual([expect.stringContaining('FC-S')]);
  });
  it('is proposed what the last family of its kind has, else the last of all', async () => {
    await start('Fell sock', 'FS', { brand: 'Tarn Feet', taxCode: '6115', category: 'clothing/hosiery' });
    const usual = async (category?: string) => world.call(api.usualFigures, { query: category ? { category } : {} });
    expect(await usual('clothing/hosiery')).toMatchObject({
      name: 'Fell sock',
      figures: { brand: 'Tarn Feet', taxCode: '6115' },
    });
    // The tax code of other goods is not theirs.
    expect(await usual('footwear/boots')).toMatchObject({ name: 'Fell sock', figures: { brand: 'Tarn Feet' } });
    expect((await usual('footwear/boots'))!.figures.taxCode).toBeUndefined();
    const coat = (await usual('clothing/outerwear'))!;
    expect([coat.category, coat.name.startsWith('Fell coat')]).toEqual(['clothing/outerwear', true]);
  });
});

describe('a sheet that is to begin a family', () => {
  const send = (name: string, text: string) => {
    const form = new FormData();
    form.append('file', new Blob([text]), name);
    return world.call(api.readTable, { form });
  };
  it('is read as rows, whatever parts its cells', async () => {
    const rows = [
      ['Colour', 'Note'],
      ['Rust', 'a "b"'],
    ];
    expect(await send('a.csv', 'Colour;Note\r\nRust;"a ""b"""\r\n')).toEqual({ rows });
  });
  it('that is none is refused with its name', async () => {
    expect((await refused(send('a.xlsx', 'no sheet'))).message).toContain('a.xlsx is not a whole XLSX file');
  });
});

describe('how the grid is arranged', () => {
  it('is kept for the seller, and nothing else is', async () => {
    expect(await world.call(api.gridLayout)).toBeNull();
    const layout = { widths: { price: 120 }, frozen: ['sku'], set: 'Prices', sets: {} };
    await world.call(api.saveGridLayout, { body: layout });
    expect(await world.call(api.gridLayout)).toEqual(layout);
    const wide = { ...layout, widths: { price: 100_000 } };
    expect((await refused(world.call(api.saveGridLayout, { body: wide }))).status).toBe(422);
    expect(await world.call(api.gridLayout)).toEqual(layout);
  });
});
