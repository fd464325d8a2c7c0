/** Sizes, lengths, volumes, ages and numbers of pieces as they stand in names and cells. */
import { hasLegs, hasNumberSizes, isBra } from './goodsWords';
import { ageKey, pack, readAge, readMeasure, readPack } from './measuredSizes';
import { isLetterSize, readLetters, readNumberedLetters } from './readLetters';
import { chainFrom, type Chain, type SizeRead } from './sizeParts';
import {
  BEFORE_AGES,
  BEFORE_PACKS,
  BEFORE_SIZES,
  MONTHS,
  OF,
  ONE_SIZES,
  SIZE_SYSTEMS,
  WORD_SIZES,
  YEARS,
} from './sizeWords';
import type { Token } from './tokens';

const LENGTHS = new Set(['short', 'regular', 'long', 'tall', 'petite', 'reg', 'xlong', 'xshort']);

/** The size that begins at a token; null where none does. */
export function readSize(tokens: readonly Token[], at: number): SizeRead | null {
  const token = tokens[at];
  if (!token) return null;
  if (token.kind === 'number') return readSet(tokens, readFromNumber(tokens, at));
  if (token.kind !== 'word') return null;
  return readThread(tokens, at) ?? readLetters(tokens, at) ?? readNamed(tokens, at);
}

/** Whether a size can begin with a word. */
export const mayBeginSize = (word: string): boolean =>
  isLetterSize(word) ||
  word in WORD_SIZES ||
  /^(?:x+|extra|xl?)/.test(word) ||
  ONE_SIZES.has(word) ||
  ['one', 'free', 'os', 'w', 't', 'a', 'o', 'n', 'no', 'nr', 'newborn'].includes(word) ||
  BEFORE_SIZES.has(word) ||
  SIZE_SYSTEMS.has(word) ||
  BEFORE_PACKS.has(word) ||
  BEFORE_AGES.has(word);

/** "Long" and the like after a size. */
export function readLengthWord(token: Token | undefined): SizeRead | null {
  if (token?.kind !== 'word' || !LENGTHS.has(token.text)) return null;
  return { to: 0, role: 'length', key: token.text === 'reg' ? 'regular' : token.text, isWeak: false };
}

function readNamed(tokens: readonly Token[], at: number): SizeRead | null {
  const { text } = tokens[at]!;
  const next = tokens[at + 1];
  if (ONE_SIZES.has(text)) return oneSize(at + 1);
  if (['one', 'free', 'taille', 'talla', 'taglia'].includes(text)) {
    const joined = next?.kind === 'word' ? next : tokens[at + 2];
    if (joined && ONE_SIZES.has(text + joined.text)) return oneSize(tokens.indexOf(joined) + 1, tokens);
  }
  if (text === 'os' && !next) return oneSize(at + 1);
  if (announcesSize(tokens, at)) return readAfterName(tokens, at);
  if (SIZE_SYSTEMS.has(text) && next?.kind === 'number') return readSystem(tokens, at);
  if (text === 'w' && next?.kind === 'number' && next.glued) return readWaist(tokens, at);
  // A diameter: "Ø20", "Ø 28 cm"; its sign is an o where letters are compared.
  if (text === 'o' && next?.kind === 'number') return readDiameter(tokens, at);
  // Paper and prints: ISO 216.
  if (text === 'a' && next?.glued && /^[0-7]$/.test(next.text))
    return { to: at + 2, role: 'size', key: `a${next.text}`, isWeak: false };
  // "T38": French for the size; "T2" may be a name besides.
  if (text === 't' && next?.glued && next.kind === 'number' && /^(?:[3-6]\d|\d)$/.test(next.text))
    return {
      to: at + 2,
      role: 'size',
      key: next.text.length > 1 ? next.text : `t${next.text}`,
      isWeak: next.text.length < 2,
    };
  // "Set A4" is no set of four.
  if (BEFORE_PACKS.has(text) && OF.has(next?.text ?? '') && tokens[at + 2]?.kind === 'number' && !tokens[at + 2]!.glued)
    return pack(tokens[at + 2]!.text, at + 3);
  if (text === 'x' && next?.glued && next.kind === 'number') return pack(next.text, at + 2);
  if (BEFORE_AGES.has(text) && next?.kind === 'number') {
    const chain = chainFrom(tokens, at + 1);
    const unit = tokens[chain.to];
    const isMonths = unit !== undefined && MONTHS.has(unit.text);
    const to = unit && (isMonths || YEARS.has(unit.text)) ? chain.to + 1 : chain.to;
    return { to, role: 'size', key: ageKey(chain.numbers, isMonths), isWeak: false };
  }
  if (text === 'newborn') return { to: at + 1, role: 'size', key: 'months0', isWeak: false };
  return null;
}

