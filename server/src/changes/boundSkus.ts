/** SKUs that orders come in under, or soon will: listed on an account or on the way there, they are neither taken away nor renamed. */
import { and, eq, inArray } from 'drizzle-orm';
import { skusGone, Refusal, unreadable, type Family, type Namer, type Unreadable } from '@loom-kin/core';
import { heldOf } from '../families/load';
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

/** SKUs of children that a change puts into a family: one that goes over to it is not lost. */
export function skusIn(families: Iterable<Family>): Set<string> {
  const skus = new Set<string>();
  for (const family of families)
    for (const { fields } of Object.values(family.children)) if (typeof fields.sku === 'string') skus.add(fields.sku);
  return skus;
}

/** Refuses a change that would take such an SKU from its child; `kept` are those that another family of the same change has. */
export function keepBoundSkus(store: Store, before: Family, after: Family, kept: ReadonlySet<string>): void {
  const gone = skusGone(before, after).filter(({ sku }) => !kept.has(sku));
  if (gone.length === 0) return;
  const bound = boundSkus(store.database, store.catalogue().namer, before.id);
  for (const { sku, childId } of gone) {
    const why = bound.get(sku);
    if (why) throw new Refusal(why.code, why.params as never, { place: { level: 'child', childId, key: 'sku' } });
  }
}
