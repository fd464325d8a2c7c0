/** Pictures that came in and wait to be put in place: the rows of an intake. */
import { and, eq, inArray, sql } from 'drizzle-orm';
import { Refusal } from '@loom-kin/core/refusal';
import { jobRow, type JobRow } from '../jobs/jobs';
import type { Database } from '../store/database';
import { arrivals, jobs, type PictureJob, type SettledPicture } from '../store/schema';

export type ArrivalRow = typeof arrivals.$inferSelect;

/** The job of an intake of pictures, or a Refusal. */
export function requireIntake(database: Database, id: string): JobRow & { pictures: PictureJob } {
  const row = jobRow(database, id);
  if (!row?.pictures) throw new Refusal('pictures.unknown', {});
  return { ...row, pictures: row.pictures };
}

export const arrivalsOf = (database: Database, jobId: string): ArrivalRow[] =>
  database.select().from(arrivals).where(eq(arrivals.jobId, jobId)).orderBy(arrivals.at).all();

export function addArrival(database: Database, row: ArrivalRow): void {
  database.insert(arrivals).values(row).onConflictDoNothing().run();
}

/** Writes down where the seller wants pictures; null is what is proposed. */
export function settleArrivals(
  database: Database,
  jobId: string,
  at: readonly number[],
  to: SettledPicture | null,
): void {
  for (let from = 0; from < at.length; from += 500) {
    const some = at.slice(from, from + 500);
    database
      .update(arrivals)
      .set({ settled: to })
      .where(and(eq(arrivals.jobId, jobId), inArray(arrivals.at, some)))
      .run();
  }
}

/** Intakes of pictures, the newest first, with how much came. */
export function readIntakes(database: Database): { id: string; pictures: number; problems: number }[] {
  const count = (what: typeof arrivals.pictureId | typeof arrivals.problem) => sql<number>`count(${what})`;
  return database
    .select({ id: jobs.id, pictures: count(arrivals.pictureId), problems: count(arrivals.problem) })
    .from(jobs)
    .leftJoin(arrivals, eq(arrivals.jobId, jobs.id))
    .where(eq(jobs.kind, 'pictures'))
    .groupBy(jobs.id)
    .orderBy(sql`${jobs.at} desc`)
    .all();
}

export function forgetIntake(database: Database, id: string): void {
  database.delete(arrivals).where(eq(arrivals.jobId, id)).run();
  database.delete(jobs).where(eq(jobs.id, id)).run();
}
