/** Running the jobs of one kind: one piece of work for each at a time, stopped, gone on with, taken up after a restart. */
import { setTimeout as pause } from 'node:timers/promises';
import { and, eq } from 'drizzle-orm';
import type { Logger } from 'pino';
import { Refusal } from '@loom-kin/core/refusal';
import { jobs } from '../store/schema';
import type { Store } from '../store/store';
import { reasonToWait, TRY_AGAIN_AFTER } from '../store/writeFailures';
import { endJob, setJob, tellHowFar, type JobRow } from './jobs';

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

/** Hears how far a job is, and of how much once that is known. */
export type Tell = (done: number, total: number | null) => void;

/** So often is told how far a job is, in milliseconds. */
const TELL_EVERY = 200;

/** Tells how far a job is, now and then. What it is called from never hears of a fault in the telling. */
export function progressOf(store: Store, id: string, log: Logger): Tell {
  let told = 0;
  return (done, total) => {
    if (Date.now() - told < TELL_EVERY) return;
    told = Date.now();
    try {
      tellHowFar(store, id, { done, total });
    } catch (error) {
      log.warn({ err: error, job: id }, 'it could not be told how far a job is');
    }
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
      .then(() => workThrough(id, stop.signal))
      .catch((error: unknown) => log.error({ err: error, job: id, kind }, 'a job broke off'))
      .finally(() => {
        if (working.get(id)?.stop === stop) working.delete(id);
      });
    working.set(id, { stop, ended });
  }

  /** Works a job off and ends it. Where nothing can be written just now the job waits and is taken up again. */
  async function workThrough(id: string, signal: AbortSignal): Promise<void> {
    while (!signal.aborted) {
      try {
        await work(id, signal);
        return await end(id, signal, 'done');
      } catch (error) {
        if (signal.aborted) return;
        const reason = reasonToWait(error);
        if (reason === null) {
          if (!(error instanceof Refusal)) log.error({ err: error, job: id, kind }, 'a job failed');
          const text = error instanceof Refusal ? error.message : new Refusal('server.fault', {}).message;
          return await end(id, signal, 'failed', text);
        }
        log.warn({ err: error, job: id, kind }, 'a job waits until it can write');
        tellHowFar(store, id, { notice: reason });
        await rest(signal);
        tellHowFar(store, id, { notice: null });
      }
    }
  }

  const rest = (signal: AbortSignal) => pause(TRY_AGAIN_AFTER, undefined, { signal }).catch(() => undefined);

  /**
   * Stores how a job ended. That is tried until it is stored, whatever is in the way, or until somebody dropped the job:
   * one whose end is lost would say forever that it runs. A job that is gone has no end.
   */
  async function end(id: string, signal: AbortSignal, state: 'done' | 'failed', notice: string | null = null) {
    while (!signal.aborted) {
      try {
        return await store.whenQuiet(() => void (signal.aborted || endJob(store, id, state, notice)));
      } catch (error) {
        if (error instanceof Refusal) throw error;
        log.error({ err: error, job: id, kind }, 'how a job ended could not be stored; it is tried again');
        await rest(signal);
      }
    }
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
