/** Dispatches as they stand in the database: made, read, and what a receipt changes. */
import { randomUUID } from 'node:crypto';
import { and, desc, eq, inArray, sql } from 'drizzle-orm';
import { Refusal, type ListingMessage, type Rulebook } from '@loom-kin/core';
import type { BodyOf, Dispatch, DispatchPreview, DispatchSummary, endpoints } from '@loom-kin/contract';
import { inTransaction, type Database } from '../store/database';
import { dispatches, dispatchLines, identifiers, listings } from '../store/schema';
import { loadFamily } from '../families/save';
import { refreshFits } from '../fits/fits';
import { composeLines, totalsOf } from './compose';
import type { Receipt } from './transports';

export type LineRow = typeof dispatchLines.$inferSelect;

/** What is shown of a line: neither the message nor the listing, which can be large. */
const SHOWN = {
  id: dispatchLines.id,
  channel: dispatchLines.channel,
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

/** What would be sent now. */
export function previewDispatch(
  database: Database,
  selection: BodyOf<typeof endpoints.previewDispatch>,
): DispatchPreview {
  const lines = composeLines(database, selection.familyIds, selection.channels, selection.draft ?? false);
  return {
    totals: totalsOf(lines),
    lines: lines.map(({ listing: _listing, currency: _currency, ...line }, at) => ({ id: -1 - at, ...line })),
  };
}

/** Makes a dispatch of what the seller agreed to. The same key again gives the dispatch that is there. */
export function makeDispatch(database: Database, order: BodyOf<typeof endpoints.startDispatch>): Dispatch {
  const there = database.select({ id: dispatches.id }).from(dispatches).where(eq(dispatches.key, order.key)).get();
  if (there) return readDispatch(database, there.id);
  return inTransaction(database, () => {
    const lines = composeLines(database, order.familyIds, order.channels, order.draft ?? false);
    const totals = totalsOf(lines);
    const { listings: count, takenDown, fees } = order.agreed;
    if (
      totals.listings !== count ||
      totals.takenDown !== takenDown ||
      JSON.stringify(totals.fees) !== JSON.stringify(fees)
    ) {
      throw new Refusal(
        'dispatch.total-changed',
        'The total has changed since you agreed to it. Look at it again.',
        undefined,
        totals,
      );
    }
    const id = randomUUID();
    const open = lines.some((line) => line.state === 'queued');
    database
      .insert(dispatches)
      .values({
        id,
        key: order.key,
        at: new Date().toISOString(),
        state: open ? 'running' : 'done',
        draft: order.draft ?? false,
        totals,
        notice: null,
      })
      .run();
    for (const { currency: _currency, ...line } of lines)
      database
        .insert(dispatchLines)
        .values({ dispatchId: id, ...line })
        .run();
    return readDispatch(database, id);
  });
}

export function readDispatch(database: Database, id: string): Dispatch {
  const row = database.select().from(dispatches).where(eq(dispatches.id, id)).get();
  if (!row) throw new Refusal('dispatch.unknown', 'There is no such dispatch.');
  const { key: _key, ...rest } = row;
  const lines = database
    .select(SHOWN)
    .from(dispatchLines)
    .where(eq(dispatchLines.dispatchId, id))
    .orderBy(dispatchLines.id)
    .all();
  return { ...rest, lines };
}

/** The newest dispatches in short. */
export function readDispatches(database: Database, most = 60): DispatchSummary[] {
  const rows = database
    .select({ id: dispatches.id, at: dispatches.at, state: dispatches.state, draft: dispatches.draft })
    .from(dispatches)
    .orderBy(desc(dispatches.at))
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
  if (!row) throw new Refusal('dispatch.unknown', 'There is no such line of a dispatch.');
  return { message: row.message ?? null };
}

/** Lines of a dispatch as they are worked: whole, of one channel, in one state. */
export function linesOf(database: Database, dispatchId: string, channel: string, state: LineRow['state']): LineRow[] {
  return database
    .select()
    .from(dispatchLines)
    .where(
      and(eq(dispatchLines.dispatchId, dispatchId), eq(dispatchLines.channel, channel), eq(dispatchLines.state, state)),
    )
    .orderBy(dispatchLines.id)
    .all();
}

/** Channels that have lines under way. */
export function channelsUnderWay(database: Database, dispatchId: string): string[] {
  return database
    .selectDistinct({ channel: dispatchLines.channel })
    .from(dispatchLines)
    .where(and(eq(dispatchLines.dispatchId, dispatchId), inArray(dispatchLines.state, ['queued', 'sent'])))
    .all()
    .map((row) => row.channel);
}

export function setLines(database: Database, ids: readonly number[], to: Partial<LineRow>): void {
  if (ids.length > 0)
    database
      .update(dispatchLines)
      .set(to)
      .where(inArray(dispatchLines.id, [...ids]))
      .run();
}

export function setNotice(database: Database, dispatchId: string, notice: string | null): void {
  database.update(dispatches).set({ notice }).where(eq(dispatches.id, dispatchId)).run();
}

/** A dispatch is done when no line of it is under way. */
export function closeIfDone(database: Database, dispatchId: string): boolean {
  if (channelsUnderWay(database, dispatchId).length > 0) return false;
  database
    .update(dispatches)
    .set({ state: sql`CASE WHEN state = 'stopped' THEN 'stopped' ELSE 'done' END`, notice: null })
    .where(eq(dispatches.id, dispatchId))
    .run();
  return true;
}

/** Dispatches that a restart has to go on with. */
export function runningDispatches(database: Database): string[] {
  const rows = database
    .selectDistinct({ id: dispatchLines.dispatchId })
    .from(dispatchLines)
    .where(inArray(dispatchLines.state, ['queued', 'sent']))
    .all();
  return rows.map((row) => row.id);
}

/** Stops what has not gone out yet, or puts failed and stopped lines back into the queue. */
export function requeue(database: Database, dispatchId: string, kind: 'stop' | 'retry'): Dispatch {
  readDispatch(database, dispatchId);
  inTransaction(database, () => {
    if (kind === 'stop') {
      database
        .update(dispatchLines)
        .set({ state: 'stopped', outcome: 'stopped by you' })
        .where(and(eq(dispatchLines.dispatchId, dispatchId), eq(dispatchLines.state, 'queued')))
        .run();
      database.update(dispatches).set({ state: 'stopped', notice: null }).where(eq(dispatches.id, dispatchId)).run();
    } else {
      database
        .update(dispatchLines)
        .set({ state: 'queued', outcome: null, reasons: [] })
        .where(and(eq(dispatchLines.dispatchId, dispatchId), inArray(dispatchLines.state, ['failed', 'stopped'])))
        .run();
      database.update(dispatches).set({ state: 'running', notice: null }).where(eq(dispatches.id, dispatchId)).run();
    }
  });
  closeIfDone(database, dispatchId);
  return readDispatch(database, dispatchId);
}

/** Writes a receipt down: lines, what the channel now holds, and how the families stand. All of it or nothing. */
export function bookReceipt(database: Database, sent: readonly LineRow[], receipt: Receipt, rulebook: Rulebook): void {
  const byKey = new Map(receipt.lines.map((line) => [line.key, line]));
  inTransaction(database, () => {
    for (const line of sent) {
      const answer = byKey.get(line.key);
      if (!answer) {
        setLines(database, [line.id], { state: 'failed', outcome: 'not in the receipt' });
        continue;
      }
      if (answer.outcome === 'refused') {
        setLines(database, [line.id], {
          state: 'refused',
          outcome: 'refused',
          reasons: answer.reasons.map((reason) => ({ ...reason, ...locate(database, rulebook, reason) })),
        });
        continue;
      }
      setLines(database, [line.id], { state: 'done', outcome: answer.outcome, page: answer.page, reasons: [] });
      if (line.action === 'takeDown')
        database
          .delete(listings)
          .where(and(eq(listings.channel, line.channel), eq(listings.key, line.key)))
          .run();
      else if (line.listing) {
        const row = {
          familyId: line.familyId,
          draft: line.message?.action !== 'takeDown' && (line.message?.draft ?? false),
          page: answer.page,
          sentAt: new Date().toISOString(),
          listing: line.listing,
        };
        database
          .insert(listings)
          .values({ channel: line.channel, key: line.key, ...row })
          .onConflictDoUpdate({ target: [listings.channel, listings.key], set: row })
          .run();
      }
    }
    for (const familyId of new Set(sent.map((line) => line.familyId)))
      refreshFits(database, loadFamily(database, familyId));
  });
}

/** The child and the field of the registry a channel's reason means. */
function locate(
  database: Database,
  rulebook: Rulebook,
  reason: { sku: string | null; field: string | null },
): { childId: string | null; field: string | null } {
  const owner = reason.sku
    ? database
        .select({ childId: identifiers.childId })
        .from(identifiers)
        .where(and(eq(identifiers.kind, 'sku'), eq(identifiers.value, reason.sku.toUpperCase())))
        .get()
    : undefined;
  const rules = [...rulebook.rules.fields, ...rulebook.categories.flatMap((category) => category.fields)];
  const named = rules.find((rule) => rule.name === reason.field)?.key;
  const common: Record<string, string> = {
    price: 'price',
    'list price': 'listPrice',
    pieces: 'stock',
    gtin: 'gtin',
    sku: 'sku',
    picture: 'pictures',
    options: 'pairing',
  };
  return {
    childId: owner?.childId ?? null,
    field: named ?? common[(reason.field ?? '').toLowerCase()] ?? reason.field,
  };
}
