/** Colours by an open list of names (color-name-list, MIT), none of which was looked at: a third of all colours, and all of them where signs part the names. */
import { describe, expect, it } from 'vitest';
import { BLANK_BELOW, openColourList, PARTED, UNPARTED } from '../../e2e/messy/openColours';
import { readList } from '../src/intake/families/readList';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { measuresOf, toldOf, toldOfNames } from './told';

const measured = (way: string, odd: number) =>
  measuresOf([4001, 4002, 4003].map((seed) => openColourList(way, seed, odd)));

describe('goods in colours of whatever name', () => {
  it.each(
    [...Object.keys(PARTED), ...Object.keys(UNPARTED), BLANK_BELOW].flatMap((way) =>
      [0, 0.3].map((odd) => [way, odd] as const),
    ),
  )('written as "%s" are found, of all colours %s odd ones', (way, odd) => {
    const { precision, f1, axes, called } = measured(way, odd);
    expect(precision).toBeGreaterThanOrEqual(0.999);
    expect(f1).toBeGreaterThanOrEqual(way in UNPARTED ? 0.985 : 0.999);
    expect(axes).toBeGreaterThanOrEqual(0.975);
    expect(called).toBeGreaterThanOrEqual(way in UNPARTED && odd > 0 ? 0.95 : 0.98);
  });
  it.each([...Object.keys(PARTED), BLANK_BELOW])('written as "%s" are found where every colour may be odd', (way) => {
    const { precision, f1, axes } = measured(way, 1);
    expect(precision).toBeGreaterThanOrEqual(0.999);
    expect(f1).toBeGreaterThanOrEqual(0.99);
    expect(axes).toBeGreaterThanOrEqual(0.98);
  });
});

describe('parts of names that signs set apart', () => {
  it('are colours where others of the list are, whatever words are in them', () => {
    expect(
      toldOfNames(
        `Fell Jacket - Navy - S
        Fell Jacket - Navy - M
        Fell Jacket - Silver Birch - S
        Fell Jacket - Girl Crush - S
        Tarn Vest - Black - S
        Tarn Vest - Black - M
        Tarn Vest - Bento Box - S`,
        '49.00',
      ),
    ).toEqual([
      'Fell Jacket | Colour: Navy, Silver Birch, Girl Crush | Size: S, M',
      'Tarn Vest | Colour: Black, Bento Box | Size: S, M',
    ]);
  });
  it('are told as in doubt where no word of them is a colour, as they are written', () => {
    const rows = ['Navy', 'Girl Crush', 'Petal Pink'].map((colour) => [`Fell Jacket - ${colour}`, '49']);
    const { families } = readList(openRegistry(emptyRegistry()), [['Name', 'Price'], ...rows]);
    expect(families.flatMap(({ doubts }) => doubts)).toEqual([{ row: 3, code: 'unknownWord', text: 'Girl Crush' }]);
  });
  it('may stand before the goods, or behind a brand', () => {
    for (const nameOf of [
      (goods: string, colour: string) => `${colour} - ${goods}`,
      (goods: string, colour: string) => `Hauk - ${goods} - ${colour}`,
    ])
      expect(
        toldOfNames(
          ['Navy', 'White', 'Girl Crush']
            .flatMap((colour) => [nameOf('Fell Jacket', colour), nameOf('Tarn Vest', colour)])
            .join('\n'),
          '49.00',
        ).map((line) => line.replace('Hauk - ', '')),
      ).toEqual(['Fell Jacket', 'Tarn Vest'].map((name) => `${name} | Colour: Navy, White, Girl Crush`));
  });
  it('are other goods where they cost something else, or come in other sizes', () => {
    const prices: Record<string, string> = { 'Gift Box': '9', 'Care Kit': '49' };
    const parts = ['Navy - S', 'Navy - M', 'Rust - S', 'Gift Box', 'Care Kit'];
    expect(
      toldOf([['Name', 'Price'], ...parts.map((part) => [`Fell Jacket - ${part}`, prices[part] ?? '49'])]),
    ).toEqual(['Fell Jacket | Colour: Navy, Rust | Size: S, M', 'Fell Jacket - Gift Box', 'Fell Jacket - Care Kit']);
  });
  it('cost more in larger sizes', () => {
    const rows = ['Girl Crush', 'Navy', 'Rust'].flatMap((colour) => [
      [`Flask, ${colour}, 300 ml`, '9'],
      [`Flask, ${colour}, 1 l`, '19'],
    ]);
    expect(toldOf([['Name', 'Price'], ...rows])).toEqual([
      'Flask | Colour: Girl Crush, Navy, Rust | Volume: 300 ml, 1 l',
    ]);
  });
  it('are patterns where all that are known are', () => {
    const names = ['Tote - Checked', 'Tote - Striped', 'Tote - Zephyr Moon', 'Cap - Navy', 'Cap - Rust'];
    expect(toldOfNames(names.join('\n'), '9')).toEqual([
      'Tote | Pattern: Checked, Striped, Zephyr Moon',
      'Cap | Colour: Navy, Rust',
    ]);
  });
  it('are cries of a shop, and no colours beside them', () => {
    const names = ['Tee Navy - SALE', 'Tee Rust - SALE', 'Cap Navy - SALE', 'Cap Rust - SALE'];
    expect(toldOfNames(names.join('\n'), '9')).toEqual([
      'Tee - SALE | Colour: Navy, Rust',
      'Cap - SALE | Colour: Navy, Rust',
    ]);
  });
});

