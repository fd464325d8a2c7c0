/** Running the jobs of one kind: one piece of work for each at a time, stopped, gone on with, taken up after a restart. */
import { and, eq } from 'drizzle-orm';
import type { Logger } from 'pino';
import { Refusal } from '@loom-kin/core';
import { jobs } from '../store/schema';
import type { Store } from '../store/store';
import { endJob, readJob, setJob, type JobRow } from './jobs';

export interface JobRunner {
  /** Begins, after what is still under way for the job has ended. */
  run(id: string): void;
  /** Has what is under way for the job end without a word. */
  drop(id: string): void;
  stop(id: string): void;
  resume(id: string): void;
  /** Takes up what a process left. */
  goOn(): void;
  close(): Promise<void>;
}

/** So often is told how far a job is, in milliseconds. */
const TELL_EVERY = 200;

/** Tells how far a job is, now and then. */
export function progressOf(store: Store, id: string): (done: number, total: number | null) => void {
  let told = 0;
  return (done, total) => {
    if (Date.now() - told < TELL_EVERY) return;
    told = Date.now();
    setJob(store, id, { done, total });
  };
}

/** The same, shown on the open pages alone: while a long change is stored nothing else is. */
export function progressShown(store: Store, id: string): (done: number, total: number) => void {
  const { total: all } = readJob(store.database, id);
  let shown = 0;
  return (done, total) => {
    if (Date.now() - shown < TELL_EVERY) return;
    shown = Date.now();
    const job = readJob(store.database, id);
    store.bell.ring({ jobs: [{ ...job, done: Math.round((done / total) * (all ?? total)), total: all ?? total }] });
  };
}

/**
 * @param work does a job; its signal says that it is to end. A Refusal is told as the reason, any other error is a fault
 * @param keepsCount whether a job that goes on begins where it was, not anew
 */
export function createJobRunner(
  store: Store,
  kind: JobRow['kind'],
  work: (id: string, signal: AbortSignal) => Promise<void>,
  log: Logger,
  keepsCount = false,
): JobRunner {
  const { database } = store;
  const working = new Map<string, { stop: AbortController; ended: Promise<void> }>();

  function run(id: string): void {
    const stop = new AbortController();
    const before = working.get(id)?.ended ?? Promise.resolve();
    const ended = before
      .then(() => (stop.signal.aborted ? undefined : work(id, stop.signal)))
      .then(() => void (stop.signal.aborted || endJob(store, id, 'done')))
      .catch((error: unknown) => {
        if (stop.signal.aborted) return;
        if (!(error instanceof Refusal)) log.error({ err: error, job: id, kind }, 'a job failed');
        const text = error instanceof Refusal ? error.message : new Refusal('server.fault', {}).message;
        endJob(store, id, 'failed', text);
      })
      .finally(() => {
        if (working.get(id)?.stop === stop) working.delete(id);
      });
    working.set(id, { stop, ended });
  }
  const drop = (id: string): void => working.get(id)?.stop.abort();
  return {
    run,
    drop,
    stop(id) {
      drop(id);
      endJob(store, id, 'stopped');
    },
    resume(id) {
      setJob(store, id, { state: 'running', endedAt: null, notice: null, ...(keepsCount ? {} : { done: 0 }) });
      run(id);
    },
    goOn() {
      const here = and(eq(jobs.kind, kind), eq(jobs.state, 'running'));
      for (const { id } of database.select({ id: jobs.id }).from(jobs).where(here).all()) run(id);
    },
    async close() {
      const all = [...working.values()];
      for (const { stop } of all) stop.abort();
      await Promise.all(all.map(({ ended }) => ended));
    },
  };
}
