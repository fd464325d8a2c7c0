/** Names in whatever form sellers write them: colours and sizes of many kinds, in many places, between many signs. Made up; common practice. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readList } from '../src/intake/families/readList';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { toldOf, toldOfNames } from './told';

const registry = openRegistry(emptyRegistry());
const GOODS = ['Harbour Tee', 'Ravine Fleece Jacket', "Men's Tide Hoodie", 'Kids Puffin Trousers'];

const FORMS = [
  ...['{n} {c} {s}', '{n} - {c} - {s}', '{n} – {c} / {s}', '{n} ({c}, {s})', '{n} [{c}] [{s}]', '{n}, {c}, {s}'],
  ...['{n} | {c} | {s}', '{c} {n} {s}', '{s} {c} {n}', '{n} {s} {c}', '{n} in {c}, size {s}', '{n}: {c}, {s}'],
  ...['{n} Color: {c} Size: {s}', '{n} / {c} / {s}', '{n} {c} Size {s}', '{n} Sz {s} {c}', '{n} {c} ({s})'],
  ...['{n} ({s}) {c}', '{n} - {s} - {c}', '{c} - {n} - {s}', '{n}; {c}; {s}', '{n} • {c} • {s}', '{n} {c}, Gr. {s}'],
  ...['{n} (Colour {c} - Size {s})', '{n}/{c}/{s}', '{n}|{c}|{s}', '{n} Farbe {c} Größe {s}', '{n} {c} {s} NEW'],
];
const COLOURS = [
  ...[
    'Navy, Black, Red',
    'Navy Blue, Forest Green, Off White',
    'Navy/White, Black/Red',
    'Navy & White, Black & Red, Ecru',
  ],
  ...['Navy and White, Black', 'Navy / White, Grey', 'Navy + White, Grey', 'Heather Grey, Navy Melange, Navy Fleck'],
  ...['Rust, Moss, Sand', 'Navy (401), Black (402)', 'Marineblau, Dunkelgrün', 'bleu marine, vert foncé'],
  ...[
    'Navy Stripe, Black Check, Red Floral',
    'Navy, Camo, Leopard',
    'NVY, BLK',
    'Light Wash, Dark Wash',
    'Gold, Silver',
  ],
  ...['Navy-White, Off-White', 'Leopard Print, Zebra Print, Black'],
];
const SIZES = [
  ...['S, M, L', 'L, XL, XXL, 3XL', '36, 38, 40', '41, 42, 43.5', '36 2/3, 37 1/3, 38', 'S/M, L/XL', '2-3Y, 4-5Y'],
  ...[
    '2-3 years, 4-5 years',
    '0-3M, 3-6M',
    'EU 38, EU 39',
    'UK 8, UK 10',
    'W32 L30, W34 L32',
    '75B, 80C',
    '104/110, 116/122',
  ],
  ...['38R, 40R', '2T, 3T', '1X, 2X, 3X', '7 1/4, 7 3/8', '8-10, 12-14', 'XXS, XS'],
];
const split = (text: string) => text.split(', ');

/** A list of the goods in every colour and size, with a price. */
function listOf(form: string, colours: readonly string[], sizes: readonly string[]) {
  const rows = GOODS.flatMap((goods) =>
    colours.flatMap((colour) =>
      sizes.map((size) => form.replace('{n}', goods).replace('{c}', colour).replace('{s}', size)),
    ),
  );
  return [['Name', 'Price'], ...rows.map((name) => [name, '19.00'])];
}

describe('names of four goods in all their colours and sizes', () => {
  it('are four families, whatever their form, their colours and their sizes', () => {
    const one = fc.tuple(fc.constantFrom(...FORMS), fc.constantFrom(...COLOURS), fc.constantFrom(...SIZES));
    fc.assert(
      fc.property(one, ([form, colours, sizes]) => {
        const { families, singles } = readList(registry, listOf(form, split(colours), split(sizes)));
        const of = split(colours).length * split(sizes).length;
        expect(singles).toEqual([]);
        expect(families.map(({ children }) => children.length)).toEqual(GOODS.map(() => of));
        for (const [at, { children, axes }] of families.entries()) {
          const rows = children.flatMap((child) => child.rows);
          expect(rows.every((row) => Math.floor((row - 2) / of) === at)).toBe(true);
          expect(axes.map(({ role }) => role).sort()).toEqual(['colour', 'size']);
        }
      }),
      { numRuns: 250, seed: 19, endOnFailure: true },
    );
  });
});

