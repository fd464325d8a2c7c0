/** The re-check of many families: what the seller just changed goes before it; it is stopped and gone on with. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { readJobs } from '../src/jobs/jobs';
import { runChange } from '../src/changes/runChange';
import { markAllDue, markDue } from '../src/fits/due';
import { createKeeper, type Keeper } from '../src/fits/keeper';
import type { FitPool } from '../src/fits/pool';
import { due } from '../src/store/schema';
import { openStore } from '../src/store/openStore';
import type { Store } from '../src/store/store';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-recheck-'));
let store: Store;
let keeper: Keeper;
let ids: string[];
/** What the threads were asked for, and how they are let answer. */
const asked: string[][] = [];
let answer: () => void = () => undefined;
const pool: FitPool = {
  standings: (familyIds) =>
    new Promise((resolve) => {
      asked.push(familyIds);
      const turns = new Map(
        store.database
          .select()
          .from(due)
          .all()
          .map((row) => [row.familyId, row.turn]),
      );
      answer = () => resolve(familyIds.map((familyId) => ({ familyId, turn: turns.get(familyId)!, standings: [] })));
    }),
  meaning: () => Promise.reject(new Error('not asked for')),
  prices: () => Promise.reject(new Error('not asked for')),
  remedies: () => Promise.reject(new Error('not asked for')),
  offerings: () => Promise.reject(new Error('not asked for')),
  close: () => Promise.resolve(),
};
/** Lets the threads answer, and what follows from it happen. */
async function step(): Promise<void> {
  answer();
  answer = () => undefined;
  await new Promise((next) => setImmediate(next));
}
const recheck = () => readJobs(store.database).find((job) => job.kind === 'recheck')!;

beforeAll(() => {
  store = openStore(folder);
  ids = Array.from({ length: 80 }, (_, at) => {
    const family = { axes: [], off: [], fields: { name: `Family ${at}`, styleCode: `F${at}` } };
    const order = { key: `start-family-${at}`, steps: [{ on: 'start' as const, family }] };
    return runChange(store, order).started[0]!;
  });
  store.database.delete(due).run();
  keeper = createKeeper(store, pool, pino({ level: 'silent' }));
});
afterAll(async () => {
  answer();
  await keeper.close();
  store.close();
  rmSync(folder, { recursive: true });
});

it('counts its families, lets a changed one go first, stands while it is stopped, and ends with the last', async () => {
  markAllDue(store.database);
  keeper.kick();
  await step();
  expect(recheck()).toMatchObject({ state: 'running', done: 0, total: 80, title: 'Check 80 families anew' });
  const last = ids.toSorted().at(-1)!;
  markDue(store.database, [last]);
  await step();
  expect(recheck()).toMatchObject({ done: 25, total: 80 });
  expect(asked[1]![0]).toBe(last);

  keeper.stop(recheck().id);
  await step();
  const left = store.database.select().from(due).all().length;
  expect(recheck()).toMatchObject({ state: 'stopped' });
  expect([asked.length, left > 0]).toEqual([2, true]);
  // What the seller changes meanwhile is looked at all the same.
  markDue(store.database, [last]);
  keeper.kick();
  await step();
  expect(asked.at(-1)).toEqual([last]);
  await step();
  expect(store.database.select().from(due).all().length).toBe(left);

  keeper.resume(recheck().id);
  while (recheck().state === 'running') await step();
  expect(recheck()).toMatchObject({ state: 'done', done: 80, total: 80 });
  expect(store.database.select().from(due).all()).toEqual([]);
});
