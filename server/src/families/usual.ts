/** What a family that is about to be started is most likely to have: what the last one of its kind has. */
import { and, desc, eq, ne, sql } from 'drizzle-orm';
import type { UsualFigures } from '@loom-kin/contract';
import { families } from '../store/schema';
import type { Database } from '../store/database';

/** Fields that mostly go from one family of a seller to the next. */
const USUAL = ['brand', 'maker', 'taxCode'] as const;

/** The usual figures for a category: those of its family that was changed last, else of the last of all. Null where there is none. `except`: a family that is not asked. */
export function usualFigures(database: Database, category: string, except = ''): UsualFigures | null {
  const row = database
    .select({ id: families.id, name: families.name, category: families.category, doc: families.doc })
    .from(families)
    .where(and(eq(families.retired, false), ne(families.id, except)))
    .orderBy(desc(sql`${families.category} = ${category}`), desc(families.changedAt))
    .limit(1)
    .get();
  if (!row) return null;
  const isAlike = row.category === category;
  const figures = USUAL.flatMap((key) => {
    // The tax code of other goods is not theirs.
    if (key === 'taxCode' && !isAlike) return [];
    const figure = row.doc.fields[key];
    return typeof figure === 'string' && figure !== '' ? [[key, figure] as const] : [];
  });
  return { familyId: row.id, name: row.name, category: row.category, figures: Object.fromEntries(figures) };
}
