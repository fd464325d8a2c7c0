/** What holds for all families: seller, registry, accounts, channels, pairings, number blocks. */
import { z } from 'zod';
import {
  AccountSchema,
  CategoryMapSchema,
  CollectionsSchema,
  RoutesSchema,
  SellerSchema,
} from '@loom-kin/core/catalogue';
import { RoleSchema } from '@loom-kin/core/family';
import { SEVERITIES, STATES } from '@loom-kin/core/fit';
import { NumberBlockSchema, ReservationSchema } from '@loom-kin/core/identifiers';
import { PairingTableSchema } from '@loom-kin/core/pairing';
import { RegistryDataSchema } from '@loom-kin/core/registry';
import { RulebookSchema } from '@loom-kin/core/rulebook';
import { define, done, Id, withId } from './endpoint';

export const ChannelSchema = z.object({
  channel: z.string(),
  /** The rules in force. */
  rulebook: RulebookSchema,
  /** Other rules that the channel has published since. */
  offered: RulebookSchema.nullable(),
  /** Versions of its rules that can be put in force. */
  versions: z.array(z.number()),
  /** What the channel says of the seller's account: choices for its settings. */
  choices: z.record(z.string(), z.array(z.string())),
  reachable: z.boolean(),
  /** The seller wrote its rules; nothing can be sent there by itself. */
  isOwn: z.boolean(),
});
export type Channel = z.infer<typeof ChannelSchema>;

/** A block of numbers with how many it holds, how many are given out, and how many are left for whoever asks. */
export const BlockStateSchema = NumberBlockSchema.extend({
  size: z.number(),
  used: z.number(),
  free: z.number(),
  next: z.string().nullable(),
  reserved: z.array(ReservationSchema.extend({ left: z.number(), next: z.string().nullable() })),
});
export type BlockState = z.infer<typeof BlockStateSchema>;

export const SetupSchema = z.object({
  seller: SellerSchema,
  /** Whether the seller has said who sells; before that, what is in `seller` is nobody's. */
  begun: z.boolean(),
  registry: RegistryDataSchema,
  accounts: z.array(AccountSchema),
  channels: z.array(ChannelSchema),
  /** Channel → its pairings. */
  pairings: z.record(z.string(), PairingTableSchema),
  /** Channel → where the seller's categories go. */
  categoryMaps: z.record(z.string(), CategoryMapSchema),
  /** Account → its routes. */
  routes: z.record(z.string(), RoutesSchema),
  collections: CollectionsSchema,
  blocks: z.array(BlockStateSchema),
});
export type Setup = z.infer<typeof SetupSchema>;

/** What other rules would mean for the families of the accounts on a channel. */
export const RulesMeaningSchema = z.object({
  /** So many families were looked at. */
  families: z.number(),
  /** Families that stand otherwise under them. */
  changes: z.array(
    z.object({
      familyId: z.string(),
      name: z.string(),
      account: z.string(),
      before: z.enum(STATES),
      after: z.enum(STATES),
      text: z.string(),
    }),
  ),
  /** Findings that they would bring. */
  findings: z.array(
    z.object({
      code: z.string(),
      key: z.string(),
      severity: z.enum(SEVERITIES),
      families: z.number(),
      children: z.number(),
    }),
  ),
  /** Live listings that would be made anew. */
  remade: z.number(),
});
export type RulesMeaning = z.infer<typeof RulesMeaningSchema>;

/** Prices of a family on an account, in its currency; the least that is left of any, and in percent of the price without tax. */
export const PriceRangeSchema = z.object({
  from: z.string(),
  to: z.string(),
  left: z.string(),
  margin: z.string().nullable(),
});
export type PriceRange = z.infer<typeof PriceRangeSchema>;

/** What other settings of an account would make of its prices. */
export const PriceTrialSchema = z.object({
  families: z.number(),
  children: z.number(),
  /** Children whose price would be another. */
  changed: z.number(),
  /** Children whose price the rule cannot make. */
  unruled: z.number(),
  /** Children of whose price less than nothing would be left. */
  losing: z.number(),
  /** The first families by name. */
  rows: z.array(
    z.object({
      familyId: z.string(),
      name: z.string(),
      before: PriceRangeSchema.nullable(),
      after: PriceRangeSchema.nullable(),
    }),
  ),
});
export type PriceTrial = z.infer<typeof PriceTrialSchema>;

export const setupEndpoints = {
  tryPrices: define(
    'post',
    '/api/accounts/:id/prices',
    'What an account would make of prices, before it is changed so',
    {
      params: withId,
      body: z.object({ account: AccountSchema }),
      response: PriceTrialSchema,
    },
  ),
  health: define('get', '/api/health', 'Whether the server works', {
    response: z.object({
      ok: z.literal(true),
      families: z.number(),
      /** Another whenever the server was started again. */
      run: z.string(),
    }),
  }),
  setup: define('get', '/api/setup', 'What holds for all families', { response: SetupSchema }),
  valueUses: define('get', '/api/values/uses', 'Which families have a value; at most twenty are named', {
    query: z.object({ role: RoleSchema, label: z.string().min(1).max(80) }),
    response: z.object({ families: z.number(), names: z.array(z.string()) }),
  }),
  refreshChannel: define('post', '/api/channels/:id/refresh', 'Fetch the rulebook and account of a channel anew', {
    params: withId,
    response: ChannelSchema,
  }),
  rulebookFile: define('get', '/api/channels/:id/rulebook.json', "A channel's rules that are in force, as a file", {
    params: withId,
    response: z.unknown(),
    download: ['application/json'],
  }),
  rulesMeaning: define(
    'get',
    '/api/channels/:id/rules/:version/meaning',
    'What an edition of the rules of a channel would mean for the families, before it is adopted',
    {
      params: withId.extend({ version: z.coerce.number().int().min(1) }),
      response: RulesMeaningSchema,
    },
  ),
  askApproval: define('post', '/api/accounts/:id/approvals', 'Ask the channel to let an account into a category', {
    params: withId,
    body: z.object({ category: z.string().min(1).max(80) }),
    response: done,
  }),
  askEntries: define(
    'post',
    '/api/accounts/:id/entries',
    "Ask the channel of an account which of a family's numbers it has entries for",
    { params: withId, body: z.object({ familyId: Id }), response: done },
  ),
};
