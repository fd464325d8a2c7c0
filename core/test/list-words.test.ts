/** Families of lists whose words no dictionary has, or has for something else. Which words a family is held by is common practice. */
import { describe, expect, it } from 'vitest';
import { type ListReading, readList } from '../src/intake/families/readList';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { houseList } from '../../e2e/messy/houseLists';
import { otherList, OTHER_SHAPES } from '../../e2e/messy/otherLists';
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
/** A list of names at one price: each option of the first kind with each of the second. */
const crossed = (nameOf: (first: string, second: string) => string, first: string, second: string): string =>
  first
    .split(', ')
    .flatMap((one) => second.split(', ').map((other) => `${nameOf(one, other)};40`))
    .join('\n');

describe('lists of another hand', () => {
  it.each(Object.keys(OTHER_SHAPES).flatMap((shape) => [false, true].map((isStrange) => [shape, isStrange] as const)))(
    'written as "%s" are read as they are meant, strange words: %s',
    (shape, isStrange) => {
      const lists = [7001, 7002].slice(0, rounds(1, 2)).map((seed) => otherList(shape, seed, isStrange));
      const { f1, precision, axes } = measuresOf(lists);
      expect(precision).toBeGreaterThanOrEqual(0.995);
      expect(f1).toBeGreaterThanOrEqual(0.99);
      expect(axes).toBeGreaterThanOrEqual(0.98);
    },
  );
});

describe('a word in the place of a colour', () => {
  it('is one where it is a pattern, a material or a thing beside colours', () => {
    expect(
      told(`Name;Price\n${crossed((c, s) => `Yoga Mat ${c} ${s}`, 'Navy, Camo, Navy Stripe', '170 cm, 180 cm')}`),
    ).toEqual(['Yoga Mat | colour: Navy, Camo, Navy Stripe | length: 170 cm, 180 cm']);
    expect(told('Product;Variation\nTote;Navy / L\nTote;Camo / L\nTote;Camo / XL\nTote;Navy / XL')).toEqual([
      'Tote | colour: Navy, Camo | size: L, XL',
    ]);
    expect(
      told(`Name;Price\n${crossed((c, s) => `Bird Feeder, ${c}, ${s}`, 'Nude, Navy, Camo', '250 g, 500 g')}`),
    ).toEqual(['Bird Feeder | colour: Nude, Navy, Camo | size: 250 g, 500 g']);
    expect(told(`Style;Name;Finish\nB1;Pole;Antique brass\nB1;Pole;Satin nickel`)[0]).toContain(
      'Antique brass, Satin nickel',
    );
  });
  it('is one though nobody knows it, whatever the goods are made of and wherever their sizes stand', () => {
    expect(
      told(`Name;Price\n${crossed((c, s) => `Linen Blazer, ${c}, ${s}`, 'Gunmetal, Zephyr', 'UK 6, UK 8')}`),
    ).toEqual(['Linen Blazer | colour: Gunmetal, Zephyr | size: UK 6, UK 8']);
    expect(
      told(`Name;Size;Price\n${crossed((c, s) => `Roll Jumper - ${c};${s}`, 'Zephyr, Winter Moss, Navy', 'S, M')}`),
    ).toEqual(['Roll Jumper | size: S, M | colour: Zephyr, Winter Moss, Navy']);
  });
  it('is one before the goods where the names of the list have their colours there, and a make elsewhere', () => {
    const front = ['Fell Parka', 'Tarn Vest', 'Dune Hat'].map((goods) =>
      crossed((c, s) => `${c} ${goods} ${s}`, goods === 'Dune Hat' ? 'Zephyr, Kestrel' : 'Navy, Red', 'S, M'),
    );
    expect(told(`Name;Price\n${front.join('\n')}`)).toContain('Dune Hat | colour: Zephyr, Kestrel | size: S, M');
    const makes = crossed((make, s) => `Kleid ${make} ${s}`, 'Mia, Anna', '36, 38, 40');
    expect(told(`Bezeichnung;Preis\n${makes}`)).toEqual([
      'Kleid Mia | size: 36, 38, 40',
      'Kleid Anna | size: 36, 38, 40',
    ]);
  });
  it('is no other make of goods in other sizes, nor one of another stuff', () => {
    const belts = `${crossed((c, s) => `Leather Belt, ${c}, ${s}`, 'Navy, Rust', '37, 38, 39')}\n${crossed((make, s) => `${make} Leather Belt, ${s}`, 'Umbra', 'XS, S, M')}`;
    expect(told(`Name;Price\n${belts}`)).toHaveLength(2);
    const socks = ['Bamboo Socks', 'Ski Socks'].map((goods) =>
      crossed((c, s) => `${c} ${goods} ${s}`, 'Navy, Rust', 'S, M'),
    );
    expect(told(`Name;Price\n${socks.join('\n')}`)).toHaveLength(2);
  });
});

