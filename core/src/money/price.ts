/** From the seller's price to the price a channel shows, and what is left of it. All exact. */
import Big from 'big.js';
import { toCurrency } from './amount';
import { decimalsOf } from './currency';

export interface ChannelPricing {
  /** ISO 4217 code of the channel. */
  currency: string;
  /** The channel's prices contain tax. */
  taxIncluded: boolean;
  /** Units of the channel's currency for one unit of the seller's, as a decimal string. */
  rate: string;
  /** Prices are multiples of this, as a decimal string. */
  multipleOf?: string | undefined;
  /** The last digits a price may have; see the rulebook. */
  endings?: readonly string[] | undefined;
  /** The seller's tax in percent. The seller's own prices contain it. */
  taxPercent: string;
}

/** The seller's price (tax included) in the channel's currency and tax sense, rounded half up at the very end. */
export function channelPrice(price: string, how: ChannelPricing): string {
  let exact = new Big(price).times(how.rate);
  if (!how.taxIncluded) exact = withoutTax(exact.toString(), how.taxPercent);
  if (how.endings) return toCurrency(nearestEnding(exact, how.endings, decimalsOf(how.currency)), how.currency);
  return toCurrency(how.multipleOf ? nearestMultiple(exact, how.multipleOf) : exact, how.currency);
}

/** The amount above zero that ends with one of these digits and is nearest; of two as near the higher. */
function nearestEnding(exact: Big, endings: readonly string[], decimals: number): Big {
  const minor = exact.times(new Big(10).pow(decimals));
  const candidates = endings.map((ending) => {
    const step = new Big(10).pow(ending.length);
    const steps = minor.minus(ending).div(step).round(0, Big.roundHalfUp);
    const least = Number(ending) === 0 ? 1 : 0;
    return step.times(steps.lt(least) ? least : steps).plus(ending);
  });
  const away = (one: Big) => one.minus(minor).abs();
  const [nearest] = candidates.sort((a, b) => away(a).cmp(away(b)) || b.cmp(a));
  return nearest!.div(new Big(10).pow(decimals));
}

/** The multiple that is nearest, half up; never zero for a price that is above it. */
function nearestMultiple(exact: Big, of: string): Big {
  const steps = exact.div(of).round(0, Big.roundHalfUp);
  return steps.eq(0) && exact.gt(0) ? new Big(of) : steps.times(of);
}

/** amount + tax: 300 plus 10 % is 330. */
export function withTax(amount: string, percent: string): Big {
  return new Big(amount).times(new Big(percent).div(100).plus(1));
}

/** The amount before tax that becomes `amount` with it: 330 at 10 % is 300. */
export function withoutTax(amount: string, percent: string): Big {
  return new Big(amount).div(new Big(percent).div(100).plus(1));
}

/** A tax slab: the rate that holds up to and including a price. The last slab has no upper end. */
export interface TaxSlab {
  upTo?: string;
  percent: string;
}

/** The rate for a price: the first slab that reaches it. */
export function slabRate(slabs: readonly TaxSlab[], price: string): string {
  const slab = slabs.find((one) => one.upTo === undefined || new Big(price).lte(one.upTo));
  if (!slab) throw new RangeError(`no tax slab reaches ${price}`);
  return slab.percent;
}

export interface Earning {
  commission: string;
  tax: string;
  left: string;
  /** Percent of the price without tax, one decimal. */
  marginPercent: string;
}

/**
 * What is left of a selling price (tax included) after tax, commission on it and cost. In the price's currency, two
 * decimals kept by `currency`.
 */
export function earning(
  price: string,
  costs: { cost: string; taxPercent: string; commissionPercent: string; currency: string },
): Earning {
  const net = withoutTax(price, costs.taxPercent);
  const commission = new Big(price).times(costs.commissionPercent).div(100);
  const left = net.minus(commission).minus(costs.cost);
  return {
    commission: toCurrency(commission, costs.currency),
    tax: toCurrency(new Big(price).minus(net), costs.currency),
    left: toCurrency(left, costs.currency),
    marginPercent: net.eq(0) ? '0.0' : left.div(net).times(100).toFixed(1),
  };
}
