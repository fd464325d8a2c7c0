/** What comes in: sheets and family files. */
import { z } from 'zod';
import { FamilyFileSchema } from '@loom-kin/core/family';
import { define, withId } from './endpoint';
import { JobSchema } from './jobs';

export const RowVerdictSchema = z.object({
  row: z.number(),
  verdict: z.enum(['new', 'changed', 'same', 'refused']),
  child: z.string(),
  problems: z.array(z.object({ column: z.string(), message: z.string() })),
  changes: z.array(z.object({ column: z.string(), before: z.string(), after: z.string() })),
});

export const IntakeReportSchema = z.object({
  familyId: z.string().nullable(),
  fileName: z.string().nullable(),
  applied: z.boolean(),
  counts: z.object({ new: z.number(), changed: z.number(), same: z.number(), refused: z.number() }),
  /** Those asked for, in the order of the file. */
  rows: z.array(RowVerdictSchema),
  unknownColumns: z.array(z.string()),
});
export type IntakeReport = z.infer<typeof IntakeReportSchema>;

/** Which rows of a report are wanted. */
const Rows = z.object({
  only: z.enum(['all', 'new', 'changed', 'same', 'refused']).default('all'),
  from: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(1000).default(500),
});

export const intakeEndpoints = {
  readTable: define('post', '/api/intake/table', 'A sheet as rows of text, the header first; nothing is kept of it', {
    response: z.object({ rows: z.array(z.array(z.string())) }),
    upload: 'file',
  }),
  readSheet: define(
    'post',
    '/api/families/:id/sheet',
    'Read a CSV or XLSX sheet into a family, as a job; apply=no reads only what it would do',
    {
      params: withId,
      query: z.object({ apply: z.enum(['yes', 'no']).default('no') }),
      response: JobSchema,
      upload: 'file',
    },
  ),
  sheetReport: define('get', '/api/jobs/:id/report', 'What a sheet that was read does or would do, row by row', {
    params: withId,
    query: Rows,
    response: IntakeReportSchema,
  }),
  takeSheet: define('post', '/api/jobs/:id/take', 'Take the good rows of a sheet in that was read', {
    params: withId,
    response: JobSchema,
  }),
  readFamilyFile: define('post', '/api/family-files', 'Read a family file', {
    body: FamilyFileSchema,
    response: IntakeReportSchema,
  }),
};
