/** How an account's prices are made of the seller's: the rule as data, and carrying it out. */
import Big from 'big.js';
import { z } from 'zod';
import { allowedFrom, nearestAllowed, type PriceSteps } from './allowedPrice';
import { isCurrency } from './currency';
import { priceFor, type Target } from './priceFor';
import { withSurcharges } from './surcharge';
import { waterfall, type Charges } from './waterfall';

const Amount = z.string().regex(/^\d{1,12}(\.\d{1,6})?$/, 'This is an amount, such as 4.90.');
const Percent = z.string().regex(/^\d{1,4}(\.\d{1,4})?$/, 'This is a percentage, such as 30.');

export const COVERED = ['fees', 'shipping'] as const;

export const PriceRuleSchema = z
  .object({
    from: z.enum(['price', 'cost']).describe("What the account's price is made of."),
    target: z
      .object({ kind: z.enum(['margin', 'markup']), percent: Percent })
      .optional()
      .describe('From the cost: what is to be left, in percent of the price without tax or of the cost.'),
    change: z
      .string()
      .regex(/^-?\d{1,9}(\.\d{1,4})?%?$/)
      .optional()
      .describe("From the price: what is added, in the seller's money or in percent."),
    covers: z
      .array(z.enum(COVERED))
      .default([])
      .describe('From the price: what the channel and the way to the buyer take is put on top.'),
    multipleOf: Amount.refine((step) => /[1-9]/.test(step), 'Prices have no multiples of zero.')
      .optional()
      .describe("Prices are rounded to multiples of this, in the channel's money."),
    ending: z
      .string()
      .regex(/^\d{1,6}$/, 'An ending is the last digits, such as 90.')
      .optional(),
    least: Amount.optional().describe("No price is below this, in the channel's money."),
  })
  .refine((rule) => rule.from === 'price' || rule.target !== undefined, {
    path: ['target'],
    message: 'Say what is to be left: prices are made of the cost.',
  })
  .refine((rule) => !(rule.multipleOf && rule.ending), {
    path: ['ending'],
    message: 'Prices are multiples already; an ending does not go with that.',
  });
export type PriceRule = z.infer<typeof PriceRuleSchema>;

/** What one of the seller's currency is in another, and since when. */
export const CurrencyRateSchema = z.object({
  rate: z
    .string()
    .regex(/^\d{1,9}(\.\d{1,8})?$/, 'The rate is a number such as 1.08.')
    .refine((text) => Number(text) > 0, 'The rate is above zero.'),
  /** The day it was entered for, as ISO 8601 writes it. */
  on: z.iso.date(),
});
export const CurrencyRatesSchema = z.record(
  z.string().refine(isCurrency, 'This is no currency code of ISO 4217, such as EUR.'),
  CurrencyRateSchema,
);

export interface RuleContext {
  /** Units of the channel's currency for one of the seller's. */
  rate: string;
  /** What comes off a price on the account, in the channel's currency, the cost among it. */
  charges: Charges;
  /** The seller's price as it is on the channel without the rule: in its currency and tax sense, before rounding. */
  plain: (price: string) => Big;
  /** What the channel takes; the rule may be closer. */
  steps: PriceSteps;
}

export type RuledPrice = { ok: true; price: Big } | { ok: false; why: 'no-cost' | 'never' };

/** The price by a rule. `price` is the seller's; it is not looked at where the rule begins with the cost. */
export function ruledPrice(rule: PriceRule, price: string, ground: RuleContext): RuledPrice {
  const steps = stepsOf(rule, ground.steps);
  const made = rule.from === 'cost' ? fromCost(rule, ground, steps) : fromPrice(rule, price, ground, steps);
  if (!made.ok || rule.least === undefined || made.price.gte(rule.least)) return made;
  return { ok: true, price: allowedFrom(new Big(rule.least), steps) };
}

/** The rule's multiples and endings, where what they let through is something the channel takes; else the channel's. */
export function stepsOf(rule: Pick<PriceRule, 'multipleOf' | 'ending'>, channel: PriceSteps): PriceSteps {
  const { multipleOf, endings } = channel;
  if (endings) return channel;
  if (multipleOf) {
    const isCloser = rule.multipleOf !== undefined && new Big(rule.multipleOf).mod(multipleOf).eq(0);
    return isCloser ? { ...channel, multipleOf: rule.multipleOf } : channel;
  }
  return {
    ...channel,
    ...(rule.multipleOf ? { multipleOf: rule.multipleOf } : {}),
    ...(rule.ending ? { endings: [rule.ending] } : {}),
  };
}

function fromCost({ target }: PriceRule, { charges }: RuleContext, steps: PriceSteps): RuledPrice {
  return priceFor(target as Target, charges, steps);
}

function fromPrice(rule: PriceRule, price: string, ground: RuleContext, steps: PriceSteps): RuledPrice {
  const changed = ground.plain(rule.change ? withSurcharges(price, [rule.change]) : price);
  if (rule.covers.length === 0) return { ok: true, price: nearestAllowed(changed, steps) };
  // As much is to be left as the changed price leaves where nothing is taken.
  const bare = { ...ground.charges, ...NOTHING };
  const fees = rule.covers.includes('fees') ? {} : NO_FEES;
  const shipping = rule.covers.includes('shipping') ? {} : { shipping: '0' };
  const wanted = waterfall(changed, bare).left.toFixed();
  return priceFor({ kind: 'left', amount: wanted }, { ...ground.charges, cost: '0', ...fees, ...shipping }, steps);
}

const NO_FEES = { commissionPercent: '0', paymentPercent: '0', paymentFixed: '0', listingFee: '0' };
const NOTHING = { ...NO_FEES, shipping: '0', cost: '0' };
