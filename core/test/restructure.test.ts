/** Changes of axes and values, whatever their order: nothing a child holds is lost. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { childFates, countFates } from '../src/change/childFates';
import type { SingleCommand } from '../src/change/commands';
import { type JsonPatch, applyPatch } from '../src/difference/patch';
import { figureOf, resolve } from '../src/family/level';
import type { Child, Family } from '../src/family/shape';
import { crossingKey, familyIndex } from '../src/family/weave';
import { picturesOf } from '../src/pictures/picturesOf';
import type { Place } from '../src/place/place';
import { Refusal } from '../src/refusal/refusal';
import { anyChange, changedBy } from './anyChange';
import { anyFamily, checkFamily, runCommand, stormJacket } from './sample';

const everyone = (family: Family): Child[] => [
  ...Object.values(family.children),
  ...Object.values(family.shelf).map((one) => one.child),
];
const skusOf = (family: Family) =>
  everyone(family)
    .flatMap((child) => (typeof child.fields.sku === 'string' ? [child.fields.sku] : []))
    .sort();

/** SKUs on every child; prices on the family, on some values and on some children. */
function furnished(family: Family, dice: () => number): Family {
  const at = (place: Place, key: string, figure: string) => ({ place, key, figure });
  const children = Object.values(family.children);
  const changes = [
    at({ level: 'family' }, 'price', '10.00'),
    ...children.map((child, number) => at({ level: 'child', childId: child.id }, 'sku', `S-${number}`)),
    ...children
      .filter(() => dice() < 3)
      .map((child, number) => at({ level: 'child', childId: child.id }, 'price', `${20 + number}.00`)),
    ...family.axes.flatMap((axis) =>
      axis.values
        .filter(() => dice() < 4)
        .map((value, number) =>
          at({ level: 'value', axisId: axis.id, valueId: value.id }, 'price', `${300 + number}.00`),
        ),
    ),
  ];
  return runCommand(family, { do: 'setFigures', changes }).family;
}

/** Prices of an account, surcharges and pictures besides. */
function adorned(family: Family, dice: () => number): Family {
  const children = Object.values(family.children);
  const places = [
    ...family.axes.flatMap((axis) =>
      axis.values.map(({ id }): Place => ({ level: 'value', axisId: axis.id, valueId: id })),
    ),
    ...children.map(({ id }): Place => ({ level: 'child', childId: id })),
  ].filter(() => dice() < 3);
  const inShop = places.map((place, number) => ({
    ...{ place, key: 'price', figure: `${700 + number}.00`, scope: SHOP },
  }));
  const raised = places
    .filter((place) => place.level === 'value' && dice() < 4)
    .map((place) => ({ place, key: 'price+', figure: '5' }));
  const pictured = places.map((place, number): SingleCommand => ({
    ...{ do: 'setPictures', place, pictures: [`p${number}`, `p${(number * 3) % 7}x`] },
  }));
  const commands: SingleCommand[] = [
    ...([...inShop, ...raised].length > 0
      ? [{ do: 'setFigures', changes: [...inShop, ...raised] } as SingleCommand]
      : []),
    ...pictured,
  ];
  return commands.length === 0 ? family : runCommand(family, { do: 'batch', title: 'Furnish', commands }).family;
}
const SHOP = 'account:shop';
/** Changes that make no child another. */
const PURE = ['joinAxes', 'splitAxis', 'mergeValues', 'moveAxis', 'renameAxis', 'orderValues', 'removeAxis'];

