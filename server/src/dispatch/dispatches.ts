/** Dispatches as they stand in the database: read, and settled by what became of their lines. */
import { and, eq, getTableColumns, inArray, sql } from 'drizzle-orm';
import type { ListingMessage } from '@loom-kin/core/listing';
import { Refusal } from '@loom-kin/core/refusal';
import type { Dispatch, DispatchSummary } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { prepared } from '../store/prepared';
import { dispatches, dispatchLines } from '../store/schema';
import { UNDER_WAY } from './standing';

export type LineRow = typeof dispatchLines.$inferSelect;

/** What the queue is worked by: a line without its message and its listing, which can be large. */
export type LineHead = Omit<LineRow, 'message' | 'listing'> & { hasMessage: boolean };

/** What is shown of a line: neither the message nor the listing, which can be large. */
const SHOWN = {
  id: dispatchLines.id,
  account: dispatchLines.account,
  familyId: dispatchLines.familyId,
  familyName: dispatchLines.familyName,
  key: dispatchLines.key,
  action: dispatchLines.action,
  children: dispatchLines.children,
  fee: dispatchLines.fee,
  state: dispatchLines.state,
  outcome: dispatchLines.outcome,
  reasons: dispatchLines.reasons,
  page: dispatchLines.page,
  what: dispatchLines.what,
};

export function readDispatch(database: Database, id: string): Dispatch {
  const row = database.select().from(dispatches).where(eq(dispatches.id, id)).get();
  if (!row) throw new Refusal('dispatch.unknown', {});
  const { key: _key, ...rest } = row;
  const lines = database
    .select(SHOWN)
    .from(dispatchLines)
    .where(eq(dispatchLines.dispatchId, id))
    .orderBy(dispatchLines.id)
    .all();
  return { ...rest, notice: noticeOf(database, rest), lines };
}

/** The newest dispatches in short. */
export function readDispatches(database: Database, most = 60): DispatchSummary[] {
  const rows = database
    .select({
      id: dispatches.id,
      at: dispatches.at,
      state: dispatches.state,
      draft: dispatches.draft,
      notice: dispatches.notice,
    })
    .from(dispatches)
    // In the order they were made, whatever the clock said.
    .orderBy(sql`${dispatches}.rowid DESC`)
    .limit(most)
    .all();
  const ids = rows.map((row) => row.id);
  const counts = database
    .select({ id: dispatchLines.dispatchId, state: dispatchLines.state, count: sql<number>`count(*)` })
    .from(dispatchLines)
    .where(inArray(dispatchLines.dispatchId, ids))
    .groupBy(dispatchLines.dispatchId, dispatchLines.state)
    .all();
  const names = database
    .selectDistinct({ id: dispatchLines.dispatchId, name: dispatchLines.familyName })
    .from(dispatchLines)
    .where(inArray(dispatchLines.dispatchId, ids))
    .all();
  return rows.map((row) => {
    const states = Object.fromEntries(counts.filter((one) => one.id === row.id).map((one) => [one.state, one.count]));
    const families = names.filter((one) => one.id === row.id).map((one) => one.name);
    const title = families.slice(0, 2).join(', ') + (families.length > 2 ? ` and ${families.length - 2} more` : '');
    return {
      ...row,
      notice: noticeOf(database, row),
      title: title || 'nothing',
      lines: Object.values(states).reduce((sum, count) => sum + count, 0),
      states,
    };
  });
}

/** Exactly what a line sends. */
export function readMessage(
  database: Database,
  dispatchId: string,
  lineId: number,
): { message: ListingMessage | null } {
  const row = database
    .select({ message: dispatchLines.message })
    .from(dispatchLines)
    .where(and(eq(dispatchLines.dispatchId, dispatchId), eq(dispatchLines.id, lineId)))
    .get();
  if (!row) throw new Refusal('dispatch.line-unknown', {});
  return { message: row.message ?? null };
}

const { message: _message, listing: _listing, ...HEAD } = getTableColumns(dispatchLines);

/** Lines of an account that are under way, over all dispatches, oldest first. */
export function linesUnderWay(database: Database, account: string): LineHead[] {
  return database
    .select({ ...HEAD, hasMessage: sql<boolean>`${dispatchLines.message} IS NOT NULL`.mapWith(Boolean) })
    .from(dispatchLines)
    .where(and(eq(dispatchLines.account, account), inArray(dispatchLines.state, UNDER_WAY)))
    .orderBy(dispatchLines.id)
    .all();
}

/** Whole lines, oldest first. */
export function wholeLines(database: Database, ids: readonly number[]): LineRow[] {
  if (ids.length === 0) return [];
  return database
    .select()
    .from(dispatchLines)
    .where(inArray(dispatchLines.id, [...ids]))
    .orderBy(dispatchLines.id)
    .all();
}

/** Accounts that have lines under way. */
export function accountsUnderWay(database: Database): string[] {
  const rows = database
    .selectDistinct({ account: dispatchLines.account })
    .from(dispatchLines)
    .where(inArray(dispatchLines.state, UNDER_WAY))
    .all();
  return rows.map((row) => row.account);
}

export function setLines(database: Database, ids: readonly number[], to: Partial<LineRow>): void {
  if (ids.length > 0)
    database
      .update(dispatchLines)
      .set(to)
      .where(inArray(dispatchLines.id, [...ids]))
      .run();
}

/** What is in the way of dispatches that run in this process. It is told while the disk is full, too, and not stored. */
const notices = prepared(() => new Map<string, string>());

/** Says what is in the way of dispatches, or that nothing is. */
export function setNotice(database: Database, dispatchIds: Iterable<string>, notice: string | null): void {
  for (const id of dispatchIds) {
    if (notice === null) notices(database).delete(id);
    else notices(database).set(id, notice);
  }
}

const noticeOf = (database: Database, { id, state }: { id: string; state: Dispatch['state'] }): string | null =>
  state === 'running' ? (notices(database).get(id) ?? null) : null;

/** A dispatch is done when no line of it is under way: its state follows from its lines. */
export function settleDispatch(database: Database, dispatchId: string): void {
  const here = and(eq(dispatchLines.dispatchId, dispatchId), inArray(dispatchLines.state, UNDER_WAY));
  if (database.select({ id: dispatchLines.id }).from(dispatchLines).where(here).limit(1).get()) return;
  const running = and(eq(dispatches.id, dispatchId), eq(dispatches.state, 'running'));
  database.update(dispatches).set({ state: 'done', notice: null }).where(running).run();
}

/** Settles every dispatch that was left running by a process that ended between its last line and its close. */
export function settleAll(database: Database): void {
  const rows = database.select({ id: dispatches.id }).from(dispatches).where(eq(dispatches.state, 'running')).all();
  for (const { id } of rows) settleDispatch(database, id);
}
