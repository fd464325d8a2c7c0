/**
 * What a dispatch would hold: for each listing of each family and account, the message that makes the account hold what it should,
 * given what it holds and what is on its way there.
 */
import type { Account } from '@loom-kin/core/catalogue';
import { type Listing, listingMessage } from '@loom-kin/core/listing';
import { toCurrency } from '@loom-kin/core/money';
import type { PreviewLine, Totals, Unconfirmed } from '@loom-kin/contract';
import Big from 'big.js';
import { accountOf, rulebookOf } from '../store/readCatalogue';
import { loadFamily } from '../store/loadFamily';
import type { Offering } from '../fits/compute';
import type { FitPool } from '../fits/pool';
import { noteCombined } from '../pictures/noteCombined';
import type { Store } from '../store/store';
import { messageWords, unconfirmedText } from './messageWords';
import { reconcile, type ChannelLink } from './reconcile';
import { expectedBy, type Standing } from './standing';
import { unconfirmedOf, unconfirmedOn, unreadAccount } from '../held/unconfirmed';

export type ComposedLine = Omit<PreviewLine, 'id'> & { listing: Listing | null; currency: string };

export interface Composed {
  lines: ComposedLine[];
  /** Family → the revision it was worked out from. */
  revisions: Record<string, number>;
}

export interface Selection {
  familyIds: readonly string[];
  accounts: readonly string[];
  draft: boolean;
}

/**
 * Lines for families and accounts, each once. A fit that is stopped gives one held line with its reasons; nothing of it goes out. Accounts
 * are read first where it is not certain what they hold; where that does not settle it, the listings in doubt are held.
 */
export async function composeLines(
  store: Store,
  pool: FitPool,
  link: ChannelLink,
  selection: Selection,
): Promise<Composed> {
  const accounts = [...new Set(selection.accounts)].map((id) => accountOf(store.catalogue(), id));
  const composed: Composed = { lines: [], revisions: {} };
  await settleDoubts(store, link, accounts, new Set(selection.familyIds));
  for (const familyId of new Set(selection.familyIds)) {
    loadFamily(store.database, familyId);
    const { revision, offerings } = await pool.offerings(
      familyId,
      accounts.map((account) => account.id),
    );
    composed.revisions[familyId] = revision;
    for (const offering of offerings) {
      const account = accounts.find((one) => one.id === offering.account)!;
      // Channels fetch them under their ids as soon as they are told of them.
      await store.whenQuiet(() => noteCombined(store.database, offering.combined));
      composed.lines.push(...linesOfOffering(store, account, familyId, offering, selection.draft));
    }
  }
  return composed;
}

/** Reads the accounts where anything of these families is in doubt. One that cannot be read leaves its doubts as they are. */
async function settleDoubts(
  store: Store,
  link: ChannelLink,
  accounts: readonly Account[],
  familyIds: ReadonlySet<string>,
): Promise<void> {
  const isMeant = (doubt: { familyId: string }) => familyIds.has(doubt.familyId);
  const doubtful = accounts.filter(
    ({ id }) => unreadAccount(store.database, id) || unconfirmedOn(store.database, id).some(isMeant),
  );
  await Promise.all(doubtful.map((account) => reconcile(store, link, account, isMeant).catch(() => undefined)));
}

