/** The tables. Aggregates are JSON documents beside the columns that lists sort and search by. */
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type {
  ChannelSettings,
  Family,
  JsonPatch,
  Listing,
  ListingMessage,
  PictureFacts,
  Rulebook,
  Pairing,
} from '@loom-kin/core';
import type { DispatchLine, Totals } from '@loom-kin/contract';

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
    picture: text(),
    retired: integer({ mode: 'boolean' }).notNull(),
    changedAt: text().notNull(),
    doc: text({ mode: 'json' }).$type<Family>().notNull(),
  },
  (table) => [
    index('families_by_name').on(table.retired, table.name),
    index('families_by_change').on(table.retired, table.changedAt),
    index('families_by_style').on(table.styleCode),
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

/** How each family stands with each channel, for lists. */
export const fitStates = sqliteTable(
  'fit_states',
  {
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    channel: text().notNull(),
    state: text({ enum: ['fits', 'needs', 'stopped', 'absent'] }).notNull(),
    stops: integer().notNull(),
    warns: integer().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.familyId, table.channel] }),
    index('fit_states_by_state').on(table.channel, table.state),
  ],
);

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
    kind: text({ enum: ['received', 'counted', 'sold', 'returned'] }).notNull(),
    pieces: integer().notNull(),
    at: text().notNull(),
  },
  (table) => [index('movements_by_child').on(table.childId)],
);

/** The sum of the ledger per child, kept in the same transaction. */
export const stockLevels = sqliteTable(
  'stock_levels',
  {
    childId: text().primaryKey(),
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    pieces: integer().notNull(),
  },
  (table) => [index('stock_by_family').on(table.familyId)],
);

/** What a change was, forth and back. */
export interface JournalDoc {
  forward: JsonPatch;
  inverse: JsonPatch;
  /** Pieces added per child. */
  stock: { childId: string; pieces: number }[];
  pairings: { before: Pairing[]; after: Pairing[] };
  lines: { where: string; what: string; before: string; after: string }[];
}

export const journal = sqliteTable(
  'journal',
  {
    id: integer().primaryKey({ autoIncrement: true }),
    familyId: text().notNull(),
    revision: integer().notNull(),
    /** Given by the sender of the change: the same key twice is the same change. */
    key: text(),
    at: text().notNull(),
    who: text().notNull(),
    kind: text({ enum: ['change', 'undo', 'redo'] }).notNull(),
    title: text().notNull(),
    /** done: can be taken back; undone: can be made again; gone: a later change has taken its place. */
    state: text({ enum: ['done', 'undone', 'gone'] }).notNull(),
    doc: text({ mode: 'json' }).$type<JournalDoc>().notNull(),
  },
  (table) => [
    index('journal_by_family').on(table.familyId, table.id),
    uniqueIndex('journal_by_key').on(table.familyId, table.key),
  ],
);

export const pictures = sqliteTable('pictures', {
  id: text().primaryKey(),
  facts: text({ mode: 'json' }).$type<PictureFacts>().notNull(),
  at: text().notNull(),
});

export const channels = sqliteTable('channels', {
  channel: text().primaryKey(),
  place: integer().notNull(),
  rulebook: text({ mode: 'json' }).$type<Rulebook>().notNull(),
  settings: text({ mode: 'json' }).$type<ChannelSettings>().notNull(),
  choices: text({ mode: 'json' }).$type<Record<string, string[]>>().notNull(),
  reachable: integer({ mode: 'boolean' }).notNull(),
});

export const pairings = sqliteTable(
  'pairings',
  {
    channel: text().notNull(),
    role: text().notNull(),
    value: text().notNull(),
    target: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.channel, table.role, table.value] })],
);

export const setup = sqliteTable('setup', {
  key: text().primaryKey(),
  value: text({ mode: 'json' }).$type<unknown>().notNull(),
});

export const blocks = sqliteTable(
  'blocks',
  {
    id: text().primaryKey(),
    label: text().notNull(),
    prefix: text().notNull(),
    digits: integer().notNull(),
  },
  (table) => [uniqueIndex('blocks_by_prefix').on(table.prefix, table.digits)],
);

/** What each channel holds, as far as its receipts said. */
export const listings = sqliteTable(
  'listings',
  {
    channel: text().notNull(),
    key: text().notNull(),
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    draft: integer({ mode: 'boolean' }).notNull(),
    page: text(),
    sentAt: text().notNull(),
    listing: text({ mode: 'json' }).$type<Listing>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.channel, table.key] }), index('listings_by_family').on(table.familyId)],
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
    channel: text().notNull(),
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
    /** The number of the channel's receipt, once it has taken the line. */
    receipt: text(),
    message: text({ mode: 'json' }).$type<ListingMessage | null>(),
    /** What the channel will hold when it accepts. */
    listing: text({ mode: 'json' }).$type<Listing | null>(),
  },
  (table) => [index('lines_by_dispatch').on(table.dispatchId)],
);
