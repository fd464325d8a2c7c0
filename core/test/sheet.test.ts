import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Family } from '../src/family/shape';
import { childLabels, crossingFor, familyIndex } from '../src/family/weave';
import { matchColumns, sheetColumns } from '../src/intake/columns';
import type { SheetReading } from '../src/intake/readSheet';
import { unreadable } from '../src/refusal/refusal';
import { anyFamily, createFamily, familyRows, readSheet, registry, runCommand, stormJacket } from './sample';

/** What the server does with a reading: one stage after the other. */
const take = (family: Family, reading: SheetReading): Family =>
  reading.stages.reduce((now, stage) => {
    const commands = stage(now);
    return commands.length > 0 ? runCommand(now, { do: 'batch', title: 'sheet', commands }).family : now;
  }, family);

const numbered = (family: Family) =>
  runCommand(family, {
    do: 'setFigures',
    changes: familyIndex(family).woven.flatMap((child, at) => [
      { place: { level: 'child' as const, childId: child.id }, key: 'sku', figure: `S-${at}` },
      ...(at % 3 === 0
        ? [{ place: { level: 'child' as const, childId: child.id }, key: 'price', figure: `${10 + at}.50` }]
        : []),
      ...(at % 4 === 0
        ? [{ place: { level: 'child' as const, childId: child.id }, key: 'weight', figure: 100 + at }]
        : []),
      ...(at % 5 === 0
        ? [{ place: { level: 'child' as const, childId: child.id }, key: 'onSale', figure: false }]
        : []),
    ]),
  }).family;

