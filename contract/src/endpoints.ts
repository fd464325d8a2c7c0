/** Every endpoint of the HTTP API. Files travel as multipart or as downloads and are marked so. */
import { z } from 'zod';
import {
  ChannelSettingsSchema,
  CommandSchema,
  CreateFamilySchema,
  FamilySchema,
  NumberBlockSchema,
  PairingSchema,
  PictureFactsSchema,
  SellerSchema,
} from '@loom-kin/core';
import type { Endpoint } from './endpoint';
import * as wire from './schemas';

const none = z.object({});
const Id = z.string().min(1).max(80);
/** Names one request, so that sending it twice counts once. */
const Key = z.string().min(8).max(80);
const withId = z.object({ id: Id });
const ok = z.object({ ok: z.literal(true) });

const define = <
  P extends z.ZodType = typeof none,
  Q extends z.ZodType = typeof none,
  B extends z.ZodType = z.ZodUndefined,
  R extends z.ZodType = z.ZodType,
>(
  method: Endpoint['method'],
  path: string,
  summary: string,
  shape: { params?: P; query?: Q; body?: B; response: R },
): Endpoint<P, Q, B, R> => ({
  method,
  path,
  summary,
  params: (shape.params ?? none) as P,
  query: (shape.query ?? none) as Q,
  body: (shape.body ?? z.undefined()) as B,
  response: shape.response,
});

const Files = z.array(
  z.object({ fileName: z.string(), picture: PictureFactsSchema.nullable(), problem: z.string().nullable() }),
);
/** What the seller saw and agreed to: new listings, those taken down, and fees. */
const Agreed = wire.TotalsSchema.pick({ listings: true, takenDown: true, fees: true });
const Selection = z.object({
  familyIds: z.array(Id).min(1).max(500),
  channels: z.array(Id).min(1).max(20),
  draft: z.boolean().default(false),
});

