/** Which listing axis prices differ by, where the channel has one price for each of its values, and whose price is then lost. */
import { combinationsOf } from './combinations';
import type { PlanTask, Shape } from './shape';

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

/** Children that do not have the price most of those have who share their values on these axes. */
function lostWith(task: PlanTask, prices: readonly number[], axes: readonly number[]): number {
  const { placeOf, count } = combinationsOf(
    task,
    [...axes].sort((a, b) => a - b),
  );
  const tallies = Array.from({ length: Math.max(count, 1) }, () => new Map<number, number>());
  prices.forEach((price, child) => {
    const tally = tallies[placeOf[child]!]!;
    tally.set(price, (tally.get(price) ?? 0) + 1);
  });
  const told = tallies.reduce((sum, tally) => sum + Math.max(0, ...tally.values()), 0);
  return prices.length - told;
}