describe('a family as rows', () => {
  it('shows what holds for each child, options first', () => {
    const { headers, rows } = familyRows(stormJacket(), {});
    expect(headers.slice(0, 4)).toEqual(['Option: Colour', 'Option: Size', 'Option: Lining', 'SKU']);
    expect(rows).toHaveLength(44);
    expect(rows[0]![headers.indexOf('Price')]).toBe('189.00');
    expect(rows[0]![headers.indexOf('Weight (g)')]).toBe('900');
  });

  it('changes nothing when it comes back as it went, whatever the family', () => {
    fc.assert(
      fc.property(anyFamily(3, 4), (made) => {
        const family = numbered(made);
        const stock = Object.fromEntries(familyIndex(family).woven.map((child, at) => [child.id, at]));
        const { headers, rows } = familyRows(family, stock);
        const reading = readSheet(family, headers, rows, stock);
        expect(reading.rows.every((row) => row.verdict === 'same')).toBe(true);
        expect([reading.stock, reading.unknownColumns]).toEqual([[], []]);
        expect(take(family, reading)).toBe(family);
      }),
      { numRuns: 80 },
    );
  });

  it('brings exactly the changed cells, whatever rows and columns are changed', () => {
    const family = numbered(stormJacket());
    const { headers, rows } = familyRows(family, {});
    const price = headers.indexOf('Price');
    fc.assert(
      fc.property(
        fc.dictionary(fc.integer({ min: 0, max: 43 }).map(String), fc.integer({ min: 100, max: 99_999 }), {
          maxKeys: 12,
        }),
        (changed) => {
          const edited = rows.map((row, at) =>
            row.map((cell, column) =>
              column === price && changed[at] !== undefined ? (changed[at] / 100).toFixed(2) : cell,
            ),
          );
          const after = take(family, readSheet(family, headers, edited, {}));
          const now = familyRows(after, {}).rows;
          expect(now.map((row) => row[price])).toEqual(edited.map((row) => row[price]));
          now.forEach((row, at) =>
            expect(row.filter((_, column) => column !== price)).toEqual(
              rows[at]!.filter((_, column) => column !== price),
            ),
          );
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('columns', () => {
  const family = stormJacket();
  it('are found whatever the case, with or without unit and mark, each once', () => {
    const { columns, unknown, missingAxes } = matchColumns(registry, family, [
      'COLOUR',
      'option: size',
      ' lining ',
      'weight',
      'Price',
      'price',
      'Remarks',
      '',
      'stock',
    ]);
    expect(columns.map((column) => column?.header ?? null)).toEqual([
      'Option: Colour',
      'Option: Size',
      'Option: Lining',
      'Weight (g)',
      'Price',
      null,
      null,
      null,
      'Stock (pieces)',
    ]);
    expect([unknown, missingAxes]).toEqual([['price', 'Remarks'], []]);
  });
  it('name an axis that has none', () => {
    expect(() => readSheet(family, ['Colour', 'SKU'], [], {})).toThrow(
      'The file has no column for Size, Lining. Every axis needs one, such as "Option: Size".',
    );
    expect(sheetColumns(registry, family).filter((column) => column.kind === 'option')).toHaveLength(3);
  });
});

describe('rows that come in', () => {
  const family = numbered(stormJacket());
  const headers = ['Colour', 'Size', 'Lining', 'SKU', 'GTIN', 'Price', 'Stock'];
  const read = (...rows: string[][]) => readSheet(family, headers, rows, {});
  const child = (labels: string[], now = family) =>
    familyIndex(now).byCrossing.get(Object.values(crossingFor(now, labels)!).join('|'))!;

  it('give an emptied figure back, and leave one alone that was inherited', () => {
    const own = child(['Rust', 'XS', 'Unlined']);
    expect(own.fields.price).toBe('10.50');
    const after = take(family, read(['Rust', 'XS', 'Unlined', String(own.fields.sku), '', '', '']));
    expect(after.children[own.id]!.fields.price).toBeUndefined();
    expect(read(['Rust', 'S', 'Unlined', 'S-1', '', '', '']).rows[0]!.verdict).toBe('same');
  });
  it('say nothing new where an amount is only written another way', () => {
    const sku = String(child(['Rust', 'XS', 'Unlined']).fields.sku);
    const verdictOf = (price: string) => read(['Rust', 'XS', 'Unlined', sku, '', price, '']).rows[0]!.verdict;
    expect(['10.50', '10.5'].map(verdictOf)).toEqual(['same', 'same']);
    expect(verdictOf('10.51')).toBe('changed');
  });
  it('weave only the new children they name, with their figures', () => {
    const after = take(
      family,
      read(['Kelp', 'M', 'Unlined', 'K-M', '4006381333931', '99', '4'], ['kelp', 'L', 'Unlined', 'K-L', '', '99', '']),
    );
    const fresh = familyIndex(after).woven.filter((one) => !family.children[one.id]?.woven);
    expect(fresh.map((one) => one.fields.sku)).toEqual(['K-M', 'K-L']);
    expect(after.axes[0]!.values.map((value) => value.label)).toEqual(['Rust', 'Spruce', 'Midnight', 'Ochre', 'Kelp']);
    for (const one of familyIndex(family).woven) expect(after.children[one.id]).toEqual(one);
  });
  it('weave a crossing again that was taken out, and bring what it held', () => {
    const held = child(['Rust', 'M', 'Unlined']);
    const out = runCommand(family, { do: 'setWoven', crossings: [held.at], woven: false }).family;
    const reading = readSheet(out, headers, [['Rust', 'M', 'Unlined', String(held.fields.sku), '', '', '']], {});
    expect(reading.rows[0]!.verdict).toBe('new');
    expect(take(out, reading).children[held.id]).toMatchObject({ woven: true, fields: { sku: held.fields.sku } });
  });
  it('are refused one by one: empty options, doubles, numbers of others, figures that are none', () => {
    const { rows } = readSheet(
      family,
      headers,
      [
        ['', 'M', 'Unlined', 'A-1', '', '', ''],
        ['Kelp', 'M', 'Unlined', 'A-2', '', '', ''],
        ['Kelp', 'M', 'Unlined', 'A-3', '', '', ''],
        ['Oat', 'M', 'Unlined', 'S-0', '', '', ''],
        ['Oat', 'L', 'Unlined', 'A-4', '4.00638E+12', '', ''],
        ['Oat', 'S', 'Unlined', 'A-5', '', '-1', 'many'],
        ['', '', '', '', '', '', ''],
        ['Oat', 'XL', 'Unlined', 'ELSE', '', '', ''],
      ],
      {},
      {
        takenElsewhere: (kind, figure) =>
          kind === 'sku' && figure === 'ELSE' ? unreadable('sku.taken', { sku: figure, owner: 'Deck smock' }) : null,
        bound: () => null,
      },
    );
    expect(rows.map((row) => [row.row, row.verdict, row.problems.map((problem) => problem.column).join()])).toEqual([
      [2, 'refused', 'Colour'],
      [3, 'new', ''],
      [4, 'refused', 'Colour'],
      [5, 'refused', 'SKU'],
      [6, 'refused', 'GTIN'],
      [7, 'refused', 'Price,Stock'],
      [9, 'refused', 'SKU'],
    ]);
    expect(rows[6]!.problems[0]!.message).toBe('The SKU ELSE belongs to Deck smock already.');
  });
  it('leave a SKU alone that a channel lists, and say where', () => {
    const held = familyIndex(family).woven[0]!;
    const around = {
      takenElsewhere: () => null,
      bound: (sku: string) => (sku === held.fields.sku ? unreadable('sku.live', { sku, account: 'Quayside' }) : null),
    };
    const named = ['Colour', 'Size', 'Lining', 'SKU'];
    const row = (sku: string) => [...childLabels(family, held), sku];
    expect(readSheet(family, named, [row('OTHER')], {}, around).rows[0]).toMatchObject({
      verdict: 'refused',
      problems: [{ column: 'SKU', message: expect.stringContaining('is listed on Quayside') as string }],
    });
    expect(readSheet(family, named, [row(String(held.fields.sku))], {}, around).rows[0]!.verdict).toBe('same');
  });
});

describe('a sheet of few children over many values', () => {
  it('weaves what it names and nothing between, however many crossings the values have', () => {
    const family = createFamily({
      id: 'fsparse',
      fields: { name: 'Sparse' },
      axes: [
        { role: 'colour', label: 'Colour', values: [{ label: 'C0' }] },
        { role: 'other', label: 'Fit', values: [{ label: 'F0' }] },
      ],
      off: [],
    });
    // 180 × 180 crossings are more than a family may have; the sheet names 180 of them.
    const rows = Array.from({ length: 180 }, (_, at) => [`C${at}`, `F${(at * 7) % 180}`, `SKU-${at}`]);
    const after = take(family, readSheet(family, ['Option: Colour', 'Option: Fit', 'SKU'], rows, {}));
    const { woven } = familyIndex(after);
    expect(woven.filter((child) => child.fields.sku !== undefined)).toHaveLength(180);
    expect(Object.keys(after.children)).toHaveLength(180);
    const skuAt = (labels: string[]) =>
      woven.find((child) => childLabels(after, child).join() === labels.join())?.fields.sku;
    expect(rows.map(([colour, fit]) => skuAt([colour!, fit!]))).toEqual(rows.map((row) => row[2]));
  });
});