export const endpoints = {
  health: define('get', '/api/health', 'Whether the server works', {
    response: z.object({ ok: z.literal(true), families: z.number() }),
  }),
  setup: define('get', '/api/setup', 'Seller, number blocks, channels with their rulebooks, pairings', {
    response: wire.SetupSchema,
  }),
  setSeller: define('put', '/api/setup/seller', 'Change the seller', { body: SellerSchema, response: ok }),
  addBlock: define('post', '/api/setup/blocks', 'Add a number block', {
    body: NumberBlockSchema.omit({ id: true }),
    response: ok,
  }),
  removeBlock: define('delete', '/api/setup/blocks/:id', 'Remove a number block; numbers given out stay', {
    params: withId,
    response: ok,
  }),
  setChannel: define('put', '/api/channels/:id/settings', 'Change what is set up for a channel', {
    params: withId,
    body: ChannelSettingsSchema,
    response: ok,
  }),
  refreshChannel: define('post', '/api/channels/:id/refresh', 'Fetch the rulebook and account of a channel anew', {
    params: withId,
    response: wire.ChannelSchema,
  }),

  listFamilies: define('get', '/api/families', 'Families by search, state on a channel and order', {
    query: z.object({
      q: z.string().max(200).default(''),
      channel: z.string().max(80).optional(),
      state: wire.StateSchema.optional(),
      retired: z.enum(['yes', 'no']).default('no'),
      sort: z.enum(['name', 'changed', 'price', 'stock', 'children']).default('name'),
      offset: z.coerce.number().int().min(0).default(0),
      limit: z.coerce.number().int().min(1).max(200).default(60),
    }),
    response: z.object({ total: z.number(), families: z.array(wire.FamilySummarySchema) }),
  }),
  likeFamilies: define('get', '/api/families/like', 'Families that resemble one about to be started', {
    query: z.object({ name: z.string().max(200).default(''), styleCode: z.string().max(40).default('') }),
    response: z.array(z.object({ id: z.string(), name: z.string(), styleCode: z.string(), why: z.string() })),
  }),
  createFamily: define('post', '/api/families', 'Start a family', {
    body: CreateFamilySchema.omit({ id: true }),
    response: wire.FamilyDetailSchema,
  }),
  family: define('get', '/api/families/:id', 'One family with stock, pictures and what is live', {
    params: withId,
    response: wire.FamilyDetailSchema,
  }),
  run: define(
    'post',
    '/api/families/:id/commands',
    'Run a command on the revision seen; 409 when it is stale. The same key again is the same change, made once',
    {
      params: withId,
      body: z.object({ revision: z.number().int(), command: CommandSchema, key: Key.optional() }),
      response: z.object({ revision: z.number(), undo: z.string().nullable() }),
    },
  ),
  undo: define('post', '/api/families/:id/undo', 'Take the last change back', {
    params: withId,
    response: wire.FamilyDetailSchema,
  }),
  redo: define('post', '/api/families/:id/redo', 'Make the change taken back again', {
    params: withId,
    response: wire.FamilyDetailSchema,
  }),
  countStock: define('post', '/api/families/:id/stock', 'Set the pieces counted, child by child', {
    params: withId,
    body: z.object({
      key: Key,
      counts: z
        .array(z.object({ childId: Id, pieces: z.number().int().min(0).max(999_999_999) }))
        .min(1)
        .max(20_000),
    }),
    response: wire.FamilyDetailSchema,
  }),
  takeNumbers: define('post', '/api/families/:id/numbers', 'Give children the next free GTINs of a block', {
    params: withId,
    body: z.object({ blockId: Id.optional(), childIds: z.array(Id).min(1).max(20_000) }),
    response: wire.FamilyDetailSchema,
  }),
  setPairings: define(
    'put',
    '/api/families/:id/pairings',
    "Pair values with a channel's; remembered for every family",
    {
      params: withId,
      body: z.object({ pairings: z.array(PairingSchema).min(1).max(500) }),
      response: wire.FamilyDetailSchema,
    },
  ),
  readSheet: define(
    'post',
    '/api/families/:id/sheet',
    'Read a CSV or XLSX sheet into a family (multipart field "file"); apply=no shows only what it would do',
    {
      params: withId,
      query: z.object({ apply: z.enum(['yes', 'no']).default('no') }),
      response: wire.IntakeReportSchema,
    },
  ),
  readFamilyFile: define('post', '/api/families/file', 'Read a family file', {
    body: wire.FamilyFileSchema,
    response: wire.IntakeReportSchema,
  }),
  addPictures: define('post', '/api/pictures', 'Take pictures in (multipart field "files")', { response: Files }),

  previewDispatch: define('post', '/api/dispatches/preview', 'What would be sent, and its total', {
    body: Selection,
    response: wire.DispatchPreviewSchema,
  }),
  startDispatch: define('post', '/api/dispatches', 'Send; the total agreed to has to hold still', {
    body: Selection.extend({ key: Key, agreed: Agreed }),
    response: wire.DispatchSchema,
  }),
  dispatches: define('get', '/api/dispatches', 'The newest dispatches, in short', {
    response: z.array(wire.DispatchSummarySchema),
  }),
  dispatch: define('get', '/api/dispatches/:id', 'One dispatch with its receipt', {
    params: withId,
    response: wire.DispatchSchema,
  }),
  dispatchLine: define('get', '/api/dispatches/:id/lines/:line', 'Exactly what a line sends', {
    params: withId.extend({ line: z.coerce.number().int() }),
    response: wire.LineMessageSchema,
  }),
  retryDispatch: define('post', '/api/dispatches/:id/retry', 'Send again what failed or was stopped', {
    params: withId,
    response: wire.DispatchSchema,
  }),
  stopDispatch: define('post', '/api/dispatches/:id/stop', 'Send no more of it', {
    params: withId,
    response: wire.DispatchSchema,
  }),

  journal: define('get', '/api/journal', 'Changes, newest first', {
    query: z.object({
      familyId: Id.optional(),
      before: z.coerce.number().int().optional(),
      limit: z.coerce.number().int().min(1).max(200).default(50),
    }),
    response: z.array(wire.JournalEntrySchema),
  }),
};

export { FamilySchema };
