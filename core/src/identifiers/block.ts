/** Number blocks: a run of GTINs that the seller bought under one company prefix. */
import { z } from 'zod';
import { gtin14, gtinCheckDigit } from './gtin';

export const NumberBlockSchema = z.object({
  id: z.string().min(1),
  label: z.string().min(1).max(60),
  /** All digits that every number of the block begins with. */
  prefix: z.string().regex(/^\d{4,11}$/, 'The prefix has 4 to 11 digits.'),
  /** How long the finished numbers are. */
  digits: z.union([z.literal(12), z.literal(13)]),
});
export type NumberBlock = z.infer<typeof NumberBlockSchema>;

/** How many numbers the block holds. */
export function blockSize(block: NumberBlock): number {
  return 10 ** (block.digits - 1 - block.prefix.length);
}

/** The number at a place in the block, check digit included. */
export function blockNumber(block: NumberBlock, at: number): string {
  const body = block.prefix + String(at).padStart(block.digits - 1 - block.prefix.length, '0');
  return body + gtinCheckDigit(body);
}

/**
 * The next free numbers, in order. `used` holds every number ever given out, as GTIN-14: numbers are not used twice.
 * Fewer than `count` come back when the block is exhausted.
 */
export function nextNumbers(block: NumberBlock, used: ReadonlySet<string>, count: number): string[] {
  const found: string[] = [];
  for (let at = 0; at < blockSize(block) && found.length < count; at++) {
    const number = blockNumber(block, at);
    if (!used.has(gtin14(number))) found.push(number);
  }
  return found;
}
