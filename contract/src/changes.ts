/** Changes: one gesture of the seller in one request, taken back and made again, and the journal of all. */
import { z } from 'zod';
import { AccountSchema, CollectionsSchema, RoutesSchema, SellerSchema } from '@loom-kin/core/catalogue';
import { CommandSchema, CreateFamilySchema } from '@loom-kin/core/change';
import { FiguresSchema, RoleSchema } from '@loom-kin/core/family';
import { PairingSchema } from '@loom-kin/core/pairing';
import { RegistryCommandSchema } from '@loom-kin/core/registry';
import { RulebookSchema } from '@loom-kin/core/rulebook';
import { define, Id, Key } from './endpoint';

const ValueLabelSchema = z.string().trim().min(1).max(80);
const Pieces = z.number().int().min(-999_999_999).max(999_999_999);

/** What a change does to one thing. All steps are done, or none. */
export const StepSchema = z.discriminatedUnion('on', [
  z.object({
    on: z.literal('start'),
    family: CreateFamilySchema.omit({ id: true }),
    /** Whether every child gets its SKU by the pattern. Where one cannot be given the family is started without any, and that is told. */
    skus: z.boolean().optional(),
  }),
  z.object({
    on: z.literal('family'),
    familyId: Id,
    /** The revision the sender saw; a stale one is refused. */
    revision: z.number().int(),
    command: CommandSchema,
  }),
  /** Pieces counted (what there is), or received, returned and corrected (what came or went). One child once at a place; without a place all that is counted, the first place taking the difference. */
  z.object({
    on: z.literal('stock'),
    familyId: Id,
    kind: z.enum(['counted', 'received', 'corrected', 'returned']).default('counted'),
    reason: z.string().trim().min(1).max(120).optional(),
    counts: z
      .array(z.object({ childId: Id, location: Id.optional(), pieces: Pieces }))
      .min(1)
      .max(20_000),
  }),
  /** Children of several families in one of them: the axes that tell them apart from now on, and every child's labels on all axes, those that are there first. */
  z.object({
    on: z.literal('gather'),
    familyId: Id,
    /** The revisions the sender saw, of all families that are touched; a stale one is refused. */
    revisions: z.record(Id, z.number().int()),
    axes: z.array(z.object({ role: RoleSchema, label: z.string().trim().min(1).max(40) })).max(6),
    members: z
      .array(z.object({ familyId: Id, childId: Id, labels: z.array(z.string().max(80)).max(6) }))
      .min(1)
      .max(20_000),
  }),
  /** Children that leave: each becomes a family of its own. */
  z.object({
    on: z.literal('leave'),
    familyId: Id,
    revision: z.number().int(),
    childIds: z.array(Id).min(1).max(500),
  }),
  /** A family copied under another name; what two goods never share is emptied. */
  z.object({
    on: z.literal('copy'),
    familyId: Id,
    fields: FiguresSchema.refine(
      (fields) => typeof fields.name === 'string' && fields.name.trim() !== '',
      'A copy needs a name.',
    ),
    pictures: z.boolean().default(false),
  }),
  /** The next free GTINs for children that have none: of a block, of what was set aside in it, or of the first blocks with room. */
  z.object({
    on: z.literal('numbers'),
    familyId: Id,
    blockId: Id.optional(),
    reservedId: Id.optional(),
    childIds: z.array(Id).min(1).max(20_000),
  }),
  /** Numbers that no account was told of go back to their blocks, to be given out again. */
  z.object({ on: z.literal('numbersBack'), familyId: Id, childIds: z.array(Id).min(1).max(20_000) }),
  /** Sets the next free numbers in a row aside. */
  z.object({
    on: z.literal('setAside'),
    blockId: Id,
    label: z.string().trim().min(1).max(60),
    count: z.number().int().min(1).max(100_000),
  }),
  /** SKUs by the family's pattern for children that have none. */
  z.object({ on: z.literal('skus'), familyId: Id, childIds: z.array(Id).min(1).max(20_000) }),
  z.object({ on: z.literal('pairings'), pairings: z.array(PairingSchema).min(1).max(500) }),
  z.object({ on: z.literal('registry'), command: RegistryCommandSchema }),
  /** A value renamed on every family that has it, and in the pairings; families that have one of the new name already stay as they are. */
  z.object({ on: z.literal('renameValue'), role: RoleSchema, from: ValueLabelSchema, to: ValueLabelSchema }),
  z.object({ on: z.literal('seller'), seller: SellerSchema }),
  /** Adds an account, or changes the one with this id. */
  z.object({ on: z.literal('account'), account: AccountSchema }),
  z.object({ on: z.literal('removeAccount'), id: Id }),
  /** Where the seller's categories go on a channel; empty takes one away. */
  z.object({ on: z.literal('categoryMap'), channel: Id, map: z.record(z.string().max(80), z.string().max(80)) }),
  /** The routes of an account, all of them in their order. */
  z.object({ on: z.literal('routes'), account: Id, routes: RoutesSchema }),
  /** Collections that fill themselves, all of them. */
  z.object({ on: z.literal('collections'), collections: CollectionsSchema }),
  /** Offers families on an account, or no longer. */
  z.object({
    on: z.literal('offer'),
    account: Id,
    familyIds: z.array(Id).min(1).max(5000),
    offered: z.boolean(),
  }),
  /** Puts an edition of a channel's rules in force: a newer one it has published, or one from before. */
  z.object({ on: z.literal('adoptRules'), channel: Id, version: z.number().int().min(1) }),
  /** Rules the seller wrote: for a channel of the seller's own. */
  z.object({ on: z.literal('ownRules'), rulebook: RulebookSchema }),
  z.object({ on: z.literal('removeOwnRules'), channel: Id }),
]);
export type Step = z.infer<typeof StepSchema>;
export type StepInput = z.input<typeof StepSchema>;

