/** Why data could not be written, where nothing is wrong with the work itself: it goes on when the reason is gone. */

const OUT_OF_SPACE = 'There is no space left on the disk. It goes on by itself as soon as there is.';
const BUSY = 'Something else is writing the data. It goes on by itself as soon as that is done.';

interface Failure {
  code?: string;
  message?: string;
  cause?: unknown;
}

/** Whether an error, or what caused it, is one of these: what runs a statement wraps what SQLite says. */
function isCausedBy(error: unknown, codes: readonly string[], words?: RegExp): boolean {
  if (typeof error !== 'object' || error === null) return false;
  const { code = '', message = '', cause } = error as Failure;
  // SQLite's codes have longer ones that begin alike, such as SQLITE_BUSY_SNAPSHOT.
  return codes.some((one) => code.startsWith(one)) || words?.test(message) || isCausedBy(cause, codes, words);
}

/** Whether something failed for want of space. Errors of worker threads arrive without their codes, so that words count too. */
export const isOutOfSpace = (error: unknown): boolean =>
  isCausedBy(error, ['SQLITE_FULL', 'ENOSPC', 'EDQUOT'], /database or disk is full|ENOSPC|EDQUOT|no space left/i);

/** Whether others wrote to the database for longer than anybody waits (https://sqlite.org/rescode.html#busy). */
export const isBusy = (error: unknown): boolean => isCausedBy(error, ['SQLITE_BUSY'], /database is locked/i);

/** Whether something failed since the data may not be written: a read-only disk, or no right to. */
export const isReadOnly = (error: unknown): boolean =>
  isCausedBy(error, ['SQLITE_READONLY', 'EROFS', 'EACCES', 'EPERM']);

/** The notice under which work waits and is tried again; null where trying again changes nothing. */
export const reasonToWait = (error: unknown): string | null =>
  isOutOfSpace(error) ? OUT_OF_SPACE : isBusy(error) ? BUSY : null;

/** Work that waits is tried again after so many milliseconds. */
export const TRY_AGAIN_AFTER = 5000;
