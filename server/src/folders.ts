/**
 * Where things lie beside the program: the same seen from `src`, where it is written, and from `dist`, where it is
 * bundled.
 */
import { fileURLToPath } from 'node:url';

export const MIGRATIONS = fileURLToPath(new URL('../migrations', import.meta.url));
export const WEB = fileURLToPath(new URL('../../web/dist', import.meta.url));

/** From source, workers are loaded by tsx like everything else. */
const isSource = import.meta.url.endsWith('/src/folders.ts');
const worker = (source: string, built: string) =>
  isSource
    ? { filename: fileURLToPath(new URL(source, import.meta.url)), execArgv: ['--import', 'tsx'] }
    : { filename: fileURLToPath(new URL(built, import.meta.url)) };
/** How worker threads are started: for fits, for files, for pictures, for changes of large families, and for the file of the database. */
export const FIT_WORKER = worker('./fits/worker.ts', './fit-worker.mjs');
export const WRITE_WORKER = worker('./changes/worker.ts', './write-worker.mjs');
export const CHECKPOINT_WORKER = worker('./store/checkpointWorker.ts', './checkpoint-worker.mjs');
export const FILE_WORKER = worker('./files/worker.ts', './file-worker.mjs');
export const PICTURE_WORKER = worker('./pictures/worker.ts', './picture-worker.mjs');
