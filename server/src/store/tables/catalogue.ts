/** What holds for all families: documents, channels, pictures. */
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { ChannelEntry } from '@loom-kin/core/listing';
import type { PictureFacts } from '@loom-kin/core/pictures';
import type { Rulebook } from '@loom-kin/core/rulebook';
import { THINGS } from './changes';

/** Documents of which there are few: registry, seller; rulebooks in force, pairings and category maps of channels; routes of accounts. */
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

/** Kinds of places to sell at: their rulebooks as last published there. Which are in force stands in the documents. */
export const channels = sqliteTable('channels', {
  channel: text().primaryKey(),
  place: integer().notNull(),
  rulebook: text({ mode: 'json' }).$type<Rulebook>().notNull(),
  /** What each account may choose from, as the channel says. */
  choices: text({ mode: 'json' }).$type<Record<string, string[]>>().notNull(),
  reachable: integer({ mode: 'boolean' }).notNull(),
});

/** Every edition of a channel's rulebook that was met, so that one can go back. */
export const editions = sqliteTable(
  'editions',
  {
    channel: text().notNull(),
    version: integer().notNull(),
    rulebook: text({ mode: 'json' }).$type<Rulebook>().notNull(),
    at: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.channel, table.version] })],
);

/** What the channels of accounts said of the seller's numbers; numbers without a row were not asked about. */
export const knownNumbers = sqliteTable(
  'known_numbers',
  {
    account: text().notNull(),
    /** GTIN as 14 digits. */
    number: text().notNull(),
    /** Null where the channel has no entry for it. */
    entry: text({ mode: 'json' }).$type<ChannelEntry>(),
    at: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.account, table.number] }), index('known_by_number').on(table.number)],
);
