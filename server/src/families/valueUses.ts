/** Families whose axes have a value, by the word for it. */
import { and, desc, eq } from 'drizzle-orm';
import type { Role } from '@loom-kin/core/family';
import { foldForPairing } from '@loom-kin/core/pairing';
import { families, familyValues } from '../store/schema';
import type { Database } from '../store/database';

/** Those that have a value of this role and name, whatever its case; the one changed last comes first. */
export function familiesWithValue(database: Database, role: Role, label: string): { id: string; name: string }[] {
  return database
    .select({ id: families.id, name: families.name })
    .from(familyValues)
    .innerJoin(families, eq(families.id, familyValues.familyId))
    .where(and(eq(familyValues.role, role), eq(familyValues.word, foldForPairing(label))))
    .orderBy(desc(families.changedAt), families.id)
    .all();
}
