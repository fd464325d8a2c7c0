/** What a list becomes in the catalogue: numbers that stand in it more than once, how its figures are written, families begun with their children. */
import { describe, expect, it } from 'vitest';
import { createFamily } from '../src/change/createFamily';
import { familyIndex } from '../src/family/weave';
import { planList } from '../src/intake/importPlan/planList';
import type { Become } from '../src/intake/importPlan/shape';
import type { Shelves } from '../src/intake/importPlan/shelves';
import { readList } from '../src/intake/families/readList';
import { unreadable } from '../src/refusal/refusal';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { EMPTY_SHELVES, shelvesWith, tableOf } from './shelves';
import { messyList, SHAPES } from '../../e2e/messy/messyLists';
import { rounds } from '../../e2e/howMuch';

const registry = openRegistry(emptyRegistry());
const planOf = (text: string): Become[] => {
  const table = tableOf(text);
  return planList(registry, readList(registry, table), { columns: {} }, EMPTY_SHELVES);
};
const rowsOf = (plans: readonly Become[]): string[] =>
  plans
    .flatMap(({ rows }) => rows)
    .sort((a, b) => a.row - b.row)
    .map(({ row, verdict, problems }) => [row, verdict, ...problems.map(({ message }) => message)].join(' '));
const figuresIn = (plans: readonly Become[], key: string) =>
  plans.flatMap(({ family }) => (family ? familyIndex(family).woven.map((child) => child.fields[key] ?? null) : []));

describe('the number of a parent', () => {
  const withParent = (head: string, parent: string, child: string) =>
    planOf(`Parent SKU;SKU;Name;Colour;Size;Price${head}
      ;COAT-P;Fell coat;;;${parent}
      COAT-P;C-1;Fell coat;Rust;S;10${child}
      COAT-P;C-2;Fell coat;Rust;M;10${child}`)[0]!;
  it('is the style code of its family, where the list has none', () => {
    expect(withParent('', '', '').family!.fields.styleCode).toBe('COAT-P');
    // It is told with the row it is taken from.
    const told = [{ column: 'Style code', before: '', after: 'COAT-P' }];
    expect(withParent('', '', '').rows[0]).toMatchObject({ row: 2, changes: told });
    expect(withParent(';Style code', ';FC-26', ';FC-26').family!.fields.styleCode).toBe('FC-26');
    expect(
      planOf('Name;Colour;SKU\nFell coat;Rust;C-1\nFell coat;Sage;C-2')[0]!.family!.fields.styleCode,
    ).toBeUndefined();
  });
});

describe('a figure that a family has once', () => {
  const told = (...places: string[]) =>
    planOf(
      `Name;Colour;Made in\n${places.map((place, at) => `Fell coat;${['Rust', 'Sage', 'Navy'][at]};${place}`).join('\n')}`,
    )[0]!;
  it('is the first that its rows say, and that they say others is told', () => {
    const plan = told('Norway', 'Wales', '');
    expect(plan.family!.fields.madeIn).toBe('Norway');
    expect(plan.rows.flatMap(({ problems }) => problems)).toEqual([
      {
        column: 'Made in',
        message: 'its rows say "Norway" and "Wales". A family has one: "Norway" is taken.',
      },
    ]);
    expect(told('Norway', '', 'Norway').rows.flatMap(({ problems }) => problems)).toEqual([]);
  });
});

describe('a number that stands in a list twice', () => {
  it('is refused the second time whatever its family, by the row that has it; all others go in', () => {
    const plans = planOf(`Name;Colour;SKU;Price
      Fell Scarf;Navy;S-1;20
      Fell Scarf;Rust;S-2;21
      Tide Smock;Navy;s-2;60
      Tide Smock;Sage;S-4;61
      Wax Tin;;S-4;9
      Oil Tin;;S-5;9
      Bothy Stool;Oak;S-6;49
      Bothy Stool;Ash;S-7;49
      Bothy Stool;Larch;S-8;49`);
    expect(rowsOf(plans)).toEqual([
      '2 newFamily',
      '3 newFamily',
      '4 refused The SKU s-2 stands in row 3 already, with Fell Scarf. Each number belongs to one child: give this row its own.',
      '5 newFamily',
      '6 refused The SKU S-4 stands in row 5 already, with Tide Smock. Each number belongs to one child: give this row its own.',
      ...['7 newFamily', '8 newFamily', '9 newFamily', '10 newFamily'],
    ]);
    expect(figuresIn(plans, 'sku').sort()).toEqual(['S-1', 'S-2', 'S-4', 'S-5', 'S-6', 'S-7', 'S-8']);
  });

  it('is said the same of two rows of one family, and of a GTIN in whatever length', () => {
    expect(
      rowsOf(
        planOf(`Name;Colour;GTIN;Price
          Fell Scarf;Navy;036000291452;20
          Fell Scarf;Rust;0036000291452;21
          Fell Scarf;Sage;;22`),
      ),
    ).toEqual([
      '2 newFamily',
      '3 refused The GTIN 0036000291452 stands in row 2 already, with Fell Scarf. Each number belongs to one child: give this row its own.',
      '4 newFamily',
    ]);
  });
});

