/** Sets in the store: which items are in them, and how many sets there are pieces for. */
import { and, eq, inArray, sql } from 'drizzle-orm';
import { type BundlePart, bundlePieces, partsOf } from '@loom-kin/core/bundles';
import { type Child, type Family, columnOf, familyIndex, touchedChildren } from '@loom-kin/core/family';
import { identityOf } from '@loom-kin/core/identifiers';
import { Refusal } from '@loom-kin/core/refusal';
import type { BundleItems } from '@loom-kin/contract';
import { loadFamily } from '../store/loadFamily';
import type { Database } from '../store/database';
import { prepared } from '../store/prepared';
import { bundleParts, families, identifiers, stockCounts } from '../store/schema';

/** Stores which items are in the sets of a family, and says whether any changed. What is in a set is no set itself, and no set is in itself. */
export function saveBundles(database: Database, before: Family | null, family: Family): boolean {
  const { was, now } = touchedChildren(before, family);
  const isBundle = ({ fields }: Child) => fields.parts !== undefined;
  if (!was.some(isBundle) && !now.some(isBundle)) return false;
  for (const child of was) {
    if (child.fields.parts === undefined) continue;
    const here = and(eq(bundleParts.familyId, family.id), eq(bundleParts.childId, child.id));
    database.delete(bundleParts).where(here).run();
  }
  for (const child of now) {
    const parts = partsOf(child);
    if (parts.length === 0) continue;
    requireNested(database, child.fields.sku, parts);
    for (const { sku, pieces } of parts)
      database
        .insert(bundleParts)
        .values({ familyId: family.id, childId: child.id, sku: identityOf('sku', sku), pieces })
        .run();
  }
  return true;
}

function requireNested(database: Database, ownSku: unknown, parts: readonly BundlePart[]): void {
  const own = typeof ownSku === 'string' ? identityOf('sku', ownSku) : null;
  for (const { sku } of parts) {
    if (identityOf('sku', sku) === own) throw new Refusal('parts.itself', { sku });
    const item = itemOf(database, sku);
    if (item && isBundle(database, item.familyId, item.childId)) throw new Refusal('parts.of-set', { sku });
  }
  if (own === null) return;
  const [owner] = database
    .select({ name: families.name })
    .from(bundleParts)
    .innerJoin(families, eq(families.id, bundleParts.familyId))
    .where(eq(bundleParts.sku, own))
    .limit(1)
    .all();
  if (owner) throw new Refusal('parts.is-part', { sku: String(ownSku), owner: owner.name });
}

/** The child that has an SKU. */
function itemOf(database: Database, sku: string): { familyId: string; childId: string } | undefined {
  return database
    .select({ familyId: identifiers.familyId, childId: identifiers.childId })
    .from(identifiers)
    .where(and(eq(identifiers.kind, 'sku'), eq(identifiers.value, identityOf('sku', sku))))
    .get();
}

export function isBundle(database: Database, familyId: string, childId: string): boolean {
  const here = and(eq(bundleParts.familyId, familyId), eq(bundleParts.childId, childId));
  return database.select({ sku: bundleParts.sku }).from(bundleParts).where(here).get() !== undefined;
}

const partsIn = prepared((database) =>
  database
    .select()
    .from(bundleParts)
    .where(eq(bundleParts.familyId, sql.placeholder('familyId')))
    .prepare(),
);

/** Sets of a family: child → its parts. Mostly there is none. */
export function bundlesOf(database: Database, familyId: string): Map<string, BundlePart[]> {
  const found = new Map<string, BundlePart[]>();
  for (const { childId, sku, pieces } of partsIn(database).all({ familyId }))
    found.set(childId, [...(found.get(childId) ?? []), { sku, pieces }]);
  return found;
}

/** What is known of an item that is in a set. */
export interface Item {
  sku: string;
  familyId: string;
  childId: string;
  name: string;
  /** Location → pieces; null where it is made to order or has no limit. */
  places: Record<string, number> | null;
}

