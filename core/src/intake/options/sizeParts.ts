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
