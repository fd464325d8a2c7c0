/** What waits to be stored survives the page, and is placed rightly when the page comes back. */
import { beforeEach, describe, expect, it } from 'vitest';
import { createFamily, runCommand, type Family } from '@loom-kin/core';
import { keepWaiting, takeWaiting, type Change } from '../src/stores/waiting';

const held = new Map<string, string>();
beforeEach(() => {
  held.clear();
  globalThis.localStorage = {
    getItem: (key: string) => held.get(key) ?? null,
    setItem: (key: string, text: string) => void held.set(key, text),
    removeItem: (key: string) => void held.delete(key),
  } as Storage;
});

const family = createFamily({ id: 'kwait', fields: { name: 'Coat' }, axes: [], off: [] });
const price = (figure: string): Change => ({
  key: `key-${figure}`,
  command: { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'price', figure }] },
});
const count: Change = { key: 'key-count', counts: [{ childId: 'kwait.c1', pieces: 4 }] };
const at = (revision: number): Family => ({ ...family, revision });

describe('what waits', () => {
  it('comes back as it was, commands and counts, when nobody changed the family', () => {
    keepWaiting(family.id, { revision: 1, changes: [price('1'), count], aside: [] });
    expect(takeWaiting(at(1), null)).toEqual({ changes: [price('1'), count], aside: [] });
  });
  it('leaves out what the server had stored just before the page ended', () => {
    keepWaiting(family.id, { revision: 1, changes: [price('1'), price('2'), price('3')], aside: [] });
    expect(takeWaiting(at(3), 'key-2')).toEqual({ changes: [price('3')], aside: [] });
    expect(takeWaiting(at(4), 'key-3')).toEqual({ changes: [], aside: [] });
  });
  it('is set aside when somebody else changed the family since, and never dropped', () => {
    keepWaiting(family.id, { revision: 1, changes: [price('1')], aside: [price('0')] });
    expect(takeWaiting(at(2), 'key of somebody else')).toEqual({ changes: [], aside: [price('0'), price('1')] });
    // Stored here, and then changed by somebody else: the rest cannot be placed without asking.
    keepWaiting(family.id, { revision: 1, changes: [price('1'), price('2')], aside: [] });
    expect(takeWaiting(at(3), 'key of somebody else')).toEqual({ changes: [], aside: [price('1'), price('2')] });
  });
  it('is kept per family, and forgotten when nothing waits', () => {
    keepWaiting('kother', { revision: 1, changes: [price('9')], aside: [] });
    keepWaiting(family.id, { revision: 1, changes: [price('1')], aside: [] });
    keepWaiting(family.id, { revision: 2, changes: [], aside: [] });
    expect([...held.keys()]).toEqual(['loom-kin.waiting.kother']);
    expect(takeWaiting(at(2), null)).toEqual({ changes: [], aside: [] });
  });
  it('that somebody tampered with, or an older page wrote otherwise, is not run', () => {
    for (const text of [
      'not JSON',
      '{"revision": 1}',
      '{"revision": 1, "changes": [{"key": "k", "command": {"do": "burnDown"}}], "aside": []}',
    ]) {
      held.set('loom-kin.waiting.kwait', text);
      expect(takeWaiting(at(1), null)).toEqual({ changes: [], aside: [] });
    }
  });
  it('goes on in the page when the browser gives no room', () => {
    globalThis.localStorage.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    expect(() => keepWaiting(family.id, { revision: 1, changes: [price('1')], aside: [] })).not.toThrow();
  });
  it('can be run on the family it was made on', () => {
    keepWaiting(family.id, { revision: 1, changes: [price('12.50')], aside: [] });
    const [change] = takeWaiting(at(1), null).changes;
    expect('command' in change! && runCommand(Object.freeze(at(1)), change.command).family.fields.price).toBe('12.50');
  });
});
