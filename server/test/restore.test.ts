/** A restore that ends in the middle is gone on with, wherever that was, and nothing of before or after is lost. */
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  finishRestore,
  forgetOldData,
  keptData,
  layReady,
  passTrial,
  restoringFolder,
  rollBack,
} from '../src/backup/restore';

let data: string;
const path = (...names: string[]) => join(data, ...names);
const read = (...names: string[]) => readFileSync(path(...names), 'utf8');

beforeEach(() => {
  data = mkdtempSync(join(tmpdir(), 'restore-'));
  mkdirSync(join(restoringFolder(data), 'pictures'), { recursive: true });
  writeFileSync(path('restoring', 'loom-kin.db'), 'new');
  writeFileSync(path('restoring', 'pictures', 'a.png'), 'new picture');
  layReady(data);
});
afterEach(() => rmSync(data, { recursive: true }));

const kept = () => readdirSync(data).find((name) => name.startsWith('before-'))!;
const inPlace = () => {
  expect([read('loom-kin.db'), read('pictures', 'a.png'), existsSync(path('restoring'))]).toEqual([
    'new',
    'new picture',
    false,
  ]);
};

describe('A restore', () => {
  it('puts what was laid ready in the place of what was there, which is kept', () => {
    for (const name of ['loom-kin.db', 'loom-kin.db-wal']) writeFileSync(path(name), 'old');
    finishRestore(data);
    inPlace();
    expect([read(kept(), 'loom-kin.db'), read(kept(), 'loom-kin.db-wal')]).toEqual(['old', 'old']);
  });

  it('that ended after everything was in place, before that was noted, moves nothing a second time', () => {
    writeFileSync(path('loom-kin.db'), 'old');
    const ready = read('restoring', 'ready');
    finishRestore(data);
    mkdirSync(path('restoring'));
    writeFileSync(path('restoring', 'ready'), ready);
    finishRestore(data);
    inPlace();
    expect(read(ready, 'loom-kin.db')).toBe('old');
  });

  it('that ended between two moves goes on', () => {
    writeFileSync(path('loom-kin.db'), 'old');
    const ready = read('restoring', 'ready');
    mkdirSync(path(ready));
    renameSync(path('loom-kin.db'), path(ready, 'loom-kin.db'));
    finishRestore(data);
    inPlace();
    expect(read(ready, 'loom-kin.db')).toBe('old');
  });

  it('that was never whole is forgotten', () => {
    rmSync(path('restoring', 'ready'));
    writeFileSync(path('loom-kin.db'), 'old');
    finishRestore(data);
    expect([read('loom-kin.db'), existsSync(path('restoring'))]).toEqual(['old', false]);
  });

  it('that the server cannot start on goes, and what was there before comes back; what has started once stays', () => {
    mkdirSync(path('pictures'));
    for (const name of ['loom-kin.db', 'loom-kin.db-wal', 'pictures/old.png']) writeFileSync(path(name), 'old');
    finishRestore(data);
    expect(rollBack(data)).toBe(true);
    expect([read('loom-kin.db'), read('loom-kin.db-wal'), read('pictures', 'old.png')]).toEqual(['old', 'old', 'old']);
    const [failed] = keptData(data);
    expect([failed!.name, read(failed!.name, 'loom-kin.db')]).toEqual([expect.stringMatching(/^failed-/), 'new']);
    expect(rollBack(data)).toBe(false);
    passTrial(data);
    expect(rollBack(data)).toBe(false);
  });

  it('leaves what was there for a month, and the newest of it for ever', () => {
    for (const month of ['01', '02', '03']) mkdirSync(path(`before-2026-${month}-01T10-00-00-000Z`));
    forgetOldData(data, Date.parse('2026-03-05T00:00:00Z'));
    expect(keptData(data).map(({ at }) => at.slice(0, 10))).toEqual(['2026-03-01']);
    forgetOldData(data, Date.parse('2030-01-01T00:00:00Z'));
    expect(keptData(data)).toHaveLength(1);
  });
});
