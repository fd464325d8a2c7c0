/** Cells typed and pasted into the children's grid. */
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import type { Account } from '@loom-kin/core/catalogue';
import { type Family, familyIndex, figureOf, freeze } from '@loom-kin/core/family';
import type { GridLayout } from '@loom-kin/contract';
import { fromTabbed, tiled, toTabbed } from '../src/grid/clipboard';
import { finder, replaced } from '../src/grid/findCells';
import { goTo, type GridExtent } from '../src/grid/gridMoves';
import { arrange, textCounts, type Arrangement } from '../src/grid/gridRows';
import { sumsOf } from '../src/grid/sums';
import { readCells, type TypedCell } from '../src/grid/readCells';
import { fieldColumns, FIRST_LAYOUT, shownColumns, type FieldColumn } from '../src/grid/gridColumns';
import { createFamily, registry, runCommand } from './sample';

const bare = createFamily({
  id: 'f',
  fields: { name: 'Coat', price: '40.00' },
  axes: [{ role: 'size', label: 'Size', values: ['S', 'M', 'L'].map((label) => ({ label })) }],
  off: [],
});
const ids = familyIndex(bare).woven.map((child) => child.id);
const at = (row: number) => ({ level: 'child' as const, childId: ids[row]! });
const family: Family = runCommand(bare, {
  do: 'setFigures',
  changes: [0, 1]
    .flatMap((row) => [{ place: at(row), key: 'sku', figure: `C-${row}` }])
    .concat([{ place: at(0), key: 'gtin', figure: '4006381333931' }]),
}).family;
const columns = new Map(fieldColumns(registry, family, []).map((column) => [column.id, column]));
const ground = {
  registry,
  family,
  currency: 'EUR',
  stock: {},
  piecesAt: () => 0,
  shown: (childId: string, { field }: FieldColumn) => {
    const held = field.type === 'stock' ? '0' : figureOf(family, family.children[childId]!, field.key);
    return String(held ?? '');
  },
  listedOn: (_sku: string): string | undefined => undefined,
};
/** Rows of cells, by the row of their child and the key of their column. */
const read = (cells: Record<number, Record<string, string>>, listed: Record<string, string> = {}, unit?: string) =>
  readCells(
    { ...ground, takesSums: false, listedOn: (sku) => listed[sku] },
    Object.entries(cells).flatMap(([row, texts]) =>
      Object.entries(texts).map(([key, text]): TypedCell => ({
        childId: ids[Number(row)]!,
        column: columns.get(key)!,
        text,
        unit,
      })),
    ),
  );

describe('cells', () => {
  it('become figures of the children they stand at; those that say what is shown change nothing', () => {
    expect(read({ 0: { price: '44,50', weight: '0.3 kg' }, 1: { price: '40.00' }, 2: { stock: '12' } })).toEqual({
      changes: [
        { place: at(0), key: 'price', figure: '44.50' },
        { place: at(0), key: 'weight', figure: 300 },
      ],
      counts: [{ childId: ids[2], pieces: 12 }],
      problems: [],
    });
  });
  it('that are emptied give the figure back', () =>
    expect(read({ 0: { gtin: '' } }).changes).toEqual([{ place: at(0), key: 'gtin', figure: null }]));
  it('that are no figures are named with child and field; the others go in', () => {
    const { changes, problems } = read({
      0: { price: 'abc', stock: '-4' },
      1: { gtin: '4.00638E+12', price: '-1' },
      2: { price: '50' },
    });
    expect(changes).toEqual([{ place: at(2), key: 'price', figure: '50' }]);
    expect(problems).toEqual([
      'S, Price: "abc" is no amount. Type a number such as 189.00.',
      'S, Stock: "-4" is no whole number of pieces.',
      expect.stringMatching(/^M, GTIN: .*power of ten/),
      'M, Price: Price cannot be below zero.',
    ]);
  });
  it('never give one SKU or GTIN to two children, whatever its case and zeros, nor within one paste', () => {
    expect(read({ 2: { sku: 'c-0' } }).problems).toEqual(['L, SKU: c-0 belongs to S already.']);
    expect(read({ 1: { gtin: '04006381333931' } }).problems).toEqual(['M, GTIN: 04006381333931 belongs to S already.']);
    const twice = read({ 1: { sku: 'NEW' }, 2: { sku: 'new' } });
    expect([twice.changes.length, twice.problems]).toEqual([1, ['L, SKU: new belongs to M already.']]);
  });
  it('let SKUs change places in one paste, which the core then takes', () => {
    const { changes, problems } = read({ 0: { sku: 'C-1' }, 1: { sku: 'C-0' } });
    expect(problems).toEqual([]);
    const swapped = runCommand(freeze(family, true), { do: 'setFigures', changes }).family;
    expect(ids.slice(0, 2).map((id) => swapped.children[id]!.fields.sku)).toEqual(['C-1', 'C-0']);
  });
  it('leave a SKU that is listed alone, renamed or emptied, and say where it is listed', () => {
    for (const sku of ['C-9', '']) {
      const { changes, problems } = read({ 0: { sku, price: '41' } }, { 'C-0': 'Quayside' });
      expect(changes).toEqual([{ place: at(0), key: 'price', figure: '41' }]);
      expect(problems).toEqual([
        'C-0 is listed on Quayside: orders come in under it. Take it down there first, then change it.',
      ]);
    }
  });
  it('of a child that is gone are left alone', () => {
    const gone: TypedCell = { childId: 'f.c99', column: columns.get('price')!, text: '1' };
    expect(readCells({ ...ground, takesSums: false }, [gone])).toEqual({ changes: [], counts: [], problems: [] });
  });
  it('are read by what else stands in their column, and in the unit that a header names', () => {
    const { changes } = read({ 0: { weight: '1,250' }, 1: { weight: '0,5' } }, {}, 'kg');
    expect(changes.map((one) => one.figure)).toEqual([1250, 500]);
    expect(read({ 0: { weight: '1,250' } }).problems[0]).toContain('can be read as');
  });
  it('that are typed may be sums, each from what it has; pasted ones never are', () => {
    const typed = (text: string) =>
      readCells(
        { ...ground, takesSums: true },
        ids.map((childId) => ({ childId, column: columns.get('price')!, text })),
      ).changes.map((one) => one.figure);
    expect(typed('+4')).toEqual(['44.00', '44.00', '44.00']);
    expect(typed('*1.1')).toEqual(['44.00', '44.00', '44.00']);
    expect(read({ 0: { price: '=1+1' } }).problems[0]).toContain('is no amount');
  });
});

