/**
 * What a dispatch would hold: for each listing of each family and channel, the message that makes the channel hold
 * what it should.
 */
import Big from 'big.js';
import { listingMessage, toCurrency, type Fit, type Listing } from '@loom-kin/core';
import type { PreviewLine, Totals } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { loadFamily } from '../families/save';
import { fitsOf, fitWorld, liveOf } from '../fits/fits';
import { messageWords } from './messageWords';

export type ComposedLine = Omit<PreviewLine, 'id'> & { listing: Listing | null; currency: string };

/**
 * Lines for families and channels. A fit that is stopped gives one held line with its reasons; nothing of it goes
 * out.
 */
export function composeLines(
  database: Database,
  familyIds: readonly string[],
  channels: readonly string[],
  draft: boolean,
): ComposedLine[] {
  const world = fitWorld(database);
  return familyIds.flatMap((id) => {
    const family = loadFamily(database, id);
    const live = liveOf(database, id);
    return fitsOf(database, world, family, channels).flatMap((fit) => {
      const book = world.channels.find((one) => one.channel === fit.channel)!.rulebook;
      const base = {
        channel: fit.channel,
        familyId: id,
        familyName: String(family.fields.name ?? ''),
        outcome: null,
        page: null,
        currency: book.rules.price.currency,
      };
      const standing = new Map(live.filter((one) => one.channel === fit.channel).map((one) => [one.key, one]));
      if (fit.state === 'stopped') return [heldLine(fit, base)];
      const lines: ComposedLine[] = [];
      for (const listing of fit.listings) {
        const there = standing.get(listing.key);
        standing.delete(listing.key);
        // A listing that buyers see stays seen: drafts are for new ones.
        const asDraft = draft && book.drafts && (!there || there.draft);
        const message = listingMessage(there?.listing, listing, asDraft, there?.draft);
        const fee = message?.action === 'list' && fit.category ? fit.category.rules.fees.perListing : '0';
        const children =
          message?.action === 'list'
            ? listing.offers.length
            : message?.action === 'revise'
              ? message.offers.length + message.gone.length
              : 0;
        lines.push({
          ...base,
          key: listing.key,
          action: message?.action ?? 'none',
          children,
          fee,
          state: message ? 'queued' : 'done',
          outcome: message ? null : 'nothing to send',
          reasons: [],
          page: there?.page ?? null,
          what: messageWords(message),
          message,
          listing,
        });
      }
      for (const gone of standing.values()) {
        const message = { action: 'takeDown' as const, key: gone.key };
        lines.push({
          ...base,
          key: gone.key,
          action: 'takeDown',
          children: gone.listing.offers.length,
          fee: '0',
          state: 'queued',
          reasons: [],
          page: gone.page,
          what: messageWords(message),
          message,
          listing: null,
        });
      }
      return lines;
    });
  });
}

function heldLine(
  fit: Fit,
  base: Omit<
    ComposedLine,
    'key' | 'action' | 'children' | 'fee' | 'state' | 'reasons' | 'what' | 'message' | 'listing'
  >,
): ComposedLine {
  const stops = fit.findings.filter((finding) => finding.severity === 'stops');
  return {
    ...base,
    key: '',
    action: 'none',
    children: 0,
    fee: '0',
    state: 'held',
    what: '',
    message: null,
    listing: null,
    outcome: `${stops.length} findings stop it`,
    reasons: stops.slice(0, 20).map((finding) => ({
      text: finding.text,
      sku: null,
      childId: finding.place.level === 'child' ? finding.place.childId : null,
      field: finding.key,
    })),
  };
}

/** The total that is shown and agreed to. Fees are summed exactly, per currency. */
export function totalsOf(lines: readonly ComposedLine[]): Totals {
  const count = (test: (line: ComposedLine) => boolean) => lines.filter(test).length;
  const fees = new Map<string, Big>();
  for (const line of lines)
    if (line.fee !== '0') fees.set(line.currency, (fees.get(line.currency) ?? new Big(0)).plus(line.fee));
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
