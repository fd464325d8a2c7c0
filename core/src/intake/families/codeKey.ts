/** When two codes of a list are the same. */
import { foldLetters } from '../../text/letters';

/**
 * The form under which codes are the same: "HJ-101", "hj 101" and "HJ101" are. Signs count only between two figures, since "P1-0" is
 * another than "P10".
 */
export function codeKey(text: string): string {
  const low = foldLetters(text);
  if (/^[a-z0-9]*$/.test(low)) return low;
  return low.replace(/[^\p{L}\p{N}]+/gu, (signs, at: number) =>
    /\d/.test(low[at - 1] ?? '') && /\d/.test(low[at + signs.length] ?? '') ? '-' : '',
  );
}
