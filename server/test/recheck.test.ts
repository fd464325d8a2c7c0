/** The re-check of many families: what the seller just changed goes before it; it is stopped and gone on with. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { allJobs } from '../src/jobControls/allJobs';
import { runChange } from '../src/changes/runChange';
import { markAllDue, markDue } from '../src/fitQueue/due';
import { createFitScheduler, type FitScheduler } from '../src/fits/fitScheduler';
import type { FitPool } from '../src/fits/pool';
import { due } from '../src/store/schema';
import { openStore } from '../src/store/openStore';
import type { Store } from '../src/store/store';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-recheck-'));
let store: Store;
let fitScheduler: FitScheduler;
let ids: string[];
/** What the threads were asked for, and how each batch is let answer. */
const asked: { ids: string[]; isBehind: boolean; answer: () => void }[] = [];
const pool: FitPool = {
  width: 1,
  standings: (families, isBehind) =>
    new Promise((resolve) => {
      const answer = () => resolve(families.map((one) => ({ ...one, standings: [] })));
      asked.push({ ids: families.map(({ familyId }) => familyId), isBehind, answer });
    }),
  meaning: () => Promise.reject(new Error('not asked for')),
  prices: () => Promise.reject(new Error('not asked for')),
  remedies: () => Promise.reject(new Error('not asked for')),
  offerings: () => Promise.reject(new Error('not asked for')),
  close: () => Promise.resolve(),
};
const rest = () => new Promise((next) => setTimeout(next));
let answered = 0;
/** Lets the threads answer the next batch, and what follows from it happen. */
async function step(): Promise<void> {
  asked[answered++]?.answer();
  await rest();
}
const recheck = () => allJobs(store.database).find((job) => job.kind === 'recheck')!;

beforeAll(() => {
  store = openStore(folder);
  ids = Array.from({ length: 80 }, (_, at) => {
    const family = { axes: [], off: [], fields: { name: `Family ${at}`, styleCode: `F${at}` } };
    const order = { key: `start-family-${at}`, steps: [{ on: 'start' as const, family }] };
    return runChange(store, order).started[0]!;
  });
  store.database.delete(due).run();
  fitScheduler = createFitScheduler(store, pool, pino({ level: 'silent' }));
});
afterAll(async () => {
  for (const batch of asked) batch.answer();
  await fitScheduler.close();
  store.close();
  rmSync(folder, { recursive: true });
});

it('counts its families, lets a changed one go first, stands while it is stopped, and ends with the last', async () => {
  markAllDue(store.database);
  fitScheduler.kick();
  await rest();
  expect(recheck()).toMatchObject({ state: 'running', done: 0, total: 80, title: 'Check 80 families anew' });
  // One batch for the thread, and one behind it.
  expect(asked.map(({ ids, isBehind }) => [ids.length, isBehind])).toEqual([
    [8, true],
    [8, true],
  ]);
  const last = ids.toSorted().at(-1)!;
  markDue(store.database, [last]);
  fitScheduler.kick();
  await rest();
  // What the seller just changed waits for no place among them.
  expect(asked.slice(2)).toMatchObject([{ ids: [last], isBehind: false }]);
  await step();
  expect(recheck()).toMatchObject({ done: 9, total: 80 });

  fitScheduler.stop(recheck().id);
  await step();
  await step();
  const left = store.database.select().from(due).all().length;
  expect(recheck()).toMatchObject({ state: 'stopped' });
  expect([asked.length, left]).toEqual([answered, 80 - 17]);
  // What the seller changes meanwhile is looked at all the same.
  markDue(store.database, [last]);
  fitScheduler.kick();
  await rest();
  expect(asked.at(-1)).toMatchObject({ ids: [last] });
  await step();
  expect(store.database.select().from(due).all().length).toBe(left);

  fitScheduler.resume(recheck().id);
  await rest();
  while (recheck().state === 'running') await step();
  expect(recheck()).toMatchObject({ state: 'done', done: 80, total: 80 });
  expect(store.database.select().from(due).all()).toEqual([]);
});