export const ChangeRequestSchema = z.object({
  key: Key,
  /** Said in the journal; made from the steps where it is left out. */
  title: z.string().trim().min(1).max(200).optional(),
  /** The family whose page it was made from: Ctrl Z there takes it back. */
  from: Id.optional(),
  steps: z.array(StepSchema).min(1).max(2000),
});
export type ChangeRequest = z.input<typeof ChangeRequestSchema>;

export const ChangeDoneSchema = z.object({
  /** Null where nothing was changed. */
  id: z.number().nullable(),
  title: z.string(),
  /** Family → its revision after the change. */
  revisions: z.record(z.string(), z.number()),
  /** Families that were started, in the order of the steps. */
  started: z.array(z.string()),
  /** What the seller should know, such as an identifier that another child had before. */
  notices: z.array(z.string()),
});
export type ChangeDone = z.infer<typeof ChangeDoneSchema>;

export const ChangeLineSchema = z.object({
  where: z.string(),
  what: z.string(),
  before: z.string(),
  after: z.string(),
});

/** What a change did to one thing, in words. */
export const ChangePartSchema = z.object({
  thing: z.string(),
  thingId: z.string(),
  /** The family's name, the account's, or what else it is called. */
  name: z.string(),
  lines: z.array(ChangeLineSchema),
  /** Lines there are besides, where they are too many to be told. */
  moreLines: z.number(),
});
export type ChangePart = z.infer<typeof ChangePartSchema>;

export const JournalEntrySchema = z.object({
  id: z.number(),
  at: z.string(),
  actor: z.string(),
  kind: z.enum(['change', 'undo', 'redo']),
  title: z.string(),
  state: z.enum(['done', 'undone', 'gone']),
  /** The first of its parts, those of the family that was asked for before all others. */
  parts: z.array(ChangePartSchema),
  partCount: z.number(),
  familyCount: z.number(),
});
export type JournalEntry = z.infer<typeof JournalEntrySchema>;

const ofChange = z.object({ id: z.coerce.number().int() });

export const changeEndpoints = {
  change: define(
    'post',
    '/api/changes',
    'Make a change: all its steps or none. The same key again is the same change, made once',
    {
      body: ChangeRequestSchema,
      response: ChangeDoneSchema,
    },
  ),
  undo: define(
    'post',
    '/api/changes/:id/undo',
    'Take a change back as a whole; refused by name where a later one stands on it',
    {
      params: ofChange,
      body: z.object({ key: Key }),
      response: ChangeDoneSchema,
    },
  ),
  redo: define('post', '/api/changes/:id/redo', 'Make a change that was taken back again', {
    params: ofChange,
    body: z.object({ key: Key }),
    response: ChangeDoneSchema,
  }),
  journal: define('get', '/api/journal', 'Changes, newest first', {
    query: z.object({
      familyId: Id.optional(),
      before: z.coerce.number().int().optional(),
      limit: z.coerce.number().int().min(1).max(200).default(50),
    }),
    response: z.array(JournalEntrySchema),
  }),
  changeParts: define('get', '/api/changes/:id/parts', 'What a change did, thing by thing, as in the journal', {
    params: ofChange,
    query: z.object({
      familyId: Id.optional(),
      from: z.coerce.number().int().min(0).default(0),
      limit: z.coerce.number().int().min(1).max(200).default(100),
    }),
    response: z.array(ChangePartSchema),
  }),
};
