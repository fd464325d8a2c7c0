/** How many listings some children need at the very least. */
import type { ChildSubset, Options } from './childSubset';
import type { Limits } from './piece';

/**
 * A bound that no cut goes below: by children, by values of each axis, and by how often each value has to stand. Children
 * never are alike, so that a listing holds at most as many as its values make combinations. It is 1 just where all fit into one.
 */
export function leastParts(subset: ChildSubset, options: readonly Options[], limits: Limits): number {
  // So few have no more values than a listing may.
  if (subset.size <= limits.children && limits.values.every((most) => subset.size <= most)) return 1;
  const having = options.map((one) => subset.tallyOf(one));
  const room = limits.values.map((most, axis) => Math.min(most, having[axis]!.length));
  let least = Math.ceil(subset.size / Math.min(limits.children, product(room)));
  having.forEach((children, axis) => {
    const beside = Math.min(limits.children, product(room.filter((_, other) => other !== axis)));
    // So many listings its values have to stand in, all together.
    let standings = 0;
    for (let option = 0; option < children.length; option++) standings += Math.ceil(children[option]! / beside);
    least = Math.max(least, Math.ceil(standings / limits.values[axis]!));
  });
  return least;
}

const product = (numbers: readonly number[]): number => numbers.reduce((all, one) => all * one, 1);
