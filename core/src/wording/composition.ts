/** Compositions: materials with their share, such as "80 % wool, 20 % nylon". At most ten parts (common practice). */
import Big from 'big.js';
import { readNumber } from '../measure/readNumber';
import { unreadable, type Unreadable } from '../refusal/refusal';

export interface CompositionPart {
  material: string;
  /** Share as a decimal string. */
  percent: string;
}

const PARTS_AT_MOST = 10;
/** "80 % wool" or "wool 80 %", up to a comma that another share follows. */
const PART = /^(?:([\d.,]+)\s*%\s*(\S.*)|(\S.*?)\s+([\d.,]+)\s*%)$/;

/** Reads a composition whose parts add up to 100 %. `text` is its usual spelling. */
export function readComposition(text: string): { ok: true; parts: CompositionPart[]; text: string } | Unreadable {
  // "33,3 % a": a comma between digits is one of a decimal, not one between parts.
  const pieces = text.split(
    /(?<!\d)[,;/]\s*(?=\d+(?:[.,]\d+)?\s*%|\D[^,;/]*\d\s*%\s*(?:[,;/]|$))|(?<=\d\s*%)[,;/]\s*|(?<=\d)[,;/]\s+(?=\d)/,
  );
  const parts: CompositionPart[] = [];
  for (const piece of pieces) {
    const match = PART.exec(piece.trim());
    const share = match && readNumber((match[1] ?? match[4])!.replace(',', '.'), { decimal: '.' });
    if (!match || !share?.ok) return unreadable('figure.composition', { field: 'Composition', text });
    parts.push({ percent: share.number, material: (match[2] ?? match[3])!.trim() });
  }
  if (parts.length > PARTS_AT_MOST)
    return unreadable('figure.composition-parts', { count: parts.length, most: PARTS_AT_MOST });
  const sum = parts.reduce((total, part) => total.plus(part.percent), new Big(0));
  if (!sum.eq(100)) return unreadable('figure.composition-sum', { sum: sum.toString() });
  return { ok: true, parts, text: parts.map((part) => `${part.percent} % ${part.material}`).join(', ') };
}
