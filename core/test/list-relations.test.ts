/** Rows of lists that point at each other, that are one child told of again, or that are no goods at all. */
import { describe, expect, it } from 'vitest';
import { readList } from '../src/intake/families/readList';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { toldOf } from './told';

const registry = openRegistry(emptyRegistry());
const table = (text: string): string[][] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim().split(';'));
const told = (text: string): string[] => toldOf(table(text));
const read = (text: string) => readList(registry, table(text));
const rowsOf = (text: string) =>
  read(text).families.map(({ children, parentRows }) => [...children.map(({ rows }) => rows), parentRows]);
const codesOf = (text: string) => read(text).problems.map(({ row, code }) => `${row} ${code}`);

const JACKET_AND_HAT = ['Fell Jacket | Colour: Navy, Rust | Size: S, M', 'Tarn Hat | Colour: Navy, Rust'];

describe('parents of lists', () => {
  it('name their children, in a column of whatever name', () => {
    const list = `SKU;Name;Variants;Colour;Size
      P1;Fell Jacket;C1, C2, C3;;
      C1;Jacket navy S;;Navy;S
      C2;Jacket navy M;;Navy;M
      C3;Jacket rust S;;Rust;S
      P2;Tarn Hat;C4|C5;;
      C4;Tarn Hat;;Navy;
      C5;Tarn Hat;;Rust;`;
    expect(told(list)).toEqual(JACKET_AND_HAT);
    expect(rowsOf(list)).toEqual([
      [[3], [4], [5], [2]],
      [[7], [8], [6]],
    ]);
  });
  it('are not those that name each other: what goes with what tells no family', () => {
    expect(
      told(`SKU;Name;Goes with;Size
        A1;Fell Jacket;B1;S
        A2;Fell Jacket;B1;M
        B1;Tarn Hat;A1, A2;M
        B2;Tarn Hat;A1, A2;L`),
    ).toEqual(['Fell Jacket | Size: S, M', 'Tarn Hat | Size: M, L']);
  });
  it('are pointed at by a number that is none of goods', () => {
    const list = `ID;Parent ID;Title;Colour
      1;;Fell Jacket;
      2;1;;Navy
      3;1;;Rust
      4;;Tarn Hat;
      5;4;;Navy
      6;4;;Rust`;
    expect(told(list)).toEqual(['Fell Jacket | Colour: Navy, Rust', 'Tarn Hat | Colour: Navy, Rust']);
    expect(rowsOf(list)).toEqual([
      [[3], [4], [2]],
      [[6], [7], [5]],
    ]);
  });
  it('are lines with a name alone that others say they belong to', () => {
    expect(
      told(`Item;Belongs to;Colour;Size
        Fell Jacket;;;
        FJ-1;Fell Jacket;Navy;S
        FJ-2;Fell Jacket;Navy;M
        FJ-3;Fell Jacket;Rust;S
        Tarn Hat;;;
        TH-1;Tarn Hat;Navy;
        TH-2;Tarn Hat;Rust;`),
    ).toEqual(JACKET_AND_HAT);
  });
  it('say their kind alone, and are called as their children are', () => {
    expect(
      rowsOf(`Name;Type;Colour;SKU
        Tee;parent;;T
        Tee;child;Navy;T-1
        Tee;child;Rust;T-2`),
    ).toEqual([[[3], [4], [2]]]);
  });
  it('have rows for their other pictures, which are no children', () => {
    const list = `Handle;Title;Colour;Size;SKU;Image
      fell;Fell Jacket;Navy;S;A1;https://pictures.test/1.jpg
      fell;;Navy;M;A2;https://pictures.test/2.jpg
      fell;;Rust;S;A3;
      fell;;;;;https://pictures.test/3.jpg
      fell;;;;;https://pictures.test/4.jpg`;
    expect(rowsOf(list)).toEqual([[[2], [3], [4], [5, 6]]]);
    expect(codesOf(list)).toEqual([]);
  });
});

describe('a number that stands in several rows', () => {
  const list = `SKU;Name;Colour;Size;Place;Pieces
    A1;Tee;Navy;S;North;5
    A1;Tee;Navy;S;South;3
    A2;Tee;Navy;M;North;2
    A2;Tee;Navy;M;South;2`;
  it('is that of one child, told of for each place', () => {
    expect(rowsOf(list)).toEqual([[[2, 3], [4, 5], []]]);
    expect(told(list)).toEqual(['Tee | Colour: Navy | Size: S, M']);
  });
  it('says so where the rows say different things of it', () => {
    expect(codesOf(list)).toEqual(['3 child.twice']);
  });
  it('is a style where its rows are different goods', () => {
    expect(told(list.replaceAll('A2', 'A1'))).toEqual(['Tee | Colour: Navy | Size: S, M | Place: North, South']);
  });
});

