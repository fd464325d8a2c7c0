/** Lists whose sizes go across with more than pieces below them: a number, a price or an SKU for each. Forms of order sheets; common practice. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { familyIndex } from '../src/family/weave';
import { gtinCheckDigit } from '../src/identifiers/gtin';
import { planList } from '../src/intake/importPlan/planList';
import { listReport } from '../src/intake/families/listReport';
import { readList } from '../src/intake/families/readList';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { EMPTY_SHELVES, shelvesWith, tableOf } from './shelves';

const registry = openRegistry(emptyRegistry());
/** Each child as one line: its values, SKU, GTIN, price, pieces. */
const told = (table: string[][]): string[] =>
  listReport(readList(registry, table)).families.flatMap(({ children }) =>
    children.map(({ at, sku, gtin, price, stock }) =>
      [...Object.values(at), sku ?? '-', gtin ?? '-', price ?? '-', stock ?? '-'].join(' '),
    ),
  );

describe('values that go across', () => {
  it('have prices below them where those are prices', () => {
    const list = `Name;Scent;120 ml;250 ml;500 ml
      Candle;Fig;9,90;14,90;24,90
      Candle;Moss;9,90;15;-`;
    expect(told(tableOf(list))).toEqual([
      'Fig 120 ml - - 9.90 -',
      'Fig 250 ml - - 14.90 -',
      'Fig 500 ml - - 24.90 -',
      'Moss 120 ml - - 9.90 -',
      'Moss 250 ml - - 15 -',
    ]);
  });

  it('are packs by their number of pieces', () => {
    const list = `Name;Scent;6 pieces;12 pieces;24 pieces
      Tealight;Fig;4.90;8.90;15.90
      Tealight;Moss;4.90;8.90;15.90`;
    expect(told(tableOf(list)).slice(0, 2)).toEqual(['Fig 6 pieces - - 4.90 -', 'Fig 12 pieces - - 8.90 -']);
  });

  it('stand again with prices behind their pieces: a price alone makes no child', () => {
    const list = `Name;Colour;S;M;L;S;M;L
      Tee;Navy;3;4;5;19.90;19.90;21.90
      Tee;Rust;3;0;;19.90;19.90;21.90`;
    expect(told(tableOf(list)).slice(3)).toEqual(['Rust S - - 19.90 3', 'Rust M - - 19.90 0']);
  });

  it('are no prices by quantity', () => {
    const list = `Name;SKU;Price 1;Price 2;Price 3
      Mug red;M-1;9.90;8.90;7.90
      Mug blue;M-2;9.90;8.90;7.90`;
    expect(told(tableOf(list))).toEqual(['red M-1 - 9.90 -', 'blue M-2 - 9.90 -']);
  });

  it('may have one number only once, in a row and between rows', () => {
    // 036000291452 is the worked example of a UPC-A in general use.
    const table = tableOf(`Name;Colour;EAN S;EAN M;EAN L
      Tee;Navy;036000291452;036000291452;4006381333931
      Tee;Rust;4006381333931;;`);
    const reading = readList(registry, table);
    expect(reading.problems.map(({ row, column, code, text }) => [row, column, code, text])).toEqual([
      [2, 'EAN M', 'gtin.twice', '2'],
      [3, 'EAN S', 'gtin.twice', '2'],
    ]);
    const rows = planList(registry, reading, { columns: {} }, EMPTY_SHELVES).flatMap((plan) => plan.rows);
    expect(rows.map(({ row, verdict }) => `${row} ${verdict}`)).toEqual([
      '2 newFamily',
      '2 refused',
      '2 newFamily',
      '3 refused',
    ]);
  });

  it('are what the seller says, with the value that the header has', () => {
    const table = tableOf(`Name;Colour;Ref. S;Ref. M
      Tee;Navy;T-N1;T-N2
      Tee;Rust;T-R1;T-R2`);
    const columns = Object.fromEntries(
      ['Ref. S', 'Ref. M'].map((header) => [
        header,
        { is: 'across', role: 'size', value: header, key: 'sku' } as const,
      ]),
    );
    const [family] = listReport(readList(registry, table, { columns })).families;
    expect(family!.children.map(({ at, sku }) => `${at.Size} ${sku}`)).toEqual([
      'S T-N1',
      'M T-N2',
      'S T-R1',
      'M T-R2',
    ]);
  });
});

