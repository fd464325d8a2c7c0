/** Lists of families, with search and filters. */
import { and, asc, desc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import { gtin14, SEVERITIES } from '@loom-kin/core';
import type { endpoints, FamilySummary, FindingCount, Strip } from '@loom-kin/contract';
import type { z } from 'zod';
import type { Database } from '../store/database';
import { families, findings, heldListings, standings } from '../store/schema';
import { matchesPhrase } from './searchWords';

type ListQuery = z.infer<typeof endpoints.listFamilies.query>;

/** Families that match, a page of them. */
export function listFamilies(database: Database, query: ListQuery): { total: number; families: FamilySummary[] } {
  const where: SQL[] = [eq(families.retired, query.retired === 'yes')];
  // Signs that no word has would end the search's own syntax.
  // eslint-disable-next-line no-control-regex
  const words = query.q.replace(/[\u0000-\u001f]/g, ' ').trim();
  if (words) where.push(matches(words));
  if (query.account && query.state) {
    where.push(
      sql`${families.id} IN (SELECT family_id FROM standings WHERE account = ${query.account} AND state = ${query.state})`,
    );
  }
  if (query.account && query.finding) {
    const [code = '', key = ''] = query.finding.split('|');
    where.push(
      sql`${families.id} IN (SELECT family_id FROM findings WHERE account = ${query.account} AND code = ${code} AND key = ${key})`,
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

/** How many families that are not retired have which findings on an account: what stops first, then by how many have it. */
export function findingCounts(database: Database, account: string): FindingCount[] {
  const rows = database
    .select({
      code: findings.code,
      key: findings.key,
      severity: findings.severity,
      families: sql<number>`count(*)`,
      children: sql<number>`sum(${findings.children})`,
    })
    .from(findings)
    .innerJoin(families, and(eq(families.id, findings.familyId), eq(families.retired, false)))
    .where(eq(findings.account, account))
    .groupBy(findings.code, findings.key, findings.severity)
    .all();
  return rows.toSorted(
    (a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || b.families - a.families,
  );
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
    found.push(matchesPhrase(phrase));
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
  for (const row of database.select().from(standings).where(inArray(standings.familyId, ids)).all()) {
    strips.get(row.familyId)![row.account] = { state: row.state, stops: row.stops, warns: row.warns, live: 0 };
  }
  const live = database
    .select({ familyId: heldListings.familyId, account: heldListings.account, count: sql<number>`count(*)` })
    .from(heldListings)
    .where(inArray(heldListings.familyId, ids))
    .groupBy(heldListings.familyId, heldListings.account)
    .all();
  for (const row of live) {
    const entry = strips.get(row.familyId)?.[row.account];
    if (entry) entry.live = row.count;
  }
  return strips;
}
