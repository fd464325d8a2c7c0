/** Tables below each other in one list are one table, with nothing of any row left out. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ListWords } from '../src/intake/table/headerWords';
import { stackTables } from '../src/intake/table/stackedTables';

const HEADS = ['Name', 'Size', 'Colour', 'Price'];
/** Words as they are known here: those four are headers, all else is none. */
const words = {
  meaningOf: (cell: string) => (HEADS.includes(cell) ? { meaning: { is: 'ignored' }, certainty: 1 } : null),
} as unknown as ListWords;

const filled = (row: readonly string[]) => row.filter((cell) => cell !== '').toSorted();

describe('tables below each other', () => {
  const head = fc.array(fc.constantFrom(...HEADS, ''), { minLength: 1, maxLength: 6 });
  const goods = fc.array(fc.constantFrom('a', 'b', 'c', 'd', ''), { minLength: 1, maxLength: 8 });
  const later = fc.array(fc.oneof({ weight: 1, arbitrary: head }, { weight: 3, arbitrary: goods }), { maxLength: 9 });

  it('keep all that stands in their rows, whatever their headers say twice or leave blank', () => {
    let stacked = 0;
    fc.assert(
      fc.property(head, later, (first, rows) => {
        const table = [first, ...rows];
        const found = stackTables(table, 0, words);
        if (!found) return;
        stacked += 1;
        expect(new Set(found.table.map((row) => row.length)).size).toBe(1);
        for (const [at, row] of table.entries())
          if (at > 0 && !found.headers.has(at)) expect(filled(found.table[at]!)).toEqual(filled(row));
      }),
      { numRuns: 600 },
    );
    expect(stacked).toBeGreaterThan(50);
  });
  it('have the second of two columns of one name for what stands below it the second time', () => {
    const { table, headers } = stackTables(
      [
        ['Name', 'Price', 'Price'],
        ['a', '1', '2'],
        ['Price', 'Name', 'Price', 'Size'],
        ['3', 'b', '4', 'c', 'd'],
      ],
      0,
      words,
    )!;
    expect(table.filter((_, at) => !headers.has(at))).toEqual([
      ['Name', 'Price', 'Price', 'Size', ''],
      ['a', '1', '2', '', ''],
      ['b', '3', '4', 'c', 'd'],
    ]);
  });
  it('are no tables where they would come to more columns than a list has', () => {
    const table = (width: number) => {
      const later = Array.from({ length: width - 2 }, (_, at) => `x${at}`);
      const anyWord = { meaningOf: () => ({ meaning: { is: 'ignored' }, certainty: 1 }) } as unknown as ListWords;
      return stackTables(
        [
          ['Name', 'Size'],
          ['a', 'b'],
          ['Size', 'Name', ...later],
        ],
        0,
        anyWord,
      );
    };
    expect([table(400)?.table[0]!.length, table(401)]).toEqual([400, null]);
  });
});
