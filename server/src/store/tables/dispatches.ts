/** What accounts hold, and what is sent to them. */
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { Listing, ListingMessage } from '@loom-kin/core/listing';
import type { DispatchLine, Totals } from '@loom-kin/contract';
import { families } from './families';

/** What each account holds, as far as its receipts said. */
export const heldListings = sqliteTable(
  'held_listings',
  {
    account: text().notNull(),
    key: text().notNull(),
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    draft: integer({ mode: 'boolean' }).notNull(),
    page: text(),
    sentAt: text().notNull(),
    listing: text({ mode: 'json' }).$type<Listing>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.account, table.key] }), index('held_by_family').on(table.familyId)],
);

export const dispatches = sqliteTable('dispatches', {
  id: text().primaryKey(),
  /** Given by the sender: the same key twice is the same dispatch. */
  key: text().notNull().unique(),
  at: text().notNull(),
  state: text({ enum: ['running', 'done', 'stopped'] }).notNull(),
  draft: integer({ mode: 'boolean' }).notNull(),
  totals: text({ mode: 'json' }).$type<Totals>().notNull(),
  notice: text(),
});

export const dispatchLines = sqliteTable(
  'dispatch_lines',
  {
    id: integer().primaryKey({ autoIncrement: true }),
    dispatchId: text()
      .notNull()
      .references(() => dispatches.id, { onDelete: 'cascade' }),
    account: text().notNull().default(''),
    familyId: text().notNull(),
    familyName: text().notNull(),
    key: text().notNull(),
    action: text({ enum: ['list', 'revise', 'takeDown', 'none'] }).notNull(),
    children: integer().notNull(),
    fee: text().notNull(),
    state: text({ enum: ['held', 'queued', 'sent', 'done', 'refused', 'failed', 'stopped'] }).notNull(),
    outcome: text(),
    reasons: text({ mode: 'json' }).$type<DispatchLine['reasons']>().notNull(),
    page: text(),
    /** What the message holds, in words. */
    what: text().notNull().default(''),
    /** The key the message was handed over under; another try has another. */
    submission: text(),
    /** The number of the channel's receipt, once it has taken the line. */
    receipt: text(),
    message: text({ mode: 'json' }).$type<ListingMessage | null>(),
    /** What the channel will hold when it accepts. */
    listing: text({ mode: 'json' }).$type<Listing | null>(),
  },
  (table) => [
    // Covers the counts of a list of dispatches, so that no message is read for them.
    index('lines_by_dispatch').on(table.dispatchId, table.state, table.familyName),
    index('lines_by_state').on(table.state, table.account),
  ],
);

/**
 * Listings of which it is not known for certain what the account holds: something was handed over and no answer said what became of
 * it. A row stays until the channel has been read again, whatever becomes of the dispatch line it came from.
 */
export const unconfirmedListings = sqliteTable(
  'unconfirmed_listings',
  {
    account: text().notNull(),
    key: text().notNull(),
    familyId: text().notNull(),
    since: text().notNull(),
    /** Why it is not known, in words. */
    why: text().notNull(),
    /** The key it was handed over under, and the number of the channel's receipt where there was one. */
    submission: text().notNull(),
    receipt: text(),
    /** The channel is done with the submission: what it holds needs only to be read. */
    isOver: integer({ mode: 'boolean' }).notNull(),
    /** The channel said that it does not take the submission. */
    isTurnedAway: integer({ mode: 'boolean' }).notNull(),
    /** What the channel holds if it took it; null where it was to be taken down. */
    listing: text({ mode: 'json' }).$type<Listing | null>(),
  },
  (table) => [primaryKey({ columns: [table.account, table.key] }), index('unconfirmed_by_family').on(table.familyId)],
);

/** Accounts of which everything has to be read before anything is composed: what is known of them is older than what they hold. */
export const unreadAccounts = sqliteTable('unread_accounts', {
  account: text().primaryKey(),
  since: text().notNull(),
  why: text().notNull(),
});
