/** The small parts that cutting a listing is made of, each against the plainest way to do the same. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ChildSubset } from '../src/fit/planner/cut/childSubset';
import { evenly, inOrder, largestFirst } from '../src/fit/planner/cut/packing';
import { numbersOf, pieceOf, type Limits } from '../src/fit/planner/cut/piece';
import { inRuns, intoFirst, startsInOrder } from '../src/fit/planner/cut/singles';
import { addTicks, countTogether, tick } from '../src/fit/planner/cut/ticks';
import { createPlannerCache } from '../src/fit/planner/memory';
import type { PlanTask } from '../src/fit/planner/shape';

interface Scattered {
  subset: ChildSubset;
  options: { count: number; placeOf: Int32Array }[];
  limits: Limits;
}

/** Up to 90 children at crossings of two axes, and how much a listing takes. */
const anyScattered = fc
  .record({
    at: fc.uniqueArray(fc.tuple(fc.nat(39), fc.nat(11)), { minLength: 1, maxLength: 90, selector: String }),
    children: fc.integer({ min: 1, max: 40 }),
    values: fc.tuple(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 12 })),
  })
  .map(({ at, children, values }): Scattered => {
    const axis = (count: number) => ({ values: Array.from({ length: count }) });
    const task = { axes: [axis(40), axis(12)], children: at.map((one) => ({ at: one })), cache: createPlannerCache() };
    const column = (number: 0 | 1) => Int32Array.from(at, (one) => one[number]);
    return {
      subset: new ChildSubset(task as unknown as PlanTask, Int32Array.from(at.keys())),
      options: [
        { count: 40, placeOf: column(0) },
        { count: 12, placeOf: column(1) },
      ],
      limits: { children, values },
    };
  });

const isWithin = ({ options, limits }: Scattered, part: readonly number[]) =>
  part.length <= limits.children &&
  options.every(({ placeOf }, axis) => new Set(part.map((one) => placeOf[one])).size <= limits.values[axis]!);

const lists = (parts: readonly Int32Array[]) => parts.map((part) => [...part]);
const together = (parts: readonly number[][]) => parts.flat().sort((a, b) => a - b);

/** Every child into the first listing that takes it, tried one by one. */
function plainly(some: Scattered): number[][] {
  const parts: number[][] = [];
  for (const number of some.subset.numbers) {
    const part = parts.find((one) => isWithin(some, [...one, number]));
    if (part) part.push(number);
    else parts.push([number]);
  }
  return parts;
}

describe('cutting', () => {
  it('counts options by bits as a set does', () => {
    const any = fc.array(fc.nat(199), { maxLength: 60 });
    fc.assert(
      fc.property(any, any, (some, others) => {
        const [one, other] = [tick(some, 200), tick(others, 200)];
        const both = new Set([...some, ...others]).size;
        expect([one.count, other.count]).toEqual([new Set(some).size, new Set(others).size]);
        expect(countTogether(one.bits, other.bits)).toBe(both);
        expect(addTicks(one.bits, other.bits)).toBe(both);
      }),
    );
  });
  it('puts single children into the first listing with room, however many listings there are', () => {
    fc.assert(
      fc.property(anyScattered, (some) => {
        const { subset, options, limits } = some;
        const wanted = plainly(some);
        expect(lists(intoFirst(subset.numbers, options, limits, Infinity)!)).toEqual(wanted);
        expect(intoFirst(subset.numbers, options, limits, wanted.length - 1)).toBeNull();
      }),
    );
  });
  it('cuts along runs of every axis, each listing within the limits and every child in one', () => {
    fc.assert(
      fc.property(anyScattered, (some) => {
        const { subset, options, limits } = some;
        const free = { ...limits, children: Infinity };
        const parts = lists(inRuns(subset, options, free, Infinity)!);
        expect(together(parts)).toEqual([...subset.numbers]);
        expect(parts.every((part) => isWithin({ ...some, limits: free }, part))).toBe(true);
        const runs = options.map((one, axis) => Math.ceil(subset.ticksOf(one).count / limits.values[axis]!));
        expect(parts.length).toBeLessThanOrEqual(runs[0]! * runs[1]!);
        const isTooMany = parts.some((part) => part.length > limits.children);
        expect(inRuns(subset, options, limits, Infinity) === null).toBe(isTooMany);
      }),
    );
  });
  it('packs values of an axis in order, evenly and the largest first, nothing lost and nothing beyond the limits', () => {
    fc.assert(
      fc.property(anyScattered, (some) => {
        const { subset, options, limits } = some;
        const pieces = subset.byValue(0).map((one) => pieceOf(one, options));
        const ordered = inOrder(pieces, limits);
        const isPossible = pieces.every((piece) => isWithin(some, [...piece.numbers]));
        expect(ordered !== null).toBe(isPossible);
        if (!ordered) return;
        const even = evenly(pieces, limits, ordered.length);
        const packed = largestFirst(pieces, limits, pieces.length)!;
        for (const parts of [ordered, even, packed].map((one) => lists(one.map(numbersOf)))) {
          expect(together(parts)).toEqual([...subset.numbers]);
          expect(parts.every((part) => isWithin(some, part))).toBe(true);
        }
        const largest = (parts: typeof ordered) => Math.max(...parts.map((part) => numbersOf(part).length));
        expect(even.length).toBeLessThanOrEqual(ordered.length);
        expect(largest(even)).toBeLessThanOrEqual(largest(ordered));
      }),
    );
  });
  it('begins a listing just where the child before was the last to go in', () => {
    fc.assert(
      fc.property(anyScattered, fc.constantFrom(0, 1), (some, axis) => {
        const { subset, options, limits } = some;
        const sorted = [...subset.inValueOrder(axis)];
        const starts = startsInOrder(Int32Array.from(sorted), options, limits, Infinity)!;
        const parts = starts.map((start, at) => sorted.slice(start, starts[at + 1]));
        expect(parts.flat()).toEqual(sorted);
        parts.forEach((part, at) => {
          expect(isWithin(some, part)).toBe(true);
          const next = parts[at + 1]?.[0];
          if (next !== undefined) expect(isWithin(some, [...part, next])).toBe(false);
        });
      }),
    );
  });
});
