import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  childLabels,
  createFamily as createWith,
  emptyRegistry,
  familyIndex,
  listReport,
  liveTable,
  openRegistry,
  placeLabel,
  planList,
  readList,
  runCommand as runWith,
  type Command,
  type CreateFamily,
  type Family,
  type ListMapping,
  type Shelves,
} from '../src/index';
import { addScores, measures, NO_SCORE, scoreOf } from '../../e2e/messy/listScore';
import { messyList, SHAPES } from '../../e2e/messy/messyLists';

const registry = openRegistry(emptyRegistry());
const createFamily = (spec: CreateFamily) => createWith(registry, spec);
const runCommand = (family: Family, command: Command) => runWith(registry, family, command);
const tableOf = (text: string): string[][] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split(';').map((cell) => cell.trim()));
const read = (text: string, mapping?: ListMapping) => readList(registry, tableOf(text), mapping);

/** A catalogue that holds nothing yet. */
const EMPTY_SHELVES: Shelves = {
  ownerOf: () => undefined,
  keyed: () => undefined,
  styled: () => undefined,
  named: () => undefined,
  load: (id) => {
    throw new Error(`there is no family ${id}`);
  },
  outside: { takenElsewhere: () => null, bound: () => null },
  newId: () => crypto.randomUUID(),
};

/** Families as one line each: name, axes with their values, rows. */
const told = (text: string, mapping?: ListMapping): string[] =>
  read(text, mapping).families.map(
    ({ name, axes, children }) =>
      `${name} | ${axes.map(({ role, values }) => `${role}: ${values.join(', ')}`).join(' | ')} | ${[...new Set(children.flatMap(({ rows }) => rows))].join(' ')}`,
  );
const singles = (text: string) => read(text).singles.map(({ name }) => name);

