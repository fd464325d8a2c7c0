/**
 * Lengths and weights. Stored in centimetres and grams. Inch and pound are the exact ones of the international yard
 * and pound agreement of 1959: 1 in = 2.54 cm, 1 lb = 453.59237 g.
 */
import { ownOf } from '../text/own';
import Big from 'big.js';
import { plainDigits, readNumber, type NumberHabit, type NumberReading } from './readNumber';

const CENTIMETRES = { mm: '0.1', cm: '1', m: '100', in: '2.54', ft: '30.48' } as const;
const GRAMS = { g: '1', kg: '1000', oz: '28.349523125', lb: '453.59237' } as const;

export type LengthUnit = keyof typeof CENTIMETRES;
export type WeightUnit = keyof typeof GRAMS;

/** How units are written besides by their sign. */
const LENGTH_WORDS: Record<string, LengthUnit> = {
  mm: 'mm',
  millimetre: 'mm',
  millimetres: 'mm',
  millimeter: 'mm',
  millimeters: 'mm',
  cm: 'cm',
  centimetre: 'cm',
  centimetres: 'cm',
  centimeter: 'cm',
  centimeters: 'cm',
  m: 'm',
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '”': 'in',
  '″': 'in',
  "''": 'in',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '’': 'ft',
  '′': 'ft',
};
const WEIGHT_WORDS: Record<string, WeightUnit> = {
  g: 'g',
  gr: 'g',
  gram: 'g',
  grams: 'g',
  gramme: 'g',
  grammes: 'g',
  kg: 'kg',
  kgs: 'kg',
  kilo: 'kg',
  kilos: 'kg',
  kilogram: 'kg',
  kilograms: 'kg',
  oz: 'oz',
  ounce: 'oz',
  ounces: 'oz',
  lb: 'lb',
  lbs: 'lb',
  pound: 'lb',
  pounds: 'lb',
};

/** Centimetres in another unit, rounded half up to `decimals`. */
export function lengthIn(centimetres: number, unit: LengthUnit, decimals: number): string {
  return new Big(centimetres).div(CENTIMETRES[unit]).round(decimals, Big.roundHalfUp).toString();
}

/** Grams in another unit, rounded half up to `decimals`. */
export function weightIn(grams: number, unit: WeightUnit, decimals: number): string {
  return new Big(grams).div(GRAMS[unit]).round(decimals, Big.roundHalfUp).toString();
}

export type MeasureReading = { ok: true; measure: number } | Exclude<NumberReading, { ok: true }>;

/**
 * Reads "35", "13.5 in", `5'11"` or "1 1/2 in" into centimetres (two decimals). `assumed` is the unit where none is
 * written.
 */
export function readLength(text: string, assumed: LengthUnit = 'cm', habit: NumberHabit = {}): MeasureReading {
  return readMeasure(text, LENGTH_WORDS, CENTIMETRES, assumed, habit);
}

/**
 * Reads "350", "0.35 kg", "12 oz" or "2 lb 3 oz" into grams (two decimals). `assumed` is the unit where none is
 * written.
 */
export function readWeight(text: string, assumed: WeightUnit = 'g', habit: NumberHabit = {}): MeasureReading {
  return readMeasure(text, WEIGHT_WORDS, GRAMS, assumed, habit);
}

/** A number with a fraction perhaps, and what follows it up to the next number. */
const PART = /^\s*(?:([\d.,\s'’\u00a0\u202f]*?\d|[.,]\d+)\s+)?(\d+)\s*\/\s*(\d+)\s*([^\d\s.,][^\d]*?)?(?=\s*\d|\s*$)/;
const PLAIN =
  /^\s*([\d.,][\d.,\u00a0\u202f]*(?:[\s'’](?=\d{3}(?!\d))\d{3}[\d.,]*)*)\s*([^\d\s.,][^\d]*?)?\.?(?=\s*[\d.]|\s*$)/;

function readMeasure<U extends string>(
  text: string,
  words: Record<string, U>,
  factors: Record<U, string>,
  assumed: U,
  habit: NumberHabit,
): MeasureReading {
  let rest = plainDigits(text).trim();
  let total = new Big(0);
  let parts = 0;
  const readings: [Big, Big] = [new Big(0), new Big(0)];
  let doubtful = false;
  while (rest !== '') {
    const fraction = PART.exec(rest);
    const match = fraction ?? PLAIN.exec(rest);
    if (!match || match[0].length === 0) return { ok: false, why: 'none' };
    rest = rest.slice(match[0].length).trim();
    const word = (match.at(-1) ?? '').trim().replace(/\.$/, '').toLowerCase();
    // Feet and inches, pounds and ounces stand together; a second number without a unit means nothing.
    const unit = word === '' ? (parts === 0 && rest === '' ? assumed : undefined) : ownOf(words, word);
    if (!unit) return { ok: false, why: 'none' };
    if (fraction && Number(match[3]) === 0) return { ok: false, why: 'none' };
    const number = readNumber(fraction ? (match[1] ?? '0') : match[1]!, habit);
    if (!number.ok && number.why === 'none') return number;
    const more = fraction ? new Big(match[2]!).div(match[3]!) : new Big(0);
    const both = number.ok ? [number.number, number.number] : number.readings;
    doubtful ||= !number.ok;
    both.forEach(
      (one, at) => (readings[at as 0 | 1] = readings[at as 0 | 1].plus(new Big(one).plus(more).times(factors[unit]))),
    );
    total = readings[0];
    parts += 1;
    if (parts > 2) return { ok: false, why: 'none' };
  }
  if (parts === 0 || total.lt(0)) return { ok: false, why: 'none' };
  if (doubtful) return { ok: false, why: 'two', readings: readings.map((one) => one.toString()) as [string, string] };
  return { ok: true, measure: total.round(2, Big.roundHalfUp).toNumber() };
}

/** Volume weight in grams: length × width × height in cm, divided by 5 cm³ a gram (common practice). */
export function volumeWeight(length: number, width: number, height: number): number {
  return new Big(length).times(width).times(height).div(5).round(0, Big.roundHalfUp).toNumber();
}
