/** Families: lists, one whole, those like one about to be started. */
import { z } from 'zod';
import { FamilySchema } from '@loom-kin/core/family';
import { SEVERITIES, STATES } from '@loom-kin/core/fit';
import { LABEL_SHEET_IDS, LARGEST_PERCENT, SMALLEST_PERCENT } from '@loom-kin/core/labels';
import { KnownNumbersSchema, ListingSchema } from '@loom-kin/core/listing';
import { PictureFactsSchema } from '@loom-kin/core/pictures';
import { MOVEMENT_KINDS } from '@loom-kin/core/stock';
import { UnconfirmedSchema } from './dispatches';
import { define, Id, withId } from './endpoint';

export const StateSchema = z.enum(STATES);

/** Account → how a family stands there; stops and warns are things to do. */
export const StripSchema = z.record(
  z.string(),
  z.object({
    state: StateSchema,
    stops: z.number(),
    warns: z.number(),
    /** Listings that buyers see, and drafts that they do not. */
    live: z.number(),
    drafts: z.number(),
    /** Listings of which it is not certain what the account holds. */
    unconfirmed: z.number(),
  }),
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
  /** So many children have as few pieces as the seller calls low. */
  low: z.number(),
  picture: z.string().nullable(),
  retired: z.boolean(),
  changedAt: z.string(),
  strip: StripSchema,
});
export type FamilySummary = z.infer<typeof FamilySummarySchema>;

export const LiveListingSchema = z.object({
  account: z.string(),
  key: z.string(),
  structure: z.string(),
  draft: z.boolean(),
  page: z.string().nullable(),
  sentAt: z.string(),
  listing: ListingSchema,
});
export type LiveListingRow = z.infer<typeof LiveListingSchema>;

/** A change that can be taken back or made again, and how many families besides this one it touched. */
export const StepBackSchema = z.object({ id: z.number(), title: z.string(), others: z.number() });
export type StepBack = z.infer<typeof StepBackSchema>;

export const FamilyDetailSchema = z.object({
  family: FamilySchema,
  stock: z.record(z.string(), z.number()),
  /** Child → place → pieces, of those that are not all at the first place. */
  stockAt: z.record(z.string(), z.record(z.string(), z.number())),
  pictures: z.record(z.string(), PictureFactsSchema),
  live: z.array(LiveListingSchema),
  unconfirmed: z.array(UnconfirmedSchema),
  /** Account → what its channel knows of the family's numbers. */
  known: z.record(z.string(), KnownNumbersSchema),
  undo: StepBackSchema.nullable().describe('What Ctrl Z would take back; null when nothing.'),
  redo: StepBackSchema.nullable(),
  /** Keys of the newest changes of the family that gave one, newest first. */
  keys: z.array(z.string()),
});
export type FamilyDetail = z.infer<typeof FamilyDetailSchema>;

/** Which families are meant, of lists and of the fit board. */
export const FamilyFilterSchema = z.object({
  q: z.string().max(200).default(''),
  /** The seller's category, with those below it. */
  category: z.string().max(80).optional(),
  account: z.string().max(80).optional(),
  state: StateSchema.optional(),
  /** Code and field of a finding that families have on the account, parted by a bar. */
  finding: z.string().max(120).optional(),
  /** The route of the account that they take. */
  route: z.string().max(20).optional(),
  retired: z.enum(['yes', 'no']).default('no'),
});
export type FamilyFilter = z.infer<typeof FamilyFilterSchema>;

const ListQuery = FamilyFilterSchema.extend({
  sort: z.enum(['name', 'changed', 'price', 'stock', 'children']).default('name'),
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(200).default(60),
});

/** A kind of finding, over all families on an account. */
export const FindingCountSchema = z.object({
  code: z.string(),
  /** The field or part it is about. */
  key: z.string(),
  severity: z.enum(SEVERITIES),
  families: z.number(),
  children: z.number(),
});
export type FindingCount = z.infer<typeof FindingCountSchema>;

/** What the next family of a kind is likely to have, and the family it is taken from. */
export const UsualFiguresSchema = z.object({
  familyId: z.string(),
  name: z.string(),
  category: z.string(),
  figures: z.record(z.string(), z.string()),
});
export type UsualFigures = z.infer<typeof UsualFiguresSchema>;

export const LedgerSchema = z.object({
  /** Place → pieces. */
  places: z.record(z.string(), z.number()),
  /** Movements, the newest first. */
  lines: z.array(
    z.object({
      id: z.number(),
      at: z.string(),
      kind: z.enum(MOVEMENT_KINDS),
      location: z.string(),
      pieces: z.number(),
      /** What the place held after it. */
      after: z.number(),
      reason: z.string().nullable(),
    }),
  ),
  more: z.boolean(),
});
export type Ledger = z.infer<typeof LedgerSchema>;

/** Sentences that other families have word for word, and which families. */
export const SaidElsewhereSchema = z.array(
  z.object({ sentence: z.string(), families: z.number(), names: z.array(z.string()) }),
);
export type SaidElsewhere = z.infer<typeof SaidElsewhereSchema>;

