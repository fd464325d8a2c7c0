/**
 * Lines whose turn has come: composed anew from what the family is now and what the account holds, never as they were when they were
 * agreed to. What a line was not agreed to for, a new fee or another listing, it does not do.
 */
import { eq } from 'drizzle-orm';
import type { Account } from '@loom-kin/core/catalogue';
import { type ListingMessage, listingMessage } from '@loom-kin/core/listing';
import { rulebookOf } from '../store/readCatalogue';
import { hasFamily } from '../store/loadFamily';
import type { Offering } from '../fits/compute';
import type { FitPool } from '../fits/pool';
import type { Database } from '../store/database';
import { dispatches, heldListings } from '../store/schema';
import type { Store } from '../store/store';
import { linesUnderWay, setLines, settleDispatch, wholeLines, type LineHead, type LineRow } from './dispatches';
import { messageWords } from './messageWords';
import { withoutWaiting } from './skuMoves';
import { heldBy } from './standing';

/** Most messages in one submission: so many are put together without anybody noticing. */
const AT_ONCE = 40;

/**
 * The queued lines that may go now: no other line of their listing is on its way, and none that frees what they need.
 * @param underWay all lines of the account that are not answered yet, oldest first
 */
export function readyLines(
  { database }: Store,
  account: string,
  queued: readonly LineHead[],
  underWay: readonly LineHead[],
): LineRow[] {
  const first = firstOfEach(queued, underWay);
  const tied = tiedFamilies(database, account, underWay);
  const free = first.filter((line) => !tied.has(line.familyId)).map((line) => line.id);
  const bound = wholeLines(
    database,
    first.filter((line) => tied.has(line.familyId)).map((line) => line.id),
  );
  const moving = withoutWaiting(database, bound, underWay).slice(0, AT_ONCE);
  return [...moving, ...wholeLines(database, free.slice(0, AT_ONCE - moving.length))];
}

/** Lines in front of which no other of their listing is queued, and none is on its way. */
function firstOfEach(queued: readonly LineHead[], underWay: readonly LineHead[]): LineHead[] {
  const onItsWay = new Set(underWay.filter((line) => line.state === 'sent').map((line) => line.key));
  const earliest = new Map<string, number>();
  for (const { key, id } of underWay) if (!earliest.has(key)) earliest.set(key, id);
  return queued.filter((line) => !onItsWay.has(line.key) && earliest.get(line.key) === line.id);
}

/** Families that hold a listing which changes: its SKUs may go to other listings of theirs. */
function tiedFamilies(database: Database, account: string, underWay: readonly LineHead[]): Set<string> {
  const changing = new Set(underWay.map((line) => line.key));
  const several = new Map<string, number>();
  for (const { familyId } of underWay) several.set(familyId, (several.get(familyId) ?? 0) + 1);
  const held = database
    .select({ key: heldListings.key, familyId: heldListings.familyId })
    .from(heldListings)
    .where(eq(heldListings.account, account))
    .all();
  return new Set(
    held.filter(({ key, familyId }) => changing.has(key) && several.get(familyId)! > 1).map((row) => row.familyId),
  );
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
  return store.transactionWhenQuiet(() => {
    // What was stopped while it was put together stays stopped.
    const waiting = new Set(
      linesUnderWay(store.database, account.id).flatMap(({ id, state }) => (state === 'queued' ? [id] : [])),
    );
    const going = lines.flatMap((line) => {
      if (!waiting.has(line.id)) return [];
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
  if (line.action === 'takeDown') return composeTakeDown(line, held !== undefined, wanted !== undefined);
  if (!offering) return closed('failed', 'the family is gone');
  if (offering.state === 'stopped') {
    const reasons = offering.stops.map(({ text, childId, field }) => ({ text, sku: null, childId, field }));
    return closed('held', 'stopped by now', { reasons });
  }
  if (!wanted) return closed('stopped', 'not offered any more');
  const asDraft = isDraft(store, account, line) && (!held || held.draft);
  const message = listingMessage(held?.listing, wanted, asDraft, held?.draft);
  if (!message) return closed('done', 'nothing to send', { page: held?.page ?? null });
  // A line that was agreed to without a fee does not list anew for one.
  if (message.action === 'list' && line.action !== 'list' && offering.listingFee !== '0') {
    return closed('stopped', 'it has to be listed anew, for a fee that was not agreed to: send it again');
  }
  return going(message, wanted);
}

const going = (message: ListingMessage, listing: LineRow['listing']): Now => ({
  state: 'queued',
  outcome: null,
  message,
  listing,
  what: messageWords(message),
});

function composeTakeDown({ key }: LineRow, isHeld: boolean, isWanted: boolean): Now {
  if (!isHeld) return closed('done', 'not there any more');
  if (isWanted) return closed('stopped', 'it is offered again');
  return going({ action: 'takeDown', key }, null);
}

/** Whether it was sent as a draft, on an account that takes drafts. */
function isDraft(store: Store, account: Account, { dispatchId }: LineRow): boolean {
  if (!rulebookOf(store.catalogue(), account)?.rulebook.drafts) return false;
  const here = eq(dispatches.id, dispatchId);
  return store.database.select({ draft: dispatches.draft }).from(dispatches).where(here).get()?.draft ?? false;
}