describe('any run of changes', () => {
  it('keeps every SKU, every crossing to itself, and the price of every child that stays', () => {
    const tally = new Map<string, number>();
    fc.assert(
      fc.property(anyFamily(3, 3), fc.infiniteStream(fc.integer({ min: 0, max: 9 })), ({ ...bare }, stream) => {
        const dice = () => stream.next().value as number;
        let family = adorned(furnished(Object.freeze(bare), dice), dice);
        const given = skusOf(family);
        for (let number = 0; number < 8; number++) {
          const command = anyChange(family, dice, number);
          const changed = command && changedBy(family, command);
          if (!changed) continue;
          tally.set(command.do, (tally.get(command.do) ?? 0) + 1);
          const { family: next } = changed;
          checkFamily(next);
          expect(skusOf(next)).toEqual(given);
          for (const child of familyIndex(family).woven) {
            const stays = next.children[child.id];
            if (!stays?.woven) continue;
            const told = (one: Family, of: Child) => [
              ...[of.id, figureOf(one, of, 'price'), figureOf(one, of, 'price', [SHOP])],
              ...(PURE.includes(command.do) && picturesOf(family, child).length > 0 ? [picturesOf(one, of)[0]] : []),
            ];
            expect([command.do, ...told(next, stays)]).toEqual([command.do, ...told(family, child)]);
          }
          family = next;
        }
      }),
      { numRuns: 150 },
    );
    expect([...tally.keys()].sort()).toEqual([
      'addAxis',
      'addValues',
      'editValue',
      'joinAxes',
      'mergeValues',
      'moveAxis',
      'orderValues',
      'removeAxis',
      'removeValues',
      'renameAxis',
      'setWoven',
      'splitAxis',
    ]);
  });

  it('is undone by its inverses, one after another, but for the count of ids', () => {
    fc.assert(
      fc.property(anyFamily(3, 3), fc.infiniteStream(fc.integer({ min: 0, max: 9 })), ({ ...bare }, stream) => {
        const dice = () => stream.next().value as number;
        const start = adorned(furnished(Object.freeze(bare), dice), dice);
        const inverses: JsonPatch[] = [];
        let family = start;
        for (let number = 0; number < 6; number++) {
          const command = anyChange(family, dice, number);
          const changed = command && changedBy(family, command);
          if (!changed) continue;
          inverses.push(changed.inverse);
          family = changed.family;
        }
        const { next } = family;
        for (const inverse of inverses.reverse()) family = applyPatch(family, inverse);
        expect({ ...family, revision: 0 }).toEqual({ ...start, revision: 0, next });
        // Ids given out since are never given out again.
        expect(next).toBeGreaterThanOrEqual(start.next);
      }),
      { numRuns: 80 },
    );
  });

  it('brings the same children back when a value goes and comes back', () => {
    fc.assert(
      fc.property(anyFamily(3, 4), fc.infiniteStream(fc.integer({ min: 0, max: 9 })), ({ ...bare }, stream) => {
        const dice = () => stream.next().value as number;
        const family = furnished(Object.freeze(bare), dice);
        const axis = family.axes.find((one) => one.values.length > 1);
        if (!axis) return;
        const { id, label, code } = axis.values[0]!;
        const without = runCommand(family, { do: 'removeValues', axisId: axis.id, valueIds: [id] }).family;
        const again = runCommand(without, { do: 'addValues', axisId: axis.id, values: [{ label, code }] }).family;
        for (const child of familyIndex(family).woven) {
          expect(again.children[child.id]?.fields.sku).toBe(child.fields.sku);
          expect(figureOf(again, again.children[child.id]!, 'price')).toBe(figureOf(family, child, 'price'));
        }
      }),
      { numRuns: 100 },
    );
  });
});

describe('levels', () => {
  it('give the figure a plain reading of the rule gives: own, else the last axis whose value has one, else the family', () => {
    fc.assert(
      fc.property(anyFamily(4, 3), fc.infiniteStream(fc.integer({ min: 0, max: 9 })), ({ ...bare }, stream) => {
        const family = furnished(Object.freeze(bare), () => stream.next().value as number);
        for (const child of familyIndex(family).woven) {
          const ofValues = family.axes.map(
            (axis) => axis.values.find((value) => value.id === child.at[axis.id])!.fields.price,
          );
          const wanted =
            child.fields.price ?? ofValues.filter((figure) => figure !== undefined).at(-1) ?? family.fields.price;
          const { figure, from, beaten } = resolve(family, child, 'price');
          expect(figure).toBe(wanted);
          const level =
            child.fields.price !== undefined ? 'child' : ofValues.some((one) => one !== undefined) ? 'value' : 'family';
          expect(from?.level).toBe(level);
          if (level === 'value') expect(beaten).toHaveLength(ofValues.filter((one) => one !== undefined).length - 1);
        }
      }),
      { numRuns: 100 },
    );
  });
});

