/** What leaves goes into a product in which nothing is known yet: families whole, pictures with them, and what cannot go in is told. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import Papa from 'papaparse';
import type { Family } from '@loom-kin/core/family';
import { allPictures } from '@loom-kin/core/pictures';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { sheetForm, takenOut } from './shop';
import { startWorld, until, type World } from './world';

let full: World;
let empty: World;
beforeAll(async () => {
  [full, empty] = await Promise.all([startWorld({ demo: true }), startWorld({ bare: true })]);
}, 300_000);
afterAll(() => Promise.all([full.end(), empty.end()]));

const out = async (from: World, kind: 'csv' | 'json' | 'xlsx' | 'package') =>
  Buffer.from(await takenOut(from, { kind }));
const ended = (id: string) =>
  until(
    () => empty.call(api.job, { params: { id } }),
    ({ state }) => state !== 'running',
    60,
  );
async function read(bytes: Buffer, name: string) {
  const { id } = await empty.call(api.startList, { form: sheetForm(new Uint8Array(bytes), name) });
  expect((await ended(id)).notice).toBeNull();
  return { id, list: await empty.call(api.list, { params: { id } }) };
}
async function take(id: string) {
  await empty.call(api.takeList, { params: { id }, body: { pictures: false } });
  expect((await ended(id)).notice).toBeNull();
}
const families = async (world: World) => (await world.call(api.listFamilies, { query: { limit: 200 } })).families;
async function rowsOf(world: World) {
  const text = (await out(world, 'csv')).toString().replace(/^\ufeff/, '');
  return Papa.parse<Record<string, string>>(text, { header: true }).data.toSorted((a, b) => (a.SKU! < b.SKU! ? -1 : 1));
}

describe('A catalogue where nothing is known', () => {
  it('tells of a list which cells and columns it cannot take', async () => {
    const { list } = await read(await out(full, 'csv'), 'catalogue.csv');
    expect(list.counts).toMatchObject({ refused: 0 });
    const lost = new Set(list.problems.map(({ column }) => column));
    expect(lost).toContain('Category');
    const unused = list.columns.filter(({ meaning, cells }) => meaning.is === 'ignored' && cells.length > 0);
    expect(unused.map(({ header }) => header)).toEqual([
      'Garment length (cm)',
      'Size chart',
      'Responsible party',
      'Delivery terms',
      'Return terms',
    ]);
  }, 300_000);

  it('is read as an empty sheet where it has no families, not as goods of its explanations', async () => {
    const { list } = await read(await out(empty, 'xlsx'), 'catalogue.xlsx');
    expect([list.sheet, list.families, list.problems[0]?.code]).toEqual(['Catalogue', 0, 'list.no-rows']);
  }, 300_000);

  it('tells what it brings along, and which pictures are not there', async () => {
    const file = JSON.parse((await out(full, 'json')).toString()) as { families: { family: Family }[] };
    file.families[0]!.family.scoped = { 'account:elsewhere': { name: 'Called otherwise there' } };
    const { list } = await read(Buffer.from(JSON.stringify(file)), 'catalogue.json');
    expect(list.counts.refused).toBe(0);
    expect(list.brings).toMatch(/categories.+size chart.+are added with them\.$/);
    expect(list.problems.some(({ text }) => /not here and left out/.test(text))).toBe(true);
    expect(list.problems.some(({ text }) => /elsewhere is kept.+no such account here/.test(text))).toBe(true);
  }, 300_000);

  it('is refused by the place that is not in order', async () => {
    const file = JSON.parse((await out(full, 'json')).toString()) as {
      registry: { categories: Record<string, unknown> };
    };
    file.registry.categories.outerwear = { label: 7 };
    const form = sheetForm(new Uint8Array(Buffer.from(JSON.stringify(file))), 'catalogue.json');
    const { id } = await empty.call(api.startList, { form });
    expect((await ended(id)).notice).toContain('The file is not as it should be at registry.categories.outerwear');
  }, 300_000);

  it('is told what of it does not go with what is there, and the rest is looked at', async () => {
    const category = { id: 'coats', label: 'Outerwear', parent: null, at: 0, axes: [], retired: false };
    const step = { on: 'registry' as const, command: { do: 'setCategory' as const, category } };
    const { id } = await makeChange(empty.call, [step]);
    const { list } = await read(await out(full, 'json'), 'catalogue.json');
    expect(list.brings).toBe('');
    expect(list.problems[0]!.text).toContain('cannot be added: There is a category Outerwear in this place already.');
    expect(list.problems.filter(({ code }) => code === 'category.unknown').length).toBe(list.counts.refused);
    await empty.call(api.undo, { params: { id: id! }, body: { key: crypto.randomUUID() } });
  }, 300_000);

  it('goes in whole once the pictures of its package are there, and leaves again the same', async () => {
    const form = new FormData();
    form.append('files', new Blob([new Uint8Array(await out(full, 'package'))]), 'catalogue.zip');
    await ended((await empty.call(api.bringPictures, { form })).id);
    const { id, list } = await read(await out(full, 'json'), 'catalogue.json');
    expect(list.problems.filter(({ text }) => /picture/.test(text))).toEqual([]);
    await take(id);
    expect((await families(empty)).length).toBe((await families(full)).length);
    expect(await rowsOf(empty)).toEqual(await rowsOf(full));
    for (const { id: family } of await families(full)) {
      const [there, here] = await Promise.all(
        [full, empty].map((world) => world.call(api.family, { params: { id: family } })),
      );
      expect(allPictures(here!.family).size).toBe(allPictures(there!.family).size);
    }
    // All of it is one change.
    const { change } = await empty.call(api.list, { params: { id } });
    await empty.call(api.undo, { params: { id: change! }, body: { key: crypto.randomUUID() } });
    expect(await families(empty)).toEqual([]);
  }, 300_000);
});
