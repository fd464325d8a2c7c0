/** What channels said of a family's numbers: which of them they have entries for. */
import { and, eq } from 'drizzle-orm';
import type { KnownNumbers } from '@loom-kin/core/listing';
import type { Database } from '../store/database';
import { identifiers, knownNumbers } from '../store/schema';

/** Account → what its channel said of the numbers of a family. */
export function knownNumbersOf(database: Database, familyId: string): Record<string, KnownNumbers> {
  const rows = database
    .select({ account: knownNumbers.account, number: knownNumbers.number, entry: knownNumbers.entry })
    .from(identifiers)
    .innerJoin(knownNumbers, eq(knownNumbers.number, identifiers.value))
    .where(and(eq(identifiers.kind, 'gtin'), eq(identifiers.familyId, familyId)))
    .all();
  const known: Record<string, KnownNumbers> = {};
  for (const { account, number, entry } of rows) (known[account] ??= {})[number] = entry;
  return known;
}
