/** The state of what holds for all families: a name that is another after every change of it, and the same however families change. */
import { sql } from 'drizzle-orm';
import type { Database } from '../store/database';
import { prepared } from '../store/prepared';
import { changeParts, changes, THINGS, type ReadAt, type Thing } from '../store/schema';

/** What a list is read by: registry, pairings, accounts and the rest, not families and their pieces. */
const OF_FAMILIES: readonly Thing[] = ['family', 'stock'];
const FOR_ALL = THINGS.filter((thing) => !OF_FAMILIES.includes(thing));

const newest = prepared((database) =>
  database
    .select({ change: sql<number | null>`max(${changeParts.changeId})` })
    .from(changeParts)
    .where(sql`${changeParts.thing} = ${sql.placeholder('thing')}`)
    .prepare(),
);

const newestOfAll = prepared((database) =>
  database
    .select({ change: sql<number | null>`max(${changes.id})` })
    .from(changes)
    .prepare(),
);

export const readAt = (database: Database): ReadAt => ({
  setup: FOR_ALL.map((thing) => newest(database).get({ thing })?.change ?? 0).join(' '),
  change: newestOfAll(database).get()?.change ?? 0,
});

/** Whether what holds for all families is the same as then. */
export const isSetUpAlike = (database: Database, then: ReadAt): boolean => readAt(database).setup === then.setup;
