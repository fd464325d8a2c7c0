import { describe, expect, it } from 'vitest';
import type { Family } from '../src/family/shape';
import { childLabels, familyIndex } from '../src/family/weave';
import { blockFamily } from '../src/intake/blockFamily';
import { type ClipColumn, type ClipReading, readClip } from '../src/intake/clip';
import { registry, runCommand, stormJacket } from './sample';

const jacket = (() => {
  const bare = stormJacket();
  const changes = familyIndex(bare).woven.map((child, at) => ({
    place: { level: 'child' as const, childId: child.id },
    key: 'sku',
    figure: `SKJ-${String(at).padStart(2, '0')}`,
  }));
  return runCommand(bare, { do: 'setFigures', changes }).family;
})();
const { woven } = familyIndex(jacket);
const column = (key: string): ClipColumn => ({ id: key, key });
const target = (from: number, ...keys: string[]) => ({
  childIds: woven.slice(from).map((child) => child.id),
  columns: keys.map(column),
});
const read = (rows: string[][], at = target(0, 'sku', 'gtin', 'price', 'stock'), byPlace = false) =>
  readClip(registry, jacket, rows, at, byPlace);
const labels = (family: Family, at: number) => childLabels(family, woven[at]!);
const cells = (reading: ClipReading) =>
  reading.cells.map((cell) => [woven.findIndex((child) => child.id === cell.childId), cell.column.key, cell.text]);

describe('a pasted block', () => {
  it('goes by place where it names no child', () => {
    const reading = read(
      [
        ['249', '5'],
        ['251', '6'],
      ],
      target(3, 'price', 'stock'),
    );
    expect(reading).toMatchObject({ by: 'place', hasHeader: false, isInPlace: true, lost: [], moved: [] });
    expect(cells(reading)).toEqual([
      [3, 'price', '249'],
      [3, 'stock', '5'],
      [4, 'price', '251'],
      [4, 'stock', '6'],
    ]);
  });
  it('finds its children by the options it names, in whatever order and spelling', () => {
    const rows = [2, 0, 1].map((at) => [
      ...labels(jacket, at).map((label) => ` ${label.toUpperCase()}`),
      String(200 + at),
    ]);
    for (const block of [rows, [['Colour', 'Size', 'Lining', 'Price'], ...rows]]) {
      const reading = read(block, target(0, 'price'));
      expect(reading).toMatchObject({ by: 'options', isInPlace: false, lost: [] });
      expect(cells(reading)).toEqual([
        [2, 'price', '202'],
        [0, 'price', '200'],
        [1, 'price', '201'],
      ]);
    }
  });
  it('understands headers: units, columns anywhere, those it does not know', () => {
    const reading = read([
      ['Option: Size', 'Weight (kg)', 'Colour', 'Ships from', 'Option: Lining'],
      ['M', '0.9', 'Rust', 'Oban', 'Unlined'],
    ]);
    expect(reading.unknownColumns).toEqual(['Ships from']);
    expect(reading.cells).toMatchObject([{ column: { key: 'weight' }, text: '0.9', unit: 'kg' }]);
    expect(childLabels(jacket, jacket.children[reading.childIds[0]!]!)).toEqual(['Rust', 'M', 'Unlined']);
  });
  it('finds its children by SKU, with a header and without', () => {
    const rows = [
      ['SKJ-07', '5'],
      ['skj-02', '6'],
    ];
    expect(cells(read(rows, target(0, 'sku', 'stock')))).toEqual([
      [7, 'stock', '5'],
      [2, 'stock', '6'],
    ]);
    expect(read([['SKU', 'Stock'], ...rows])).toMatchObject({ by: 'sku', hasHeader: true });
  });
  it('says which rows find no child, and which find one twice', () => {
    const reading = read([
      ['SKU', 'Price'],
      ['SKJ-01', '1'],
      ['NONE', '2'],
      ['SKJ-01', '3'],
    ]);
    expect(reading.lost).toEqual([
      { row: 3, name: 'NONE', why: 'unknown' },
      { row: 4, name: 'SKJ-01', why: 'twice' },
    ]);
    const over = read([['1'], ['2'], ['3']], target(woven.length - 1, 'price'));
    expect(over.lost.map((one) => one.why)).toEqual(['beyond', 'beyond']);
  });
  it('tells of identifiers that would go from one child to another', () => {
    const turned = woven.map((_, at) => [`SKJ-${String((at + 1) % woven.length).padStart(2, '0')}`]);
    const byPlace = read(turned, target(0, 'sku'), true);
    expect(byPlace.moved).toHaveLength(woven.length);
    expect(byPlace.moved[0]).toEqual({ kind: 'sku', text: 'SKJ-01', from: woven[1]!.id, to: woven[0]!.id });
    // Found by SKU nothing moves, and it is seen that the rows stand elsewhere.
    expect(read(turned, target(0, 'sku'))).toMatchObject({ by: 'sku', moved: [], isInPlace: false });
    // Options and SKUs that contradict each other: the options say who it is, the SKU would move.
    const rows = [0, 1].map((at) => [...labels(jacket, at), `SKJ-0${1 - at}`]);
    expect(read(rows, target(0, 'sku'))).toMatchObject({
      by: 'options',
      moved: [{ text: 'SKJ-01' }, { text: 'SKJ-00' }],
    });
  });
  it('takes identifiers that nobody has as figures, not as names', () => {
    const reading = read([['NEW-1'], ['NEW-2']], target(0, 'sku'));
    expect(reading).toMatchObject({ by: 'place', moved: [] });
    expect(reading.cells).toHaveLength(2);
  });
  it('reads columns of an account as its header names them', () => {
    const named = new Map([['price (fernpost)', { id: 'price@account:fernpost', key: 'price' }]]);
    const reading = readClip(
      registry,
      jacket,
      [
        ['SKU', 'Price (Fernpost)'],
        ['SKJ-03', '210'],
      ],
      { ...target(0), named },
    );
    expect(reading.cells).toMatchObject([{ column: { id: 'price@account:fernpost' }, text: '210' }]);
    expect(reading.unknownColumns).toEqual([]);
  });
});

