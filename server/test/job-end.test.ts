/** Jobs whose data cannot be written for a while: none of them fails for that, and none says forever that it runs. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { sql } from 'drizzle-orm';
import { pino } from 'pino';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { findJob, openJob, setJob } from '../src/jobs/jobs';
import { createJobRunner } from '../src/jobs/runJobs';
import { DATABASE_FILE } from '../src/store/database';
import { openStore } from '../src/store/openStore';
import type { Store } from '../src/store/store';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-job-end-'));
let store: Store;
beforeAll(() => {
  store = openStore(folder);
  store.database.$client.pragma('busy_timeout = 0');
});
afterAll(() => {
  store.close();
  rmSync(folder, { recursive: true });
});

it('wait while somebody else writes for long, with the reason, and end when that is over', async () => {
  const other = new Sqlite(join(folder, DATABASE_FILE));
  const tries: string[] = [];
  const work = (id: string): Promise<void> => {
    tries.push(id);
    // Two write while they work, one of them by a statement of its own; of the third only the end is to be stored.
    if (id === 'writes') setJob(store, id, { total: 1 });
    if (id === 'runs') store.database.run(sql`UPDATE jobs SET total = 2 WHERE id = ${id}`);
    return Promise.resolve();
  };
  const runner = createJobRunner(store, 'list', work, pino({ level: 'silent' }));
  const ids = ['writes', 'runs', 'ends'];
  for (const id of ids) openJob(store, { id, kind: 'list', title: id, subject: '', total: null });
  other.exec('BEGIN IMMEDIATE');
  for (const id of ids) runner.run(id);
  await vi.waitUntil(() => findJob(store.database, 'writes')?.notice);
  expect(findJob(store.database, 'writes')).toMatchObject({
    state: 'running',
    notice: 'Something else is writing the data. It goes on by itself as soon as that is done.',
  });
  other.exec('COMMIT');
  const stateOf = (id: string) => findJob(store.database, id)?.state;
  await vi.waitUntil(() => ids.every((id) => stateOf(id) === 'done'), { timeout: 60_000 });
  expect(tries).toEqual(['writes', 'runs', 'ends', 'writes', 'runs']);
  await runner.close();
  other.close();
}, 90_000);
