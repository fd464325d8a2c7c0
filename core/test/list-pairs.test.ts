/** Names that say two of a kind, or what only the rest of the list tells: measures, sizes said twice, numbers of shades. Made up; common practice. */
import { describe, expect, it } from 'vitest';
import { readList } from '../src/intake/families/readList';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { toldOfNames } from './told';

const registry = openRegistry(emptyRegistry());

const told = (names: string): string[] => toldOfNames(names, '19.00');

describe('two measures of one kind in a name', () => {
  it('are two choices where they cross, and no row is lost', () => {
    expect(
      told(`Circular needle 3.5 mm 80 cm
        Circular needle 4 mm 80 cm
        Circular needle 4 mm 100 cm`),
    ).toEqual(['Circular needle | Measure: 3.5 mm, 4 mm | Length: 80 cm, 100 cm']);
    expect(
      told(`Tights Matt S 20 den
        Tights Matt M 20 den
        Tights Matt S 40 den
        Tights Matt M 40 den`),
    ).toEqual(['Tights Matt | Size: S, M | Measure: 20 den, 40 den']);
    expect(
      told(`Duvet Fell 4.5 tog Single
        Duvet Fell 4.5 tog Double
        Duvet Fell 10.5 tog Single
        Duvet Fell 10.5 tog Double`),
    ).toEqual(['Duvet Fell | Measure: 4.5 tog, 10.5 tog | Size: Single, Double']);
  });

  it('are one size where each goes with one of the other', () => {
    expect(
      told(`Dog collar XS (25-30 cm) brown
        Dog collar S (30-36 cm) brown
        Dog collar M (36-44 cm) black`),
    ).toEqual(['Dog collar | Size: XS (25-30 cm), S (30-36 cm), M (36-44 cm) | Colour: brown, black']);
    expect(
      told(`Duvet cover Lena Single 140x200 sand
        Duvet cover Lena Double 200x200 sand
        Duvet cover Lena Single 140x200 moss`),
    ).toEqual(['Duvet cover Lena | Size: Single 140x200, Double 200x200 | Colour: sand, moss']);
  });

  it('are a choice and a word of the name where one is the same in all', () => {
    expect(
      told(`Slate cable 65 W 1 m
        Slate cable 65 W 2 m`),
    ).toEqual(['Slate cable 65 W | Length: 1 m, 2 m']);
  });
});

describe('a number before a colour', () => {
  it('is the number of the colour where it goes with no other and is no size', () => {
    expect(
      told(`Foundation Velvet 01 Porcelain
        Foundation Velvet 02 Ivory
        Foundation Velvet 03 Beige`),
    ).toEqual(['Foundation Velvet | Colour: 01 Porcelain, 02 Ivory, 03 Beige']);
    expect(
      told(`Merino Fine 101 Natural
        Merino Fine 114 Denim
        Merino Fine 127 Moss`),
    ).toEqual(['Merino Fine | Colour: 101 Natural, 114 Denim, 127 Moss']);
  });

  it('is that of the goods where it is called so, and where there are but two', () => {
    expect(
      told(`Jeans Fell 501 blue
        Jeans Fell 512 black
        Bench model 101 oak
        Bench model 102 ash
        Bench model 103 pine`),
    ).toEqual([
      ...['Jeans Fell 501 blue', 'Jeans Fell 512 black'],
      ...['Bench model 101 oak', 'Bench model 102 ash', 'Bench model 103 pine'],
    ]);
  });

  it('is a size where it may be one', () => {
    expect(
      told(`Boots Fell 37 navy
        Boots Fell 38 rust
        Boots Fell 39 sage`),
    ).toEqual(['Boots Fell | Size: 37, 38, 39 | Colour: navy, rust, sage']);
  });
});

describe('the colour of a family that comes in one', () => {
  it('is an option where another family of the list has it among others', () => {
    expect(
      told(`Running vest (Deep Lagoon, S)
        Running vest (Deep Lagoon, M)
        Running vest (Lime, S)
        Running shorts (Deep Lagoon, S)
        Running shorts (Deep Lagoon, M)
        Running cap (Rust)`),
    ).toEqual([
      'Running vest | Colour: Deep Lagoon, Lime | Size: S, M',
      'Running shorts | Colour: Deep Lagoon | Size: S, M',
      'Running cap (Rust)',
    ]);
  });
});

describe('colours in names', () => {
  it('are two in one where a stroke joins them, and what they are called by elsewhere', () => {
    expect(
      told(`Polo shirt Fern/White
        Polo shirt Navy/Gold
        Tote bag Natural/Black
        Tote bag Natural/Tan
        Metal paint RAL 7016
        Metal paint RAL 9005
        Camiseta Verde Botella
        Camiseta Azul Marino`),
    ).toEqual([
      'Polo shirt | Colour: Fern/White, Navy/Gold',
      'Tote bag | Colour: Natural/Black, Natural/Tan',
      'Metal paint | Colour: RAL 7016, RAL 9005',
      'Camiseta | Colour: Verde Botella, Azul Marino',
    ]);
  });

  it('are none where marks say what goods are called', () => {
    expect(
      told(`Print "Sea Birds" A4
        Print "Sea Birds" A3
        Print "Old Harbour" A4
        Print "Old Harbour" A3`),
    ).toEqual(['Print "Sea Birds" | Size: A4, A3', 'Print "Old Harbour" | Size: A4, A3']);
  });

  it('stand beside sizes in numbers, whatever else the name says', () => {
    expect(
      told(`Fleece Full-Zip Pink 10
        Fleece Full-Zip Pink 12
        Fleece Half-Zip Blue 10
        Fleece Half-Zip Pink 12`),
    ).toEqual(['Fleece Full-Zip | Colour: Pink | Size: 10, 12', 'Fleece Half-Zip | Colour: Blue, Pink | Size: 10, 12']);
  });
});

describe('ranges of numbers', () => {
  const sizesOf = (header: string, ...ranges: string[]) =>
    readList(registry, [
      ['Name', header, 'Price'],
      ...ranges.map((range, at) => [`Boot ${'ABC'[at]}xel`, range, '89']),
    ]).families.map(({ axes }) => axes[0]!.values.join(' '));

  it('are all sizes between under a header of several, where some end is odd', () => {
    expect(sizesOf('Size run', '36-41', '36-40')).toEqual(['36 37 38 39 40 41', '36 37 38 39 40']);
  });
  it('stay one size under a header of one, and where nothing says how they go on', () => {
    expect([sizesOf('Size', '36-41', '37-42'), sizesOf('Sizes', '36-46', '38-48')]).toEqual([[], []]);
  });
});