function linesOfOffering(
  store: Store,
  account: Account,
  familyId: string,
  offering: Offering,
  draft: boolean,
): ComposedLine[] {
  const family = loadFamily(store.database, familyId);
  const rulebook = rulebookOf(store.catalogue(), account)?.rulebook;
  const base = {
    account: account.id,
    familyId,
    familyName: String(family.fields.name ?? ''),
    page: null,
    currency: rulebook?.rules.price.currency ?? store.catalogue().seller.currency,
  };
  const doubts = new Map(
    unconfirmedOf(store.database, familyId).flatMap((one) =>
      one.account === account.id ? [[one.key, one] as const] : [],
    ),
  );
  const unread = doubts.get('');
  if (unread) return [unconfirmedLine(account, unread, base)];
  const inDoubt = [...doubts.values()].map((doubt) => unconfirmedLine(account, doubt, base));
  if (offering.state === 'stopped') return [...inDoubt, heldLine(offering, base)];
  const expected = expectedBy(store.database, account.id, familyId);
  const lines = offering.listings.map((listing) => {
    const there = expected.get(listing.key);
    expected.delete(listing.key);
    return { ...base, ...lineFor(listing, there, draft && (rulebook?.drafts ?? false), offering.listingFee) };
  });
  const gone = [...expected].map(([key, { listing, page }]) => ({ ...base, ...takeDownLine(key, listing, page) }));
  return [...inDoubt, ...[...lines, ...gone].filter((line) => !doubts.has(line.key))];
}

type LineParts = Omit<ComposedLine, 'account' | 'familyId' | 'familyName' | 'currency'>;

function lineFor(listing: Listing, there: Standing | undefined, draft: boolean, listingFee: string): LineParts {
  // A listing that buyers see stays seen: drafts are for new ones.
  const asDraft = draft && (!there || there.draft);
  const message = listingMessage(there?.listing, listing, asDraft, there?.draft);
  const touched =
    message?.action === 'list'
      ? listing.offers.length
      : message?.action === 'revise'
        ? message.offers.length + message.gone.length
        : 0;
  return {
    key: listing.key,
    action: message?.action ?? 'none',
    children: touched,
    fee: message?.action === 'list' ? listingFee : '0',
    state: message ? 'queued' : 'done',
    outcome: message ? null : 'nothing to send',
    reasons: [],
    page: there?.page ?? null,
    what: messageWords(message),
    message,
    listing,
  };
}

function takeDownLine(key: string, held: Listing, page: string | null): LineParts {
  const message = { action: 'takeDown' as const, key };
  return {
    key,
    action: 'takeDown',
    children: held.offers.length,
    fee: '0',
    state: 'queued',
    outcome: null,
    reasons: [],
    page,
    what: messageWords(message),
    message,
    listing: null,
  };
}

type Base = Omit<ComposedLine, keyof LineParts> & { page: null };

const HELD = {
  key: '',
  action: 'none',
  children: 0,
  fee: '0',
  state: 'held',
  what: '',
  message: null,
  listing: null,
} as const;

function heldLine({ stops }: Offering, base: Base): ComposedLine {
  return {
    ...base,
    ...HELD,
    outcome: stops.length === 1 ? '1 finding stops it' : `${stops.length} findings stop it`,
    reasons: stops.map(({ text, childId, field }) => ({ text, sku: null, childId, field })),
  };
}

/** A listing of which it is not known what the account holds: nothing can be composed from that. */
function unconfirmedLine(account: Account, { key, why, since }: Unconfirmed, base: Base): ComposedLine {
  return {
    ...base,
    ...HELD,
    key,
    outcome: 'not confirmed',
    reasons: [{ text: unconfirmedText(account.name, why, since), sku: null, childId: null, field: null }],
  };
}

/** The total that is shown and agreed to. Fees are summed exactly, per currency. */
export function totalsOf(lines: readonly ComposedLine[]): Totals {
  const count = (test: (line: ComposedLine) => boolean) => lines.filter(test).length;
  const fees = new Map<string, Big>();
  for (const line of lines) {
    if (line.fee !== '0') fees.set(line.currency, (fees.get(line.currency) ?? new Big(0)).plus(line.fee));
  }
  return {
    listings: count((line) => line.action === 'list'),
    revisions: count((line) => line.action === 'revise'),
    takenDown: count((line) => line.action === 'takeDown'),
    unchanged: count((line) => line.action === 'none' && line.state === 'done'),
    held: count((line) => line.state === 'held'),
    children: lines.reduce((sum, line) => sum + line.children, 0),
    fees: [...fees].map(([currency, amount]) => ({ currency, amount: toCurrency(amount, currency) })),
  };
}
