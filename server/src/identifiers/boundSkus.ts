/** SKUs that orders come in under, or soon will: listed on an account or on the way there, they are neither taken away nor renamed. */
import { and, eq, inArray } from 'drizzle-orm';
import type { Namer } from '@loom-kin/core/descriptions';
import type { Family } from '@loom-kin/core/family';
import { skusGone } from '@loom-kin/core/identifiers';
import { Refusal, type Unreadable, unreadable } from '@loom-kin/core/refusal';
import { heldOf } from '../store/loadFamily';
import type { Database } from '../store/database';
import { dispatchLines } from '../store/schema';
import type { Store } from '../store/store';

type Bound = Unreadable<'sku.live'> | Unreadable<'sku.under-way'>;

/** SKU → why it stays, for every SKU of the family that an account lists or that is on its way. */
export function boundSkus(database: Database, namer: Namer, familyId: string): Map<string, Bound> {
  const bound = new Map<string, Bound>();
  const underWay = database
    .select({ account: dispatchLines.account, listing: dispatchLines.listing })
    .from(dispatchLines)
    .where(and(eq(dispatchLines.familyId, familyId), inArray(dispatchLines.state, ['queued', 'sent'])))
    .all();
  for (const { account, listing } of underWay) {
    for (const { sku } of listing?.offers ?? [])
      bound.set(sku, unreadable('sku.under-way', { sku, account: namer.account(account) }));
  }
  for (const { account, listing } of heldOf(database, familyId)) {
    for (const { sku } of listing.offers)
      bound.set(sku, unreadable('sku.live', { sku, account: namer.account(account) }));
  }
  return bound;
}

/** Says whether a family of a change other than this one has a SKU after it: one that goes over is not lost. */
export function skuHolders(families: readonly Family[]): (sku: string, besides: string) => boolean {
  let holders: Map<string, Set<string>> | undefined;
  return (sku, besides) => {
    holders ??= holdersIn(families);
    return [...(holders.get(sku) ?? [])].some((id) => id !== besides);
  };
}

function holdersIn(families: readonly Family[]): Map<string, Set<string>> {
  const holders = new Map<string, Set<string>>();
  for (const { id, children } of families)
    for (const { fields } of Object.values(children))
      if (typeof fields.sku === 'string')
        holders.set(fields.sku, (holders.get(fields.sku) ?? new Set<string>()).add(id));
  return holders;
}

/** Refuses a change that would take such an SKU from its child; `isKept` are those that another family of the same change has. */
export function keepBoundSkus(store: Store, before: Family, after: Family, isKept: (sku: string) => boolean): void {
  const gone = skusGone(before, after).filter(({ sku }) => !isKept(sku));
  if (gone.length === 0) return;
  const bound = boundSkus(store.database, store.catalogue().namer, before.id);
  for (const { sku, childId } of gone) {
    const why = bound.get(sku);
    if (why) throw new Refusal(why.code, why.params as never, { place: { level: 'child', childId, key: 'sku' } });
  }
}