describe('figures of each size across', () => {
  const HEADERS = { sku: 'SKU', gtin: 'EAN', price: 'Price', stock: 'Qty' } as const;
  type Key = keyof typeof HEADERS;
  const SIZES = [
    ['S', 'M', 'L', 'XL'],
    ['36', '37', '38', '39'],
    ['250 ml', '500 ml', '750 ml'],
  ];
  const COLOURS = ['Navy', 'Rust', 'Sage'];
  const FORMS = ['words before', 'words behind', 'sizes above', 'words above'] as const;

  const gtinOf = (body: string) => `${body}${gtinCheckDigit(body)}`;

  /** A list in one of four forms: header lines, then a row for each colour with its figures size by size, or kind by kind. */
  function listOf(form: (typeof FORMS)[number], keys: readonly Key[], sizes: readonly string[]) {
    const isBySize = form === 'words behind' || form === 'sizes above';
    const columns = isBySize
      ? sizes.flatMap((size) => keys.map((key) => ({ size, key })))
      : keys.flatMap((key) => sizes.map((size) => ({ size, key })));
    const once = (texts: readonly string[]) => texts.map((text, at) => (text === texts[at - 1] ? '' : text));
    const words = columns.map(({ key }) => HEADERS[key]);
    const values = columns.map(({ size }) => size);
    const header = {
      'words before': [['Name', 'Colour', ...columns.map(({ key, size }) => `${HEADERS[key]} ${size}`)]],
      'words behind': [['Name', 'Colour', ...columns.map(({ key, size }) => `${size} ${HEADERS[key]}`)]],
      'sizes above': [
        ['Name', 'Colour', ...once(values)],
        ['', '', ...words],
      ],
      'words above': [
        ['Name', 'Colour', ...once(words)],
        ['', '', ...values],
      ],
    }[form];
    const figure = (colour: number, size: number): Record<Key, string> => ({
      sku: `HT-${colour}${size}A`,
      gtin: gtinOf(`40063813${String(colour * 10 + size).padStart(4, '0')}`),
      price: `${19 + size}.90`,
      stock: String(colour + size),
    });
    const rows = COLOURS.map((colour, at) => [
      'Harbour tee',
      colour,
      ...columns.map(({ key, size }) => figure(at, sizes.indexOf(size))[key]),
    ]);
    const truth = COLOURS.flatMap((colour, at) =>
      sizes.map((size, place) => {
        const said = figure(at, place);
        const shown = (key: Key) => (keys.includes(key) ? said[key] : '-');
        return [colour, size, shown('sku'), shown('gtin'), shown('price'), shown('stock')].join(' ');
      }),
    );
    return { table: [...header, ...rows], truth };
  }

  it('are those of each child, and change nothing when they come again', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMS),
        fc.subarray(Object.keys(HEADERS) as Key[], { minLength: 1 }),
        fc.constantFrom(...SIZES),
        (form, keys, sizes) => {
          const { table, truth } = listOf(form, keys, sizes);
          expect(told(table)).toEqual(truth);
          const plan = (shelves: typeof EMPTY_SHELVES) =>
            planList(registry, readList(registry, table), { columns: {} }, shelves);
          const first = plan(EMPTY_SHELVES);
          const children = first.flatMap(({ family }) => (family ? familyIndex(family).woven : []));
          expect(children).toHaveLength(truth.length);
          if (keys.includes('sku')) expect(new Set(children.map(({ fields }) => fields.sku)).size).toBe(truth.length);
          const again = plan(shelvesWith(first)).flatMap(({ rows }) => rows);
          expect(again.every(({ verdict }) => verdict === 'same')).toBe(true);
        },
      ),
    );
  });
});

describe('a small table for each family', () => {
  const children = (text: string): string[] =>
    listReport(readList(registry, tableOf(text))).families.map(
      ({ name, children: own }) =>
        `${name}: ${own.map(({ at, stock }) => `${Object.values(at).join(' ')} ${stock}`).join(', ')}`,
    );
  const WANTED = ['Harbour tee: Navy S 3, Navy M 4, Rust S 2, Rust M 0', 'Tide smock: Navy M 1, Old Barn L 2'];

  it('is read whether its name stands beside the sizes or above them', () => {
    expect(
      children(`Harbour tee;S;M
        Navy;3;4
        Rust;2;0
        ;;
        Tide smock;M;L
        Navy;1;
        Old Barn;;2`),
    ).toEqual(WANTED);
    expect(
      children(`Order 12;;
        Harbour tee;;
        Colour;S;M
        Navy;3;4
        Rust;2;0
        Tide smock;;
        Colour;M;L
        Navy;1;
        Old Barn;;2`),
    ).toEqual(WANTED);
  });

  it('may have its colours across, other columns besides, and prices for pieces', () => {
    expect(
      told(
        tableOf(`Harbour tee;SKU;Navy;Rust
          S;HT-S;19.00;21.00
          M;HT-M;19.00;21.00
          Tide smock;SKU;Navy;Ecru
          S;TS-S;59.00;59.00`),
      ),
    ).toEqual([
      ...['S Navy - - 19.00 -', 'S Rust - - 21.00 -', 'M Navy - - 19.00 -', 'M Rust - - 21.00 -'],
      ...['S Navy - - 59.00 -', 'S Ecru - - 59.00 -'],
    ]);
  });

  it('is none where one header stands above all rows', () => {
    expect(
      children(`Name;S;M
        Harbour tee Navy;3;4
        Harbour tee Rust;2;0`),
    ).toEqual(['Harbour tee: S Navy 3, M Navy 4, S Rust 2, M Rust 0']);
  });
});
