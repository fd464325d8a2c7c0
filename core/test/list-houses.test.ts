/** Lists as houses keep them: numbers in names, half-filled columns, lines between rows, options in SKUs alone. What they mean is common practice. */
import { describe, expect, it } from 'vitest';
import { type ListReading, readList } from '../src/intake/families/readList';
import { type ListSettlement, NO_SETTLEMENT } from '../src/intake/families/settlement';
import { NO_MAPPING } from '../src/intake/table/shape';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { houseList, HOUSE_SHAPES } from '../../e2e/messy/houseLists';
import { tableOf } from './shelves';
import { measuresOf } from './told';
import { rounds } from '../../e2e/howMuch';

const registry = openRegistry(emptyRegistry());
const read = (text: string): ListReading => readList(registry, tableOf(text));
/** Families as one line each: name, and axes with their values. */
const told = (text: string): string[] =>
  read(text).families.map(
    ({ name, axes }) => `${name} | ${axes.map(({ role, values }) => `${role}: ${values.join(', ')}`).join(' | ')}`,
  );
const names = (...lines: string[]) => `Name;Price\n${lines.map((line) => `${line};40`).join('\n')}`;

describe('lists as houses keep them', () => {
  it.each(Object.keys(HOUSE_SHAPES).flatMap((shape) => [false, true].map((isStrange) => [shape, isStrange] as const)))(
    'kept as "%s" are read as they are meant, strange words: %s',
    (shape, isStrange) => {
      const lists = [8001, 8002].slice(0, rounds(1, 2)).map((seed) => houseList(shape, seed, isStrange));
      const { f1, precision, axes } = measuresOf(lists);
      expect(precision).toBeGreaterThanOrEqual(0.995);
      expect(f1).toBeGreaterThanOrEqual(0.97);
      expect(axes).toBeGreaterThanOrEqual(0.96);
    },
  );
});

describe('numbers and codes', () => {
  it('in names are no words of them, first or last', () => {
    const rows = ['Jeans Plum S', 'Jeans Plum M', 'Jeans Rust S', 'Tote Rust', 'Tote Ink', 'Care Kit'];
    const first = read(names(...rows.map((row, at) => `[5806${at}-00] ${row}`)));
    expect(first.families.map(({ name, children }) => [name, children.length])).toEqual([
      ['Jeans', 3],
      ['Tote', 2],
    ]);
    expect(first.singles.map(({ name }) => name)).toEqual(['Care Kit']);
    expect(told(names(...rows.map((row, at) => `${row} (400600000${at}01)`)))).toEqual(
      told(names(...rows.map((row, at) => `[5806${at}-00] ${row}`))),
    );
  });
  it('are all that is taken out of the name of goods sold singly', () => {
    const rows = ['Tarn Cap Navy;Navy', 'Fell Hat Rust;Rust', 'Cove Bag Ink;Ink'];
    const { singles } = read(`Name;Colour;Price\n${rows.map((row) => `${row};9`).join('\n')}`);
    expect(singles.map(({ name }) => name)).toEqual(['Tarn Cap Navy', 'Fell Hat Rust', 'Cove Bag Ink']);
  });
  it('of posters are sizes, though each stands there once', () => {
    expect(
      told(names(...['50x70', '70x100', '100x140', '30x40', '21x30', '13x18'].map((size) => `Poster ${size}`))),
    ).toEqual(['Poster | size: 13x18, 21x30, 30x40, 50x70, 70x100, 100x140']);
  });
  it('say colours and sizes where names do not', () => {
    expect(
      told('sku;name;price\n230_royalblue_5.5;Loafers;50\n230_royalblue_6;Loafers;50\n230_offwhite_6;Loafers;50'),
    ).toEqual(['Loafers | colour: Royal Blue, Off White | size: 5.5, 6']);
    // "0-3M" has a sign of its own, and what the name says is not said again.
    expect(told('sku;name\nA1_0-3m;Romper\nA1_3-6m;Romper\nA1_6-9m;Romper')).toEqual([
      'Romper | size: 0-3M, 3-6M, 6-9M',
    ]);
    expect(told('sku;name\nHJ-NVY-S;Hoodie Navy\nHJ-NVY-M;Hoodie Navy\nHJ-RST-M;Hoodie Rust')).toEqual([
      'Hoodie | colour: Navy, Rust | size: S, M',
    ]);
  });
  it('of a style with its colour hold the style together', () => {
    const goods = ['Track Jacket', 'Bath Towel', 'Loafers'].flatMap((name, style) =>
      ['Rust', 'Nimbus', 'Ecru', 'Hearth'].flatMap((colour, at) =>
        ['S', 'M'].map((size) => `9${style}0-00${at};${name} ${colour};${size};40`),
      ),
    );
    expect(read(`Style/Colour;Description;Size;Price\n${goods.join('\n')}`).families.map(({ style }) => style)).toEqual(
      [...['900', '910', '920']],
    );
    expect(told(`Style/Colour;Description;Size;Price\n${goods.join('\n')}`)).toEqual(
      ['Track Jacket', 'Bath Towel', 'Loafers'].map(
        (name) => `${name} | size: S, M | colour: Rust, Nimbus, Ecru, Hearth`,
      ),
    );
  });
});

