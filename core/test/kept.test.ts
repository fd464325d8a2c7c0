/** Nothing is lost: family files checked by the rules of the commands, the shelf, and the bounds of a family. */
import { describe, expect, it } from 'vitest';
import { familyIndex, figureOf, Refusal, type Family } from '../src/index';
import { checkFamily, createFamily, runCommand } from './sample';

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
