/** Lists of any kind become families over HTTP: read, settled, taken in as one change, taken back; come in again without doubles; from live. */
import ExcelJs from 'exceljs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, type BodyOf, type ListView } from '@loom-kin/contract';
import { drawnGoods, smallWeb } from './pictures';
import { sellerIn, sheetForm } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await startWorld({ fetchFrom: '127.0.0.1' });
});
afterAll(() => world.end());
const seller = sellerIn(() => world);

const ended = (id: string) =>
  until(
    () => world.call(api.job, { params: { id } }),
    (job) => job.state !== 'running',
    60,
  );
const viewOf = (id: string): Promise<ListView> => world.call(api.list, { params: { id } });
async function bring(text: string, fileName = 'list.csv'): Promise<ListView> {
  const { id } = await world.call(api.startList, { form: sheetForm(text, fileName) });
  expect((await ended(id)).notice).toBeNull();
  return viewOf(id);
}
const foundIn = async (id: string) =>
  (await world.call(api.listFamiliesFound, { params: { id }, query: {} })).families.map(
    ({ name, axes, counts, familyId }) => ({
      name,
      axes: axes.map(({ label, values }) => `${label}: ${values.join(', ')}`),
      isThere: familyId !== null,
      counts: Object.fromEntries(Object.entries(counts).filter(([, count]) => count > 0)),
    }),
  );
async function settle(id: string, body: BodyOf<typeof api.settleList>): Promise<ListView> {
  await world.call(api.settleList, { params: { id }, body });
  await ended(id);
  return viewOf(id);
}
async function take(id: string, deletions = false): Promise<void> {
  await world.call(api.takeList, { params: { id }, body: { deletions } });
  expect((await ended(id)).notice).toBeNull();
}
const names = async () =>
  (await world.call(api.listFamilies, { query: { limit: 100 } })).families.map(({ name }) => name).sort();
const familyCalled = async (name: string) => {
  const { families } = await world.call(api.listFamilies, { query: { q: name, limit: 20 } });
  return world.call(api.family, { params: { id: families.find((one) => one.name === name)!.id } });
};

const LIST = `Order form 2026;;;;;
Article;Farbe;Size;SKU;EAN;VK;Stock
Storm Jacket;Navy;M;SKJ-1;4006381333931;189,00;3
Storm Jacket;navy;L;SKJ-2;;189,00;4
Storm Jacket;Rust;M;SKJ-3;;199,00;0
Wax Tin;;;WAX-1;;9,90;12
Deck Smock;Ochre;S;DKS-1;4006381333932;99,00;1
Deck Smock;Ochre;M;DKS-2;;99,00;1
Total;;;;;;21`;

/** An order form: sizes above numbers and pieces, prices of the sizes behind them. */
const FORM = [
  'Order form;;;;;;;',
  'Article;Colour;S;;M;;Price S;Price M',
  ';;EAN;Quantity;EAN;Quantity;;',
  'Fell Anorak;Navy;9506000141008;3;9506000141015;4;129.00;139.00',
  'Fell Anorak;Moss;9506000141022;1;9506000141039;0;129.00;139.00',
].join('\n');

/** A number stands in two of its families; a cell has a mark that parts lines. */
const TWICE = [
  'Name;Colour;SKU;Price;Description',
  'Skerry Beanie;Navy;SKB-1;19;Knitted\u2028in the round',
  'Skerry Beanie;Rust;SKB-2;19;',
  'Skerry Mitts;Navy;SKB-2;15;',
  'Skerry Mitts;Sage;SKB-3;15;',
  'Skerry Scarf;Navy;SKB-4;29;',
  'Skerry Scarf;Rust;SKB-5;29;',
].join('\n');

/** A house's order form: no column has names, styles have their colour behind them. */
const HOUSE = `Style/Colour;Colour;Size;EAN;RRP
Larkspur Loafers;;;;
93860-001;Rust;5½;4006000000053;89,00
93860-001;Rust;6;4006000000060;89,00
93860-002;Old Barn;6;4006000000077;89,00
Elowen Cardigan;;;;
93859-001;Hthr Gry;Med;4006000000022;39,90
93859-001;Heather Grey;X-Large;4006000000046;39,90`;

