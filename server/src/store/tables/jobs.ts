/** Long work that is known nowhere else, and the sheets it takes in. */
import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { RegistryParts } from '@loom-kin/core/export';
import type { ListMapping, ListSettlement, RowVerdict } from '@loom-kin/core/intake';
import type { Listing } from '@loom-kin/core/listing';
import type { Place } from '@loom-kin/core/place';
import type { ExportKind, IntakeReport, ListFamilyView, ListRowView, ListView } from '@loom-kin/contract';

/** Long work that this table alone knows of; a dispatch is known by its lines. */
export const jobs = sqliteTable('jobs', {
  id: text().primaryKey(),
  kind: text({ enum: ['recheck', 'intake', 'list', 'pictures', 'export'] }).notNull(),
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
  list: text({ mode: 'json' }).$type<ListJob>(),
  export: text({ mode: 'json' }).$type<ExportJob>(),
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

/** A list of goods being read and taken in. */
export interface ListJob {
  fileName: string;
  /** Its name in the folder of what came in. */
  file: string;
  /** The account whose listings it was made of, with what stood there. */
  account: string | null;
  live: { listing: Listing; draft: boolean }[] | null;
  sheet: string | null;
  /** What the seller said of it; null where nothing was said yet. */
  mapping: ListMapping | null;
  settlement: ListSettlement;
  apply: boolean;
  deletions: boolean;
  /** Whether pictures it names by address are fetched once it is in, and the intake of pictures that does. */
  fetches: boolean;
  pictures: string | null;
  found: Omit<ListView, 'id' | 'fileName' | 'account' | 'applied' | 'change' | 'settlement' | 'pictureIntake'> | null;
  /** The families it makes, which lie beside it. */
  made: ListMade | null;
}

/** When something was read: what held for all families then, and the newest change of anything. */
export interface ReadAt {
  setup: string;
  change: number;
}

/** The families that a list makes. */
export interface ListMade {
  /** What they were made for. */
  state: ReadAt;
  /** Children of all of them. */
  children: number;
  /** Names lists with these headers. */
  kind: string;
  /** What of the registry comes with them; lists that were read before this was told have none. */
  registry?: RegistryParts | null;
}

/** A file being written. */
export interface ExportJob {
  kind: ExportKind | 'backup';
  /** Its families; null for all that are not retired. */
  ids: string[] | null;
  /** The server's own, before `/pictures/ID`. */
  address: string;
}

/** Pictures being taken in: files and archives that were put down on arrival, and addresses. */
export interface PictureJob {
  /** Each with its name in the folder of what came in, and the name it had where it came from. */
  files: { file: string; fileName: string }[];
  addresses: string[];
  /** Where the pictures of the addresses go, one after the other, where a list said so. */
  places?: SettledPicture[];
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

/** The families that a list becomes. */
export const listFamilies = sqliteTable(
  'list_families',
  {
    jobId: text()
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    at: integer().notNull(),
    /** What is looked for among them. */
    mark: text({ enum: ['plain', 'doubtful', 'refused', 'single'] }).notNull(),
    doc: text({ mode: 'json' }).$type<ListFamilyView>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.at] })],
);

/** What becomes of each row of a list. A row may stand twice, where it makes several children. */
export const listRows = sqliteTable(
  'list_rows',
  {
    jobId: text()
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    at: integer().notNull(),
    row: integer().notNull(),
    verdict: text().notNull(),
    doc: text({ mode: 'json' }).$type<ListRowView>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.at] })],
);
