/** Cells typed and pasted into the children's grid. */
import { describe, expect, it } from 'vitest';
import { familyIndex, figureOf, freeze, type Family } from '@loom-kin/core';
import { readCells, type GridRow } from '../src/grid/gridCells';
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
const rows = familyIndex(family).woven.map((child): GridRow => ({
  id: child.id,
  price: String(figureOf(family, child, 'price')),
  sku: String(child.fields.sku ?? ''),
  gtin: String(child.fields.gtin ?? ''),
  stock: '0',
  weight: '',
}));
const read = (cells: Record<number, Record<string, unknown>>, listed: Record<string, string> = {}) =>
  readCells(registry, family, rows, cells, (sku) => listed[sku]);

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
  it('beyond the last child, or in a column that is no field, are left alone', () => {
    expect(read({ 7: { price: '1' }, 0: { a1: 'Rust' } })).toEqual({ changes: [], counts: [], problems: [] });
  });
});
