/** Writing down what a channel made of lines: the lines, what the account now holds, and that the families are due. */
import { ownOf } from '@loom-kin/core/text';
import { and, eq } from 'drizzle-orm';
import type { Listing } from '@loom-kin/core/listing';
import type { Rulebook } from '@loom-kin/core/rulebook';
import { childOfSku } from '../identifiers/identifiers';
import { markDue } from '../fitQueue/due';
import { inTransaction, type Database } from '../store/database';
import { heldListings } from '../store/schema';
import type { Store } from '../store/store';
import { setLines, settleDispatch, type LineRow } from './dispatches';
import type { Receipt } from '../channels/transports/channelClient';
import { noteUnconfirmed } from '../held/unconfirmed';

/** Books a receipt. All of it or nothing. */
export function bookReceipt(store: Store, sent: readonly LineRow[], receipt: Receipt, rulebook: Rulebook): void {
  const { database } = store;
  const byKey = new Map(receipt.lines.map((line) => [line.key, line]));
  inTransaction(database, () => {
    for (const line of sent) bookLine(database, line, byKey.get(line.key), rulebook);
    markDue(database, new Set(sent.map((line) => line.familyId)));
    for (const id of new Set(sent.map((line) => line.dispatchId))) settleDispatch(database, id);
  });
  store.events.emit({ dispatches: true, families: {} });
}

function bookLine(
  database: Database,
  line: LineRow,
  answer: Receipt['lines'][number] | undefined,
  rulebook: Rulebook,
): void {
  if (!answer) {
    setLines(database, [line.id], { state: 'failed', outcome: 'not in the receipt' });
    return noteUnconfirmed(database, [line.id], 'its receipt did not name the listing', { isOver: true });
  }
  if (answer.outcome === 'refused') {
    const reasons = answer.reasons.map((reason) => ({ ...reason, ...locate(database, rulebook, reason) }));
    // A channel that says no may have taken it all the same, or a part of it: what it holds is read before anything else is sent.
    noteUnconfirmed(database, [line.id], 'the channel refused what was sent', { isOver: true });
    return setLines(database, [line.id], { state: 'refused', outcome: 'refused', reasons, submission: null });
  }
  const { outcome, page } = answer;
  setLines(database, [line.id], { state: 'done', outcome, page, reasons: [], submission: null });
  if (line.action === 'takeDown') forgetHeld(database, line.account, line.key);
  else if (line.listing) {
    const draft = line.message?.action !== 'takeDown' && (line.message?.draft ?? false);
    putHeld(database, line.account, line.familyId, { listing: line.listing, draft, page: answer.page });
  }
}

/** Writes down what an account holds. */
export function putHeld(
  database: Database,
  account: string,
  familyId: string,
  held: { listing: Listing; draft: boolean; page: string | null },
): void {
  const row = { familyId, ...held, sentAt: new Date().toISOString() };
  database
    .insert(heldListings)
    .values({ account, key: held.listing.key, ...row })
    .onConflictDoUpdate({ target: [heldListings.account, heldListings.key], set: row })
    .run();
}

export function forgetHeld(database: Database, account: string, key: string): void {
  database
    .delete(heldListings)
    .where(and(eq(heldListings.account, account), eq(heldListings.key, key)))
    .run();
}

/** Fields that channels name in their own words, beside those of their rulebooks. */
const COMMON: Record<string, string> = {
  price: 'price',
  'list price': 'listPrice',
  pieces: 'stock',
  gtin: 'gtin',
  sku: 'sku',
  picture: 'pictures',
  options: 'pairing',
};

/** The child and the field of the registry a channel's reason means. */
function locate(
  database: Database,
  rulebook: Rulebook,
  reason: { sku: string | null; field: string | null },
): { childId: string | null; field: string | null } {
  const rules = [...rulebook.rules.fields, ...rulebook.categories.flatMap((category) => category.fields)];
  const named = rules.find((rule) => rule.name === reason.field)?.key;
  return {
    childId: reason.sku ? (childOfSku(database, reason.sku) ?? null) : null,
    field: named ?? ownOf(COMMON, (reason.field ?? '').toLowerCase()) ?? reason.field,
  };
}
