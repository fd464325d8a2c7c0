/** Lists in which a row says only what changes from the row above. */
import { describe, expect, it } from 'vitest';
import { tableOf } from './shelves';
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