describe('where a key goes', () => {
  const filled = ['x x.x', 'x....', '.....', 'x...x'];
  const land: GridExtent = { columns: 5, rows: 4, page: 2, isFilled: ({ x, y }) => filled[y]![x] === 'x' };
  const at = (key: string, x: number, y: number) => {
    const to = goTo(key, { x, y }, land);
    return to && `${to.x},${to.y}`;
  };
  it('stays within the grid', () => {
    const ways = [at('ArrowUp', 0, 0), at('ArrowRight', 4, 1), at('PageDown', 2, 3), at('Alt+PageUp', 2, 2)];
    expect(ways).toEqual(['0,0', '4,1', '2,3', '0,2']);
    const ends = [at('Home', 3, 2), at('End', 3, 2), at('Ctrl+Home', 3, 2), at('Ctrl+End', 0, 0)];
    expect(ends).toEqual(['0,2', '4,2', '0,0', '4,3']);
    expect(at('Insert', 0, 0)).toBeNull();
  });
  it('leaps to the end of what is filled, over gaps to what is filled next', () => {
    expect(at('Ctrl+ArrowDown', 0, 0)).toBe('0,1');
    expect(at('Ctrl+ArrowDown', 0, 1)).toBe('0,3');
    expect(at('Ctrl+ArrowRight', 0, 0)).toBe('2,0');
    expect(at('Ctrl+ArrowRight', 1, 2)).toBe('4,2');
    expect(at('Ctrl+ArrowUp', 4, 3)).toBe('4,0');
    expect(at('Ctrl+ArrowLeft', 0, 2)).toBe('0,2');
  });
});

describe('the clipboard', () => {
  it('carries every cell there and back, whatever stands in it (RFC 4180, tabs for commas)', () => {
    const cell = fc.oneof(
      fc.string(),
      fc.constantFrom('a\tb', 'two\nlines', '14"', '"quoted"', '=1+1', '-5', '@x', "'=1"),
    );
    const block = fc
      .integer({ min: 1, max: 4 })
      .chain((width) =>
        fc.array(fc.array(cell, { minLength: width, maxLength: width }), { minLength: 1, maxLength: 4 }),
      );
    fc.assert(
      fc.property(block, (rows) => {
        // Line ends of one kind, and no cell that reads as nothing at all.
        const plain = rows.map((row) => row.map((one) => `x${one}`.replace(/\r/g, '')));
        expect(fromTabbed(toTabbed(plain))).toEqual(plain);
      }),
    );
  });
  it('takes no text for a formula, and gives it back as it was', () => {
    expect(toTabbed([['=1+1', '5']])).toBe('"\'=1+1"\t5');
    expect(fromTabbed("'=1+1\t5\r\n")).toEqual([['=1+1', '5']]);
  });
  it('reads quoted cells with line breaks, and lone quotation marks as inches', () => {
    expect(fromTabbed('"two\nlines"\tb\nc\t"say ""so"""')).toEqual([
      ['two\nlines', 'b'],
      ['c', 'say "so"'],
    ]);
    expect(fromTabbed('14"\t15"')).toEqual([['14"', '15"']]);
  });
  it('lays a block over a range that holds it a whole number of times', () => {
    expect(tiled([['1'], ['2']], 4, 2)).toEqual([
      ['1', '1'],
      ['2', '2'],
      ['1', '1'],
      ['2', '2'],
    ]);
    expect(tiled([['1'], ['2']], 3, 1)).toEqual([['1'], ['2']]);
  });
});

