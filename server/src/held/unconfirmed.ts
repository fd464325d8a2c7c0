/** Listings of which it is not known for certain what their account holds. */
import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Unconfirmed } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { dispatchLines, unconfirmedListings, unreadAccounts } from '../store/schema';

export type UnconfirmedRow = typeof unconfirmedListings.$inferSelect;

/** What is known of the submission that lines were handed over with. */
export interface Fate {
  /** The channel is done with it. */
  isOver?: boolean;
  /** The channel said that it does not take it. */
  isTurnedAway?: boolean;
}

/**
 * Notes that it is not known what became of lines that were handed over, or may have been. Lines that never were leave no doubt.
 * @param lineIds lines of dispatches
 * @param why what happened, in words, without a full stop
 */
export function noteUnconfirmed(database: Database, lineIds: readonly number[], why: string, fate: Fate = {}): void {
  if (lineIds.length === 0) return;
  const handedOver = and(inArray(dispatchLines.id, [...lineIds]), sql`${dispatchLines.submission} IS NOT NULL`);
  const rows = database.select().from(dispatchLines).where(handedOver).all();
  const since = new Date().toISOString();
  for (const { account, key, familyId, submission, receipt, action, listing } of rows) {
    const doubt = {
      familyId,
      since,
      why,
      submission: submission!,
      receipt,
      isOver: fate.isOver ?? false,
      isTurnedAway: fate.isTurnedAway ?? false,
      listing: action === 'takeDown' ? null : listing,
    };
    database
      .insert(unconfirmedListings)
      .values({ account, key, ...doubt })
      .onConflictDoUpdate({ target: [unconfirmedListings.account, unconfirmedListings.key], set: doubt })
      .run();
  }
}

/** Notes the receipt of a submission that is in doubt already, since its lines were stopped while it was handed over. */
export function noteReceipt(database: Database, account: string, submission: string, receipt: string): void {
  const here = and(eq(unconfirmedListings.account, account), eq(unconfirmedListings.submission, submission));
  database.update(unconfirmedListings).set({ receipt }).where(here).run();
}

/** Everything that is not confirmed on an account. */
export const unconfirmedOn = (database: Database, account: string): UnconfirmedRow[] =>
  database.select().from(unconfirmedListings).where(eq(unconfirmedListings.account, account)).all();

/** Why all of an account has to be read, or undefined where that is not so. */
export const unreadAccount = (database: Database, account: string): { since: string; why: string } | undefined =>
  database.select().from(unreadAccounts).where(eq(unreadAccounts.account, account)).get();

/** Accounts of which anything is not confirmed. */
export function accountsInDoubt(database: Database): string[] {
  const listings = database.selectDistinct({ account: unconfirmedListings.account }).from(unconfirmedListings).all();
  const whole = database.select({ account: unreadAccounts.account }).from(unreadAccounts).all();
  return [...new Set([...listings, ...whole].map((row) => row.account))];
}

/** What is not confirmed of a family, over all accounts; an account that has to be read whole is there with an empty key. */
export function unconfirmedOf(database: Database, familyId: string): Unconfirmed[] {
  const { account, key, since, why } = unconfirmedListings;
  const listings = database
    .select({ account, key, since, why })
    .from(unconfirmedListings)
    .where(eq(unconfirmedListings.familyId, familyId))
    .all();
  const whole = database.select().from(unreadAccounts).all();
  return [...listings, ...whole.map((row) => ({ ...row, key: '' }))];
}

/** How many listings of families are not confirmed, by account. On an account that has to be read whole, one for each family. */
export function unconfirmedCounts(
  database: Database,
  familyIds: readonly string[],
): { familyId: string; account: string; count: number }[] {
  const { familyId, account } = unconfirmedListings;
  const listings = database
    .select({ familyId, account, count: sql<number>`count(*)` })
    .from(unconfirmedListings)
    .where(inArray(familyId, [...familyIds]))
    .groupBy(familyId, account)
    .all();
  const whole = database.select({ account: unreadAccounts.account }).from(unreadAccounts).all();
  return [
    ...listings,
    ...familyIds.flatMap((id) => whole.map((row) => ({ familyId: id, account: row.account, count: 1 }))),
  ];
}

/** Has everything that accounts hold read before anything is composed for them. */
export function markUnread(database: Database, accounts: readonly string[], why: string): void {
  const since = new Date().toISOString();
  for (const account of accounts)
    database.insert(unreadAccounts).values({ account, since, why }).onConflictDoNothing().run();
}
