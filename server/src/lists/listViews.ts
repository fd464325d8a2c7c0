/** A list that was read, as its page shows it: some of its families and rows at a time. */
import { and, count, eq } from 'drizzle-orm';
import { Refusal } from '@loom-kin/core/refusal';
import type { endpoints, ListView, QueryOf, ResponseOf } from '@loom-kin/contract';
import { changeOfKey } from '../journal/journal';
import { jobRow, type JobRow } from '../jobs/jobs';
import { listFamilies, listRows } from '../store/schema';
import type { ListJob } from '../store/tables/jobs';
import type { Store } from '../store/store';

/** A list that was read and is not taken in yet, or a Refusal. */
export function requireList(store: Store, id: string): JobRow & { list: ListJob } {
  const row = jobRow(store.database, id);
  if (!row?.list) throw new Refusal('job.unknown', {});
  if (row.state !== 'done' || !row.list.found) throw new Refusal('job.not-done', {});
  if (row.list.apply) throw new Refusal('list.taken', {});
  return { ...row, list: row.list };
}

/** The key of the change that takes a list in. */
export const changeKeyOf = (id: string): string => `list:${id}`;

export function listView(store: Store, id: string): ListView {
  const list = jobRow(store.database, id)?.list;
  if (!list) throw new Refusal('job.unknown', {});
  if (!list.found) throw new Refusal('job.not-done', {});
  const { fileName, account, apply, settlement, found, pictures } = list;
  const change = changeOfKey(store.database, changeKeyOf(id));
  return {
    id,
    fileName,
    account,
    settlement,
    applied: apply,
    change: change?.state === 'done' ? change.id : null,
    pictureIntake: pictures,
    ...found,
  };
}

export function foundFamilies(
  { database }: Store,
  id: string,
  { from, limit, only = 'all' }: QueryOf<typeof endpoints.listFamiliesFound>,
): ResponseOf<typeof endpoints.listFamiliesFound> {
  const here = and(eq(listFamilies.jobId, id), only === 'all' ? undefined : eq(listFamilies.mark, only));
  const rows = database
    .select({ doc: listFamilies.doc })
    .from(listFamilies)
    .where(here)
    .orderBy(listFamilies.at)
    .limit(Number(limit))
    .offset(Number(from))
    .all();
  const total = database.select({ all: count() }).from(listFamilies).where(here).get()!.all;
  return { families: rows.map(({ doc }) => doc), total };
}

export function foundRows(
  { database }: Store,
  id: string,
  { from, limit, only = 'all' }: QueryOf<typeof endpoints.listRows>,
): ResponseOf<typeof endpoints.listRows> {
  const here = and(eq(listRows.jobId, id), only === 'all' ? undefined : eq(listRows.verdict, only));
  const rows = database
    .select({ doc: listRows.doc })
    .from(listRows)
    .where(here)
    .orderBy(listRows.at)
    .limit(Number(limit))
    .offset(Number(from))
    .all();
  const total = database.select({ all: count() }).from(listRows).where(here).get()!.all;
  return { rows: rows.map(({ doc }) => doc), total };
}
