/** Shoe sizes that name their system, by the length of the last they are made on. */
import { ownOf } from '../text/own';

/**
 * Systems of adults' shoes as size = steps × last + offset, the last in millimetres: Paris points of 2/3 cm (EU), barleycorns of
 * 1/3 inch that begin at 25 (UK) or 24 (US, men's). As ISO/TS 19407:2015 compares them; the formulas are from memory.
 */
const SHOES: Readonly<Record<string, { step: number; offset: number }>> = {
  eu: { step: 20 / 3, offset: 0 },
  uk: { step: 25.4 / 3, offset: 25 },
  us: { step: 25.4 / 3, offset: 24 },
};

/** The last in millimetres of a shoe size that names its system, such as "UK 8" or "EU 42"; null for everything else. */
export function shoeLast(label: string): number | null {
  const [, system, size] = /^(eu|uk|us)[ -]?(\d{1,2}(?:[.,]5)?)$/.exec(label) ?? [];
  const how = system === undefined ? undefined : ownOf(SHOES, system);
  return how ? (Number(size!.replace(',', '.')) + how.offset) * how.step : null;
}
