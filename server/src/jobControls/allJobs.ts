/** Jobs of every kind as they are shown; a dispatch is one that its own lines tell of. */
import { Refusal } from '@loom-kin/core/refusal';
import type { DispatchSummary, Job } from '@loom-kin/contract';
import { readDispatches } from '../dispatch/dispatches';
import { findJob, KEPT, newestJobs } from '../jobs/jobs';
import type { Database } from '../store/database';

/** A job or a dispatch, or a Refusal. */
export function anyJob(database: Database, id: string): Job {
  const job = findJob(database, id);
  if (job) return job;
  const dispatch = readDispatches(database).find((one) => one.id === id);
  if (!dispatch) throw new Refusal('job.unknown', {});
  return dispatchJob(dispatch);
}

/** The newest jobs, dispatches among them. */
export function allJobs(database: Database): Job[] {
  const all = [...newestJobs(database), ...readDispatches(database, KEPT).map(dispatchJob)];
  return all.toSorted((a, b) => b.at.localeCompare(a.at)).slice(0, KEPT);
}

function dispatchJob({ id, at, state, title, lines, states, notice }: DispatchSummary): Job {
  const underWay = (states.queued ?? 0) + (states.sent ?? 0);
  return {
    id,
    at,
    state,
    notice,
    kind: 'dispatch',
    title: `Send ${title}`,
    subject: id,
    done: lines - underWay,
    total: lines,
    endedAt: null,
  };
}