/** Labels with bar codes, for children that have a GTIN. */
export const LabelOrderSchema = z.object({
  childIds: z.array(Id).min(1).max(20_000),
  sheet: z.enum(LABEL_SHEET_IDS),
  /** Magnification of the symbol. */
  percent: z.number().int().min(SMALLEST_PERCENT).max(LARGEST_PERCENT).default(100),
  /** So many of each child, or as many as it has pieces. */
  copies: z.union([z.literal('stock'), z.number().int().min(1).max(1000)]).default(1),
  /** The first label of the first sheet that is free, from 1. */
  start: z.number().int().min(1).max(200).default(1),
  shows: z
    .array(z.enum(['name', 'options', 'sku', 'price']))
    .max(4)
    .default(['name', 'options', 'sku']),
});
export type LabelOrder = z.infer<typeof LabelOrderSchema>;

/** The items of a set, in its order. */
export const BundleItemsSchema = z.array(
  z.object({
    sku: z.string(),
    /** So many of it are in one set. */
    pieces: z.number(),
    /** Null where nobody has the SKU. */
    item: z
      .object({
        familyId: z.string(),
        name: z.string(),
        /** Null where it is made to order or has no limit. */
        stock: z.number().nullable(),
      })
      .nullable(),
  }),
);
export type BundleItems = z.infer<typeof BundleItemsSchema>;

/** What a pattern would make of children, looked at over the whole catalogue. */
export const SkuPreviewSchema = z.object({
  /** In the order of the children asked for; `problem` says why a SKU cannot be taken. */
  proposals: z.array(z.object({ childId: z.string(), sku: z.string(), problem: z.string().nullable() })),
  /** The account that takes the fewest characters. */
  limit: z.object({ account: z.string(), most: z.number() }).nullable(),
  /** Child → why the SKU that it has stays: an account lists it, or soon will. */
  bound: z.record(z.string(), z.string()),
  /** The nearest pattern by which every child gets a SKU that all accounts take; null where there is no need, or none. */
  wayOut: z.string().nullable(),
});
export type SkuPreview = z.infer<typeof SkuPreviewSchema>;

export const familyEndpoints = {
  skuPreview: define(
    'post',
    '/api/families/:id/skus',
    'The SKUs that a pattern would make, and what stands against them',
    {
      params: withId,
      body: z.object({ pattern: z.string().max(200), childIds: z.array(Id).max(20_000) }),
      response: SkuPreviewSchema,
    },
  ),
  labels: define('post', '/api/families/:id/labels', 'Sheets of labels with bar codes, as a PDF to scale', {
    params: withId,
    body: LabelOrderSchema,
    response: z.unknown(),
    download: ['application/pdf'],
  }),
  saidElsewhere: define(
    'post',
    '/api/families/:id/said-elsewhere',
    'Which sentences other families have word for word',
    {
      params: withId,
      body: z.object({ sentences: z.array(z.string().min(1).max(2000)).min(1).max(100) }),
      response: SaidElsewhereSchema,
    },
  ),
  bundleItems: define('get', '/api/families/:id/children/:childId/parts', 'The items of a set, with their pieces', {
    params: withId.extend({ childId: Id }),
    response: BundleItemsSchema,
  }),
  stockLedger: define('get', '/api/families/:id/children/:childId/stock', 'How the pieces of a child came and went', {
    params: withId.extend({ childId: Id }),
    response: LedgerSchema,
  }),
  usualFigures: define('get', '/api/usual', 'What the last family of a category has that the next is likely to have', {
    query: z.object({ category: z.string().max(80).default(''), except: Id.optional() }),
    response: UsualFiguresSchema.nullable(),
  }),
  listFamilies: define('get', '/api/families', 'Families by search, state on an account and order', {
    query: ListQuery,
    response: z.object({ total: z.number(), families: z.array(FamilySummarySchema) }),
  }),
  findingCounts: define('get', '/api/findings', 'How many families have which findings on an account', {
    query: z.object({ account: z.string().max(80) }),
    response: z.array(FindingCountSchema),
  }),
  likeFamilies: define('get', '/api/likeness', 'Families that resemble one about to be started', {
    query: z.object({
      name: z.string().max(200).default(''),
      styleCode: z.string().max(40).default(''),
      modelNumber: z.string().max(60).optional(),
    }),
    response: z.array(z.object({ id: z.string(), name: z.string(), styleCode: z.string(), why: z.string() })),
  }),
  family: define('get', '/api/families/:id', 'One family with stock, pictures and what is live', {
    params: withId,
    response: FamilyDetailSchema,
  }),
  familySheet: define('get', '/api/families/:id/file.:kind', 'The family as a file: json, csv or xlsx', {
    params: z.object({ id: Id, kind: z.string() }),
    response: z.unknown(),
    download: ['application/json', 'text/csv', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
  }),
  uploadSheet: define(
    'get',
    '/api/families/:id/upload/:account',
    'What would be sent to an account, as its upload sheet',
    {
      params: z.object({ id: Id, account: Id }),
      response: z.unknown(),
      download: ['application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
    },
  ),
};
