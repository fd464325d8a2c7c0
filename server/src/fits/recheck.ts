/** The re-check of many families as a job: its progress follows from the due list, which survives a restart. */
import { and, eq, inArray, sql } from 'drizzle-orm';
import { endJob, NEWEST_FIRST, openJob, readJob, setJob, tellHowFar, type JobRow } from '../jobs/jobs';
import type { Database } from '../store/database';
import { FEW } from '../fitQueue/due';
import { prepared } from '../store/prepared';
import { due, jobs } from '../store/schema';
import type { Store } from '../store/store';

/** The re-check that runs or is stopped; there is one at most. */
function openRecheck(database: Database): JobRow | undefined {
  const here = and(eq(jobs.kind, 'recheck'), inArray(jobs.state, ['running', 'stopped']));
  return database.select().from(jobs).where(here).orderBy(NEWEST_FIRST).limit(1).get();
}

const countAmong = prepared((database) =>
  database
    .select({ count: sql<number>`count(*)` })
    .from(due)
    .where(eq(due.among, true))
    .prepare(),
);
const waiting = (database: Database): number => countAmong(database).get()!.count;

/** Whether the seller stopped it. */
export const recheckStands = ({ database }: Store): boolean => openRecheck(database)?.state === 'stopped';

/** Begins a re-check where many are due, says how far it is, ends it with the last of them. More that come meanwhile join it. */
export function tellRecheck(store: Store): void {
  const left = waiting(store.database);
  const job = openRecheck(store.database);
  if (!job) {
    // So few are looked at so soon that a job of it would only flash by.
    if (left <= FEW) return;
    const title = `Check ${left.toLocaleString('en')} families anew`;
    openJob(store, { id: crypto.randomUUID(), kind: 'recheck', title, subject: '', total: left, sheet: null });
  } else if (left === 0) {
    setJob(store, job.id, { done: readJob(store.database, job.id).total ?? 0 });
    endJob(store, job.id, 'done');
  } else {
    const shown = readJob(store.database, job.id);
    const total = Math.max(shown.total ?? 0, left);
    if (total - left !== shown.done || total !== shown.total) tellHowFar(store, job.id, { done: total - left, total });
  }
}
