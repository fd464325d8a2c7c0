/** How many listings some children need at the very least. */
import type { Limits, Options } from './piece';

/**
 * A bound that no cut goes below: by children, by values of each axis, and by how often each value has to stand. Children
 * never are alike, so that a listing holds at most as many as its values make combinations.
 */
export function leastParts(numbers: readonly number[], options: readonly Options[], limits: Limits): number {
  // So few have no more values than a listing may.
  if (numbers.length <= limits.children && limits.values.every((most) => numbers.length <= most)) return 1;
  const having = options.map(({ count, placeOf }) => {
    const children = new Int32Array(count);
    for (const number of numbers) children[placeOf[number]!]! += 1;
    return children.filter((some) => some > 0);
  });
  const room = limits.values.map((most, axis) => Math.min(most, having[axis]!.length));
  let least = Math.ceil(numbers.length / Math.min(limits.children, product(room)));
  having.forEach((children, axis) => {
    const beside = Math.min(limits.children, product(room.filter((_, other) => other !== axis)));
    // So many listings its values have to stand in, all together.
    let standings = 0;
    for (const some of children) standings += Math.ceil(some / beside);
    least = Math.max(least, Math.ceil(standings / limits.values[axis]!));
  });
  return least;
}

const product = (numbers: readonly number[]): number => numbers.reduce((all, one) => all * one, 1);
