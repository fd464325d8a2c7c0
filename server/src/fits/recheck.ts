/** The re-check of many families as a job: its progress follows from the due list, which survives a restart. */
import { eq, sql } from 'drizzle-orm';
import { endJob, openJob, openRecheck, setJob, tellHowFar } from '../jobs/jobs';
import type { Database } from '../store/database';
import { FEW } from '../fitQueue/due';
import { prepared } from '../store/prepared';
import { due } from '../store/schema';
import type { Store } from '../store/store';

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
    setJob(store, job.id, { done: job.total ?? 0 });
    endJob(store, job.id, 'done');
  } else {
    const total = Math.max(job.total ?? 0, left);
    if (total - left !== job.done || total !== job.total) tellHowFar(store, job.id, { done: total - left, total });
  }
}
