/**
 * Pictures taken in by the hundred, as jobs: what comes lies beside the database until it is read, each picture is kept by a worker thread
 * and written down by itself, so that a job that was stopped, or that a process left, goes on with the next one.
 */
import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { Refusal } from '@loom-kin/core/refusal';
import type { Job } from '@loom-kin/contract';
import { hasFamily } from '../store/loadFamily';
import { openJob, setJob } from '../jobs/jobs';
import { createJobRunner, progressOf } from '../jobs/runJobs';
import { reasonToWait } from '../store/writeFailures';
import type { PictureJob } from '../store/schema';
import { incomingFolder, type Store } from '../store/store';
import { addArrival, arrivalsOf, forgetIntake, requireIntake } from './arrivals';
import type { Fetcher } from '../pictures/fetchPicture';
import type { PicturePool } from '../pictures/pool';
import { countSources, sourcesOf, type Brought } from '../pictures/sources';
import { takePicture } from '../pictures/takePicture';

export interface PictureIntakes {
  start(job: PictureJob): Job;
  stop(id: string): void;
  resume(id: string): void;
  /** Forgets what was brought; pictures stay. */
  putAway(id: string): void;
  /** Takes up what a process left. */
  goOn(): void;
  close(): Promise<void>;
}

export function createPictureIntakes(store: Store, pool: PicturePool, fetcher: Fetcher, log: Logger): PictureIntakes {
  const { database } = store;
  const folder = incomingFolder(store);
  const runner = createJobRunner(store, 'pictures', work, log, true);
  const drop = ({ files }: PictureJob) => files.forEach(({ file }) => rmSync(join(folder, file), { force: true }));

  /** Keeps one and writes it down. */
  async function take(jobId: string, at: number, one: Brought): Promise<void> {
    const path = one.path.slice(-500);
    const note = (pictureId: string | null, problem: string | null) =>
      store.whenQuiet(() =>
        addArrival(database, { jobId, at, path, pictureId, problem, settled: one.settled ?? null }),
      );
    try {
      if ('refusal' in one) throw one.refusal;
      const { id } = await takePicture(store, pool, one.path, await one.read());
      await note(id, null);
    } catch (error) {
      // A disk that is full is no fault of the picture: the job waits, and this picture with it.
      if (reasonToWait(error)) throw error;
      if (!(error instanceof Refusal)) log.error({ err: error, job: jobId, path }, 'a picture could not be taken in');
      await note(null, error instanceof Refusal ? error.message : new Refusal('server.fault', {}).message);
    }
  }

  async function work(id: string, signal: AbortSignal): Promise<void> {
    const { pictures } = requireIntake(database, id);
    if (pictures.files.some(({ file }) => !existsSync(join(folder, file)))) throw new Refusal('job.file-gone', {});
    const known = new Set(arrivalsOf(database, id).map((one) => one.at));
    const total = await countSources(pictures, folder);
    let done = known.size;
    const tell = progressOf(store, id, log);
    const underWay = new Set<Promise<void>>();
    let at = -1;
    for await (const one of sourcesOf(pictures, folder, fetcher)) {
      if (signal.aborted) break;
      at += 1;
      if (known.has(at)) continue;
      const mine: Promise<void> = take(id, at, one).then(() => {
        underWay.delete(mine);
        done += 1;
        tell(done, Math.max(total, done));
      });
      underWay.add(mine);
      // Whoever waits for all of them hears of it.
      mine.catch(() => undefined);
      if (underWay.size >= pool.width + 1) await Promise.race(underWay);
    }
    await Promise.all(underWay);
    if (signal.aborted) return;
    await store.whenQuiet(() => setJob(store, id, { done, total: done }));
    drop(pictures);
  }

  return {
    start(pictures) {
      if (pictures.familyId !== null && !hasFamily(database, pictures.familyId)) {
        drop(pictures);
        throw new Refusal('family.unknown', {});
      }
      if (pictures.files.length + pictures.addresses.length === 0) throw new Refusal('pictures.none', {});
      const job = openJob(store, {
        id: crypto.randomUUID(),
        kind: 'pictures',
        title: titleOf(pictures),
        pictures,
        total: null,
        subject: pictures.familyId ?? '',
      });
      runner.run(job.id);
      return job;
    },
    stop: runner.stop,
    resume: runner.resume,
    putAway(id) {
      const { pictures } = requireIntake(database, id);
      runner.drop(id);
      drop(pictures);
      forgetIntake(database, id);
    },
    goOn: runner.goOn,
    close: runner.close,
  };
}

function titleOf({ files, addresses }: PictureJob): string {
  if (files.length === 1 && addresses.length === 0) return `Take ${files[0]!.fileName.slice(-80)} in`;
  if (files.length === 0) return addresses.length === 1 ? 'Fetch a picture' : `Fetch ${addresses.length} pictures`;
  return `Take ${files.length} files of pictures in`;
}
