/** Nothing is lost: family files checked by the rules of the commands, the shelf, and the bounds of a family. */
import { describe, expect, it } from 'vitest';
import { checkFamily as checkWith } from '../src/change/checkFamily';
import type { SingleCommand } from '../src/change/commands';
import { runCommand as runWith } from '../src/change/run';
import { everyChild } from '../src/family/everyChild';
import { figureOf } from '../src/family/level';
import type { Family } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import { Refusal } from '../src/refusal/refusal';
import { openRegistry } from '../src/registry/openRegistry';
import { checkFamily, createFamily, registry, runCommand } from './sample';

const coat = (colours: string[], linings: string[]) =>
  createFamily({
    id: 'fcoat',
    fields: { name: 'Coat', price: '100' },
    axes: [
      { role: 'colour', label: 'Colour', values: colours.map((label) => ({ label })) },
      { role: 'material', label: 'Lining', values: linings.map((label) => ({ label })) },
    ],
    off: [],
  });
const codeOf = (work: () => unknown): string => {
  try {
    work();
  } catch (error) {
    if (error instanceof Refusal) return error.code;
    throw error;
  }
  return 'taken';
};
const valueOf = (family: Family, axis: number, label: string) =>
  family.axes[axis]!.values.find((value) => value.label === label)!;
const remove = (family: Family, axis: number, label: string) =>
  runCommand(family, {
    do: 'removeValues',
    axisId: family.axes[axis]!.id,
    valueIds: [valueOf(family, axis, label).id],
  }).family;
const add = (family: Family, axis: number, label: string) =>
  runCommand(family, { do: 'addValues', axisId: family.axes[axis]!.id, values: [{ label }] }).family;

describe('a family that comes as a file', () => {
  const whole = coat(['Red', 'Blue'], ['None', 'Fleece']);
  const broken = (change: (family: Family) => void): Family => {
    const copy = structuredClone(whole);
    change(copy);
    return copy;
  };
  it.each<[string, (family: Family) => void]>([
    ['whose next id is in use already', (one) => (one.next = 1)],
    ['with twin labels', (one) => (one.axes[0]!.values[1]!.label = 'red')],
    ['with a name of blanks', (one) => (one.fields.name = '   ')],
    ['with an id that no program gives', (one) => (one.axes[0]!.id = '..')],
    ['with a figure of another kind', (one) => (one.fields.weight = 'heavy')],
    [
      'with two children at one place',
      (one) => {
        const [first, second] = Object.values(one.children);
        second!.at = { ...first!.at };
      },
    ],
  ])('%s is refused', (_what, change) => {
    expect(codeOf(() => checkFamily(broken(change)))).not.toBe('taken');
  });
  it('that is whole is taken', () => expect(codeOf(() => checkFamily(whole))).toBe('taken'));
});

describe('what lies on the shelf', () => {
  it('comes back with figures it had from another axis', () => {
    const family = coat(['Red', 'Blue'], ['None', 'Fleece']);
    const place = { level: 'value' as const, axisId: family.axes[1]!.id, valueId: valueOf(family, 1, 'Fleece').id };
    let now = runCommand(family, { do: 'setFigures', changes: [{ place, key: 'price', figure: '120' }] }).family;
    now = remove(now, 0, 'Red');
    now = remove(now, 1, 'Fleece');
    now = add(now, 1, 'Fleece');
    now = add(now, 0, 'Red');
    const [red, fleece] = [valueOf(now, 0, 'Red').id, valueOf(now, 1, 'Fleece').id];
    const child = familyIndex(now).woven.find(
      (one) => Object.values(one.at).sort().join() === [red, fleece].sort().join(),
    )!;
    expect(figureOf(now, child, 'price')).toBe('120');
  });
});