describe('families of a list', () => {
  it.each(SHAPES)(
    'are found with their axes in lists of the kind "%s", titles, totals and goods beside among them',
    (shape) => {
      const seeds = Array.from({ length: 6 }, (_, at) => 5000 + at);
      const { f1, axes } = measures(
        seeds
          .map((seed) => messyList(shape, seed))
          .reduce((sum, list) => addScores(sum, scoreOf(readList(registry, list.table), list)), NO_SCORE),
      );
      expect(f1).toBeGreaterThanOrEqual(0.99);
      expect(axes).toBeGreaterThanOrEqual(0.98);
    },
  );

  it('stay apart where only their names look alike', () => {
    const list = `Name;Price
      Storm Jacket, Navy, M;189
      Storm Jacket, Rust, L;189
      Storm Jacket Pro, Navy, M;249
      Storm Jacket Pro, Rust, L;249
      Storm Jacket Care Kit;12
      Storm Jacket Gift Box;189
      Trail 100 Jacket S;99
      Trail 100 Jacket M;99
      Trail 200 Jacket S;149
      Trail 200 Jacket M;149`;
    expect(told(list)).toEqual([
      'Storm Jacket | colour: Navy, Rust | size: M, L | 2 3',
      'Storm Jacket Pro | colour: Navy, Rust | size: M, L | 4 5',
      'Trail 100 Jacket | size: S, M | 8 9',
      'Trail 200 Jacket | size: S, M | 10 11',
    ]);
    expect(singles(list)).toEqual(['Storm Jacket Care Kit', 'Storm Jacket Gift Box']);
  });

  it('keep makers, wearers and what goods are made of apart', () => {
    expect(
      told(`Product
        Skerry Storm Jacket M
        Skerry Storm Jacket L
        Tarn Storm Jacket M
        Tarn Storm Jacket L
        Men's Deck Smock M
        Men's Deck Smock L
        Women's Deck Smock M
        Women's Deck Smock L
        Merino Socks Grey
        Merino Socks Navy
        Cotton Socks Grey
        Cotton Socks Navy`).map((one) => one.split(' | ')[0]),
    ).toEqual([
      'Skerry Storm Jacket',
      'Tarn Storm Jacket',
      "Men's Deck Smock",
      "Women's Deck Smock",
      'Merino Socks',
      'Cotton Socks',
    ]);
  });

  it('have each value once, however it is spelled, and sizes in their order', () => {
    expect(
      told(`Product;Color;Size
        Storm Jacket;Navy;X-Large
        Storm Jacket;NAVY;Large
        Storm jacket;gray;XL
        Storm Jacket;Grey;L
        Storm Jacket ;navy ;Medium`),
    ).toEqual(['Storm Jacket | colour: Navy, Grey | size: M, L, XL | 2 3 4 5 6']);
  });

  it('are read from captions over sizes, with pieces in the cells', () => {
    const list = `;;Größen;;;;Preis
      Artikel;Farbe;36;38;40;42;EUR
      Sturmjacke;rot;1;2;;4;189,00
      Sturmjacke;blau;0;2;3;4;189,00
      Summe;;1;4;3;8;`;
    expect(told(list)).toEqual(['Sturmjacke | colour: rot, blau | size: 36, 38, 40, 42 | 3 4']);
    const [family] = listReport(read(list)).families;
    expect(family!.children.map(({ stock }) => stock)).toEqual([1, 2, 4, 0, 2, 3, 4]);
    expect(family!.children[0]!.price).toBe('189.00');
  });

  it('are found under headers that look like amounts, and in lists without any', () => {
    expect(read('Title;EAN-13;RRP incl VAT\nMug red;4006381333931;9,90\nMug blue;;9,90').headerRows).toEqual([1]);
    expect(told('Mug red;4006381333931;9,90\nMug blue;4006381333948;9,90')).toEqual(['Mug | colour: red, blue | 1 2']);
  });

  it('have no axis for what goes with a colour: its number, its fabric', () => {
    const list = `Item;Color;Color code;Fabric;Size
      Fell Shirt;Navy;014;Cotton;S
      Fell Shirt;Navy;014;Cotton;M
      Fell Shirt;Marl;020;Cotton and viscose;S
      Fell Shirt;Marl;020;Cotton and viscose;M`;
    expect(told(list)).toEqual(['Fell Shirt | colour: Navy, Marl | size: S, M | 2 3 4 5']);
  });

  it('are found by their SKUs alone, and it is said that no column has names', () => {
    const list = `SKU;Qty
      SKJ-NAV-M;1
      SKJ-NAV-L;2
      SKJ-RUS-M;4
      DKS-NAV-M;5
      DKS-RUS-M;5`;
    expect(told(list).map((one) => one.split(' | ')[0])).toEqual(['SKJ', 'DKS']);
    expect(read(list).problems.map(({ code }) => code)).toEqual(['list.no-name']);
  });

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
      'Tarn Pack Black | volume: 30L, 45L | 9 10',
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
      'Bodysuit Oat | size: 3m, 6m | 8 9',
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
  it('are what the seller says of the columns', () => {
    const list = `Text;A;B
      Lamp;Small;11
      Lamp;Large;12`;
    expect(
      told(list, {
        columns: {
          Text: { is: 'field', key: 'name' },
          A: { is: 'ignored' },
          B: { is: 'option', role: 'model', label: 'Fits' },
        },
      }),
    ).toEqual(['Lamp | model: 11, 12 | 2 3']);
  });
});

