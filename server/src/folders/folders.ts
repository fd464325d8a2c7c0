/**
 * Where things lie beside the program: the same seen from `src`, where it is written, and from `dist`, where it is
 * bundled.
 */
import { fileURLToPath } from 'node:url';

const isSource = import.meta.url.endsWith('/src/folders/folders.ts');
/** The folder of this package. */
const PACKAGE = new URL(isSource ? '../../' : '../', import.meta.url);
const inPackage = (path: string): string => fileURLToPath(new URL(path, PACKAGE));

export const MIGRATIONS = inPackage('migrations');
export const WEB = inPackage('../web/dist');

/** From source, workers are loaded by tsx like everything else. */
const worker = (source: string, built: string) =>
  isSource
    ? { filename: inPackage(`src/${source}`), execArgv: ['--import', 'tsx'] }
    : { filename: inPackage(`dist/${built}`) };
/** How worker threads are started: for fits, for files, for pictures, for changes of large families, and for the file of the database. */
export const FIT_WORKER = worker('fits/worker.ts', 'fit-worker.mjs');
export const WRITE_WORKER = worker('changes/worker.ts', 'write-worker.mjs');
export const CHECKPOINT_WORKER = worker('store/checkpointWorker.ts', 'checkpoint-worker.mjs');
export const FILE_WORKER = worker('fileWorker/worker.ts', 'file-worker.mjs');
export const PICTURE_WORKER = worker('pictures/worker.ts', 'picture-worker.mjs');
