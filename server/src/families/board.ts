/** The fit board: how the families that are meant stand on every account, and what is found over them. */
import { eq, inArray, sql } from 'drizzle-orm';
import { SEVERITIES } from '@loom-kin/core';
import type { BoardCounts, BoardFinding, FamilyFilter, FindingCount } from '@loom-kin/contract';
import { families, findings, standings } from '../store/schema';
import type { Store } from '../store/store';
import { familiesMeant } from './filter';

/** The ids of all families that are meant, by name. */
export function idsMeant(store: Store, filter: FamilyFilter): string[] {
  const rows = store.database
    .select({ id: families.id })
    .from(families)
    .where(familiesMeant(store, filter))
    .orderBy(sql`${families.name} COLLATE NOCASE`, families.id)
    .all();
  return rows.map((row) => row.id);
}

const idsOf = (store: Store, filter: FamilyFilter) =>
  store.database.select({ id: families.id }).from(families).where(familiesMeant(store, filter));

export function boardCounts(store: Store, filter: FamilyFilter): BoardCounts {
  const rows = store.database
    .select({ account: standings.account, state: standings.state, count: sql<number>`count(*)` })
    .from(standings)
    .where(inArray(standings.familyId, idsOf(store, filter)))
    .groupBy(standings.account, standings.state)
    .all();
  const counts: BoardCounts = {};
  for (const { account, state, count } of rows) counts[account] = { ...counts[account], [state]: count };
  return counts;
}

/** What is found over the families that are meant: what stops first, then by how many have it. */
export function boardFindings(store: Store, filter: FamilyFilter): BoardFinding[] {
  const rows = store.database
    .select({
      account: findings.account,
      code: findings.code,
      key: findings.key,
      severity: findings.severity,
      families: sql<number>`count(*)`,
      children: sql<number>`sum(${findings.children})`,
    })
    .from(findings)
    .where(inArray(findings.familyId, idsOf(store, filter)))
    .groupBy(findings.account, findings.code, findings.key, findings.severity)
    .all();
  return rows.toSorted(
    (a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || b.families - a.families,
  );
}

/** How many families that are not retired have which findings on an account. */
export function findingCounts(store: Store, account: string): FindingCount[] {
  return boardFindings(store, { q: '', retired: 'no' })
    .filter((one) => one.account === account)
    .map(({ account: _account, ...one }) => one);
}

/** The families that are meant and have a kind of finding on an account, at most so many. */
export function familiesWith(
  store: Store,
  filter: FamilyFilter,
  { account, code, key }: { account: string; code: string; key: string },
  most: number,
): string[] {
  const meant = idsOf(store, { ...filter, account, finding: `${code}|${key}` });
  return store.database
    .select({ id: families.id })
    .from(families)
    .where(inArray(families.id, meant))
    .orderBy(sql`${families.name} COLLATE NOCASE`)
    .limit(most)
    .all()
    .map((row) => row.id);
}

/** How many families there are to look at anew. */
export const countFamilies = ({ database }: Store): number =>
  database
    .select({ count: sql<number>`count(*)` })
    .from(families)
    .where(eq(families.retired, false))
    .get()!.count;
