/**
 * Lines whose turn has come: composed anew from what the family is now and what the account holds, never as they were when they were
 * agreed to. What a line was not agreed to for, a new fee or another listing, it does not do.
 */
import { eq } from 'drizzle-orm';
import { listingMessage, type Account, type ListingMessage } from '@loom-kin/core';
import { rulebookOf } from '../catalogue/readCatalogue';
import { hasFamily } from '../families/load';
import type { Offering } from '../fits/compute';
import type { FitPool } from '../fits/pool';
import { inTransaction } from '../store/database';
import { dispatches } from '../store/schema';
import type { Store } from '../store/store';
import { setLines, settleDispatch, type LineRow } from './dispatches';
import { messageWords } from './messageWords';
import { withoutWaiting } from './skuMoves';
import { heldBy, isBehind } from './standing';

/** Most messages in one submission. */
const AT_ONCE = 200;

/** The queued lines that may go now: no other line of their listing is on its way, and none that frees what they need. */
export function readyLines(store: Store, queued: readonly LineRow[], underWay: readonly LineRow[]): LineRow[] {
  const first = queued.filter((line) => !isBehind(store.database, line));
  return withoutWaiting(store.database, first, underWay).slice(0, AT_ONCE);
}

/**
 * Composes lines for one submission and stores them under its key, so that a process that ends here hands over the very same. Lines that
 * have nothing to say any more are closed. Gives the lines that go out.
 */
export async function composeTurn(
  store: Store,
  pool: FitPool,
  account: Account,
  lines: readonly LineRow[],
  key: string,
): Promise<LineRow[]> {
  const offerings = new Map<string, Offering | null>();
  for (const familyId of new Set(lines.map((line) => line.familyId))) {
    const there = hasFamily(store.database, familyId);
    offerings.set(familyId, there ? ((await pool.offerings(familyId, [account.id])).offerings[0] ?? null) : null);
  }
  return inTransaction(store.database, () => {
    const going = lines.flatMap((line) => {
      const now = composeLine(store, account, line, offerings.get(line.familyId) ?? null);
      setLines(store.database, [line.id], now.message ? { ...now, submission: key } : now);
      return now.message ? [{ ...line, ...now, submission: key } as LineRow] : [];
    });
    for (const id of new Set(lines.map((line) => line.dispatchId))) settleDispatch(store.database, id);
    return going;
  });
}

type Now = Pick<LineRow, 'state' | 'outcome' | 'message'> & Partial<LineRow>;

const closed = (state: LineRow['state'], outcome: string, more: Partial<LineRow> = {}): Now => ({
  state,
  outcome,
  message: null,
  ...more,
});

function composeLine(store: Store, account: Account, line: LineRow, offering: Offering | null): Now {
  const held = heldBy(store.database, account.id, line.familyId).get(line.key);
  const wanted = offering?.listings.find((listing) => listing.key === line.key);
  if (line.action === 'takeDown') {
    if (!held) return closed('done', 'not there any more');
    if (wanted) return closed('stopped', 'it is offered again');
    return going({ action: 'takeDown', key: line.key }, null);
  }
  if (!offering) return closed('failed', 'the family is gone');
  if (offering.state === 'stopped') {
    const reasons = offering.stops.map(({ text, childId, field }) => ({ text, sku: null, childId, field }));
    return closed('held', 'stopped by now', { reasons });
  }
  if (!wanted) return closed('stopped', 'not offered any more');
  const mayDraft = rulebookOf(store.catalogue(), account)?.rulebook.drafts ?? false;
  const asDraft = mayDraft && isDraft(store, line) && (!held || held.draft);
  const message = listingMessage(held?.listing, wanted, asDraft, held?.draft);
  if (!message) return closed('done', 'nothing to send', { page: held?.page ?? null });
  // A line that was agreed to without a fee does not list anew for one.
  if (message.action === 'list' && line.action !== 'list' && offering.listingFee !== '0') {
    return closed('stopped', 'it has to be listed anew, for a fee that was not agreed to: send it again');
  }
  return going(message, wanted);
}

const going = (message: ListingMessage, listing: LineRow['listing']): Now => ({
  ...{ state: 'queued', outcome: null, message, listing, what: messageWords(message) },
});

const isDraft = (store: Store, line: LineRow): boolean =>
  store.database.select({ draft: dispatches.draft }).from(dispatches).where(eq(dispatches.id, line.dispatchId)).get()
    ?.draft ?? false;
