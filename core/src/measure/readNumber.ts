/**
 * Numbers as people and spreadsheets write them: one rule for prices, weights, lengths and all others.
 *
 * A point and a comma together: the later one stands before the decimals. One of them once is the decimal mark,
 * unless exactly three digits follow and one to three, not beginning with 0, stand before it: "1,299" is read two
 * ways, and the reader is told both. Blanks and apostrophes between digits part thousands; so do points or commas
 * that stand several times, three digits apart.
 */
import Big from 'big.js';

/** How numbers are written where this one comes from: the mark before decimals, when it is known. */
export interface NumberHabit {
  decimal?: '.' | ',' | undefined;
}

export type NumberReading =
  { ok: true; number: string } | { ok: false; why: 'none' } | { ok: false; why: 'two'; readings: [string, string] };

const NONE: NumberReading = { ok: false, why: 'none' };

/** Most texts have nothing to be changed. */
// eslint-disable-next-line no-control-regex
const IS_PLAIN = /^[\x00-\x7f]*$/;

/** Digits of other scripts as those of ASCII, their marks as point and comma, minus signs as a hyphen. */
export function plainDigits(text: string): string {
  if (IS_PLAIN.test(text)) return text;
  return text
    .replace(
      /(\d?)([\u00bc-\u00be\u2150-\u215e])/g,
      (_, before: string, sign: string) =>
        `${before}${before ? ' ' : ''}${sign.normalize('NFKC').replace('\u2044', '/')}`,
    )
    .replace(/\p{Nd}/gu, (digit) => String(digitOf(digit)))
    .replace(/[٫]/g, '.')
    .replace(/[٬，]/g, ',')
    .replace(/[−–]/g, '-');
}

/** Decimal digits of every script stand in runs of ten, beginning with zero (The Unicode Standard, section 4.6). */
function digitOf(digit: string): number {
  const code = digit.codePointAt(0)!;
  let zero = code;
  while (code - zero < 9 && /\p{Nd}/u.test(String.fromCodePoint(zero - 1))) zero -= 1;
  return (code - zero) % 10;
}

/**
 * Reads a number without a unit.
 * @returns the number as a plain decimal string such as "1299.50"; both readings where there are two
 */
export function readNumber(text: string, habit: NumberHabit = {}): NumberReading {
  const written = plainDigits(text)
    .trim()
    .replace(/[.,]-{1,2}$/, '');
  const bare = /^(-?)((?:\d[\d.,\s'’ʼ\u00a0\u202f]*)?\d|[.,]\d+)[.,]?$/.exec(written);
  if (!bare) return NONE;
  const digits = withoutGaps(bare[2]!);
  if (digits === null) return NONE;
  const sign = bare[1]!;
  const marks = digits.replace(/\d/g, '');
  if (marks === '') return good(sign, digits, '');
  const last = marks.at(-1) as '.' | ',';
  const other = last === '.' ? ',' : '.';
  if (marks.includes(other)) {
    const [whole, decimals, ...more] = digits.split(last);
    return more.length === 0 && isGrouped(whole!, other) ? good(sign, whole!.replaceAll(other, ''), decimals!) : NONE;
  }
  if (marks.length > 1) return isGrouped(digits, last) ? good(sign, digits.replaceAll(last, ''), '') : NONE;
  const [whole, decimals] = digits.split(last) as [string, string];
  const mayGroup = decimals.length === 3 && /^[1-9]\d{0,2}$/.test(whole) && whole !== '';
  if (!mayGroup || habit.decimal === last) return good(sign, whole, decimals);
  if (habit.decimal === other) return good(sign, whole + decimals, '');
  return { ok: false, why: 'two', readings: [`${sign}${whole}${decimals}`, `${sign}${whole}.${decimals}`] };
}

/** The digits without blanks and apostrophes between thousands; null where such a gap parts something else. */
function withoutGaps(text: string): string | null {
  if (!/[\s'’ʼ\u00a0\u202f]/.test(text)) return text;
  const gaps = text.replace(/[\s'’ʼ\u00a0\u202f]+/g, ' ');
  return /^\d{1,3}( \d{3})+([.,]\d+)?$/.test(gaps) ? gaps.replaceAll(' ', '') : null;
}

const isGrouped = (text: string, mark: string) =>
  text.split(mark).every((group, at) => (at === 0 ? /^\d{1,3}$/.test(group) : /^\d{3}$/.test(group)));

/** More decimals than anybody writes are the noise of binary fractions: rounded to twelve digits they are gone. */
const NOISE = 10;

function good(sign: string, whole: string, decimals: string): NumberReading {
  if (whole.length > 15) return NONE;
  const number = `${sign}${whole || '0'}${decimals ? `.${decimals}` : ''}`;
  return { ok: true, number: decimals.length < NOISE ? number : new Big(number).prec(12).toString() };
}

/**
 * The habit of a column: what its cells that can be read one way only say of the decimal mark. None where they say
 * nothing or contradict each other.
 */
export function habitOf(cells: Iterable<string>): NumberHabit {
  const seen = new Set<'.' | ','>();
  for (const cell of cells) {
    const number = /[-\d.,'’\s]*\d[\d.,'’\s]*/.exec(plainDigits(cell))?.[0].trim() ?? '';
    const marks = number.replace(/[^.,]/g, '');
    if (marks === '') continue;
    const reading = readNumber(number);
    if (!reading.ok) continue;
    const last = marks.at(-1) as '.' | ',';
    if (reading.number.includes('.')) seen.add(last);
    else if (marks.length > 1) seen.add(last === '.' ? ',' : '.');
  }
  return seen.size === 1 ? { decimal: [...seen][0] } : {};
}
