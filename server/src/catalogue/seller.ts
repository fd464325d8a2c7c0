/** The seller, and the number blocks the seller bought. */
import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import {
  blockSize,
  gtin14,
  nextNumbers,
  NumberBlockSchema,
  Refusal,
  SellerSchema,
  type NumberBlock,
  type Seller,
} from '@loom-kin/core';
import type { Database } from '../store/database';
import { blocks, setup } from '../store/schema';

const FIRST: Seller = { name: 'My shop', currency: 'EUR', taxPercent: '20' };

export function readSeller(database: Database): Seller {
  const row = database.select().from(setup).where(eq(setup.key, 'seller')).get();
  return row ? SellerSchema.parse(row.value) : FIRST;
}

export function writeSeller(database: Database, seller: Seller): void {
  database
    .insert(setup)
    .values({ key: 'seller', value: seller })
    .onConflictDoUpdate({ target: setup.key, set: { value: seller } })
    .run();
}

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
    .prepare("SELECT value FROM identifiers WHERE kind = 'gtin' AND value BETWEEN ? AND ?")
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
  if (clash) throw new Refusal('block.overlaps', `This block overlaps with ${clash.label} (${clash.prefix}…).`);
  if (/^(02|04|2)/.test(block.digits === 12 ? '0' + block.prefix : block.prefix))
    throw new Refusal('block.internal', 'Numbers that begin so hold inside one company only; no channel takes them.');
  database
    .insert(blocks)
    .values({ id: randomUUID(), ...block })
    .run();
}

export function removeBlock(database: Database, id: string): void {
  database.delete(blocks).where(eq(blocks.id, id)).run();
}

/** The next free numbers of a block (of the first with room, when none is named). All or a Refusal. */
export function takeNumbers(database: Database, blockId: string | undefined, count: number): string[] {
  const candidates = allBlocks(database).filter((block) => !blockId || block.id === blockId);
  if (candidates.length === 0)
    throw new Refusal('block.none', 'There is no number block. Add one under Setup, or paste the numbers.');
  for (const block of candidates) {
    const numbers = nextNumbers(block, usedIn(database, block), count);
    if (numbers.length === count) return numbers;
  }
  throw new Refusal('block.empty', `No block has ${count} free numbers left.`);
}
