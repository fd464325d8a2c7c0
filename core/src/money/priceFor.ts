/** The other way round: the least price that leaves what is wanted. */
import Big from 'big.js';
import { allowedFrom, type PriceSteps } from './allowedPrice';
import { decimalsOf } from './currency';
import type { TaxSlab } from './tax';
import { waterfall, type Charges, type Waterfall } from './waterfall';

/** What is to be left: a part of the price without tax, of the cost, or an amount. Break-even leaves an amount of 0. */
export type Target =
  { kind: 'margin'; percent: string } | { kind: 'markup'; percent: string } | { kind: 'left'; amount: string };

export type PriceFor =
  | { ok: true; price: Big; waterfall: Waterfall }
  /** `never`: charges that grow with the price take it all; `no-cost`: the target is one of the cost, and there is none. */
  | { ok: false; why: 'never' | 'no-cost' };

/** Rounded steps move the price by a few cents from where the target is met exactly; by no more than so many is looked. */
const MOST_CENTS = 1000;

/**
 * The least price a channel takes that leaves the target. Each tax slab is solved by itself: in one, what is left grows with the
 * price, so that left = price × (1/(1+tax) − commission − payment) − fixed charges gives where it is met before rounding.
 */
export function priceFor(target: Target, charges: Charges, steps: PriceSteps): PriceFor {
  if (target.kind !== 'left' && charges.cost === null) return { ok: false, why: 'no-cost' };
  let from = new Big(0);
  for (const slab of charges.slabs.length === 0 ? [{ percent: '0' }] : charges.slabs) {
    const found = inSlab(target, charges, steps, slab, from);
    if (found) return { ok: true, price: found.price, waterfall: found };
    if (slab.upTo !== undefined) from = new Big(slab.upTo);
  }
  return { ok: false, why: 'never' };
}

function inSlab(target: Target, charges: Charges, steps: PriceSteps, slab: TaxSlab, from: Big): Waterfall | null {
  const met = exactlyMet(target, charges, slab.percent);
  if (!met) return null;
  const cent = new Big(10).pow(-decimalsOf(steps.currency));
  // A little below, since rounding may favour the seller.
  const start = met.price.minus(cent.times(met.slack));
  let price = allowedFrom(start.gt(from) ? start : from.plus(cent), steps);
  for (let nth = 0; nth <= 2 * met.slack && (slab.upTo === undefined || price.lte(slab.upTo)); nth++) {
    const found = waterfall(price, charges);
    if (isMet(target, found)) return found;
    price = allowedFrom(price.plus(cent), steps);
  }
  return null;
}

function isMet(target: Target, { left, net, cost }: Waterfall): boolean {
  if (target.kind === 'left') return left.gte(target.amount);
  return left.times(100).gte((target.kind === 'margin' ? net : cost).times(target.percent));
}

/** Where the target is met before anything is rounded, and by how many cents rounding may move it; null where it never is. */
function exactlyMet(target: Target, charges: Charges, percent: string): { price: Big; slack: number } | null {
  const withTax = new Big(percent).div(100).plus(1);
  const growing = new Big(charges.commissionPercent).plus(charges.paymentPercent).div(100);
  const fixed = new Big(charges.paymentFixed)
    .plus(charges.listingFee)
    .plus(charges.shipping)
    .plus(charges.cost ?? '0');
  const wantedPart = target.kind === 'margin' ? new Big(target.percent).div(100) : new Big(0);
  const wantedAmount =
    target.kind === 'left'
      ? new Big(target.amount)
      : target.kind === 'markup'
        ? new Big(charges.cost!).times(target.percent).div(100)
        : new Big(0);
  const part = new Big(1).minus(wantedPart).minus(growing.times(withTax));
  if (part.lte(0)) return null;
  const price = fixed.plus(wantedAmount).times(withTax).div(part);
  // Each of the six steps is off by half a cent at most.
  const slack = Math.min(Math.ceil(withTax.times(4).div(part).toNumber()), MOST_CENTS);
  return { price: price.lt(0) ? new Big(0) : price, slack };
}
