/** Which families conditions hold for: every family looked at, without its children. */
import { sql } from 'drizzle-orm';
import { type Conditions, type Sorted, conditionsTest } from '@loom-kin/core/catalogue';
import type { Family } from '@loom-kin/core/family';
import type { FoundFamilies, Tried } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { families } from '../store/schema';
import type { Store } from '../store/store';

/** So many families are named. */
const NAMED = 50;

type Row = Sorted & { id: string; name: string };

export function tryConditions(store: Store, sets: readonly Conditions[]): Tried {
  const { registry } = store.catalogue();
  const tests = sets.map((when) => conditionsTest(when, registry));
  const taken = sets.map((): Row[] => []);
  const held = sets.map(() => 0);
  const none: Row[] = [];
  const several: Row[] = [];
  for (const row of everyFamily(store)) {
    const that = tests.flatMap((test, at) => (test(row) ? [at] : []));
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

const SEEN = `SELECT id, name, revision, from_price_text AS price, stock FROM families WHERE retired = 0 ORDER BY name`;
type Seen = [id: string, name: string, revision: number, price: string | null, stock: number];

/** What conditions see of all families that are not retired, by name. Read bare: rows made one by one take twice as long as the question. */
function everyFamily({ database }: Store): Row[] {
  const rows = database.$client.prepare(SEEN).raw().all() as Seen[];
  const said = fieldsOf(database, rows);
  return rows.map(([id, name, , price, stock]) => ({
    id,
    name,
    stock,
    price: price ?? undefined,
    fields: said.get(id)!.fields,
  }));
}

/** Their fields; what is known of families that are gone is forgotten with the next server. */
function fieldsOf(database: Database, rows: readonly Seen[]) {
  let kept = known.get(database);
  if (!kept) known.set(database, (kept = new Map()));
  const changed = rows.filter(([id, , revision]) => kept.get(id)?.revision !== revision);
  const read = new Map(
    readFields(
      database,
      changed.map(([id]) => id),
    ),
  );
  for (const [id, , revision] of changed) kept.set(id, { revision, fields: read.get(id)! });
  return kept;
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
  const ofAccount = (routes[account] ?? []).map(({ id, when }) => ({ id, test: conditionsTest(when, registry) }));
  return everyFamily(store).flatMap((row) => {
    const first = ofAccount.find((route) => route.test(row));
    return first?.id === routeId ? [row.id] : [];
  });
}
