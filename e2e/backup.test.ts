/** A backup: everything as one file, and back from it on another machine. */
import { readdirSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api } from '@loom-kin/contract';
import { refused, sellerIn, takenOut } from './shop';
import { startWorld, until, type World } from './world';

let here: World;
let elsewhere: World;
beforeAll(async () => {
  [here, elsewhere] = await Promise.all([startWorld(), startWorld({ bare: true })]);
}, 120_000);
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
  }, 120_000);

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
