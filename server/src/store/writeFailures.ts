/** Why data could not be written, where nothing is wrong with the work itself: it goes on when the reason is gone. */

const OUT_OF_SPACE = 'There is no space left on the disk. It goes on by itself as soon as there is.';
const BUSY = 'Something else is writing the data. It goes on by itself as soon as that is done.';

interface Failure {
  code?: string;
  message?: string;
}

/** Whether something failed for want of space. Errors of worker threads arrive without their codes, so that words count too. */
export function isOutOfSpace(error: unknown): boolean {
  const { code = '', message = '' } = (error ?? {}) as Failure;
  return (
    ['SQLITE_FULL', 'ENOSPC', 'EDQUOT'].includes(code) ||
    /database or disk is full|ENOSPC|EDQUOT|no space left/i.test(message)
  );
}

/** Whether others wrote to the database for longer than anybody waits (https://sqlite.org/rescode.html#busy). */
export function isBusy(error: unknown): boolean {
  const { code = '', message = '' } = (error ?? {}) as Failure;
  return code.startsWith('SQLITE_BUSY') || /database is locked/i.test(message);
}

/** Whether something failed since the data may not be written: a read-only disk, or no right to. */
export function isReadOnly(error: unknown): boolean {
  const { code = '' } = (error ?? {}) as Failure;
  return code.startsWith('SQLITE_READONLY') || ['EROFS', 'EACCES', 'EPERM'].includes(code);
}

/** The notice under which work waits and is tried again; null where trying again changes nothing. */
export const reasonToWait = (error: unknown): string | null =>
  isOutOfSpace(error) ? OUT_OF_SPACE : isBusy(error) ? BUSY : null;

/** Work that waits is tried again after so many milliseconds. */
export const TRY_AGAIN_AFTER = 5000;
