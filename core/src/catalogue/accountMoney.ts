/** The money of an account: its rate, the tax in its prices, and what comes off them there. */
import Big from 'big.js';
import { plainPrice } from '../money/price';
import { grossOf, slabRate, type TaxCode, type TaxSlab } from '../money/tax';
import type { PriceSteps } from '../money/allowedPrice';
import type { Charges } from '../money/waterfall';
import type { Rules } from '../rulebook/shape';
import type { Account, Seller } from './account';

export interface AccountMoney {
  /** ISO 4217, of the channel. */
  currency: string;
  /** Units of it for one of the seller's currency. */
  rate: string;
  /** Nobody has said what the seller's currency is in the channel's: one counts as one. */
  isRateMissing: boolean;
  /** The country whose tax is in the prices, where anybody has said. */
  country: string | null;
  /** The tax in the account's prices; none where they are without. */
  slabs: readonly TaxSlab[];
  /** Why the family's tax code gives no rate there, where others do. */
  taxProblem: 'no-code' | 'unknown-code' | 'no-rate' | null;
  steps: PriceSteps;
  /** The seller's price in the channel's currency and tax sense, not rounded. */
  plain(price: string): Big;
  /** The way back from there: the seller's price that is plainly so much. */
  sellers(plain: Big): Big;
  /** What comes off a price; cost and shipping in the seller's currency. */
  charges(cost: string | null, shipping: string | null): Charges;
}

/** A listing is taken to sell so many pieces for its fee, unless the seller says otherwise. */
const PIECES_PER_LISTING = 10;

export interface MoneyContext {
  account: Account;
  seller: Seller;
  rules: Pick<Rules, 'price' | 'fees'>;
  taxCodes: Readonly<Record<string, TaxCode>>;
  /** The family's tax code, where it has one. */
  taxCode: string | undefined;
}

/** The money of an account for goods of one tax code under a category's rules. */
export function accountMoney({ account, seller, rules, taxCodes, taxCode }: MoneyContext): AccountMoney {
  const { currency, taxIncluded, multipleOf, endings } = rules.price;
  const { rate, isMissing } = rateOf(account, seller, currency);
  const country = account.settings.country ?? rules.price.country ?? seller.country ?? null;
  const code = taxCode === undefined ? undefined : taxCodes[taxCode];
  const atHome = taxAtHome(seller, code);
  const there = rules.price.taxSlabs ?? slabsIn(code, country) ?? atHome;
  const {
    paymentPercent = '0',
    paymentFixed = '0',
    shipping: usualShipping = '0',
    pieces,
  } = account.settings.charges ?? {};
  const listing = new Big(rules.fees.perListing).plus(rules.fees.perChild).div(pieces ?? PIECES_PER_LISTING);
  const converted = (amount: string) => new Big(amount).times(rate).toFixed();
  return {
    currency,
    rate,
    isRateMissing: isMissing,
    country,
    slabs: taxIncluded ? there : [],
    taxProblem: rules.price.taxSlabs || !taxIncluded ? null : taxProblem(taxCodes, taxCode, country),
    steps: { currency, multipleOf, endings },
    sellers: (plain) => (taxIncluded ? plain.div(rate) : grossOf(plain.div(rate).toFixed(), atHome)),
    plain: (price) => plainPrice(price, { taxIncluded, rate, taxPercent: slabRate(atHome, price) }),
    charges: (cost, shipping) => ({
      currency,
      slabs: taxIncluded ? there : [],
      commissionPercent: rules.fees.commissionPercent,
      paymentPercent,
      paymentFixed,
      listingFee: listing.toFixed(),
      shipping: converted(shipping ?? usualShipping),
      cost: cost === null ? null : converted(cost),
    }),
  };
}

/** The tax in the seller's own prices for goods of a tax code. */
export function taxAtHome(seller: Seller, code: TaxCode | undefined): readonly TaxSlab[] {
  return slabsIn(code, seller.country) ?? [{ percent: seller.taxPercent }];
}

function slabsIn(code: TaxCode | undefined, country: string | null | undefined): readonly TaxSlab[] | undefined {
  return country ? code?.rates[country] : undefined;
}

/** A seller without any tax code has one rate for all, and nothing is missing. */
function taxProblem(
  taxCodes: Readonly<Record<string, TaxCode>>,
  taxCode: string | undefined,
  country: string | null,
): AccountMoney['taxProblem'] {
  if (country === null || Object.values(taxCodes).every((one) => one.retired)) return null;
  if (taxCode === undefined) return 'no-code';
  const code = taxCodes[taxCode];
  if (!code) return 'unknown-code';
  return code.rates[country] ? null : 'no-rate';
}

/** The seller's rate for the currency, else the one that the account began with. */
function rateOf(account: Account, seller: Seller, currency: string): { rate: string; isMissing: boolean } {
  if (currency === seller.currency) return { rate: '1', isMissing: false };
  const entered = seller.rates?.[currency]?.rate;
  return { rate: entered ?? account.settings.rate, isMissing: entered === undefined && account.settings.rate === '1' };
}
