/** Jobs as they stand in the database. A dispatch is a job that its own lines tell of (see `jobControls`); all others have a row here. */
import { readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setImmediate } from 'node:timers/promises';
import { and, eq, getTableColumns, inArray, ne, sql } from 'drizzle-orm';
import { Refusal } from '@loom-kin/core/refusal';
import type { Job } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { prepared } from '../store/prepared';
import { jobs } from '../store/schema';
import { incomingFolder, type Store } from '../store/store';

export type JobRow = typeof jobs.$inferSelect;

/** In the order they were begun, whatever the clock said. */
const NEWEST_FIRST = sql`${jobs}.rowid DESC`;

/** So many are told of; of those that ended no more are kept. */
export const KEPT = 40;

/**
 * How far jobs are that run in this process, and what is in their way. It is worth nothing after the process, and must be told while
 * the database is busy or the disk is full: it is not stored.
 */
const underWay = prepared(() => new Map<string, Partial<Pick<Job, 'done' | 'total' | 'notice'>>>());

/** What is told of a job; what it works on can be large. */
const { sheet: _sheet, pictures: _pictures, list: _list, export: _export, ...TOLD } = getTableColumns(jobs);
type ToldRow = Pick<JobRow, keyof typeof TOLD>;

const jobOf = (database: Database, job: ToldRow): Job =>
  job.state === 'running' ? { ...job, ...underWay(database).get(job.id) } : job;

const wholeRow = prepared((database) =>
  database
    .select()
    .from(jobs)
    .where(eq(jobs.id, sql.placeholder('id')))
    .prepare(),
);
const toldRow = prepared((database) =>
  database
    .select(TOLD)
    .from(jobs)
    .where(eq(jobs.id, sql.placeholder('id')))
    .prepare(),
);
const newest = prepared((database) => database.select(TOLD).from(jobs).orderBy(NEWEST_FIRST).limit(KEPT).prepare());
const openRecheckRow = prepared((database) =>
  database
    .select(TOLD)
    .from(jobs)
    .where(and(eq(jobs.kind, 'recheck'), inArray(jobs.state, ['running', 'stopped'])))
    .orderBy(NEWEST_FIRST)
    .limit(1)
    .prepare(),
);

/** A job of the table with what it works on, or undefined. */
export const jobRow = (database: Database, id: string): JobRow | undefined => wholeRow(database).get({ id });

/** A job of the table, or undefined. */
export function findJob(database: Database, id: string): Job | undefined {
  const row = toldRow(database).get({ id });
  return row && jobOf(database, row);
}

/** A job of the table, or a Refusal. */
export function readJob(database: Database, id: string): Job {
  const job = findJob(database, id);
  if (!job) throw new Refusal('job.unknown', {});
  return job;
}

/** The newest jobs of the table. */
export const newestJobs = (database: Database): Job[] =>
  newest(database)
    .all()
    .map((row) => jobOf(database, row));

/** The re-check that runs or is stopped; there is one at most. */
export function openRecheck(database: Database): Job | undefined {
  const row = openRecheckRow(database).get();
  return row && jobOf(database, row);
}

/** Begins a job and tells the open pages. */
export function openJob(
  store: Store,
  job: Pick<JobRow, 'id' | 'kind' | 'title' | 'subject' | 'total'> &
    Partial<Pick<JobRow, 'sheet' | 'pictures' | 'list' | 'export'>>,
): Job {
  const row: JobRow = {
    sheet: null,
    pictures: null,
    list: null,
    export: null,
    ...job,
    state: 'running',
    done: 0,
    notice: null,
    at: new Date().toISOString(),
    endedAt: null,
  };
  store.database.insert(jobs).values(row).run();
  return tellJob(store, readJob(store.database, row.id));
}

/** Changes a job and tells the open pages. */
export function setJob(store: Store, id: string, to: Partial<Omit<JobRow, 'id'>>): Job {
  const { done, total } = underWay(store.database).get(id) ?? {};
  const reached = { ...(done === undefined ? {} : { done }), ...(total === undefined ? {} : { total }) };
  store.database
    .update(jobs)
    .set({ ...reached, ...to })
    .where(eq(jobs.id, id))
    .run();
  underWay(store.database).delete(id);
  return tellJob(store, readJob(store.database, id));
}

/** Tells the open pages how far a job is, or what is in its way. */
export function tellHowFar(store: Store, id: string, now: Partial<Pick<Job, 'done' | 'total' | 'notice'>>): void {
  const all = underWay(store.database);
  all.set(id, { ...all.get(id), ...now });
  tellJob(store, readJob(store.database, id));
}

export const endJob = (store: Store, id: string, state: 'done' | 'failed' | 'stopped', notice: string | null = null) =>
  setJob(store, id, { state, notice, endedAt: new Date().toISOString() });

function tellJob(store: Store, job: Job): Job {
  store.events.emit({ jobs: [job] });
  return job;
}

/** The name of what a job wrote, in the folder of what comes and goes. */
export const writtenName = (id: string): string => `out-${id}`;

/** So many rows that a job found go at once: a list of 100,000 would hold everybody up. */
const GONE_AT_ONCE = 400;
/** So many jobs are forgotten in one go. */
const MOST_OLD = 1000;
/** Where what jobs found stands. */
const FOUND = ['list_rows', 'list_families', 'sheet_rows'];

/**
 * Forgets the oldest jobs that ended, with the files that came in for them, a little at a time behind whatever else is done. Pictures wait
 * until the seller puts them away. What goes wrong is tried again with the next job.
 */
export function forgetOldJobs(store: Store): void {
  forgetOneByOne(store).catch(() => undefined);
}

async function forgetOneByOne(store: Store): Promise<void> {
  const { database } = store;
  const old = database
    .select({ id: jobs.id, sheet: jobs.sheet, list: jobs.list, out: jobs.export })
    .from(jobs)
    .where(and(ne(jobs.state, 'running'), ne(jobs.kind, 'pictures')))
    .orderBy(NEWEST_FIRST)
    .limit(MOST_OLD)
    .offset(KEPT)
    .all();
  for (const { id, sheet, list, out } of old) {
    // It may have been gone on with since.
    if (jobRow(database, id)?.state === 'running') continue;
    await removeFound(store, id);
    await store.whenQuiet(() => database.delete(jobs).where(eq(jobs.id, id)).run());
    const file = sheet?.file ?? list?.file ?? (out ? writtenName(id) : null);
    if (!file) continue;
    removeFiles(incomingFolder(store), file);
  }
}

/** Removes a file and what was kept beside it under its name and a dot. */
function removeFiles(folder: string, file: string): void {
  for (const name of readdirSync(folder))
    if (name === file || name.startsWith(`${file}.`)) rmSync(join(folder, name), { force: true });
}

/** Removes what a job found, a little at a time. */
export async function removeFound(store: Store, jobId: string): Promise<void> {
  for (const table of FOUND)
    while (await store.whenQuiet(() => removeSome(store.database, table, jobId))) await setImmediate();
}

/** Removes some rows of a job; whether there were any. */
function removeSome(database: Database, table: string, jobId: string): boolean {
  const here = sql`SELECT rowid FROM ${sql.identifier(table)} WHERE job_id = ${jobId} LIMIT ${GONE_AT_ONCE}`;
  return database.run(sql`DELETE FROM ${sql.identifier(table)} WHERE rowid IN (${here})`).changes > 0;
}
