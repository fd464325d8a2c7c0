/**
 * From a price to what is left of it: tax, commission, payment, the share of a listing fee, shipping, cost. Every step is rounded half
 * up to the currency, as it is billed, so that the steps add up to the price to the cent.
 */
import Big from 'big.js';
import { decimalsOf } from './currency';
import { slabRate, withoutTax, type TaxSlab } from './tax';

/** What comes off a price; amounts in the price's currency, as decimal strings. */
export interface Charges {
  /** ISO 4217. */
  currency: string;
  /** The tax that is in the price; no rates: the price is without tax. */
  slabs: readonly TaxSlab[];
  /** Of the price with tax. */
  commissionPercent: string;
  /** Of the price with tax. */
  paymentPercent: string;
  /** For each payment. */
  paymentFixed: string;
  /** A piece's share of what listing costs. */
  listingFee: string;
  shipping: string;
  /** What the piece itself costs; null where nobody has said. */
  cost: string | null;
}

/** The steps from the top down; each is taken off what stands above it. */
export const WATERFALL_STEPS = ['tax', 'commission', 'payment', 'listingFee', 'shipping', 'cost'] as const;
export type WaterfallStep = (typeof WATERFALL_STEPS)[number];

export interface Waterfall extends Record<WaterfallStep, Big> {
  price: Big;
  taxPercent: string;
  /** The price without tax. */
  net: Big;
  left: Big;
  /** What is left, in percent of the price without tax; null where that is zero. */
  margin: Big | null;
  /** What is left, in percent of the cost; null without a cost. */
  markup: Big | null;
}

/**
 * What is left of a price.
 * @param price as the buyer pays it, in the currency of the charges
 */
export function waterfall(price: string | Big, charges: Charges): Waterfall {
  const decimals = decimalsOf(charges.currency);
  const cents = (amount: Big | string) => new Big(amount).round(decimals, Big.roundHalfUp);
  const gross = new Big(price);
  const taxPercent = charges.slabs.length === 0 ? '0' : slabRate(charges.slabs, gross.toFixed());
  const tax = gross.minus(cents(withoutTax(gross.toFixed(), taxPercent)));
  const off = {
    tax,
    commission: cents(gross.times(charges.commissionPercent).div(100)),
    payment: cents(gross.times(charges.paymentPercent).div(100).plus(charges.paymentFixed)),
    listingFee: cents(charges.listingFee),
    shipping: cents(charges.shipping),
    cost: cents(charges.cost ?? '0'),
  };
  const net = gross.minus(tax);
  const left = WATERFALL_STEPS.reduce((rest, step) => rest.minus(off[step]), gross);
  return {
    ...off,
    price: gross,
    taxPercent,
    net,
    left,
    margin: net.eq(0) ? null : left.div(net).times(100),
    markup: charges.cost === null || off.cost.eq(0) ? null : left.div(off.cost).times(100),
  };
}
