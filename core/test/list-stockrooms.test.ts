/** Lists as stock rooms, suppliers and makers keep them: what stands beside goods and says which of them are one. */
import { describe, expect, it } from 'vitest';
import { readList } from '../src/intake/families/readList';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { tableOf } from './shelves';
import { toldOf } from './told';

const registry = openRegistry(emptyRegistry());
const told = (text: string): string[] => toldOf(tableOf(text));
const read = (text: string) => readList(registry, tableOf(text));
const meaningsOf = (text: string) => read(text).columns.map(({ meaning }) => meaning.is);

describe('goods of one name', () => {
  it('are two where two make them and no column says the brand', () => {
    expect(
      told(`Maker;Item;Colour;Price
        Skerry;Wool Beanie;Navy;19
        Skerry;Wool Beanie;Rust;19
        Tolmen;Wool Beanie;Navy;24
        Tolmen;Wool Beanie;Grey;24`),
    ).toEqual(['Wool Beanie | Colour: Navy, Rust', 'Wool Beanie | Colour: Navy, Grey']);
  });
  it('are two where they are of two lines, and a number of a line is none', () => {
    expect(
      told(`Line;Product;Colour;Size
        Fell;Tee;Navy;S
        Fell;Tee;Navy;M
        Moor;Tee;White;S
        Moor;Tee;White;M`),
    ).toEqual(['Tee | Colour: Navy | Size: S, M', 'Tee | Colour: White | Size: S, M']);
    expect(
      told(`Line;Product;Colour;Size
        1;Tee;Navy;S
        2;Tee;Navy;M
        3;Tee;White;S`),
    ).toEqual(['Tee | Colour: Navy, White | Size: S, M']);
  });
  it('are one by their style, though some of its colours are of another line', () => {
    expect(
      told(`Line;Style;Product;Colour;Size
        Core;4411;Tee;Black;S
        Core;4411;Tee;Black;M
        Fashion;4411;Tee;Rust;S`),
    ).toEqual(['Tee | Colour: Black, Rust | Size: S, M']);
  });
  it('are told from their variants by a number that counts on, which is no size', () => {
    expect(
      told(`Family;Variant;Description;Price
        4411;1;Fell Hoodie navy S;59.95
        4411;2;Fell Hoodie navy M;59.95
        4411;3;Fell Hoodie rust S;59.95
        4412;1;Moor Tee white S;19.95
        4412;2;Moor Tee white M;19.95`),
    ).toEqual(['Fell Hoodie | Colour: navy, rust | Size: S, M', 'Moor Tee white | Size: S, M']);
    expect(
      told(`Product;Size
        Tarn Wrap;1
        Tarn Wrap;2
        Tarn Wrap;3`),
    ).toEqual(['Tarn Wrap | Size: 1, 2, 3']);
  });
});

describe('rows that are no children', () => {
  it('stand between the family and those whose numbers go on from theirs', () => {
    const list = `Level;Item number;Title;Colour;Size;Price
      1;FH;Fell Hoodie;;;
      2;FH-NV;Fell Hoodie Navy;Navy;;
      3;FH-NV-S;Fell Hoodie Navy S;Navy;S;59.95
      3;FH-NV-M;Fell Hoodie Navy M;Navy;M;59.95
      2;FH-RS;Fell Hoodie Rust;Rust;;
      3;FH-RS-S;Fell Hoodie Rust S;Rust;S;59.95`;
    expect(told(list)).toEqual(['Fell Hoodie | Colour: Navy, Rust | Size: S, M']);
    expect(read(list).families[0]!.parentRows.toSorted()).toEqual([2, 3, 6]);
  });
  it('are what is put on top of a sum', () => {
    const { singles, skipped } = read(`Qty;Article;Text;Unit price;Amount
      10;FH-NV-S;Fell Hoodie Navy S;22.50;225.00
      12;FH-NV-M;Fell Hoodie Navy M;22.50;270.00
      ;;Subtotal;;495.00
      ;;VAT 20%;;99.00
      ;;Total;;594.00`);
    expect(singles).toEqual([]);
    expect(skipped.map(({ row, why }) => `${row} ${why}`)).toEqual(['4 total', '5 total', '6 total']);
  });
  it('say in brackets below a header what belongs into its columns', () => {
    const { families, skipped } = read(`Product;Colour;Size;Price
      (required);(from the list);(see sheet 2);(number)
      Fell Hoodie;Navy;S;59.95
      Fell Hoodie;Navy;M;59.95`);
    expect(families.map(({ name, children }) => `${name} ${children.length}`)).toEqual(['Fell Hoodie 2']);
    expect(skipped).toEqual([{ row: 2, why: 'header' }]);
  });
});

