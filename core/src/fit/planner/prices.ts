/**
 * Which listing axis prices differ by, where the channel has one price for each of its values, and whose price
 * is then lost.
 */
import { bitsOf, combinationsOf } from './combinations';
import type { Combinations, PlanTask, Shape } from './shape';

export function pricesTold(task: PlanTask, shape: Shape): { priceAxis: number | null; lost: number } {
  const { prices, rules } = task;
  if (!prices) return { priceAxis: null, lost: 0 };
  if (rules.price.variesBy === 'listing' || shape.groups.length === 0)
    return { priceAxis: null, lost: lostWith(task, prices, shape.split) };
  const [best] = shape.groups
    .map((group, at) => ({ at, lost: lostWith(task, prices, [...shape.split, ...group]) }))
    .sort((a, b) => a.lost - b.lost || a.at - b.at);
  return { priceAxis: best!.at, lost: best!.lost };
}

/**
 * Children that do not have the price most of those have who share their values on these axes; counted once for
 * each set of axes.
 */
function lostWith(task: PlanTask, prices: readonly number[], axes: readonly number[]): number {
  const { pricesLost } = task.cache;
  let cache = pricesLost.get(prices);
  if (!cache) pricesLost.set(prices, (cache = new Map<number, number>()));
  const bits = bitsOf(axes);
  let lost = cache.get(bits);
  if (lost === undefined) cache.set(bits, (lost = countLost(prices, combinationsOf(task, axes))));
  return lost;
}

function countLost(prices: readonly number[], { placeOf, count }: Combinations): number {
  const tally = new Int32Array(prices.reduce((most, price) => Math.max(most, price), 0) + 1);
  let told = 0;
  for (const children of childrenByPlace(placeOf, count)) {
    let most = 0;
    for (const child of children) most = Math.max(most, ++tally[prices[child]!]!);
    for (const child of children) tally[prices[child]!] = 0;
    told += most;
  }
  return prices.length - told;
}

/** The children of each combination. */
function childrenByPlace(placeOf: Int32Array, count: number): Int32Array[] {
  const ends = new Int32Array(count);
  for (const place of placeOf) ends[place]! += 1;
  for (let place = 1; place < count; place++) ends[place]! += ends[place - 1]!;
  const next = Int32Array.from(ends, (_, place) => (place === 0 ? 0 : ends[place - 1]!));
  const sorted = new Int32Array(placeOf.length);
  placeOf.forEach((place, child) => (sorted[next[place]!++] = child));
  return Array.from(ends, (end, place) => sorted.subarray(place === 0 ? 0 : ends[place - 1], end));
}
