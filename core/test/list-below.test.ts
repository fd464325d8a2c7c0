/** Lists in which a row says only what changes from the row above. */
import { describe, expect, it } from 'vitest';
import { messyList, SHAPES } from '../../e2e/messy/messyLists';
import { familyIndex } from '../src/family/weave';
import { planList } from '../src/intake/importPlan/planList';
import { readList } from '../src/intake/families/readList';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { EMPTY_SHELVES, tableOf } from './shelves';
import { toldOf } from './told';

const told = (text: string) => toldOf(tableOf(text));
const BOTH = ['Fell Jacket | Colour: Navy, Rust | Size: S, M', 'Tarn Vest | Colour: Black | Size: S, M'];

describe('rows of a list', () => {
  it('go on with the row above where they say a size alone', () => {
    const list = (sizes: string) => `Name;Price;Colour;${sizes}
      Fell Jacket;49;Navy;S
      ;;;M
      ;;Rust;S
      ;;;M
      Tarn Vest;29;Black;S
      ;;;M`;
    expect(told(list('Size'))).toEqual(BOTH);
    const numbers = `Artikel;Farbe;Größe;Preis
      Stiefel Tarn;braun;37;99,00
      ;;38;
      ;;39;
      ;schwarz;37;
      ;;38;`;
    expect(told(numbers)).toEqual(['Stiefel Tarn | Farbe: braun, schwarz | Größe: 37, 38, 39']);
    expect(told(numbers.replace('Größe', 'Ausf.'))).toEqual([
      'Stiefel Tarn | Farbe: braun, schwarz | Ausf.: 37, 38, 39',
    ]);
  });
  it('are sums where a number alone is one, or stands below a figure', () => {
    for (const header of ['Qty', 'Bestand West'])
      expect(
        told(`Name;Colour;Size;${header}
        Fell Jacket;Navy;S;3
        ;;M;4
        ;;;7
        Tarn Vest;Black;S;1
        ;;M;2
        ;;;3`).map((line) => line.slice(0, 30)),
      ).toEqual(['Fell Jacket | Colour: Navy | S', 'Tarn Vest | Colour: Black | Si']);
  });
  it('are goods whose name begins with the word for a sum', () => {
    expect(
      told(`Name;Colour;Price
        Total Repair Balm;Rose;12.95
        Total Repair Balm;Mint;12.95
        Total Fell Jacket;;25.90
        Fell Cap;Navy;9
        Fell Cap;Rust;9
        Total EUR;;43.90`),
    ).toEqual(['Total Repair Balm | Colour: Rose, Mint', 'Fell Cap | Colour: Navy, Rust']);
    expect(told('Name;Preis\nFell Mantel;649,50 €\nTarn Mantel;649,50 €\nTotal Mäntel;1.299,00 €')).toEqual([
      'Fell Mantel',
      'Tarn Mantel',
    ]);
  });
  it('are the names and the colours of those below them, each in a line of its own', () => {
    const apart = `Product;Colour;Size;Price
      Fell Jacket;;;
      ;Navy;;
      ;;S;49
      ;;M;49
      ;Rust;;
      ;;S;49`;
    const within = `Item;Price
      Fell Jacket;
      Navy;
      S;49
      M;49
      Rust;
      S;49`;
    for (const list of [apart, within]) expect(told(list)).toEqual(['Fell Jacket | Size: S, M | Colour: Navy, Rust']);
  });
  it.each(['"', '〃', 'ditto', 'dto.'])('say by the mark %s what stands above', (mark) => {
    expect(
      told(
        `Name;Colour;Size;Price
        Fell Jacket;Navy;S;49
        X;X;M;X
        X;Rust;S;X
        X;X;M;X
        Tarn Vest;Black;S;29
        X;X;M;X`.replaceAll('X', mark),
      ),
    ).toEqual(BOTH);
  });
});

const registry = openRegistry(emptyRegistry());
/** What each child costs, as the list is read and as its family becomes. */
function pricesOf(text: string): { read: (string | undefined)[]; made: unknown[] } {
  const reading = readList(registry, tableOf(text));
  const plans = planList(registry, reading, { columns: {} }, EMPTY_SHELVES);
  return {
    read: [...reading.figures.values()].flat().map(({ price }) => price),
    made: plans.flatMap(({ family }) =>
      familyIndex(family!).woven.map(({ fields }) => fields['price'] ?? family!.fields['price']),
    ),
  };
}

describe('prices that stand once above several rows', () => {
  it('are those of all rows they stand above', () => {
    const prices = ['59.95', '59.95', '59.95', '19.95', '19.95'];
    expect(
      pricesOf(`Name;Price;Colour;Size;Stock
        Fell Hoodie;59.95;Navy;S;3
        ;;;M;5
        ;;Rust;S;2
        Moor Tee;19.95;White;S;1
        ;;;M;1`),
    ).toEqual({ read: prices, made: prices });
    expect(
      pricesOf(`SKU;Parent SKU;Name;Colour;Price
        FH;;Fell Hoodie;;59.95
        FH-1;FH;;Navy;
        FH-2;FH;;Rust;64.95`),
    ).toEqual({ read: ['59.95', '64.95'], made: ['59.95', '64.95'] });
  });
  it.each(SHAPES)('leave nobody without one in lists that have them, of the kind "%s"', (shape) => {
    const { figures, columns } = readList(registry, messyList(shape, 77).table);
    const hasPrices = columns.some(({ meaning }) => meaning.is === 'field' && meaning.key === 'price');
    const without = [...figures.values()].flat().filter(({ price }) => price === undefined);
    expect(hasPrices ? without : []).toEqual([]);
  });
});

describe('rows that a sign begins', () => {
  it.each([' - ', '– ', '• ', '> ', '   ', '└ '])('are of the goods in the line above: "%s"', (sign) => {
    const list = [
      ['Item', 'Price', 'Stock'],
      ['Fell Hoodie', '59.95', ''],
      [`${sign}Navy / S`, '', '3'],
      [`${sign}Navy / M`, '', '5'],
      [`${sign}Rust / S`, '', '2'],
      ['Moor Tee', '19.95', ''],
      [`${sign}White / S`, '', '10'],
      [`${sign}White / L`, '', '10'],
    ];
    const { families, figures } = readList(registry, list);
    expect(toldOf(list)).toEqual([
      'Fell Hoodie | Colour: Navy, Rust | Size: S, M',
      'Moor Tee | Colour: White | Size: S, L',
    ]);
    expect(families.map(({ parentRows }) => parentRows)).toEqual([[2], [6]]);
    expect([...figures.values()].flat().map(({ price, stock }) => `${stock} at ${price}`)).toEqual([
      ...['3 at 59.95', '5 at 59.95', '2 at 59.95', '10 at 19.95', '10 at 19.95'],
    ]);
  });
  it('are goods themselves where all rows begin so', () => {
    expect(told('Item\n• Fell Hoodie S\n• Fell Hoodie M\n• Moor Tee S\n• Moor Tee M')).toEqual([
      'Fell Hoodie | Size: S, M',
      'Moor Tee | Size: S, M',
    ]);
  });
});
