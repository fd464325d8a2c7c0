/** What a plan costs, and which of two is better. */
import Big from 'big.js';
import type { Rules } from '../../rulebook/shape';
import type { PlanCost, PlanTask } from './shape';

/** What is compared, the most important first. Fees count where the account wants the fewest fees, and are 0 elsewhere. */
const CRITERIA = [
  'leftOut',
  'wishesBroken',
  'pricesLost',
  'fees',
  'listings',
  'remade',
  'moved',
  'reshaped',
  'joins',
  'picturesLost',
  'shortened',
  'cutThrough',
  'joinedOptions',
  'longestLabel',
  'axesShown',
] as const satisfies readonly (keyof PlanCost)[];

/** A cost as numbers in the order of `CRITERIA`. Less is better; the first difference decides. */
export type CostOrder = readonly number[];

export const costOrder = (cost: PlanCost, objective: PlanTask['objective']): CostOrder =>
  CRITERIA.map((criterion) => {
    if (criterion !== 'fees') return cost[criterion];
    return objective === 'fees' ? Number(cost.fees) : 0;
  });

const LISTINGS = CRITERIA.indexOf('listings');

/** The listings of a cost, of its order. */
export const listingsIn = (order: CostOrder): number => order[LISTINGS]!;

/** Below zero where the first is better, above where the second is. */
export function compareOrders(a: CostOrder, b: CostOrder): number {
  for (let at = 0; at < a.length; at++) {
    const difference = a[at]! - b[at]!;
    if (difference !== 0) return difference;
  }
  return 0;
}

/**
 * The most listings with which a cost is no worse than another; below zero where it is worse however few they are.
 * @param order of a cost that has as many listings as the other, or of one that is no better however many it has
 */
export function mostListings(order: CostOrder, worst: CostOrder): number {
  const before = compareOrders(order.slice(0, LISTINGS), worst);
  if (before !== 0) return before < 0 ? Infinity : -1;
  const after = compareOrders(order.slice(LISTINGS + 1), worst.slice(LISTINGS + 1));
  return after > 0 ? listingsIn(worst) - 1 : listingsIn(worst);
}

/** The fees of some listings, exact: `values` are the options that they show, all together. */
export function feesOf({ fees }: Rules, counts: { listings: number; children: number; values: number }): string {
  if (fees.perListing === '0' && fees.perChild === '0' && fees.perValue === '0') return '0';
  return new Big(fees.perListing)
    .times(counts.listings)
    .plus(new Big(fees.perChild).times(counts.children))
    .plus(new Big(fees.perValue).times(counts.values))
    .toString();
}
