/** Listings that a list was made of are known to be its families' once it is taken in. */
import { eq } from 'drizzle-orm';
import type { Listing } from '@loom-kin/core/listing';
import { putHeld } from '../dispatch/book';
import { withoutAddresses } from '../channels/transports/pictureAddresses';
import { childOfSku } from '../identifiers/identifiers';
import { markDue } from '../fitQueue/due';
import { inTransaction } from '../store/database';
import { identifiers } from '../store/schema';
import type { Store } from '../store/store';
import type { ListJob } from '../store/tables/jobs';

/**
 * Writes down that an account holds listings of the families that were taken in: they are revised from now on,
 * not listed anew.
 */
export function keepLive(store: Store, accountId: string, live: NonNullable<ListJob['live']>): void {
  const { database } = store;
  inTransaction(database, () => {
    const touched = new Set<string>();
    for (const { listing, draft } of live) {
      const familyId = familyOf(store, listing);
      if (familyId === null) continue;
      putHeld(database, accountId, familyId, { listing: withoutAddresses(listing), draft, page: null });
      touched.add(familyId);
    }
    markDue(database, touched);
  });
}

/** The one family that all offers of a listing belong to; null where they do not, or some are nobody's. */
function familyOf({ database }: Store, { offers }: Listing): string | null {
  const owners = new Set(
    offers.map(({ sku }) => {
      const childId = childOfSku(database, sku);
      if (childId === undefined) return null;
      return (
        database.select({ id: identifiers.familyId }).from(identifiers).where(eq(identifiers.childId, childId)).get()
          ?.id ?? null
      );
    }),
  );
  return owners.size === 1 ? [...owners][0]! : null;
}
