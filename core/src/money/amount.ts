/** Exact money. An amount is a decimal string in major units, such as "189.00"; floats are never used. */
import Big from 'big.js';
import { readNumber, type NumberHabit, type NumberReading } from '../measure/readNumber';
import { decimalsOf } from './currency';

/** A sign or an ISO 4217 code before or after the number; "S$" and the like with the letter before. */
const CURRENCY = /^(?:[A-Z]{0,3}\p{Sc}|[A-Z]{3}(?=[\s\d-]))\s*|\s*(?:\p{Sc}|[A-Z]{3})$/gu;

/** Reads an amount as people type it: "189", "189.90", "1 299,50", "€ 5", "1,299.50 EUR", "5,-". */
export function readAmount(text: string, habit: NumberHabit = {}): NumberReading {
  const plain = text.trim().toUpperCase().replace(CURRENCY, '').trim();
  const read = readNumber(plain, habit);
  if (!read.ok) return read;
  return /^-?\d{1,12}(\.\d{1,6})?$/.test(read.number) ? read : { ok: false, why: 'none' };
}

/** Rounds half up to the decimals of the currency (ISO 4217) and writes all of them. */
export function toCurrency(amount: string | Big, currency: string): string {
  return new Big(amount).round(decimalsOf(currency), Big.roundHalfUp).toFixed(decimalsOf(currency));
}

/** -1, 0 or 1. */
export function compareAmounts(a: string, b: string): number {
  return a === b ? 0 : new Big(a).cmp(b);
}

/** For reading: "€189.00", "$24.50", "₩12,000". */
export function showAmount(amount: string, currency: string): string {
  const decimals = decimalsOf(currency);
  const [whole = '0', fraction] = new Big(amount).toFixed(decimals).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, ',');
  const sign = { EUR: '€', USD: '$', GBP: '£', KRW: '₩', INR: '₹', JPY: '¥', SGD: 'S$' }[currency];
  const number = fraction ? `${grouped}.${fraction}` : grouped;
  return sign ? sign + number : `${number} ${currency}`;
}
