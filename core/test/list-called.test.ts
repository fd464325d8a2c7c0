/** Goods that are called by colours, and colours that stand beside them. */
import { describe, expect, it } from 'vitest';
import { calledList, CALLED_SHAPES } from '../../e2e/messy/calledLists';
import { measuresOf, toldOf, toldOfNames } from './told';
import { rounds } from '../../e2e/howMuch';

describe('goods that are called by colours', () => {
  it.each(Object.keys(CALLED_SHAPES).flatMap((shape) => [false, true].map((isStrange) => [shape, isStrange] as const)))(
    'written as "%s" are read as they are meant, strange words: %s',
    (shape, isStrange) => {
      const lists = [6001, 6002, 6003].slice(0, rounds(1, 3)).map((seed) => calledList(shape, seed, isStrange));
      const { f1, precision, axes } = measuresOf(lists);
      expect(precision).toBeGreaterThanOrEqual(0.999);
      expect(f1).toBeGreaterThanOrEqual(0.99);
      expect(axes).toBeGreaterThanOrEqual(0.95);
    },
  );
  it('are so in every name, as those tell that have a colour besides', () => {
    expect(
      toldOfNames(`Blue Harbour Smock Navy S
        Blue Harbour Smock Navy M
        Blue Harbour Smock Thrift S
        Blue Harbour Smock Thrift M
        Blue Harbour Cap Rust
        Blue Harbour Cap Navy`),
    ).toEqual(['Blue Harbour Smock | Colour: Navy, Thrift | Size: S, M', 'Blue Harbour Cap | Colour: Rust, Navy']);
  });
  it('may be called by a metal', () => {
    expect(
      toldOfNames(`Copper Kettle Loafers - Navy - 37
        Copper Kettle Loafers - Navy - 38
        Copper Kettle Loafers - Thrift - 37
        Copper Kettle Loafers - Thrift - 38`),
    ).toEqual(['Copper Kettle Loafers | Colour: Navy, Thrift | Size: 37, 38']);
  });
  it('stand behind their colours', () => {
    expect(
      toldOfNames(`Cream Olive Grove Throw
        Dark Red Olive Grove Throw
        White Olive Grove Throw
        Rose Gold Olive Grove Throw`),
    ).toEqual(['Olive Grove Throw | Colour: Cream, Dark Red, White, Rose Gold']);
    expect(toldOfNames('Forest Green Apron\nSage Green Apron\nMint Green Apron')).toEqual([
      'Apron | Colour: Forest Green, Sage Green, Mint Green',
    ]);
  });
  it('are called so where a column has their colours', () => {
    expect(
      toldOf([
        ['Name', 'Option', 'Price'],
        ['Blue Harbour Smock M', 'Thrift', '89'],
        ['Blue Harbour Smock L', 'Thrift', '89'],
        ['Blue Harbour Smock L', 'Rust', '89'],
      ]),
    ).toEqual(['Blue Harbour Smock | Colour: Thrift, Rust | Size: M, L']);
  });
  it('come in other greens and blues where the same word follows', () => {
    expect(toldOfNames('Blue Harbour Mug\nGreen Harbour Mug\nRed Harbour Mug')).toEqual([
      'Harbour Mug | Colour: Blue, Green, Red',
    ]);
  });
});

describe('colours', () => {
  it('are metals, too, where the other rows have colours', () => {
    expect(
      toldOfNames(`Mittens Rose Gold S
        Mittens Rose Gold M
        Mittens Navy S
        Mittens Navy M
        Mittens Skerry S
        Mittens Skerry M
        Tote Rust
        Tote Navy`),
    ).toEqual(['Mittens | Colour: Rose Gold, Navy, Skerry | Size: S, M', 'Tote | Colour: Rust, Navy']);
  });
  it('have words of other goods in them where signs set them apart', () => {
    expect(toldOfNames('Smock - River Bed - S\nSmock - River Bed - M\nSmock - Navy - S\nSmock - Navy - M')).toEqual([
      'Smock | Colour: River Bed, Navy | Size: S, M',
    ]);
    expect(toldOfNames('Fell Range - Camp Chair\nFell Range - Trek Tent')).toEqual([
      'Fell Range - Camp Chair',
      'Fell Range - Trek Tent',
    ]);
  });
  it('are what a column called "Option" has, where most of it is', () => {
    const rows = (name: string, ...options: string[]) => options.map((option) => [name, option]);
    expect(
      toldOf([
        ['Name', 'Option'],
        ...rows('Smock', 'Navy', 'Rust', 'Skerry'),
        ...rows('Tote', 'Navy', 'Sage', 'Ecru'),
        ...rows('Cap', 'Fjell', 'Selkie'),
        ...rows('Tee', 'S', 'M', 'L'),
      ]),
    ).toEqual([
      'Smock | Colour: Navy, Rust, Skerry',
      'Tote | Colour: Navy, Sage, Ecru',
      'Cap | Colour: Fjell, Selkie',
      'Tee | Size: S, M, L',
    ]);
  });
  it('of candles are scents, unless they end in one', () => {
    expect(toldOfNames('Candle Honey\nCandle Vanilla\nCandle Cedar')).toEqual([
      'Candle | Scent: Honey, Vanilla, Cedar',
    ]);
    expect(toldOfNames('Candle Black\nCandle Forest Green\nCandle Off White')).toEqual([
      'Candle | Colour: Black, Forest Green, Off White',
    ]);
  });
});