describe('options beside goods', () => {
  it('are colours in lines above rows that have the rest', () => {
    expect(
      told(`NAVY;;
        Fell Hoodie S;59.95;3
        Fell Hoodie M;59.95;5
        RUST;;
        Fell Hoodie S;59.95;2
        Fell Hoodie M;59.95;1`),
    ).toEqual(['Fell Hoodie | Colour: NAVY, RUST | Size: S, M']);
  });
  it('are no colours where a line above says something else, or rows say theirs themselves', () => {
    expect(
      told(`Product;Size
        NAVY;
        Fell Hoodie;S
        Fell Hoodie;M
        TROUSERS;
        Fell Trousers;32
        Fell Trousers;34`),
    ).toEqual(['Fell Hoodie | Size: S, M', 'Fell Trousers | Size: 32, 34']);
  });
  it('go across with a word for each that there is, and for each that there is none', () => {
    const list = `Product;Colour;XS;S;M
      Fell Hoodie;Navy;no;yes;yes
      Fell Hoodie;Rust;yes;yes;no`;
    expect(meaningsOf(list)).toEqual(['field', 'option', 'across', 'across', 'across']);
    expect(read(list).families[0]!.children.map(({ at }) => Object.values(at).join(' '))).toEqual([
      'Navy S',
      'Navy M',
      'Rust XS',
      'Rust S',
    ]);
  });
  it('stand in one cell with the pieces of each', () => {
    for (const [navy, rust] of [
      ['S:3 M:5 L:2', 'S:1 L:0'],
      ['S (3), M (5), L (2)', 'S (1), L (0)'],
      ['3xS, 5xM, 2xL', '1xS, 0xL'],
      ['S = 3 / M = 5 / L = 2', 'S = 1 / L = 0'],
    ]) {
      const { families, figures, problems } = read(`Style;Colour;Breakdown;Price
        Fell Hoodie;Navy;${navy};59.95
        Fell Hoodie;Rust;${rust};59.95`);
      expect(problems).toEqual([]);
      const [family] = families;
      const pieces = figures.get(family!.key)!.map(({ stock, price }) => `${stock} at ${price}`);
      expect(family!.children.map(({ at }, place) => `${Object.values(at).join(' ')}: ${pieces[place]}`)).toEqual([
        'Navy S: 3 at 59.95',
        'Navy M: 5 at 59.95',
        'Navy L: 2 at 59.95',
        'Rust S: 1 at 59.95',
        'Rust L: 0 at 59.95',
      ]);
    }
    // Widths and heights have such a sign between them, and options such a sign before them.
    expect(meaningsOf('Name;Dims\nRug Fell;120x170\nRug Fell;160x230')).toEqual(['field', 'option']);
    expect(meaningsOf('Name;What\nTee;Size: S, Colour: Navy\nTee;Size: M, Colour: Navy')).toEqual(['field', 'options']);
  });
  it('are none of the code that stands in brackets behind a name', () => {
    const rows = ['Navy S (FH-NV-S)', 'Navy M (FH-NV-M)', 'Rust S (FH-RS-S)'];
    expect(told(`Name\n${rows.map((one) => `Fell Hoodie ${one}`).join('\n')}`)).toEqual([
      'Fell Hoodie | Colour: Navy, Rust | Size: S, M',
    ]);
    const options = ['(NAVY-S)', '(NAVY-M)', '(RUST-S)'];
    expect(told(`Name\n${options.map((one) => `Fell Hoodie ${one}`).join('\n')}`)).toEqual([
      'Fell Hoodie | Colour: NAVY, RUST | Size: S, M',
    ]);
  });
  it('stand in columns that are called by letters, and in one of either kind', () => {
    expect(
      told(`Product;Option A;Option B
        Fell Hoodie;Navy;S
        Fell Hoodie;Rust;M
        Sofa Nils;Linen;2-seater
        Sofa Nils;Velvet;3-seater`),
    ).toEqual([
      'Fell Hoodie | Colour: Navy, Rust | Size: S, M',
      'Sofa Nils | Material: Linen, Velvet | Size: 2-seater, 3-seater',
    ]);
    expect(
      told(`Product;Size/Colour
        Fell Hoodie;S
        Fell Hoodie;M
        Tarn Scarf;Navy
        Tarn Scarf;Rust`),
    ).toEqual(['Fell Hoodie | Size: S, M', 'Tarn Scarf | Colour: Navy, Rust']);
  });
});

describe('prices beside each other', () => {
  it('are what it was and what it costs now, and no reduction is a size', () => {
    const { columns, families, figures } = read(`Name;Was;Now;Off;Colour
      Fell Hoodie;79.95;59.95;25 %;Navy
      Fell Hoodie;79.95;47.95;40 %;Rust`);
    expect(columns.map(({ meaning }) => ('key' in meaning ? meaning.key : meaning.is))).toEqual([
      'name',
      'listPrice',
      'price',
      'ignored',
      'option',
    ]);
    expect(families.map(({ axes }) => axes.map(({ label }) => label))).toEqual([['Colour']]);
    expect([...figures.values()].flat().map(({ price }) => price)).toEqual(['59.95', '47.95']);
  });
});
