/** What is read of a size, and the runs of numbers that sizes, ages and measures are made of. */
import { ownOf } from '../../text/own';
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
  /** Its one number is written with a fraction: "36 2/3". */
  hasFraction?: true;
}

/** Numbers joined by hyphens, slashes or times: "39-42", "130 × 180". */
export function chainFrom(tokens: readonly Token[], at: number): Chain {
  const part = fractionAfter(tokens, at + 1);
  if (part) return { numbers: [tokens[at]!.text + part.decimals], signs: [], to: part.to, hasFraction: true };
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

/** The fractions that shoes and hats are made in → their decimals. */
const FRACTIONS: Record<string, string> = {
  '1/2': '.5',
  '1/3': '.33',
  '2/3': '.67',
  '1/4': '.25',
  '3/4': '.75',
  '1/8': '.125',
  '3/8': '.375',
  '5/8': '.625',
  '7/8': '.875',
};
const VULGAR: Record<string, string> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** "5½", "36 2/3": the fraction that follows a whole number, and where it ends; null where none does. */
function fractionAfter(tokens: readonly Token[], at: number): { decimals: string; to: number } | null {
  const [next, sign, under] = tokens.slice(at, at + 3);
  if (!next || tokens[at - 1]!.text.includes('.')) return null;
  const vulgar = ownOf(FRACTIONS, ownOf(VULGAR, next.text) ?? next.text.replace('⁄', '/'));
  if (vulgar) return next.glued ? { decimals: vulgar, to: at + 1 } : null;
  if (next.glued || sign?.text !== '/' || !sign.glued || !under?.glued) return null;
  const decimals = FRACTIONS[`${next.text}/${under.text}`];
  return decimals ? { decimals, to: at + 3 } : null;
}
