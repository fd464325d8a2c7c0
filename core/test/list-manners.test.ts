/** Lists in the manners of shops and suppliers, written to be read once: each says what becomes of it. */
import { describe, expect, it } from 'vitest';
import { readList } from '../src/intake/families/readList';
import { NO_SETTLEMENT } from '../src/intake/families/settlement';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';

const registry = openRegistry(emptyRegistry());
const read = (text: string) =>
  readList(
    registry,
    text
      .trim()
      .split('\n')
      .map((line) => line.split(';').map((cell) => cell.trim())),
  );

/** Families as one line each: name, axes with their values, rows. */
const told = (text: string): string[] =>
  read(text).families.map(
    ({ name, axes, children }) =>
      `${name} | ${axes.map(({ role, values }) => `${role}: ${values.join(', ')}`).join(' | ')} | ${[...new Set(children.flatMap(({ rows }) => rows))].join(' ')}`,
  );

describe('families of lists in many manners', () => {
  it('have an unknown word beside a size for their colour, where options stand in one cell', () => {
    expect(
      told(`Art.-Nr.;Bezeichnung;Farbe/Größe;VK netto
        4410-01;Wollmantel Elke;Anthrazit 36;129,90
        4410-02;Wollmantel Elke;Anthrazit 38;129,90
        4410-04;Wollmantel Elke;Kamel 36;129,90
        4410-05;Wollmantel Elke;Kamel 38;129,90`),
    ).toEqual(['Wollmantel Elke | colour: Anthrazit, Kamel | size: 36, 38 | 2 3 4 5']);
  });
  it('have the axes that stand in columns called "option", each family its own', () => {
    const list = read(`sku;title;parent_sku;option1;option2
      TS-100;Harbour Tee;;;
      TS-100-W-S;Harbour Tee White S;TS-100;White;S
      TS-100-N-S;Harbour Tee Navy S;TS-100;Navy;S
      TS-100-N-M;Harbour Tee Navy M;TS-100;Navy;M
      MG-7;Enamel Mug;;;
      MG-7-350;Enamel Mug 350 ml;MG-7;350 ml;
      MG-7-500;Enamel Mug 500 ml;MG-7;500 ml;`);
    expect(list.families.map(({ name, axes }) => [name, axes.map(({ label, role }) => `${label} ${role}`)])).toEqual([
      ['Harbour Tee', ['Colour colour', 'Size size']],
      ['Enamel Mug', ['Volume volume']],
    ]);
  });
  it('are made of rows whose cells list values: a child for each crossing, whose numbers are none of theirs', () => {
    const list = read(`SKU;Name;Colours;Sizes;Stock;Price
      HB-1;Heron parka;Moss, Slate, Ink;S - XL;12;150,00
      HB-2;Heron gilet;Moss/Slate;36/38/40;;99,00
      HB-3;Heron cap;Rust;One size;4;25,00`);
    expect(
      list.families.map(({ name, style, axes }) => [name, style, ...axes.map(({ values }) => values.join())]),
    ).toEqual([
      ['Heron parka', 'HB-1', 'Moss,Slate,Ink', 'S,M,L,XL'],
      ['Heron gilet', 'HB-2', 'Moss/Slate', '36,38,40'],
    ]);
    expect(list.figures.get('row2')).toEqual(Array.from({ length: 12 }, () => ({ price: '150.00' })));
    expect(list.problems.map(({ row, column, code }) => [row, column, code])).toEqual([[2, 'Stock', 'row.several']]);
    expect(list.singleFigures).toEqual([{ sku: 'HB-3', stock: 4, price: '25.00' }]);
  });
  it('keep a word of their name that is one of their materials, too', () => {
    expect(
      told(`Name;Colour;Material
        Bothy wool Apron;Navy;Wool
        Bothy wool Apron;Navy;Linen
        Bothy wool Apron;Rust;Wool
        Bothy wool Apron;Rust;Linen`),
    ).toEqual(['Bothy wool Apron | colour: Navy, Rust | material: Wool, Linen | 2 3 4 5']);
  });
  it('are made of lines in whatever way these list sizes, lengths and colours', () => {
    expect(
      told(`Désignation;Coloris disponibles;Tailles;PVC TTC
        Pull Erwan;écru/marine, marine/rouge;S au XL;79,00
        Robe Solenn;fuchsia, corail;34 - 36 - 38;69,00
        Bonnet Houat;gris;TU;29,00`),
    ).toEqual([
      'Pull Erwan | colour: écru/marine, marine/rouge | size: S, M, L, XL | 2',
      'Robe Solenn | colour: fuchsia, corail | size: 34, 36, 38 | 3',
    ]);
    expect(
      told(`Article;Colour;Size;Length
        Rope chino;Sand;30;30, 32
        Rope chino;Navy;32;32, 34
        Bonnet;Navy, red, ecru;;`),
    ).toEqual([
      'Rope chino | colour: Sand, Navy | size: 30, 32 | length: 30, 32, 34 | 2 3',
      'Bonnet | colour: Navy, red, ecru | 4',
    ]);
  });
  it('know a variant’s price and an item’s size for what they are, and a parent that has the key of its group', () => {
    const list = read(`Name;Colour;Variant code;Variant price;Variant qty
      Dune cap;Sand;DC-S;14.9;2
      Dune cap;Ink;DC-I;14.9;3`);
    expect(list.families[0]!.axes.map(({ role }) => role)).toEqual(['colour']);
    expect(list.figures.get('row2')).toEqual([
      { sku: 'DC-S', price: '14.9', stock: 2 },
      { sku: 'DC-I', price: '14.9', stock: 3 },
    ]);
    const runner = read(`Name;Type;Parent;Item colour;Article size
      Trail runner;parent;TR;;
      Trail runner;variant;TR;Moss;7 UK
      Trail runner;variant;TR;Moss;7.5 UK`);
    expect(runner.families.map(({ parentRows, axes }) => [parentRows, axes.map(({ role }) => role)])).toEqual([
      [[2], ['colour', 'size']],
    ]);
    expect(runner.singles).toEqual([]);
  });
  it('have two colours for one value, unless the header, the sizes or most rows say that they are two', () => {
    expect(
      told(`Name;Colour;Size
        Stripe sock;Navy, White;S/M
        Stripe sock;Navy, White;L/XL
        Stripe sock;Red, White;S/M`),
    ).toEqual(['Stripe sock | colour: Navy, White, Red, White | size: S/M, L/XL | 2 3 4']);
    expect(
      told(`Name;Colour;Size
        Stripe sock;Navy, White;S, M, L
        Plain sock;Grey | Ochre;S M L`),
    ).toEqual([
      'Stripe sock | colour: Navy, White | size: S, M, L | 2',
      'Plain sock | colour: Grey, Ochre | size: S, M, L | 3',
    ]);
    expect(
      told(`Name;Colour;Fabric
        Dune cap;Sand, Clay;Cotton, elastane
        Dune hat;Navy, Ink;Cotton
        Dune belt;Black;Leather`),
    ).toEqual(['Dune cap | colour: Sand, Clay | 2', 'Dune hat | colour: Navy, Ink | 3']);
  });
  it('have one colour alone for an option where the names of others have theirs, and for a word of the name elsewhere', () => {
    const socks = `Name;Price
      Merino Socks Charcoal 35-38;12
      Merino Socks Charcoal 39-42;12
      Red Bean Mug 350 ml;9
      Red Bean Mug 500 ml;11`;
    expect(told(socks)).toEqual([
      'Merino Socks Charcoal | size: 35-38, 39-42 | 2 3',
      'Red Bean Mug | volume: 350 ml, 500 ml | 4 5',
    ]);
    const others = `
      Fell Jacket Navy M;99
      Fell Jacket Rust M;99
      Cove Throw Sand;40
      Cove Throw Moss;40`;
    expect(told(socks + others)).toEqual([
      'Merino Socks | colour: Charcoal | size: 35-38, 39-42 | 2 3',
      'Red Bean Mug | volume: 350 ml, 500 ml | 4 5',
      'Fell Jacket M | colour: Navy, Rust | 6 7',
      'Cove Throw | colour: Sand, Moss | 8 9',
    ]);
  });
  it('go on below a row that says a size and nothing else', () => {
    expect(
      told(`Name;Colour;Size;Stock
        Tarn Fleece;Lichen;S;2
        ;;M;3
        ;;L;
        ;Peat;S;2
        Beck Gilet;Peat;S;1
        ;;M;1`),
    ).toEqual([
      'Tarn Fleece | colour: Lichen, Peat | size: S, M, L | 2 3 4 5',
      'Beck Gilet | colour: Peat | size: S, M | 6 7',
    ]);
  });
  it('have leg lengths and the sizes of children’s shoes among their sizes; "one size" is no word of a name', () => {
    expect(
      told(`code;description;price
        100400;Cargo Trouser Black 30R;14.00
        100401;Cargo Trouser Black 30L;14.00
        100403;Cargo Trouser Grey 32R;14.00
        200100;Kids Rain Boot 10K;40.00
        200101;Kids Rain Boot 11.5K;40.00
        300100;Finch Cap - Black - One Size;14.00
        300101;Finch Cap - Navy - One Size;14.00
        400100;Tarn Pack 30L Black;90.00
        400101;Tarn Pack 45L Black;99.00`),
    ).toEqual([
      'Cargo Trouser | colour: Black, Grey | size: 30R, 30L, 32R | 2 3 4',
      'Kids Rain Boot | size: 10K, 11.5K | 5 6',
      'Finch Cap | colour: Black, Navy | 7 8',
      'Tarn Pack | volume: 30L, 45L | colour: Black | 9 10',
    ]);
  });
  it('take a column of colours’ numbers for no second colour, and the sum below them for no goods', () => {
    const list = read(`Item name;Style no;Color code;Color name;S;M;L;Total
      Heath Crew;HC1;101;Navy;1;2;3;6
      Heath Crew;HC1;205;Ecru;2;2;2;6
      Heath Crew;HC1;;;;;;12
      Moor Polo;MP4;101;Navy;2;2;2;6
      Moor Polo;MP4;300;Claret;2;2;;4`);
    expect(list.problems).toEqual([]);
    expect(list.singles).toEqual([]);
    expect(list.families.map(({ axes, parentRows }) => [axes.map(({ label }) => label), parentRows])).toEqual([
      [['Color', 'Size'], [4]],
      [['Color', 'Size'], []],
    ]);
  });
  it('have the system behind a shoe size, a width between, and colours of two words in a cell of options', () => {
    expect(
      told(`Item;UPC;Price
        Trail Runner - Slate/Lime - 9.5 M US;036000291452;110
        Trail Runner - Slate/Lime - 10 M US;036000291469;110
        Trail Runner - Black - 9.5 M US;036000291483;110`),
    ).toEqual(['Trail Runner | colour: Slate/Lime, Black | size: 9.5 M US, 10 M US | 2 3 4']);
    expect(
      told(`Nome prodotto;Variante colore;Taglia;Prezzo
        Maglione Brezza;Blu notte;48;79,00
        Maglione Brezza;Blu notte;50;79,00
        Maglione Brezza;Panna;48;79,00
        Sciarpa Brezza;Panna;Unica;29,00
        Sciarpa Brezza;Ruggine;Unica;29,00`),
    ).toEqual([
      'Maglione Brezza | colour: Blu notte, Panna | size: 48, 50 | 2 3 4',
      'Sciarpa Brezza | colour: Panna, Ruggine | 5 6',
    ]);
  });
  it('keep the goods of a word that is a colour elsewhere, and lengths that could be months', () => {
    expect(
      told(`SKU;Name;Price
        KAY-RED-500;Kayak Bottle Red 500ml;12
        KAY-RED-750;Kayak Bottle Red 750ml;14
        KAY-BLU-500;Kayak Bottle Blue 500ml;12
        TOG-A;Toggle Rope 3m Natural;5
        TOG-B;Toggle Rope 5m Natural;7
        TOG-D;Toggle Rope 5m Tarred Black;8
        BDY-3;Bodysuit 3m Oat;8
        BDY-6;Bodysuit 6m Oat;8
        MOO-1;Moor Polo Bottle Green S;20
        MOO-2;Moor Polo Claret S;20`),
    ).toEqual([
      'Kayak Bottle | colour: Red, Blue | volume: 500ml, 750ml | 2 3 4',
      'Toggle Rope | length: 3m, 5m | colour: Natural, Tarred Black | 5 6 7',
      'Bodysuit | size: 3m, 6m | colour: Oat | 8 9',
      'Moor Polo S | colour: Bottle Green, Claret | 10 11',
    ]);
  });
  it('are read from sizes across that French lists write with a T', () => {
    expect(
      told(`Modèle;Couleur;T36;T38;T40
        Sandale Dune;Camel;1;2;2
        Sandale Dune;Noir;0;1;1`),
    ).toEqual(['Sandale Dune | colour: Camel, Noir | size: T36, T38, T40 | 2 3']);
  });
  it('read the sizes of bed linen as one', () => {
    expect(
      told(`Artikel;Preis
        Bettwäsche Mako 135x200 + 80x80 cm hellgrau;49,90
        Bettwäsche Mako 155x220 + 80x80 cm hellgrau;59,90
        Bettwäsche Mako 135x200 + 80x80 cm rosé;49,90`),
    ).toEqual(['Bettwäsche Mako | size: 135x200 + 80x80 cm, 155x220 + 80x80 cm | colour: hellgrau, rosé | 2 3 4']);
  });
  it('have their name in a column of styles, where it is words and nothing else is', () => {
    const list = read(`Style;Colour;8;10;12;RRP
      Aster Dress;Ink;2;3;4;79
      Aster Dress;Poppy;1;2;;79
      Bramble Skirt;Ink;0;1;1;49`);
    expect(list.problems).toEqual([]);
    expect(list.families.map(({ name }) => name)).toEqual(['Aster Dress', 'Bramble Skirt']);
  });
  it('have the words of a colour rather than its code, and sizes of paper', () => {
    expect(
      told(`Style No;Style Description;Colour Code;Colour Description;Size
        W271001;Merino Base Layer;010;Black;8
        W271001;Merino Base Layer;010;Black;10
        W271001;Merino Base Layer;455;Deep teal;8`),
    ).toEqual(['Merino Base Layer | colour: Black, Deep teal | size: 8, 10 | 2 3 4']);
    expect(
      told(`Bezeichnung;Ausführung;Preis
        Kerze Hafen;klein;9,90
        Kerze Hafen;groß;14,90
        Tasse Hafen;0.25 l / blau;11,90
        Tasse Hafen;0.25 l / weiß;11,90
        Tasse Hafen;0.4 l / blau;13,90
        Poster Hafen;A4;12,00
        Poster Hafen;A3;18,00`),
    ).toEqual([
      'Kerze Hafen | size: klein, groß | 2 3',
      'Tasse Hafen | volume: 0.25 l, 0.4 l | colour: blau, weiß | 4 5 6',
      'Poster Hafen | size: A4, A3 | 7 8',
    ]);
  });
  it('are found below headings, in a list of models with sizes across', () => {
    const list = read(`Collection 2027 Summer;;;;
      SANDALS;;;;
      Model;Colour;37;38;39
      Coral;Tan;1;2;1
      Coral;Black;2;2;2
      ESPADRILLES;;;;
      Dune;Navy;1;1;2
      Dune;Natural;0;2;2
      Total;;4;7;7`);
    expect(list.problems).toEqual([]);
    expect(list.families.map(({ name, children }) => [name, children.length])).toEqual([
      ['Coral', 6],
      ['Dune', 6],
    ]);
  });
  it('keep whole what a cell says of a colour, and read colours of other languages in names', () => {
    expect(
      told(`Name;Variant;Price
        Cove Blanket;Herringbone Grey - 130x180;69
        Cove Blanket;Plain Oat - 130x180;59
        Cove Blanket;Plain Oat - 150x200;79
        Cove Candle;Driftwood;18
        Cove Candle;Seaweed & Juniper;18`),
    ).toEqual([
      'Cove Blanket | colour: Herringbone Grey, Plain Oat | size: 130x180, 150x200 | 2 3 4',
      'Cove Candle | colour: Driftwood, Seaweed & Juniper | 5 6',
    ]);
    expect(
      told(`Item;Color/Pattern;Dimensions;Price
        Rug Skerry;Grey stripe;60 x 90 cm;30
        Rug Skerry;Grey stripe;120 x 170 cm;80
        Rug Skerry;Blue check;60 x 90 cm;30`),
    ).toEqual(['Rug Skerry | colour: Grey stripe, Blue check | size: 60 x 90 cm, 120 x 170 cm | 2 3 4']);
    expect(
      told(`Artikel;Grösse;Preis
        Wanderhose Alp dunkelgrau;48;119.90
        Wanderhose Alp dunkelgrau;50;119.90
        Wanderhose Alp oliv;48;119.90`),
    ).toEqual(['Wanderhose Alp | size: 48, 50 | colour: dunkelgrau, oliv | 2 3 4']);
  });
  it('are called what the seller calls them, goods sold singly too', () => {
    const table = [
      ['Name', 'Price'],
      ['Pier Cap', '9'],
    ];
    const settlement = { ...NO_SETTLEMENT, names: { row2: 'Quay Cap' } };
    expect(readList(registry, table, undefined, settlement).singles).toMatchObject([{ name: 'Quay Cap' }]);
  });
});
