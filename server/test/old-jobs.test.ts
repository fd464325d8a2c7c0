/** Old jobs are forgotten with all that they found, a little at a time. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setImmediate } from 'node:timers/promises';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { endJob, forgetOldJobs, openJob } from '../src/jobs/jobs';
import { openStore } from '../src/store/openStore';
import { jobs, listRows } from '../src/store/schema';
import type { Store } from '../src/store/store';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-jobs-'));
let store: Store;
beforeAll(() => void (store = openStore(folder)));
afterAll(() => {
  store.close();
  rmSync(folder, { recursive: true });
});
const countOf = (table: string) =>
  store.database.get<{ count: number }>(sql`SELECT count(*) AS count FROM ${sql.identifier(table)}`).count;

it('keeps forty of those that ended, and lets others come in between while the rows of the older ones go', async () => {
  for (let at = 0; at < 43; at++) {
    openJob(store, { id: `job${at}`, kind: 'intake', title: 'Read it', subject: '', total: null, sheet: null });
    if (at !== 1) endJob(store, `job${at}`, 'done');
  }
  const doc = JSON.stringify({});
  for (const jobId of ['job0', 'job42'])
    for (let at = 0; at < 1000; at++)
      store.database
        .insert(listRows)
        .values({ jobId, at, row: at, verdict: 'new', doc: doc as never })
        .run();
  forgetOldJobs(store);
  let between = 0;
  while (countOf('jobs') > 41) {
    between += 1;
    await setImmediate();
  }
  const left = store.database
    .select({ id: jobs.id })
    .from(jobs)
    .all()
    .map(({ id }) => id);
  // The second still runs, so that it and forty others are left.
  expect([left.length, left.includes('job0'), left.includes('job1'), left.includes('job2')]).toEqual([
    41,
    false,
    true,
    false,
  ]);
  expect(countOf('list_rows')).toBe(1000);
  expect(between).toBeGreaterThan(2);
});
