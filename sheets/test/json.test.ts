/** Lists in JSON as tables. */
import { describe, expect, it } from 'vitest';
import { rowsOf } from './readBytes';

const tableOf = (data: unknown) => rowsOf(Buffer.from(JSON.stringify(data)), 'list.json');
const ROWS = [
  ['name', 'sku', 'Colour', 'Size'],
  ['Tee', 'T1', 'Navy', 'S'],
  ['Tee', 'T2', 'Navy', 'M'],
];

describe('JSON', () => {
  it('of records has their keys above, and options in columns of their own however they are kept', async () => {
    const [colour, size] = ['Colour', 'Size'];
    for (const listOf of [
      (name: string, sku: string, at: string[]) => ({ name, sku, [colour]: at[0], [size]: at[1] }),
      (name: string, sku: string, at: string[]) => ({ name, sku, options: { [colour]: at[0], [size]: at[1] } }),
      (name: string, sku: string, at: string[]) => ({
        name,
        sku,
        selectedOptions: [
          { name: colour, value: at[0] },
          { name: size, value: at[1] },
        ],
      }),
    ])
      expect(await tableOf([listOf('Tee', 'T1', ['Navy', 'S']), listOf('Tee', 'T2', ['Navy', 'M'])])).toEqual(ROWS);
  });
  it('of records in records has a row for each of these, and lies anywhere', async () => {
    const children = [
      {
        sku: 'T1',
        attributes: [
          { key: 'Colour', value: 'Navy' },
          { key: 'Size', value: 'S' },
        ],
      },
      {
        sku: 'T2',
        attributes: [
          { key: 'Colour', value: 'Navy' },
          { key: 'Size', value: 'M' },
        ],
      },
    ];
    expect(await tableOf({ made: '2026-11-28', goods: [{ name: 'Tee', children }] })).toEqual(ROWS);
  });
  it('of rows is the table, and may be a record a line', async () => {
    expect(await tableOf(ROWS)).toEqual(ROWS);
    const lines = '{"name":"Tee","sku":"T1"}\n{"name":"Tee","sku":"T2"}\n';
    expect(await rowsOf(Buffer.from(lines), 'list.json')).toEqual([
      ['name', 'sku'],
      ['Tee', 'T1'],
      ['Tee', 'T2'],
    ]);
  });
  it('that is none, or holds no list, is refused in words', async () => {
    await expect(rowsOf(Buffer.from('[{"name":"Tee"'), 'cut.json')).rejects.toThrow('cut.json');
    await expect(rowsOf(Buffer.from('{"name":"Tee"}\n{"name":'), 'cut.json')).rejects.toThrow('cut.json');
    await expect(tableOf({ name: 'Tee' })).rejects.toThrow('list.json');
    // Keys of their own in each record: as cells they would be a thousand times as many.
    const strange = Array.from({ length: 1000 }, (_, row) =>
      Object.fromEntries(Array.from({ length: 100 }, (_, key) => [`k${row}-${key}`, 'x'])),
    );
    await expect(tableOf(strange)).rejects.toThrow(/100000 columns/);
  });
});
