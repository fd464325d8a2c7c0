/** Lists of any kind that become families: read, settled, taken in. */
import { z } from 'zod';
import { RoleSchema } from '@loom-kin/core/family';
import {
  LIST_VERDICTS,
  ListMappingSchema,
  ListSettlementSchema,
  MENDED_CODES,
  MeaningSchema,
} from '@loom-kin/core/intake';
import { define, Id, withId } from './endpoint';
import { JobSchema } from './jobs';

export const ListRowSchema = z.object({
  row: z.number(),
  verdict: z.enum(LIST_VERDICTS),
  family: z.string(),
  child: z.string(),
  problems: z.array(z.object({ column: z.string(), message: z.string() })),
  changes: z.array(z.object({ column: z.string(), before: z.string(), after: z.string() })),
  doubt: z.string().optional(),
});
export type ListRowView = z.infer<typeof ListRowSchema>;

const Counts = z.record(z.enum(LIST_VERDICTS), z.number());
export type ListCounts = z.infer<typeof Counts>;

/** Of a large family so many children are shown before it is taken in. */
export const CHILDREN_SHOWN = 600;

export const ListFamilySchema = z.object({
  /** Its place among the families of the list. */
  at: z.number(),
  key: z.string(),
  name: z.string(),
  brand: z.string(),
  /** The family of the catalogue that it is brought together with; null for one that is begun. */
  familyId: Id.nullable(),
  axes: z.array(z.object({ label: z.string(), role: RoleSchema, values: z.array(z.string()) })),
  /** Rows and options of its children, the first of them. */
  children: z.array(z.object({ rows: z.array(z.number()), at: z.record(z.string(), z.string()) })),
  rows: z.number(),
  why: z.string(),
  doubts: z.array(z.object({ row: z.number(), text: z.string() })),
  changes: ListRowSchema.shape.changes,
  counts: Counts,
});
export type ListFamilyView = z.infer<typeof ListFamilySchema>;

export const ListViewSchema = z.object({
  id: z.string(),
  fileName: z.string(),
  /** Where it was read from: a file, or what stands on an account. */
  account: z.string().nullable(),
  applied: z.boolean(),
  /** The change that took it in, as long as it stands. */
  change: z.number().nullable(),
  /** Sheets of a workbook, and which is read. */
  sheets: z.array(z.string()),
  sheet: z.string().nullable(),
  rows: z.number(),
  /** Its first rows, as they were read. */
  head: z.array(z.array(z.string())),
  headerRows: z.array(z.number()),
  columns: z.array(
    z.object({
      at: z.number(),
      header: z.string(),
      meaning: MeaningSchema,
      confidence: z.number(),
      reason: z.string(),
      /** Some of its cells. */
      cells: z.array(z.string()),
    }),
  ),
  mapping: ListMappingSchema,
  settlement: ListSettlementSchema,
  families: z.number(),
  counts: Counts,
  skipped: z.array(z.object({ row: z.number(), why: z.string() })),
  mended: z.array(
    z.object({
      row: z.number(),
      column: z.string(),
      code: z.enum(MENDED_CODES).default('gtin.lost-zero'),
      from: z.string(),
      to: z.string(),
    }),
  ),
  problems: z.array(z.object({ row: z.number(), column: z.string().optional(), code: z.string(), text: z.string() })),
  problemCount: z.number(),
  /** In words what else is added with its families, such as categories that are not there yet; empty: nothing. */
  brings: z.string().default(''),
  /** So many pictures are named by address, and the intake that fetches them once the list is in. */
  pictures: z.number(),
  pictureIntake: Id.nullable(),
});
export type ListView = z.infer<typeof ListViewSchema>;

const Page = {
  from: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(100),
};

export const listEndpoints = {
  startList: define('post', '/api/lists', 'Read a list of goods (CSV, XLSX or JSON), as a job; nothing goes in yet', {
    response: JobSchema,
    upload: 'file',
  }),
  pasteList: define('post', '/api/lists/pasted', 'The same for pasted cells', {
    body: z.object({ text: z.string().min(1).max(5_000_000) }),
    response: JobSchema,
  }),
  listFromLive: define('post', '/api/lists/live', 'The same for what stands on an account', {
    body: z.object({ account: Id }),
    response: JobSchema,
  }),
  list: define('get', '/api/lists/:id', 'A list that was read: its columns, and how many rows become what', {
    params: withId,
    response: ListViewSchema,
  }),
  listFamiliesFound: define('get', '/api/lists/:id/families', 'The families that a list becomes', {
    params: withId,
    query: z.object({ ...Page, only: z.enum(['all', 'doubtful', 'refused', 'single']).default('all') }),
    response: z.object({ families: z.array(ListFamilySchema), total: z.number() }),
  }),
  listRows: define('get', '/api/lists/:id/rows', 'What becomes of each row of a list', {
    params: withId,
    query: z.object({ ...Page, only: z.enum(['all', ...LIST_VERDICTS]).default('all') }),
    response: z.object({ rows: z.array(ListRowSchema), total: z.number() }),
  }),
  settleList: define(
    'post',
    '/api/lists/:id/settle',
    'Read a list anew: another sheet, other columns, families settled',
    {
      params: withId,
      body: z.object({
        sheet: z.string().max(100).optional(),
        mapping: ListMappingSchema.optional(),
        settlement: ListSettlementSchema.optional(),
      }),
      response: JobSchema,
    },
  ),
  takeList: define(
    'post',
    '/api/lists/:id/take',
    'Take the good rows of a list in, as one change; pictures it names by address are fetched then',
    {
      params: withId,
      body: z.object({ deletions: z.boolean().default(false), pictures: z.boolean().default(true) }),
      response: JobSchema,
    },
  ),
};
