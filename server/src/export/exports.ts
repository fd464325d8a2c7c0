/**
 * The catalogue and backups written as jobs: the file lies in the folder of what comes and goes until its job is
 * forgotten.
 */
import { existsSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { Refusal } from '@loom-kin/core/refusal';
import type { BodyOf, endpoints, Job } from '@loom-kin/contract';
import { forgetOldJobs, jobRow, openJob, writtenName } from '../jobs/jobs';
import { createJobRunner, progressOf, type JobRunner, type Tell } from '../jobs/runJobs';
import type { ExportJob } from '../store/tables/jobs';
import { incomingFolder, pictureFolder, type Store } from '../store/store';
import { EXPORTS } from './kinds';
import type { ExportOrder } from './writeCatalogue';

export interface Exports extends Pick<JobRunner, 'stop' | 'resume' | 'goOn' | 'close'> {
  /** Begins to write; `address` is that of the server, before `/pictures/ID`. */
  start(order: BodyOf<typeof endpoints.startExport>, address: string): Job;
}

/** What writes large files beside the server. */
export interface ExportWriter {
  /** Writes the catalogue, or families of it, to a file. */
  writeCatalogue(order: ExportOrder, signal: AbortSignal, tell: Tell): Promise<void>;
  /** Writes a backup of everything to a file. */
  writeBackup(path: string, pictureFolder: string, signal: AbortSignal): Promise<void>;
}

export function createExports(store: Store, files: ExportWriter, log: Logger): Exports {
  const runner = createJobRunner(store, 'export', work, log);

  async function work(id: string, signal: AbortSignal): Promise<void> {
    const { kind, ids, address } = exportOf(store, id);
    const path = exportFile(store, id);
    const half = `${path}-half`;
    const tell = progressOf(store, id, log);
    try {
      const folder = pictureFolder(store);
      if (kind === 'backup') await files.writeBackup(half, folder, signal);
      else await files.writeCatalogue({ kind, ids, path: half, address, pictureFolder: folder }, signal, tell);
      if (!signal.aborted) renameSync(half, path);
    } finally {
      rmSync(half, { force: true });
    }
  }

  return {
    start({ kind, families = null }, address) {
      forgetOldJobs(store);
      const job = openJob(store, {
        id: crypto.randomUUID(),
        kind: 'export',
        subject: '',
        total: null,
        title: kind === 'backup' ? 'Take a backup' : `Take ${whatOf(families)} out as ${EXPORTS[kind].name}`,
        export: { kind, ids: families, address },
      });
      runner.run(job.id);
      return job;
    },
    stop: runner.stop,
    resume: runner.resume,
    goOn: runner.goOn,
    close: runner.close,
  };
}

function whatOf(families: readonly string[] | null): string {
  if (families === null) return 'the catalogue';
  return families.length === 1 ? 'a family' : `${families.length} families`;
}

function exportOf(store: Store, id: string): ExportJob {
  const order = jobRow(store.database, id)?.export;
  if (!order) throw new Refusal('job.unknown', {});
  return order;
}

const exportFile = (store: Store, id: string): string => join(incomingFolder(store), writtenName(id));

/** The file of a job that is done: where it lies, and what it is. */
export function writtenFile(store: Store, id: string): { path: string; name: string; type: string } {
  const { kind } = exportOf(store, id);
  const { state, at } = jobRow(store.database, id)!;
  if (state !== 'done') throw new Refusal('job.not-done', {});
  const path = exportFile(store, id);
  if (!existsSync(path)) throw new Refusal('export.gone', {});
  const { ending, type } = EXPORTS[kind];
  return { path, type, name: `${kind === 'backup' ? 'loom-kin' : 'catalogue'}-${at.slice(0, 10)}.${ending}` };
}
