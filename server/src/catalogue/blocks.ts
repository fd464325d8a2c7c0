/** Number blocks that the seller bought, and the next free numbers of them. */
import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import {
  blockSize,
  gtin14,
  isInternal,
  nextNumbers,
  NumberBlockSchema,
  Refusal,
  type NumberBlock,
} from '@loom-kin/core';
import type { Database } from '../store/database';
import { blocks } from '../store/schema';

function allBlocks(database: Database): NumberBlock[] {
  return database
    .select()
    .from(blocks)
    .all()
    .map((row) => NumberBlockSchema.parse(row));
}

/** Every number that begins with the block's digits and is or was a child's. */
function usedIn(database: Database, block: NumberBlock): Set<string> {
  const low = gtin14(block.prefix.padEnd(block.digits, '0'));
  const high = gtin14(block.prefix.padEnd(block.digits, '9'));
  const rows = database.$client
    .prepare("SELECT value FROM given_identifiers WHERE kind = 'gtin' AND value BETWEEN ? AND ?")
    .all(low, high) as { value: string }[];
  return new Set(rows.map((row) => row.value));
}

/** Blocks with how far they are used up. */
export function blockStates(database: Database) {
  return allBlocks(database).map((block) => {
    const used = usedIn(database, block);
    return { ...block, size: blockSize(block), used: used.size, next: nextNumbers(block, used, 1)[0] ?? null };
  });
}

export function addBlock(database: Database, block: Omit<NumberBlock, 'id'>): void {
  const clash = allBlocks(database).find(
    (one) =>
      one.digits === block.digits && (one.prefix.startsWith(block.prefix) || block.prefix.startsWith(one.prefix)),
  );
  if (clash) throw new Refusal('block.overlaps', { label: clash.label, prefix: clash.prefix });
  if (isInternal(block.prefix.padEnd(block.digits, '0'))) throw new Refusal('block.internal', {});
  database
    .insert(blocks)
    .values({ id: randomUUID(), ...block })
    .run();
}

export function removeBlock(database: Database, id: string): void {
  if (database.delete(blocks).where(eq(blocks.id, id)).run().changes === 0) throw new Refusal('block.unknown', {});
}

/** The next free numbers of a block (of the first with room, when none is named). All or a Refusal. */
export function takeNumbers(database: Database, blockId: string | undefined, count: number): string[] {
  const candidates = allBlocks(database).filter((block) => !blockId || block.id === blockId);
  if (candidates.length === 0) throw new Refusal('block.none', {});
  for (const block of candidates) {
    const numbers = nextNumbers(block, usedIn(database, block), count);
    if (numbers.length === count) return numbers;
  }
  throw new Refusal('block.empty', { count });
}
