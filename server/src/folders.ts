/**
 * Where things lie beside the program: the same seen from `src`, where it is written, and from `dist`, where it is
 * bundled.
 */
import { fileURLToPath } from 'node:url';

export const MIGRATIONS = fileURLToPath(new URL('../migrations', import.meta.url));
export const WEB = fileURLToPath(new URL('../../web/dist', import.meta.url));

/** From source, workers are loaded by tsx like everything else. */
const isSource = import.meta.url.endsWith('/src/folders.ts');
/** How worker threads for fits are started. */
export const FIT_WORKER = isSource
  ? { filename: fileURLToPath(new URL('./fits/worker.ts', import.meta.url)), execArgv: ['--import', 'tsx'] }
  : { filename: fileURLToPath(new URL('./fit-worker.mjs', import.meta.url)) };
