/** How the seller has arranged views. */
import { sqliteTable, text } from 'drizzle-orm/sqlite-core';

export const layouts = sqliteTable('layouts', {
  /** The view. */
  id: text().primaryKey(),
  doc: text({ mode: 'json' }).notNull(),
});
