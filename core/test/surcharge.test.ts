import Big from 'big.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { columnOf } from '../src/family/column';
import { figureOf, fromPrice, resolve } from '../src/family/level';
import { placesFor } from '../src/family/placesFor';
import { accountScope } from '../src/family/scope';
import type { Family, Figure } from '../src/family/shape';
import { familyIndex, placeLabel } from '../src/family/weave';
import type { Place } from '../src/place/place';
import { runCommand, stormJacket } from './sample';

const valuePlace = (family: Family, label: string): Place & { level: 'value' } => {
  const axis = family.axes.find((one) => one.values.some((value) => value.label === label))!;
  return { level: 'value', axisId: axis.id, valueId: axis.values.find((value) => value.label === label)!.id };
};
const set = (family: Family, place: Place, key: string, figure: Figure | null, scope?: string) =>
  runCommand(family, { do: 'setFigures', changes: [{ place, key, figure, ...(scope ? { scope } : {}) }] }).family;
const childAt = (family: Family, name: string) =>
  familyIndex(family).woven.find((child) => placeLabel(family, { level: 'child', childId: child.id }) === name)!;
const priceOf = (family: Family, name: string, scopes: string[] = []) =>
  figureOf(family, childAt(family, name), 'price', scopes);

const bare = stormJacket();
const raised = set(set(bare, valuePlace(bare, 'XXL'), 'price+', '4.00'), valuePlace(bare, 'Midnight'), 'price+', '5%');

describe('surcharges', () => {
  it('are added to what holds below, together where two meet, and move with it', () => {
    expect(priceOf(raised, 'Rust · XXL · Unlined')).toBe('193');
    expect(priceOf(raised, 'Midnight · M · Unlined')).toBe('198.45');
    expect(priceOf(raised, 'Midnight · XXL · Unlined')).toBe('202.45');
    expect(priceOf(raised, 'Rust · M · Unlined')).toBe('189.00');
    const moved = set(raised, { level: 'family' }, 'price', '200');
    expect(priceOf(moved, 'Midnight · XXL · Unlined')).toBe('214');
    const lined = set(moved, valuePlace(moved, 'Fleece-lined'), 'price', '220');
    expect(priceOf(lined, 'Midnight · XXL · Fleece-lined')).toBe('235');
  });
  it('say what they are and where they stand', () => {
    const found = resolve(raised, childAt(raised, 'Midnight · XXL · Unlined'), 'price');
    expect(found.from).toEqual({ level: 'family' });
    expect(found.surcharges?.map((one) => [placeLabel(raised, one.place), one.surcharge])).toEqual([
      ['everything Midnight', '5%'],
      ['everything XXL', '4.00'],
    ]);
  });
  it('leave a price of the child’s own as it is', () => {
    const child = childAt(raised, 'Midnight · XXL · Unlined');
    expect(
      priceOf(set(raised, { level: 'child', childId: child.id }, 'price', '150'), 'Midnight · XXL · Unlined'),
    ).toBe('150');
  });
  it('raise no price that an account has of its own, unless they are that account’s', () => {
    const scope = accountScope('fernpost');
    const own = set(raised, { level: 'family' }, 'price', '300', scope);
    expect(priceOf(own, 'Midnight · XXL · Unlined', [scope])).toBe('300');
    expect(priceOf(set(own, valuePlace(own, 'XXL'), 'price+', '10', scope), 'Midnight · XXL · Unlined', [scope])).toBe(
      '310',
    );
    const only = set(raised, valuePlace(raised, 'XXL'), 'price+', '10', scope);
    expect(priceOf(only, 'Rust · XXL · Unlined', [scope])).toBe('199');
    expect(priceOf(only, 'Rust · XXL · Unlined')).toBe('193');
  });
  it('take down as well, never below zero; zero is none', () => {
    expect(priceOf(set(bare, valuePlace(bare, 'XS'), 'price+', '-9.50'), 'Rust · XS · Unlined')).toBe('179.5');
    expect(priceOf(set(bare, valuePlace(bare, 'XS'), 'price+', '-500'), 'Rust · XS · Unlined')).toBe('0');
    expect(set(bare, valuePlace(bare, 'XS'), 'price+', '0%')).toBe(bare);
    expect(fromPrice(set(bare, valuePlace(bare, 'XS'), 'price+', '-9.50'))).toBe('179.5');
  });
  it('stand on values alone', () => {
    expect(() => set(bare, { level: 'family' }, 'price+', '4')).toThrow('cannot stand on the family');
    expect(() => set(bare, valuePlace(bare, 'XS'), 'price+', 'much')).toThrow('is no surcharge');
    expect(() => set(bare, valuePlace(bare, 'XS'), 'weight+', '4')).toThrow('no field');
  });
  it('move no price when their value, its axis or the order of axes goes', () => {
    const before = new Map(familyIndex(raised).woven.map((child) => [child.id, figureOf(raised, child, 'price')]));
    const size = raised.axes[1]!;
    const lining = raised.axes[2]!;
    for (const now of [
      runCommand(raised, { do: 'moveAxis', axisId: size.id, to: 0 }).family,
      runCommand(raised, { do: 'removeAxis', axisId: lining.id, keep: { valueId: lining.values[0]!.id } }).family,
      runCommand(
        runCommand(raised, { do: 'removeAxis', axisId: lining.id, keep: { valueId: lining.values[0]!.id } }).family,
        { do: 'removeAxis', axisId: size.id, keep: { valueId: size.values.at(-1)!.id } },
      ).family,
    ]) {
      for (const child of familyIndex(now).woven) {
        expect(new Big(String(figureOf(now, child, 'price'))).eq(String(before.get(child.id)))).toBe(true);
      }
    }
  });
  it('are the same read child by child and as a column', () => {
    const surcharge = fc.constantFrom('4.00', '-2', '5%', '-10%', '0.5%');
    const places = bare.axes.flatMap((axis) =>
      axis.values.map((value): Place => ({ level: 'value', axisId: axis.id, valueId: value.id })),
    );
    const scope = fc.constantFrom(undefined, accountScope('fernpost'));
    const changes = fc.array(fc.tuple(fc.constantFrom(...places), surcharge, scope), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(changes, (all) => {
        const family = all.reduce((now, [place, figure, of]) => set(now, place, 'price+', figure, of), bare);
        for (const scopes of [[], [accountScope('fernpost')]]) {
          const column = columnOf(family, 'price', scopes);
          familyIndex(family).woven.forEach((child, at) => {
            expect(column.at(at)).toBe(figureOf(family, child, 'price', scopes));
          });
          expect(column.groups.flatMap((group) => group.members).toSorted((a, b) => a - b)).toEqual(
            familyIndex(family).positions,
          );
        }
      }),
    );
  });
});

