/**
 * What holds for a child goes on holding, whatever is done to the structure: every figure, text and picture, as any account in any
 * language reads it. The readers here go the plain way, field by field, and share nothing with what keeps the figures.
 * LOOM_KIN_RUNS runs more families, LOOM_KIN_SEED others.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SingleCommand } from '../src/change/commands';
import { figureOf } from '../src/family/level';
import type { Child, Family, Figure } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import { gather } from '../src/gather/gather';
import { leave } from '../src/gather/leave';
import { picturesOf } from '../src/pictures/picturesOf';
import type { Place } from '../src/place/place';
import { anyChange, changedBy } from './anyChange';
import { anyFamily, checkFamily, createFamily, registry, runCommand } from './sample';

const RUNS = Number(process.env.LOOM_KIN_RUNS ?? 150);
const SEED = process.env.LOOM_KIN_SEED === undefined ? {} : { seed: Number(process.env.LOOM_KIN_SEED) };

const ACCOUNTS = ['account:shop', 'account:outlet'];
const LANGUAGES = ['language:de', 'language:fr'];
/** Every way that somebody looks into a family. */
const READERS = [
  [],
  ...LANGUAGES.map((one) => [one]),
  ...ACCOUNTS.flatMap((one) => [[one], ...LANGUAGES.map((tongue) => [one, tongue])]),
];
const TEXTS = ['description', 'shortText', 'care', 'nameSuffix'];
const MONEY = ['price', 'salePrice', 'cost'];
const KEYS = [...TEXTS, ...MONEY, 'weight', 'onSale', 'saleFrom', 'leadDays'];

const figureFor = (key: string, number: number): Figure =>
  TEXTS.includes(key)
    ? `Text ${number}`
    : MONEY.includes(key)
      ? `${10 + number}.00`
      : key === 'onSale'
        ? number % 2 === 0
        : key === 'saleFrom'
          ? `2026-01-${String(10 + (number % 18))}`
          : 100 + number;

type Dice = () => number;

/** Figures, texts, surcharges and pictures on every level and in every scope, by dice. */
function furnished(family: Family, dice: Dice, few = 2): Family {
  let number = 0;
  const values = family.axes.flatMap(({ id: axisId, values: all }) =>
    all.map(({ id: valueId }): Place => ({ level: 'value', axisId, valueId })),
  );
  const children = Object.keys(family.children).map((childId): Place => ({ level: 'child', childId }));
  const figures: { place: Place; key: string; figure: Figure; scope?: string }[] = children.map((place, at) => ({
    place,
    key: 'sku',
    figure: `${family.id}-${at}`,
  }));
  const pictures: SingleCommand[] = [];
  for (const place of combinationsIn(family))
    for (const scope of [undefined, ...ACCOUNTS])
      if (dice() < few)
        pictures.push({
          ...{ do: 'setPictures', place, pictures: [`p${number++ % 9}`, `p${number++ % 9}`] },
          ...(scope ? { scope } : {}),
        });
  for (const place of [{ level: 'family' } as Place, ...values, ...children]) {
    const likely = place.level === 'child' ? 1 : few;
    for (const key of KEYS) {
      if (key === 'nameSuffix' && place.level === 'family') continue;
      const scopes = [undefined, ...ACCOUNTS, ...(TEXTS.includes(key) ? LANGUAGES : [])];
      for (const scope of scopes)
        if (dice() < likely)
          figures.push({ place, key, figure: figureFor(key, number++), ...(scope ? { scope } : {}) });
    }
    if (place.level === 'value') {
      for (const scope of [undefined, ACCOUNTS[0]])
        if (dice() < likely)
          figures.push({
            place,
            key: 'price+',
            figure: dice() < 7 ? `${1 + (number++ % 9)}` : '5%',
            ...(scope ? { scope } : {}),
          });
      if (dice() < likely) figures.push({ place, key: 'shortLabel', figure: `S${number++}` });
    }
    for (const scope of [undefined, ...ACCOUNTS])
      if (dice() < likely)
        pictures.push({
          ...{ do: 'setPictures', place, pictures: [`p${number++ % 9}`, `p${number++ % 9}`] },
          ...(scope ? { scope } : {}),
        });
  }
  return runCommand(family, {
    do: 'batch',
    title: 'Furnish',
    commands: [{ do: 'setFigures', changes: figures }, ...pictures],
  }).family;
}