describe('rows of a list for one child that is there', () => {
  const held = createFamily(registry, {
    id: 'kheld',
    fields: { name: 'Fell Scarf' },
    axes: [{ role: 'colour', label: 'Colour', values: [{ label: 'Navy' }, { label: 'Rust' }] }],
    off: [],
  });
  const shelves: Shelves = {
    ...EMPTY_SHELVES,
    named: (name) => (name.startsWith('Fell Scarf') ? held.id : undefined),
    load: () => ({ family: held, stock: {}, around: EMPTY_SHELVES.outside }),
  };
  const plansOf = (text: string) => {
    const table = tableOf(text);
    return planList(registry, readList(registry, table), { columns: {} }, shelves);
  };

  it('are one row: of two with one number the second is refused, and changes nothing', () => {
    const plans = plansOf(`Name;Colour;SKU;Price
      Fell Scarf;Navy;FSC-101;20
      Fell Scarf;Sage;fsc-101;99
      Fell Scarf;Rust;FSC-102;21
      Tide Smock;Navy;TSM-101;60
      Tide Smock;Rust;TSM-102;60
      Tide Smock;Sage;TSM-103;60`);
    expect(rowsOf(plans).slice(0, 3)).toEqual([
      '2 changed',
      '3 refused The SKU fsc-101 stands in row 2 already, with Fell Scarf. Each number belongs to one child: give this row its own.',
      '4 changed',
    ]);
    expect(figuresIn(plans.slice(0, 1), 'price')).toEqual(['20', '21']);
  });

  it('count its pieces once, the last as they stand, though they are two families of the list', () => {
    const plans = plansOf(`Name;Brand;Colour;Stock;Price
      Fell Scarf;Skerry;Navy;3;20
      Fell Scarf;Skerry;Rust;4;20
      Fell Scarf;Merrow;Navy;5;20
      Fell Scarf;Merrow;Rust;6;20`);
    const [navy, rust] = familyIndex(held).woven;
    expect(plans.at(-1)!.pieces).toEqual([
      { childId: navy!.id, pieces: 5 },
      { childId: rust!.id, pieces: 6 },
    ]);
  });
});

describe('a family of a list with one number of a family that is there', () => {
  it('does not follow it there with all its rows: the row with the number is refused', () => {
    const owner = (kind: string, number: string) => (kind === 'sku' && number === 'T-1' ? 'kother' : undefined);
    const shelves: Shelves = {
      ...EMPTY_SHELVES,
      ownerOf(kind, identity) {
        const familyId = owner(kind, identity);
        return familyId ? { familyId, childId: `${familyId}.c1` } : undefined;
      },
      outside: {
        takenElsewhere: (kind, figure) =>
          owner(kind, figure) ? unreadable('sku.taken', { sku: figure, owner: 'Enamel Mug' }) : null,
        bound: () => null,
      },
    };
    const table = tableOf(`Name;Colour;SKU;Price
      Tide Smock;Navy;T-1;60
      Tide Smock;Sage;T-2;60
      Tide Smock;Rust;T-3;60`);
    const plans = planList(registry, readList(registry, table), { columns: {} }, shelves);
    expect(rowsOf(plans)).toEqual([
      '2 refused The SKU T-1 belongs to Enamel Mug already.',
      '3 newFamily',
      '4 newFamily',
    ]);
  });
});

describe('figures of a list', () => {
  it('are read as the list writes them, though the rows of a family alone could be read two ways', () => {
    const plans = planOf(`Name;Colour;SKU;Price;Stock
      Fell Coat;Navy;C-1;1.250;1.500
      Fell Coat;Rust;C-2;1.350;3
      Tide Smock;Navy;C-3;60,50;4
      Tide Smock;Sage;C-4;61,25;5`);
    expect(figuresIn(plans, 'price')).toEqual(['1250', '1350', '60.50', '61.25']);
    expect(plans.flatMap(({ pieces }) => pieces.map((one) => one.pieces))).toEqual([1500, 3, 4, 5]);
  });
});

describe('a list that is brought again', () => {
  it.each(SHAPES)('changes nothing and makes no doubles, of the kind "%s"', (shape) => {
    for (const seed of [7101, 7102, 7103].slice(0, rounds(1, 3))) {
      const { table } = messyList(shape, seed);
      const plan = (shelves: Shelves) => planList(registry, readList(registry, table), { columns: {} }, shelves);
      const first = plan(EMPTY_SHELVES);
      const again = plan(shelvesWith(first)).flatMap(({ rows }) => rows);
      const refused = new Set(
        first.flatMap(({ rows }) => rows.flatMap(({ row, verdict }) => (verdict === 'refused' ? [row] : []))),
      );
      const others = again.filter(({ row, verdict }) => verdict !== 'same' && !refused.has(row));
      expect(others.map(({ row, verdict, changes, problems }) => ({ seed, row, verdict, changes, problems }))).toEqual(
        [],
      );
    }
  });
  it('changes nothing either where its names say choices of a trade, colours in two ways, and numbers of colours', () => {
    const table = tableOf(`Name;Price
      Moor Blend Coffee Whole Bean 250 g;8.90
      Moor Blend Coffee Ground 250 g;8.90
      Moor Blend Coffee Ground 1 kg;8.90
      Fjord Runner Navy & White 36 2/3;119
      Fjord Runner Black and Red 37 1/3;119
      Tide Smock Navy 401 S;59
      Tide Smock Rust 220 S;59
      Tide Smock Rust 220 M;59
      Lark Dress Navy Spot 1X;79
      Lark Dress Green Floral 2X;79
      Circular Needle 4 mm 80 cm;9
      Circular Needle 5 mm 80 cm;9
      Circular Needle 5 mm 100 cm;9
      Soy Candle Old Books 120 ml;18
      Soy Candle Old Books 250 ml;18
      Soy Candle White Tea 120 ml;18
      Soy Candle White Tea 250 ml;18`);
    const plan = (shelves: Shelves) => planList(registry, readList(registry, table), { columns: {} }, shelves);
    const first = plan(EMPTY_SHELVES);
    expect(first.filter(({ family }) => family)).toHaveLength(6);
    expect(new Set(plan(shelvesWith(first)).flatMap(({ rows }) => rows.map(({ verdict }) => verdict)))).toEqual(
      new Set(['same']),
    );
  });
});