/** "M6 x 20": a thread by its diameter, as ISO 261 names it, and the length. */
function readThread(tokens: readonly Token[], at: number): SizeRead | null {
  const number = tokens[at + 1];
  if (tokens[at]!.text !== 'm' || !number?.glued || number.kind !== 'number' || Number(number.text) > 64) return null;
  const { numbers, signs, to } = chainFrom(tokens, at + 1);
  const isLong = numbers.length === 2 && (signs[0] === 'x' || signs[0] === '×');
  return {
    to: isLong ? to : at + 2,
    role: 'size',
    key: `m${numbers.slice(0, isLong ? 2 : 1).join('x')}`,
    isWeak: false,
  };
}

/** "One size", with "fits all" behind it perhaps. */
function oneSize(to: number, tokens?: readonly Token[]): SizeRead {
  const fits = tokens?.[to]?.text === 'fits' && ['all', 'most'].includes(tokens[to + 1]?.text ?? '');
  return { to: fits ? to + 2 : to, role: 'size', key: 'one', isWeak: false };
}

/** "Size", "Gr.", in French "T.", and "nº" of shoes: what follows is the size. */
export const announcesSize = (tokens: readonly Token[], at: number): boolean =>
  BEFORE_SIZES.has(tokens[at]!.text) ||
  (tokens[at]!.text === 't' && tokens[at + 1]?.text === '.') ||
  isNumberOfShoe(tokens, at);

/** "Stivale nero n. 38", "Zapato nº 38": shoes are numbered so in the south. */
function isNumberOfShoe(tokens: readonly Token[], at: number): boolean {
  if (!['no', 'nr', 'n'].includes(tokens[at]!.text)) return false;
  const sign = tokens[at + 1];
  const number = Number(tokens[sign?.text === '.' || sign?.text === '°' ? at + 2 : at + 1]?.text);
  return number >= 16 && number <= 50 && tokens.some(({ text }, place) => place < at && hasNumberSizes(text));
}

function readAfterName(tokens: readonly Token[], at: number): SizeRead | null {
  let next = at + 1;
  while (tokens[next] && [':', '.', '=', '-', '°'].includes(tokens[next]!.text) && next < at + 3) next += 1;
  // "Size: size: size:" announces nothing.
  const isAgain = tokens[next] !== undefined && announcesSize(tokens, next);
  const read = isAgain ? null : readSize(tokens, next);
  if (read && read.role !== 'pack') return { ...read, role: 'size', isWeak: false };
  // "Size J": rings, and whatever else is counted by letters.
  const letter = tokens[next];
  return letter?.kind === 'word' && letter.text.length === 1
    ? { to: next + 1, role: 'size', key: `size${letter.text}`, isWeak: false }
    : null;
}

function readDiameter(tokens: readonly Token[], at: number): SizeRead {
  const chain = chainFrom(tokens, at + 1);
  const measure = readMeasure(tokens, chain);
  return measure ?? { to: chain.to, role: 'length', key: `ø${chain.numbers.join('-')}`, isWeak: false };
}

function readSystem(tokens: readonly Token[], at: number): SizeRead | null {
  const chain = chainFrom(tokens, at + 1);
  return { to: chain.to, role: 'size', key: tokens[at]!.text.slice(0, 2) + chain.numbers.join('-'), isWeak: false };
}

/** "W32 L34", "W32/L34". */
function readWaist(tokens: readonly Token[], at: number): SizeRead | null {
  let next = at + 2;
  if (tokens[next] && ['/', '-', ',', 'x'].includes(tokens[next]!.text)) next += 1;
  const length = tokens[next]?.text === 'l' && tokens[next + 1]?.glued ? tokens[next + 1] : undefined;
  const waist = tokens[at + 1]!.text;
  if (length?.kind !== 'number') return { to: at + 2, role: 'size', key: waist, isWeak: false };
  // "W117 x L137 cm": curtains.
  const hasUnit = ['cm', 'mm', 'in', 'inch'].includes(tokens[next + 2]?.text ?? '');
  return { to: hasUnit ? next + 3 : next + 2, role: 'size', key: `${waist}/${length.text}`, isWeak: false };
}

/** "32W 34L", "32W/34L". */
function readWaistBehind(tokens: readonly Token[], { numbers, to }: Chain): SizeRead | null {
  if (tokens[to]!.text !== 'w' || !tokens[to]!.glued) return null;
  const next = ['/', '-', ',', 'x'].includes(tokens[to + 1]?.text ?? '') ? to + 2 : to + 1;
  const isLeg = tokens[next]?.kind === 'number' && tokens[next + 1]?.text === 'l' && tokens[next + 1]!.glued;
  return isLeg ? { to: next + 2, role: 'size', key: `${numbers[0]}/${tokens[next]!.text}`, isWeak: false } : null;
}

