/** What is typed into an entry where a figure may stand already: sums go on from it, everything else is read as it is. */
import Big from 'big.js';
import { isSum, reckon, type SumReading } from '../measure/reckon';
import { toCurrency } from '../money/amount';
import { unreadable } from '../refusal';
import type { Figure } from '../family/shape';
import { isNumeric, type Field, type FieldType } from './field';
import { readFigure, type ReadFigure, type Source } from './figures';
import type { Registry } from './openRegistry';

/** Decimals that a sum is rounded to, by type; money by its currency. What is counted stays as it is: half a piece is told. */
const DECIMALS: Partial<Record<FieldType, number>> = { weight: 3, length: 3, number: 6 };

/**
 * Reads what was typed into an entry.
 * @param held the figure that holds there, in the field's own unit
 * @param currency of the seller, ISO 4217
 */
export function readTyped(
  registry: Registry,
  field: Field,
  text: string,
  { held, currency, source = {} }: { held?: Figure | undefined; currency: string; source?: Source },
): ReadFigure {
  const isReckoned = isNumeric(field) && isSum(text, field.type === 'number');
  if (!isReckoned) return readFigure(registry, field, text, source);
  const reading = reckon(text, held === undefined ? undefined : String(held), source);
  if (!reading.ok) return unreadable(SUM_FAULTS[reading.why], { field: field.label, text });
  return readFigure(registry, field, rounded(field, reading.sum, currency), { decimal: '.' });
}

const SUM_FAULTS = { form: 'sum.form', nothing: 'sum.nothing', zero: 'sum.zero' } as const satisfies Record<
  Exclude<SumReading, { ok: true }>['why'],
  string
>;

function rounded(field: Field, sum: Big, currency: string): string {
  if (field.type === 'money') return toCurrency(sum, currency);
  const decimals = DECIMALS[field.type];
  return (decimals === undefined ? sum : sum.round(decimals, Big.roundHalfUp)).toFixed();
}
