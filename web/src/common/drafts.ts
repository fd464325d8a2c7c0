/**
 * Half-typed text, kept in the browser at every key until it is taken or given up: a page that is loaded anew, closed or left behind loses
 * none of it. Kept at once, not a moment later, since a page may be gone by then.
 */
import type { z } from 'zod';
import { say } from '../api/api';

const PREFIX = 'loom-kin.draft.';
let isFullTold = false;

/** Keeps a text under a name; an empty one as well, until it is dropped. */
export function keepDraft(name: string, text: string): void {
  try {
    localStorage.setItem(PREFIX + name, text);
  } catch {
    if (!isFullTold) say('The browser has no room left: what is half typed is kept in this page alone.');
    isFullTold = true;
  }
}

export const dropDraft = (name: string): void => localStorage.removeItem(PREFIX + name);

/** The text kept under a name, or null. */
export const draftOf = (name: string): string | null => localStorage.getItem(PREFIX + name);

/** A draft that is data; null where there is none, or somebody wrote something else there. */
export function readDraft<S extends z.ZodType>(name: string, schema: S): z.infer<S> | null {
  try {
    return schema.safeParse(JSON.parse(draftOf(name) ?? 'null')).data ?? null;
  } catch {
    return null;
  }
}
