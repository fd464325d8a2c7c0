/** Long work that is known nowhere else, and the sheets it takes in. */
import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { Place, RowVerdict } from '@loom-kin/core';
import type { IntakeReport } from '@loom-kin/contract';

/** Long work that this table alone knows of; a dispatch is known by its lines. */
export const jobs = sqliteTable('jobs', {
  id: text().primaryKey(),
  kind: text({ enum: ['recheck', 'intake', 'pictures'] }).notNull(),
  title: text().notNull(),
  subject: text().notNull(),
  state: text({ enum: ['running', 'stopped', 'done', 'failed'] }).notNull(),
  done: integer().notNull(),
  total: integer(),
  notice: text(),
  at: text().notNull(),
  endedAt: text(),
  /** What it works on; null where the due list says it. */
  sheet: text({ mode: 'json' }).$type<SheetJob>(),
  pictures: text({ mode: 'json' }).$type<PictureJob>(),
});

/** A sheet being taken in to a family. */
export interface SheetJob {
  fileName: string;
  /** Its name in the folder of what came in. */
  file: string;
  apply: boolean;
  /** What was found in it, once it is read. */
  found: Omit<IntakeReport, 'familyId' | 'fileName' | 'rows'> | null;
}

/** Pictures being taken in: files and archives that were put down on arrival, and addresses. */
export interface PictureJob {
  /** Each with its name in the folder of what came in, and the name it had where it came from. */
  files: { file: string; fileName: string }[];
  addresses: string[];
  /** The family they were brought to. */
  familyId: string | null;
}

/** Pictures that came in, in their order: what became of each, and where the seller wants it. */
export const arrivals = sqliteTable(
  'arrivals',
  {
    jobId: text()
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    at: integer().notNull(),
    /** Its name with its folders, or its address. */
    path: text().notNull(),
    pictureId: text(),
    /** Why it was not taken. */
    problem: text(),
    settled: text({ mode: 'json' }).$type<SettledPicture>(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.at] })],
);

/** Where the seller wants a picture: at a place, or nowhere. */
export type SettledPicture = { familyId: string; place: Place } | 'left-out';

/** The verdicts of a sheet that was read, row by row. */
export const sheetRows = sqliteTable(
  'sheet_rows',
  {
    jobId: text()
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    row: integer().notNull(),
    verdict: text({ enum: ['new', 'changed', 'same', 'refused'] }).notNull(),
    doc: text({ mode: 'json' }).$type<RowVerdict>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.row] })],
);
