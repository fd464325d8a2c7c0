/** How families stand with accounts, and which of them are to be looked at anew. */
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { families } from './families';

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
    // Whole rows in order, so that the board counts without a look at the table.
    index('standings_by_state').on(table.account, table.state, table.familyId),
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
    index('findings_by_code').on(
      ...[table.account, table.code, table.key, table.severity, table.familyId, table.children],
    ),
  ],
);

/** Families whose standing has to be worked out anew. A number that grows with every reason tells a late answer from a fresh one. */
export const due = sqliteTable(
  'due',
  {
    familyId: text()
      .primaryKey()
      .references(() => families.id, { onDelete: 'cascade' }),
    turn: integer().notNull(),
    /** One of many that one reason made due: what the seller just changed goes before it, and it waits where the re-check is stopped. */
    among: integer({ mode: 'boolean' }).notNull().default(false),
  },
  // They are given out in this order, and those of a re-check are counted.
  (table) => [index('due_in_order').on(table.among, table.familyId)],
);