/** Finds items by their SKU; each family that they stand in is loaded once. */
export function itemFinder(database: Database): (sku: string) => Item | null {
  const known = new Map<string, Item | null>();
  const goods = new Map<string, Goods>();
  return (sku) => {
    const key = identityOf('sku', sku);
    const there = known.get(key);
    if (there !== undefined) return there;
    const at = itemOf(database, key);
    if (at && !goods.has(at.familyId)) goods.set(at.familyId, loadGoods(database, at.familyId));
    const item = at ? describe(goods.get(at.familyId)!, at.childId) : null;
    known.set(key, item);
    return item;
  };
}

interface Goods {
  family: Family;
  places: Record<string, Record<string, number>>;
}

function loadGoods(database: Database, familyId: string): Goods {
  const places: Goods['places'] = {};
  const rows = database.select().from(stockCounts).where(eq(stockCounts.familyId, familyId)).all();
  for (const { childId, location, pieces } of rows) (places[childId] ??= {})[location] = pieces;
  return { family: loadFamily(database, familyId), places };
}

function describe({ family, places }: Goods, childId: string): Item {
  const at = familyIndex(family).position.get(childId);
  const counting = at === undefined ? 'counted' : (columnOf(family, 'counting').at(at) ?? 'counted');
  return {
    sku: String(family.children[childId]?.fields.sku ?? ''),
    familyId: family.id,
    childId,
    name: String(family.fields.name),
    places: counting === 'counted' ? (places[childId] ?? {}) : null,
  };
}

const sumOf = (places: Readonly<Record<string, number>>) =>
  Object.values(places).reduce((sum, pieces) => sum + pieces, 0);

/** How many sets there are pieces for, all places together: parts may be brought together. Null where none is counted. */
export function setsOf(parts: readonly BundlePart[], find: (sku: string) => Item | null): number | null {
  return bundlePieces(parts, (sku) => {
    const item = find(sku);
    return item ? item.places && sumOf(item.places) : undefined;
  });
}

/** How many sets there are pieces for at each place. */
export function setsAt(parts: readonly BundlePart[], find: (sku: string) => Item | null): Record<string, number> {
  const items = parts.flatMap(({ sku }) => find(sku) ?? []);
  const locations = new Set(items.flatMap(({ places }) => Object.keys(places ?? {})));
  return Object.fromEntries(
    [...locations].map((location) => [
      location,
      bundlePieces(parts, (sku) => {
        const item = find(sku);
        return item ? item.places && (item.places[location] ?? 0) : undefined;
      }) ?? 0,
    ]),
  );
}

/** Families that have sets with items of these families in them, and are not among them. */
export function familiesWithBundlesOf(database: Database, familyIds: readonly string[]): string[] {
  const isEmpty =
    database
      .select({ one: sql`1` })
      .from(bundleParts)
      .limit(1)
      .all().length === 0;
  if (isEmpty || familyIds.length === 0) return [];
  const own = new Set(familyIds);
  const found = new Set<string>();
  for (let at = 0; at < familyIds.length; at += 500) {
    const rows = database
      .selectDistinct({ id: bundleParts.familyId })
      .from(bundleParts)
      .innerJoin(identifiers, and(eq(identifiers.kind, 'sku'), eq(identifiers.value, bundleParts.sku)))
      .where(inArray(identifiers.familyId, familyIds.slice(at, at + 500)))
      .all();
    for (const { id } of rows) if (!own.has(id)) found.add(id);
  }
  return [...found];
}

/** Sets that have an item in them: where they stand. */
export function bundlesWith(database: Database, sku: string): { familyId: string; childId: string }[] {
  return database
    .select({ familyId: bundleParts.familyId, childId: bundleParts.childId })
    .from(bundleParts)
    .where(eq(bundleParts.sku, identityOf('sku', sku)))
    .all();
}

/** The items of a set as they are told, with their pieces at all places together. */
export function itemsOf(database: Database, parts: readonly BundlePart[]): BundleItems {
  const find = itemFinder(database);
  return parts.map(({ sku, pieces }) => {
    const item = find(sku);
    const stock = item?.places ? sumOf(item.places) : null;
    return { sku, pieces, item: item && { familyId: item.familyId, name: item.name, stock } };
  });
}
