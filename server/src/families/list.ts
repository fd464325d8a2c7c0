/** Lists of families: a page of those that are meant, with how they stand. */
import { asc, desc, inArray, sql } from 'drizzle-orm';
import type { endpoints, FamilySummary, Strip } from '@loom-kin/contract';
import type { z } from 'zod';
import type { Database } from '../store/database';
import { unconfirmedCounts } from '../held/unconfirmed';
import { families, heldListings, standings } from '../store/schema';
import type { Store } from '../store/store';
import { familiesMeant } from './filter';

type ListQuery = z.infer<typeof endpoints.listFamilies.query>;

/** Families that match, a page of them. */
export function listFamilies(store: Store, query: ListQuery): { total: number; families: FamilySummary[] } {
  const condition = familiesMeant(store, query);
  const { database } = store;
  const order = {
    name: [asc(sql`${families.name} COLLATE NOCASE`)],
    changed: [desc(families.changedAt)],
    price: [asc(families.fromPrice)],
    stock: [asc(families.stock)],
    children: [desc(families.children)],
  }[query.sort];
  const total = database
    .select({ count: sql<number>`count(*)` })
    .from(families)
    .where(condition)
    .get()!.count;
  const rows = database
    .select({
      id: families.id,
      name: families.name,
      styleCode: families.styleCode,
      brand: families.brand,
      category: families.category,
      axes: families.axes,
      children: families.children,
      fromPrice: families.fromPriceText,
      stock: families.stock,
      low: families.low,
      picture: families.picture,
      retired: families.retired,
      changedAt: families.changedAt,
    })
    .from(families)
    .where(condition)
    .orderBy(...order, asc(families.id))
    .limit(query.limit)
    .offset(query.offset)
    .all();
  const strips = stripsOf(
    database,
    rows.map((row) => row.id),
  );
  return { total, families: rows.map((row) => ({ ...row, strip: strips.get(row.id) ?? {} })) };
}

function stripsOf(database: Database, ids: string[]): Map<string, Strip> {
  const strips = new Map<string, Strip>(ids.map((id) => [id, {}]));
  if (ids.length === 0) return strips;
  for (const row of database.select().from(standings).where(inArray(standings.familyId, ids)).all()) {
    strips.get(row.familyId)![row.account] = {
      state: row.state,
      stops: row.stops,
      warns: row.warns,
      live: 0,
      drafts: 0,
      unconfirmed: 0,
    };
  }
  const live = database
    .select({
      familyId: heldListings.familyId,
      account: heldListings.account,
      drafts: sql<number>`sum(${heldListings.draft})`,
      count: sql<number>`count(*)`,
    })
    .from(heldListings)
    .where(inArray(heldListings.familyId, ids))
    .groupBy(heldListings.familyId, heldListings.account)
    .all();
  for (const row of live) {
    const entry = strips.get(row.familyId)?.[row.account];
    if (entry) Object.assign(entry, { live: row.count - row.drafts, drafts: row.drafts });
  }
  for (const { familyId, account, count } of unconfirmedCounts(database, ids)) {
    const entry = strips.get(familyId)?.[account];
    if (entry) entry.unconfirmed = count;
  }
  return strips;
}
