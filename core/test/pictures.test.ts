import { describe, expect, it } from 'vitest';
import type { Family } from '../src/family/shape';
import { childLabels, familyIndex } from '../src/family/weave';
import { bestPlans } from '../src/fit/planner/plan';
import { planTask } from '../src/fit/planner/task';
import {
  childrenWithoutPicture,
  facePicture,
  mainPicture,
  particularPictures,
  picturesOf,
} from '../src/pictures/picturesOf';
import type { Place } from '../src/place/place';
import { picturesShown } from '../src/fit/planner/pictures';
import type { Shape } from '../src/fit/planner/shape';
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
  describe('of two values together', () => {
    const [colour, size, lining] = jacket.axes;
    const rustFleece: Place = {
      level: 'combination',
      at: { [lining!.id]: lining!.values[1]!.id, [colour!.id]: colour!.values[0]!.id },
    };
    const together = place(shown, rustFleece, 'rust-fleece');
    it('stand between those of the child and those of its values, for whoever has both', () => {
      expect(picturesOf(together, together.children[rust.id]!)).toEqual([
        ...['this-one', 'rust-back', 'rust-fleece', 'rust-front', 'fleece', 'all', 'size-chart'],
      ]);
      const others = familyIndex(together).woven.filter((child) => picturesOf(together, child).includes('rust-fleece'));
      expect(
        new Set(
          others.map((child) =>
            childLabels(together, child)
              .filter((_, at) => at !== 1)
              .join(),
          ),
        ),
      ).toEqual(new Set(['Rust,Fleece-lined']));
      for (const child of familyIndex(together).woven)
        expect(mainPicture(together, child)).toBe(picturesOf(together, child)[0]);
    });
    it('show a child that comes later, and are gone without a trace once they are taken away', () => {
      const { family: more } = runCommand(together, {
        do: 'addValues',
        axisId: size!.id,
        values: [{ label: '4XL' }],
      });
      expect(picturesOf(more, childAt(more, 'Rust', '4XL', 'Fleece-lined'))[0]).toBe('rust-fleece');
      expect(place(together, rustFleece).combinations).toBeUndefined();
      expect(together.combinations).not.toBeUndefined();
    });
    it('stay with the children when one of the axes goes', () => {
      const { family: less } = runCommand(together, {
        do: 'removeAxis',
        axisId: size!.id,
        keep: { valueId: size!.values[1]!.id },
      });
      expect(less.combinations).toBeUndefined();
      expect(childAt(less, 'Rust', 'Fleece-lined').pictures).toContain('rust-fleece');
    });
    it('are refused for options of one axis or of all, and for ones that are not there', () => {
      const at = (...axes: typeof jacket.axes) => ({
        level: 'combination' as const,
        at: Object.fromEntries(axes.map((axis) => [axis.id, axis.values[0]!.id])),
      });
      expect(() => place(jacket, at(colour!), 'p')).toThrow('two axes or more, but not of all');
      expect(() => place(jacket, at(colour!, size!, lining!), 'p')).toThrow('is a single child');
      expect(() => place(jacket, { level: 'combination', at: { a9: 'v1', a8: 'v2' } }, 'p')).toThrow();
      const figure = { place: rustFleece, key: 'price', figure: '9.00' };
      expect(() => runCommand(jacket, { do: 'setFigures', changes: [figure] })).toThrow(
        'Price cannot stand on several values together.',
      );
    });
    it('are counted where no axis with pictures of theirs shows options, nor both hold for the whole listing', () => {
      const { rules } = rulesFor(rulebook('fernpost'), 'outerwear/jackets')!;
      const lost = (family: Family, shape: Pick<Shape, 'groups' | 'split' | 'pinned'>) =>
        picturesShown(planTask(family, rules, undefined), shape as Shape).lost;
      const more = (shape: Pick<Shape, 'groups' | 'split' | 'pinned'>) => lost(together, shape) - lost(shown, shape);
      expect(more({ groups: [[1], [0, 2]], split: [], pinned: [] })).toBe(0);
      expect(more({ groups: [[1], [2]], split: [0], pinned: [] })).toBe(0);
      expect(more({ groups: [[1]], split: [0, 2], pinned: [] })).toBe(0);
      expect(more({ groups: [[1]], split: [0], pinned: [] })).toBe(1);
    });
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
    it('follow the axis that carries most of them, and the cost says how many would not show', () => {
      const [best] = bestPlans(planTask(shown, rules, undefined));
      // Colour and lining are one axis there: rust and fleece pictures show, the single child's do not.
      expect(best!.axes[best!.pictureAxis!]!.from).toHaveLength(2);
      expect(best!.cost.picturesLost).toBe(2);
    });
    it('follow the axis the seller wishes, at its price', () => {
      const wish = { apart: [], whole: [], leaveOut: [], offered: true, pictureAxis: shown.axes[1]!.id };
      const [best] = bestPlans(planTask(shown, rules, { wish }));
      expect(best!.axes[best!.pictureAxis!]!.from).toContain(shown.axes[1]!.id);
    });
    it('make no plan better where a channel shows them per child', () => {
      const [best] = bestPlans(planTask(shown, { ...rules, axes: { ...rules.axes, pictures: 'child' } }, undefined));
      expect([best!.pictureAxis, best!.cost.picturesLost]).toEqual([null, 0]);
    });
  });
});