describe('what was renamed while something lay on the shelf', () => {
  const withSkus = (family: Family) =>
    runCommand(family, {
      do: 'setFigures',
      changes: familyIndex(family).woven.map((child, at) => ({
        place: { level: 'child' as const, childId: child.id },
        key: 'sku',
        figure: `SKU-${at}`,
      })),
    }).family;
  const rename = (family: Family, axis: number, from: string, label: string) =>
    runCommand(family, {
      do: 'editValue',
      axisId: family.axes[axis]!.id,
      valueId: valueOf(family, axis, from).id,
      label,
    }).family;
  const skuAt = (family: Family, colour: string, lining: string) =>
    familyIndex(family).woven.find(
      (child) =>
        child.at[family.axes[0]!.id] === valueOf(family, 0, colour).id &&
        child.at[family.axes[1]!.id] === valueOf(family, 1, lining).id,
    )!.fields.sku;

  it('does not take the place of what lies there: the old SKUs come back with their value', () => {
    let now = withSkus(coat(['Red', 'Blue'], ['None', 'Fleece']));
    const [red, blue] = [skuAt(now, 'Red', 'Fleece'), skuAt(now, 'Blue', 'Fleece')];
    now = remove(now, 0, 'Red');
    now = rename(now, 0, 'Blue', 'Red');
    now = rename(now, 0, 'Red', 'Crimson');
    now = add(now, 0, 'Red');
    expect([skuAt(now, 'Red', 'Fleece'), skuAt(now, 'Crimson', 'Fleece')]).toEqual([red, blue]);
  });
  it('is followed by what lies there: an axis or a value that stands is found by its new name', () => {
    let now = withSkus(coat(['Red', 'Blue'], ['None', 'Fleece']));
    const red = skuAt(now, 'Red', 'Fleece');
    now = remove(now, 0, 'Red');
    now = rename(now, 1, 'Fleece', 'Warm');
    now = runCommand(now, { do: 'renameAxis', axisId: now.axes[1]!.id, label: 'Inside' }).family;
    now = add(now, 0, 'Red');
    expect(skuAt(now, 'Red', 'Warm')).toBe(red);
  });
});

describe('figures of a fact for families and values', () => {
  const own = openRegistry({
    ...registry.data,
    facts: {
      ...registry.data.facts,
      washing: { key: 'washing', label: 'Washing', type: 'text', levels: ['family', 'value'] } as never,
    },
  });
  const change = (family: Family, command: SingleCommand) => runWith(own, family, command).family;
  const washed = (() => {
    const family = coat(['Red', 'Blue'], ['None', 'Fleece']);
    const place = { level: 'value' as const, axisId: family.axes[1]!.id, valueId: valueOf(family, 1, 'Fleece').id };
    return change(family, { do: 'setFigures', changes: [{ place, key: 'washing', figure: '30 degrees' }] });
  })();
  const lining = washed.axes[1]!;
  const warm = everyChild(washed)
    .filter((child) => figureOf(washed, child, 'washing') !== undefined)
    .map((child) => child.id);
  it.each<[string, SingleCommand]>([
    ['its axis goes', { do: 'removeAxis', axisId: lining.id, keep: { valueId: valueOf(washed, 1, 'Fleece').id } }],
    ['its value goes', { do: 'removeValues', axisId: lining.id, valueIds: [valueOf(washed, 1, 'Fleece').id] }],
    ['its axis moves', { do: 'moveAxis', axisId: lining.id, to: 0 }],
  ])(
    'stay with their children when %s, in a family that a file may hold and where they can be given back',
    (_what, command) => {
      const after = change(washed, command);
      const kept = everyChild(after).filter((child) => figureOf(after, child, 'washing') === '30 degrees');
      expect(kept.map((child) => child.id)).toEqual(warm);
      expect(() => checkWith(own, after)).not.toThrow();
      const bare = change(after, {
        do: 'setFigures',
        changes: Object.values(after.children).map((child) => ({
          place: { level: 'child', childId: child.id },
          key: 'washing',
          figure: null,
        })),
      });
      expect(Object.values(bare.children).filter((child) => child.fields.washing !== undefined)).toEqual([]);
    },
  );
});

describe('a family too large', () => {
  const axis = (role: 'colour' | 'size' | 'length' | 'material' | 'pattern' | 'pack', count: number) => ({
    role,
    label: role,
    values: Array.from({ length: count }, (_, at) => ({ label: `${role} ${at}` })),
  });
  it('is refused before its crossings are built', () => {
    const roles = ['colour', 'size', 'length', 'material', 'pattern', 'pack'] as const;
    const spec = { id: 'flarge', fields: { name: 'Large' }, off: [] };
    const began = process.memoryUsage().heapUsed;
    expect(codeOf(() => createFamily({ ...spec, axes: roles.map((role) => axis(role, 20)) }))).toBe('family.too-large');
    expect(codeOf(() => createFamily({ ...spec, axes: roles.slice(0, 3).map((role) => axis(role, 200)) }))).toBe(
      'family.too-large',
    );
    expect(process.memoryUsage().heapUsed - began).toBeLessThan(200e6);
  });
});
