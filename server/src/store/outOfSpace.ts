/** Data that cannot be written. Where the disk has no space left nothing is wrong with the work: it goes on when there is room. */

export const OUT_OF_SPACE = 'There is no space left on the disk. It goes on by itself as soon as there is.';

/** Whether something failed for want of space. Errors lose their codes on the way out of a worker thread, so that words count as well. */
export function isOutOfSpace(error: unknown): boolean {
  const { code = '', message = '' } = (error ?? {}) as { code?: string; message?: string };
  return (
    ['SQLITE_FULL', 'ENOSPC', 'EDQUOT'].includes(code) ||
    /database or disk is full|ENOSPC|EDQUOT|no space left/i.test(message)
  );
}

/** Whether something failed since the data may not be written: a read-only disk, or no right to. */
export function isReadOnly(error: unknown): boolean {
  const { code = '' } = (error ?? {}) as { code?: string };
  return code.startsWith('SQLITE_READONLY') || ['EROFS', 'EACCES', 'EPERM'].includes(code);
}
