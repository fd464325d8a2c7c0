/** The seller, and the accounts the seller has on channels: two on one channel are two columns everywhere. */
import { z } from 'zod';
import { scopesOf, type Scopes } from '../family/scope';
import { LanguageSchema } from '../registry/shape';

export const SellerSchema = z.object({
  name: z.string().trim().min(1).max(120),
  /** ISO 4217. */
  currency: z.string().regex(/^[A-Z]{3}$/),
  taxPercent: z.string().regex(/^\d{1,3}(\.\d{1,3})?$/),
});
export type Seller = z.infer<typeof SellerSchema>;

/** What the seller has set up for an account. */
export const AccountSettingsSchema = z.object({
  /** Units of the channel's currency for one of the seller's. */
  rate: z
    .string()
    .regex(/^\d{1,9}(\.\d{1,8})?$/, 'The rate is a number such as 1.08.')
    .refine((text) => Number(text) > 0, 'The rate is above zero.'),
  /** Brands the channel lets go without GTINs. */
  exemptBrands: z.array(z.string().min(1).max(80)).max(200),
  /** Answers to the rulebook's `settings`. */
  answers: z.record(z.string(), z.string().max(200)),
  objective: z.enum(['listings', 'fees']),
});
export type AccountSettings = z.infer<typeof AccountSettingsSchema>;

export const AccountSchema = z.object({
  id: z.string().regex(/^[a-z][a-z0-9-]{0,59}$/),
  channel: z.string().regex(/^[a-z][a-z0-9-]{0,59}$/),
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
