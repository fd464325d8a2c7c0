/** What the journal says of a change. */
import { describe, expect, it } from 'vitest';
import type { Command, SingleCommand } from '../src/change/commands';
import { familyIndex } from '../src/family/weave';
import { describeChange, runCommand, stormJacket, titleOf } from './sample';

const jacket = stormJacket();
const [colour, size, lining] = jacket.axes as [
  (typeof jacket.axes)[0],
  (typeof jacket.axes)[0],
  (typeof jacket.axes)[0],
];
const rust = colour.values[0]!;
const [first, second] = familyIndex(jacket).woven;
const onChild = (childId: string, key: string, figure: string | null) => ({
  place: { level: 'child' as const, childId },
  key,
  figure,
});
const onRust = { level: 'value' as const, axisId: colour.id, valueId: rust.id };

describe('a change is called', () => {
  const cases: [title: string, command: Command][] = [
    [
      'Set price on the family',
      { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'price', figure: '1' }] },
    ],
    ['Set price on everything Rust', { do: 'setFigures', changes: [{ place: onRust, key: 'price', figure: '1' }] }],
    ['Set SKU on Rust · XS · Unlined', { do: 'setFigures', changes: [onChild(first!.id, 'sku', 'A')] }],
    [
      'Set GTIN, cost on 2 children',
      { do: 'setFigures', changes: [onChild(first!.id, 'gtin', '96385074'), onChild(second!.id, 'cost', '2')] },
    ],
    [
      'Set 4 fields on 2 places',
      {
        do: 'setFigures',
        changes: [
          onChild(first!.id, 'cost', '1'),
          { place: onRust, key: 'price', figure: '1' },
          { place: onRust, key: 'weight', figure: 3 },
          { place: onRust, key: 'leadDays', figure: 3 },
        ],
      },
    ],
    [
      'Give back price on everything Rust',
      { do: 'setFigures', changes: [{ place: onRust, key: 'price', figure: null }] },
    ],
    ['Place pictures on everything Rust', { do: 'setPictures', place: onRust, pictures: ['p'] }],
    ['Add the axis Leg', { do: 'addAxis', role: 'length', label: 'Leg', values: [{ label: 'Long' }], existingTake: 0 }],
    ['Rename the axis Lining to Inside', { do: 'renameAxis', axisId: lining.id, label: 'Inside' }],
    ['Move the axis Size', { do: 'moveAxis', axisId: size.id, to: 0 }],
    ['Remove the axis Lining', { do: 'removeAxis', axisId: lining.id, keep: {} }],
    ['Add Kelp, Oat to Colour', { do: 'addValues', axisId: colour.id, values: [{ label: 'Kelp' }, { label: 'Oat' }] }],
    ['Rename Rust to Copper', { do: 'editValue', axisId: colour.id, valueId: rust.id, label: 'Copper' }],
    ['Change Rust', { do: 'editValue', axisId: colour.id, valueId: rust.id, code: 'R' }],
    ['Reorder Colour', { do: 'orderValues', axisId: colour.id, valueIds: [rust.id] }],
    ['Remove Rust from Colour', { do: 'removeValues', axisId: colour.id, valueIds: [rust.id] }],
    ['Take out 1 crossing', { do: 'setWoven', crossings: [first!.at], woven: false }],
    ['Weave 2 crossings', { do: 'setWoven', crossings: [first!.at, second!.at], woven: true }],
    ['Change the SKU pattern', { do: 'setSkuPattern', pattern: '{style}' }],
    ['Retire the family', { do: 'retireFamily', retired: true }],
    ['Bring the family back', { do: 'retireFamily', retired: false }],
    ['Anything at all', { do: 'batch', title: 'Anything at all', commands: [{ do: 'retireFamily', retired: true }] }],
  ];
  it.each(cases)('%s', (title, command) => expect(titleOf(command, jacket)).toBe(title));
});

describe('a change is told', () => {
  const told = (...commands: SingleCommand[]) => {
    const after = runCommand(jacket, { do: 'batch', title: '', commands }).family;
    return describeChange(jacket, after).map(({ where, what, before, after: now }) => [where, what, before, now]);
  };
  it('place by place, from what to what, the family first', () => {
    expect(
      told({
        do: 'setFigures',
        changes: [
          onChild(first!.id, 'price', '150'),
          { place: onRust, key: 'price', figure: '170' },
          { place: { level: 'family' }, key: 'price', figure: '180' },
          { place: { level: 'family' }, key: 'highlights', figure: ['One', 'Two'] },
        ],
      }),
    ).toEqual([
      ['the family', 'Price', '189.00', '180'],
      ['the family', 'Highlights', '', 'One\nTwo'],
      ['everything Rust', 'Price', '', '170'],
      ['Rust · XS · Unlined', 'Price', '', '150'],
    ]);
  });
  it('axes and values by their labels, codes and swatches', () => {
    expect(
      told(
        { do: 'moveAxis', axisId: lining.id, to: 0 },
        { do: 'editValue', axisId: colour.id, valueId: rust.id, label: 'Copper', code: 'COP', swatch: '#b87333' },
      ),
    ).toEqual([
      ['the family', 'Axes', 'Colour × Size × Lining', 'Lining × Colour × Size'],
      ['the family', 'Values of Colour', 'Rust, Spruce, Midnight, Ochre', 'Copper, Spruce, Midnight, Ochre'],
      ['everything Copper', 'Short code', 'RST', 'COP'],
      ['everything Copper', 'Swatch', '#A4502B', '#B87333'],
    ]);
  });
  it('children that come, go, and are kept on the shelf', () => {
    expect(told({ do: 'setWoven', crossings: [first!.at], woven: false })).toEqual([
      ['Rust · XS · Unlined', 'Crossing', 'woven', 'not woven'],
    ]);
    const without = told({ do: 'removeValues', axisId: colour.id, valueIds: [rust.id] });
    expect(without[0]).toEqual([
      'the family',
      'Values of Colour',
      'Rust, Spruce, Midnight, Ochre',
      'Spruce, Midnight, Ochre',
    ]);
    expect(without.slice(1)).toHaveLength(11);
    expect(without[1]).toEqual(['Rust · XS · Unlined', 'Crossing', 'woven', 'kept on the shelf']);
  });
  it('pictures by their number, or that their order is another', () => {
    expect(told({ do: 'setPictures', place: onRust, pictures: ['a', 'b'] })).toEqual([
      ['everything Rust', 'Pictures', 'none', '2'],
    ]);
    const two = runCommand(jacket, { do: 'setPictures', place: onRust, pictures: ['a', 'b'] }).family;
    expect(
      describeChange(two, runCommand(two, { do: 'setPictures', place: onRust, pictures: ['b', 'a'] }).family)[0],
    ).toMatchObject({ what: 'Pictures', before: 'as before', after: 'another order' });
  });
  it('up to so many lines, and from nothing for a new family', () => {
    expect(describeChange(null, jacket).slice(-1)).toEqual([
      { where: 'the family', what: 'Children', before: '0', after: '44' },
    ]);
    const renumbered = runCommand(jacket, {
      do: 'setFigures',
      changes: familyIndex(jacket).woven.map((child, at) => onChild(child.id, 'sku', `S-${at}`)),
    }).family;
    expect(describeChange(jacket, renumbered, 10)).toHaveLength(10);
  });
});
