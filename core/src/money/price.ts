/** From the seller's price to the price a channel shows. Exact until the very end. */
import Big from 'big.js';
import { toCurrency } from './amount';
import { nearestAllowed, type PriceSteps } from './allowedPrice';
import { withoutTax } from './tax';

export interface ChannelPricing extends PriceSteps {
  /** The channel's prices contain tax. */
  taxIncluded: boolean;
  /** Units of the channel's currency for one unit of the seller's, as a decimal string. */
  rate: string;
  /** The seller's tax in percent. The seller's own prices contain it. */
  taxPercent: string;
}

/** The seller's price (tax included) in the channel's currency and tax sense, not rounded yet. */
export function plainPrice(price: string, how: Omit<ChannelPricing, keyof PriceSteps>): Big {
  const exact = new Big(price).times(how.rate);
  return how.taxIncluded ? exact : withoutTax(exact.toFixed(), how.taxPercent);
}

/** The seller's price as the channel shows it, rounded half up to what it takes. */
export function channelPrice(price: string, how: ChannelPricing): string {
  return toCurrency(nearestAllowed(plainPrice(price, how), how), how.currency);
}