/** Two of a child's values, of each child in a family that has an axis more. */
const combinationsIn = ({ axes, children }: Family): Place[] =>
  axes.length < 3
    ? []
    : Object.values(children).map(({ at }, nth) => {
        const [one, other] = [axes[nth % axes.length]!.id, axes[(nth + 1) % axes.length]!.id];
        return { level: 'combination', at: { [one]: at[one]!, [other]: at[other]! } };
      });

/** Everything that any reader sees of a child. */
const seen = (family: Family, child: Child): Record<string, unknown> =>
  Object.fromEntries(
    READERS.flatMap((scopes) => [
      ...KEYS.map((key) => [`${scopes.join()} ${key}`, figureOf(family, child, key, scopes)] as const),
      ...(scopes.some((scope) => LANGUAGES.includes(scope))
        ? []
        : [[`${scopes.join()} pictures`, picturesOf(family, child, scopes)] as const]),
    ]),
  );

const everyone = (family: Family): Child[] => [
  ...Object.values(family.children),
  ...Object.values(family.shelf).map((one) => one.child),
];
const dicesOf =
  (stream: fc.Stream<number>): Dice =>
  () =>
    stream.next().value as number;
const stream = fc.infiniteStream(fc.integer({ min: 0, max: 9 }));

describe('what holds for every child', () => {
  it('is the same to every reader after any change of the structure, and such a family is taken as a file', () => {
    const tally = new Map<string, number>();
    fc.assert(
      fc.property(anyFamily(3, 3), stream, ({ ...bare }, dices) => {
        const dice = dicesOf(dices);
        let family = furnished(Object.freeze(bare), dice);
        for (let number = 0; number < 5; number++) {
          const command = anyChange(family, dice, number);
          const changed = command && changedBy(family, command);
          if (!changed) continue;
          tally.set(command.do, (tally.get(command.do) ?? 0) + 1);
          const next = changed.family;
          checkFamily(next);
          const after = new Map(everyone(next).map((child) => [child.id, child]));
          for (const child of everyone(family)) {
            const now = after.get(child.id);
            if (now) expect([command.do, seen(next, now)]).toEqual([command.do, seen(family, child)]);
          }
          family = next;
        }
      }),
      { numRuns: RUNS, ...SEED },
    );
    expect([...tally.keys()]).toEqual(
      expect.arrayContaining(['joinAxes', 'mergeValues', 'moveAxis', 'removeAxis', 'splitAxis']),
    );
  });

  const shirt = (id: string, dice: Dice) =>
    furnished(
      createFamily({
        id,
        fields: { name: `Shirt ${id}`, styleCode: id.toUpperCase() },
        axes: [
          { role: 'colour', label: 'Colour', values: [{ label: 'Rust' }, { label: 'Navy' }] },
          { role: 'size', label: 'Size', values: [{ label: 'S' }, { label: 'XXL' }] },
        ],
        off: [],
      }),
      dice,
    );

  it('is the same after families are gathered, for those who come and those who are there', () => {
    fc.assert(
      fc.property(stream, (dices) => {
        const dice = dicesOf(dices);
        const [into, other] = [shirt('ka', dice), shirt('kb', dice)];
        const members = [into, other].flatMap((family) =>
          familyIndex(family).woven.map((child) => ({
            familyId: family.id,
            childId: child.id,
            labels: [
              ...family.axes.map((axis) => axis.values.find((value) => value.id === child.at[axis.id])!.label),
              family.id,
            ],
          })),
        );
        const done = gather(registry, into, [other], { axes: [{ role: 'pattern', label: 'Design' }], members });
        const { family } = done.into;
        checkFamily(family);
        for (const child of everyone(into)) expect(seen(family, family.children[child.id]!)).toEqual(seen(into, child));
        for (const { childId, to } of done.moves)
          expect(seen(family, family.children[to]!)).toEqual(seen(other, other.children[childId]!));
      }),
      { numRuns: RUNS, ...SEED },
    );
  });

  it('is the same after children have left, for them and for those who stay', () => {
    fc.assert(
      fc.property(stream, (dices) => {
        const family = shirt('ka', dicesOf(dices));
        const [first, second] = familyIndex(family).woven;
        let made = 0;
        const done = leave(registry, family, [first!.id, second!.id], () => `kx${made++}`);
        for (const { childId, familyId, to } of done.moves) {
          const alone = done.families.find(({ id }) => id === familyId)!;
          checkFamily(alone);
          expect(seen(alone, alone.children[to]!)).toEqual(seen(family, family.children[childId]!));
        }
        const { family: left } = done.from;
        for (const child of everyone(left)) expect(seen(left, child)).toEqual(seen(family, family.children[child.id]!));
      }),
      { numRuns: RUNS, ...SEED },
    );
  });
});

