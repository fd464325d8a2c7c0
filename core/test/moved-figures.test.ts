/** What stands at single children after a change of the structure, since it must hold for them alone. */
import { describe, expect, it } from 'vitest';
import { movedFigures } from '../src/change/movedFigures';
import { movedFigureText } from '../src/descriptions/movedFigures';
import type { Family } from '../src/family/shape';
import { childLabels, familyIndex } from '../src/family/weave';
import { gather } from '../src/gather/gather';
import type { Place } from '../src/place/place';
import { createFamily, registry, runCommand } from './sample';

const namer = { registry, account: (id: string) => (id === 'shop' ? 'Shop' : id) };
const shirt = createFamily({
  id: 'ka',
  off: [],
  fields: { name: 'Shirt', price: '30.00' },
  axes: [
    { role: 'colour', label: 'Colour', values: [{ label: 'Rust' }, { label: 'Navy' }] },
    { role: 'size', label: 'Size', values: [{ label: 'S' }, { label: 'M' }] },
  ],
});
const [colour, size] = shirt.axes;
const rust: Place = { level: 'value', axisId: colour!.id, valueId: colour!.values[0]!.id };
const set = (family: Family, place: Place, key: string, figure: string, scope?: string) =>
  runCommand(family, { do: 'setFigures', changes: [{ place, key, figure, ...(scope ? { scope } : {}) }] }).family;
const told = (before: Family, after: Family) =>
  movedFigures(before, after).map((one) => movedFigureText(namer, before, one));

describe('figures that children keep as their own', () => {
  it('are told where a value goes that had them, in each scope, and pictures with them', () => {
    const priced = set(set(shirt, rust, 'price', '35.00'), rust, 'price', '40.00', 'account:shop');
    const pictured = runCommand(priced, { do: 'setPictures', place: rust, pictures: ['p1'] }).family;
    const { family: merged } = runCommand(pictured, {
      do: 'mergeValues',
      axisId: colour!.id,
      from: [rust.valueId],
      into: colour!.values[1]!.id,
      keep: { valueId: rust.valueId },
    });
    expect(told(pictured, merged)).toEqual([
      'Price of everything Rust: 2 children keep it as their own.',
      'Pictures of everything Rust: 2 children keep them as their own.',
      'Price of everything Rust on Shop: 2 children keep it as their own.',
    ]);
  });
  it('are told of whom they were: those of the value that stays go with its own children', () => {
    const navy: Place = { level: 'value', axisId: colour!.id, valueId: colour!.values[1]!.id };
    const pictured = runCommand(shirt, {
      do: 'batch',
      title: 'Furnish',
      commands: [
        { do: 'setPictures', place: rust, pictures: ['p1'] },
        { do: 'setPictures', place: navy, pictures: ['p2'] },
        { do: 'setWoven', crossings: [familyIndex(shirt).woven[2]!.at], woven: false },
      ],
    }).family;
    const { family: merged } = runCommand(pictured, {
      do: 'mergeValues',
      axisId: colour!.id,
      from: [rust.valueId],
      into: navy.valueId,
      keep: { valueId: rust.valueId },
    });
    expect(told(pictured, merged)).toEqual([
      'Pictures of everything Rust: 2 children keep them as their own.',
      'Pictures of everything Navy: 1 child keeps them as its own.',
    ]);
  });
  it('are none where everything stands where it stood', () => {
    const priced = set(shirt, rust, 'price', '35.00');
    const { family: more } = runCommand(priced, { do: 'addValues', axisId: size!.id, values: [{ label: 'L' }] });
    expect(told(priced, more)).toEqual([]);
    const { family: moved } = runCommand(priced, { do: 'moveAxis', axisId: size!.id, to: 0 });
    expect(told(priced, moved)).toEqual([]);
  });
  it('are told where somebody comes who must not have them', () => {
    const described = set(shirt, { level: 'family' }, 'description', 'Made of flax.');
    const other = createFamily({ id: 'kb', off: [], axes: [], fields: { name: 'Vest', price: '20.00' } });
    const members = [described, other].flatMap((family) =>
      familyIndex(family).woven.map((child) => ({
        familyId: family.id,
        childId: child.id,
        labels: [...(family === other ? ['Rust', 'L'] : childLabels(family, child)), String(family.fields.name)],
      })),
    );
    const { into } = gather(registry, described, [other], { axes: [{ role: 'model', label: 'Kind' }], members });
    expect(told(described, into.family)).toEqual(['Description of the family: 4 children keep it as their own.']);
  });
});
