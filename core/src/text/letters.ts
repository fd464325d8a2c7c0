/** Letters under which words are compared: without marks, in small ones, one spelling. */
import { ownOf } from './own';

const LETTERS: Record<string, string> = { ß: 'ss', ø: 'o', æ: 'ae', œ: 'oe', đ: 'd', ł: 'l', þ: 'th', ð: 'd', ı: 'i' };

/** Letters without their marks, in small ones. */
export function foldLetters(text: string): string {
  const low = isAscii(text)
    ? text.toLowerCase()
    : text
        .normalize('NFKD')
        .replace(/\p{M}/gu, '')
        .toLowerCase()
        .replace(/[ßøæœđłþðı]/g, (letter) => ownOf(LETTERS, letter)!);
  // One colour, two spellings.
  return low.includes('gray') ? low.replaceAll('gray', 'grey') : low;
}

/** Whether a text has no letters with marks: taking them off costs more than all the rest. */
function isAscii(text: string): boolean {
  for (let at = 0; at < text.length; at++) if (text.charCodeAt(at) > 127) return false;
  return true;
}

/** Letters and digits alone: the form under which a phrase is found whatever stands between its words. */
export function compact(text: string): string {
  const low = foldLetters(text);
  return /^[a-z0-9]*$/.test(low) ? low : low.replace(/[^\p{L}\p{N}]+/gu, '');
}
