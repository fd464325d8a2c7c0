/** Letter sizes in names and cells: "XS", "2XL", "Extra large", "1X". */
import { ownOf } from '../../text/own';
import { type SizeRead } from './sizeParts';
import { WORD_SIZES } from './sizeWords';
import type { Token } from './tokens';

const LETTERS = /^(x{0,6})([sml])$/;

/** "MT", "XLT": a letter size for who is tall or short; words besides. */
const TALL = /^(x{0,4})([ml])([ts])$/;

/** "szM": what announces the size hangs on it. */
const ANNOUNCED = /^sz(?=x{0,4}[sml]$)/;

/** Whether a word is a letter size. */
export const isLetterSize = (word: string): boolean => LETTERS.test(word) || TALL.test(word) || ANNOUNCED.test(word);

/** Letter sizes by their distance from M: XS is -2, XXL is 3. */
function letterSize(step: number, to: number): SizeRead {
  return { to, role: 'size', key: `letter${step}`, label: letterLabel(step), isWeak: false };
}
/** How a letter size is written: by its distance from M. */
export function letterLabel(step: number): string {
  if (step === 0) return 'M';
  const crosses = Math.abs(step) - 1;
  const letter = step < 0 ? 'S' : 'L';
  return crosses > 3 || (step < 0 && crosses > 2) ? `${crosses}X${letter}` : 'X'.repeat(crosses) + letter;
}

function stepOf(word: string): number | null {
  const match = LETTERS.exec(word);
  return match && stepFrom(match[1]!.length, match[2]!);
}
const stepFrom = (crosses: number, letter: string): number | null =>
  letter === 'm' ? (crosses === 0 ? 0 : null) : letter === 's' ? -1 - crosses : 1 + crosses;

/** The letter size that begins at a word, or two of them as one: "S/M". */
export function readLetters(tokens: readonly Token[], at: number): SizeRead | null {
  const read = readLetter(tokens, at);
  if (!read) return null;
  // "S/M": one size for two.
  const sign = tokens[read.to];
  const isJoined = sign?.glued && (sign.text === '/' || sign.text === '-') && tokens[read.to + 1]?.glued;
  const second = isJoined ? readLetter(tokens, read.to + 1) : null;
  if (!second) return read;
  return { ...read, to: second.to, key: `${read.key}/${second.key}`, label: `${read.label}/${second.label}` };
}

function readLetter(tokens: readonly Token[], at: number): SizeRead | null {
  const { text, glued } = tokens[at]!;
  // A letter that hangs on a hyphen and a word is part of that word: "T-S", but "Navy-S" is a size.
  const step = glued && tokens[at - 1]?.kind === 'number' ? null : stepOf(text.replace(ANNOUNCED, ''));
  if (step !== null) return letterSize(step, at + 1);
  const whole = ownOf(WORD_SIZES, text);
  if (whole) return letterSize(stepOf(whole.toLowerCase())!, at + 1);
  const tall = TALL.exec(text);
  const isAnnouncing = text === 'mt' && ['word', 'number'].includes(tokens[at + 1]?.kind ?? '');
  if (tall && !isAnnouncing && !(glued && tokens[at - 1]?.kind === 'number'))
    return { to: at + 1, role: 'size', key: `letter${stepFrom(tall[1]!.length, tall[2]!)}${tall[3]}`, isWeak: true };
  const written = /^(x+|extra|extraextra)(small|large|sml|lge|lrg)$/.exec(text);
  if (written) {
    const crosses = written[1]!.startsWith('x') ? written[1]!.length : written[1]!.length / 5;
    return letterSize(stepFrom(crosses, ownOf(WORD_SIZES, written[2]!)!.toLowerCase())!, at + 1);
  }
  return readCrosses(tokens, at);
}

/** "X-Large", "Extra Extra Small", "XX Large". */
function readCrosses(tokens: readonly Token[], at: number): SizeRead | null {
  let crosses = 0;
  let next = at;
  for (; tokens[next]?.kind === 'word' || (crosses > 0 && tokens[next]?.text === '-'); next++) {
    const { text } = tokens[next]!;
    if (text === 'extra') crosses += 1;
    else if (/^x+$/.test(text)) crosses += text.length;
    else if (text !== '-') break;
  }
  const letter = crosses > 0 ? ownOf(WORD_SIZES, tokens[next]?.text ?? '') : undefined;
  if (!letter || letter === 'M') return null;
  return letterSize(stepFrom(crosses, letter.toLowerCase())!, next + 1);
}

/** "2XL", "3X-Large", "1X": what hangs on a number. */
export function readNumberedLetters(tokens: readonly Token[], at: number, number: string): SizeRead | null {
  const letters = tokens[at]!;
  if (!letters.glued || number.length > 1) return null;
  if (/^x[sl]$/.test(letters.text)) return letterSize(stepFrom(Number(number), letters.text[1]!)!, at + 1);
  if (letters.text === 'x') {
    const cross = readCross(tokens, at, Number(number));
    if (cross) return cross;
    const word = tokens[at + 1]?.text === '-' ? at + 2 : at + 1;
    const letter = ownOf(WORD_SIZES, tokens[word]?.text ?? '');
    if (letter && letter !== 'M') return letterSize(stepFrom(Number(number), letter.toLowerCase())!, word + 1);
  }
  return null;
}

/** "1X", "2X": plus sizes; what is not 1X may be a number of pieces, where nothing follows. */
function readCross(tokens: readonly Token[], at: number, number: number): SizeRead | null {
  const next = tokens[at + 1];
  const isTimes = next?.kind === 'number' || (next?.kind === 'word' && next.text in WORD_SIZES) || next?.text === '-';
  if (number < 1 || number > 6 || isTimes || (number > 1 && !next)) return null;
  return { to: at + 1, role: 'size', key: `plus${number}`, isWeak: number > 1 };
}
