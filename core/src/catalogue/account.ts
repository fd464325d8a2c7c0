/** The seller, and the accounts the seller has on channels: two on one channel are two columns everywhere. */
import { z } from 'zod';
import { ChosenIdSchema } from '../text/chosenId';
import { scopesOf, type Scopes } from '../family/scope';
import { CurrencyRatesSchema, PriceRuleSchema } from '../money/priceRule';
import { CountrySchema } from '../money/tax';
import { StockRuleSchema } from '../stock/stockRule';
import { LanguageSchema } from '../registry/shape';

const Amount = z.string().regex(/^\d{1,9}(\.\d{1,6})?$/, 'This is an amount, such as 4.90.');
const Percent = z.string().regex(/^\d{1,2}(\.\d{1,4})?$/, 'This is a percentage below 100, such as 2.9.');

export const SellerSchema = z.object({
  name: z.string().trim().min(1).max(120),
  /** ISO 4217. */
  currency: z.string().regex(/^[A-Z]{3}$/),
  taxPercent: z
    .string()
    .regex(/^\d{1,3}(\.\d{1,3})?$/)
    .describe("The tax in the seller's prices where no tax code says otherwise."),
  /** Where the seller is: the country whose tax is in the seller's prices. */
  country: CountrySchema.optional(),
  /** Currency → units of it for one of the seller's. */
  rates: CurrencyRatesSchema.optional(),
});
export type Seller = z.infer<typeof SellerSchema>;

/** Asked of the channel and waiting for its answer, or answered. */
export const ApprovalSchema = z.enum(['waiting', 'granted', 'refused']);
export type Approval = z.infer<typeof ApprovalSchema>;

/** What the seller has set up for an account. */
export const AccountSettingsSchema = z.object({
  /** Units of the channel's currency for one of the seller's. */
  rate: z
    .string()
    .regex(/^\d{1,9}(\.\d{1,8})?$/, 'The rate is a number such as 1.08.')
    .refine((text) => Number(text) > 0, 'The rate is above zero.'),
  /** Brands the channel lets go without GTINs. */
  exemptBrands: z.array(z.string().min(1).max(80)).max(200),
  /** Brand → the only categories of the channel its exemption holds for; in all where it is not named here. */
  exemptOnlyIn: z.record(z.string(), z.array(z.string())).optional(),
  /** How the seller stands in categories that the channel has to let sellers into. */
  approvals: z.record(z.string(), ApprovalSchema).optional(),
  /** Answers to the rulebook's `settings`. */
  answers: z.record(z.string(), z.string().max(200)),
  objective: z.enum(['listings', 'fees']),
  /** The country whose tax is in the prices there, where it is not the channel's or the seller's. */
  country: CountrySchema.optional(),
  /** What comes off a price there besides what the rulebook says. */
  charges: z
    .object({
      paymentPercent: Percent.optional(),
      /** For each payment, in the channel's currency. */
      paymentFixed: Amount.optional(),
      /** Sending one piece, in the seller's currency, where a child has no shipping cost of its own. */
      shipping: Amount.optional(),
      /** So many pieces are sold for one listing fee. */
      pieces: z.number().int().min(1).max(1_000_000).optional(),
    })
    .optional(),
  priceRule: PriceRuleSchema.optional(),
  stock: StockRuleSchema.optional(),
});
export type AccountSettings = z.infer<typeof AccountSettingsSchema>;

/** What an account has before the seller has set anything up. */
export const usualSettings = (): AccountSettings => ({
  rate: '1',
  exemptBrands: [],
  answers: {},
  objective: 'listings',
});

export const AccountSchema = z.object({
  id: ChosenIdSchema.regex(/^[a-z][a-z0-9-]{0,59}$/),
  channel: ChosenIdSchema.regex(/^[a-z][a-z0-9-]{0,59}$/),
  /** How it is called on screen: the channel's name, or one that tells it from others there. */
  name: z.string().trim().min(1).max(60),
  /** The language its listings are written in, as BCP 47 writes it. */
  language: LanguageSchema,
  /** Its place among all accounts. */
  at: z.number().int().min(0),
  settings: AccountSettingsSchema,
});
export type Account = z.infer<typeof AccountSchema>;

/** Scopes that hold for an account, the narrowest first. */
export function accountScopes(account: Pick<Account, 'id' | 'language'>, firstLanguage: string): Scopes {
  return scopesOf(account, firstLanguage);
}