describe('cells of a list', () => {
  it('are mended where one reading is possible, and told where they are not read', () => {
    // 036000291452 is the worked example of a UPC-A in general use; a spreadsheet takes its zero. 4006381333931 and 4006381333948 end in their check digits.
    const list = `Name;Size;EAN;Price
      Mug;S;36000291452;9,90
      Mug;M;4006381333932;1.299,00
      Mug;L;4006381333931;9,90
      Mug;XL;4006381333931;dear`;
    const reading = read(list);
    expect(reading.mended).toEqual([{ row: 2, column: 'EAN', from: '36000291452', to: '036000291452' }]);
    expect(reading.problems.map(({ row, column, code }) => [row, column, code])).toEqual([
      [3, 'EAN', 'gtin.check-digit'],
      [5, 'EAN', 'gtin.twice'],
      [5, 'Price', 'figure.no-amount'],
    ]);
    expect(listReport(reading).families[0]!.children.map(({ price }) => price)).toEqual([
      '9.90',
      '1299.00',
      '9.90',
      undefined,
    ]);
  });

  it('say when a header stands twice and when there are no goods', () => {
    expect(read('Name;Price;Price\nMug;1;2').problems.map(({ code, column }) => [code, column])).toEqual([
      ['column.twice', 'Price'],
    ]);
    expect(read('Name;Price').problems.map(({ code }) => code)).toEqual(['list.no-rows']);
    expect(readList(registry, []).problems.map(({ code }) => code)).toEqual(['list.no-rows']);
  });
});

describe('what stands on a channel, as a list', () => {
  const listing = {
    ...{
      key: 'L1',
      styleCode: 'SKJ',
      category: 'wear',
      currency: 'USD',
      structure: '',
      fromPrice: '20.00',
      pictures: [],
    },
    axes: [{ name: 'Colour', role: 'colour', options: [{ label: 'Navy' }, { label: 'Rust' }] }],
    fields: { Title: 'Storm jacket' },
    offers: ['Navy', 'Rust'].map((colour) => ({
      ...{ sku: `SKJ-${colour}`, options: [colour], price: '20.00', stock: 2, fields: { 'Weight kg': 0.5 } },
    })),
  };
  const rules = [
    { key: 'name', name: 'Title' },
    { key: 'weight', name: 'Weight kg' },
  ];
  const readLive = (currency: string) => {
    const { table, mapping } = liveTable(registry, [listing], rules, { currency, categoryOf: () => undefined });
    return listReport(readList(registry, table, mapping));
  };

  it('is a family over the axes of the listing; a price in another currency is not the seller’s own', () => {
    const [family] = readLive('USD').families;
    expect([family!.name, family!.axes[0]!.values, family!.children[1]]).toMatchObject([
      'Storm jacket',
      ['Navy', 'Rust'],
      { sku: 'SKJ-Rust', price: '20.00', stock: 2 },
    ]);
    expect(readLive('EUR').families[0]!.children.map(({ price }) => price)).toEqual([undefined, undefined]);
  });
});

describe('a list in the catalogue', () => {
  const plan = (text: string) => {
    const table = tableOf(text);
    const rows = planList(registry, table, readList(registry, table), { columns: {} }, EMPTY_SHELVES);
    return rows.flatMap((one) => one.rows).map(({ row, verdict, child }) => `${row} ${verdict} ${child}`);
  };

  it('weaves what its rows name, however many crossings their options have', () => {
    const rows = Array.from(
      { length: 40 },
      (_, at) => `P${at};Navy ${at};${at + 20};Model ${at};${at} ml;Pattern ${at}`,
    );
    const table = tableOf(
      ['Parent;Colour;Size;Fits;Volume;Pattern', ...rows.map((row) => row.replace(/^P\d+/, 'P'))].join('\n'),
    );
    const [plan] = planList(registry, table, readList(registry, table), { columns: {} }, EMPTY_SHELVES);
    expect(Object.values(plan!.family!.children).filter((child) => child.woven).length).toBe(40);
  });

  it('has a verdict for goods whose every figure stands with their family, and for the row that names a family', () => {
    expect(
      plan(`Name;Price
        Bothy Stool;49
        Enamel Mug;9`),
    ).toEqual(['2 newFamily the only child', '3 newFamily the only child']);
    expect(
      plan(`SKU;Parent;Name;Colour
        FJ;;Fell Jacket;
        FJ-N;FJ;Fell Jacket;Navy
        FJ-R;FJ;Fell Jacket;Rust`),
    ).toEqual(['2 newFamily ', '3 newFamily Navy', '4 newFamily Rust']);
  });
});

