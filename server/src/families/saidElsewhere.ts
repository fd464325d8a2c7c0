/** Sentences that stand in other families word for word. */
import { and, ne, sql } from 'drizzle-orm';
import type { SaidElsewhere } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { families } from '../store/schema';

/** So many families are named. */
const NAMED = 3;

/** Which of some sentences other families have, and which families. Reads every family: for a thread of its own. */
export function saidElsewhere(database: Database, familyId: string, sentences: readonly string[]): SaidElsewhere {
  return sentences.flatMap((sentence) => {
    // As it stands in the stored document, quotes and line ends written as JSON writes them.
    const stored = JSON.stringify(sentence).slice(1, -1);
    const rows = database
      .select({ name: families.name })
      .from(families)
      .where(and(ne(families.id, familyId), sql`instr(${families.doc}, ${stored}) > 0`))
      .orderBy(families.name)
      .all();
    return rows.length === 0
      ? []
      : [{ sentence, families: rows.length, names: rows.slice(0, NAMED).map((row) => row.name) }];
  });
}
