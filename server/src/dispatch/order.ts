/** Dispatches made: previewed, agreed to, stopped, sent again. */
import { randomUUID } from 'node:crypto';
import { and, eq, inArray } from 'drizzle-orm';
import { dequal } from 'dequal';
import { Refusal } from '@loom-kin/core';
import type { BodyOf, Dispatch, DispatchPreview, endpoints } from '@loom-kin/contract';
import { loadFamily } from '../families/load';
import type { FitPool } from '../fits/pool';
import { inTransaction } from '../store/database';
import { dispatches, dispatchLines } from '../store/schema';
import type { Store } from '../store/store';
import { composeLines, totalsOf, type Composed } from './compose';
import { readDispatch, settleDispatch } from './dispatches';

/** What would be sent now. */
export async function previewDispatch(
  store: Store,
  pool: FitPool,
  selection: BodyOf<typeof endpoints.previewDispatch>,
): Promise<DispatchPreview> {
  const { lines } = await composeLines(store, pool, { ...selection, draft: selection.draft ?? false });
  const shown = lines.map(({ listing: _listing, currency: _currency, ...line }, at) => ({ id: -1 - at, ...line }));
  return { totals: totalsOf(lines), lines: shown };
}

/** Tries to work a dispatch out while somebody keeps changing its families. */
const TRIES = 5;

/** Makes a dispatch of what the seller agreed to. The same key again gives the dispatch that is there. */
export async function makeDispatch(
  store: Store,
  pool: FitPool,
  order: BodyOf<typeof endpoints.startDispatch>,
): Promise<Dispatch> {
  mindConnections(store, order.accounts);
  for (let tries = 0; ; tries++) {
    const there = dispatchOfKey(store, order.key);
    if (there) return there;
    const composed = await composeLines(store, pool, { ...order, draft: order.draft ?? false });
    const made = inTransaction(
      store.database,
      () => dispatchOfKey(store, order.key) ?? storeDispatch(store, order, composed),
    );
    if (made) return made;
    if (tries >= TRIES) throw new Refusal('dispatch.total-changed', {}, { detail: totalsOf(composed.lines) });
  }
}

/** Where the seller wrote the rules there is nobody to send to. */
function mindConnections(store: Store, accountIds: readonly string[]): void {
  const { channels, accounts } = store.catalogue();
  const own = accounts.find(
    (account) =>
      accountIds.includes(account.id) && channels.some((one) => one.isOwn && one.channel === account.channel),
  );
  if (own) throw new Refusal('channel.own', { label: own.name });
}

function dispatchOfKey(store: Store, key: string): Dispatch | undefined {
  const row = store.database.select({ id: dispatches.id }).from(dispatches).where(eq(dispatches.key, key)).get();
  return row && readDispatch(store.database, row.id);
}

/** Null where a family was changed while the lines were worked out. */
function storeDispatch(
  { database }: Store,
  order: BodyOf<typeof endpoints.startDispatch>,
  { lines, revisions }: Composed,
): Dispatch | null {
  if (Object.entries(revisions).some(([id, revision]) => loadFamily(database, id).revision !== revision)) return null;
  const totals = totalsOf(lines);
  const { listings, takenDown, fees } = order.agreed;
  if (
    !dequal(
      { listings: totals.listings, takenDown: totals.takenDown, fees: totals.fees },
      { listings, takenDown, fees },
    )
  ) {
    throw new Refusal('dispatch.total-changed', {}, { detail: totals });
  }
  const id = randomUUID();
  const state = lines.some((line) => line.state === 'queued') ? 'running' : 'done';
  const at = new Date().toISOString();
  database
    .insert(dispatches)
    .values({ id, key: order.key, at, state, draft: order.draft ?? false, totals, notice: null })
    .run();
  for (const { currency: _currency, ...line } of lines)
    database
      .insert(dispatchLines)
      .values({ dispatchId: id, ...line })
      .run();
  return readDispatch(database, id);
}

/** Sends no more of a dispatch. What is at the channel already may still be taken there; it is compared before it is sent again. */
export function stopDispatch({ database }: Store, dispatchId: string): Dispatch {
  readDispatch(database, dispatchId);
  inTransaction(database, () => {
    const here = and(eq(dispatchLines.dispatchId, dispatchId), inArray(dispatchLines.state, ['queued', 'sent']));
    database.update(dispatchLines).set({ state: 'stopped', outcome: 'stopped by you' }).where(here).run();
    database.update(dispatches).set({ state: 'stopped', notice: null }).where(eq(dispatches.id, dispatchId)).run();
  });
  return readDispatch(database, dispatchId);
}

/** Puts what failed, was refused or stopped back into the queue: it is composed anew when its turn comes. */
export function retryDispatch({ database }: Store, dispatchId: string): Dispatch {
  readDispatch(database, dispatchId);
  inTransaction(database, () => {
    const here = and(
      eq(dispatchLines.dispatchId, dispatchId),
      inArray(dispatchLines.state, ['failed', 'stopped', 'refused']),
    );
    database
      .update(dispatchLines)
      .set({ state: 'queued', outcome: null, reasons: [], receipt: null, message: null })
      .where(here)
      .run();
    database.update(dispatches).set({ state: 'running', notice: null }).where(eq(dispatches.id, dispatchId)).run();
    settleDispatch(database, dispatchId);
  });
  return readDispatch(database, dispatchId);
}
