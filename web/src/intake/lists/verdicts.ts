/** Verdicts on rows of a list, as they are said and marked. */
import type { ListVerdict } from '@loom-kin/core/intake';
import { count } from '@loom-kin/core/text';

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
export function verdictCount(verdict: ListVerdict, rows: number): string {
  if (verdict === 'newFamily') return count(rows, 'row in new families', 'rows in new families');
  if (verdict === 'newChild') return count(rows, 'new child', 'new children');
  const word = verdict === 'goes' ? 'to go' : VERDICT_WORDS[verdict];
  return count(rows, word, word);
}
export const VERDICT_LOOKS: Record<ListVerdict, string> = {
  newFamily: 'fits',
  newChild: 'fits',
  changed: 'warns',
  same: 'soft',
  doubtful: 'warns',
  goes: 'stops',
  refused: 'stops',
};