describe('the levels that reach some children', () => {
  const { woven } = familyIndex(bare);
  const ids = (test: (labels: string[]) => boolean) =>
    woven
      .filter((child) => test(placeLabel(bare, { level: 'child', childId: child.id }).split(' · ')))
      .map((one) => one.id);
  const levels = (childIds: string[]) =>
    placesFor(bare, childIds).map(
      ({ level, places }) =>
        `${level} ${level === 'child' ? places.length : places.map((place) => placeLabel(bare, place)).join(', ')}`,
    );
  it('are the family, values that make them up, and the children', () => {
    expect(levels(ids(() => true))).toEqual(['family the family', 'child 44']);
    expect(levels(ids(([, size]) => size === 'XXL'))).toEqual(['value everything XXL', 'child 8']);
    expect(levels(ids(([colour]) => colour === 'Rust' || colour === 'Ochre'))).toEqual([
      'value everything Rust, everything Ochre',
      'child 22',
    ]);
    expect(levels(ids(([colour, size]) => colour === 'Rust' && size === 'M'))).toEqual(['child 2']);
  });
  it('name no level that reaches another child', () => {
    fc.assert(
      fc.property(fc.subarray(woven.map((child) => child.id)), (some) => {
        for (const { level, places } of placesFor(bare, some)) {
          if (level !== 'value') continue;
          const reached = woven.filter((child) =>
            places.some((place) => place.level === 'value' && child.at[place.axisId] === place.valueId),
          );
          expect(reached.map((child) => child.id).toSorted()).toEqual(some.toSorted());
        }
      }),
    );
  });
});
