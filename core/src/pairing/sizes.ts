/** What a size says, so that two ways to write it are known to be the same: letters, lengths, volumes, ages, plain numbers, ranges. */
import { ownOf } from '../text/own';
import Big from 'big.js';
import { shoeLast } from './shoes';

/** Sizes are only compared within a kind: 35 of a sock is no 35 cm. */
export type SizeKind = 'letters' | 'length' | 'volume' | 'months' | 'number' | 'shoe' | 'one';

export interface SizeMeaning {
  kind: SizeKind;
  /** Letters as a step from M; measures in millimetres, millilitres or months; shoes by the length of the last in millimetres. A range has two, a measure of several sides all. */
  figures: readonly number[];
  isRange: boolean;
}

/** Unit → its kind, and how many of the kind's own it is. Inch and foot as of the International Yard and Pound Agreement, 1959: 25.4 mm. */
const UNITS: Record<string, readonly [SizeKind, string]> = {
  mm: ['length', '1'],
  cm: ['length', '10'],
  m: ['length', '1000'],
  in: ['length', '25.4'],
  '"': ['length', '25.4'],
  ft: ['length', '304.8'],
  ml: ['volume', '1'],
  cl: ['volume', '10'],
  l: ['volume', '1000'],
  months: ['months', '1'],
  month: ['months', '1'],
  mths: ['months', '1'],
  mo: ['months', '1'],
  years: ['months', '12'],
  year: ['months', '12'],
  yrs: ['months', '12'],
  yr: ['months', '12'],
  y: ['months', '12'],
};

const LETTERS = /^(?:(\d+)\s*x|(x*|(?:extra[ -])*))[ -]?(s|m|l|small|medium|large)$/;
const NUMBER = '\\d+(?:[.,]\\d+)?';
const MEASURE = new RegExp(`^(${NUMBER}(?:\\s*[-–/x×]\\s*${NUMBER})*)\\s*([a-z"]+)?$`);

/** The meaning of a label; null for what is no size. `12 m` is twelve metres: months are written out, or as `mo`. */
export function sizeMeaning(label: string): SizeMeaning | null {
  const text = label
    .trim()
    .toLowerCase()
    .replace(/[\s_]+/g, ' ');
  if (/^(one size|onesize|os)$/.test(text)) return { kind: 'one', figures: [0], isRange: false };
  const letters = LETTERS.exec(text);
  if (letters) return lettersMeaning(letters);
  const shoe = shoeLast(text);
  if (shoe !== null) return { kind: 'shoe', figures: [shoe], isRange: false };
  const measure = MEASURE.exec(text);
  if (!measure) return null;
  const [kind, factor] =
    measure[2] === undefined ? (['number', '1'] as const) : (ownOf(UNITS, measure[2]) ?? [null, '1']);
  if (kind === null) return null;
  const figures = measure[1]!
    .match(new RegExp(NUMBER, 'g'))!
    .map((one) => Number(new Big(one.replace(',', '.')).times(factor)));
  return { kind, figures, isRange: figures.length === 2 && /[-–/]/.test(measure[1]!) };
}

function lettersMeaning([, counted, crosses = '', letter]: RegExpExecArray): SizeMeaning | null {
  const steps = counted
    ? Number(counted)
    : crosses.startsWith('e')
      ? crosses.split(/extra/).length - 1
      : crosses.length;
  const sign = { s: -1, m: 0, l: 1 }[letter!.charAt(0) as 's' | 'm' | 'l'];
  if (sign === 0 && steps > 0) return null;
  return { kind: 'letters', figures: [sign * (steps + (sign === 0 ? 0 : 1))], isRange: false };
}

export const isSameSize = (a: SizeMeaning, b: SizeMeaning): boolean =>
  a.kind === b.kind && a.figures.length === b.figures.length && a.figures.every((one, at) => one === b.figures[at]);

/** Whether a single size lies in a range of its kind, ends and all. */
export function liesIn(size: SizeMeaning, range: SizeMeaning): boolean {
  const [least, most] = range.figures;
  const [one] = size.figures;
  return range.isRange && size.kind === range.kind && size.figures.length === 1 && one! >= least! && one! <= most!;
}