describe('A list', () => {
  it('says what would become of it, goes in as one change, and is taken back with one', async () => {
    const view = await bring(LIST);
    expect(view.counts).toMatchObject({ newFamily: 5, refused: 1 });
    expect(view.skipped).toEqual([
      { row: 1, why: 'title' },
      { row: 9, why: 'total' },
    ]);
    expect(await foundIn(view.id)).toEqual([
      { name: 'Storm Jacket', axes: ['Farbe: Navy, Rust', 'Size: M, L'], isThere: false, counts: { newFamily: 3 } },
      {
        name: 'Deck Smock',
        axes: ['Farbe: Ochre', 'Size: S, M'],
        isThere: false,
        counts: { newFamily: 1, refused: 1 },
      },
      { name: 'Wax Tin', axes: [], isThere: false, counts: { newFamily: 1 } },
    ]);
    const { rows } = await world.call(api.listRows, { params: { id: view.id }, query: { only: 'refused' } });
    expect(rows).toMatchObject([{ row: 7, problems: [{ column: 'EAN' }] }]);
    expect(await names()).toEqual([]);
    await take(view.id);
    expect(await names()).toEqual(['Deck Smock', 'Storm Jacket', 'Wax Tin']);
    const { family, stock } = await familyCalled('Storm Jacket');
    const woven = Object.values(family.children).filter((child) => child.woven);
    expect(woven.map(({ id, fields }) => [fields.sku, fields.price, stock[id] ?? 0])).toEqual([
      ['SKJ-1', '189.00', 3],
      ['SKJ-2', '189.00', 4],
      ['SKJ-3', '199.00', 0],
    ]);
    const [change] = await world.call(api.journal, { query: {} });
    expect(change!.title).toBe('Take list.csv in');
    await world.call(api.undo, { params: { id: change!.id }, body: { key: 'undo-the-list' } });
    expect(await names()).toEqual([]);
    await world.call(api.redo, { params: { id: change!.id }, body: { key: 'redo-the-list' } });
    expect(await names()).toEqual(['Deck Smock', 'Storm Jacket', 'Wax Tin']);
    // Pieces of every family come back, not of the first alone.
    expect(Object.values((await familyCalled('Wax Tin')).stock)).toEqual([12]);
  });

  it('of goods named in lines between its rows goes in under those names, and comes in again without doubles', async () => {
    const view = await bring(HOUSE);
    expect(view.columns.map(({ header, cells }) => [header, cells.slice(0, 2)])).toEqual([
      ['Style/Colour', ['93860-001', '93860-002']],
      ['Colour', ['Rust', 'Old Barn']],
      ['Size', ['5½', '6']],
      ['EAN', ['4006000000053', '4006000000060']],
      ['RRP', ['89,00', '39,90']],
      ['Lines between the rows', ['Larkspur Loafers', 'Elowen Cardigan']],
    ]);
    await take(view.id);
    const { family } = await familyCalled('Larkspur Loafers');
    expect(family.fields.styleCode).toBe('93860');
    expect(Object.keys(family.children)).toHaveLength(3);
    const again = await bring(HOUSE);
    expect(again.counts).toMatchObject({ same: 7, newFamily: 0, changed: 0 });
  });
  it('with figures of each size across gives each child its own, and changes those that are corrected', async () => {
    const view = await bring(FORM);
    expect(
      view.columns.map(({ header, meaning }) => `${header}: ${meaning.is === 'across' ? meaning.value : '-'}`),
    ).toEqual([
      ...[
        'Article: -',
        'Colour: -',
        'S EAN: S',
        'S Quantity: S',
        'M EAN: M',
        'M Quantity: M',
        'Price S: S',
        'Price M: M',
      ],
    ]);
    await take(view.id);
    const childrenOf = async () => {
      const { family, stock } = await familyCalled('Fell Anorak');
      return Object.values(family.children).map(({ id, fields }) => [fields.gtin, fields.price, stock[id] ?? 0]);
    };
    expect(await childrenOf()).toEqual([
      ['9506000141008', '129.00', 3],
      ['9506000141015', '139.00', 4],
      ['9506000141022', '129.00', 1],
      ['9506000141039', '139.00', 0],
    ]);
    const next = await bring(FORM.replace(';4;', ';7;').replace('139.00', '149.00'));
    expect(next.counts).toMatchObject({ changed: 1, same: 2, newFamily: 0, refused: 0 });
    await take(next.id);
    expect((await childrenOf())[1]).toEqual(['9506000141015', '149.00', 7]);
  });

  it('with a number in two of its families goes in but for the second row, whatever marks its cells have', async () => {
    const view = await bring(TWICE);
    expect(view.counts).toMatchObject({ newFamily: 5, refused: 1 });
    const { rows } = await world.call(api.listRows, { params: { id: view.id }, query: { only: 'refused' } });
    expect(rows.map(({ row, problems }) => [row, problems[0]!.message])).toEqual([
      [
        4,
        'The SKU SKB-2 stands in row 3 already, with Skerry Beanie. Each number belongs to one child: give this row its own.',
      ],
    ]);
    await take(view.id);
    const skus = async (name: string) =>
      Object.values((await familyCalled(name)).family.children).map(({ fields }) => fields.sku);
    expect([await skus('Skerry Beanie'), await skus('Skerry Mitts')]).toEqual([['SKB-1', 'SKB-2'], ['SKB-3']]);
    const again = await bring(TWICE);
    expect(again.counts).toMatchObject({ same: 5, refused: 1, changed: 0, newChild: 0, newFamily: 0 });
    const { change } = await viewOf(view.id);
    await world.call(api.undo, { params: { id: change! }, body: { key: 'undo-the-beanies' } });
    expect(await names()).not.toContain('Skerry Mitts');
  });

  it('of a workbook is its first sheet that is not hidden, and another when that is chosen', async () => {
    const book = new ExcelJs.Workbook();
    const goods = (name: string) => [['Name', 'Size'], ...['S', 'M'].map((size) => [name, size])];
    book.addWorksheet('Codes', { state: 'hidden' }).addRows(goods('Kelp Tabard'));
    book.addWorksheet('Größen').addRows(goods('Kelp Bonnet'));
    const form = sheetForm(new Uint8Array(await book.xlsx.writeBuffer()), 'book.xlsx');
    const { id } = await world.call(api.startList, { form });
    await ended(id);
    const told = async ({ sheet, sheets }: ListView) => [sheet, sheets, (await foundIn(id)).map(({ name }) => name)];
    const sheets = ['Codes', 'Größen'];
    expect(await told(await viewOf(id))).toEqual(['Größen', sheets, ['Kelp Bonnet']]);
    expect(await told(await settle(id, { sheet: 'Codes' }))).toEqual(['Codes', sheets, ['Kelp Tabard']]);
  });
  it('is read anew where the catalogue was changed after it was read', async () => {
    const list = (rows: string[]) => ['Name;Colour;SKU;Price', ...rows].join('\n');
    const early = await bring(list(['Tarn Cap;Navy;TNC-1;19', 'Tarn Cap;Rust;TNC-2;19']), 'early.csv');
    const late = await bring(
      list(['Tarn Hat;Navy;TNC-2;29', 'Tarn Hat;Sage;TNH-2;29', 'Tarn Hat;Rust;TNH-3;29']),
      'late.csv',
    );
    for (const { id } of [early, late]) await world.call(api.takeList, { params: { id }, body: {} });
    for (const { id } of [early, late]) expect((await ended(id)).notice).toBeNull();
    const skus = async (name: string) =>
      Object.values((await familyCalled(name)).family.children).map(({ fields }) => fields.sku);
    expect([await skus('Tarn Cap'), await skus('Tarn Hat')]).toEqual([
      ['TNC-1', 'TNC-2'],
      ['TNH-2', 'TNH-3'],
    ]);
    for (const { id } of [late, early]) {
      const { change } = await viewOf(id);
      await world.call(api.undo, { params: { id: change! }, body: { key: `undo-${id}` } });
    }
  });

  it('of many families is one entry of the journal, told some families at a time, the one asked for first', async () => {
    const word = (at: number) => `${'BDFGKL'[at % 6]}${'aeiou'[at % 5]}rn${'ptvz'[at % 4]}${'aeo'[at % 3]}`;
    const rows = Array.from({ length: 30 }, (_, at) => `${word(at)} ${word(at * 7 + 3)};BRN-${at};9,90`);
    const view = await bring(['Name;SKU;Price', ...rows].join('\n'));
    await take(view.id);
    const id = (await viewOf(view.id)).change!;
    const [entry] = await world.call(api.journal, { query: { limit: 1 } });
    expect(entry).toMatchObject({ id, familyCount: 30, partCount: 30 });
    const more = await world.call(api.changeParts, { params: { id }, query: { from: entry!.parts.length } });
    const all = [...entry!.parts, ...more].map(({ thingId }) => thingId);
    expect([entry!.parts.length, new Set(all).size]).toEqual([20, 30]);
    const familyId = all.at(-1)!;
    const [own] = await world.call(api.journal, { query: { familyId, limit: 1 } });
    const rest = await world.call(api.changeParts, { params: { id }, query: { familyId, from: 20 } });
    expect(own!.parts[0]!.thingId).toBe(familyId);
    expect(new Set([...own!.parts, ...rest].map(({ thingId }) => thingId)).size).toBe(30);
    await world.call(api.undo, { params: { id }, body: { key: 'undo-the-tins' } });
  });

  it('brings an axis to a family that is there; one undo takes it away again', async () => {
    const first = await bring('SKU;Name;Colour;Stock\nQC-1;Quay Cap;Navy;5\nQC-2;Quay Cap;Rust;7');
    await take(first.id);
    const view = await bring(
      'SKU;Name;Colour;Size\nQC-1;Quay Cap;Navy;M\nQC-2;Quay Cap;Rust;M\nQC-3;Quay Cap;Navy;L\nQC-4;Quay Cap;Rust;L',
    );
    expect(view.counts).toMatchObject({ newChild: 2, changed: 1, same: 1, refused: 0 });
    const { rows } = await world.call(api.listRows, { params: { id: view.id }, query: { only: 'changed' } });
    expect(rows[0]!.changes).toEqual([
      { column: 'Axes', before: 'Colour', after: 'Size comes to it; the children that are there are M.' },
    ]);
    await take(view.id);
    const { family, stock } = await familyCalled('Quay Cap');
    expect(family.axes.map(({ label }) => label)).toEqual(['Colour', 'Size']);
    const woven = Object.values(family.children).filter((child) => child.woven);
    expect(woven.map(({ id, fields }) => `${String(fields.sku)} ${stock[id] ?? 0}`).sort()).toEqual([
      'QC-1 5',
      'QC-2 7',
      'QC-3 0',
      'QC-4 0',
    ]);
    const changes = await world.call(api.journal, { query: {} });
    await world.call(api.undo, { params: { id: changes[0]!.id }, body: { key: 'undo-the-axis' } });
    expect((await familyCalled('Quay Cap')).family.axes.map(({ label }) => label)).toEqual(['Colour']);
    await world.call(api.undo, { params: { id: changes[1]!.id }, body: { key: 'undo-the-caps' } });
  });

  it('comes in again corrected without doubles: changed, new, already so', async () => {
    const view = await bring(
      LIST.replace('4006381333932', '4006381333948')
        .replace('189,00;4', '179,00;4')
        .replace('Total', 'Storm Jacket;Rust;L;SKJ-4;;199,00;2\nTotal'),
    );
    expect(view.counts).toMatchObject({ newFamily: 0, newChild: 2, changed: 1, refused: 0, same: 4 });
    await take(view.id);
    const { family } = await familyCalled('Storm Jacket');
    expect(Object.values(family.children).filter((child) => child.woven).length).toBe(4);
    const again = await bring(LIST.replace('4006381333932', '4006381333948').replace('189,00;4', '179,00;4'));
    expect(again.counts).toMatchObject({ newFamily: 0, newChild: 0, changed: 0, refused: 0, same: 6 });
  });

  it('brings the pictures it names by address: each for the option that shares it, as an intake that is put in place', async () => {
    const web = await smallWeb(await drawnGoods('#A4502B').png().toBuffer());
    const rust = `${web.url}/SKJ-rust-front.png`;
    const view = await bring(`Name;Colour;Size;SKU;Image URL
Cliff Vest;Rust;M;CLV-1;${rust}
Cliff Vest;Rust;L;CLV-2;${rust}
Cliff Vest;Navy;M;CLV-3;${web.url}/gone.png
Cliff Vest;Navy;L;CLV-4;`);
    expect(view.pictures).toBe(2);
    await take(view.id);
    const intake = (await viewOf(view.id)).pictureIntake!;
    await ended(intake);
    const { arrivals } = await world.call(api.pictureIntake, { params: { id: intake } });
    const { family } = await familyCalled('Cliff Vest');
    const [colour] = family.axes;
    const placeOf = (at: number) => ({ level: 'value', axisId: colour!.id, valueId: colour!.values[at]!.id });
    expect(arrivals.map(({ settled, problem }) => [settled, problem?.replace(/^\S+/, 'It')])).toEqual([
      [{ familyId: family.id, place: placeOf(0) }, undefined],
      [{ familyId: family.id, place: placeOf(1) }, 'It answered 404: there is no picture.'],
    ]);
    await world.call(api.placePictures, { params: { id: intake }, body: { key: 'place-the-pictures' } });
    const [ofRust, ofNavy] = (await familyCalled('Cliff Vest')).family.axes[0]!.values;
    expect([ofRust!.pictures.length, ofNavy!.pictures.length]).toEqual([1, 0]);
    await web.close();
  });

  it('is settled by the seller: columns, families put together and named, rows left out; columns are remembered', async () => {
    const list = `Text;Code;Was
Harbour Lamp Oak;L1;19
Harbour Lamp Walnut;L2;19
Quay Lantern;L3;29
Broken row;L9;1`;
    const first = await bring(list);
    const columns = { Was: { is: 'field', key: 'price' }, Code: { is: 'field', key: 'sku' } } as const;
    const second = await settle(first.id, { mapping: { columns } });
    expect(second.columns.map(({ meaning }) => ('key' in meaning ? meaning.key : meaning.is))).toEqual([
      'name',
      'sku',
      'price',
    ]);
    const third = await settle(first.id, {
      settlement: { groups: { 2: 'g', 3: 'g', 4: 'g' }, names: { row2: 'Lights' }, leftOut: [5] },
    });
    expect(third.counts.newFamily).toBe(3);
    expect((await foundIn(first.id)).map(({ name }) => name)).toEqual(['Lights']);
    await take(first.id);
    const { family } = await familyCalled('Lights');
    expect(family.axes.map((axis) => axis.values.length)).toEqual([3]);
    const next = await bring('Text;Code;Was\nPier Stool;P1;59');
    expect(next.columns.map(({ reason }) => reason)).toContain('remembered');
  });

  it('may let children go, when that is said', async () => {
    const list = 'Action;SKU;Article;Size\ndelete;SKJ-3;;\n;DKS-1;Deck Smock;S';
    const view = await bring(list);
    expect(view.counts.goes).toBe(1);
    await take(view.id, true);
    const { family } = await familyCalled('Storm Jacket');
    const gone = Object.values(family.children).find((child) => child.fields.sku === 'SKJ-3')!;
    expect(gone.woven).toBe(false);
  });

  it('changes the children it names though others that it says are to go may stay', async () => {
    const priceOf = async (sku: string) => {
      const { family } = await familyCalled('Storm Jacket');
      return Object.values(family.children).find((child) => child.fields.sku === sku)!;
    };
    const view = await bring('Action;SKU;Article;Farbe;Size;VK\ndelete;SKJ-2;;;;\n;SKJ-1;Storm Jacket;Navy;M;177,00');
    expect(view.counts).toMatchObject({ goes: 1, changed: 1 });
    await take(view.id, false);
    expect(await priceOf('SKJ-1')).toMatchObject({ woven: true, fields: { price: '177.00' } });
    expect(await priceOf('SKJ-2')).toMatchObject({ woven: true });
    const again = await bring('Action;SKU;Article;Farbe;Size;VK\ndelete;SKJ-2;;;;\n;SKJ-1;Storm Jacket;Navy;M;178,00');
    await take(again.id, true);
    expect(await priceOf('SKJ-1')).toMatchObject({ woven: true, fields: { price: '178.00' } });
    expect(await priceOf('SKJ-2')).toMatchObject({ woven: false });
  });

  it('made of what stands on an account becomes families that are known to be listed there, and go on to another', async () => {
    // A listing of somebody else's making: what the product sent, under other numbers.
    const coat = await seller.shopFamily({ name: 'Sent coat' });
    await seller.send([coat.family.id], ['own-shop']);
    const [sent] = await until(
      () => world.held('own-shop'),
      (held) => held.length === 1,
    );
    const goods = JSON.parse(JSON.stringify(sent!.goods)) as NonNullable<typeof sent>['goods'] & { styleCode: string };
    Object.assign(goods, { key: 'live-1', styleCode: 'LIV' });
    goods.fields = { ...goods.fields, Name: 'Live coat' };
    for (const offer of goods.offers) offer.sku = `LIV-${offer.options.join('-')}`;
    await fetch(`${world.channelsUrl}/own-shop/submissions`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        key: 'before-all',
        messages: [{ action: 'list', key: 'live-1', draft: false, listing: goods }],
      }),
    });
    await until(
      () => world.held('own-shop'),
      (held) => held.length === 2,
    );
    const { id } = await world.call(api.listFromLive, { body: { account: 'own-shop' } });
    expect((await ended(id)).notice).toBeNull();
    expect((await viewOf(id)).counts).toMatchObject({ newFamily: 6, same: 6, refused: 0 });
    await take(id);
    const { family, stock, live } = await familyCalled('Live coat');
    expect(family.axes.map(({ label, role, values }) => [label, role, values.map((value) => value.label)])).toEqual([
      ['Colour', 'colour', ['Rust', 'Spruce']],
      ['Size', 'size', ['S', 'M', 'L']],
    ]);
    expect(family.fields).toMatchObject({ brand: 'Skerry Supply', price: '100.00', styleCode: 'LIV', weight: 500 });
    expect(Object.values(stock)).toEqual([5, 5, 5, 5, 5, 5]);
    expect(live.map(({ account, listing }) => [account, listing.key])).toEqual([['own-shop', 'live-1']]);
    const again = await world.call(api.listFromLive, { body: { account: 'own-shop' } });
    await ended(again.id);
    expect((await viewOf(again.id)).counts).toMatchObject({ newFamily: 0, changed: 0, same: 12 });
  });

  it('made of what was sent is no news, whatever the seller changed since or an account was told instead', async () => {
    const coat = await seller.shopFamily({ name: 'Told coat' });
    const [first] = Object.values(coat.family.children);
    const own = { level: 'child' as const, childId: first!.id };
    const set = async (key: string, figure: string) =>
      seller.run(await seller.fresh(coat), { do: 'setFigures', changes: [{ place: own, key, figure }] });
    await set('gtin', '9506000149806');
    await seller.ended((await seller.send([coat.family.id], ['own-shop'])).id);
    await set('price', '120.00');
    await set('description', 'A coat of which one child has a text of its own.');
    const before = await seller.fresh(coat);
    const { id } = await world.call(api.listFromLive, { body: { account: 'own-shop' } });
    await ended(id);
    const { families } = await world.call(api.listFamiliesFound, { params: { id }, query: {} });
    expect(families.find((one) => one.name === 'Told coat' || one.familyId === coat.family.id)!.counts).toMatchObject({
      changed: 0,
      same: 6,
    });
    await take(id);
    expect((await seller.fresh(coat)).family).toEqual(before.family);
  });
});