function readFromNumber(tokens: readonly Token[], at: number): SizeRead | null {
  const chain = chainFrom(tokens, at);
  const unit = tokens[chain.to];
  const isSingle = chain.numbers.length === 1;
  if (unit?.kind === 'word' || unit?.kind === 'sign') {
    const read = isSingle
      ? (readNumberedLetters(tokens, chain.to, chain.numbers[0]!) ?? readPack(tokens, chain))
      : null;
    if (read) return read;
    const cup = isSingle ? readCup(tokens, chain.to, Number(chain.numbers[0])) : null;
    if (cup) return cup;
    const leg = isSingle ? (readLeg(tokens, chain.to, Number(chain.numbers[0])) ?? readChildShoe(tokens, chain)) : null;
    if (leg) return leg;
    const waist = isSingle ? readWaistBehind(tokens, chain) : null;
    if (waist) return waist;
    const suffixed = isSingle ? readSystemBehind(tokens, chain) : null;
    if (suffixed) return suffixed;
    const age = readAge(tokens, chain);
    if (age) return age;
    const measure = readMeasure(tokens, chain);
    if (measure) return measure;
  }
  if (
    !chain.hasFraction &&
    chain.numbers.some(
      (number) => number.replace('.5', '').length > 3 || number.includes('.') !== number.endsWith('.5'),
    )
  )
    return null;
  // "AW26" is a season.
  const before = tokens[at - 1];
  const hangs = tokens[at]!.glued && before?.kind === 'word' && !BEFORE_SIZES.has(before.text);
  if (isSingle) return hangs ? null : { to: chain.to, role: 'size', key: chain.numbers[0]!, isWeak: true };
  const isPair = chain.signs.some((sign) => sign === 'x' || sign === '×') || isWaistAndLeg(tokens, chain);
  if (chain.numbers.length > 2) return null;
  return { to: chain.to, role: 'size', key: chain.numbers.join(isPair ? '/' : '-'), isWeak: false };
}

/** "135x200 + 80x80 cm": bed linen and the like has sizes of several pieces, which are one size. */
function readSet(tokens: readonly Token[], first: SizeRead | null): SizeRead | null {
  if (first?.role !== 'size' || tokens[first.to]?.text !== '+' || tokens[first.to + 1]?.kind !== 'number') return first;
  const second = readFromNumber(tokens, first.to + 1);
  if (second?.role !== 'size' || second.isWeak || first.isWeak) return first;
  return { ...second, key: `${first.key}+${second.key}` };
}

/** "75B", "34DD": band and cup. */
function readCup(tokens: readonly Token[], at: number, band: number): SizeRead | null {
  const cup = tokens[at]!;
  const isBand = (band >= 60 && band <= 120 && band % 5 === 0) || (band >= 28 && band <= 46 && band % 2 === 0);
  // "Bra 75 B"
  if (!(cup.glued || tokens.some(({ text }) => isBra(text))) || !isBand || !/^(?:[a-h]|aa|dd|ff|gg|hh)$/.test(cup.text))
    return null;
  return { to: at + 1, role: 'size', key: `cup${band}${cup.text}`, isWeak: false };
}

/** "9.5 US", "10 M US", "42 EU": a shoe's width may stand between. Words of other systems are too often words of a name. */
function readSystemBehind(tokens: readonly Token[], { numbers, to }: Chain): SizeRead | null {
  const at = tokens[to]!.kind === 'word' && /^(?:[bdmnw]|[2-4]?e{1,4})$/.test(tokens[to]!.text) ? to + 1 : to;
  const system = tokens[at]?.text ?? '';
  if (!['us', 'usa', 'uk', 'eu', 'eur'].includes(system) || Number(numbers[0]) > 60) return null;
  const width = at > to ? tokens[to]!.text : '';
  return { to: at + 1, role: 'size', key: `${system.slice(0, 2)}${numbers[0]}${width}`, isWeak: false };
}

/** "Chino 32/34" is the same as "32x34"; in a cell of its own it may be two sizes in one. */
const isWaistAndLeg = (tokens: readonly Token[], { numbers: [waist, leg], signs }: Chain): boolean =>
  signs[0] === '/' &&
  [Number(waist), Number(leg)].every((inches) => inches >= 26 && inches <= 38) &&
  tokens.some(({ text }) => hasLegs(text));

/** "32R", "40S", "8 R": waist, chest or number, and short, regular, long or tall. */
function readLeg(tokens: readonly Token[], at: number, number: number): SizeRead | null {
  const { text, glued } = tokens[at]!;
  if (!Number.isInteger(number) || number > 60 || !/^[rstl]$/.test(text)) return null;
  // Apart from its number only "R" is no unit and no size of its own; a small number with "L" is litres.
  if (text === 'r' ? number < 4 : !glued || number < 24) return null;
  const read = { to: at + 1, key: `${number}${text}`, isWeak: false };
  return text === 'l'
    ? { ...read, role: 'volume', key: `${number * 1000}ml`, also: 'size' }
    : { ...read, role: 'size' };
}

/** "10K", "11.5C": shoes of children. Ten carat gold is none. */
function readChildShoe(tokens: readonly Token[], { numbers, to }: Chain): SizeRead | null {
  const { text, glued } = tokens[to]!;
  const size = Number(numbers[0]);
  if (!glued || size > 13.5 || (text !== 'k' && text !== 'c') || tokens[to + 1]?.text === 'gold') return null;
  return { to: to + 1, role: 'size', key: `child${size}`, isWeak: false };
}