describe('columns', () => {
  it('without names have them in the lines between the rows', () => {
    const { columns, families } = read(
      'Colour;Size;Qty\nElowen Hoodie;;\nNavy;S;1\nRust;S;1\nRust Tote;;\nInk;;2\nOat;;2',
    );
    expect(columns.at(-1)).toMatchObject({ meaning: { is: 'field', key: 'name' }, reason: 'headings' });
    expect(
      families.map(({ name, parentRows, children }) => [name, parentRows, children.flatMap(({ rows }) => rows)]),
    ).toEqual([
      ['Elowen Hoodie', [2], [3, 4]],
      ['Rust Tote', [5], [6, 7]],
    ]);
  });
  it('without names keep their lines with what the seller makes of the rows below', () => {
    const list =
      'Colour;Size;Qty\nElowen Hoodie;;\nNavy;S;1\nNavy;M;1\nRust;S;1\nRust;M;1\nRust Tote;;\nInk;;2\nOat;;2';
    const settled = (settlement: Partial<ListSettlement>) => {
      const { families, singles } = readList(registry, tableOf(list), NO_MAPPING, { ...NO_SETTLEMENT, ...settlement });
      return {
        families: families.map(({ name, parentRows }) => [name, ...parentRows]),
        singles: singles.map(({ rows }) => rows),
      };
    };
    // Parted by colour, the line goes with the first of the two; left out, it goes with its rows.
    expect(settled({ groups: { 3: 'a', 4: 'a', 5: 'b', 6: 'b' } })).toEqual({
      families: [['Elowen Hoodie', 2], ['Elowen Hoodie'], ['Rust Tote', 7]],
      singles: [],
    });
    expect(settled({ leftOut: [3, 4, 5, 6] })).toEqual({ families: [['Rust Tote', 7]], singles: [] });
    expect(settled({ leftOut: [3, 7] }).families).toEqual([['Elowen Hoodie', 2], ['Rust Tote']]);
  });
  it('without names may have their colours in such lines, too', () => {
    const rows = (goods: string, ...colours: string[]) =>
      `${goods};;\n${colours.map((colour) => `${colour};;\nS;1;39\nM;2;39`).join('\n')}`;
    const list = `Size;Qty;Price\n${rows('Elowen Hoodie', 'Navy', 'Rust')}\n${rows('Larkspur Tee', 'White', 'Ink')}`;
    expect(told(list)).toEqual([
      'Elowen Hoodie | size: S, M | colour: Navy, Rust',
      'Larkspur Tee | size: S, M | colour: White, Ink',
    ]);
    expect(read(list).skipped.map(({ row, why }) => `${row} ${why}`)).toEqual(
      [3, 6, 10, 13].map((row) => `${row} section`),
    );
  });
  it('that name no brand leave it to the headings, where the same goods stand below several', () => {
    const list = (price: number) =>
      `Name;Colour;Price\nTen Acre;;\nHoodie;Navy;39\nHoodie;Rust;39\nHollis;;\nHoodie;Navy;${price}\nHoodie;Ink;${price}`;
    expect(told(list(49))).toEqual(['Hoodie | colour: Navy, Rust', 'Hoodie | colour: Navy, Ink']);
    expect(told(list(39))).toEqual(['Hoodie | colour: Navy, Rust, Ink']);
  });
  it('of style codes are no names where lines between the rows are, and are where those say kinds of goods', () => {
    const list = (kind: string) => `Style;Colour;Size\n${kind};;\nA1-001;Navy;S\nA1-002;Rust;S\nA1-002;Rust;M`;
    expect(told(list('Elowen Hoodie'))).toEqual(['Elowen Hoodie | colour: Navy, Rust | size: S, M']);
    expect(told(list('Knitwear'))).toEqual(['A1-002 | colour: Rust | size: S, M']);
  });
  it('half filled leave the other half to the names', () => {
    expect(
      told(
        'Name;Colour;Size;Price\nHoodie;Navy;S;9\nHoodie;Rust;S;9\nTote;Ink;;9\nTote;Oat;;9\nParka Rust S;;;9\nParka Navy S;;;9\nParka Navy M;;;9',
      ),
    ).toEqual([
      'Hoodie | colour: Navy, Rust | size: S',
      'Tote | colour: Ink, Oat',
      'Parka | colour: Rust, Navy | size: S, M',
    ]);
  });
  it('of names empty below another parent take no name from it', () => {
    const list =
      'SKU;Parent;Name;Colour\nP2;;Silk Scarf;\nP1-1;P1;;Navy\nP1-2;P1;;Rust\nP2-1;P2;;Ink\nP1;;Rain Hat;\nP2-2;P2;;Oat';
    expect(told(list)).toEqual(['Rain Hat | colour: Navy, Rust', 'Silk Scarf | colour: Ink, Oat']);
  });
  it('that name no kind of option mean what each family has there', () => {
    expect(
      told(
        'Product;Option;Option 2\nHoodie;Navy;S\nHoodie;Rust;M\nTee;Ink;S\nTee;Oat;M\nHand Soap;Fig;120 ml\nHand Soap;Sea Salt;200 ml\nRing;Silver;50\nRing;Gold;52',
      ),
    ).toEqual([
      'Hoodie | colour: Navy, Rust | size: S, M',
      'Tee | colour: Ink, Oat | size: S, M',
      'Hand Soap | other: Fig, Sea Salt | volume: 120 ml, 200 ml',
      'Ring | material: Silver, Gold | size: 50, 52',
    ]);
    expect(
      told('SKU;Item;Attribute 1;Attribute 2\na;Tee;Nimbus;S\nb;Tee;Hearth;M\nc;Cap;Navy;S\nd;Cap;Oxbow;M'),
    ).toEqual(['Tee | colour: Nimbus, Hearth | size: S, M', 'Cap | colour: Navy, Oxbow | size: S, M']);
  });
});

