/** Exact money. An amount is a decimal string in major units, such as "189.00"; floats are never used. */
import Big from 'big.js';
import { decimalsOf } from './currency';

/** Reads an amount as people type it: "189", "189.90", "1 299,50", "1,299.50". Null where it is not one. */
export function readAmount(text: string): string | null {
  let plain = text
    .trim()
    .replace(/[\s\u00a0\u202f']/g, '')
    .replace(/^(€|\$|£|EUR|USD|GBP)|(€|\$|£|EUR|USD|GBP)$/gi, '');
  const comma = plain.lastIndexOf(',');
  const point = plain.lastIndexOf('.');
  if (comma > point) {
    // The comma is the later mark: a decimal one, unless it parts thousands ("1,299").
    const decimals = plain.length - comma - 1;
    plain =
      decimals === 3 && point < 0 && /^\d{1,3}(,\d{3})+$/.test(plain)
        ? plain.replaceAll(',', '')
        : plain.replaceAll('.', '').replace(',', '.');
  } else plain = plain.replaceAll(',', '');
  return /^-?\d{1,12}(\.\d{1,6})?$/.test(plain) ? plain : null;
}

/** Rounds half up to the decimals of the currency (ISO 4217) and writes all of them. */
export function toCurrency(amount: string | Big, currency: string): string {
  return new Big(amount).round(decimalsOf(currency), Big.roundHalfUp).toFixed(decimalsOf(currency));
}

/** -1, 0 or 1. */
export function compareAmounts(a: string, b: string): number {
  return a === b ? 0 : new Big(a).cmp(b);
}

/** The exact sum. */
export function addAmounts(...amounts: string[]): string {
  return amounts.reduce((sum, one) => sum.plus(one), new Big(0)).toString();
}

/** amount × factor, exact. */
export function timesAmount(amount: string, factor: string | number): string {
  return new Big(amount).times(factor).toString();
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
