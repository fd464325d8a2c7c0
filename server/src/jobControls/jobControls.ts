/** Where jobs of every kind are stopped and taken up again. */
import { Refusal } from '@loom-kin/core/refusal';
import type { Job } from '@loom-kin/contract';
import { retryDispatch, stopDispatch } from '../dispatch/order';
import type { Runner } from '../dispatch/runner';
import type { Exports } from '../export/exports';
import type { Intakes } from '../files/intakes';
import type { FitScheduler } from '../fits/fitScheduler';
import type { Lists } from '../lists/lists';
import type { PictureIntakes } from '../pictureIntakes/pictureIntakes';
import type { Store } from '../store/store';
import { anyJob } from './allJobs';

/** How a kind of job is stopped and gone on with. */
interface Handle {
  stop(id: string): void;
  resume(id: string): void;
}

export interface JobControls {
  stop(id: string): Job;
  resume(id: string): Job;
}

interface Workers {
  fitScheduler: FitScheduler;
  intakes: Intakes;
  lists: Lists;
  pictureIntakes: PictureIntakes;
  exports: Exports;
  runner: Runner;
}

export function createJobControls(store: Store, parts: Workers): JobControls {
  const handles: Record<Job['kind'], Handle> = {
    recheck: parts.fitScheduler,
    intake: parts.intakes,
    list: parts.lists,
    pictures: parts.pictureIntakes,
    export: parts.exports,
    dispatch: {
      stop: (id) => void stopDispatch(store, id),
      resume(id) {
        retryDispatch(store, id);
        parts.runner.kick();
      },
    },
  };
  /** A job that runs can be stopped; one that was stopped or failed can go on. */
  function turn(id: string, to: keyof Handle, from: readonly Job['state'][]): Job {
    const job = anyJob(store.database, id);
    if (!from.includes(job.state)) throw new Refusal('job.ended', {});
    handles[job.kind][to](id);
    return anyJob(store.database, id);
  }
  return {
    stop: (id) => turn(id, 'stop', ['running']),
    resume: (id) => turn(id, 'resume', ['stopped', 'failed']),
  };
}
