/** The seller's blocks of numbers: how far they are used up, the next free ones, some set aside, some given back. */
import { type NumberBlock, blockSize, freeRun, gtin14, nextNumbers, numbersLeft } from '@loom-kin/core/identifiers';
import { Refusal } from '@loom-kin/core/refusal';
import type { RegistryData } from '@loom-kin/core/registry';
import type { Database } from '../store/database';

/** Every number that begins with the block's digits and is not to be given out, as GTIN-14: it is or was a child's, and did not go back. */
function usedIn(database: Database, block: NumberBlock): Set<string> {
  const low = gtin14(block.prefix.padEnd(block.digits, '0'));
  const high = gtin14(block.prefix.padEnd(block.digits, '9'));
  const rows = database.$client
    .prepare(
      `SELECT given.value, given.returned AND owned.value IS NULL AS back FROM given_identifiers AS given
       LEFT JOIN identifiers AS owned ON owned.kind = 'gtin' AND owned.value = given.value
       WHERE given.kind = 'gtin' AND given.value BETWEEN ? AND ?`,
    )
    .all(low, high) as { value: string; back: 0 | 1 }[];
  const back = new Set(rows.filter((row) => row.back).map((row) => row.value));
  const told = back.size > 0 ? numbersTold(database, back) : back;
  return new Set(rows.flatMap(({ value }) => (back.has(value) && !told.has(value) ? [] : [value])));
}

/** Blocks with how far they are used up. */
export function blockStates(database: Database, { numberBlocks }: RegistryData) {
  return numberBlocks.map((block) => {
    const used = usedIn(database, block);
    const { free, reserved } = numbersLeft(block, used);
    return {
      ...block,
      size: blockSize(block),
      used: used.size,
      free,
      next: nextNumbers(block, used, 1)[0] ?? null,
      reserved: block.reserved.map((part) => ({
        ...part,
        left: reserved[part.id] ?? 0,
        next: nextNumbers(block, used, 1, part)[0] ?? null,
      })),
    };
  });
}

/** Where numbers are taken from: a block, or a part of one that was set aside; neither named: the first blocks with room. */
export interface NumberSource {
  blockId?: string | undefined;
  reservedId?: string | undefined;
}

/**
 * The next free numbers, of one block after another where none is named. All or a Refusal.
 * @param besides numbers that are given out in the same change, as GTIN-14.
 */
export function takeNumbers(
  database: Database,
  { numberBlocks }: RegistryData,
  from: NumberSource,
  count: number,
  besides: ReadonlySet<string>,
): string[] {
  const blocks = numberBlocks.filter((block) => !from.blockId || block.id === from.blockId);
  if (blocks.length === 0) throw new Refusal(from.blockId ? 'block.unknown' : 'block.none', {});
  const taken: string[] = [];
  for (const block of blocks) {
    const part = block.reserved.find((one) => one.id === from.reservedId);
    if (from.reservedId && !part) throw new Refusal('block.no-reservation', {});
    const used = new Set([...usedIn(database, block), ...besides]);
    taken.push(...nextNumbers(block, used, count - taken.length, part));
  }
  if (taken.length < count) throw new Refusal('block.empty', { count, left: taken.length });
  return taken;
}

/** The block with the next free numbers in a row set aside. */
export function withReservation(database: Database, block: NumberBlock, label: string, count: number): NumberBlock {
  const from = freeRun(block, usedIn(database, block), count);
  if (from === null) throw new Refusal('block.no-run', { label: block.label, count });
  const id = `r${Math.max(0, ...block.reserved.map((one) => Number(one.id.slice(1)) || 0)) + 1}`;
  return { ...block, reserved: [...block.reserved, { id, label, from, count }] };
}

/** Which of these numbers, as GTIN-14, an account was ever told of. */
export function numbersTold(database: Database, numbers: ReadonlySet<string>): Set<string> {
  const told = database.$client
    .prepare(
      `SELECT DISTINCT json_extract(offer.value, '$.gtin') AS gtin FROM (
         SELECT listing FROM dispatch_lines WHERE listing IS NOT NULL AND state <> 'held'
         UNION ALL SELECT listing FROM held_listings) AS told, json_each(told.listing, '$.offers') AS offer`,
    )
    .iterate() as Iterable<{ gtin: string | null }>;
  const found = new Set<string>();
  for (const { gtin } of told) if (gtin && numbers.has(gtin14(gtin))) found.add(gtin14(gtin));
  return found;
}
