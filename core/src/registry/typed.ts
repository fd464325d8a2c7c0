/** What is typed into an entry where a figure may stand already: sums go on from it, everything else is read as it is. */
import Big from 'big.js';
import { isSum, reckon, type SumReading } from '../measure/reckon';
import { priceNear } from '../money/allowedPrice';
import { toCurrency } from '../money/amount';
import { unreadable } from '../refusal/refusal';
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
  const ending = field.type === 'money' ? ENDING.exec(text) : null;
  if (ending) return readEnding(registry, field, ending, { held, currency, source });
  const isReckoned = isNumeric(field) && isSum(text, field.type === 'number');
  if (!isReckoned) return readFigure(registry, field, text, source);
  const reading = reckon(text, held === undefined ? undefined : String(held), source);
  if (!reading.ok) return unreadable(SUM_FAULTS[reading.why], { field: field.label, text });
  return readFigure(registry, field, rounded(field, reading.sum, currency), { decimal: '.' });
}

/** "~90", "+5 % ~90": to the nearest amount that ends so, whatever stands before. */
const ENDING = /^(.*?)\s*~\s*(\d{1,6})$/;

function readEnding(
  registry: Registry,
  field: Field,
  [, before, digits]: RegExpExecArray,
  ground: { held: Figure | undefined; currency: string; source: Source },
): ReadFigure {
  const { held, currency } = ground;
  const isBare = before!.trim() === '';
  if (isBare && held === undefined) return unreadable('sum.nothing', { field: field.label, text: `~${digits!}` });
  const read = readTyped(registry, field, isBare ? String(held) : before!, ground);
  if (!read.ok || typeof read.figure !== 'string') return read;
  const near = priceNear(read.figure, { currency, endings: [digits!] });
  return readFigure(registry, field, near, { decimal: '.' });
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
