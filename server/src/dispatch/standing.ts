/** What an account holds of each listing, and what it will hold once everything on its way is taken. */
import { and, eq, inArray } from 'drizzle-orm';
import type { Listing } from '@loom-kin/core/listing';
import type { Database } from '../store/database';
import { dispatchLines, heldListings } from '../store/schema';

/** A listing as the account holds it, or will. */
export interface Standing {
  listing: Listing;
  draft: boolean;
  page: string | null;
}

/** Lines that are on their way, or about to go. */
export const UNDER_WAY = ['queued', 'sent'] as const;

/** key → what the account holds of a family. */
export function heldBy(database: Database, account: string, familyId: string): Map<string, Standing> {
  const here = and(eq(heldListings.account, account), eq(heldListings.familyId, familyId));
  const rows = database.select().from(heldListings).where(here).all();
  return new Map(rows.map(({ key, listing, draft, page }) => [key, { listing, draft, page }]));
}

/** key → what the account will hold of a family once all lines under way are taken. */
export function expectedBy(database: Database, account: string, familyId: string): Map<string, Standing> {
  const expected = heldBy(database, account, familyId);
  const lines = database
    .select()
    .from(dispatchLines)
    .where(
      and(
        eq(dispatchLines.account, account),
        eq(dispatchLines.familyId, familyId),
        inArray(dispatchLines.state, UNDER_WAY),
      ),
    )
    .orderBy(dispatchLines.id)
    .all();
  for (const { key, action, listing, message } of lines) {
    if (action === 'takeDown') expected.delete(key);
    else if (listing) {
      const draft = message && message.action !== 'takeDown' ? message.draft : (expected.get(key)?.draft ?? false);
      expected.set(key, { listing, draft, page: expected.get(key)?.page ?? null });
    }
  }
  return expected;
}

/** Whether a line of a listing is on its way, or about to go. */
export const isUnderWay = (database: Database, account: string, key: string): boolean =>
  database
    .select({ id: dispatchLines.id })
    .from(dispatchLines)
    .where(and(eq(dispatchLines.account, account), eq(dispatchLines.key, key), inArray(dispatchLines.state, UNDER_WAY)))
    .limit(1)
    .get() !== undefined;
