/** Cells that a spreadsheet had hurt on the way: sizes that became days. Common practice; `dates` of the other cells are as spreadsheets write them. */
import { partedByHeads } from '../src/intake/families/partedGoods';
import type { RowVariant } from '../src/intake/families/weaves';
import { describe, expect, it } from 'vitest';
import { planList } from '../src/intake/importPlan/planList';
import { listReport } from '../src/intake/families/listReport';
import { readList } from '../src/intake/families/readList';
import { mendedText } from '../src/intake/listText';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { EMPTY_SHELVES } from './shelves';

const registry = openRegistry(emptyRegistry());
/** Goods in these sizes, a row each. */
const ofSizes = (sizes: readonly string[], header = 'Size') =>
  readList(registry, [['Name', header, 'SKU'], ...sizes.map((size, at) => ['Harbour tee', size, `HT-${at}`])]);

const sizesOf = (reading: ReturnType<typeof ofSizes>) => reading.families[0]?.axes[0]?.values;
const told = ({ problems }: ReturnType<typeof ofSizes>) => problems.map(({ row, code }) => `${row} ${code}`);

describe('sizes that became days', () => {
  it.each([
    ['the month by its name', ['8-10', '12-Oct', '12-14'], ['8-10', '10-12', '12-14']],
    ['the month in German', ['2-3', '05. Apr', '06. Jul'], ['2-3', '4-5', '6-7']],
    ['the year beside it', ['2/3', '2026-05-04', '7/8'], ['2/3', '4/5', '7/8']],
    ['numbers alone', ['8 - 10', '12.10.2026', '12 - 14'], ['8 - 10', '10 - 12', '12 - 14']],
    ['the month first', ['8-10', 'Oct-12', '12-14'], ['8-10', '10-12', '12-14']],
    ['halves beside whole numbers', ['5. Mai', '6', '6. Mai', '7', '7. Mai'], ['5.5', '6', '6.5', '7', '7.5']],
    ['halves beside halves with commas', ['36,5', '37', '12. Mai'], ['12,5', '36,5', '37']],
    ['nothing beside them', ['3-Feb', '5-Apr', '7-Jun'], ['2-3', '4-5', '6-7']],
  ])('are what they were, with %s', (_, given, wanted) => {
    const reading = ofSizes(given);
    expect(sizesOf(reading)).toEqual(wanted);
    expect(told(reading)).toEqual([]);
    expect(reading.mended.every(({ code }) => code === 'size.date')).toBe(true);
    expect(reading.mended.length).toBe(given.filter((size) => !wanted.includes(size)).length);
  });

  it('are told with both readings where a range and a half size are possible', () => {
    const reading = ofSizes(['4-5', '6', '6. Mai']);
    expect(told(reading)).toEqual(['4 size.date']);
    expect(reading.families[0]!.doubts).toEqual([{ row: 4, code: 'sizeIsDay', text: '6. Mai' }]);
    const rows = planList(registry, reading, { columns: {} }, EMPTY_SHELVES).flatMap((plan) => plan.rows);
    expect(rows.map(({ verdict }) => verdict)).toEqual(['newFamily', 'newFamily', 'doubtful']);
    expect(listReport(reading).problems[0]!.text).toBe(
      '"6. Mai" is a day: a spreadsheet made it of a size, and it was 5-6 or 6.5. Write the size, in a column that is formatted as text.',
    );
  });

  it('are what the other sizes of the same goods say', () => {
    const rows = [
      ...['8-10', '12-Oct', '12-14'].map((size) => ['Kids tee', size]),
      ...['6', '6. Mai'].map((size) => ['Shoe', size]),
    ];
    const reading = readList(registry, [['Name', 'Size'], ...rows]);
    expect(reading.families.map(({ axes }) => axes[0]!.values)).toEqual([
      ['8-10', '10-12', '12-14'],
      ['6', '6.5'],
    ]);
  });

  it('are told where nothing says what they were', () => {
    expect(told(ofSizes(['S', 'M', '7. Jul']))).toEqual(['4 size.date']);
  });

  it('are named with what they were', () => {
    expect(ofSizes(['8-10', '12-Oct']).mended.map(mendedText)).toEqual([
      'a spreadsheet had made the day "12-Oct" of the size 10-12.',
    ]);
  });

  it('stay what they are outside a column of sizes', () => {
    const reading = ofSizes(['12-Oct', '13-Oct'], 'In shops');
    expect([reading.mended, told(reading)]).toEqual([[], []]);
  });
});

describe('More rows of one name and one code than a call takes arguments', () => {
  it('are looked at all the same', () => {
    const strands = Array.from({ length: 150_000 }, () => ({ item: { ownCode: 'COAT' } })) as unknown as RowVariant[];
    expect(partedByHeads(strands, [])).toBeNull();
  });
});
