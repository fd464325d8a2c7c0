/** Which changes are made beside, and how who writes meanwhile waits in line. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import type { StepInput } from '@loom-kin/contract';
import { runChange } from '../src/changes/runChange';
import { isLong, type WriteTask } from '../src/changes/task';
import { loadFamily } from '../src/store/loadFamily';
import { openStore } from '../src/store/openStore';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-long-'));
const store = openStore(folder);
afterAll(() => {
  store.close();
  rmSync(folder, { recursive: true, force: true });
});

const change = (...steps: unknown[]): Extract<WriteTask, { do: 'change' }> => ({
  do: 'change',
  order: { key: crypto.randomUUID(), steps: steps as never },
});
const made = (...steps: unknown[]) => runChange(store, change(...steps).order);
const isLongNow = (task: WriteTask) => isLong(store.database, task);
const start = (colours: number, sizes: number): StepInput => ({
  on: 'start',
  family: {
    fields: { name: `Family of ${colours} by ${sizes}`, styleCode: `F${colours}`, price: '10.00' },
    axes: [
      { role: 'colour', label: 'Colour', values: Array.from({ length: colours }, (_, at) => ({ label: `Hue ${at}` })) },
      { role: 'size', label: 'Size', values: Array.from({ length: sizes }, (_, at) => ({ label: `Cut ${at}` })) },
    ],
    off: [],
  },
});
const price = (familyId: string): unknown => ({
  on: 'family',
  familyId,
  revision: loadFamily(store.database, familyId).revision,
  command: { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'price', figure: '12.00' }] },
});

describe('a change', () => {
  const [small] = made(start(4, 6)).started as [string];
  const [large] = made(start(40, 30)).started as [string];
  it('takes long where it begins a large family or touches one, however little it changes there', () => {
    expect([isLongNow(change(start(4, 6))), isLongNow(change(start(40, 30)))]).toEqual([false, true]);
    expect([isLongNow(change(price(small))), isLongNow(change(price(large)))]).toEqual([false, true]);
    expect(isLongNow(change(price(small), price(large)))).toBe(true);
    expect(isLongNow(change({ on: 'stock', familyId: large, counts: [] }))).toBe(true);
    expect(isLongNow(change({ on: 'seller', seller: {} }))).toBe(false);
  });
  it('takes long to be taken back where it left little of a large family', () => {
    const { axes, revision } = loadFamily(store.database, large);
    const command = {
      do: 'removeValues',
      axisId: axes[0]!.id,
      valueIds: axes[0]!.values.slice(1).map((one) => one.id),
    };
    const gone = made({ on: 'family', familyId: large, revision, command });
    expect(isLongNow(change(price(large)))).toBe(false);
    expect(isLongNow({ do: 'undo', changeId: gone.id!, key: 'u' })).toBe(true);
    const little = made(price(small));
    expect(isLongNow({ do: 'undo', changeId: little.id!, key: 'v' })).toBe(false);
  });
});

describe('who writes', () => {
  it('waits for what is being stored beside, however it ends, and for what came in between', async () => {
    const said: string[] = [];
    let end = (): void => undefined;
    let fail = (): void => undefined;
    store.busyUntil(new Promise<void>((resolve) => (end = resolve)));
    const first = store.whenQuiet(() => said.push('first'));
    const second = store.whenQuiet(() => {
      said.push('second');
      store.busyUntil(new Promise<void>((_, reject) => (fail = () => reject(new Error('lost')))));
    });
    const third = store.whenQuiet(() => said.push('third'));
    expect(said).toEqual([]);
    end();
    await Promise.all([first, second]);
    expect(said).toEqual(['first', 'second']);
    fail();
    await third;
    expect(said).toEqual(['first', 'second', 'third']);
  });
});
