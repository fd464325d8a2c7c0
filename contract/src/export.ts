/** What leaves: the catalogue in open formats, and the backup. */
import { z } from 'zod';
import { define, Id, withId } from './endpoint';
import { JobSchema } from './jobs';

export const EXPORT_KINDS = ['csv', 'xlsx', 'json', 'jsonld', 'package'] as const;
export type ExportKind = (typeof EXPORT_KINDS)[number];

export const exportEndpoints = {
  startExport: define(
    'post',
    '/api/exports',
    'Write a file, as a job: csv or xlsx in the columns a list is read by, json, jsonld (schema.org), package (Data Package with pictures), or backup: everything, with setup, journal and pictures',
    {
      body: z.object({
        kind: z.enum([...EXPORT_KINDS, 'backup']),
        /** All that are not retired where none are named; a backup has everything. */
        families: z.array(Id).min(1).max(100_000).optional(),
      }),
      response: JobSchema,
    },
  ),
  exportedFile: define('get', '/api/exports/:id/file', 'The file, once its job is done', {
    params: withId,
    response: z.unknown(),
    download: [
      'text/csv',
      'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
      'application/json',
      'application/ld+json',
      'application/zip',
    ],
  }),
  restore: define(
    'post',
    '/api/backup',
    'Bring a backup back: it takes the place of all that is here, which is kept beside it',
    {
      response: z.object({ madeAt: z.string(), families: z.number(), children: z.number(), pictures: z.number() }),
      upload: 'file',
    },
  ),
  keptData: define('get', '/api/backup/kept', 'Data that a backup took the place of, the newest first', {
    response: z.object({
      days: z.number().describe('So long it is kept; the newest always is.'),
      kept: z.array(z.object({ name: z.string(), at: z.string() })),
    }),
  }),
  bringBackKept: define('post', '/api/backup/kept/:name', 'Bring data back that a backup took the place of', {
    params: z.object({ name: z.string().max(60) }),
    response: z.object({ families: z.number(), children: z.number(), pictures: z.number() }),
  }),
};
