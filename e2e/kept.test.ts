/** What must not be lost, taken twice or answered with a fault: family files, keys, bounds, limits, and requests that are none. */
import { statSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import readXlsxFile from 'read-excel-file/node';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { familyIndex } from '@loom-kin/core/family';
import { endpoints as api, type Endpoint } from '@loom-kin/contract';
import { refused, sellerIn, sheetForm } from './shop';
import { startWorld, type World } from './world';

let world: World;
beforeAll(async () => void (world = await startWorld()));
afterAll(() => world?.end());
const { bringSheet, count, ended, fresh, run, send, shopFamily, startFamily } = sellerIn(() => world);

const fileOf = async (id: string) =>
  (await (await fetch(`${world.url}/api/families/${id}/file.json`)).json()) as FileData;
interface FileData {
  family: { id: string; children: Record<string, { fields: Record<string, unknown> }> };
  stock: Record<string, number>;
}

describe('a family file', () => {
  it('under a new id but with its old child ids touches nobody else: stock stands with each family', async () => {
    const detail = await shopFamily();
    const file = await fileOf(detail.family.id);
    file.family.id = 'kother01';
    Object.values(file.family.children).forEach((child, at) => (child.fields.sku = `OTHER-${at}`));
    for (const id of Object.keys(file.stock)) file.stock[id] = 3;
    await world.call(api.readFamilyFile, { body: file as never });
    const other = await world.call(api.family, { params: { id: 'kother01' } });
    expect(Object.values(other.stock)).toEqual([3, 3, 3, 3, 3, 3]);
    expect(Object.values((await fresh(detail)).stock)).toEqual([5, 5, 5, 5, 5, 5]);
    expect(Object.keys(other.family.children).filter((id) => detail.family.children[id])).toEqual([]);
    await count(other, [{ childId: familyIndex(other.family).woven[0]!.id, pieces: 9 }]);
    expect(Object.values((await fresh(detail)).stock)).toEqual([5, 5, 5, 5, 5, 5]);
  });
  it('is read by the one rule for every way in: an SKU or number of another family is found however it is written', async () => {
    const one = await shopFamily();
    const child = familyIndex(one.family).woven[0]!;
    await run(one, {
      do: 'setFigures',
      changes: [{ place: { level: 'child', childId: child.id }, key: 'gtin', figure: '9501017400018' }],
    });
    const bring = async (key: string, figure: string) => {
      const file = await fileOf(one.family.id);
      file.family.id = 'kthird01';
      Object.values(file.family.children).forEach((each, at) => {
        each.fields.sku = `THIRD-${at}`;
        delete each.fields.gtin;
      });
      Object.values(file.family.children)[0]!.fields[key] = figure;
      return world.call(api.readFamilyFile, { body: file as never });
    };
    expect((await refused(bring('sku', ` ${String(child.fields.sku).toLowerCase()} `))).message).toContain(
      'belongs to',
    );
    expect((await refused(bring('gtin', '950 1017400018'))).message).toContain('belongs to');
    await bring('cost', '€ 1 299,50');
    const third = await world.call(api.family, { params: { id: 'kthird01' } });
    expect(Object.values(third.family.children)[0]!.fields.cost).toBe('1299.50');
  });
});

describe('one key', () => {
  it('is one change: another under it is refused, not dropped', async () => {
    const [one, two] = [await shopFamily(), await shopFamily()];
    const childOf = (detail: typeof one) => familyIndex(detail.family).woven[0]!.id;
    const key = 'one-key-for-two';
    await count(one, [{ childId: childOf(one), pieces: 20 }], key);
    expect((await refused(count(two, [{ childId: childOf(two), pieces: 30 }], key))).problem.code).toBe('key.taken');
    expect((await fresh(two)).stock[childOf(two)]).toBe(5);
    const twice = [10, 20].map((pieces) => ({ childId: childOf(two), pieces }));
    expect((await refused(count(two, twice))).problem.code).toBe('stock.twice');
  });
});

describe('what passes the limits of a family', () => {
  it('is refused by sheets too, row by row or whole, and what was there can still be taken back', async () => {
    const detail = await shopFamily();
    const { family: before } = await fresh(detail);
    const { id } = detail.family;
    const row = (colour: string) => `${colour},S,,10`;
    const many = Array.from({ length: 250 }, (_, at) => row(`Colour ${at}`));
    const header = 'Option: Colour,Option: Size,SKU,Price';
    const whole = await refused(bringSheet(id, sheetForm([header, ...many].join('\n'), 'many.csv'), 'yes'));
    expect(whole.message).toContain('more than 200 values');
    const long = await refused(bringSheet(id, sheetForm(`${header}\n${row('x'.repeat(81))}`, 'long.csv'), 'yes'));
    expect(long.message).toContain('81 characters');
    const nul = await refused(bringSheet(id, sheetForm(`${header}\n${row('Ru\u0000st')}`, 'nul.csv'), 'yes'));
    expect(nul.message).toMatch(/NUL/);
    expect((await fresh(detail)).family).toEqual(before);
  });
  it('undo takes back the change it names, and no other', async () => {
    const detail = await shopFamily();
    const name = (figure: string) => ({
      do: 'setFigures' as const,
      changes: [{ place: { level: 'family' as const }, key: 'name', figure }],
    });
    await run(detail, name('First'));
    const first = (await fresh(detail)).undo!;
    await run(await fresh(detail), name('Second'));
    const late = await refused(world.call(api.undo, { params: { id: first.id }, body: { key: crypto.randomUUID() } }));
    expect([late.problem.code, late.status]).toEqual(['undo.overtaken', 409]);
    expect((await fresh(detail)).family.fields.name).toBe('Second');
  });
});

describe('the sheet to upload', () => {
  const sheetOf = async (id: string, account: string): Promise<string[][]> => {
    const bytes = Buffer.from(await (await fetch(`${world.url}/api/families/${id}/upload/${account}`)).arrayBuffer());
    const read = (await readXlsxFile(bytes)) as unknown as { data: unknown[][] }[] | unknown[][];
    const rows = (Array.isArray(read[0]) ? read : (read[0] as { data: unknown[][] }).data) as unknown[][];
    return rows.map((row) => row.map((cell) => String(cell ?? '')));
  };
  it('holds what would be sent: take-downs among it, and nothing of what is stopped', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    await ended((await send([id], ['own-shop'])).id);
    expect((await fetch(`${world.url}/api/families/${id}/upload/own-shop`)).status).toBe(422);
    await run(await fresh(detail), { do: 'retireFamily', retired: true });
    const [headers, ...rows] = await sheetOf(id, 'own-shop');
    expect(rows.map((row) => row.filter((cell) => cell !== ''))).toEqual([expect.arrayContaining(['family', id])]);
    expect(headers!.length).toBeGreaterThan(2);

    // What is held back has no sheet, and says why.
    const stopped = await shopFamily({ description: '' });
    const answer = await fetch(`${world.url}/api/families/${stopped.family.id}/upload/own-shop`);
    expect([answer.status, await answer.json()]).toMatchObject([
      422,
      { code: 'upload.held', message: expect.stringContaining('Description is missing') },
    ]);
  });
});

