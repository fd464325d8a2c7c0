/** Stock: the ledger of movements, and its sums. */
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { MovementKind } from '@loom-kin/core/stock';
import { families } from './families';

/** The ledger of stock. Every movement has a key; the same key twice counts once. */
export const movements = sqliteTable(
  'movements',
  {
    id: integer().primaryKey({ autoIncrement: true }),
    key: text().notNull().unique(),
    childId: text().notNull(),
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    location: text().notNull().default('main'),
    kind: text().$type<MovementKind>().notNull(),
    /** Why, in the seller's words. */
    reason: text(),
    pieces: integer().notNull(),
    at: text().notNull(),
  },
  // By family first: what refers to a family is looked for wherever one comes or goes.
  (table) => [index('movements_by_family').on(table.familyId, table.childId)],
);

/** The sum of the ledger per child and location, kept in the same transaction. */
export const stockCounts = sqliteTable(
  'stock_counts',
  {
    childId: text().notNull(),
    location: text().notNull(),
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    pieces: integer().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.childId, table.location] }),
    index('stock_counts_by_family').on(table.familyId),
  ],
);

/** Which items are in sets, by their SKU in capitals: kept beside the figures of the children that are sets. */
export const bundleParts = sqliteTable(
  'bundle_parts',
  {
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    childId: text().notNull(),
    sku: text().notNull(),
    /** So many of it are in one set. */
    pieces: integer().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.familyId, table.childId, table.sku] }),
    index('bundle_parts_by_sku').on(table.sku),
  ],
);
