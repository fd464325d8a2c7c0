/** The journal: every change with its heading and one part for each thing it touched; the source of undo. */
import { and, asc, desc, eq, exists, gt, inArray, ne, sql, type Placeholder, type SQL } from 'drizzle-orm';
import type { StepBack } from '@loom-kin/contract';
import type { ChangeLine } from '@loom-kin/core/descriptions';
import type { JsonPatch } from '@loom-kin/core/difference';
import type { Database } from '../store/database';
import { prepared } from '../store/prepared';
import { changeParts, changes, type StockMove, type Thing } from '../store/schema';

export type ChangeRow = typeof changes.$inferSelect;
export type PartRow = typeof changeParts.$inferSelect;

/** What a change did to one thing. */
export interface Part {
  thing: Thing;
  thingId: string;
  made?: boolean;
  forward?: JsonPatch;
  inverse?: JsonPatch;
  moves?: StockMove[];
  lines?: ChangeLine[];
}

export interface Heading {
  key: string | null;
  asked?: string | undefined;
  actor: string;
  at: string;
  kind: ChangeRow['kind'];
  title: string;
  of?: number;
}

const value = sql.placeholder;
const insertPart = prepared((database) =>
  database
    .insert(changeParts)
    .values({
      changeId: value('changeId'),
      thing: value('thing'),
      thingId: value('thingId'),
      made: value('made'),
      forward: value('forward'),
      inverse: value('inverse'),
      moves: value('moves'),
      lines: value('lines'),
    })
    .prepare(),
);

/** Writes a change and gives its id. What had been taken back of the things it touches can no longer be made again. */
export function writeChange(database: Database, heading: Heading, parts: readonly Part[]): number {
  if (heading.kind === 'change' && isAnyUndone(database)) for (const part of parts) forgetUndone(database, part);
  const state = heading.kind === 'change' ? 'done' : 'gone';
  const { id } = database
    .insert(changes)
    .values({ ...heading, state })
    .returning({ id: changes.id })
    .get();
  for (const { thing, thingId, made = false, forward = [], inverse = [], moves = [], lines = [] } of parts)
    insertPart(database).run({ changeId: id, thing, thingId, made, forward, inverse, moves, lines });
  return id;
}

const isAnyUndone = (database: Database): boolean =>
  database.select({ id: changes.id }).from(changes).where(eq(changes.state, 'undone')).limit(1).get() !== undefined;

function forgetUndone(database: Database, { thing, thingId }: Part): void {
  // A family and its stock are one to whoever works in it.
  const things: Thing[] = thing === 'family' || thing === 'stock' ? ['family', 'stock'] : [thing];
  const touches = database
    .select({ one: sql`1` })
    .from(changeParts)
    .where(
      and(eq(changeParts.changeId, changes.id), inArray(changeParts.thing, things), eq(changeParts.thingId, thingId)),
    );
  database
    .update(changes)
    .set({ state: 'gone' })
    .where(and(eq(changes.state, 'undone'), exists(touches)))
    .run();
}

export function changeOfKey(database: Database, key: string): ChangeRow | undefined {
  return database.select().from(changes).where(eq(changes.key, key)).get();
}

export function changeOf(database: Database, id: number): ChangeRow | undefined {
  return database.select().from(changes).where(eq(changes.id, id)).get();
}

export function partsOf(database: Database, changeId: number): PartRow[] {
  return database.select().from(changeParts).where(eq(changeParts.changeId, changeId)).all();
}

export function markChange(database: Database, id: number, state: ChangeRow['state']): void {
  database.update(changes).set({ state }).where(eq(changes.id, id)).run();
}

const partsAfter = prepared((database) =>
  database
    .select({ part: changeParts, title: changes.title })
    .from(changeParts)
    .innerJoin(changes, eq(changes.id, changeParts.changeId))
    .where(
      and(
        eq(changeParts.thing, value('thing')),
        eq(changeParts.thingId, value('thingId')),
        gt(changeParts.changeId, value('changeId')),
        eq(changes.kind, 'change'),
        eq(changes.state, 'done'),
      ),
    )
    .orderBy(desc(changeParts.changeId))
    .prepare(),
);

/** Parts of changes that still stand and came after this one, on the same thing; the newest first. */
export function laterParts(
  database: Database,
  changeId: number,
  part: Pick<PartRow, 'thing' | 'thingId'>,
): (PartRow & { title: string })[] {
  return partsAfter(database)
    .all({ changeId, thing: part.thing, thingId: part.thingId })
    .map((row) => ({ ...row.part, title: row.title }));
}

export const onFamily = (familyId: string | Placeholder) =>
  and(inArray(changeParts.thing, ['family', 'stock']), eq(changeParts.thingId, familyId));

/** Changes of a family in a state, the first of an order. */
const firstIn = (state: 'done' | 'undone', order: SQL) =>
  prepared((database) =>
    database
      .select({ change: changes })
      .from(changes)
      .innerJoin(changeParts, eq(changeParts.changeId, changes.id))
      .where(and(onFamily(sql.placeholder('familyId')), eq(changes.kind, 'change'), eq(changes.state, state)))
      .orderBy(order)
      .limit(1)
      .prepare(),
  );
const newestDone = firstIn('done', desc(changes.id));
const oldestUndone = firstIn('undone', asc(changes.id));

/** The change Ctrl Z takes back on a family: the newest that touched it and stands. The start of the family itself is not taken back. */
export function lastDone(database: Database, familyId: string): ChangeRow | undefined {
  const change = newestDone(database).get({ familyId })?.change;
  return change && partsOf(database, change.id).some((part) => part.made && part.thingId === familyId)
    ? undefined
    : change;
}

/** The change Ctrl Y makes again: the oldest of those taken back. */
export const firstUndone = (database: Database, familyId: string): ChangeRow | undefined =>
  oldestUndone(database).get({ familyId })?.change;

/** A change as the page of a family tells of it. */
export function stepBackOf(database: Database, familyId: string, change: ChangeRow | undefined): StepBack | null {
  if (!change) return null;
  const others = database
    .select({ count: sql<number>`count(DISTINCT ${changeParts.thingId})` })
    .from(changeParts)
    .where(
      and(
        eq(changeParts.changeId, change.id),
        inArray(changeParts.thing, ['family', 'stock']),
        ne(changeParts.thingId, familyId),
      ),
    )
    .get()!.count;
  return { id: change.id, title: change.title, others };
}

/** So many keys tell a page that was broken off what of its changes was stored. */
const KEYS_KEPT = 200;

const keysOf = prepared((database) =>
  database
    .select({ key: changes.key })
    .from(changes)
    .innerJoin(changeParts, eq(changeParts.changeId, changes.id))
    .where(onFamily(sql.placeholder('familyId')))
    .orderBy(desc(changes.id))
    .limit(KEYS_KEPT)
    .prepare(),
);
/** The keys of the newest changes of a family, newest first. */
export const newestKeys = (database: Database, familyId: string): string[] =>
  keysOf(database)
    .all({ familyId })
    .flatMap((row) => row.key ?? []);