describe('what is not there', () => {
  it('is not sent: an unknown family or account is refused before anything is worked out', async () => {
    const body = { familyIds: ['knothere'], accounts: ['own-shop'], draft: false };
    expect((await refused(world.call(api.previewDispatch, { body }))).status).toBe(404);
    const agreed = { listings: 0, takenDown: 0, fees: [] };
    const order = { ...body, key: 'nothing-to-send', agreed };
    expect((await refused(world.call(api.startDispatch, { body: order }))).status).toBe(404);
    expect((await world.call(api.dispatches)).filter((one) => one.title === 'nothing')).toEqual([]);
  });
  it('is told whole: a family held back names every reason', async () => {
    const { family } = await startFamily({
      axes: [
        { role: 'colour', label: 'Colour', values: Array.from({ length: 48 }, (_, at) => ({ label: `Odd ${at}` })) },
      ],
      off: [],
      fields: { name: 'Held back', styleCode: 'HB', category: 'outerwear/jackets' },
    });
    const { lines } = await world.call(api.previewDispatch, {
      body: { familyIds: [family.id], accounts: ['quayside'] },
    });
    expect(lines[0]!.reasons.filter((one) => one.field === 'pairing')).toHaveLength(48);
  });
  it('stays hidden from other users of the machine', () => {
    for (const name of ['loom-kin.db', 'loom-kin.db-wal', 'incoming'])
      expect([name, statSync(join(world.folder, name)).mode & 0o077]).toEqual([name, 0]);
  });
});

