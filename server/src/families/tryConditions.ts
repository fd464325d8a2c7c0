/** Which families conditions hold for: every family looked at, without its children. */
import { eq, sql } from 'drizzle-orm';
import { holds, type Conditions, type Family, type Sorted } from '@loom-kin/core';
import type { FoundFamilies, Tried } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { families } from '../store/schema';
import type { Store } from '../store/store';

/** So many families are named. */
const NAMED = 50;

type Row = Sorted & { id: string; name: string };

export function tryConditions(store: Store, sets: readonly Conditions[]): Tried {
  const { registry } = store.catalogue();
  const taken = sets.map((): Row[] => []);
  const held = sets.map(() => 0);
  const none: Row[] = [];
  const several: Row[] = [];
  for (const row of everyFamily(store)) {
    const that = sets.flatMap((when, at) => (holds(when, row, registry) ? [at] : []));
    for (const at of that) held[at]! += 1;
    const [first] = that;
    if (first === undefined) none.push(row);
    else taken[first]!.push(row);
    if (that.length > 1) several.push(row);
  }
  return {
    sets: taken.map((rows, at) => ({ ...found(rows), holds: held[at]! })),
    none: found(none),
    several: found(several),
  };
}

/** What the families say as a whole, kept by revision: few of them change between two questions. */
const known = new WeakMap<Database, Map<string, { revision: number; fields: Family['fields'] }>>();

/** What conditions see of all families that are not retired, by name. */
function everyFamily({ database }: Store): Row[] {
  const rows = database
    .select({
      id: families.id,
      name: families.name,
      revision: families.revision,
      price: families.fromPriceText,
      stock: families.stock,
    })
    .from(families)
    .where(eq(families.retired, false))
    .orderBy(families.name)
    .all();
  const said = fieldsOf(database, rows);
  return rows.map(({ id, name, price, stock }) => ({
    id,
    name,
    stock,
    price: price ?? undefined,
    fields: said.get(id)!,
  }));
}

function fieldsOf(
  database: Database,
  rows: readonly { id: string; revision: number }[],
): ReadonlyMap<string, Family['fields']> {
  const before = known.get(database) ?? new Map<string, { revision: number; fields: Family['fields'] }>();
  const changed = rows.filter(({ id, revision }) => before.get(id)?.revision !== revision);
  const read = new Map(
    readFields(
      database,
      changed.map((row) => row.id),
    ),
  );
  const now = new Map(
    rows.map(({ id, revision }) => [id, { revision, fields: read.get(id) ?? before.get(id)!.fields }]),
  );
  known.set(database, now);
  return new Map([...now].map(([id, { fields }]) => [id, fields]));
}

/** What stands on families themselves, without their children. */
function readFields(database: Database, ids: readonly string[]): [string, Family['fields']][] {
  if (ids.length === 0) return [];
  return database
    .select({ id: families.id, fields: sql<string>`json_extract(${families.doc}, '$.fields')` })
    .from(families)
    .where(sql`${families.id} IN (SELECT value FROM json_each(${JSON.stringify(ids)}))`)
    .all()
    .map(({ id, fields }) => [id, JSON.parse(fields) as Family['fields']]);
}

const found = (rows: readonly Row[]): FoundFamilies => ({
  count: rows.length,
  families: rows.slice(0, NAMED).map(({ id, name }) => ({ id, name })),
});

/** The families that take a route of an account: those it is the first to hold for. */
export function familiesOnRoute(store: Store, account: string, routeId: string): string[] {
  const { registry, routes } = store.catalogue();
  const ofAccount = routes[account] ?? [];
  return everyFamily(store).flatMap((row) => {
    const first = ofAccount.find((route) => holds(route.when, row, registry));
    return first?.id === routeId ? [row.id] : [];
  });
}
