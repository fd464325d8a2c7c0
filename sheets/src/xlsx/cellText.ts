/** What a cell says as text. */
import type { CellFormat } from './cellFormats';

export interface CellSource {
  texts: readonly string[];
  formats: readonly CellFormat[];
  isFrom1904: boolean;
}

/**
 * The text of a cell of type `type` (ISO/IEC 29500-1, 18.18.11; a number where it has none) with `value` in it, shown
 * as `style` says. Numbers are written without a power of ten and days as 2027-03-01; an error ("#N/A") is an empty
 * cell.
 */
export function cellText(type: string, value: string, style: number, source: CellSource): string {
  switch (type) {
    case 's':
      return source.texts[Number(value)] ?? '';
    case 'str':
    case 'inlineStr':
      return value;
    case 'b':
      return value === '1' || value === 'true' ? 'yes' : 'no';
    case 'd':
      return value.slice(0, 10);
    case 'e':
      return '';
    default:
      return numberText(value.trim(), source.formats[style] ?? null, source.isFrom1904);
  }
}

function numberText(value: string, format: CellFormat, isFrom1904: boolean): string {
  const number = Number(value);
  if (value === '' || !Number.isFinite(number)) return value;
  if (format === 'day' && number >= 1) return dayText(number, isFrom1904) ?? value;
  const text = /^-?\d+$/.test(value) ? value : plainNumber(number);
  return typeof format === 'number' && /^\d+$/.test(text) ? text.padStart(format, '0') : text;
}

/** Spreadsheets reckon with 15 digits; what stands behind them is how a fraction is kept (0.1 + 0.2). */
function plainNumber(number: number): string {
  const rounded = Number(number.toPrecision(15));
  return Number.isInteger(rounded) && Math.abs(rounded) < 1e21 ? rounded.toFixed(0) : String(rounded);
}

const DAY = 24 * 60 * 60 * 1000;
/**
 * Day 0 of the one count is 1899-12-30, from March 1900 on; before it is a day later, since there is a 29th of
 * February 1900. That of the other is 1904-01-01.
 */
const DAY_0 = Date.UTC(1899, 11, 30);
const DAY_0_OF_1904 = Date.UTC(1904, 0, 1);

/** The day that a number is (18.17.4.1); null where there is none. */
function dayText(number: number, isFrom1904: boolean): string | null {
  const whole = Math.floor(number);
  const day = isFrom1904 ? DAY_0_OF_1904 + whole * DAY : DAY_0 + (whole < 60 ? whole + 1 : whole) * DAY;
  const date = new Date(day);
  return Number.isNaN(date.getTime()) || date.getUTCFullYear() > 9999 ? null : date.toISOString().slice(0, 10);
}