describe('a list with an axis that the family there has not', () => {
  const held = createFamily({
    id: 'kheld',
    fields: { name: 'Fell Jacket', price: '90' },
    axes: [{ role: 'colour', label: 'Colour', values: [{ label: 'Navy' }, { label: 'Rust' }] }],
    off: [],
  });
  const [navy, rust] = familyIndex(held).woven.map((child) => child.id) as [string, string];
  const listed = runCommand(held, {
    do: 'setFigures',
    changes: [navy, rust].map((childId, at) => ({
      ...{ place: { level: 'child' as const, childId }, key: 'sku', figure: `FJ-${at}` },
    })),
  }).family;
  const brought = (rows: string[], family = listed) => {
    const table = tableOf(['SKU;Name;Colour;Size', ...rows].join('\n'));
    const owners = new Map(
      familyIndex(family).woven.map((child) => [String(child.fields.sku).toLowerCase(), child.id]),
    );
    const shelves: Shelves = {
      ...EMPTY_SHELVES,
      ownerOf: (kind, identity) => {
        const childId = kind === 'sku' ? owners.get(identity.toLowerCase()) : undefined;
        return childId === undefined ? undefined : { familyId: family.id, childId };
      },
      named: () => family.id,
      load: () => ({ family, stock: {}, around: EMPTY_SHELVES.outside }),
    };
    return planList(registry, table, readList(registry, table), { columns: {} }, shelves)[0]!;
  };

  it('brings it, where its rows say what the children there are; they keep their numbers, and the others are new', () => {
    const plan = brought([
      'FJ-0;Fell Jacket;Navy;M',
      'FJ-1;Fell Jacket;Rust;M',
      'FJ-2;Fell Jacket;Navy;L',
      'FJ-3;Fell Jacket;Rust;XL',
    ]);
    expect(plan.rows.map(({ verdict, child }) => `${verdict} ${child}`)).toEqual([
      'changed Navy · M',
      'same Rust · M',
      'newChild Navy · L',
      'newChild Rust · XL',
    ]);
    expect(plan.changes).toEqual([
      { column: 'Axes', before: 'Colour', after: 'Size comes to it; the children that are there are M.' },
    ]);
    const { family } = plan;
    expect(
      familyIndex(family!).woven.map((child) => [childLabels(family!, child).join(' '), child.fields.sku]),
    ).toEqual([
      ['Navy M', 'FJ-0'],
      ['Navy L', 'FJ-2'],
      ['Rust M', 'FJ-1'],
      ['Rust XL', 'FJ-3'],
    ]);
    expect(family!.children[navy]!.fields.sku).toBe('FJ-0');
  });
  it('is refused with a way out where they say nothing of one of them, or several things', () => {
    for (const rows of [
      ['FJ-2;Fell Jacket;Navy;L', 'FJ-3;Fell Jacket;Rust;XL'],
      ['FJ-0;Fell Jacket;Navy;M', 'FJ-2;Fell Jacket;Navy;L'],
      ['FJ-0;Fell Jacket;Navy;M', 'FJ-1;Fell Jacket;Rust;L', 'FJ-2;Fell Jacket;Navy;S'],
    ]) {
      const plan = brought(rows);
      expect(plan.family).toBeNull();
      expect(plan.rows[0]!.problems[0]!.message).toMatch(/^Fell Jacket has no axis Size.* Add it to the family first/);
    }
  });
  it('brings options to goods that were sold singly', () => {
    const single = runCommand(createFamily({ id: 'kone', fields: { name: 'Fell Jacket' }, axes: [], off: [] }), {
      do: 'setFigures',
      changes: [{ place: { level: 'child', childId: 'kone.c1' }, key: 'sku', figure: 'FJ-0' }],
    }).family;
    const plan = brought(['FJ-0;Fell Jacket;Navy;M', 'FJ-2;Fell Jacket;Rust;M', 'FJ-3;Fell Jacket;Rust;L'], single);
    expect(plan.rows.map(({ verdict, child }) => `${verdict} ${child}`)).toEqual([
      'changed Navy · M',
      'newChild Rust · M',
      'newChild Rust · L',
    ]);
  });
});

