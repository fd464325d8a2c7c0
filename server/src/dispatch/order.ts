/** Dispatches made: previewed, agreed to, stopped, sent again. */
import { randomUUID } from 'node:crypto';
import { and, eq, inArray } from 'drizzle-orm';
import { dequal } from 'dequal';
import { Refusal } from '@loom-kin/core/refusal';
import type { BodyOf, Dispatch, DispatchPreview, endpoints } from '@loom-kin/contract';
import { revisionOf } from '../store/loadFamily';
import type { FitPool } from '../fits/pool';
import { inTransaction } from '../store/database';
import { dispatches, dispatchLines } from '../store/schema';
import type { Store } from '../store/store';
import { composeLines, totalsOf, type Composed, type Selection } from './compose';
import { readDispatch, settleDispatch } from './dispatches';
import type { ChannelLink } from './reconcile';
import { UNDER_WAY } from './standing';
import { noteUnconfirmed } from '../held/unconfirmed';

/** What would be sent now. */
export async function previewDispatch(
  store: Store,
  pool: FitPool,
  link: ChannelLink,
  selection: BodyOf<typeof endpoints.previewDispatch>,
): Promise<DispatchPreview> {
  const { lines } = await composeLines(store, pool, link, { ...selection, draft: selection.draft ?? false });
  const shown = lines.map(({ listing: _listing, currency: _currency, ...line }, at) => ({ id: -1 - at, ...line }));
  return { totals: totalsOf(lines), lines: shown };
}

/** How often families that somebody changed meanwhile are worked out anew. */
const TRIES = 20;

/** Makes a dispatch of what the seller agreed to. The same key again gives the dispatch that is there. */
export async function makeDispatch(
  store: Store,
  pool: FitPool,
  link: ChannelLink,
  order: BodyOf<typeof endpoints.startDispatch>,
): Promise<Dispatch> {
  requireConnections(store, order.accounts);
  const selection = { ...order, draft: order.draft ?? false };
  let composed: Composed | null = null;
  for (let tries = 0; ; tries++) {
    const there = dispatchOfKey(store, order.key);
    if (there) return there;
    composed = await composeAnew(store, pool, link, selection, composed);
    const sure = composed;
    const made = await store.transactionWhenQuiet(
      () => dispatchOfKey(store, order.key) ?? storeDispatch(store, order, sure, tries >= TRIES),
    );
    if (made) return made;
  }
}

/** Works out what is to be sent, or of what was worked out before only the families that were changed since. */
async function composeAnew(
  store: Store,
  pool: FitPool,
  link: ChannelLink,
  selection: Selection,
  before: Composed | null,
): Promise<Composed> {
  if (!before) return composeLines(store, pool, link, selection);
  const familyIds = changedSince(store, before);
  const anew = await composeLines(store, pool, link, { ...selection, familyIds });
  const changed = new Set(familyIds);
  return {
    lines: [...before.lines.filter((line) => !changed.has(line.familyId)), ...anew.lines],
    revisions: { ...before.revisions, ...anew.revisions },
  };
}

const changedSince = ({ database }: Store, { revisions }: Composed): string[] =>
  Object.keys(revisions).filter((id) => revisionOf(database, id) !== revisions[id]);

/** Where the seller wrote the rules there is nobody to send to. */
function requireConnections(store: Store, accountIds: readonly string[]): void {
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

/**
 * Null where a family was changed while the lines were worked out, unless that is taken as it is: each line is composed anew when
 * its turn comes.
 */
function storeDispatch(
  store: Store,
  order: BodyOf<typeof endpoints.startDispatch>,
  composed: Composed,
  asItIs: boolean,
): Dispatch | null {
  if (!asItIs && changedSince(store, composed).length > 0) return null;
  const { database } = store;
  const { lines } = composed;
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

/** Sends no more of a dispatch. What is at the channel already may still be taken there: it is in doubt until the account was read. */
export function stopDispatch({ database }: Store, dispatchId: string): Dispatch {
  readDispatch(database, dispatchId);
  inTransaction(database, () => {
    const here = and(eq(dispatchLines.dispatchId, dispatchId), inArray(dispatchLines.state, UNDER_WAY));
    const lines = database.select({ id: dispatchLines.id }).from(dispatchLines).where(here).all();
    noteUnconfirmed(
      database,
      lines.map((line) => line.id),
      'it was stopped on its way',
    );
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
      .set({ state: 'queued', outcome: null, reasons: [], receipt: null, message: null, submission: null })
      .where(here)
      .run();
    database.update(dispatches).set({ state: 'running', notice: null }).where(eq(dispatches.id, dispatchId)).run();
    settleDispatch(database, dispatchId);
  });
  return readDispatch(database, dispatchId);
}
