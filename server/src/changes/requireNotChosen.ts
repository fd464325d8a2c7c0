/** What families have chosen is not taken away from under them. */
import { and, inArray, sql } from 'drizzle-orm';
import { Refusal } from '@loom-kin/core/refusal';
import { families } from '../store/schema';
import type { Work } from './work';

export const TERM_FIELDS = ['deliveryTerms', 'paymentTerms', 'returnTerms', 'responsible'];

/** Refuses where any family has chosen it, at whatever place and in whatever scope; the first few are named. */
export function requireNotChosen(work: Work, fields: readonly string[], id: string): void {
  // Only documents that have the id somewhere are taken apart.
  const mentions = sql`instr(${families.doc}, ${id}) > 0`;
  const figure = { key: sql`one.key`, atom: sql`one.atom` };
  const chosen = sql`EXISTS (SELECT 1 FROM json_tree(${families.doc}) AS one
    WHERE ${and(inArray(figure.key, [...fields]), sql`${figure.atom} = ${id}`)})`;
  const rows = work.store.database
    .select({ name: families.name })
    .from(families)
    .where(and(mentions, chosen))
    .orderBy(families.name)
    .all();
  if (rows.length === 0) return;
  const names = rows.slice(0, 3).map((row) => row.name);
  throw new Refusal('registry.chosen', { families: rows.length, names });
}
