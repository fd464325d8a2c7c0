/** One label of a size, read as numbers that can be compared; what the list around it says decides between several readings. */
import { partWearer, sizeText } from './sizeText';
import { CUPS, CUTS, LETTER_WORDS } from './sizeWords';
import { readMeasures, readNumber } from './readMeasures';
import { bareNumbers, NO_HABITS, TODDLER, type SizeHabits, type SizeReading } from './sizeReading';

const ONE =
  /^(?:one[ -]?size(?: fits (?:all|most))?|onesize|os|osfa|o\/s|free size|freesize|einheitsgröße|taille unique|universal|tu|u)$/;
const SYSTEM = /^(eu|eur|uk|gb|us|usa|fr|it|de|jp|au|br|cn|kr|ru|in)\.?[ :]*(?=\d|[x]*[sml]\b)/;

/** Reads a label; null where it is no size. */
export function readSizeLabel(label: string, habits: SizeHabits = NO_HABITS): SizeReading | null {
  const { text, aside } = sizeText(label);
  if (text === '') return null;
  const { rest, wearer } = partWearer(text);
  const read = readPlain(rest, habits);
  if (read) return withMore(read, wearer, aside, habits);
  // "S - 25 cm", "Small / 4", "XS: 20-25 cm": a size, and what is said of it.
  const parted = /^(.+?)(?: ?[:,;|+] ?| [-/] )(.+)$/.exec(rest);
  const first = parted && readPlain(parted[1]!, habits);
  return first && withMore(first, wearer, parted[2]!, habits);
}

function withMore({ group, order }: SizeReading, wearer: number, aside: string, habits: SizeHabits): SizeReading {
  const more = aside === '' ? [] : (readPlain(aside, habits)?.order ?? []);
  return { group, order: [wearer, ...padded(order), ...more] };
}

/** So many numbers have a place of their own, so that what comes behind is compared with its like. */
const PLACES = 6;
const padded = (order: readonly number[]): number[] => Array.from({ length: PLACES }, (_, at) => order[at] ?? 0);

function readPlain(whole: string, habits: SizeHabits): SizeReading | null {
  if (ONE.test(whole)) return { group: 'one', order: [] };
  const early =
    /^(?:(pre(?:mie|emie|mature)(?: baby)?)|new ?born|nb|birth|naissance|geburt|neugeborenen?|tiny baby|early baby)$/.exec(
      whole,
    );
  if (early) return { group: 'age', order: [early[1] || /^(?:tiny|early)/.test(whole) ? -2 : -1] };
  const text = whole
    .replace(SYSTEM, '')
    .replace(habits.data ? /(?!)/ : / gb$/, '')
    .replace(/ (?:eu|eur|uk|us|usa|fr|it|de|jp|au)$/, '');
  return (
    readLetters(text, habits) ??
    readToddler(text) ??
    readChildShoe(text) ??
    readWaist(text) ??
    readCup(text) ??
    readPaired(text) ??
    readCut(text, habits) ??
    readPieces(text) ??
    readMeasures(text, habits) ??
    readLimit(text, habits)
  );
}

const CROSSES =
  /^(?:(\d{1,2})[ -]?x+|(x+)|(extra(?:[ -]extra)*))?[ -]?(small|medium|large|sml|med|lge|sm|md|lg|s|m|l)$/;

/** The step of a letter size: XS is -2, M is 0, 3XL is 4; null where it is none. */
function stepOf(text: string, { plus, letters, numbers }: SizeHabits): number | null {
  const lone = /^(\d{1,2})x$/.exec(text);
  if (lone && !plus && !numbers) return 1 + Number(lone[1]);
  const wide = letters ? /^(?:(\d{1,2})(l|s)|(l{2,}|s{2,}))$/.exec(text) : null;
  if (wide) {
    const crosses = wide[1] ? Number(wide[1]) - 1 : wide[3]!.length - 1;
    return (wide[2] ?? wide[3]![0]) === 'l' ? 1 + crosses : -1 - crosses;
  }
  const match = CROSSES.exec(text);
  if (!match) return null;
  const [, counted, crossed, extra, letter] = match;
  const crosses = counted ? Number(counted) : crossed ? crossed.length : extra ? extra.split(/[ -]/).length : 0;
  const base = LETTER_WORDS.get(letter!)!;
  if (base === 0) return crosses === 0 ? 0 : null;
  return base + Math.sign(base) * crosses;
}

/** S, X-Large, 3XL, S/M, LT, Medium Tall, 1X. */
function readLetters(text: string, habits: SizeHabits): SizeReading | null {
  const step = stepOf(text, habits);
  if (step !== null) return { group: 'letter', order: [step] };
  const plus = habits.plus ? /^(\d{1,2})x(?:[/-](\d{1,2})x)?$/.exec(text) : null;
  if (plus) return { group: 'plus', order: [(Number(plus[1]) + Number(plus[2] ?? plus[1])) / 2] };
  for (const { index, 0: sign } of text.matchAll(/ ?[/-] ?| to /g)) {
    const from = stepOf(text.slice(0, index), habits);
    const to = stepOf(text.slice(index + sign.length), habits);
    if (from !== null && to !== null && from < to) return { group: 'letter', order: [(from + to) / 2] };
  }
  // S/32: the letter counts, and what it is in numbers behind it.
  const numbered = /^(.+)\/(\d{1,3})$/.exec(text);
  const letter = numbered ? stepOf(numbered[1]!, habits) : null;
  if (letter !== null) return { group: 'letter', order: [letter, 0, Number(numbered![2])] };
  const cut = /^(.+?)[ /-]?(t|tall|long|short|petite|regular|reg|p|plus)$/.exec(text);
  const base = cut ? stepOf(cut[1]!, habits) : null;
  return base === null ? null : { group: 'letter', order: [base, CUTS.get(cut![2]!)!] };
}

