/** Verdicts on rows of a list, as they are said and marked. */
import type { ListVerdict } from '@loom-kin/core';

export const VERDICT_WORDS: Record<ListVerdict, string> = {
  newFamily: 'new family',
  newChild: 'new child',
  changed: 'changed',
  same: 'already so',
  doubtful: 'doubtful',
  goes: 'goes',
  refused: 'refused',
};
/** So many rows of a verdict, in words. */
export const VERDICT_COUNTS: Record<ListVerdict, string> = {
  ...VERDICT_WORDS,
  newFamily: 'rows in new families',
  newChild: 'new children',
  goes: 'to go',
};
export const VERDICT_LOOKS: Record<ListVerdict, string> = {
  newFamily: 'fits',
  newChild: 'fits',
  changed: 'warns',
  same: 'soft',
  doubtful: 'warns',
  goes: 'stops',
  refused: 'stops',
};