describe('rows', () => {
  const woven = familyIndex(family).woven;
  const texts = ['20', '', '3'];
  const column = {
    text: (at: number) => texts[at]!,
    weight: (at: number) => (texts[at] === '' ? '' : Number(texts[at])),
  };
  const order = (more: Partial<Arrangement>) =>
    arrange(woven, { sorting: null, filters: new Map(), only: null, ...more }, () => column).join();
  it('are sorted by number, those without a figure last either way', () => {
    expect(order({ sorting: { columnId: 'cost', descending: false } })).toBe('2,0,1');
    expect(order({ sorting: { columnId: 'cost', descending: true } })).toBe('0,2,1');
  });
  it('are those whose text is wanted, among those that are shown alone', () => {
    expect(order({ filters: new Map([['cost', new Set(['', '3'])]]) })).toBe('1,2');
    expect(order({ only: new Set([ids[0]!]) })).toBe('0');
    expect(textCounts(woven, column)).toEqual(texts.map((text) => ({ text, count: 1 })));
  });
});

describe('columns', () => {
  const account: Account = {
    id: 'q',
    channel: 'quayside',
    name: 'Quayside',
    at: 0,
    language: 'en',
    settings: { rate: '1', exemptBrands: [], answers: {}, objective: 'listings' },
  };
  const all = fieldColumns(registry, family, [account]);
  const shown = (layout: Partial<GridLayout>) => shownColumns(all, { ...FIRST_LAYOUT, ...layout }).map((one) => one.id);
  it('stand for each field, and for each account that may have its own beside', () => {
    expect(shown({ set: 'Prices' })).toContain('price@account:q');
    expect(all.some((one) => one.id === 'sku@account:q')).toBe(false);
    expect(new Set(all.map((one) => one.id)).size).toBe(all.length);
  });
  it('are hidden, put in order, frozen and widened as the seller wants, set by set', () => {
    const prices = { order: ['cost', 'price'], hidden: ['onSale'], shown: ['sku'], own: false };
    const layout = { set: 'Prices', sets: { Prices: prices }, frozen: ['listPrice'], widths: { cost: 44 } };
    expect(shown(layout).slice(0, 3)).toEqual(['listPrice', 'cost', 'price']);
    expect(shown(layout)).toContain('sku');
    expect(shown(layout)).not.toContain('onSale');
    expect(shown({ ...layout, set: 'All figures' })).toContain('onSale');
    expect(shownColumns(all, { ...FIRST_LAYOUT, ...layout }).find((one) => one.id === 'cost')!.size).toBe(44);
    const own = { order: [], hidden: [], shown: ['gtin', 'price@account:q'], own: true };
    expect(shown({ set: 'Mine', sets: { Mine: own } })).toEqual(['gtin', 'price@account:q']);
  });
});

describe('finding', () => {
  it('finds what is typed, and replaces it as it stands: nothing of it is a pattern', () => {
    const wish = { text: 'a.b', whole: false, exact: false };
    expect(['xA.By', 'axb'].map(finder(wish)!)).toEqual([true, false]);
    expect(replaced('xA.Bya.b', wish, '$&')).toBe('x$&y$&');
    expect(finder({ ...wish, text: '' })).toBeNull();
    expect(replaced('whatever', { ...wish, whole: true }, 'new')).toBe('new');
  });
});

describe('sums', () => {
  it('are exact, and told for numbers of one unit alone', () => {
    const price = columns.get('price')!;
    const weight = columns.get('weight')!;
    const unitOf = (column: FieldColumn) => column.field.unit ?? 'EUR';
    expect(sumsOf([{ column: price, texts: ['0.10', '0.20', ''] }], unitOf)).toEqual({
      cells: 3,
      filled: 2,
      numbers: { count: 2, unit: 'EUR', sum: '0.30', least: '0.10', most: '0.20', mean: '0.15' },
    });
    const mixed = [
      { column: price, texts: ['1', '2'] },
      { column: weight, texts: ['3', '4'] },
    ];
    expect(sumsOf(mixed, unitOf).numbers).toBeNull();
  });
});
