/** The journal for reading: changes, and some at a time of the things that each of them touched. */
import { and, desc, eq, exists, lt, sql } from 'drizzle-orm';
import type { ChangePart, JournalEntry } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { prepared } from '../store/prepared';
import { changeParts, changes, families, type Thing } from '../store/schema';
import type { Store } from '../store/store';
import { onFamily } from './journal';

/** So many parts of a change are told with it. */
const PARTS_TOLD = 20;
/** So many lines of a part are told. */
const LINES_TOLD = 500;

/** Changes, newest first. */
export function readJournal(
  store: Store,
  query: { familyId?: string | undefined; before?: number | undefined; limit: number },
): JournalEntry[] {
  const { database } = store;
  const touched = query.familyId
    ? exists(
        database
          .select({ one: sql`1` })
          .from(changeParts)
          .where(and(eq(changeParts.changeId, changes.id), onFamily(query.familyId))),
      )
    : undefined;
  const rows = database
    .select()
    .from(changes)
    .where(and(touched, query.before ? lt(changes.id, query.before) : undefined))
    .orderBy(desc(changes.id))
    .limit(query.limit)
    .all();
  return rows.map(({ id, at, actor, kind, title, state }) => ({
    id,
    at,
    actor,
    kind,
    title,
    state,
    ...countsOf(database).get({ id })!,
    parts: readParts(store, id, { familyId: query.familyId, from: 0, limit: PARTS_TOLD }),
  }));
}

const countsOf = prepared((database) =>
  database
    .select({
      partCount: sql<number>`count(*)`,
      familyCount: sql<number>`coalesce(sum(${changeParts.thing} = 'family'), 0)`,
    })
    .from(changeParts)
    .where(eq(changeParts.changeId, sql.placeholder('id')))
    .prepare(),
);

/** Parts of a change in an order that stays; those of a family that is named come before all others. */
export function readParts(
  store: Store,
  id: number,
  { familyId = '', from, limit }: { familyId?: string | undefined; from: number; limit: number },
): ChangePart[] {
  const own = familyId === '' ? [] : partsWhere(store.database, 'is').all({ id, familyId, from: 0, limit: 2 });
  const others = partsWhere(store.database, 'is not').all({
    id,
    familyId,
    from: Math.max(0, from - own.length),
    limit: Math.max(0, limit - Math.max(0, own.length - from)),
  });
  return [...own.slice(from), ...others].map(({ thing, thingId, lines, name }) => ({
    thing,
    thingId,
    name: name ?? thingName(store, thing, thingId),
    lines: lines.slice(0, LINES_TOLD),
    moreLines: Math.max(0, lines.length - LINES_TOLD),
  }));
}

const OF_FAMILY = sql`${changeParts.thing} IN ('family', 'stock')`;
const statementFor = (which: 'is' | 'is not') =>
  prepared((database) => {
    const isOwn = sql`(${OF_FAMILY} AND ${changeParts.thingId} = ${sql.placeholder('familyId')})`;
    return database
      .select({
        thing: changeParts.thing,
        thingId: changeParts.thingId,
        lines: changeParts.lines,
        name: families.name,
      })
      .from(changeParts)
      .leftJoin(families, and(OF_FAMILY, eq(families.id, changeParts.thingId)))
      .where(and(eq(changeParts.changeId, sql.placeholder('id')), which === 'is' ? isOwn : sql`NOT ${isOwn}`))
      .orderBy(changeParts.thing, changeParts.thingId)
      .limit(sql.placeholder('limit'))
      .offset(sql.placeholder('from'))
      .prepare();
  });
const STATEMENTS = { is: statementFor('is'), 'is not': statementFor('is not') };
const partsWhere = (database: Database, which: keyof typeof STATEMENTS) => STATEMENTS[which](database);

function thingName(store: Store, thing: Thing, id: string): string {
  const { namer, channels } = store.catalogue();
  const channel = channels.find((one) => one.channel === id)?.rulebook.name ?? id;
  const names: Record<Thing, string> = {
    family: 'a family that is gone',
    stock: 'a family that is gone',
    registry: 'Registry',
    seller: 'Seller',
    account: namer.account(id),
    pairings: `Pairings on ${channel}`,
    categoryMap: `Categories on ${channel}`,
    rulebook: `Rules of ${channel}`,
    routes: `Routes to ${namer.account(id)}`,
    collections: 'Collections',
  };
  return names[thing];
}