describe('sizes across', () => {
  const pieces = ({ families, figures }: ListReading) =>
    families.map(({ key, children }) =>
      children
        .map(({ at }, place) => `${Object.values(at).join(' ')}: ${figures.get(key)![place]!.stock ?? 0}`)
        .join(', '),
    );
  it('that the header says anew on the way down are those of the rows below it', () => {
    const reading = read(
      'Style;Name;Colour;S;M;RRP\nA1;Hoodie;Navy;3;4;39\nA1;Hoodie;Rust;5;;39\nStyle;Name;Colour;36;37;RRP\nB1;Boots;Navy;1;;89\nB1;Boots;Rust;;2;89',
    );
    expect(pieces(reading)).toEqual(['Navy S: 3, Navy M: 4, Rust S: 5', 'Navy 36: 1, Rust 37: 2']);
    expect(reading.skipped).toEqual([{ row: 4, why: 'header' }]);
    expect(reading.problems).toEqual([]);
  });
  it('may stand in lines of their own below "Size 1, Size 2"', () => {
    const reading = read(
      'Name;Size 1;Size 2;Size 3;Price\n;S;M;L;\nHoodie Navy;3;4;;39\nHoodie Rust;3;;5;39\n;36;37;38;\nBoots Navy;1;;2;89\nBoots Rust;1;;;89',
    );
    expect(pieces(reading)).toEqual([
      'S Navy: 3, M Navy: 4, S Rust: 3, L Rust: 5',
      '36 Navy: 1, 38 Navy: 2, 36 Rust: 1',
    ]);
  });
  it('are no sizes where they are pieces of goods that are named above', () => {
    expect(pieces(read('Name;Colour;S;M;Price\nHoodie;Navy;3;4;39\n;Rust;36;38;39'))).toEqual([
      'Navy S: 3, Navy M: 4, Rust S: 36, Rust M: 38',
    ]);
  });
});

