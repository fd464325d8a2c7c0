/**
 * GTINs of 8, 12, 13 and 14 digits and ISBNs. Check digit: GS1 General Specifications, section 7.9 (weights 3 and 1
 * from the right). ISBN-10: ISO 2108 (weights 10 to 2, modulo 11).
 */

import { plainDigits } from '../measure/readNumber';
import { unreadable, type Unreadable } from '../refusal/refusal';

/** The check digit for a number without it. `body` is digits only. */
export function gtinCheckDigit(body: string): number {
  let sum = 0;
  for (let i = body.length - 1, weight = 3; i >= 0; i--, weight = 4 - weight) sum += Number(body[i]) * weight;
  return (10 - (sum % 10)) % 10;
}

/** Whether digits of a right length end in their check digit. */
export function isGtin(digits: string): boolean {
  return /^(\d{8}|\d{12}|\d{13}|\d{14})$/.test(digits) && gtinCheckDigit(digits.slice(0, -1)) === Number(digits.at(-1));
}

/** The 14-digit form under which two spellings of one number are the same. */
export function gtin14(digits: string): string {
  return digits.padStart(14, '0');
}

/** Whether an ISBN of ten characters ends in its check character (X is ten). */
export function isIsbn10(text: string): boolean {
  if (!/^\d{9}[\dX]$/.test(text)) return false;
  const sum = [...text].reduce((total, mark, at) => total + (10 - at) * (mark === 'X' ? 10 : Number(mark)), 0);
  return sum % 11 === 0;
}

/** The 13-digit form of an ISBN-10: prefix 978 and a GTIN check digit. */
export function isbn13From10(isbn10: string): string {
  const body = '978' + isbn10.slice(0, 9);
  return body + gtinCheckDigit(body);
}

export type ReadGtin = { ok: true; gtin: string } | Unreadable;

/**
 * What stands around a number in lists: "ISBN", "EAN" and the like before it, an apostrophe of a spreadsheet, ".0"
 * after it.
 */
function bareNumber(text: string): { compact: string; isbn: boolean } {
  const named = /^\s*['’]?\s*(ISBN(?:-1[03])?|EAN(?:-?\d+)?|UPC(?:-A)?|GTIN(?:-\d+)?)?[:\s]*/i.exec(text)!;
  const rest = text.slice(named[0].length);
  const compact = plainDigits(rest)
    .replace(/[\s\-‐‑–—\u00a0\u202f]/g, '')
    .toUpperCase()
    .replace(/^(\d{7,14})\.0+$/, '$1');
  // An ISBN is often written with hyphens; a UPC that lost zeros in a spreadsheet never is.
  const hyphens = /[-‐‑–]/.test(rest.trim());
  return { compact, isbn: hyphens || /^ISBN/i.test(named[1] ?? '') };
}

/**
 * Reads a GTIN or ISBN as typed or as a spreadsheet left it. Blanks, hyphens, dashes and what stands around the
 * number are dropped. A number that lost zeros is refused with the right one in the message, never mended silently.
 */
export function readGtin(text: string): ReadGtin {
  // Most numbers are these, and nothing is doubtful about them.
  if (/^[1-9]\d{12}$/.test(text) && isGtin(text) && !isInternal(text)) return { ok: true, gtin: text };
  const { compact, isbn } = bareNumber(text);
  if (/^\d+([.,]\d+)?E\+?\d+$/.test(compact)) return unreadable('gtin.scientific', { text });
  if (isIsbn10(compact)) {
    const upc = `00${compact}`;
    return !isbn && isGtin(upc)
      ? unreadable('gtin.isbn-or-upc', { digits: compact })
      : { ok: true, gtin: isbn13From10(compact) };
  }
  if (!/^\d+$/.test(compact)) return unreadable('gtin.letters', { text });
  if (/^0+$/.test(compact)) return unreadable('gtin.zeros', {});
  const whole = upcFromShort(compact);
  if (whole && !(isGtin(compact) && !isInternal(compact)))
    return unreadable('gtin.short-form', { digits: compact, whole });
  if (isGtin(compact)) return readWhole(compact);
  const right = ['0', '00'].map((zeros) => zeros + compact).find((one) => [8, 12].includes(one.length) && isGtin(one));
  if (right && compact.length !== 8) return unreadable('gtin.lost-zero', { digits: compact, right });
  if (![8, 12, 13, 14].includes(compact.length)) return unreadable('gtin.length', { digits: compact });
  return unreadable('gtin.check-digit', { digits: compact, wanted: gtinCheckDigit(compact.slice(0, -1)) });
}

function readWhole(digits: string): ReadGtin {
  if (digits.length === 14 && digits.startsWith('9')) return unreadable('gtin.variable', { digits });
  if (!isInternal(digits)) return { ok: true, gtin: digits };
  const begins = digits.length === 12 ? digits.slice(0, 1) : digits.replace(/^0(?=\d{13})/, '').slice(0, 2);
  return unreadable('gtin.internal', { digits, begins });
}

/**
 * Numbers kept for use inside one company: GTIN-13 with prefix 02, 04 or 20 to 29, GTIN-12 with prefix 2 or 4, GTIN-8
 * with prefix 0 or 2 (GS1 General Specifications, section 1.4).
 */
export function isInternal(digits: string): boolean {
  if (digits.length === 8) return /^[02]/.test(digits);
  const thirteen = digits.length === 14 ? digits.slice(1) : digits.padStart(13, '0');
  return /^(02|04|2)/.test(thirteen);
}

/**
 * The UPC-A that a UPC-E of eight digits stands for, or null where it is none (GS1 General Specifications, section
 * 7.10:
 * zeros are put in by the last digit before the check digit).
 */
export function upcFromShort(digits: string): string | null {
  const match = /^([01])(\d)(\d)(\d)(\d)(\d)(\d)(\d)$/.exec(digits);
  if (!match) return null;
  const [, system, a, b, c, d, e, last, check] = match as unknown as string[];
  const body =
    last! <= '2'
      ? `${a}${b}${last}0000${c}${d}${e}`
      : last === '3'
        ? `${a}${b}${c}00000${d}${e}`
        : last === '4'
          ? `${a}${b}${c}${d}00000${e}`
          : `${a}${b}${c}${d}${e}0000${last}`;
  const whole = `${system}${body}${check}`;
  return isGtin(whole) ? whole : null;
}
