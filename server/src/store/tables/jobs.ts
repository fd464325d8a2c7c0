/** Long work that is known nowhere else, and the sheets it takes in. */
import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { RowVerdict } from '@loom-kin/core';
import type { IntakeReport } from '@loom-kin/contract';

/** Long work that this table alone knows of; a dispatch is known by its lines. */
export const jobs = sqliteTable('jobs', {
  id: text().primaryKey(),
  kind: text({ enum: ['recheck', 'intake'] }).notNull(),
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
