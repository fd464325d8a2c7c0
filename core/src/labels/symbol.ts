/**
 * The bar code of a number on goods sold at a till: EAN-13, UPC-A or EAN-8, with its size and the white it needs beside it.
 * GS1 General Specifications, sections 5.2.1 and 5.2.3 (values from memory): X-dimension 0.330 mm at 100 %, from 80 % to 200 %; quiet
 * zones of 11 and 7 modules for EAN-13, 9 and 9 for UPC-A, 7 and 7 for EAN-8; bars 22.85 mm high, of EAN-8 18.23 mm.
 */

export interface Symbol {
  kind: 'EAN-13' | 'UPC-A' | 'EAN-8';
  /** The digits that are encoded. */
  digits: string;
  /** Widths in modules: the bars with their guards, the white before and behind. */
  modules: number;
  quietLeft: number;
  quietRight: number;
  /** Height of the bars at 100 %, in millimetres. */
  height: number;
}

/** Width of a module at 100 %, in millimetres. */
export const MODULE = 0.33;
export const SMALLEST_PERCENT = 80;
export const LARGEST_PERCENT = 200;

const EAN_13 = { kind: 'EAN-13', modules: 95, quietLeft: 11, quietRight: 7, height: 22.85 } as const;
const UPC_A = { kind: 'UPC-A', modules: 95, quietLeft: 9, quietRight: 9, height: 22.85 } as const;
const EAN_8 = { kind: 'EAN-8', modules: 67, quietLeft: 7, quietRight: 7, height: 18.23 } as const;

/** The symbol of a GTIN; null for one of 14 digits that stands for a case, which no till reads. */
export function symbolOf(gtin: string): Symbol | null {
  const digits = gtin.length === 14 ? gtin.replace(/^0/, '') : gtin;
  if (digits.length === 8) return { ...EAN_8, digits };
  if (digits.length === 12) return { ...UPC_A, digits };
  if (digits.length !== 13) return null;
  // A UPC that is written with the zero of thirteen digits is one symbol all the same.
  return digits.startsWith('0') ? { ...UPC_A, digits: digits.slice(1) } : { ...EAN_13, digits };
}

/** Width with both quiet zones, in millimetres. */
export const symbolWidth = ({ modules, quietLeft, quietRight }: Symbol, percent: number): number =>
  (modules + quietLeft + quietRight) * MODULE * (percent / 100);