describe('a block of rows that begins a family', () => {
  const block = [
    ['Name', 'Colour', 'Size', 'SKU', 'Price', 'Stock', 'Ships from', 'Weight (g)'],
    ['Gale parka', 'Rust', 'M', 'GP-1', '240', '5', 'Oban', '900'],
    ['Gale parka', 'rust', 'L', 'GP-2', '240', '6', 'Oban', '920'],
    ['Gale parka', 'Spruce', 'M', 'GP-3', '240', '7', 'Oban', '900'],
  ];
  it('gives its axes, the crossings that do not exist, what holds for all and what for each', () => {
    expect(blockFamily(registry, block)).toEqual({
      axes: [
        { column: 1, role: 'colour', label: 'Colour', values: ['Rust', 'Spruce'] },
        { column: 2, role: 'size', label: 'Size', values: ['M', 'L'] },
      ],
      off: [['Spruce', 'L']],
      figures: { name: 'Gale parka', price: '240' },
      childColumns: ['SKU', 'Stock', 'Weight (g)'],
      unknown: ['Ships from'],
      headers: ['Name', 'Colour', 'Size', 'SKU', 'Price', 'Stock (pieces)', 'Ships from', 'Weight (g)'],
      rows: 3,
      doubled: 0,
    });
  });
  it('knows what lists know, and the unit that a header names', () => {
    const found = blockFamily(registry, [
      ['Colour', 'EAN', 'Weight kg', 'Cost', 'Composition', 'Care', 'Made in'],
      ['Rust', '4006381333931', '0.9', '70', '100 % wool', 'Cold wash', 'Sundhavn'],
      ['Spruce', '4006381333948', '0.95', '70', '100 % wool', 'Cold wash', 'Sundhavn'],
    ])!;
    expect(found.headers.slice(0, 3)).toEqual(['Colour', 'GTIN', 'Weight (kg)']);
    expect(found.figures).toMatchObject({
      cost: '70',
      composition: '100 % wool',
      care: 'Cold wash',
      madeIn: 'Sundhavn',
    });
    expect(found.unknown).toEqual([]);
  });
  it('knows an axis by what stands in it where its header says nothing', () => {
    const found = blockFamily(registry, [
      ['Article', 'Ton', 'Maß', 'Innen'],
      ...['M', 'L', 'XL'].flatMap((size) =>
        ['Rust', 'Midnight'].map((colour) => [`A-${size}-${colour}`, colour, size, 'Fleece']),
      ),
    ])!;
    expect(found.axes.map(({ label, role }) => [label, role])).toEqual([
      ['Ton', 'colour'],
      ['Maß', 'size'],
    ]);
    expect(found.unknown).toEqual(['Article', 'Innen']);
  });
  it('knows headers as lists do, in whichever of their languages', () => {
    const found = blockFamily(registry, [
      ['Article', 'Coloris', 'Gr.', 'Futter'],
      ['A', 'Quibble', '1', 'Fleece'],
      ['B', 'Murk', '2', 'Fleece'],
    ])!;
    expect(found.axes.map(({ label, role }) => [label, role])).toEqual([
      ['Coloris', 'colour'],
      ['Gr.', 'size'],
      ['Futter', 'material'],
    ]);
  });
  it('that says a crossing twice says so; one without an axis is none', () => {
    expect(blockFamily(registry, [...block, block[1]!])!.doubled).toBe(1);
    expect(
      blockFamily(registry, [
        ['SKU', 'Price'],
        ['A', '1'],
      ]),
    ).toBeNull();
    expect(blockFamily(registry, [['Colour']])).toBeNull();
  });
});