describe('figures that somebody would get who did not have them', () => {
  const family = (id: string, fields: Record<string, Figure>) =>
    createFamily({
      id,
      fields: { name: id, ...fields },
      axes: [{ role: 'size', label: 'Size', values: [{ label: 'S' }, { label: 'XXL' }] }],
      off: [],
    });
  const set = (one: Family, place: Place, key: string, figure: Figure, scope?: string) =>
    runCommand(one, { do: 'setFigures', changes: [{ place, key, figure, ...(scope ? { scope } : {}) }] }).family;
  const xxlOf = (one: Family): Place => ({
    level: 'value',
    axisId: one.axes[0]!.id,
    valueId: one.axes[0]!.values[1]!.id,
  });
  const gathered = (into: Family, other: Family) => {
    const members = [into, other].flatMap((one) =>
      familyIndex(one).woven.map(({ id, at }) => ({
        familyId: one.id,
        childId: id,
        labels: [one.axes[0]!.values.find((value) => value.id === at[one.axes[0]!.id])!.label, one.id],
      })),
    );
    const { into: done, moves } = gather(registry, into, [other], {
      axes: [{ role: 'pattern', label: 'Design' }],
      members,
    });
    const came = new Set(moves.map(({ to }) => to));
    return familyIndex(done.family).woven.map((child) => ({
      came: came.has(child.id),
      price: figureOf(done.family, child, 'price'),
      sale: figureOf(done.family, child, 'salePrice'),
      shop: figureOf(done.family, child, 'price', ['account:shop']),
    }));
  };

  it('gathered goods of 20 do not cost 24 since the family they come into has XXL + 4', () => {
    const into = set(family('ka', { price: '30' }), xxlOf(family('ka', {})), 'price+', '4');
    expect(gathered(into, family('kb', { price: '20' })).map(({ came, price }) => [came, price])).toEqual([
      [false, '30'],
      [true, '20'],
      [false, '34'],
      [true, '20'],
    ]);
  });
  it('nor 80 on an account that has a price of its own there, nor are they on sale', () => {
    const priced = set(
      family('ka', { price: '100', salePrice: '10' }),
      { level: 'family' },
      'price',
      '80',
      'account:shop',
    );
    expect(gathered(priced, family('kb', { price: '200' }))).toEqual(
      Array(2)
        .fill([
          { came: false, price: '100', sale: '10', shop: '80' },
          { came: true, price: '200', sale: undefined, shop: '200' },
        ])
        .flat(),
    );
  });
  it('a value that is not for sale does not take those off sale that are merged into it', () => {
    const one = family('ka', { price: '30' });
    const off = set(one, xxlOf(one), 'onSale', false);
    const [axis] = off.axes;
    const [s, xxl] = axis!.values;
    const child = familyIndex(off).woven.find(({ at }) => at[axis!.id] === s!.id)!;
    const merged = runCommand(off, {
      do: 'mergeValues',
      axisId: axis!.id,
      from: [s!.id],
      into: xxl!.id,
      keep: { byKey: { '': child.id } },
    }).family;
    expect(figureOf(merged, merged.children[child.id]!, 'onSale')).toBeUndefined();
  });
  it('a surcharge of an account is in the price that comes back with a value', () => {
    const one = set(family('ka', { price: '200' }), xxlOf(family('ka', {})), 'price+', '7');
    const raised = set(one, xxlOf(one), 'price+', '11', 'account:shop');
    const [axis] = raised.axes;
    const xxl = axis!.values[1]!;
    const without = runCommand(raised, { do: 'removeValues', axisId: axis!.id, valueIds: [xxl.id] }).family;
    const back = runCommand(without, { do: 'addValues', axisId: axis!.id, values: [{ label: 'XXL' }] }).family;
    const child = familyIndex(back).woven[1]!;
    expect([figureOf(back, child, 'price'), figureOf(back, child, 'price', ['account:shop'])]).toEqual(['207', '211']);
  });
});
