/** Numbers with units: 38 2/3, 50 cm, 12-18M, 140 x 200 cm, 13+ yrs. */
import { bareNumbers, type SizeHabits, type SizeReading } from './sizeReading';
import { UNITS, type Unit } from './sizeWords';

const NUMBER = /^(?:(\d+) (\d+)\/(\d+)|(\d+)\/(\d+)|(\d{1,3}(?:,\d{3})+)|(\d*[.,]?\d+))$/;

/** A number as sizes have them: 38, 38.5, 38 2/3, 1/2, 1,000. */
export function readNumber(text: string, fractions: boolean): number | null {
  const match = NUMBER.exec(text.trim());
  if (!match) return null;
  const [, whole, over, under, part, of, thousands, plain] = match;
  if (whole) return Number(whole) + Number(over) / Number(under);
  if (part) return fractions && Number(of) > 0 ? Number(part) / Number(of) : null;
  if (thousands && !thousands.startsWith('0')) return Number(thousands.replaceAll(',', ''));
  return Number((plain ?? thousands)!.replace(',', '.'));
}

interface Quantity {
  /** In the base of its unit; as it stands without one. */
  size: number;
  unit: Unit | null;
  zeros: number;
}

const QUANTITY =
  /^(\d+ \d+\/\d+|\d+\/\d+|\d[\d.,]*|[.,]\d+)[ -]?(fl\.? ?oz\.?|"|'|[\p{L}]+\.?)?(?:[ -]?(?:old|long|wide|tall|packs?|count|ct))?$/u;

function readQuantity(text: string, habits: SizeHabits): Quantity | null {
  // 5'6": feet and inches.
  const feet = /^(\d+)(?:'| ?ft\.?) ?(\d+(?:\.\d+)?)(?:"| ?in\.?)?$/.exec(text);
  if (feet) return { size: Number(feet[1]) * 30.48 + Number(feet[2]) * 2.54, unit: UNITS.get('cm')!, zeros: 0 };
  const match = QUANTITY.exec(text);
  if (!match) return null;
  const unit = match[2] ? unitCalled(match[2], habits) : null;
  if (unit === undefined) return null;
  const number = readNumber(match[1]!, true);
  if (number === null) return null;
  const leading = /^0+(?=0$)/.exec(match[1]!)?.[0].length ?? 0;
  return { size: number * (unit?.factor ?? 1), unit, zeros: -leading };
}

/** The unit of a word; undefined where it is none. */
function unitCalled(word: string, { metres, fluid }: SizeHabits): Unit | undefined {
  const plain = word.replace(/[. ]/g, '');
  if (plain === 'm') return metres ? { of: 'length', factor: 100 } : { of: 'age', factor: 1 };
  if (plain === 'l') return { of: 'volume', factor: 1000 };
  if (fluid && /^(?:oz|ounces?)$/.test(plain)) return UNITS.get('floz');
  return UNITS.get(plain);
}

/** 50 cm, 12-18M, 140 x 200 cm, 6 x 330 ml, 1 1/2 in, 13+ yrs, 98/104. */
export function readMeasures(text: string, habits: SizeHabits): SizeReading | null {
  const aged = /^(?:age[sd]?|from age) ?:?/.exec(text)?.[0];
  const plain = aged ? text.slice(aged.length).trim() : text;
  const sides = plain.split(/ ?(?:x|by|\*) ?(?=[\d.])/);
  if (sides.length > 4) return null;
  const ranges = sides.map((side) => readRange(side, habits));
  if (ranges.some((range) => range === null)) return null;
  const all = (ranges as Range[]).flatMap(({ quantities }) => quantities);
  const said = all.find(({ unit }) => unit)?.unit ?? (aged ? YEAR : null);
  const unit = said ?? habits.unit;
  const sizes = (ranges as Range[]).flatMap(({ quantities: [low, high], isOpen }) =>
    [low!, high ?? low!].map((one, at) =>
      isOpen && at === 1 ? Infinity : one.unit ? one.size : one.size * scaleOf(low!, high, said, habits),
    ),
  );
  const zeros = all[0]!.zeros;
  // What has one side is from and to; what has several is one after the other.
  const order =
    sides.length === 1 ? [sizes[0]!, sizes[1]!] : sides.flatMap((_, at) => [sizes[at * 2]!, sizes[at * 2 + 1]!]);
  if (unit?.of === 'age') return { group: 'age', order: [...order.slice(0, 2)] };
  if (unit) return { group: 'measure', order };
  return sides.length === 1 ? bareNumbers(order[0]!, order[1]!, habits, 0, zeros) : { group: 'number', order };
}
const YEAR: Unit = { of: 'age', factor: 12 };

/** What a number without a unit is measured in: as the other end of its range, as the rest of the label, as the list. */
function scaleOf(low: Quantity, high: Quantity | undefined, said: Unit | null, { unit }: SizeHabits): number {
  return (low.unit ?? high?.unit ?? said ?? unit)?.factor ?? 1;
}

interface Range {
  quantities: [Quantity] | [Quantity, Quantity];
  isOpen: boolean;
}

function readRange(text: string, habits: SizeHabits): Range | null {
  const isOpen = /\+|(?: and| &| or) (?:up|over|more|above|older)$/.test(text);
  const plain = text
    .replace(/ ?\+ ?|(?: and| &| or) (?:up|over|more|above|older)$/g, ' ')
    .replace(/ +/g, ' ')
    .trim();
  const parts = plain.split(/ ?- ?(?=[\d.])| to | bis | à /);
  // "98/104" and "140/152 cm" are two numbers; "1/2 in" is one.
  const slashed = parts.length === 1 ? /^(\d+(?:[.,]\d+)?(?: ?\p{L}+)?) ?\/ ?(\d.*)$/u.exec(plain) : null;
  const isFraction = slashed && (habits.fractions || isPart(plain)) && readQuantity(plain, habits);
  const ends = slashed && !isFraction ? [slashed[1]!, slashed[2]!] : parts;
  if (ends.length > 2) return null;
  const read = ends.map((end) => readQuantity(end, habits));
  if (read.some((one) => one === null)) return null;
  return { quantities: read as Range['quantities'], isOpen };
}

/** "1/2 lb", "3/4 in": a part of a unit; ages are ranges. */
function isPart(text: string): boolean {
  const match = /^(\d+)\/(\d+) ?(\p{L}+|["'])\.?$/u.exec(text);
  const unit = match && UNITS.get(match[3]!);
  return Boolean(unit && unit.of !== 'age' && isFractionOf(Number(match[1]), Number(match[2])));
}

/** Whether a number over another is one that measures are divided into: halves, thirds, quarters, eighths and so on. */
export const isFractionOf = (over: number, under: number): boolean =>
  over < under && [2, 3, 4, 8, 16, 32].includes(under);