describe('colours', () => {
  it('of two words and signs between are one, with one key however they are joined', () => {
    expect(
      toldOfNames(`Cap Navy & White S
        Cap Navy and White M
        Cap Navy/White L
        Cap Red, White & Blue S`),
    ).toEqual(['Cap | Colour: Navy & White, Red, White & Blue | Size: S, M, L']);
  });
  it('have their numbers before or behind them, and makes keep theirs', () => {
    expect(
      toldOfNames(`Tee Navy 401 S
        Tee Navy 401 M
        Tee Black 100 S
        Tee Black 100 M`),
    ).toEqual(['Tee | Colour: Navy 401, Black 100 | Size: S, M']);
    expect(
      toldOfNames(`Boot 501 Navy 38
        Boot 501 Navy 39
        Boot 502 Navy 38
        Boot 502 Navy 39`),
    ).toEqual(['Boot 501 Navy | Size: 38, 39', 'Boot 502 Navy | Size: 38, 39']);
  });
  it('have their numbers in names whose sizes stand in a column', () => {
    const rows = ['Navy 401', 'Black (100)'].flatMap((c) => ['S', 'M'].map((s) => [`Harbour Tee ${c}`, s, '19']));
    expect(toldOf([['Name', 'Size', 'Price'], ...rows])).toEqual([
      'Harbour Tee | Size: S, M | Colour: Navy 401, Black (100)',
    ]);
    const heights = ['104', '110'].map((s) => [`Harbour Tee Navy ${s}`, s, '19']);
    expect(toldOf([['Name', 'Size', 'Price'], ...heights])).toEqual(['Harbour Tee Navy | Size: 104, 110']);
  });
  it('nobody knows are options where they stand behind goods of several kinds, and lines of goods are none', () => {
    const goods = ['Harbour Tee', 'Tide Smock'];
    const rows = goods.flatMap((one) => ['Tarn', 'Fjell'].flatMap((c) => ['S', 'M'].map((s) => `${one} ${c} ${s}`)));
    expect(toldOfNames(rows.join('\n'), '19')).toEqual([
      'Harbour Tee | Colour: Tarn, Fjell | Size: S, M',
      'Tide Smock | Colour: Tarn, Fjell | Size: S, M',
    ]);
    const lines = ["Men's Jacket Alpine", "Men's Jacket Coast", "Women's Jacket Alpine", "Women's Jacket Coast"];
    expect(toldOfNames(lines.flatMap((one) => [`${one} S`, `${one} M`]).join('\n'), '19')).toHaveLength(4);
  });
  it('of skin creams are what they smell of', () => {
    expect(toldOfNames('Hand Cream Lavender 75 ml\nHand Cream Rose 75 ml\nHand Cream Rose 150 ml', '8')).toEqual([
      'Hand Cream | Scent: Lavender, Rose | Volume: 75 ml, 150 ml',
    ]);
  });
  it('of candles may have words that no dictionary has', () => {
    const rows = ['White Tea', 'Sea Salt', 'Old Books'].flatMap((one) => [
      `Candle ${one} 120 ml`,
      `Candle ${one} 250 ml`,
    ]);
    expect(toldOfNames(rows.join('\n'), '12')).toEqual([
      'Candle | Scent: White Tea, Sea Salt, Old Books | Volume: 120 ml, 250 ml',
    ]);
  });
});

describe('sizes', () => {
  it('of two systems in one cell are one size and no list', () => {
    const rows = ['UK 8 / EU 36', 'UK 10 / EU 38'].flatMap((size) =>
      ['Navy', 'Black'].map((c) => ['Wren Dress', c, size]),
    );
    expect(toldOf([['Name', 'Colour', 'Size'], ...rows])).toEqual([
      'Wren Dress | Colour: Navy, Black | Size: UK 8 / EU 36, UK 10 / EU 38',
    ]);
  });
  it.each([
    'EU 38, EU 39',
    '8 (M), 10 (M)',
    '1X, 2X, 3X',
    '38R, 40L',
    '5, 5.5, 6',
    'Queen, King',
    'UK 8 / EU 36, UK 10 / EU 38',
  ])('go across as %s', (sizes) => {
    const head = ['Artikel', 'Farbe', ...split(sizes)];
    const pieces = split(sizes).map((_, at) => String(at + 1));
    expect(toldOf([head, ['Tide Smock', 'Navy', ...pieces], ['Tide Smock', 'Rust', ...pieces]])).toEqual([
      `Tide Smock | Farbe: Navy, Rust | Size: ${sizes}`,
    ]);
  });
  it('are for who is tall, and for men who are short', () => {
    expect(toldOfNames(['S', 'M', 'MT', 'XLT'].map((s) => `Surf Wetsuit ${s}`).join('\n'))).toEqual([
      'Surf Wetsuit | Size: S, M, MT, XLT',
    ]);
    expect(toldOfNames(['25', '26', '48', '50', '98', '102'].map((s) => `Sakko Emil ${s}`).join('\n'))).toHaveLength(1);
  });
});
