/**
 * GTINs of 8, 12, 13 and 14 digits and ISBNs.
 * Check digit: GS1 General Specifications, section 7.9 (weights 3 and 1 from the right). ISBN-10: ISO 2108 (weights
 * 10 to 2, modulo 11).
 */

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

export type ReadGtin = { ok: true; gtin: string } | { ok: false; message: string; slip: GtinSlip };
/** What probably happened to a number that is not a GTIN. */
export type GtinSlip = 'check-digit' | 'lost-zero' | 'scientific' | 'internal' | 'length' | 'letters';

/**
 * Reads a GTIN or ISBN as typed or as a spreadsheet left it. Blanks and hyphens are dropped.
 * A number that is one digit short and right with a zero in front is refused with that number in the message, never
 * mended silently.
 */
export function readGtin(text: string): ReadGtin {
  const compact = text.replace(/[\s-]/g, '').toUpperCase();
  const no = (slip: GtinSlip, message: string): ReadGtin => ({ ok: false, slip, message });
  if (/^\d+([.,]\d+)?E\+?\d+$/.test(compact)) {
    return no(
      'scientific',
      `"${text}" was turned into a power of ten by a spreadsheet and its last digits are lost. Format the column as text and paste it again.`,
    );
  }
  if (isIsbn10(compact)) return { ok: true, gtin: isbn13From10(compact) };
  if (!/^\d+$/.test(compact))
    return no('letters', `"${text}" is no GTIN: it has 8, 12, 13 or 14 digits and nothing else.`);
  if (isGtin(compact)) {
    return isInternal(compact)
      ? no('internal', `${compact} begins with 2 and holds inside one company only; it is not a global number.`)
      : { ok: true, gtin: compact };
  }
  if ((compact.length === 11 || compact.length === 7) && isGtin('0' + compact)) {
    return no('lost-zero', `${compact} has lost its leading zero: 0${compact} is right.`);
  }
  if (![8, 12, 13, 14].includes(compact.length)) {
    return no('length', `${compact} has ${compact.length} digits; a GTIN has 8, 12, 13 or 14.`);
  }
  const wanted = gtinCheckDigit(compact.slice(0, -1));
  return no(
    'check-digit',
    `${compact}: the last digit is ${compact.at(-1)}, by the others it must be ${wanted}. Look at the number again.`,
  );
}

/**
 * Numbers kept for use inside one company: GTIN-13 with prefix 02, 04 or 20 to 29, GTIN-12 with prefix 2 or 4 (GS1
 * General Specifications, section 1.4).
 */
export function isInternal(digits: string): boolean {
  const thirteen = digits.length === 14 ? digits.slice(1) : digits.length === 8 ? '' : digits.padStart(13, '0');
  return /^(02|04|2)/.test(thirteen);
}
