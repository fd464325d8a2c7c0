/** A database of the version before registry, accounts and changes with parts comes in whole. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import Sqlite from 'better-sqlite3';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { checkFamily } from '@loom-kin/core/change';
import { familyIndex } from '@loom-kin/core/family';
import { openStore, familyDetail, listFamilies, type Store } from '../src/index';
import { readJournal } from '../src/journal/readJournal';
import { stepBack } from '../src/changes/undo';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-move-'));
let before: Sqlite.Database;
let store: Store;
beforeAll(() => {
  const old = gunzipSync(readFileSync(new URL('./fixtures/before-registry.db.gz', import.meta.url)));
  writeFileSync(join(folder, 'loom-kin.db'), old);
  writeFileSync(join(folder, 'before.db'), old);
  before = new Sqlite(join(folder, 'before.db'), { readonly: true });
  store = openStore(folder);
});
afterAll(() => {
  store.close();
  before.close();
  rmSync(folder, { recursive: true });
});

const all = () => listFamilies(store, { q: '', retired: 'no', sort: 'name', offset: 0, limit: 60 }).families;
const held = (sql: string) => before.prepare(sql).pluck().all();

describe('a database of the version before', () => {
  it('keeps every family, its children, shelf, figures and pictures, and passes the checks of today', () => {
    const docs = held('SELECT doc FROM families ORDER BY id').map((doc) => JSON.parse(String(doc)));
    expect(
      all()
        .map((one) => one.id)
        .sort(),
    ).toEqual(docs.map((doc) => doc.id));
    for (const doc of docs) {
      const { family } = familyDetail(store.database, doc.id);
      expect(Object.keys(family.children)).toEqual(Object.keys(doc.children));
      expect(Object.keys(family.shelf)).toHaveLength(Object.keys(doc.shelf).length);
      expect(family.axes).toEqual(doc.axes);
      expect({ fields: family.fields, pictures: family.pictures, next: family.next }).toEqual({
        fields: doc.fields,
        pictures: doc.pictures,
        next: doc.next,
      });
      for (const child of familyIndex(family).woven) expect(child.fields).toEqual(doc.children[child.id].fields);
      expect(() => checkFamily(store.catalogue().registry, family)).not.toThrow();
    }
  });
  it('keeps stock, what is found by SKU and GTIN, and what was set up', () => {
    const pieces = held('SELECT sum(pieces) FROM movements')[0];
    const now = all().flatMap((one) => Object.values(familyDetail(store.database, one.id).stock));
    expect(now.reduce((sum, one) => sum + one, 0)).toBe(pieces);
    const { seller, accounts, pairings, registry, categoryMaps } = store.catalogue();
    expect(seller.name).toBe('Skerry Supply');
    expect(accounts.map((one) => one.id)).toEqual(['quayside', 'fernpost', 'own-shop']);
    expect(pairings.quayside).toEqual({ colour: { spruce: 'Green' } });
    for (const one of all()) expect(registry.category(one.category)?.label).toBeTruthy();
    expect(Object.keys(categoryMaps).sort()).toEqual(['fernpost', 'own-shop', 'quayside']);
    const found = listFamilies(store, { q: 'SKJ', retired: 'no', sort: 'name', offset: 0, limit: 60 });
    expect(found.families).toHaveLength(1);
  });
  it('keeps the journal, and takes back a change that the version before made', () => {
    const entries = readJournal(store, { limit: 200 });
    expect(entries.map((entry) => entry.title)).toEqual(held('SELECT title FROM journal ORDER BY id DESC'));
    const removed = entries.find((entry) => entry.title === 'Remove Rust from Colour')!;
    const familyId = removed.parts[0]!.thingId;
    const labels = () => familyDetail(store.database, familyId).family.axes[0]!.values.map((value) => value.label);
    expect(labels()).not.toContain('Rust');
    const wish = entries.find((entry) => entry.title.startsWith('Change the wishes'))!;
    stepBack(store, wish.id, 'undo', 'key-wish');
    stepBack(store, removed.id, 'undo', 'key-removed');
    expect(labels()).toContain('Rust');
  });
});
