/** What waits to be stored survives the page, and is made again on top of what somebody else changed meanwhile. */
import { get, set } from 'idb-keyval';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Command } from '@loom-kin/core/change';
import { type Family, familyIndex, freeze } from '@loom-kin/core/family';
import { countsOf, replay, stepsOf, type Pending } from '../src/stores/pending';
import { afterCounts } from '../src/stores/pieces';
import { keepBase, keepWaiting, takeWaiting } from '../src/stores/waiting';
import { createFamily, namer, runCommand } from './sample';

const held = vi.hoisted(() => new Map<string, unknown>());
vi.mock('idb-keyval', () => ({
  get: vi.fn((key: string) => Promise.resolve(structuredClone(held.get(key)))),
  set: vi.fn((key: string, value: unknown) => Promise.resolve(void held.set(key, structuredClone(value)))),
  delMany: vi.fn((keys: string[]) => Promise.resolve(void keys.forEach((key) => held.delete(key)))),
}));
beforeEach(() => held.clear());

const family = createFamily({
  id: 'kwait',
  fields: { name: 'Coat', price: '40' },
  axes: [{ role: 'size', label: 'Size', values: ['S', 'M'].map((label) => ({ label })) }],
  off: [],
});
const [small, medium] = familyIndex(family).woven.map((child) => child.id) as [string, string];
const setOn = (childId: string | null, key: string, figure: string): Command => ({
  do: 'setFigures',
  changes: [{ place: childId === null ? { level: 'family' } : { level: 'child', childId }, key, figure }],
});
const price = (figure: string, childId: string | null = null): Pending => ({
  key: `key-${figure}`,
  command: setOn(childId, 'price', figure),
});
const count: Pending = { key: 'key-count', counts: [{ childId: small, pieces: 4 }] };
const theirs = (...commands: Command[]): Family =>
  freeze(
    commands.reduce((now: Family, command) => runCommand(now, command).family, family),
    true,
  );

describe('what waits', () => {
  it('comes back as it was, commands and counts, with the family it was made on', async () => {
    await keepWaiting(family, [price('1'), count], [price('2')]);
    const kept = { revision: family.revision, changes: [price('1'), count], aside: [price('2')] };
    expect(await takeWaiting(family.id)).toEqual({ ...kept, base: null });
    await keepBase(family);
    expect(await takeWaiting(family.id)).toEqual({ ...kept, base: family });
    // One of another revision is not the family they were made on.
    await keepBase({ ...family, revision: family.revision + 1 });
    expect((await takeWaiting(family.id))?.base).toBeNull();
  });
  it('is kept per family, and forgotten when nothing waits', async () => {
    await keepWaiting({ ...family, id: 'kother' }, [price('9')], []);
    await keepWaiting(family, [price('1')], []);
    await keepWaiting(family, [], []);
    expect([...held.keys()]).toEqual(['loom-kin.waiting.kother']);
    expect(await takeWaiting(family.id)).toBeNull();
  });
  it('that somebody tampered with, or an older page wrote otherwise, is not run', async () => {
    const burn = [{ key: 'k', command: { do: 'burnDown' } }];
    for (const kept of ['no object', { revision: 1 }, { revision: 1, changes: burn, aside: [] }]) {
      held.set('loom-kin.waiting.kwait', kept);
      expect(await takeWaiting(family.id)).toBeNull();
    }
  });
  it('says so when the browser gives no room, and is nothing where it cannot be read', async () => {
    vi.mocked(set).mockRejectedValueOnce(new DOMException('full', 'QuotaExceededError'));
    await expect(keepWaiting(family, [price('1')], [])).rejects.toThrow('full');
    vi.mocked(get).mockRejectedValueOnce(new DOMException('gone', 'InvalidStateError'));
    expect(await takeWaiting(family.id)).toBeNull();
  });
  it('is sent as one change, command and counts together', () => {
    const both = { ...price('1'), counts: count.counts! };
    expect(stepsOf(both, family).map((step) => step.on)).toEqual(['family', 'stock']);
    const held = { stock: { [small]: 9 }, stockAt: { [small]: { main: 7, shed: 2 } } };
    const after = afterCounts(held, countsOf([price('1'), count]));
    // Four in all, two of them in the shed: the first place has the others.
    expect(after).toEqual({ stock: { [small]: 4 }, stockAt: { [small]: { main: 2, shed: 2 } } });
    const gone = afterCounts(after, [{ childId: small, location: 'shed', pieces: 0 }]);
    expect(gone).toEqual({ stock: { [small]: 2 }, stockAt: {} });
  });
});

describe('on top of what somebody else changed', () => {
  it('everything that touches other places goes on by itself', () => {
    const now = theirs(setOn(null, 'brand', 'Skerry'), setOn(medium, 'price', '55'));
    const replayed = replay(namer, family, now, [price('41', small), count, price('42')]);
    expect(replayed.aside).toEqual([]);
    expect(replayed.kept.map((one) => one.key)).toEqual(['key-41', 'key-count', 'key-42']);
    expect(replayed.family.fields).toMatchObject({ brand: 'Skerry', price: '42' });
    expect([small, medium].map((id) => replayed.family.children[id]!.fields.price)).toEqual(['41', '55']);
  });
  it('the same place is set aside with both figures; what came after it goes on', () => {
    const now = theirs(setOn(null, 'price', '45'));
    const replayed = replay(namer, family, now, [price('41'), price('39', small), count]);
    expect(replayed.aside.map((one) => one.change.key)).toEqual(['key-41']);
    expect(replayed.aside[0]!.lines).toEqual([expect.objectContaining({ before: '40', after: '41', theirs: '45' })]);
    expect(replayed.kept.map((one) => one.key)).toEqual(['key-39', 'key-count']);
    expect([replayed.family.fields.price, replayed.family.children[small]!.fields.price]).toEqual(['45', '39']);
  });
  it('a change of what is gone by then is set aside, never dropped', () => {
    const axisId = family.axes[0]!.id;
    const valueId = family.axes[0]!.values[0]!.id;
    const now = theirs({ do: 'removeValues', axisId, valueIds: [valueId] });
    const onValue: Pending = {
      key: 'key-value',
      command: {
        do: 'setFigures',
        changes: [{ place: { level: 'value', axisId, valueId }, key: 'price', figure: '41' }],
      },
    };
    const replayed = replay(namer, family, now, [onValue]);
    expect(replayed.aside.map((one) => one.change.key)).toEqual(['key-value']);
    expect(replayed.family).toBe(now);
  });
});
