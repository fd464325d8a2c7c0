/** What holds for all families: seller, registry, accounts, channels, pairings, number blocks. */
import { z } from 'zod';
import {
  AccountSchema,
  CategoryMapSchema,
  NumberBlockSchema,
  PairingTableSchema,
  RegistryDataSchema,
  RoleSchema,
  RulebookSchema,
  SellerSchema,
} from '@loom-kin/core';
import { define, done, withId } from './endpoint';

export const ChannelSchema = z.object({
  channel: z.string(),
  rulebook: RulebookSchema,
  /** What the channel says of the seller's account: choices for its settings. */
  choices: z.record(z.string(), z.array(z.string())),
  reachable: z.boolean(),
});
export type Channel = z.infer<typeof ChannelSchema>;

export const BlockStateSchema = NumberBlockSchema.extend({
  size: z.number(),
  used: z.number(),
  next: z.string().nullable(),
});

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
  blocks: z.array(BlockStateSchema),
});
export type Setup = z.infer<typeof SetupSchema>;

export const setupEndpoints = {
  health: define('get', '/api/health', 'Whether the server works', {
    response: z.object({ ok: z.literal(true), families: z.number() }),
  }),
  setup: define('get', '/api/setup', 'What holds for all families', { response: SetupSchema }),
  valueUses: define('get', '/api/values/uses', 'Which families have a value; at most twenty are named', {
    query: z.object({ role: RoleSchema, label: z.string().min(1).max(80) }),
    response: z.object({ families: z.number(), names: z.array(z.string()) }),
  }),
  addBlock: define('post', '/api/setup/blocks', 'Add a number block', {
    body: NumberBlockSchema.omit({ id: true }),
    response: done,
  }),
  removeBlock: define('delete', '/api/setup/blocks/:id', 'Remove a number block; numbers given out stay', {
    params: withId,
    response: done,
  }),
  refreshChannel: define('post', '/api/channels/:id/refresh', 'Fetch the rulebook and account of a channel anew', {
    params: withId,
    response: ChannelSchema,
  }),
};
