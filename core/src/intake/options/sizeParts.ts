/** What is read of a size, and the runs of numbers that sizes, ages and measures are made of. */
import type { Role } from '../../family/shape';
import type { Token } from './tokens';

export interface SizeRead {
  /** The token after the last. */
  to: number;
  role: Extract<Role, 'size' | 'length' | 'volume' | 'pack'>;
  /** Two spellings of one size have the same. */
  key: string;
  /** How it is written where it is spelled in several ways; none: as it stands. */
  label?: string;
  /** What it may be as well: "30L" is a volume, and trousers of long legs beside "30R". */
  also?: Role;
  /** A bare number, a letter with a number: whether it is a size is seen by what else stands there. */
  isWeak: boolean;
}

export interface Chain {
  numbers: string[];
  signs: string[];
  to: number;
}

/** Numbers joined by hyphens, slashes or times: "39-42", "130 × 180". */
export function chainFrom(tokens: readonly Token[], at: number): Chain {
  const half = halfAfter(tokens, at + 1);
  if (half !== null) return { numbers: [`${tokens[at]!.text}.5`], signs: [], to: half };
  const chain: Chain = { numbers: [tokens[at]!.text], signs: [], to: at + 1 };
  for (;;) {
    const sign = tokens[chain.to];
    const number = tokens[chain.to + 1];
    if (!sign || number?.kind !== 'number' || !['-', '–', '/', 'x', '×'].includes(sign.text)) return chain;
    const isRange = '-–/'.includes(sign.text);
    // "42 - 350 ml" are two things; ranges are written without blanks, or with both ends alike.
    if (isRange && !sign.glued && number.text.length > 3) return chain;
    if (isRange && !sign.glued && Number(number.text) <= Number(chain.numbers.at(-1))) return chain;
    chain.numbers.push(number.text);
    chain.signs.push(sign.text);
    chain.to += 2;
  }
}

/** "5½", "5 1/2": where the half ends that follows a number; null where none does. */
function halfAfter(tokens: readonly Token[], at: number): number | null {
  const next = tokens[at];
  if (next?.glued && (next.text === '½' || next.text === '1⁄2')) return at + 1;
  const isHalf = next?.text === '1' && !next.glued && tokens[at + 1]?.text === '/' && tokens[at + 2]?.text === '2';
  return isHalf && tokens[at + 1]!.glued && tokens[at + 2]!.glued ? at + 3 : null;
}
