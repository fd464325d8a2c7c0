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
