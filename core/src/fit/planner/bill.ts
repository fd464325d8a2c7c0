/** What a plan costs, and which of two is better. */
import Big from 'big.js';
import type { Rules } from '../../rulebook/shape';
import type { Bill, PlanTask } from './shape';

/** The order of importance. Less is better; the first difference decides. */
export function billOrder(bill: Bill, objective: PlanTask['objective']): number[] {
  const size = objective === 'fees' ? [Number(bill.fees), bill.listings] : [bill.listings];
  return [
    bill.leftOut,
    bill.wishesBroken,
    bill.pricesLost,
    ...size,
    bill.remade,
    bill.moved,
    bill.reshaped,
    bill.joins,
    bill.picturesLost,
    bill.shortened,
    bill.cutThrough,
    bill.joinedOptions,
    bill.longestLabel,
    bill.axesShown,
  ];
}

const listingsAt = (objective: PlanTask['objective']): number => (objective === 'fees' ? 4 : 3);

/** The listings of a bill, of its order. */
export const listingsIn = (order: readonly number[], objective: PlanTask['objective']): number =>
  order[listingsAt(objective)]!;

/** Below zero where the first is better, above where the second is. */
export function compareOrders(a: readonly number[], b: readonly number[]): number {
  for (let at = 0; at < a.length; at++) {
    const difference = a[at]! - b[at]!;
    if (difference !== 0) return difference;
  }
  return 0;
}

/**
 * The most listings with which a bill is no worse than another; below zero where it is worse however few they are.
 * @param order of a bill that has as many listings as the other, or of one that is no better however many it has
 */
export function mostListings(
  order: readonly number[],
  worst: readonly number[],
  objective: PlanTask['objective'],
): number {
  const at = listingsAt(objective);
  const before = compareOrders(order.slice(0, at), worst);
  if (before !== 0) return before < 0 ? Infinity : -1;
  const after = compareOrders(order.slice(at + 1), worst.slice(at + 1));
  return after > 0 ? worst[at]! - 1 : worst[at]!;
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
