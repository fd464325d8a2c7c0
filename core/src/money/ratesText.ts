/** Tax rates as they are typed in a line: "19", "5 up to 1000, 12". */
import { readNumber } from '../measure/readNumber';
import { unreadable, type Unreadable } from '../refusal/refusal';
import { slabProblem, type TaxSlab } from './tax';

export type RatesReading = { ok: true; slabs: TaxSlab[] } | Unreadable;

const SLAB = /^(.+?)\s*%?\s*(?:(?:up\s*to|to|until|≤)\s*(.+))?$/i;

/** Reads rates, the lowest prices first, parted by commas or semicolons; the last holds for all above. */
export function readRates(text: string): RatesReading {
  const slabs: TaxSlab[] = [];
  for (const part of text.split(/[;,](?=\s|$)|;/)) {
    if (part.trim() === '' || /^above\b/i.test(part.trim())) continue;
    const [, rate = '', bound] = SLAB.exec(part.trim()) ?? [];
    const percent = plainNumber(rate.replace(/\s*%$/, ''));
    const upTo = bound === undefined ? undefined : plainNumber(bound);
    if (percent === null || upTo === null || Number(percent) > 999)
      return unreadable('tax.rates', { text: part.trim() });
    slabs.push(upTo === undefined ? { percent } : { upTo, percent });
  }
  if (slabs.length === 0) return unreadable('tax.rates', { text });
  const problem = slabProblem(slabs);
  return problem ? unreadable('tax.rates-order', { problem: problem.text }) : { ok: true, slabs };
}

function plainNumber(text: string): string | null {
  const read = readNumber(text.trim(), { decimal: '.' });
  return read.ok && !read.number.startsWith('-') ? read.number : null;
}

/** "5 % up to 1000, 12 %". */
export function showRates(slabs: readonly TaxSlab[]): string {
  return slabs.map(({ percent, upTo }) => `${percent} %${upTo === undefined ? '' : ` up to ${upTo}`}`).join(', ');
}
