/** The API as seen from the pages, and how its refusals are told. */
import { ElMessage } from 'element-plus';
import { createClient, endpoints, Refused } from '@loom-kin/contract';
import { Refusal } from '@loom-kin/core/refusal';
import { committing, type Committer } from './refusals';

export const api = endpoints;
export const call = createClient('');

/**
 * Says what went wrong in the words of whoever refused it.
 * @param entry the entry whose text was refused; where work went on for a while, the one it began for
 */
export function tell(error: unknown, entry: Committer | null = committing()): void {
  if (error instanceof DOMException && error.name === 'AbortError') return;
  const known = error instanceof Refused || error instanceof Refusal;
  if (!known) console.error(error);
  else entry?.(error.message);
  ElMessage({
    type: 'error',
    message: known ? error.message : 'Something went wrong in the page. Load it anew; nothing saved is lost.',
    duration: 7000,
    showClose: true,
    grouping: true,
  });
}

/** Says why what was typed is not taken. */
export function refuse(message: string): void {
  committing()?.(message);
  ElMessage({ type: 'error', message, duration: 6000, grouping: true });
}

export function say(message: string): void {
  ElMessage({ type: 'success', message, duration: 3500, grouping: true });
}

/** Unique enough to name one request, so that sending it twice counts once. */
export const requestKey = (): string => crypto.randomUUID();
