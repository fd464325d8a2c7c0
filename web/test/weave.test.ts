/** The weave laid out, and figures set for what is chosen in it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EVERYWHERE, type Family, type Role, familyIndex, figureOf } from '@loom-kin/core/family';
import type { Place } from '@loom-kin/core/place';
import { setFor } from '../src/common/setFor';
import { bandAt, childrenIn, clothOf, edgesFor, isSameCloth, usualEdges, type Edges } from '../src/weave/cloth';
import { tickImage, worstOf } from '../src/weave/tickImage';
import { createFamily, registry, runCommand } from './sample';

const ROLES: Role[] = ['colour', 'size', 'material', 'length', 'pattern', 'pack'];
const familyOf = (counts: readonly number[], off: string[][] = []): Family =>
  createFamily({
    id: 'f',
    fields: { name: 'Coat', price: '40.00' },
    axes: counts.map((count, at) => ({
      role: ROLES[at]!,
      label: `Axis ${at}`,
      values: Array.from({ length: count }, (_, nth) => ({ label: `v${at}.${nth}` })),
    })),
    off,
  });
const shapes = fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 5 });
const edgesOf = (family: Family, side: number): Edges => {
  const ids = family.axes.map((axis) => axis.id);
  return { side: ids.slice(0, side), top: ids.slice(side) };
};

describe('the cloth', () => {
  it('has every child at one crossing, whichever axes run along which edge', () => {
    fc.assert(
      fc.property(shapes, fc.nat(5), (counts, at) => {
        const family = familyOf(counts);
        const cloth = clothOf(family, edgesOf(family, at % (counts.length + 1)));
        const found = childrenIn(cloth, { x: 0, y: 0 }, { x: cloth.columns.length - 1, y: cloth.rows.length - 1 });
        const { woven } = familyIndex(family);
        expect(found.map((child) => child.id).toSorted()).toEqual(woven.map((child) => child.id).toSorted());
        expect(cloth.rows.length * cloth.columns.length).toBe(woven.length);
      }),
    );
  });
  it('has heads that lie side by side and leave no thread out, level by level', () => {
    fc.assert(
      fc.property(shapes, (counts) => {
        const cloth = clothOf(familyOf(counts));
        for (const level of cloth.topBands) {
          expect(level.flatMap(({ from, to }) => Array.from({ length: to - from + 1 }, (_, at) => from + at))).toEqual(
            cloth.columns.map((_, at) => at),
          );
        }
        const spot = { x: cloth.columns.length - 1, y: -1 };
        expect(cloth.topAxes.length === 0 || bandAt(cloth, spot)?.value === cloth.columns.at(-1)!.values.at(-1)).toBe(
          true,
        );
      }),
    );
  });
  it('of a sparse family is drawn where children stand alone: its empty crossings are millions', () => {
    const wide = familyOf([20, 20, 5]);
    const { axes } = wide;
    const few = new Set(
      familyIndex(wide)
        .woven.slice(0, 30)
        .map((child) => child.id),
    );
    const more = ['', 'x', 'y', 'z'];
    const sparse: Family = Object.freeze({
      ...wide,
      axes: axes.map((axis, at) => ({
        ...axis,
        values:
          at === 2 ? axis.values : more.flatMap((end) => axis.values.map((one) => ({ ...one, id: one.id + end }))),
      })),
      children: Object.fromEntries(
        Object.entries(wide.children).map(([id, child]) => [id, { ...child, woven: few.has(id) }]),
      ),
    });
    const cloth = clothOf(sparse);
    expect(cloth.rows.length * cloth.columns.length).toBeLessThan(200);
    expect(childrenIn(cloth, { x: 0, y: 0 }, { x: cloth.columns.length - 1, y: cloth.rows.length - 1 })).toHaveLength(
      30,
    );
  });
  it('stays as it is when a figure changes, and is another when a child goes', () => {
    const family = familyOf([2, 3]);
    const cloth = clothOf(family);
    const child = familyIndex(family).woven[0]!;
    const place = { level: 'child' as const, childId: child.id };
    const priced = runCommand(family, { do: 'setFigures', changes: [{ place, key: 'price', figure: '9' }] }).family;
    expect(isSameCloth(cloth, priced, null)).toBe(true);
    const less = runCommand(family, { do: 'setWoven', crossings: [{ ...child.at }], woven: false }).family;
    expect(isSameCloth(cloth, less, null)).toBe(false);
  });
  it('takes edges that name every axis once, and the usual ones else', () => {
    const { axes } = familyOf([2, 2, 2]);
    const [a, b, c] = axes.map((axis) => axis.id) as [string, string, string];
    expect(usualEdges(axes)).toEqual({ side: [a], top: [c, b] });
    expect(edgesFor(axes, { side: [b, c], top: [a] })).toEqual({ side: [b, c], top: [a] });
    for (const wrong of [
      { side: [a], top: [b] },
      { side: [a, a], top: [b] },
      { side: [a, 'gone'], top: [b] },
    ])
      expect(edgesFor(axes, wrong)).toEqual(usualEdges(axes));
  });
  it('shows the state that most is to be done about where there is room for one', () => {
    expect([worstOf(['fits', 'stopped', 'needs']), worstOf(['fits', 'absent']), worstOf([])]).toEqual([
      'stopped',
      'fits',
      'absent',
    ]);
    expect(tickImage(['fits'])).not.toBe(tickImage(['stopped']));
  });
});

describe('a figure for several', () => {
  const family = familyOf([2, 2]);
  const ground = { registry, family, currency: 'EUR', scope: EVERYWHERE, scopes: [] };
  const price = registry.field('price')!;
  const value: Place = { level: 'value', axisId: family.axes[0]!.id, valueId: family.axes[0]!.values[0]!.id };
  const children = familyIndex(family).woven.map((child): Place => ({ level: 'child', childId: child.id }));
  const after = (places: readonly Place[], text: string): (string | undefined)[] => {
    const read = setFor(ground, places, price, text);
    if (!read.ok) throw new Error(read.problem);
    const now = runCommand(family, { do: 'setFigures', changes: read.changes }).family;
    return familyIndex(now).woven.map((child) => figureOf(now, child, 'price') as string | undefined);
  };
  it('is a surcharge on a value, a sum from what each has on children and the family', () => {
    expect(after([value], '+4')).toEqual(['44', '44', '40.00', '40.00']);
    expect(after([value], '55')).toEqual(['55', '55', '40.00', '40.00']);
    expect(after(children.slice(1, 3), '+10 %')).toEqual(['40.00', '44.00', '44.00', '40.00']);
    expect(after([{ level: 'family' }], '*2')).toEqual(['80.00', '80.00', '80.00', '80.00']);
  });
  it('that cannot be read changes nothing anywhere', () => {
    expect(setFor(ground, children, price, 'much')).toEqual({
      ok: false,
      problem: '"much" is no amount. Type a number such as 189.00.',
    });
    expect(setFor(ground, [value], registry.field('cost')!, '*2').ok).toBe(false);
  });
});