describe('addresses of pictures in a list', () => {
  it('go to all children, to the option that shares them, or to a child, in the order of the list', () => {
    const table = tableOf(`Name;Colour;Size;Image;More images
      Fell Cap;Navy;S;https://x.test/all.jpg;https://x.test/navy-1.jpg|https://x.test/navy-2.jpg
      Fell Cap;Navy;M;https://x.test/all.jpg;https://x.test/navy-1.jpg|https://x.test/navy-2.jpg
      Fell Cap;Rust;S;https://x.test/all.jpg;https://x.test/rust-s.jpg
      Fell Cap;Rust;M;https://x.test/all.jpg;no picture yet`);
    const [plan] = planList(registry, table, readList(registry, table), { columns: {} }, EMPTY_SHELVES);
    const family = plan!.family!;
    expect(plan!.pictures.map(({ address, place }) => [address.slice(15), placeLabel(family, place)])).toEqual([
      ['all.jpg', 'the family'],
      ['navy-1.jpg', 'everything Navy'],
      ['navy-2.jpg', 'everything Navy'],
      ['rust-s.jpg', 'Rust · S'],
    ]);
  });
});

describe('any table whatever', () => {
  const words = [
    'Name',
    'Colour',
    'Size',
    'SKU',
    'Parent',
    'Price',
    'Storm Jacket',
    'Navy',
    'M',
    'XL',
    '42',
    '39-42',
    '4006381333931',
    'Total',
    '=1+1',
    'Colour: Navy; Size: M',
    '',
    '',
    '9,90',
    'delete',
    "x'; DROP",
    '\u202eabc',
    '½',
  ];
  const cell = fc.oneof(fc.constantFrom(...words), fc.string({ unit: 'grapheme', maxLength: 14 }));
  const table = fc.array(fc.array(cell, { minLength: 1, maxLength: 7 }), { maxLength: 14 });

  it('is read without a fault, and every row of it is accounted for once', () => {
    fc.assert(
      fc.property(table, (rows) => {
        const reading = readList(registry, rows);
        const counted = new Map<number, number>();
        const count = (row: number) => counted.set(row, (counted.get(row) ?? 0) + 1);
        for (const { children, parentRows } of reading.families)
          for (const row of new Set([...children.flatMap((child) => child.rows), ...parentRows])) count(row);
        for (const { rows: own } of reading.singles) own.forEach(count);
        for (const { row } of [...reading.skipped, ...reading.deletions]) count(row);
        reading.headerRows.forEach(count);
        const filled = rows.flatMap((row, at) => (row.some((one) => one.trim() !== '') ? [at + 1] : []));
        expect([...counted].filter(([row, times]) => times > 1 || !filled.includes(row))).toEqual([]);
        const lost = filled.filter((row) => !counted.has(row));
        expect(lost).toEqual([]);
        // Planned into an empty catalogue, every row of goods has a verdict, once.
        const verdicts = planList(registry, rows, reading, { columns: {} }, EMPTY_SHELVES).flatMap((plan) => plan.rows);
        const goods = [
          ...reading.families.flatMap(({ children, parentRows }) => [
            ...children.flatMap((one) => one.rows),
            ...parentRows,
          ]),
          ...[...reading.singles.flatMap((one) => one.rows), ...reading.deletions.map(({ row }) => row)],
        ];
        const inOrder = (numbers: readonly number[]) => [...numbers].sort((a, b) => a - b);
        expect(inOrder(verdicts.map(({ row }) => row))).toEqual(inOrder([...new Set(goods)]));
        // Options of a family are told apart, and no child stands twice.
        for (const { axes, children } of reading.families) {
          const crossings = children.map(({ at }) => JSON.stringify(axes.map(({ label }) => at[label])));
          expect(new Set(crossings).size).toBe(crossings.length);
        }
      }),
      { numRuns: 400 },
    );
  });
});
