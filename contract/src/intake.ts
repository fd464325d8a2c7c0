/** What comes in: sheets, family files, pictures. */
import { z } from 'zod';
import { FamilySchema, PictureFactsSchema } from '@loom-kin/core';
import { define, withId } from './endpoint';

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

/** A family as a file: everything but revision and listings. Stock by child; files of version 1 have it by SKU. */
export const FamilyFileSchema = z.object({
  format: z.literal('loom-kin/family'),
  version: z.union([z.literal(1), z.literal(2)]),
  family: FamilySchema.omit({ revision: true }),
  stock: z
    .record(z.string(), z.number().int().min(0).max(999_999_999))
    .describe('Version 1: SKU → pieces; version 2: child → pieces'),
});
export type FamilyFile = z.infer<typeof FamilyFileSchema>;

const Files = z.array(
  z.object({ fileName: z.string(), picture: PictureFactsSchema.nullable(), problem: z.string().nullable() }),
);

export const intakeEndpoints = {
  readSheet: define(
    'post',
    '/api/families/:id/sheet',
    'Read a CSV or XLSX sheet into a family; apply=no shows only what it would do',
    {
      params: withId,
      query: z.object({ apply: z.enum(['yes', 'no']).default('no') }),
      response: IntakeReportSchema,
      upload: 'file',
    },
  ),
  readFamilyFile: define('post', '/api/family-files', 'Read a family file', {
    body: FamilyFileSchema,
    response: IntakeReportSchema,
  }),
  addPictures: define('post', '/api/pictures', 'Take pictures in', { response: Files, upload: 'files' }),
};