describe('words beside a colour', () => {
  const names = (stem: string, colours: string, sizes: string) =>
    colours.split(', ').flatMap((colour) => sizes.split(' ').map((size) => `${stem} ${colour} ${size}`));
  it.each([
    ['behind it', 'Mint Green, Black, Red Inferno'],
    ['before it, beside that colour alone', 'White, Red, Miyamoto Red'],
    ['behind a material', 'Navy, Cotton Candy, Velvet Magic'],
    ['of other goods', 'Navy, Rust, Mount Olympus'],
  ])('are of it, %s', (_, colours) => {
    expect(toldOfNames(names('Lion Blazer', colours, '8 12 14').join('\n'), '49')).toEqual([
      `Lion Blazer | Colour: ${colours} | Size: 8, 12, 14`,
    ]);
  });
  it('are materials that cross colours, though other goods of the name have none', () => {
    const crossed = names('Harbour Apron', 'Plum Canvas, Plum Linen, Olive Linen', '').concat('Harbour Apron Ecru');
    expect(toldOfNames(crossed.join('\n'))).toContain('Harbour Apron | Colour: Plum, Olive | Material: Canvas, Linen');
  });
  it('are of goods at another price', () => {
    const rows = [
      ...names('Lion Blazer', 'Navy, Rust', 'S M').map((name) => [name, '49']),
      ...names('Lion Blazer', 'Red Inferno', 'S M').map((name) => [name, '79']),
    ];
    expect(toldOf([['Name', 'Price'], ...rows])).toHaveLength(2);
  });
  it('are of the nearest goods', () => {
    const mia = names('Jeans Mia', 'Navy, Sea Robe', '28 30');
    const ida = names('Jeans Ida', 'Rust, Kiss Robe', '28 30');
    expect(toldOfNames([...mia, ...ida].join('\n'), '49')).toEqual([
      'Jeans Mia | Colour: Navy, Sea Robe | Size: 28, 30',
      'Jeans Ida | Colour: Rust, Kiss Robe | Size: 28, 30',
    ]);
  });
  it('are goods that colours are called by', () => {
    expect(
      toldOfNames(
        [...names('Alp Water Bottle', 'Green, Navy', '1l 2l'), ...names('Fell Coat', 'Bottle Green, Navy', 'S M')].join(
          '\n',
        ),
      ),
    ).toEqual([
      'Alp Water Bottle | Colour: Green, Navy | Volume: 1l, 2l',
      'Fell Coat | Colour: Bottle Green, Navy | Size: S, M',
    ]);
  });
  it('are no sizes before goods that have sizes', () => {
    expect(toldOfNames(names('Small Silk Shoes', 'Navy, Rust', '37 38 39').join('\n'))).toEqual([
      'Small Silk Shoes | Colour: Navy, Rust | Size: 37, 38, 39',
    ]);
  });
});
