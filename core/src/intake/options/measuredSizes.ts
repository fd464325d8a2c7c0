/** Packs, ages and measures: numbers with the word that says what they count. */
import { ownOf } from '../../text/own';
import { chainFrom, type Chain, type SizeRead } from './sizeParts';
import { MONTHS, PACKS, UNITS, YEARS } from './sizeWords';
import type { Token } from './tokens';

/** "3-pack", "3er-Pack", "2 pairs". */
export function readPack(tokens: readonly Token[], { numbers, to }: Chain): SizeRead | null {
  let next = to;
  if (tokens[next]?.text === 'er' && tokens[next]!.glued) next += 1;
  if (tokens[next]?.text === '-') next += 1;
  if (tokens[next]?.text === 'x' && tokens[next]!.glued && !tokens[next + 1]) return pack(numbers[0]!, next + 1);
  return PACKS.has(tokens[next]?.text ?? '') && !numbers[0]!.includes('.') ? pack(numbers[0]!, next + 1) : null;
}
export const pack = (number: string, to: number): SizeRead => ({
  to,
  role: 'pack',
  key: `pack${Number(number)}`,
  isWeak: false,
});

/** Months where the letter hangs on the numbers that months come in; a metre has a blank before it. */
export function readAge(tokens: readonly Token[], chain: Chain): SizeRead | null {
  const unit = tokens[chain.to]!;
  const isMonths =
    MONTHS.has(unit.text) ||
    (unit.text === 'm' &&
      unit.glued &&
      (chain.numbers.length === 2 || [0, 3, 6, 9, 12, 18, 24, 36].includes(Number(chain.numbers[0]))));
  const isYears = YEARS.has(unit.text) || (unit.text === 't' && unit.glued && chain.numbers[0]!.length === 1);
  if (!isMonths && !isYears) return null;
  const hasOld = tokens[chain.to + 1]?.text === 'old';
  const read = { to: chain.to + (hasOld ? 2 : 1), key: ageKey(chain.numbers, isMonths), isWeak: false };
  // "3m" beside "5m" and "10m" is a length.
  return unit.text === 'm' && chain.numbers.length === 1
    ? { ...read, role: 'size', also: 'length' }
    : { ...read, role: 'size' };
}
export const ageKey = (numbers: readonly string[], isMonths: boolean) =>
  (isMonths ? 'months' : 'years') + numbers.join('-');

/** What is longer is said in feet. */
const LONGEST_INCHES = 150;

/** To the smallest unit of its kind, so that 0.35 l is 350 ml. */
const FACTORS: Record<string, readonly [string, number]> = {
  mm: ['mm', 1],
  cm: ['mm', 10],
  m: ['mm', 1000],
  in: ['mm', 25.4],
  ft: ['mm', 304.8],
  ml: ['ml', 1],
  cl: ['ml', 10],
  dl: ['ml', 100],
  l: ['ml', 1000],
  'fl oz': ['floz', 1],
  g: ['g', 1],
  kg: ['g', 1000],
  oz: ['oz', 1],
  lb: ['oz', 16],
};

/** In kelvin; common practice. */
const COLDEST_LIGHT = 1500;

/** "350 ml", "2-person", "10 mm x 20 m". */
export function readMeasure(tokens: readonly Token[], chain: Chain): SizeRead | null {
  const first = readOneMeasure(tokens, chain);
  const number = first ? tokens[first.to + 1] : undefined;
  if (!first || number?.kind !== 'number' || !['x', '×', '/'].includes(tokens[first.to]!.text)) return first;
  const second = readOneMeasure(tokens, chainFrom(tokens, first.to + 1));
  // "1.5 m / 60 in" is one length said twice; waist and leg are both in inches.
  const isOne = tokens[first.to]!.text === '/' && !['"', '”', '″'].includes(tokens[first.to - 1]!.text);
  if (!second || isOne) return first;
  return { to: second.to, role: 'size', key: `${first.key}×${second.key}`, isWeak: false };
}

function readOneMeasure(tokens: readonly Token[], chain: Chain): SizeRead | null {
  const hyphen = tokens[chain.to];
  const isJoined = hyphen?.text === '-' && hyphen.glued && tokens[chain.to + 1]?.glued;
  const at = isJoined ? chain.to + 1 : chain.to;
  const isOunces = tokens[at]?.text === 'fl' && tokens[at + 1]?.text === 'oz';
  const unit = ownOf(UNITS, isOunces ? 'floz' : (tokens[at]?.text ?? ''));
  if (!unit || (isJoined && tokens[at]!.text.length < 3)) return null;
  // "Boot 501 in navy"
  const isLink = tokens[at]!.text === 'in' && !tokens[at]!.glued && tokens[at + 1]?.kind === 'word';
  // "3 in stock"
  if (isLink && (Number(chain.numbers[0]) > LONGEST_INCHES || tokens[at + 1]!.text === 'stock')) return null;
  // "Tent 2P" beside 3P sleeps two; a machine 120P is called so.
  const isLetter = tokens[at]!.text === 'p';
  if (isLetter && !tokens[at]!.glued) return null;
  const [role, written] = unit;
  // "4K" and "14K" are no colours of light.
  if (written === 'K' && Number(chain.numbers[0]) < COLDEST_LIGHT) return null;
  const [smallest, factor] = ownOf(FACTORS, written) ?? [written.toLowerCase(), 1];
  const measured = chain.numbers.map((number) => Math.round(Number(number) * factor * 1000) / 1000);
  const key = `${measured.join(chain.signs[0] === '-' || chain.signs[0] === '–' ? '-' : '×')}${smallest}`;
  return { to: at + (isOunces ? 2 : 1), role: chain.numbers.length > 1 ? 'size' : role, key, isWeak: isLetter };
}
