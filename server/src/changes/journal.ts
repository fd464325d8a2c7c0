/** The journal: every change with before and after, and the source of undo. */
import { and, desc, eq, gt, inArray, lt, sql } from 'drizzle-orm';
import type { JournalEntry } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { families, journal, type JournalDoc } from '../store/schema';

export type JournalRow = typeof journal.$inferSelect;

export const EMPTY: JournalDoc = {
  forward: [],
  inverse: [],
  stock: [],
  pairings: { before: [], after: [] },
  lines: [],
};

/** Writes a change. What had been taken back can no longer be made again. */
export function writeEntry(
  database: Database,
  entry: Omit<JournalRow, 'id' | 'who' | 'state' | 'key'> & { state?: JournalRow['state']; key?: string | undefined },
): void {
  if (entry.kind === 'change') {
    database
      .update(journal)
      .set({ state: 'gone' })
      .where(and(eq(journal.familyId, entry.familyId), eq(journal.state, 'undone')))
      .run();
  }
  database
    .insert(journal)
    .values({
      ...entry,
      key: entry.key ?? null,
      who: 'you',
      state: entry.state ?? (entry.kind === 'change' ? 'done' : 'gone'),
    })
    .run();
}

/** The change Ctrl Z takes back: the newest that stands. The start of a family is not taken back. */
export function lastDone(database: Database, familyId: string): JournalRow | undefined {
  return database
    .select()
    .from(journal)
    .where(
      and(
        eq(journal.familyId, familyId),
        eq(journal.kind, 'change'),
        eq(journal.state, 'done'),
        gt(journal.revision, 1),
      ),
    )
    .orderBy(desc(journal.id))
    .limit(1)
    .get();
}

/** Whether a change of this key was made already. */
export function isMade(database: Database, familyId: string, key: string): boolean {
  return (
    database
      .select({ id: journal.id })
      .from(journal)
      .where(and(eq(journal.familyId, familyId), eq(journal.key, key)))
      .get() !== undefined
  );
}

/**
 * The key of the newest entry of a family, so that a page that was broken off can tell what of its changes was
 * stored.
 */
export function lastKey(database: Database, familyId: string): string | null {
  return (
    database
      .select({ key: journal.key })
      .from(journal)
      .where(eq(journal.familyId, familyId))
      .orderBy(desc(journal.id))
      .limit(1)
      .get()?.key ?? null
  );
}

/** The change Ctrl Y makes again: the oldest of those taken back. */
export function firstUndone(database: Database, familyId: string): JournalRow | undefined {
  return database
    .select()
    .from(journal)
    .where(and(eq(journal.familyId, familyId), eq(journal.kind, 'change'), eq(journal.state, 'undone')))
    .orderBy(journal.id)
    .limit(1)
    .get();
}

export function markEntry(database: Database, id: number, state: JournalRow['state']): void {
  database.update(journal).set({ state }).where(eq(journal.id, id)).run();
}

/** Entries for reading, newest first. */
export function readJournal(
  database: Database,
  query: { familyId?: string | undefined; before?: number | undefined; limit: number },
): JournalEntry[] {
  const rows = database
    .select()
    .from(journal)
    .where(
      and(
        query.familyId ? eq(journal.familyId, query.familyId) : sql`1`,
        query.before ? lt(journal.id, query.before) : sql`1`,
      ),
    )
    .orderBy(desc(journal.id))
    .limit(query.limit)
    .all();
  const ids = [...new Set(rows.map((row) => row.familyId))];
  const names = new Map(
    ids.length === 0
      ? []
      : database
          .select({ id: families.id, name: families.name })
          .from(families)
          .where(inArray(families.id, ids))
          .all()
          .map((row) => [row.id, row.name]),
  );
  return rows.map(({ doc, revision: _revision, key: _key, ...row }) => ({
    ...row,
    familyName: names.get(row.familyId) ?? 'a family that is gone',
    lines: doc.lines,
  }));
}
