/** Axes made one, and one made two: each child stays where it was, and nothing is lost. */
import { describe, expect, it } from 'vitest';
import { partLabels } from '../src/axes/splitAxis';
import { childFates, countFates } from '../src/change/childFates';
import { figureOf } from '../src/family/level';
import { familyIndex } from '../src/family/weave';
import { picturesOf } from '../src/pictures/picturesOf';
import { checkFamily, runCommand, stormJacket } from './sample';

describe('axes joined and parted', () => {
  const jacket = stormJacket();
  const [colour, size, lining] = jacket.axes;
  const joined = runCommand(jacket, {
    do: 'joinAxes',
    axisIds: [colour!.id, lining!.id],
    label: 'Colour',
    role: 'colour',
    between: '/',
  }).family;

  it('are one axis of what children have, each child where it was, and told so beforehand', () => {
    expect(joined.axes.map(({ label, values }) => [label, values.length])).toEqual([
      ['Colour', 8],
      ['Size', size!.values.length],
    ]);
    expect(joined.axes[0]!.values[0]).toMatchObject({ label: 'Rust/Unlined', swatch: colour!.values[0]!.swatch });
    const fates = childFates(jacket, joined);
    expect(countFates(fates)).toMatchObject({ moves: familyIndex(jacket).woven.length, shelf: 0, new: 0 });
    expect(fates.filter(({ price, otherPicture }) => price !== null || otherPicture)).toEqual([]);
  });

  it('have all values there may be where nobody is woven just now', () => {
    const command = { do: 'joinAxes' as const, label: 'Both', role: 'other' as const, between: '/' };
    const none = Object.freeze({ ...jacket, children: {} });
    const both = runCommand(none, { ...command, axisIds: [colour!.id, lining!.id] }).family;
    checkFamily(both);
    expect(both.axes[0]!.values).toHaveLength(colour!.values.length * lining!.values.length);
    const wide = {
      ...colour!,
      values: Array.from({ length: 150 }, (_, at) => ({
        ...colour!.values[0]!,
        ...{ id: `v${9000 + at}`, label: `Shade ${at}` },
      })),
    };
    const tooWide = Object.freeze({ ...none, axes: [wide, size!, lining!], next: 10_000 });
    expect(() => runCommand(tooWide, { ...command, axisIds: [wide.id, lining!.id] })).toThrow(/200/);
  });

  it('are two again by a sign, without a figure lost; the first is the axis to wishes', () => {
    const axis = joined.axes[0]!;
    const parted = runCommand(joined, {
      do: 'splitAxis',
      axisId: axis.id,
      parts: partLabels(axis.values, '/'),
      into: [
        { role: 'colour', label: 'Colour' },
        { role: 'material', label: 'Lining' },
      ],
    }).family;
    expect(parted.axes.map(({ id, label, values }) => [id, label, values.map((one) => one.label)])).toEqual([
      [colour!.id, 'Colour', colour!.values.map((one) => one.label)],
      [expect.any(String), 'Lining', lining!.values.map((one) => one.label)],
      [size!.id, 'Size', size!.values.map((one) => one.label)],
    ]);
    for (const child of familyIndex(jacket).woven) {
      const now = parted.children[child.id]!;
      expect(figureOf(parted, now, 'price')).toBe(figureOf(jacket, child, 'price'));
      expect(picturesOf(parted, now)[0]).toBe(picturesOf(jacket, child)[0]);
      expect(now.fields).toMatchObject(child.fields);
    }
  });

  it('are refused where a value has no two parts, or two values have the same', () => {
    const axis = joined.axes[0]!;
    const into = [
      { role: 'colour' as const, label: 'A' },
      { role: 'other' as const, label: 'B' },
    ] as [{ role: 'colour'; label: string }, { role: 'other'; label: string }];
    const split = (parts: Record<string, [string, string]>) => () =>
      runCommand(joined, { do: 'splitAxis', axisId: axis.id, into, parts });
    expect(split({})).toThrow('Rust/Unlined, Rust/Fleece-lined');
    expect(split(Object.fromEntries(axis.values.map(({ id }) => [id, ['one', 'two']])))).toThrow(
      'would be the same on both',
    );
  });
});
