/** Numbers and words that are sizes only beside others of their kind: "38", "King". */
import { MEASURES, type OptionRead } from '../options/shape';
import { hasNumberSizes, isBedding, isGoods } from '../options/goodsWords';
import { stemWords } from './nameStems';
import type { Item } from './shape';

const isWeakSize = (span: OptionRead) => span.isWeak && span.roles[0] === 'size';
export const isBareNumber = (span: OptionRead) => isWeakSize(span) && /^[\d.]+$/.test(span.key);
const isSizeWord = (span: OptionRead) => isWeakSize(span) && !isBareNumber(span);
/** After these a number is no size. */
export const NUMBERED = new Set('no nr number model mk vol type version v series level part style art item'.split(' '));

/** Bigger numbers are of makes and colours. */
const LARGEST = 188;
const mayBeSize = ({ key }: OptionRead): boolean => Number(key) <= LARGEST;

/** Bare numbers of some rows, and whether they have sizes besides. */
function numbersIn(items: readonly Item[]): { numbers: Set<number>; hasOther: boolean } {
  const numbers = new Set<number>();
  let hasOther = false;
  for (const { spans, given, across } of items) {
    for (const span of spans) {
      if (isBareNumber(span) && mayBeSize(span)) numbers.add(Number(span.key));
      else if (span.roles[0] === 'size' && !span.isWeak) hasOther = true;
    }
    hasOther ||= given.some(({ role }) => role === 'size') || across.some(({ value }) => value.role === 'size');
  }
  return { numbers, hasOther };
}

/** Numbers that are sizes somewhere in a list. */
export interface SizeNumbers {
  has(number: number): boolean;
  /** Whether some family's sizes begin below it and go on above. */
  isBetween(number: number): boolean;
}

/** Numbers that are sizes somewhere in the list: where one or two of them stand alone they are sizes, too. */
export function sizeNumbersOf(groups: readonly (readonly Item[])[]): SizeNumbers {
  const known = new Set<number>();
  const between = new Set<number>();
  for (const items of groups) {
    const { numbers, hasOther } = numbersIn(items);
    if (hasOther || !areSizeNumbers([...numbers])) continue;
    for (const one of numbers) known.add(one);
    for (let one = Math.min(...numbers); one <= Math.max(...numbers); one++) between.add(one);
  }
  return { has: (number) => known.has(number), isBetween: (number) => between.has(number) };
}

/** Bare numbers are sizes where several of one kind stand in a family, and nothing else is its size. */
export function putBackNumbers(items: readonly Item[], sizeNumbers: SizeNumbers): void {
  if (!items.some(({ spans }) => spans.some(isBareNumber))) return;
  const { numbers, hasOther } = numbersIn(items);
  const areKnown = () => numbers.size < 3 && [...numbers].every((one) => sizeNumbers.has(one));
  // "Brogues tan 40" of one size alone: as shoes are, or where others of the list go from 6 to 12.
  const isOne = (number: number) => (number >= 34 && number <= 48) || sizeNumbers.isBetween(number);
  const areUsual = () =>
    [...numbers].every((one) => one >= 2 && one <= 50 && (numbers.size > 1 || isOne(one))) &&
    stemWords(items[0]!).some(({ text }) => hasNumberSizes(text));
  // "36 2/3": what is made in thirds is shoes.
  const areParts = () => [...numbers].some((one) => !Number.isInteger(one * 2));
  const areSizes = !hasOther && (areSizeNumbers([...numbers]) || areParts() || areKnown() || areUsual());
  for (const item of items)
    item.spans = item.spans.filter(
      (span) =>
        !isBareNumber(span) || (areSizes && mayBeSize(span) && !NUMBERED.has(item.tokens[span.from - 1]?.text ?? '')),
    );
}

/** Whether numbers can be the sizes of one family: shoes, clothing, body heights, belts, ages. */
export function areSizeNumbers(numbers: readonly number[]): boolean {
  if (numbers.length < 2) return false;
  const all = (test: (one: number) => boolean) => numbers.every(test);
  return (
    all((one) => one >= 14 && one <= 62) ||
    // Suits for men who are short (25) and tall (98) beside the others (50).
    (numbers.some((one) => one < 63) &&
      all((one) => (one >= 14 && one <= 62) || (one >= 86 && one <= 118 && one % 2 === 0))) ||
    (numbers.length > 2 && all((one) => one <= 24)) ||
    all((one) => one >= (numbers.includes(0) ? 0 : 4) && one <= 24 && one % 2 === 0) ||
    all((one) => one >= 44 && one <= 188 && [2, 8].includes(one % 6) && one % 2 === 0) ||
    all((one) => one >= 60 && one <= 130 && one % 5 === 0)
  );
}

/** "Small" in every row is a word of the name, where other measures vary, or stand behind the goods that it leads. */
export function putBackConstantSizes(items: readonly Item[]): void {
  const constantIn = (item: Item) => item.spans.find((span) => span.roles[0] === 'size' && isSpelledOut(item, span));
  const found = items.map(constantIn);
  const [first] = found;
  if (!first || found.some((span) => span?.key !== first.key)) return;
  const measures = items.map((item, at) =>
    item.spans.find((span) => MEASURES.has(span.roles[0]!) && span !== found[at]),
  );
  if (measures.includes(undefined)) return;
  const isLeading = items.every((item, at) => stemWords(item).every((word) => word.at >= found[at]!.to));
  if (!isLeading && new Set(measures.map((span) => span!.key)).size < 2) return;
  items.forEach((item, at) => (item.spans = item.spans.filter((span) => span !== found[at])));
}
/** "Small", "Medium": a size in a word. */
export const isSpelledOut = ({ tokens }: Pick<Item, 'tokens'>, { from, to }: OptionRead): boolean =>
  to - from === 1 && tokens[from]!.kind === 'word' && tokens[from]!.text.length > 3;

/**
 * "King" and "Double" are sizes of bed linen, and of what comes in several of them; "Full zip" and "Double breasted"
 * are words of the name.
 */
export function putBackWordSizes(items: readonly Item[]): void {
  const words = new Set(items.flatMap(({ spans }) => spans.filter(isSizeWord).map(({ key }) => key)));
  if (words.size === 0) return;
  const isBedLinen = () => items.every((item) => stemWords(item).some(({ text }) => isBedding(text)));
  const stand = () => items.every((item) => item.spans.filter(isSizeWord).every((span) => isBehind(item, span)));
  const hasOther = items.some(({ spans }) => spans.some((span) => span.roles[0] === 'size' && !span.isWeak));
  const isRoyal = [...words].some((word) => /king|queen/.test(word));
  // Linen of several sizes may say its warmth besides, and a size in numbers.
  if (isBedLinen() || (!hasOther && words.size > 1 && (isRoyal || stand()))) return;
  for (const item of items) item.spans = item.spans.filter((span) => !isSizeWord(span));
}

/** Behind what says the goods, or behind all of the name. */
function isBehind(item: Item, { from }: OptionRead): boolean {
  const words = stemWords(item);
  return words.every(({ at }) => at < from) || words.some(({ at, text }) => at < from && isGoods(text));
}