describe('words of a name', () => {
  it('are its colour where it says so, up to the next sign', () => {
    expect(
      told(
        names('Chinos, colour River Bed, size 8', 'Chinos, colour Navy, size 8', 'Chinos, colour Old Barn, size 10'),
      ),
    ).toEqual(['Chinos | colour: River Bed, Navy, Old Barn | size: 8, 10']);
  });
  it('are of the colour they stand beside, where signs set them apart', () => {
    expect(told(names('Rug – Rust / S', 'Rug – Rust / M', 'Rug – White Tea / S', 'Rug – White Tea / M'))).toEqual([
      'Rug | colour: Rust, White Tea | size: S, M',
    ]);
  });
  it('are colours where they are so in another family, or in a column', () => {
    const sure = ['Parka', 'Gilet'].flatMap((goods) =>
      ['Oxbow', 'Hearth', 'Navy'].flatMap((colour) => ['S', 'M'].map((size) => `${goods} ${colour} ${size};40`)),
    );
    const open = ['Laptop Sleeve Oxbow;40', 'Laptop Sleeve Hearth;45'];
    expect(told(`Name;Price\n${[...sure, ...open].join('\n')}`)).toContain('Laptop Sleeve | colour: Oxbow, Hearth');
    const inColumn = ['Parka;Oxbow;40', 'Parka;Hearth;40', 'Tote Navy;;9', 'Tote Rust;;9', 'Tote Oxbow;;15'];
    expect(told(`Name;Colour;Price\n${inColumn.join('\n')}`)).toContain('Tote | colour: Navy, Rust, Oxbow');
    expect(told(`Name;Price\n${open.join('\n')}`)).toEqual([]);
  });
  it('are scents, flavours and metals where the goods have those', () => {
    expect(told(names('Soy Candle - Amber', 'Soy Candle - Lavender'))).toEqual(['Soy Candle | other: Amber, Lavender']);
    expect(told(names('Signet Ring - Silver', 'Signet Ring - Rose Gold'))).toEqual([
      'Signet Ring | material: Silver, Rose Gold',
    ]);
    // A candle is red or white, and a mug for coffee comes in colours.
    expect(told(names('Pillar Candle - Red', 'Pillar Candle - White'))).toEqual(['Pillar Candle | colour: Red, White']);
    expect(told(names('Coffee Mug - Sage', 'Coffee Mug - Rust'))).toEqual(['Coffee Mug | colour: Sage, Rust']);
  });
  it('are one colour shortened and in full', () => {
    expect(told(names('Tee Nvy S', 'Tee Navy M', 'Tee Lt Gry S', 'Tee Light Grey M'))).toEqual([
      'Tee | colour: Navy, Light Grey | size: S, M',
    ]);
  });
  it('are sizes of beds behind the goods, and words of the name before them', () => {
    expect(told(names('Flat Sheet Rust Full', 'Flat Sheet Rust Twin', 'Quilt - T. Queen', 'Quilt - T. King'))).toEqual([
      'Flat Sheet Rust | size: Twin, Full',
      'Quilt | size: Queen, King',
    ]);
    expect(
      told(names('Full Zip Hoodie S', 'Full Zip Hoodie M', 'Double Zip Hoodie S', 'Double Zip Hoodie M')),
    ).toHaveLength(2);
  });
  it.each([
    ['32W 30L, 32W 32L, 34W 32L', 'Work Trousers'],
    ['5½, 6, 6 1/2', 'Loafers'],
    ['UK 5 1/2, UK 6', 'Boots'],
    ['0, 2, 4', 'Culottes'],
    ['2 person, 3 person', 'Tent'],
    ['64GB, 500 GB, 1 TB', 'USB Stick'],
    ['10 mm x 20 m, 12 mm x 20 m', 'Rope'],
    ['46" x 54", 66" x 72"', 'Curtain'],
  ])('"%s" are sizes of "%s"', (sizes, goods) => {
    const [{ axes } = { axes: [] }] = read(
      names(...sizes.split(', ').map((size) => `Kelda ${goods} ${size}`)),
    ).families;
    expect(axes).toMatchObject([{ role: 'size', values: sizes.split(', ') }]);
  });
  it('such as "2.0 M" are letters beside other letters, and metres of rope', () => {
    expect(told(names('Fell Jacket S', 'Fell Jacket M', 'Fell Jacket 2.0 S', 'Fell Jacket 2.0 M'))).toEqual([
      'Fell Jacket | size: S, M',
      'Fell Jacket 2.0 | size: S, M',
    ]);
    expect(told(names('Rope 2 m', 'Rope 3 m'))).toEqual(['Rope | length: 2 m, 3 m']);
  });
  it('may be tens of thousands, which is a text and no name that differs by one', () => {
    const text = Array<string>(30_000).fill('Old Barn').join(' ');
    const { families, singles } = read(
      names(text, `${text} Navy`, 'Tee Navy', 'Tee Rust', `Size: ${'size: '.repeat(30_000)}`),
    );
    expect(families.map(({ name }) => name)).toContain('Tee');
    expect(families.length + singles.length).toBeGreaterThan(1);
  });
  it('such as a season beside a number are no sizes', () => {
    expect(told(names('AW26 Culottes 4 NEW', 'AW26 Culottes 6 NEW', 'AW26 Culottes 8 NEW'))).toEqual([
      'AW26 Culottes NEW | size: 4, 6, 8',
    ]);
  });
  it('are the size of this row and the shade of that one: "Medium Grey" beside "Large Grey"', () => {
    expect(
      told(names('Shirt Medium Heather Grey', 'Shirt Large Heather Grey', 'Shirt Medium Navy', 'Shirt Large Navy')),
    ).toEqual(['Shirt | size: Medium, Large | colour: Heather Grey, Navy']);
  });
});
