/**
 * Lengths and weights. Stored in centimetres and grams.
 * Inch and pound are the exact ones of the international yard and pound agreement of 1959: 1 in = 2.54 cm, 1 lb =
 * 453.59237 g.
 */
import Big from 'big.js';

const CENTIMETRES: Record<string, string> = { mm: '0.1', cm: '1', m: '100', in: '2.54', ft: '30.48' };
const GRAMS: Record<string, string> = { g: '1', kg: '1000', oz: '28.349523125', lb: '453.59237' };

export type LengthUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft';
export type WeightUnit = 'g' | 'kg' | 'oz' | 'lb';

/** Centimetres in another unit, rounded half up to `decimals`. */
export function lengthIn(centimetres: number, unit: LengthUnit, decimals: number): string {
  return new Big(centimetres).div(CENTIMETRES[unit]!).round(decimals, Big.roundHalfUp).toString();
}

/** Grams in another unit, rounded half up to `decimals`. */
export function weightIn(grams: number, unit: WeightUnit, decimals: number): string {
  return new Big(grams).div(GRAMS[unit]!).round(decimals, Big.roundHalfUp).toString();
}

/** Reads "35", "35 cm", "13.5 in" into centimetres (two decimals); null where it is not a length. */
export function readLength(text: string, assumed: LengthUnit = 'cm'): number | null {
  return read(text, assumed, CENTIMETRES, 2);
}

/** Reads "350", "0.35 kg", "12 oz" into grams (two decimals); null where it is not a weight. */
export function readWeight(text: string, assumed: WeightUnit = 'g'): number | null {
  return read(text, assumed, GRAMS, 2);
}

function read(text: string, assumed: string, units: Record<string, string>, decimals: number): number | null {
  const match = /^(\d{1,9}(?:[.,]\d{1,6})?)\s*([a-z]*)$/i.exec(text.trim());
  if (!match) return null;
  const factor = units[(match[2] || assumed).toLowerCase()];
  if (!factor) return null;
  return new Big(match[1]!.replace(',', '.')).times(factor).round(decimals, Big.roundHalfUp).toNumber();
}

/** Volume weight in grams: length × width × height in cm, divided by 5 cm³ a gram (common practice). */
export function volumeWeight(length: number, width: number, height: number): number {
  return new Big(length).times(width).times(height).div(5).round(0, Big.roundHalfUp).toNumber();
}
