/** What is worked out for a family says of which turn it is: one that a change has overtaken is not taken for what holds now. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { runChange } from '../src/changes/runChange';
import { markAllDue } from '../src/fitQueue/due';
import { createFitPool, type FitPool } from '../src/fits/pool';
import { openStore } from '../src/store/openStore';
import { due } from '../src/store/schema';
import type { Store } from '../src/store/store';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-turns-'));
let store: Store;
let pool: FitPool;
const dueNow = () =>
  store.database
    .select()
    .from(due)
    .all()
    .map(({ familyId, turn }) => ({ familyId, turn }));

beforeAll(() => {
  store = openStore(folder);
  for (let at = 0; at < 6; at++) {
    const family = { axes: [], off: [], fields: { name: `Family ${at}`, styleCode: `F${at}` } };
    runChange(store, { key: `start-family-${at}`, steps: [{ on: 'start' as const, family }] });
  }
  pool = createFitPool(store);
});
afterAll(async () => {
  await pool.close();
  store.close();
  rmSync(folder, { recursive: true });
});

it('is the turn it was asked for, whatever is due by the time it is worked out', async () => {
  const [one, ...others] = dueNow();
  // Every thread is busy, so that the last of them waits.
  const busy = Array.from({ length: pool.width }, () => pool.standings(others, true));
  const waiting = pool.standings([one!], true);
  markAllDue(store.database);
  store.forgetCatalogue();
  const [answer] = await waiting;
  await Promise.all(busy);
  expect(answer!.turn).toBe(one!.turn);
  expect(dueNow().find(({ familyId }) => familyId === one!.familyId)!.turn).toBeGreaterThan(one!.turn);
});