describe('fees', () => {
  it('are agreed to once for one listing, however often it is chosen or sent before it is answered', async () => {
    const { family } = await shopFamily();
    const { id } = family;
    const settings = (await world.call(api.setup)).accounts.find((one) => one.id === 'fernpost')!.settings;
    expect(settings.answers['Delivery profile']).toBeTruthy();
    await world.mood('fernpost', 'busy');
    const twice = await world.call(api.previewDispatch, {
      body: { familyIds: [id, id], accounts: ['fernpost', 'fernpost'] },
    });
    expect(twice.totals.fees).toEqual([{ currency: 'USD', amount: '0.25' }]);
    await send([id], ['fernpost']);
    const again = await world.call(api.previewDispatch, { body: { familyIds: [id], accounts: ['fernpost'] } });
    expect([again.totals.listings, again.totals.fees]).toEqual([0, []]);
    await world.mood('fernpost', 'well');
  });
});

describe('requests that are none', () => {
  const paths = (Object.values(api) as Endpoint[]).map(({ method, path, upload }) => ({ method, path, upload }));
  const junk = fc.oneof(
    fc.string({ maxLength: 30 }),
    fc.constantFrom('\u0000', '..', '%00', '%', '__proto__', '1e999', '-1', 'NaN', ''),
  );
  /** Words of the checking library and of the machine. */
  const MACHINE = /expected|received|invalid|undefined|null|object Object|ZodError|\bat \/|[{}]/i;

  it('are refused in words, never with a fault', async () => {
    const body = fc.oneof(
      fc.json({ maxDepth: 3 }),
      fc.constantFrom(
        '{',
        '[]',
        '"x"',
        '{"steps":[{"on":"family"}]}',
        '{"key":"12345678","steps":[{"on":"stock","familyId":7}]}',
      ),
    );
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...paths),
        fc.infiniteStream(junk),
        body,
        fc.constantFrom('application/json', 'multipart/form-data', 'multipart/form-data; boundary=x', 'text/plain'),
        async ({ method, path, upload }, words, text, type) => {
          const address = path.replace(/:\w+/g, () => encodeURIComponent(words.next().value as string) || 'x');
          const query = `?q=${encodeURIComponent(words.next().value as string)}&q=2&limit=x&limit=3`;
          const given =
            method === 'get' ? {} : { body: text, headers: { 'content-type': upload ? type : 'application/json' } };
          const answer = await fetch(world.url + address + query, { method: method.toUpperCase(), ...given });
          const said = await answer.text();
          expect([
            answer.status >= 500 && answer.status !== 502 ? `${method} ${path} ${text}` : '',
            answer.status,
          ]).toEqual(['', answer.status]);
          if (answer.status < 400) return;
          const { message } = JSON.parse(said) as { message: string };
          expect(message).not.toMatch(MACHINE);
          expect(message).toMatch(/[.!]$/);
        },
      ),
      { numRuns: 500, seed: 5 },
    );
  }, 300_000);
});
