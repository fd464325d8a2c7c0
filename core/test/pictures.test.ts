import { describe, expect, it } from 'vitest';
import {
  bestPlans,
  childLabels,
  childrenWithoutPicture,
  facePicture,
  familyIndex,
  mainPicture,
  particularPictures,
  picturesOf,
  planTask,
  type Family,
  type Place,
} from '../src/index';
import { rulebook, rulesFor, runCommand, stormJacket } from './sample';

const place = (family: Family, at: Place, ...pictures: string[]) =>
  runCommand(family, { do: 'setPictures', place: at, pictures }).family;
const value = (family: Family, axis: number, number: number): Place => ({
  level: 'value',
  axisId: family.axes[axis]!.id,
  valueId: family.axes[axis]!.values[number]!.id,
});
const childAt = (family: Family, ...labels: string[]) =>
  familyIndex(family).woven.find((child) => childLabels(family, child).join() === labels.join())!;

describe('pictures', () => {
  const jacket = stormJacket();
  const rust = childAt(jacket, 'Rust', 'M', 'Fleece-lined');
  const shown = place(
    place(
      place(place(jacket, { level: 'family' }, 'all', 'size-chart'), value(jacket, 0, 0), 'rust-front', 'rust-back'),
      value(jacket, 2, 1),
      'fleece',
    ),
    { level: 'child', childId: rust.id },
    'this-one',
    'rust-back',
  );

  it('of a child come from itself, its values and the family, the nearest first and each once', () => {
    expect(picturesOf(shown, shown.children[rust.id]!)).toEqual([
      'this-one',
      'rust-back',
      'rust-front',
      'fleece',
      'all',
      'size-chart',
    ]);
    expect(picturesOf(shown, childAt(shown, 'Rust', 'M', 'Unlined'))).toEqual([
      'rust-front',
      'rust-back',
      'all',
      'size-chart',
    ]);
    expect(particularPictures(shown, childAt(shown, 'Spruce', 'M', 'Unlined'))).toEqual([]);
    for (const child of familyIndex(shown).woven) expect(mainPicture(shown, child)).toBe(picturesOf(shown, child)[0]);
    expect(mainPicture(jacket, jacket.children[rust.id]!)).toBeUndefined();
  });
  it('are missing where neither child, value nor family has one', () => {
    expect(childrenWithoutPicture(jacket)).toHaveLength(44);
    expect(childrenWithoutPicture(place(jacket, value(jacket, 0, 0), 'rust'))).toHaveLength(33);
    expect(childrenWithoutPicture(place(jacket, { level: 'family' }, 'all'))).toEqual([]);
  });
  it('give the family a face: its own, else the first there is', () => {
    expect([facePicture(jacket), facePicture(place(jacket, value(jacket, 0, 2), 'third')), facePicture(shown)]).toEqual(
      [undefined, 'third', 'all'],
    );
  });
  it('are set in order, each once', () => {
    expect(place(jacket, { level: 'family' }, 'b', 'a', 'b').pictures).toEqual(['b', 'a']);
  });

  describe('on a channel that ties them to one axis', () => {
    const { rules } = rulesFor(rulebook('fernpost'), 'outerwear/jackets')!;
    it('follow the axis that carries most of them, and the bill says how many would not show', () => {
      const [best] = bestPlans(planTask(shown, rules, undefined));
      // Colour and lining are one axis there: rust and fleece pictures show, the single child's do not.
      expect(best!.axes[best!.pictureAxis!]!.from).toHaveLength(2);
      expect(best!.bill.picturesLost).toBe(2);
    });
    it('follow the axis the seller wishes, at its price', () => {
      const wish = { apart: [], whole: [], leaveOut: [], offered: true, pictureAxis: shown.axes[1]!.id };
      const [best] = bestPlans(planTask(shown, rules, { wish }));
      expect(best!.axes[best!.pictureAxis!]!.from).toContain(shown.axes[1]!.id);
    });
    it('make no plan better where a channel shows them per child', () => {
      const [best] = bestPlans(planTask(shown, { ...rules, axes: { ...rules.axes, pictures: 'child' } }, undefined));
      expect([best!.pictureAxis, best!.bill.picturesLost]).toEqual([null, 0]);
    });
  });
});
