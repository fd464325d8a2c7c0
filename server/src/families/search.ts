/** Reading families: lists with search and filters, one family whole, families like one about to be started. */
import { and, asc, desc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import { gtin14 } from '@loom-kin/core';
import type { FamilyDetail, FamilySummary, QueryOf, Strip } from '@loom-kin/contract';
import type { endpoints } from '@loom-kin/contract';
import type { z } from 'zod';
import type { Database } from '../store/database';
import { families, fitStates, listings } from '../store/schema';
import { picturesIn } from '../pictures/takePicture';
import { loadFamily, loadStock } from './save';
import { liveOf } from '../fits/fits';
import { firstUndone, lastDone, lastKey } from '../changes/journal';

type ListQuery = z.infer<typeof endpoints.listFamilies.query>;
export type { QueryOf };

/** Families that match, a page of them. */
export function listFamilies(database: Database, query: ListQuery): { total: number; families: FamilySummary[] } {
  const where: SQL[] = [eq(families.retired, query.retired === 'yes')];
  const words = query.q.trim();
  if (words) where.push(matches(words));
  if (query.channel && query.state) {
    where.push(
      sql`${families.id} IN (SELECT family_id FROM fit_states WHERE channel = ${query.channel} AND state = ${query.state})`,
    );
  }
  const order = {
    name: [asc(sql`${families.name} COLLATE NOCASE`)],
    changed: [desc(families.changedAt)],
    price: [asc(families.fromPrice)],
    stock: [asc(families.stock)],
    children: [desc(families.children)],
  }[query.sort];
  const condition = and(...where);
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

/** Three characters and more are found anywhere by trigrams; fewer at the start of a word. */
function matches(words: string): SQL {
  const terms = words.split(/\s+/).slice(0, 6);
  const long = terms.filter((term) => term.length >= 3);
  const short = terms.filter((term) => term.length < 3);
  const found: SQL[] = short.map(
    (term) =>
      sql`(${families.name} LIKE ${`${escapeLike(term)}%`} ESCAPE '!' OR ${families.name} LIKE ${`% ${escapeLike(term)}%`} ESCAPE '!' OR ${families.styleCode} LIKE ${`${escapeLike(term)}%`} ESCAPE '!')`,
  );
  if (long.length > 0) {
    const phrase = long.map((term) => `"${term.replaceAll('"', '""')}"`).join(' ');
    found.push(sql`${families.id} IN (SELECT family_id FROM family_search WHERE family_search MATCH ${phrase})`);
  }
  // A GTIN is found in whatever form it is kept.
  if (/^\d{8,14}$/.test(words))
    return sql`(${and(...found)} OR ${families.id} IN (SELECT family_id FROM identifiers WHERE kind = 'gtin' AND value = ${gtin14(words)}))`;
  return and(...found)!;
}

const escapeLike = (text: string) => text.replace(/[!%_]/g, '!$&');

function stripsOf(database: Database, ids: string[]): Map<string, Strip> {
  const strips = new Map<string, Strip>(ids.map((id) => [id, {}]));
  if (ids.length === 0) return strips;
  for (const row of database.select().from(fitStates).where(inArray(fitStates.familyId, ids)).all()) {
    strips.get(row.familyId)![row.channel] = { state: row.state, stops: row.stops, warns: row.warns, live: 0 };
  }
  const live = database
    .select({ familyId: listings.familyId, channel: listings.channel, count: sql<number>`count(*)` })
    .from(listings)
    .where(inArray(listings.familyId, ids))
    .groupBy(listings.familyId, listings.channel)
    .all();
  for (const row of live) {
    const entry = strips.get(row.familyId)?.[row.channel];
    if (entry) entry.live = row.count;
  }
  return strips;
}

/** One family with everything its view needs. */
export function familyDetail(database: Database, id: string): FamilyDetail {
  const family = loadFamily(database, id);
  return {
    family,
    stock: loadStock(database, id),
    pictures: picturesIn(database, family),
    live: liveOf(database, id),
    undo: lastDone(database, id)?.title ?? null,
    redo: firstUndone(database, id)?.title ?? null,
    lastKey: lastKey(database, id),
  };
}

/** Families with the same style code, or a name that shares most of its words. */
export function likeFamilies(
  database: Database,
  name: string,
  styleCode: string,
): { id: string; name: string; styleCode: string; why: string }[] {
  const found = new Map<string, { id: string; name: string; styleCode: string; why: string }>();
  const columns = { id: families.id, name: families.name, styleCode: families.styleCode };
  if (styleCode.trim()) {
    for (const row of database
      .select(columns)
      .from(families)
      .where(sql`${families.styleCode} = ${styleCode.trim()} COLLATE NOCASE`)
      .limit(5)
      .all()) {
      found.set(row.id, { ...row, why: 'has this style code' });
    }
  }
  const wanted = wordsOf(name);
  if (wanted.length > 0) {
    const phrase = wanted
      .filter((word) => word.length >= 3)
      .map((word) => `"${word}"`)
      .join(' OR ');
    const rows = phrase
      ? (database.$client
          .prepare(
            'SELECT f.id, f.name, f.style_code AS styleCode FROM family_search s JOIN families f ON f.id = s.family_id WHERE family_search MATCH ? LIMIT 200',
          )
          .all(phrase) as { id: string; name: string; styleCode: string }[])
      : [];
    for (const row of rows) {
      const own = wordsOf(row.name);
      const shared = wanted.filter((word) => own.includes(word)).length;
      if (!found.has(row.id) && shared / Math.max(wanted.length, own.length) >= 0.6)
        found.set(row.id, { ...row, why: 'has nearly this name' });
    }
  }
  return [...found.values()].slice(0, 5);
}

const wordsOf = (name: string) => [
  ...new Set(
    name
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word.length > 1),
  ),
];
