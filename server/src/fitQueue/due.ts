/** Which families have to be looked at anew after a change: what it can touch, not everything. */
import { eq, inArray, sql } from 'drizzle-orm';
import { pathOf } from '@loom-kin/core/difference';
import { fieldOfPaired } from '@loom-kin/core/pairing';
import type { Part } from '../journal/journal';
import type { Database } from '../store/database';
import { prepared } from '../store/prepared';
import { due, families, familyValues } from '../store/schema';
import type { Store } from '../store/store';

/** More families than these, due for one reason, are a re-check: a job of its own, behind what the seller just changed. */
export const FEW = 24;

const ONCE_MORE = sql`${due.turn} + 1`;
const markAmong = prepared((database) =>
  database
    .insert(due)
    .values({ familyId: sql.placeholder('familyId'), turn: 1, among: true })
    .onConflictDoUpdate({ target: due.familyId, set: { turn: ONCE_MORE } })
    .prepare(),
);
const markAlone = prepared((database) =>
  database
    .insert(due)
    .values({ familyId: sql.placeholder('familyId'), turn: 1, among: false })
    .onConflictDoUpdate({ target: due.familyId, set: { turn: ONCE_MORE, among: false } })
    .prepare(),
);

/**
 * Marks families; one that is due already is due for one more reason, so that an answer under way comes too late.
 * @param isBehind whether what the seller just changed goes before them; many always are
 */
export function markDue(database: Database, familyIds: Iterable<string>, isBehind = false): void {
  const ids = [...familyIds];
  const mark = (isBehind || ids.length > FEW ? markAmong : markAlone)(database);
  for (const familyId of ids) mark.run({ familyId });
}

export function markAllDue(database: Database): void {
  database.run(sql`INSERT INTO due (family_id, turn, among) SELECT id, 1, true FROM families WHERE true
    ON CONFLICT (family_id) DO UPDATE SET turn = turn + 1`);
}

/** Marks what a change's parts can touch. */
export function dueAfter(store: Store, parts: readonly Pick<Part, 'thing' | 'thingId' | 'forward'>[]): void {
  const { database } = store;
  const touched = parts.flatMap(({ thing, thingId }) => (thing === 'family' || thing === 'stock' ? [thingId] : []));
  markDue(database, new Set(touched));
  for (const { thing, forward = [] } of parts) {
    if (thing === 'family' || thing === 'stock') continue;
    const places = forward.map((step) => pathOf(step.path).slice(1));
    if (thing === 'pairings' && places.some(([paired]) => fieldOfPaired(paired!) !== null)) markAllDue(database);
    else if (thing === 'pairings') markDue(database, familiesWithWords(database, places));
    else if (thing === 'categoryMap')
      markDue(
        database,
        familiesIn(
          store,
          places.map((place) => place[0]!),
        ),
      );
    else if (thing === 'registry') dueAfterRegistry(store, places);
    else markAllDue(database);
  }
}

/** Families that have one of these values: role, then the word as pairings compare it. */
function familiesWithWords(database: Database, places: readonly string[][]): Set<string> {
  const found = new Set<string>();
  for (const [role, word] of places) {
    const here =
      word === undefined
        ? eq(familyValues.role, role!)
        : sql`${familyValues.role} = ${role} AND ${familyValues.word} = ${word}`;
    for (const row of database.select({ id: familyValues.familyId }).from(familyValues).where(here).all())
      found.add(row.id);
  }
  return found;
}

/** Families in these categories or below them. */
function familiesIn(store: Store, categories: readonly string[]): string[] {
  const { registry } = store.catalogue();
  const wanted = new Set(categories);
  const below = Object.keys(registry.data.categories).filter((id) =>
    registry.path(id).some((one) => wanted.has(one.id)),
  );
  const all = [...new Set([...below, ...categories])];
  if (all.length === 0) return [];
  return store.database
    .select({ id: families.id })
    .from(families)
    .where(inArray(families.category, all))
    .all()
    .map((row) => row.id);
}

/** What is proposed while typing touches no family; everything else of the registry may. */
function dueAfterRegistry(store: Store, places: readonly string[][]): void {
  const parts = new Set(places.map((place) => place[0]));
  if (
    parts.has('facts') ||
    parts.has('languages') ||
    ['taxCodes', 'terms', 'sizeCharts'].some((part) => parts.has(part))
  )
    markAllDue(store.database);
  else if (parts.has('categories'))
    markDue(
      store.database,
      familiesIn(
        store,
        places.flatMap((place) => (place[0] === 'categories' ? [place[1]!] : [])),
      ),
    );
}
