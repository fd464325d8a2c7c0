/** Families, and what is kept beside them for lists and uniqueness. */
import { sql } from 'drizzle-orm';
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { Family } from '@loom-kin/core/family';

export const families = sqliteTable(
  'families',
  {
    id: text().primaryKey(),
    revision: integer().notNull(),
    name: text().notNull(),
    styleCode: text().notNull(),
    brand: text().notNull(),
    category: text().notNull(),
    axes: text().notNull(),
    children: integer().notNull(),
    /** In hundredths of a cent of the seller's currency, for sorting; null without any price. */
    fromPrice: integer(),
    fromPriceText: text(),
    stock: integer().notNull(),
    /** So many children have as few pieces as the seller calls low. */
    low: integer().notNull().default(0),
    picture: text(),
    retired: integer({ mode: 'boolean' }).notNull(),
    changedAt: text().notNull(),
    /** The row of its words in the search table. */
    searchRow: integer(),
    doc: text({ mode: 'json' }).$type<Family>().notNull(),
  },
  (table) => [
    index('families_by_name').on(table.retired, table.name),
    // What conditions see of a family, so that they read no whole rows.
    index('families_seen').on(
      ...[table.retired, table.name, table.id, table.revision, table.fromPriceText, table.stock],
    ),
    // As lists are sorted by name.
    index('families_as_listed').on(table.retired, sql`name COLLATE NOCASE`, table.id),
    index('families_by_change').on(table.retired, table.changedAt),
    index('families_by_style').on(table.styleCode),
    uniqueIndex('families_by_search_row').on(table.searchRow),
  ],
);

/** SKUs and GTINs, each once over the whole catalogue; those of shelved children stay taken. */
export const identifiers = sqliteTable(
  'identifiers',
  {
    kind: text({ enum: ['sku', 'gtin'] }).notNull(),
    /** SKU in capitals; GTIN as 14 digits. */
    value: text().notNull(),
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    childId: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.kind, table.value] }), index('identifiers_by_family').on(table.familyId)],
);

/** Every SKU and GTIN that was ever given out, and to whom first: none is given out a second time by itself. */
export const givenIdentifiers = sqliteTable(
  'given_identifiers',
  {
    kind: text({ enum: ['sku', 'gtin'] }).notNull(),
    value: text().notNull(),
    childId: text().notNull(),
    /** A number that went back to its block: given out again, unless a child has it or an account was told of it. */
    returned: integer({ mode: 'boolean' }).notNull().default(false),
    familyId: text().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.kind, table.value] }),
    index('given_identifiers_by_family').on(table.familyId),
  ],
);

/** Which values a family's axes have, so that a pairing finds the families it touches. */
export const familyValues = sqliteTable(
  'family_values',
  {
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    role: text().notNull(),
    /** The label as pairings compare it. */
    word: text().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.familyId, table.role, table.word] }),
    index('family_values_by_word').on(table.role, table.word),
  ],
);
