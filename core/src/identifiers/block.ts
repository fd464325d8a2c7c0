/** Number blocks: a run of GTINs that the seller bought under one company prefix, and parts of it set aside. */
import { z } from 'zod';
import { Refusal } from '../refusal/refusal';
import { gtin14, gtinCheckDigit, isInternal } from './gtin';

/** Numbers of a block that are kept for something, such as labels printed beforehand. */
export const ReservationSchema = z.object({
  id: z.string().min(1).max(40),
  label: z.string().trim().min(1).max(60),
  /** The place of the first in the block, from 0. */
  from: z.number().int().min(0),
  count: z.number().int().min(1).max(100_000),
});
export type Reservation = z.infer<typeof ReservationSchema>;

export const NumberBlockSchema = z.object({
  id: z.string().min(1),
  label: z.string().trim().min(1).max(60),
  /** All digits that every number of the block begins with. */
  prefix: z.string().regex(/^\d{4,11}$/, 'The prefix has 4 to 11 digits.'),
  /** How long the finished numbers are. */
  digits: z.union([z.literal(12), z.literal(13)]),
  reserved: z.array(ReservationSchema).max(200).default([]),
});
export type NumberBlock = z.infer<typeof NumberBlockSchema>;

/** What the numbers of a block are made of. */
type BlockDigits = Pick<NumberBlock, 'prefix' | 'digits'>;

/** How many numbers the block holds. */
export function blockSize({ prefix, digits }: BlockDigits): number {
  return 10 ** (digits - 1 - prefix.length);
}

/** The number at a place in the block, check digit included. */
export function blockNumber(block: BlockDigits, at: number): string {
  const body = block.prefix + String(at).padStart(block.digits - 1 - block.prefix.length, '0');
  return body + gtinCheckDigit(body);
}

/** Whether a GTIN is one of the block's, in whatever length it is written. */
export function isOfBlock(block: BlockDigits, gtin: string): boolean {
  return gtin14(gtin).startsWith(
    gtin14(block.prefix.padEnd(block.digits, '0')).slice(0, 14 - block.digits) + block.prefix,
  );
}

/**
 * The next free numbers, in order. `used` holds every number ever given out, as GTIN-14: numbers are not used twice.
 * Those that are set aside are passed by, unless they are asked for. Fewer than `count` come back where no more are free.
 * @param reservation the part that was set aside, to take them from.
 */
export function nextNumbers(
  block: NumberBlock,
  used: ReadonlySet<string>,
  count: number,
  reservation?: Reservation,
): string[] {
  const found: string[] = [];
  const end = reservation ? Math.min(blockSize(block), reservation.from + reservation.count) : blockSize(block);
  for (let at = reservation?.from ?? 0; at < end && found.length < count; at++) {
    const aside = reservation ? undefined : reservationAt(block, at);
    if (aside) at = aside.from + aside.count - 1;
    else if (!used.has(gtin14(blockNumber(block, at)))) found.push(blockNumber(block, at));
  }
  return found;
}

/** The place from which so many numbers in a row are free, or null. */
export function freeRun(block: NumberBlock, used: ReadonlySet<string>, count: number): number | null {
  let from = 0;
  for (let at = 0; at < blockSize(block); at++) {
    const aside = reservationAt(block, at);
    if (aside) from = (at = aside.from + aside.count - 1) + 1;
    else if (used.has(gtin14(blockNumber(block, at)))) from = at + 1;
    else if (at - from + 1 === count) return from;
  }
  return null;
}

const reservationAt = (block: NumberBlock, at: number): Reservation | undefined =>
  block.reserved.find(({ from, count }) => at >= from && at < from + count);

/** How many numbers are free for whoever asks, and in each part that is set aside. */
export function numbersLeft(
  block: NumberBlock,
  used: ReadonlySet<string>,
): { free: number; reserved: Record<string, number> } {
  const reserved = Object.fromEntries(
    block.reserved.map((part) => [part.id, nextNumbers(block, used, part.count, part).length]),
  );
  const aside = block.reserved.reduce((sum, { count }) => sum + count, 0);
  const usedAside = aside - Object.values(reserved).reduce((sum, one) => sum + one, 0);
  return { free: blockSize(block) - aside - (used.size - usedAside), reserved };
}

/** Refuses blocks that share numbers, hold internal ones, or set aside what they do not have or have set aside before. */
export function checkBlocks(blocks: readonly NumberBlock[]): void {
  for (const [at, block] of blocks.entries()) {
    if (isInternal(block.prefix.padEnd(block.digits, '0'))) throw new Refusal('block.internal', {});
    const clash = blocks.slice(0, at).find((one) => isOfBlock(one, wholeOf(block)) || isOfBlock(block, wholeOf(one)));
    if (clash) throw new Refusal('block.overlaps', { label: clash.label, prefix: clash.prefix });
    let end = 0;
    for (const part of [...block.reserved].sort((one, other) => one.from - other.from)) {
      if (part.from < end || part.from + part.count > blockSize(block))
        throw new Refusal('block.reserved', { label: part.label });
      end = part.from + part.count;
    }
  }
}

/** A number that begins as those of the block do, whatever its check digit. */
const wholeOf = ({ prefix, digits }: NumberBlock) => prefix.padEnd(digits, '0');
