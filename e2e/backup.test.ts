/** A backup: everything as one file, and back from it on another machine. */
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import Sqlite from 'better-sqlite3';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api } from '@loom-kin/contract';
import yauzl from 'yauzl';
import { ZipFile } from 'yazl';
import { refused, sellerIn, takenOut } from './shop';
import { startWorld, until, type World } from './world';

let here: World;
let elsewhere: World;
beforeAll(async () => {
  [here, elsewhere] = await Promise.all([startWorld(), startWorld({ bare: true })]);
}, 300_000);
afterAll(async () => {
  await here.end();
  await elsewhere.end();
});
const seller = sellerIn(() => here);

const formOf = (bytes: Uint8Array, name: string) => {
  const form = new FormData();
  form.append('file', new Blob([new Uint8Array(bytes)]), name);
  return form;
};
const takeBackup = () => takenOut(here, { kind: 'backup' });
const bring = (bytes: Uint8Array, name = 'backup.zip') => elsewhere.call(api.restore, { form: formOf(bytes, name) });

describe('A backup', () => {
  it('is brought back on another machine: families, pieces, pictures, journal; what was there is kept beside it', async () => {
    const coat = await seller.shopFamily({ name: 'Kept coat' });
    const { id } = coat.family;
    const bytes = await takeBackup();
    const told = await bring(bytes);
    expect(told).toMatchObject({ families: 1, children: 6, pictures: 1 });
    const there = await until(
      () => elsewhere.call(api.family, { params: { id } }).catch(() => null),
      (detail) => detail !== null,
      60,
    );
    expect(there!.family).toEqual((await seller.fresh(coat)).family);
    expect(Object.values(there!.stock)).toEqual([5, 5, 5, 5, 5, 5]);
    const [picture] = there!.family.pictures;
    const [before, after] = await Promise.all(
      [here, elsewhere].map(async ({ url }) => (await fetch(`${url}/pictures/${picture}`)).arrayBuffer()),
    );
    expect(Buffer.from(after!).equals(Buffer.from(before!))).toBe(true);
    expect((await elsewhere.call(api.journal, { query: { familyId: id } })).map(({ title }) => title)).toEqual(
      (await here.call(api.journal, { query: { familyId: id } })).map(({ title }) => title),
    );
    expect(readdirSync(elsewhere.folder).filter((name) => name.startsWith('before-'))).toHaveLength(1);
  }, 300_000);

  it('that is none, cut off or bent is refused, and nothing is changed', async () => {
    const bytes = await takeBackup();
    const families = async () => (await elsewhere.call(api.listFamilies, { query: {} })).families.length;
    const before = await families();
    const bent = bytes.slice();
    bent.fill(7, Math.floor(bent.length / 2), Math.floor(bent.length / 2) + 4000);
    for (const [given, code] of [
      [new TextEncoder().encode('no archive'), 'backup.broken'],
      [bytes.slice(0, bytes.length - 2000), 'backup.broken'],
      [bent, 'backup.broken'],
    ] as const)
      expect((await refused(bring(given))).problem.code).toBe(code);
    expect(await families()).toBe(before);
    expect(readdirSync(elsewhere.folder)).not.toContain('restoring');
  });
});

describe('A backup that the program could not work with', () => {
  /** A backup whose database was changed by something else, with a note that fits it. */
  async function bentBackup(bend: (database: Sqlite.Database) => void): Promise<Uint8Array> {
    const folder = mkdtempSync(join(tmpdir(), 'loom-kin-bent-'));
    const zip = await yauzl.fromBufferPromise(Buffer.from(await takeBackup()), { lazyEntries: true });
    const parts = new Map<string, Buffer>();
    for await (const entry of zip.eachEntry())
      parts.set(entry.fileName, await buffer(await zip.openReadStreamPromise(entry)));
    const file = join(folder, 'database');
    writeFileSync(file, parts.get('loom-kin.db')!);
    const database = new Sqlite(file);
    database.pragma('foreign_keys = OFF');
    bend(database);
    database.close();
    const note = { ...(JSON.parse(String(parts.get('loom-kin.json'))) as object), digest: undefined };
    const bent = new ZipFile();
    bent.addBuffer(Buffer.from(JSON.stringify(note)), 'loom-kin.json');
    bent.addBuffer(readFileSync(file), 'loom-kin.db');
    for (const [name, bytes] of parts) if (name.startsWith('pictures/')) bent.addBuffer(bytes, name);
    bent.end();
    rmSync(folder, { recursive: true });
    return new Uint8Array(await buffer(bent.outputStream));
  }
  const WAYS: Record<string, [code: string, bend: (database: Sqlite.Database) => void]> = {
    'has a family of another shape': ['backup.unfit', (db) => db.exec(`UPDATE families SET doc = '{"axes":7}'`)],
    'has settings of another shape': ['backup.unfit', (db) => db.exec(`UPDATE documents SET doc = '[]'`)],
    'has text where JSON should stand': ['backup.unfit', (db) => db.exec(`UPDATE families SET doc = 'x'`)],
    'lacks a table': ['backup.unfit', (db) => db.exec('DROP TABLE due')],
    'lacks families': ['backup.unfit', (db) => db.exec('DELETE FROM families')],
    'has a trigger of somebody else': [
      'backup.unfit',
      (db) => db.exec('CREATE TRIGGER t AFTER INSERT ON due BEGIN DELETE FROM families; END'),
    ],
    'is newer than it says': [
      'backup.newer',
      (db) => db.exec(`INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('of tomorrow', 9e15)`),
    ],
  };
  for (const [way, [code, bend]] of Object.entries(WAYS))
    it(`${way} is refused before anything is changed`, async () => {
      const refusal = await refused(bring(await bentBackup(bend)));
      expect(refusal.problem.code).toBe(code);
      expect(await elsewhere.call(api.health)).toMatchObject({ ok: true, families: 1 });
    });
});

describe('Data brought back from an earlier time', () => {
  it('is compared with what the accounts hold before anything is composed, and goes forth again with one press', async () => {
    const coat = await seller.shopFamily({ name: 'Coat of two prices' });
    const { id } = coat.family;
    const price = async (figure: string) =>
      seller.run(await seller.fresh(coat), {
        do: 'setFigures',
        changes: [{ place: { level: 'family' }, key: 'price', figure }],
      });
    await seller.ended((await seller.send([id], ['own-shop'])).id);
    const bytes = await takeBackup();
    await price('120.00');
    await seller.ended((await seller.send([id], ['own-shop'])).id);
    const priceHere = () =>
      here.call(api.family, { params: { id } }).then(
        ({ family }) => family.fields.price,
        () => null,
      );
    const preview = () => here.call(api.previewDispatch, { body: { familyIds: [id], accounts: ['own-shop'] } });

    await here.call(api.restore, { form: formOf(bytes, 'backup.zip') });
    await until(priceHere, (figure) => figure === '100.00', 60);
    expect((await preview()).totals).toMatchObject({ revisions: 1, unchanged: 0 });

    const { kept } = await here.call(api.keptData);
    await here.call(api.bringBackKept, { params: { name: kept[0]!.name } });
    await until(priceHere, (figure) => figure === '120.00', 60);
    expect((await preview()).totals).toMatchObject({ revisions: 0, unchanged: 1 });
  }, 300_000);
});