/** 2T: a size for toddlers, by age. */
function readToddler(text: string): SizeReading | null {
  const match = /^(\d{1,2})(?: ?t?[/-](\d{1,2}))? ?t$/.exec(text);
  return match && { group: 'age', order: [Number(match[1]) * 12, Number(match[2] ?? match[1]) * 12, TODDLER] };
}

/** 10C, 13.5K: shoes of children, before those of the young (1Y) and of adults, which begin with 1 again (common practice). */
function readChildShoe(text: string): SizeReading | null {
  const match = /^((?:\d|1[0-3])(?:[.,]5)?) ?[ck]$/.exec(text);
  return match && { group: 'age', order: [Number(match[1]!.replace(',', '.')) / CHILD_SHOES] };
}
/** Half of the size in months: the largest come before those of a year. */
const CHILD_SHOES = 2;

/** W30 L32, 30W x 32L: waist before length. */
function readWaist(text: string): SizeReading | null {
  const match =
    /^w ?(\d+(?:\.\d+)?)(?:[ /x,-]*l ?(\d+(?:\.\d+)?))?$/.exec(text) ??
    /^(\d+(?:\.\d+)?) ?w[ /x,-]+(\d+(?:\.\d+)?) ?l$/.exec(text);
  if (match) return { group: 'number', order: [Number(match[1]), Number(match[2] ?? 0)] };
  const length = /^l ?(\d+)$/.exec(text);
  return length && { group: 'number', order: [Number(length[1])] };
}

/** 75B, 34 DD: band before cup. */
function readCup(text: string): SizeReading | null {
  const match = /^(\d{2,3}) ?-?([a-k]{1,3})(?:[/-]([a-k]{1,3}))?$/.exec(text);
  if (!match) return null;
  const cup = CUPS.indexOf(match[2]!);
  return cup < 0 || Number(match[1]) < SMALLEST_BAND
    ? null
    : { group: 'number', order: [Number(match[1]), 0, cup, match[3] ? 1 : 0] };
}

/** Of bras in inches; below it a letter behind a number is another thing (common practice). */
const SMALLEST_BAND = 26;

/** "US 6 / EU 36", "M 8 / W 9.5": the first of two ways to say it counts. */
function readPaired(text: string): SizeReading | null {
  const match =
    /^(?:m|w|us|uk|eu|men'?s?|women'?s?)? ?(\d[\d. /]*?) ?[/|,-] ?(?:m|w|us|uk|eu|men'?s?|women'?s?) ?(\d[\d. /]*)$/.exec(
      text,
    );
  if (!match) return null;
  const [first, second] = [readNumber(match[1]!, true), readNumber(match[2]!, true)];
  return first === null || second === null ? null : { group: 'number', order: [first, second] };
}

/** 38R, 42 Long, 8 Wide, 14W, 6X: the number before what is said of its cut. */
function readCut(text: string, habits: SizeHabits): SizeReading | null {
  const kids = habits.numbers ? /^(\d{1,2})x$/.exec(text) : null;
  if (kids) return bareNumbers(Number(kids[1]) + 0.5, Number(kids[1]) + 0.5, habits);
  const match = /^(\d{1,3}(?:[.,]\d)?(?: \d\/\d)?)(?:[/-](\d{1,3}))?[ -]?([a-z0-9-]*[a-z][a-z-]*)$/.exec(text);
  const cut = match ? CUTS.get(match[3]!) : undefined;
  if (cut === undefined || isUnit(match![3]!, habits)) return null;
  const low = readNumber(match![1]!, true)!;
  return bareNumbers(low, Number(match![2] ?? low), habits, cut);
}

const isUnit = (word: string, { metres, months, letters, fluid, unit }: SizeHabits): boolean =>
  (word === 'm' && (metres || months)) || (word === 'l' && !letters && fluid) || (word === 'w' && unit?.of === 'power');

/** "Pack of 6", "x3", "2 pairs of 3". */
function readPieces(text: string): SizeReading | null {
  const counted =
    /^(?:multi)?(?:pack|set|box|bundle|case|bag|lot|carton) (?:of )?(\d+)$/.exec(text) ??
    /^x ?(\d+)$/.exec(text) ??
    /^(\d+) ?x$/.exec(text);
  if (counted) return { group: 'measure', order: [Number(counted[1])] };
  const word = /^(single|double|triple|twin)(?:[ -]?pack)$/.exec(text)?.[1];
  return word ? { group: 'measure', order: [{ single: 1, double: 2, twin: 2, triple: 3 }[word]!] } : null;
}

/** "Under 5 kg", "up to 3", "over 20 kg". */
function readLimit(text: string, habits: SizeHabits): SizeReading | null {
  const match = /^(up to|under|below|less than|max\.?|bis|until|<|over|above|more than|from|ab|>|min\.?) ?(\d.*)$/.exec(
    text,
  );
  const read = match && readMeasures(match[2]!, habits);
  if (!read) return null;
  const isOver = /^(?:over|above|more|from|ab|>|min)/.test(match[1]!);
  return { group: read.group, order: isOver ? [read.order[0]!, Infinity] : [0, read.order[0]!] };
}
