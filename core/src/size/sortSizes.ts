/** The order of sizes: XS S M L XL; 2, 4, 10; months before years; 92 before 104. Never the alphabet. */
import { isFractionOf } from './readMeasures';
import { readSizeLabel } from './readSizeLabel';
import { GROUPS, type SizeHabits, type SizeReading } from './sizeReading';
import { sizeText } from './sizeText';
import { SCALES, UNITS, type Unit } from './sizeWords';

/** Whether a label by itself is a size. */
export const isSize = (label: string): boolean => readSizeLabel(label) !== null;

/** Sorts labels by size. Labels that are no sizes keep their order, after all that are. */
export function sortSizes(labels: readonly string[]): string[] {
  const keys = sizeOrders(labels);
  return labels
    .map((label, at) => ({ label, at, key: keys[at]! }))
    .sort((a, b) => {
      if (!a.key || !b.key) return a.key ? -1 : b.key ? 1 : a.at - b.at;
      return compareOrders(a.key, b.key) || a.at - b.at;
    })
    .map((one) => one.label);
}

/** Whether all labels of a list are sizes, read together. */
export const areSizes = (labels: readonly string[]): boolean => sizeOrders(labels).every((order) => order !== null);

type Orders = readonly (readonly number[] | null)[];

/** Lists that were read, by their labels in whatever order: most families of a catalogue have one of few lists. */
const known = new Map<string, ReadonlyMap<string, Orders[number]>>();
const KNOWN_AT_MOST = 5000;

/** What each label of a list is compared by; null for what is no size. Labels decide together what each of them means. */
function sizeOrders(labels: readonly string[]): Orders {
  const sorted = labels.toSorted();
  const list = sorted.join('\n');
  let orders = known.get(list);
  if (!orders) {
    if (known.size >= KNOWN_AT_MOST) known.clear();
    const read = readOrders(sorted);
    known.set(list, (orders = new Map(sorted.map((label, at) => [label, read[at]!]))));
  }
  return labels.map((label) => orders.get(label)!);
}

function readOrders(labels: readonly string[]): Orders {
  const texts = labels.map((label) => sizeText(label).text);
  const scale = SCALES.find((words) => texts.every((text) => words.includes(text)));
  if (scale && texts.length > 1) return texts.map((text) => [scale.indexOf(text)]);
  const sheets = texts.map((text) => /^([ab])(\d{1,2})$/.exec(text));
  // Of paper sizes the larger number is half as large (ISO 216).
  if (sheets.length > 1 && sheets.every((sheet) => sheet && sheet[1] === sheets[0]?.[1]))
    return sheets.map((sheet) => [-Number(sheet![2])]);
  if (areLetters(texts)) return texts.map((text) => [text.charCodeAt(0), text.length > 1 ? 1 : 0]);
  const orders = ordersOf(labels);
  if (orders.every((order) => order !== null)) return orders;
  // "Big 3XL, Big 4XL", "C8, C9": what all of them say does not tell them apart.
  const bare = withoutShared(texts);
  const again = bare ? ordersOf(bare) : orders;
  return again.every((order) => order !== null) ? again : orders;
}

function ordersOf(labels: readonly string[]): (number[] | null)[] {
  const habits = habitsOf(labels.map((label) => sizeText(label).text));
  const around = JSON.stringify(habits);
  return labels.map((label) => orderAmong(label, habits, around));
}

/** Labels as they were read beside others of one kind: lists differ, but most of their labels stand in others too. */
const knownAmong = new Map<string, number[] | null>();

function orderAmong(label: string, habits: SizeHabits, around: string): number[] | null {
  const key = `${label}\n${around}`;
  let order = knownAmong.get(key);
  if (order === undefined) {
    if (knownAmong.size >= KNOWN_AT_MOST) knownAmong.clear();
    const read = readSizeLabel(label, habits);
    knownAmong.set(key, (order = read && orderOf(read)));
  }
  return order;
}

