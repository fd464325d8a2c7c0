/** The fit board: how the families that are meant stand on every account, and what is found over them. */
import { and, eq, inArray, sql } from 'drizzle-orm';
import { SEVERITIES } from '@loom-kin/core/fit';
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

/** Whether a filter means every family that is not retired. */
const meansAll = ({ q, retired, category, account, state, finding, route }: FamilyFilter): boolean =>
  q.trim() === '' && retired === 'no' && !category && !(account && (state || finding || route));

/** Retired families: few, as a rule. */
const retiredIds = (store: Store) => idsOf(store, { q: '', retired: 'yes' });

/**
 * Rows added up over the families that are meant. Where those are all families, whole tables are added up in the order of their index and
 * what is retired is taken off: many times faster than looking each family up.
 */
function addedUp<R extends { families: number; children: number }>(
  store: Store,
  filter: FamilyFilter,
  sumOf: (ids: ReturnType<typeof idsOf> | null) => R[],
  nameOf: (row: R) => string,
): R[] {
  if (!meansAll(filter)) return sumOf(idsOf(store, filter));
  const gone = new Map(sumOf(retiredIds(store)).map((row) => [nameOf(row), row]));
  return sumOf(null).flatMap((row) => {
    const less = gone.get(nameOf(row));
    const left = {
      ...row,
      families: row.families - (less?.families ?? 0),
      children: row.children - (less?.children ?? 0),
    };
    return left.families > 0 ? [left] : [];
  });
}

export function boardCounts(store: Store, filter: FamilyFilter): BoardCounts {
  const rows = addedUp(
    store,
    filter,
    (ids) =>
      store.database
        .select({
          account: standings.account,
          state: standings.state,
          families: sql<number>`count(*)`,
          children: sql<number>`0`,
        })
        .from(standings)
        .where(ids ? inArray(standings.familyId, ids) : undefined)
        .groupBy(standings.account, standings.state)
        .all(),
    ({ account, state }) => `${account}|${state}`,
  );
  const counts: BoardCounts = {};
  for (const { account, state, families: count } of rows) counts[account] = { ...counts[account], [state]: count };
  return counts;
}

/** What is found over the families that are meant, on one account or all: what stops first, then by how many have it. */
export function boardFindings(store: Store, filter: FamilyFilter, account?: string): BoardFinding[] {
  const rows = addedUp(
    store,
    filter,
    (ids) =>
      store.database
        .select({
          account: findings.account,
          code: findings.code,
          key: findings.key,
          severity: findings.severity,
          families: sql<number>`count(*)`,
          children: sql<number>`sum(${findings.children})`,
        })
        .from(findings)
        .where(
          and(
            ids ? inArray(findings.familyId, ids) : undefined,
            account === undefined ? undefined : eq(findings.account, account),
          ),
        )
        .groupBy(findings.account, findings.code, findings.key, findings.severity)
        .all(),
    ({ account, code, key, severity }) => `${account}|${code}|${key}|${severity}`,
  );
  return rows.toSorted(
    (a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || b.families - a.families,
  );
}

/** How many families that are not retired have which findings on an account. */
export function findingCounts(store: Store, account: string): FindingCount[] {
  return boardFindings(store, { q: '', retired: 'no' }, account).map(({ account: _account, ...one }) => one);
}

/** The families that are meant and have a kind of finding on an account, by name. */
export const familiesWith = (
  store: Store,
  filter: FamilyFilter,
  { account, code, key }: { account: string; code: string; key: string },
): string[] => idsMeant(store, { ...filter, account, finding: `${code}|${key}` });
