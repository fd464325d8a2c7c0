/** Which families conditions hold for: every family looked at, without its children. */
import { eq, sql } from 'drizzle-orm';
import { holds, type Conditions, type Family, type Sorted } from '@loom-kin/core';
import type { FoundFamilies, Tried } from '@loom-kin/contract';
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

/** What conditions see of all families that are not retired, by name. */
function everyFamily({ database }: Store): Row[] {
  return database
    .select({
      id: families.id,
      name: families.name,
      price: families.fromPriceText,
      stock: families.stock,
      fields: sql<string>`json_extract(${families.doc}, '$.fields')`,
    })
    .from(families)
    .where(eq(families.retired, false))
    .orderBy(families.name)
    .all()
    .map(({ fields, price, ...row }) => ({
      ...row,
      price: price ?? undefined,
      fields: JSON.parse(fields) as Family['fields'],
    }));
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