/** The labels without the words or the letter that all of them begin or end with; null where there are none. */
function withoutShared(texts: readonly string[]): string[] | null {
  const [first, ...others] = texts;
  if (first === undefined || others.length === 0) return null;
  const shared = (words: readonly RegExp[]) =>
    words
      .map((pattern) => pattern.exec(first)?.[0])
      .find((word) => word && texts.every((text) => words.some((pattern) => pattern.exec(text)?.[0] === word)));
  const head = shared([/^[\p{L} ./-]*[ ./-]/u, /^\p{L}{1,2}(?=\d)/u]) ?? '';
  const tail = shared([/[ ./-]\p{L}[\p{L} ]*$/u, /(?<=\d)\p{L}$/u]) ?? '';
  if (head + tail === '') return null;
  const bare = texts.map((text) => text.slice(head.length, text.length - tail.length).trim());
  return bare.includes('') ? null : bare;
}

const orderOf = ({ group, order }: SizeReading): number[] => {
  const [wearer = 0, ...rest] = order;
  return [wearer, GROUPS.indexOf(group), ...rest];
};

/** J, K, L½, M: letters of the alphabet, some of which are no sizes. */
const areLetters = (texts: readonly string[]): boolean =>
  texts.length > 2 &&
  texts.every((text) => /^[a-z](?: ?1\/2)?$/.test(text)) &&
  texts.some((text) => !/^[smlx]/.test(text));

function compareOrders(a: readonly number[], b: readonly number[]): number {
  for (let at = 0; at < Math.max(a.length, b.length); at++) {
    const [one, other] = [a[at] ?? 0, b[at] ?? 0];
    if (one !== other) return one < other ? -1 : 1;
  }
  return 0;
}

/** What the labels of a list say of each other. */
function habitsOf(texts: readonly string[]): SizeHabits {
  const has = (pattern: RegExp) => texts.some((text) => pattern.test(text));
  const units = texts.flatMap(unitsIn);
  const isOf = (what: Unit['of']) => units.some((unit) => unit.of === what);
  const isAge = isOf('age') || has(/^new ?born$|^nb$|^age|\d ?t$|^\d+ ?- ?\d+ ?m$/);
  // Months and letters have no decimals, and few sizes below six are long ones: 0.4 l and 1.25 m are measures.
  const isVolume = isOf('volume') || has(/^[0-5]?[.,]\d+ ?l$/);
  const isLength = isOf('length') || has(/^\d*[.,]\d+ ?m$/);
  const measured = [...new Set(units.filter((unit) => unit.of !== 'age'))];
  return {
    metres: isLength && !isAge,
    months: isAge,
    letters: has(/^(?:x*[sml]|x*-?(?:small|large)|medium)$/) && !isVolume,
    fluid: isVolume,
    fractions: areFractions(texts),
    plus: has(/^[01]x$/),
    years: isAge && has(/^\d{1,2}$|^\d{1,2} ?[/-] ?\d{1,2}$/),
    numbers: has(/^[4-9]$|^1\d$/),
    // No shoe is as large as the smallest stores there are now.
    data: has(/(?:1[6-9]|[2-9]\d|\d{3,}) ?gb$|\d ?[mt]b$/),
    unit: measured.length === 1 ? measured[0]! : null,
  };
}

/** The units that a label names; a lone m, l or w may be another thing. */
function unitsIn(text: string): Unit[] {
  const words = text.matchAll(/\d ?(fl\.? ?oz|["']|\p{L}+)/gu);
  return [...words].flatMap(([, word]) => {
    const plain = word!.replace(/[. ]/g, '');
    return ['m', 'l', 'w'].includes(plain) ? [] : (UNITS.get(plain === 'fl' ? 'floz' : plain) ?? []);
  });
}

/** Whether a number over another is a part: inches stand beside it, or the numbers below are halves, quarters, eighths, sixteenths or thirds. */
function areFractions(texts: readonly string[]): boolean {
  if (texts.some((text) => /\d ?(?:in|inch|inches|ins|")\.?$/.test(text) || /\d \d+\/\d+/.test(text))) return true;
  const parts = texts.flatMap((text) => {
    const match = /^(\d+)\/(\d+)$/.exec(text);
    return match ? [[Number(match[1]), Number(match[2])] as const] : [];
  });
  if (parts.length < texts.filter((text) => text.includes('/')).length) return false;
  return (
    parts.length > 0 &&
    parts.every(([over, under]) => isFractionOf(over, under)) &&
    parts.some(([over, under]) => under - over > 1 || under === 2)
  );
}
