/** What goes over the wire, beside the shapes of the core. */
import { z } from 'zod';
import {
  ChannelSettingsSchema,
  FamilySchema,
  ListingMessageSchema,
  ListingSchema,
  NumberBlockSchema,
  PairingSchema,
  PictureFactsSchema,
  RulebookSchema,
  SellerSchema,
  STATES,
} from '@loom-kin/core';

export const StateSchema = z.enum(STATES);

/** Every refusal and failure. `place` names the child, value or field; `rows` the rows of a file. */
export const ProblemSchema = z.object({
  code: z.string(),
  message: z.string(),
  place: z.unknown().optional(),
  detail: z.unknown().optional(),
});
export type Problem = z.infer<typeof ProblemSchema>;

export const StripSchema = z.record(
  z.string(),
  z.object({ state: StateSchema, stops: z.number(), warns: z.number(), live: z.number() }),
);
export type Strip = z.infer<typeof StripSchema>;

export const FamilySummarySchema = z.object({
  id: z.string(),
  name: z.string(),
  styleCode: z.string(),
  brand: z.string(),
  category: z.string(),
  axes: z.string(),
  children: z.number(),
  fromPrice: z.string().nullable(),
  stock: z.number(),
  picture: z.string().nullable(),
  retired: z.boolean(),
  changedAt: z.string(),
  strip: StripSchema,
});
export type FamilySummary = z.infer<typeof FamilySummarySchema>;

export const LiveListingSchema = z.object({
  channel: z.string(),
  key: z.string(),
  structure: z.string(),
  draft: z.boolean(),
  page: z.string().nullable(),
  sentAt: z.string(),
  listing: ListingSchema,
});
export type LiveListingRow = z.infer<typeof LiveListingSchema>;

export const FamilyDetailSchema = z.object({
  family: FamilySchema,
  stock: z.record(z.string(), z.number()),
  pictures: z.record(z.string(), PictureFactsSchema),
  live: z.array(LiveListingSchema),
  undo: z.string().nullable().describe('What Ctrl Z would take back; null when nothing.'),
  redo: z.string().nullable(),
  lastKey: z.string().nullable().describe('The key of the newest change, if its sender gave one.'),
});
export type FamilyDetail = z.infer<typeof FamilyDetailSchema>;

export const ChannelSchema = z.object({
  channel: z.string(),
  rulebook: RulebookSchema,
  settings: ChannelSettingsSchema,
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
  blocks: z.array(BlockStateSchema),
  channels: z.array(ChannelSchema),
  pairings: z.array(PairingSchema),
});
export type Setup = z.infer<typeof SetupSchema>;

export const ChangeLineSchema = z.object({
  where: z.string(),
  what: z.string(),
  before: z.string(),
  after: z.string(),
});

export const JournalEntrySchema = z.object({
  id: z.number(),
  familyId: z.string(),
  familyName: z.string(),
  at: z.string(),
  who: z.string(),
  kind: z.enum(['change', 'undo', 'redo']),
  title: z.string(),
  lines: z.array(ChangeLineSchema),
  state: z.enum(['done', 'undone', 'gone']),
});
export type JournalEntry = z.infer<typeof JournalEntrySchema>;

export const LINE_STATES = ['held', 'queued', 'sent', 'done', 'refused', 'failed', 'stopped'] as const;
export const ReasonSchema = z.object({
  text: z.string(),
  sku: z.string().nullable(),
  childId: z.string().nullable(),
  field: z.string().nullable(),
});
export const DispatchLineSchema = z.object({
  id: z.number(),
  channel: z.string(),
  familyId: z.string(),
  familyName: z.string(),
  key: z.string(),
  action: z.enum(['list', 'revise', 'takeDown', 'none']),
  children: z.number(),
  fee: z.string(),
  state: z.enum(LINE_STATES),
  /** What the channel made of it, in a word: listed, revised, already there… */
  outcome: z.string().nullable(),
  reasons: z.array(ReasonSchema),
  page: z.string().nullable(),
  /** What the message holds, in words. */
  what: z.string(),
});
export type DispatchLine = z.infer<typeof DispatchLineSchema>;

/** Exactly what goes out about one listing; null where nothing does. */
export const LineMessageSchema = z.object({ message: ListingMessageSchema.nullable() });
export const PreviewLineSchema = DispatchLineSchema.extend(LineMessageSchema.shape);
export type PreviewLine = z.infer<typeof PreviewLineSchema>;

export const FeeSchema = z.object({ currency: z.string(), amount: z.string() });
export const TotalsSchema = z.object({
  listings: z.number(),
  revisions: z.number(),
  takenDown: z.number(),
  unchanged: z.number(),
  held: z.number(),
  children: z.number(),
  fees: z.array(FeeSchema),
});
export type Totals = z.infer<typeof TotalsSchema>;

export const DispatchSchema = z.object({
  id: z.string(),
  at: z.string(),
  state: z.enum(['running', 'done', 'stopped']),
  draft: z.boolean(),
  totals: TotalsSchema,
  /** Said while a channel does not answer. */
  notice: z.string().nullable(),
  lines: z.array(DispatchLineSchema),
});
export type Dispatch = z.infer<typeof DispatchSchema>;

/** A dispatch in a list: of many lines only their counts. */
export const DispatchSummarySchema = DispatchSchema.pick({ id: true, at: true, state: true, draft: true }).extend({
  title: z.string(),
  lines: z.number(),
  states: z.partialRecord(z.enum(LINE_STATES), z.number()),
});
export type DispatchSummary = z.infer<typeof DispatchSummarySchema>;

export const DispatchPreviewSchema = z.object({ totals: TotalsSchema, lines: z.array(PreviewLineSchema) });
export type DispatchPreview = z.infer<typeof DispatchPreviewSchema>;

export const RowVerdictSchema = z.object({
  row: z.number(),
  verdict: z.enum(['new', 'changed', 'same', 'refused']),
  child: z.string(),
  problems: z.array(z.object({ column: z.string(), message: z.string() })),
  changes: z.array(z.object({ column: z.string(), before: z.string(), after: z.string() })),
});

export const IntakeReportSchema = z.object({
  familyId: z.string().nullable(),
  applied: z.boolean(),
  counts: z.object({ new: z.number(), changed: z.number(), same: z.number(), refused: z.number() }),
  rows: z.array(RowVerdictSchema),
  unknownColumns: z.array(z.string()),
});
export type IntakeReport = z.infer<typeof IntakeReportSchema>;

/** A family as a file: everything but revision and listings. Stock by SKU. */
export const FamilyFileSchema = z.object({
  format: z.literal('loom-kin/family'),
  version: z.literal(1),
  family: FamilySchema.omit({ revision: true }),
  stock: z.record(z.string(), z.number().int().min(0)).describe('SKU → pieces'),
});
export type FamilyFile = z.infer<typeof FamilyFileSchema>;
