/** The journal: every change with before and after, and the source of undo. */
import { and, desc, eq, gt, inArray, lt, sql } from 'drizzle-orm';
import type { JournalEntry } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { families, journal, type JournalDoc } from '../store/schema';

export type JournalRow = typeof journal.$inferSelect;

export const EMPTY: JournalDoc = { forward: [], inverse: [], stock: [], pairings: { before: [], after: [] }, lines: [] };

/** Writes a change. What had been taken back can no longer be made again. */
export function writeEntry(database: Database, entry: Omit<JournalRow, 'id' | 'who' | 'state'> & { state?: JournalRow['state'] }): void {
  if (entry.kind === 'change') {
    database.update(journal).set({ state: 'gone' }).where(and(eq(journal.familyId, entry.familyId), eq(journal.state, 'undone'))).run();
  }
  database.insert(journal).values({ ...entry, who: 'you', state: entry.state ?? (entry.kind === 'change' ? 'done' : 'gone') }).run();
}

/** The change Ctrl Z takes back: the newest that stands. The start of a family is not taken back. */
export function lastDone(database: Database, familyId: string): JournalRow | undefined {
  return database.select().from(journal).where(and(eq(journal.familyId, familyId), eq(journal.kind, 'change'), eq(journal.state, 'done'), gt(journal.revision, 1))).orderBy(desc(journal.id)).limit(1).get();
}

/** The change Ctrl Y makes again: the oldest of those taken back. */
export function firstUndone(database: Database, familyId: string): JournalRow | undefined {
  return database.select().from(journal).where(and(eq(journal.familyId, familyId), eq(journal.kind, 'change'), eq(journal.state, 'undone'))).orderBy(journal.id).limit(1).get();
}

export function markEntry(database: Database, id: number, state: JournalRow['state']): void {
  database.update(journal).set({ state }).where(eq(journal.id, id)).run();
}

/** Entries for reading, newest first. */
export function readJournal(database: Database, query: { familyId?: string | undefined; before?: number | undefined; limit: number }): JournalEntry[] {
  const rows = database.select().from(journal)
    .where(and(query.familyId ? eq(journal.familyId, query.familyId) : sql`1`, query.before ? lt(journal.id, query.before) : sql`1`))
    .orderBy(desc(journal.id)).limit(query.limit).all();
  const ids = [...new Set(rows.map((row) => row.familyId))];
  const names = new Map(ids.length === 0 ? [] : database.select({ id: families.id, name: families.name }).from(families).where(inArray(families.id, ids)).all().map((row) => [row.id, row.name]));
  return rows.map(({ doc, revision: _revision, ...row }) => ({ ...row, familyName: names.get(row.familyId) ?? 'a family that is gone', lines: doc.lines }));
}