describe('a word in the place of a size', () => {
  it.each([
    [
      'Bath Towel, %c, %s',
      'Single, Double, Super King',
      'Bath Towel | colour: Navy, Rust | size: Single, Double, Super King',
    ],
    ['Stacking ring - %c - size %s', 'J, L', 'Stacking ring | colour: Navy, Rust | size: J, L'],
    ['Barrel Trouser %c %s', '6 R, 8 R', 'Barrel Trouser | colour: Navy, Rust | size: 6 R, 8 R'],
    ['Selvedge Jeans %c %s', '32L, 34L', 'Selvedge Jeans | colour: Navy, Rust | size: 32L, 34L'],
    ['Rain barrel %c %s', '32L, 34L', 'Rain barrel | colour: Navy, Rust | volume: 32L, 34L'],
    ['Pyjama Set %c %s', 'A4, A5', 'Pyjama Set | colour: Navy, Rust | size: A5, A4'],
    ['Hex bolt %c %s', 'M6 x 20, M8 x 20', 'Hex bolt | colour: Navy, Rust | size: M6 x 20, M8 x 20'],
  ])('"%s" has the sizes %s', (form, sizes, family) => {
    const list = crossed((c, s) => form.replace('%c', c).replace('%s', s), 'Navy, Rust', sizes);
    expect(told(`Name;Price\n${list}`)).toEqual([family]);
  });
  it('of several kinds is one choice where every row has one of them', () => {
    expect(told('Product;Variation\nTrouser;Navy | 6 R\nTrouser;Navy | 8 R\nTrouser;Rust | 8 L')).toEqual([
      'Trouser | colour: Navy, Rust | size: 6 R, 8 R, 8 L',
    ]);
  });
  it('is none alone, in a name that is called so', () => {
    expect(told('Name;Price\nKing prawn dish, Navy;9\nKing prawn dish, Rust;9')).toEqual([
      'King prawn dish | colour: Navy, Rust',
    ]);
  });
});

describe('columns and codes', () => {
  it('have a header in any language, where what stands below is another kind of thing', () => {
    const { headerRows, columns, families } = read(
      '品名;色;サイズ;価格\nシャツ;白;S;3000\nシャツ;白;M;3000\nシャツ;黒;S;3000',
    );
    expect(headerRows).toEqual([1]);
    expect(families.map(({ children }) => children.length)).toEqual([3]);
    // A number under a word that nobody knows is not taken for pieces.
    expect(columns[3]!.meaning).toEqual({ is: 'ignored' });
    expect(told('Tuote;Väri;Koko;Hinta\nVillapaita;sininen;S;79,00\nVillapaita;harmaa;S;79,00')).toEqual([
      'Villapaita | colour: sininen, harmaa | size: S',
    ]);
  });
  it('of colours stand before their names in the name', () => {
    expect(
      told(
        `Name;Price\n${crossed((c, s) => `Yarn DK ${s} - ${c}`, '101 Ivory, 102 Mustard, 117 Zephyr', '50g, 100g')}`,
      ),
    ).toEqual(['Yarn DK | size: 50g, 100g | colour: 101 Ivory, 102 Mustard, 117 Zephyr']);
  });
  it('of colours by number and by name are the colours by name, numbers of lines are no pieces', () => {
    const list = 'Style;Item;Col. code;Col. name;Pos. no.\nA1;Tee;100;White;1\nA1;Tee;999;Black;2';
    expect(told(list)).toEqual(['Tee | colour: White, Black']);
    expect(read(list).columns.find(({ header }) => header === 'Pos. no.')?.meaning).toEqual({ is: 'ignored' });
  });
  it('of parents hold their own rows: "P1-0" is not "P10"', () => {
    const rows = [1, 10].map((n) => `P${n};;Hat ${n};\nP${n}-0;P${n};Hat ${n};Navy\nP${n}-1;P${n};Hat ${n};Rust`);
    const { families } = read(`Product ID;Parent ID;Name;Colour\n${rows.join('\n')}`);
    expect(families.map(({ parentRows, children }) => [parentRows, children.flatMap((one) => one.rows)])).toEqual([
      [[2], [3, 4]],
      [[5], [6, 7]],
    ]);
  });
  it('may say options as an object, and a column called a variant may hold codes', () => {
    expect(
      told('SKU;Name;Options\na1;Throw;{"colour":"Oat","size":"S"}\na2;Throw;{"colour":"Ink","size":"S"}'),
    ).toEqual(['Throw | colour: Oat, Ink | size: S']);
    const { columns, problems } = read(
      'Variant;Parent name;Attr;EAN\nTOP-1;Roll Top;Ecru | 6;\nTOP-2;Roll Top;Ecru | 8;\nTRS-1;Leg Trouser;Ecru | 8;',
    );
    expect(columns.map(({ meaning }) => (meaning.is === 'field' ? meaning.key : meaning.is))).toEqual([
      'sku',
      'parent',
      'options',
      'ignored',
    ]);
    expect(problems).toEqual([]);
  });
  it('of options may end with a sign by oversight, and say in many ways that one size is all', () => {
    expect(told('Name;Colour;Size\nTee;Navy*;S,\nTee;Navy.;M\nTee;Rust ;S\nTee;Rust;M')).toEqual([
      'Tee | colour: Navy, Rust | size: S, M',
    ]);
    expect(
      told('Name;Colour;Size\nScarf;Navy;OS\nScarf;Rust;One Size\nScarf;Moss;O/S\nScarf;Ecru;N/A\nScarf;Sand;'),
    ).toEqual(['Scarf | colour: Navy, Rust, Moss, Ecru, Sand']);
  });
  it('of goods have what a family shares at their head, though a size at their end is of two parts', () => {
    const { f1, axes } = measuresOf([91_001, 91_002, 91_003].map((seed) => houseList('skuStems', seed, true)));
    expect(f1).toBeGreaterThanOrEqual(0.995);
    expect(axes).toBeGreaterThanOrEqual(0.99);
  });
});
