/** What families have chosen is not taken away from under them. */
import { or, sql } from 'drizzle-orm';
import { Refusal } from '@loom-kin/core/refusal';
import { families } from '../store/schema';
import type { Work } from './work';

export const TERM_FIELDS = ['deliveryTerms', 'paymentTerms', 'returnTerms', 'responsible'];

/** Refuses where any family has chosen it, in whatever scope; the first few are named. */
export function mindChosen(work: Work, fields: readonly string[], id: string): void {
  // Documents are kept as they are written: without a blank between key and figure.
  const chosen = fields.map((key) => sql`instr(${families.doc}, ${`"${key}":${JSON.stringify(id)}`}) > 0`);
  const rows = work.store.database
    .select({ name: families.name })
    .from(families)
    .where(or(...chosen))
    .orderBy(families.name)
    .all();
  if (rows.length === 0) return;
  const names = rows.slice(0, 3).map((row) => row.name);
  throw new Refusal('registry.chosen', { families: rows.length, names });
}
