/** Changes with their parts: the journal, and the source of undo. */
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { ChangeLine } from '@loom-kin/core/descriptions';
import type { JsonPatch } from '@loom-kin/core/difference';

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

export const THINGS = [
  ...(['family', 'registry', 'seller', 'account', 'pairings', 'categoryMap', 'stock'] as const),
  ...(['rulebook', 'routes', 'collections'] as const),
] as const;

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
    /** The thing was made by this change. Taken back it goes whole, and is kept in `forward` meanwhile. */
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
