import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Command, CreateFamily } from '../src/change/commands';
import { createFamily as createWith } from '../src/change/createFamily';
import { runCommand as runWith } from '../src/change/run';
import type { Family } from '../src/family/shape';
import { childLabels, familyIndex, placeLabel } from '../src/family/weave';
import { planList } from '../src/intake/importPlan/planList';
import type { Shelves } from '../src/intake/importPlan/shelves';
import { listReport } from '../src/intake/families/listReport';
import { readList } from '../src/intake/families/readList';
import { listProblemText } from '../src/intake/listText';
import { liveTable } from '../src/intake/liveTable';
import type { ListMapping } from '../src/intake/table/shape';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { measuresOf } from './told';
import { messyList, SHAPES } from '../../e2e/messy/messyLists';
import { EMPTY_SHELVES, tableOf } from './shelves';
import { rounds } from '../../e2e/howMuch';

const registry = openRegistry(emptyRegistry());
const createFamily = (spec: CreateFamily) => createWith(registry, spec);
const runCommand = (family: Family, command: Command) => runWith(registry, family, command);
const read = (text: string, mapping?: ListMapping) => readList(registry, tableOf(text), mapping);

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
      const { f1, axes } = measuresOf(seeds.map((seed) => messyList(shape, seed)));
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
    expect(reading.mended).toEqual([
      { code: 'gtin.lost-zero', row: 2, column: 'EAN', from: '36000291452', to: '036000291452' },
    ]);
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
    // Codes and names are told apart by what stands in them first, and are no less twice for that.
    expect(read('Name;SKU;SKU\nFell Cap;FC-1;TC-1\nFell Cap;FC-2;TC-2').problems).toMatchObject([
      { code: 'column.twice', column: 'SKU' },
    ]);
    expect(read('Name;Name;SKU\nFell Cap;Tide Hat;FC-1\nRust Cap;Fell Hat;FC-2').problems).toMatchObject([
      { code: 'column.twice', column: 'Name' },
    ]);
    expect(read('Name;Price').problems.map(({ code }) => code)).toEqual(['list.no-rows']);
    expect(readList(registry, []).problems.map(({ code }) => code)).toEqual(['list.no-rows']);
  });
  it('say where a quotation mark is not closed, and where one only is a sign for inches not', () => {
    const found = read('Name;SKU;Price\n"Fell Cap;FC-1;19\n"Fell" Hat;FH-1;20\nMug 5";M-1;4').problems;
    expect(found).toMatchObject([{ code: 'cell.open-mark', row: 2, column: 'Name' }]);
    expect(listProblemText(found[0]!)).toContain('Name begins with a quotation mark that is not closed');
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
    const rows = planList(registry, readList(registry, table), { columns: {} }, EMPTY_SHELVES);
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
    const [plan] = planList(registry, readList(registry, table), { columns: {} }, EMPTY_SHELVES);
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
    return planList(registry, readList(registry, table), { columns: {} }, shelves)[0]!;
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
    const [plan] = planList(registry, readList(registry, table), { columns: {} }, EMPTY_SHELVES);
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

  it('is read where its rows are shorter than its header and a line in them is a heading', () => {
    const rows = [['SKU'], ['Cap'], ['39-42', '!'], ['39-42', 'Name'], ['', 'Name', 'Name']];
    expect(readList(registry, rows).singles.map(({ name, rows: own }) => [name, own])).toEqual([
      ['Cap', [3, 4, 2]],
      ['Name', [5]],
    ]);
  });
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
        const verdicts = planList(registry, reading, { columns: {} }, EMPTY_SHELVES).flatMap((plan) => plan.rows);
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
      { numRuns: rounds(100, 400) },
    );
  });
});
