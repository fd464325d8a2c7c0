/** What accounts hold, and what is sent to them. */
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { Listing, ListingMessage } from '@loom-kin/core';
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
  (table) => [index('lines_by_dispatch').on(table.dispatchId), index('lines_by_state').on(table.state)],
);