describe('what cannot be done', () => {
  const jacket = stormJacket();
  const [colour, size, lining] = jacket.axes as [Family['axes'][0], Family['axes'][0], Family['axes'][0]];
  const [rust, spruce] = colour.values as [(typeof colour.values)[0], (typeof colour.values)[0]];
  const child = familyIndex(jacket).woven[0]!;
  const cases: [what: string, code: string, command: SingleCommand][] = [
    [
      'an axis of a name that is there',
      'axis.twice',
      { do: 'addAxis', role: 'other', label: ' colour ', values: [{ label: 'x' }], existingTake: 0 },
    ],
    [
      'two values of one label',
      'value.twice',
      { do: 'addValues', axisId: colour.id, values: [{ label: 'Kelp' }, { label: 'kelp' }] },
    ],
    ['a value that is there', 'value.twice', { do: 'addValues', axisId: colour.id, values: [{ label: 'RUST' }] }],
    [
      "renaming a value to another's label",
      'value.twice',
      { do: 'editValue', axisId: colour.id, valueId: rust.id, label: 'spruce' },
    ],
    [
      'renaming a value to nothing',
      'value.empty',
      { do: 'editValue', axisId: colour.id, valueId: rust.id, label: '  ' },
    ],
    [
      'a short code another value has',
      'value.code-twice',
      { do: 'editValue', axisId: colour.id, valueId: rust.id, code: spruce.code },
    ],
    [
      'a short code with signs in it',
      'value.code',
      { do: 'editValue', axisId: colour.id, valueId: rust.id, code: 'R-1' },
    ],
    [
      'taking the last values off',
      'axis.would-be-empty',
      { do: 'removeValues', axisId: lining.id, valueIds: lining.values.map((value) => value.id) },
    ],
    ['an axis that is not there', 'axis.unknown', { do: 'moveAxis', axisId: 'a99', to: 0 }],
    ['a value that is not there', 'value.unknown', { do: 'removeValues', axisId: size.id, valueIds: [rust.id] }],
    [
      'a child that is not there',
      'child.unknown',
      { do: 'setPictures', place: { level: 'child', childId: 'c99' }, pictures: [] },
    ],
    [
      'a crossing short of an axis',
      'value.unknown',
      { do: 'setWoven', crossings: [{ [colour.id]: rust.id }], woven: true },
    ],
    [
      'removing an axis that alone tells children apart',
      'axis.alike',
      { do: 'removeAxis', axisId: lining.id, keep: {} },
    ],
    [
      'a field nobody knows',
      'field.unknown',
      { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'shine', figure: 'much' }] },
    ],
    [
      'a name on a child',
      'field.level',
      { do: 'setFigures', changes: [{ place: { level: 'child', childId: child.id }, key: 'name', figure: 'X' }] },
    ],
    [
      'a family without a name',
      'family.no-name',
      { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'name', figure: null }] },
    ],
    [
      'a weight as text',
      'figure.kind',
      { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'weight', figure: '2 kg' }] },
    ],
    [
      'a GTIN that does not add up',
      'gtin.check-digit',
      {
        do: 'setFigures',
        changes: [{ place: { level: 'child', childId: child.id }, key: 'gtin', figure: '4006381333930' }],
      },
    ],
    ['a SKU pattern with an axis that is not there', 'sku.pattern', { do: 'setSkuPattern', pattern: '{style}-{leg}' }],
    [
      'leaving a child out that is not there',
      'child.unknown',
      { do: 'setWish', account: 'quayside', wish: { apart: [], whole: [], leaveOut: ['c99'], offered: true } },
    ],
  ];
  it.each(cases)('%s is refused (%s), and nothing is changed', (_what, code, command) => {
    const before = JSON.stringify(jacket);
    let refused: unknown;
    try {
      runCommand(jacket, command);
    } catch (error) {
      refused = error;
    }
    expect(refused).toBeInstanceOf(Refusal);
    expect((refused as Refusal).code).toBe(code);
    expect((refused as Refusal).message).toMatch(/^.{12,}\.$/s);
    expect(JSON.stringify(jacket)).toBe(before);
  });
  it('holds for a batch as a whole: what was good in it is not done either', () => {
    const good: SingleCommand = {
      do: 'setFigures',
      changes: [{ place: { level: 'family' }, key: 'price', figure: '1.00' }],
    };
    expect(() => runCommand(jacket, { do: 'batch', title: 'Both', commands: [good, cases[0]![2]] })).toThrow(Refusal);
    expect(jacket.fields.price).toBe('189.00');
  });
  it('stops at a seventh axis', () => {
    let family = jacket;
    for (const label of ['Four', 'Five', 'Six'])
      family = runCommand(family, {
        do: 'addAxis',
        role: 'other',
        label,
        values: [{ label: 'only' }],
        existingTake: 0,
      }).family;
    expect(() =>
      runCommand(family, {
        do: 'addAxis',
        role: 'other',
        label: 'Seven',
        values: [{ label: 'only' }],
        existingTake: 0,
      }),
    ).toThrow('six axes at most');
    expect(new Set(Object.values(family.children).map((one) => crossingKey(family.axes, one.at))).size).toBe(
      Object.keys(family.children).length,
    );
  });
});

