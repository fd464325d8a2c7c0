/** What single cells look like, whatever their column is called. */
import { isGtin } from '../../identifiers/gtin';
import { foldLetters } from '../../text/letters';

export const isBlank = (cell: string | undefined): boolean => cell === undefined || cell.trim() === '';

/** Digits of a number as lists hold it, or null: apostrophes, blanks, hyphens and ".0" left out. */
export function digitsOf(cell: string): string | null {
  const bare = cell.replace(/^['’]/, '').replace(/[\s-]/g, '').replace(/\.0+$/, '');
  return /^\d{7,14}$/.test(bare) ? bare : null;
}

/** A GTIN by its check digit, zeros that a spreadsheet took put back. */
export function looksLikeGtin(cell: string): boolean {
  const digits = digitsOf(cell);
  if (digits === null) return false;
  return isGtin(digits) || isGtin(digits.padStart(12, '0')) || isGtin(digits.padStart(13, '0'));
}

export const looksLikeAddress = (cell: string): boolean => /^https?:\/\/\S+$/i.test(cell.trim());
export const looksLikePicture = (cell: string): boolean =>
  /\.(jpe?g|png|webp|gif|tiff?|avif)([?#]\S*)?$/i.test(cell.trim());

// Two letters alone are no currency: "EU 38" and "UK 8" are sizes.
const CURRENCY =
  /^(?:\p{Sc}|[A-Z]{3}(?=[\s\d\p{Sc}])\s?\p{Sc}?|[A-Z]{2}\s?\p{Sc}|R[Ms]\.?(?=[\s\d]))?\s*|\s*(?:\p{Sc}|[A-Z]{3})$/gu;
const AMOUNT = /^-?\d{1,3}(?:[.,\s'’]\d{3})*(?:[.,]\d{1,2})?$|^-?\d+(?:[.,]\d{1,2})?$|^\d+,-+$/;

export type NumberLook = 'money' | 'decimal' | 'whole' | null;

/** Whether a cell is a number, and whether it has a currency or decimals. */
export function numberLook(cell: string): NumberLook {
  const text = cell.trim();
  const plain = /^\d+([.,]\d{1,2})?$/.exec(text);
  if (plain) return plain[1] === undefined ? 'whole' : 'decimal';
  if (!/\d/.test(text)) return null;
  const bare = text.replace(CURRENCY, '');
  if (!AMOUNT.test(bare)) return null;
  if (bare !== text) return 'money';
  return /[.,]\d{1,2}$|,-+$/.test(bare) ? 'decimal' : 'whole';
}

/** A number for comparing; how it is written does not matter there. */
export function roughAmount(text: string): number | null {
  const digits = text
    .replace(/[^\d.,]/g, '')
    .replace(/[.,](?=\d{3}\b)/g, '')
    .replace(',', '.');
  const number = Number.parseFloat(digits);
  return Number.isFinite(number) ? number : null;
}

/** Words by which rows of parents and of children are told apart. */
const PARENT_WORDS = new Set(
  'parent family master main product base group style parentproduct hauptartikel vater elternartikel eltern pere principal padre configurable model p'.split(
    ' ',
  ),
);
const CHILD_WORDS = new Set(
  'child variant variation sku item option kind variante unterartikel enfant hijo declinaison variacion figlio simple v c'.split(
    ' ',
  ),
);

/** What a cell says of its row; null where it says neither. */
export function kindOf(cell: string): 'parent' | 'child' | null {
  const word = foldLetters(cell).replace(/[^\p{L}]/gu, '');
  return PARENT_WORDS.has(word) ? 'parent' : CHILD_WORDS.has(word) ? 'child' : null;
}

/** A mark or a word that says that there is none. */
export const saysNone = (cell: string): boolean =>
  /^(?:[-–n○✗✘☐]|n\/a|no|nein|non|nee|false|sold out|ausverkauft|épuisé|agotado|esaurito)$/i.test(cell);

/** A mark or a word that says that there is one, or none. */
export const saysWhether = (cell: string): boolean =>
  saysNone(cell) || /^(?:[xy✓✔☑●•]|yes|ja|oui|sí|si|true)$/i.test(cell);

const TOTAL =
  /^(?:grand |sub-?)?(?:total|totals|sum|summe|gesamt|gesamtsumme|zwischensumme|totale|somme|suma|totaal|subtotal|razem)\b/i;
const OF_FIGURES =
  /^(?:pieces?|pcs|qty|quantity|units?|items?|amount|value|net|gross|order|all|stück|menge|netto|brutto|pezzi|pièces)$/i;
/** Whether nothing follows but what is summed. */
export const isBareTotal = (cell: string): boolean =>
  cell
    .replace(TOTAL, '')
    .split(/[^\p{L}]+/u)
    .every((word) => word === '' || OF_FIGURES.test(word) || /^[A-Z]{3}$/.test(word));
export const looksLikeTotal = (cell: string): boolean => TOTAL.test(cell.trim());

/** "VAT 20%": what is put on top of a sum. */
export const isTax = (cell: string): boolean =>
  /^(?:(?:plus|zzgl\.?|incl\.?|inkl\.?)\s+)?(?:vat|sales tax|tax|mwst|ust|mehrwertsteuer|umsatzsteuer|tva|iva|btw|moms|gst)\.?(?:\s*(?:\(?\d+(?:[.,]\d+)?\s*%\)?|:))*$/i.test(
    cell.trim(),
  );

/** "Colour: Navy" and the like, several parted by signs. */
const PAIR = /^\s*["'{]?\s*([\p{L}][\p{L} /-]{0,24}?)["']?\s*[:=]\s*["']?([^:=]{1,200}?)["'}]?\s*$/u;

/** Name and value of each option in a cell that names them; null where it does not. */
export function namedOptions(cell: string): { name: string; value: string }[] | null {
  // {"colour": "Oat", "size": "M"}
  const object = /^\s*\{(.*)\}\s*$/su.exec(cell)?.[1];
  const text = object === undefined ? cell : object.replaceAll('"', '');
  return pairsIn(text.split(BETWEEN_PAIRS).flatMap((part) => part.split('|'))) ?? pairsIn(text.split(BETWEEN_PAIRS));
}

/** Between values a stroke may stand, too: "Colour: Sand | Clay; Size: S". */
const BETWEEN_PAIRS = /[;\n]|,(?=\s*["']?[\p{L}][\p{L} /-]*["']?\s*[:=])|\/(?=\s*[\p{L}][\p{L} -]*\s*[:=])/u;

function pairsIn(parts: readonly string[]): { name: string; value: string }[] | null {
  const pairs = parts.filter((part) => part.trim() !== '').map((part) => PAIR.exec(part));
  if (pairs.length === 0 || pairs.some((pair) => !pair)) return null;
  return pairs.map((pair) => ({ name: pair![1]!.trim(), value: pair![2]!.trim() }));
}
