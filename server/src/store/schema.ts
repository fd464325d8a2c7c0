/** The tables. Aggregates are JSON documents beside the columns that lists sort and search by. */
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type {
  ChangeLine,
  Family,
  JsonPatch,
  Listing,
  ListingMessage,
  PictureFacts,
  RowVerdict,
  Rulebook,
} from '@loom-kin/core';
import type { DispatchLine, IntakeReport, Totals } from '@loom-kin/contract';

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
    /** The row of its words in the search table. */
    searchRow: integer(),
    doc: text({ mode: 'json' }).$type<Family>().notNull(),
  },
  (table) => [
    index('families_by_name').on(table.retired, table.name),
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
    familyId: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.kind, table.value] })],
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

/** How each family stands with each account, for lists. */
export const standings = sqliteTable(
  'standings',
  {
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    account: text().notNull(),
    state: text({ enum: ['fits', 'needs', 'stopped', 'absent'] }).notNull(),
    /** Things to do: findings that stop, and that warn. */
    stops: integer().notNull(),
    warns: integer().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.familyId, table.account] }),
    index('standings_by_state').on(table.account, table.state),
  ],
);

/** Findings of a family on an account, counted by code, so that lists filter and group by them. */
export const findings = sqliteTable(
  'findings',
  {
    familyId: text()
      .notNull()
      .references(() => families.id, { onDelete: 'cascade' }),
    account: text().notNull(),
    code: text().notNull(),
    /** The field or part it is about. */
    key: text().notNull(),
    severity: text({ enum: ['stops', 'warns', 'advises'] }).notNull(),
    count: integer().notNull(),
    children: integer().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.familyId, table.account, table.code, table.key] }),
    index('findings_by_code').on(table.account, table.code),
  ],
);

/** Families whose standing has to be worked out anew. A number that grows with every reason tells a late answer from a fresh one. */
export const due = sqliteTable('due', {
  familyId: text()
    .primaryKey()
    .references(() => families.id, { onDelete: 'cascade' }),
  turn: integer().notNull(),
  /** One of many that one reason made due: what the seller just changed goes before it, and it waits where the re-check is stopped. */
  among: integer({ mode: 'boolean' }).notNull().default(false),
});

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
    kind: text({ enum: ['received', 'counted', 'reserved', 'sold', 'returned'] }).notNull(),
    pieces: integer().notNull(),
    at: text().notNull(),
  },
  (table) => [index('movements_by_child').on(table.childId)],
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

/** One gesture of the seller, over one thing or many. */
export const changes = sqliteTable(
  'changes',
  {
    id: integer().primaryKey({ autoIncrement: true }),
    /** Given by the sender: the same key twice is the same change. */
    key: text(),
    /** A digest of what was asked for under the key: something else under it is no repetition. */
    asked: text(),
    actor: text().notNull(),
    at: text().notNull(),
    kind: text({ enum: ['change', 'undo', 'redo'] }).notNull(),
    title: text().notNull(),
    /** done: can be taken back; undone: can be made again; gone: a later change has taken its place. */
    state: text({ enum: ['done', 'undone', 'gone'] }).notNull(),
    /** The change that an undo or redo is of. */
    of: integer(),
  },
  (table) => [uniqueIndex('changes_by_key').on(table.key)],
);

export const THINGS = ['family', 'registry', 'seller', 'account', 'pairings', 'categoryMap', 'stock'] as const;
export type Thing = (typeof THINGS)[number];

/** What a change did to one thing, forth and back. */
export const changeParts = sqliteTable(
  'change_parts',
  {
    changeId: integer()
      .notNull()
      .references(() => changes.id, { onDelete: 'cascade' }),
    thing: text({ enum: THINGS }).notNull(),
    /** The family's id, the account's, the channel's; empty for what there is one of. Stock is filed under its family. */
    thingId: text().notNull(),
    /** The thing was made by this change: it is not taken back. */
    made: integer({ mode: 'boolean' }).notNull().default(false),
    forward: text({ mode: 'json' }).$type<JsonPatch>().notNull(),
    inverse: text({ mode: 'json' }).$type<JsonPatch>().notNull(),
    /** Pieces added per child, for stock. */
    moves: text({ mode: 'json' }).$type<StockMove[]>().notNull(),
    lines: text({ mode: 'json' }).$type<ChangeLine[]>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.changeId, table.thing, table.thingId] }),
    index('change_parts_by_thing').on(table.thing, table.thingId, table.changeId),
  ],
);

export interface StockMove {
  childId: string;
  location: string;
  pieces: number;
}

/** Documents of which there are few: registry, seller, pairings and category maps of channels. */
export const documents = sqliteTable(
  'documents',
  {
    thing: text({ enum: THINGS }).notNull(),
    id: text().notNull(),
    revision: integer().notNull(),
    doc: text({ mode: 'json' }).$type<unknown>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.thing, table.id] })],
);

export const pictures = sqliteTable('pictures', {
  id: text().primaryKey(),
  facts: text({ mode: 'json' }).$type<PictureFacts>().notNull(),
  at: text().notNull(),
});

/** Kinds of places to sell at: their rulebooks as last fetched. */
export const channels = sqliteTable('channels', {
  channel: text().primaryKey(),
  place: integer().notNull(),
  rulebook: text({ mode: 'json' }).$type<Rulebook>().notNull(),
  /** What each account may choose from, as the channel says. */
  choices: text({ mode: 'json' }).$type<Record<string, string[]>>().notNull(),
  reachable: integer({ mode: 'boolean' }).notNull(),
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

/** Long work that this table alone knows of; a dispatch is known by its lines. */
export const jobs = sqliteTable('jobs', {
  id: text().primaryKey(),
  kind: text({ enum: ['recheck', 'intake'] }).notNull(),
  title: text().notNull(),
  subject: text().notNull(),
  state: text({ enum: ['running', 'stopped', 'done', 'failed'] }).notNull(),
  done: integer().notNull(),
  total: integer(),
  notice: text(),
  at: text().notNull(),
  endedAt: text(),
  /** What it works on; null where the due list says it. */
  sheet: text({ mode: 'json' }).$type<SheetJob>(),
});

/** A sheet being taken in to a family. */
export interface SheetJob {
  fileName: string;
  /** Its name in the folder of what came in. */
  file: string;
  apply: boolean;
  /** What was found in it, once it is read. */
  found: Omit<IntakeReport, 'familyId' | 'fileName' | 'rows'> | null;
}

/** The verdicts of a sheet that was read, row by row. */
export const sheetRows = sqliteTable(
  'sheet_rows',
  {
    jobId: text()
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    row: integer().notNull(),
    verdict: text({ enum: ['new', 'changed', 'same', 'refused'] }).notNull(),
    doc: text({ mode: 'json' }).$type<RowVerdict>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.row] })],
);
