/** What a fit is computed from, and the shapes of its result. */
import { z } from 'zod';
import { PlaceSchema, type Child, type Family, type Place } from '../family/shape';
import { RoleSchema } from '../family/shape';
import type { PictureFacts } from '../pictures/assign';
import type { CategoryRules } from '../rulebook/readRulebook';
import type { Rulebook } from '../rulebook/shape';
import type { SingleCommand } from '../change/commands';
import type { Listing } from '../listing/listing';
import type { Plan } from './planner';

/**
 * A family value ↔ the channel's value, remembered per channel for every family. `value` is the label in lower case.
 */
export const PairingSchema = z.object({
  channel: z.string().max(80),
  role: RoleSchema,
  value: z.string().min(1).max(80),
  to: z.string().min(1).max(80),
});
export type Pairing = z.infer<typeof PairingSchema>;

/** What the seller has set up for a channel. */
export const ChannelSettingsSchema = z.object({
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
export type ChannelSettings = z.infer<typeof ChannelSettingsSchema>;

export const SellerSchema = z.object({
  name: z.string().min(1).max(120),
  currency: z.string().length(3),
  taxPercent: z.string().regex(/^\d{1,3}(\.\d{1,3})?$/),
});
export type Seller = z.infer<typeof SellerSchema>;

/** A listing as the channel holds it. */
export interface LiveListing {
  key: string;
  structure: string;
  listing: Listing;
}

export interface FitInput {
  family: Family;
  /** child id → pieces */
  stock: Record<string, number>;
  pictures: Record<string, PictureFacts>;
  rulebook: Rulebook;
  pairings: readonly Pairing[];
  settings: ChannelSettings;
  seller: Seller;
  live: readonly LiveListing[];
  /** Address under which the channel can fetch a picture; the id is put after it. */
  pictureBase: string;
  /** Who needs only the plan in force wants one. */
  plansWanted?: number;
}

/** stops: the channel would refuse it; warns: it would go on but badly; advises: good to know. */
export const SeveritySchema = z.enum(['stops', 'warns', 'advises']);
export type Severity = z.infer<typeof SeveritySchema>;

/** A change that mends a finding. */
export type Remedy =
  | { kind: 'change'; label: string; commands: SingleCommand[] }
  | { kind: 'pairing'; label: string; pairing: Pairing }
  | { kind: 'numbers'; label: string; childIds: string[] };

export interface Finding {
  /** The rule's own name, the same for all places: findings with one code are alike. */
  code: string;
  severity: Severity;
  place: Place;
  /** Field key, or one of `pictures`, `stock`, `pairing`, `plan`, `settings`. */
  key: string;
  text: string;
  /** Where in the rulebook the rule stands. */
  rule: string;
  remedy?: Remedy;
}

/** How something stands with a channel: goes as it is, goes badly, cannot go, is not offered. */
export const STATES = ['fits', 'needs', 'stopped', 'absent'] as const;
export type FitState = (typeof STATES)[number];

export interface Fit {
  channel: string;
  state: FitState;
  category: CategoryRules | null;
  plans: Plan[];
  /** The plan in force: the seller's, else the best. */
  plan: Plan | null;
  findings: Finding[];
  listings: Listing[];
  /** child id → state, for every woven child */
  childStates: Record<string, FitState>;
  /** Total listing fees in the channel's currency. */
  fees: string;
}

/** All a check needs, worked out once. */
export interface CheckContext extends FitInput {
  category: CategoryRules;
  plan: Plan | null;
  offered: Child[];
  /** What would go out. */
  listings: Listing[];
  pairingOf: (role: string, label: string) => string | undefined;
  /** A price of the seller's as the channel shows it. */
  priceOf: (amount: string) => string;
}

export { PlaceSchema };
