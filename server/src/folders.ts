/**
 * Where things lie beside the program: the same seen from `src`, where it is written, and from `dist`, where it is
 * bundled.
 */
import { fileURLToPath } from 'node:url';

export const MIGRATIONS = fileURLToPath(new URL('../migrations', import.meta.url));
export const WEB = fileURLToPath(new URL('../../web/dist', import.meta.url));
