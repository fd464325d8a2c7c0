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

/** Below zero where the first is better, above where the second is. */
export function compareOrders(a: readonly number[], b: readonly number[]): number {
  for (let at = 0; at < a.length; at++) {
    const difference = a[at]! - b[at]!;
    if (difference !== 0) return difference;
  }
  return 0;
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
