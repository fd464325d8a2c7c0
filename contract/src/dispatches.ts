/** Sending: what would go out, what was agreed to, receipts. */
import { z } from 'zod';
import { ListingMessageSchema } from '@loom-kin/core/listing';
import { define, Id, Key, withId } from './endpoint';

export const LINE_STATES = ['held', 'queued', 'sent', 'done', 'refused', 'failed', 'stopped'] as const;
export const ReasonSchema = z.object({
  text: z.string(),
  sku: z.string().nullable(),
  childId: z.string().nullable(),
  field: z.string().nullable(),
});
export const DispatchLineSchema = z.object({
  id: z.number(),
  account: z.string(),
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
export const DispatchSummarySchema = DispatchSchema.pick({
  id: true,
  at: true,
  state: true,
  draft: true,
  notice: true,
}).extend({
  title: z.string(),
  lines: z.number(),
  states: z.partialRecord(z.enum(LINE_STATES), z.number()),
});
export type DispatchSummary = z.infer<typeof DispatchSummarySchema>;

export const DispatchPreviewSchema = z.object({ totals: TotalsSchema, lines: z.array(PreviewLineSchema) });
export type DispatchPreview = z.infer<typeof DispatchPreviewSchema>;

/** A listing of which it is not known for certain what its account holds; without a key all of the account. */
export const UnconfirmedSchema = z.object({
  account: z.string(),
  key: z.string(),
  since: z.string(),
  /** What happened, in words. */
  why: z.string(),
});
export type Unconfirmed = z.infer<typeof UnconfirmedSchema>;

/** What the seller saw and agreed to: new listings, those taken down, and fees. */
const Agreed = TotalsSchema.pick({ listings: true, takenDown: true, fees: true });
/** So many families are sent at once. */
export const SENT_AT_ONCE = 500;
const Selection = z.object({
  familyIds: z.array(Id).min(1).max(SENT_AT_ONCE),
  accounts: z.array(Id).min(1).max(40),
  draft: z.boolean().default(false),
});

export const dispatchEndpoints = {
  previewDispatch: define('post', '/api/dispatches/preview', 'What would be sent, and its total', {
    body: Selection,
    response: DispatchPreviewSchema,
  }),
  startDispatch: define('post', '/api/dispatches', 'Send; the total agreed to has to hold still', {
    body: Selection.extend({ key: Key, agreed: Agreed }),
    response: DispatchSchema,
  }),
  dispatches: define('get', '/api/dispatches', 'The newest dispatches, in short', {
    response: z.array(DispatchSummarySchema),
  }),
  dispatch: define('get', '/api/dispatches/:id', 'One dispatch with its receipt', {
    params: withId,
    response: DispatchSchema,
  }),
  dispatchLine: define('get', '/api/dispatches/:id/lines/:line', 'Exactly what a line sends', {
    params: withId.extend({ line: z.coerce.number().int() }),
    response: LineMessageSchema,
  }),
  retryDispatch: define('post', '/api/dispatches/:id/retry', 'Send again what failed or was stopped', {
    params: withId,
    response: DispatchSchema,
  }),
  readAccount: define('post', '/api/accounts/:id/read', 'Read what an account holds, where that is in doubt', {
    params: withId,
    response: z.object({ left: z.number().describe('Listings that are still in doubt.') }),
  }),
  stopDispatch: define('post', '/api/dispatches/:id/stop', 'Send no more of it', {
    params: withId,
    response: DispatchSchema,
  }),
};