describe('goods of one name', () => {
  it('that are made twice are told apart by what their SKUs begin with', () => {
    expect(
      rowsOf(`Article;Text;Size
        48210-01-S;Jacket;S
        48210-01-M;Jacket;M
        48211-01-S;Jacket;S
        48211-01-M;Jacket;M`),
    ).toEqual([
      [[2], [3], []],
      [[4], [5], []],
    ]);
  });
  it('come in colours that only their SKUs number, behind the style', () => {
    expect(
      told(`SKU;Name;Size
        1001-001-S;Jacket;S
        1001-001-M;Jacket;M
        1001-002-S;Jacket;S
        1001-002-M;Jacket;M`),
    ).toEqual(['Jacket | Size: S, M | Option: 001, 002']);
  });
  it('that are only counted by their SKUs are one', () => {
    expect(told('SKU;Name\nA-001;Jacket\nA-002;Jacket\nA-003;Jacket')).toEqual(['Jacket']);
  });
  it('that are for others are told apart by whom they are for', () => {
    expect(
      rowsOf(`Name;Gender;Size
        Fell Jacket;Mens;S
        Fell Jacket;Womens;S
        Fell Jacket;Mens;M
        Fell Jacket;Womens;M`),
    ).toEqual([
      [[2], [4], []],
      [[3], [5], []],
    ]);
  });
  it('and no numbers are one, and it is told that rows say different things', () => {
    expect(
      codesOf(`Text;Size;Price
        Jacket;S;99
        Jacket;M;99
        Jacket;S;79`),
    ).toEqual(['4 child.twice']);
  });
  it('have their options in SKUs without signs', () => {
    expect(
      told(`Article;Text;Price
        48210NVYS;Fell Jacket;99
        48210NVYM;Fell Jacket;99
        48210RSTXL;Fell Jacket;99`),
    ).toEqual(['Fell Jacket | Colour: Navy, Rust | Size: S, M, XL']);
  });
});

describe('lines that are no goods', () => {
  it('part header and rows, or say what cells are in', () => {
    const { families, singles, skipped } = read(`Name;Size;Weight;Price
      ---;:---:;---;---:
      Tee;S;140;9
      Tee;M;150;9`);
    expect([families.length, singles.length, skipped]).toEqual([1, 0, [{ row: 2, why: 'header' }]]);
    const units = read('Name;Size;Weight;Price\n;;g;EUR\nTee;S;140;9\nTee;M;150;9');
    expect([units.singles, units.skipped]).toEqual([[], [{ row: 2, why: 'header' }]]);
  });
  it('say the sum of the rows above them', () => {
    expect(
      rowsOf(`Style;Size;Pieces
        4021 Jacket;S;3
        4021 Jacket;M;2
        4021 Jacket;;5`),
    ).toEqual([[[2], [3], [4]]]);
  });
  it('are the headers of more tables below, whose columns stand elsewhere', () => {
    const list = `Name;Colour;Size;Price
      Tee;Navy;S;9
      Tee;Navy;M;9
      ;;;
      Name;Size;Colour;EAN;Price
      Polo;S;Rust;4006381333931;19
      Polo;M;Rust;4006381333948;19`;
    expect(told(list)).toEqual(['Tee | Colour: Navy | Size: S, M', 'Polo | Colour: Rust | Size: S, M']);
    const { figures, families } = read(list);
    expect(figures.get(families[1]!.key)).toEqual([
      { gtin: '4006381333931', price: '19' },
      { gtin: '4006381333948', price: '19' },
    ]);
  });
  it('are such headers by turns', () => {
    const first = 'Name;Colour;Size\nTee;Navy;S\nTee;Navy;M';
    const second = 'Name;Size;Colour\nPolo;S;Rust\nPolo;M;Rust';
    expect(told([first, second, first.replaceAll('Tee', 'Smock')].join('\n'))).toEqual(
      ['Tee', 'Polo', 'Smock'].map((name) => `${name} | Colour: ${name === 'Polo' ? 'Rust' : 'Navy'} | Size: S, M`),
    );
  });
  it('say what the small table below is of', () => {
    expect(
      told(`Style: Fell Jacket;;;
        Colour;S;M;Total
        Navy;2;3;5
        Rust;1;1;2
        Style: Tarn Shirt;;;
        Colour;S;M;Total
        Navy;2;3;5
        Rust;1;1;2`),
    ).toEqual(['Fell Jacket | Colour: Navy, Rust | Size: S, M', 'Tarn Shirt | Colour: Navy, Rust | Size: S, M']);
  });
});

describe('headers', () => {
  it('are sizes with a word for whom they are, or how long', () => {
    expect(told('Style;Colour;Youth S;Youth M\nTee;Navy;1;2\nTee;Rust;1;1')).toEqual([
      'Tee | Colour: Navy, Rust | Size: Youth S, Youth M',
    ]);
    expect(told('Style;Colour;38 Regular;40 Long\nSuit;Navy;1;2\nSuit;Grey;1;1')).toEqual([
      'Suit | Colour: Navy, Grey | Size: 38 Regular, 40 Long',
    ]);
  });
  it('as programs write them are of words, and axes are called by these', () => {
    expect(told('productName;COLOR_NAME;Sz;sellerSku\nTee;Navy;S;T1\nTee;Rust;S;T2')).toEqual([
      'Tee | Color: Navy, Rust | Size: S',
    ]);
    const { columns } = read('productName;unitPrice;qtyOnHand;sellerSku\nTee;9;1;T1\nTee;9;1;T2');
    expect(columns.map(({ meaning }) => ('key' in meaning ? meaning.key : meaning.is))).toEqual([
      'name',
      'price',
      'stock',
      'sku',
    ]);
  });
});
