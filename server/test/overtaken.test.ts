/** What was read of a file and does not hold any more is read anew; where that has no end the seller hears why. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { Refusal } from '@loom-kin/core/refusal';
import { readAt } from '../src/changes/readAt';
import { runChange } from '../src/changes/runChange';
import { takeFound, takeList } from '../src/changes/takeFound';
import { withoutOvertaking } from '../src/files/overtaken';
import { loadFamily } from '../src/store/loadFamily';
import { openStore } from '../src/store/openStore';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-overtaken-'));
const store = openStore(folder);
afterAll(() => {
  store.close();
  rmSync(folder, { recursive: true, force: true });
});
const start = { on: 'start', family: { fields: { name: 'Reef bag', price: '20.00' }, axes: [], off: [] } };
const [id] = runChange(store, { key: 'start', steps: [start as never] }).started as [string];
const family = loadFamily(store.database, id);

describe('what was read of a file', () => {
  it('is not taken in where its family is at another revision, or what holds for all families is another', () => {
    const found = { key: 'take', title: 'Take it in', family, pieces: [] };
    expect(() => takeFound(store, { ...found, revision: family.revision + 1 })).toThrow(/a family of it was changed/);
    const list = { key: 'list', title: 'Take it in', path: '', children: 1, deletions: false, registry: null };
    const state = { ...readAt(store.database), setup: 'of another time' };
    expect(() => takeList(store, { ...list, state })).toThrow(/accounts, rules, pairings or what the registry holds/);
    expect(loadFamily(store.database, id)).toEqual(family);
  });

  it('is read six times at most; any other refusal is told at once', async () => {
    let tries = 0;
    const overtaken = new Refusal('file.overtaken', { by: 'begun' });
    const fails = (error: Refusal, times: number) => () => {
      tries += 1;
      return tries > times ? Promise.resolve(tries) : Promise.reject(error);
    };
    expect(await withoutOvertaking(fails(overtaken, 5))).toBe(6);
    tries = 0;
    await expect(withoutOvertaking(fails(overtaken, 6))).rejects.toThrow(/of the same style code/);
    expect(tries).toBe(6);
    tries = 0;
    await expect(withoutOvertaking(fails(new Refusal('job.unknown', {}), 6))).rejects.toThrow();
    expect(tries).toBe(1);
  });
});
