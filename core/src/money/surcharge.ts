/**
 * Surcharges: what everything of a value costs more, or less, than what holds below it. Kept as "4.00", "-2" or "5%" under a key of
 * its own, so that it stays a surcharge when the price moves, and several add up where their values meet.
 */
import Big from 'big.js';
import { readNumber, type NumberHabit, type NumberReading } from '../measure/readNumber';
import { readAmount } from './amount';

/** The key that the surcharge on a field stands under. */
export const surchargeKey = (key: string): string => `${key}+`;
/** The field that a surcharge is added to; null for what is no surcharge. */
export const surchargedKey = (key: string): string | null => (key.endsWith('+') ? key.slice(0, -1) : null);

/** Reads a surcharge as people type it: "+4", "+ 4.00 €", "-2", "5 %". Stored without the plus. */
export function readSurcharge(text: string, habit: NumberHabit = {}): NumberReading {
  const plain = text
    .trim()
    .replace(/[−–]/g, '-')
    .replace(/^\+\s*/, '')
    .replace(/^-\s+/, '-');
  const percent = /^(.*\S)\s*%$/.exec(plain);
  if (!percent) return readAmount(plain, habit);
  const read = readNumber(percent[1]!, habit);
  return read.ok ? { ok: true, number: `${read.number}%` } : read;
}

/** "+4.00", "−2", "+5 %". */
export function showSurcharge(surcharge: string): string {
  const sign = surcharge.startsWith('-') ? '−' : '+';
  return sign + surcharge.replace(/^-/, '').replace('%', ' %');
}

/** Decimals that a percentage is rounded to, unless the amount has more. */
const DECIMALS = 2;

/**
 * An amount with surcharges: percentages are of the amount itself, so that their order does not matter. What a percentage makes is
 * rounded half up to two decimals, or as many as the amount has. Never below zero.
 */
export function withSurcharges(amount: string, surcharges: readonly string[]): string {
  const base = new Big(amount);
  const decimals = Math.max(DECIMALS, amount.split('.')[1]?.length ?? 0);
  const sum = surcharges.reduce((total, one) => {
    const more = one.endsWith('%')
      ? base.times(one.slice(0, -1)).div(100).round(decimals, Big.roundHalfUp)
      : new Big(one);
    return total.plus(more);
  }, base);
  return sum.lt(0) ? '0' : sum.toString();
}