describe('values made one', () => {
  it('bring their children over; where two would stand in one place somebody says which stays', () => {
    const jacket = stormJacket();
    const colour = jacket.axes[0]!;
    const [first, second] = colour.values;
    const merge = { do: 'mergeValues' as const, axisId: colour.id, from: [second!.id], into: first!.id };
    expect(() => runCommand(jacket, { ...merge, keep: {} })).toThrow('Say which of each pair stays');
    const { family } = runCommand(jacket, { ...merge, keep: { valueId: second!.id } });
    const counts = countFates(childFates(jacket, family));
    const those = (valueId: string) => familyIndex(jacket).woven.filter((child) => child.at[colour.id] === valueId);
    expect(counts.moves).toBe(those(second!.id).length);
    expect(counts.shelf).toBe(
      those(first!.id).filter((one) =>
        those(second!.id).some(
          (other) =>
            other.at[jacket.axes[1]!.id] === one.at[jacket.axes[1]!.id] &&
            other.at[jacket.axes[2]!.id] === one.at[jacket.axes[2]!.id],
        ),
      ).length,
    );
    for (const child of those(second!.id))
      expect(figureOf(family, family.children[child.id]!, 'price')).toBe(figureOf(jacket, child, 'price'));
  });
});

describe('a value like another', () => {
  it('begins with its figures and those of its children, woven where they are, and with no number or picture of theirs', () => {
    const jacket = adorned(
      furnished(stormJacket(), () => 1),
      () => 1,
    );
    const colour = jacket.axes[0]!;
    const [rust] = colour.values;
    const { family } = runCommand(jacket, {
      do: 'addValues',
      axisId: colour.id,
      values: [{ label: 'Moss' }],
      like: rust!.id,
    });
    checkFamily(family);
    const moss = family.axes[0]!.values.find(({ label }) => label === 'Moss')!;
    expect(moss.fields).toEqual(rust!.fields);
    const of = (valueId: string) => familyIndex(family).woven.filter((child) => child.at[colour.id] === valueId);
    expect(of(moss.id)).toHaveLength(of(rust!.id).length);
    of(moss.id).forEach((child, at) => {
      const sibling = of(rust!.id)[at]!;
      expect(figureOf(family, child, 'price')).toBe(figureOf(family, sibling, 'price'));
      expect(figureOf(family, child, 'price', [SHOP])).toBe(figureOf(family, sibling, 'price', [SHOP]));
      expect(child.fields.sku).toBeUndefined();
      expect(child.pictures).toEqual([]);
    });
  });
});
