/** Decimals of currencies, ISO 4217 (minor unit column). Two where a currency is not listed. */
import { ownOf } from '../text/own';
const OTHER_THAN_TWO: Record<string, number> = {
  BHD: 3,
  BIF: 0,
  CLF: 4,
  CLP: 0,
  DJF: 0,
  GNF: 0,
  IQD: 3,
  ISK: 0,
  JOD: 3,
  JPY: 0,
  KMF: 0,
  KRW: 0,
  KWD: 3,
  LYD: 3,
  OMR: 3,
  PYG: 0,
  RWF: 0,
  TND: 3,
  UGX: 0,
  UYI: 0,
  UYW: 4,
  VND: 0,
  VUV: 0,
  XAF: 0,
  XOF: 0,
  XPF: 0,
};

/** How many decimals the currency has. */
export function decimalsOf(currency: string): number {
  return ownOf(OTHER_THAN_TWO, currency) ?? 2;
}

/** Whether a code is one of ISO 4217 that is in use, as the runtime's own table has it. */
export function isCurrency(code: string): boolean {
  return Intl.supportedValuesOf('currency').includes(code);
}
