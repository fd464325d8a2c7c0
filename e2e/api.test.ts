/** The API over real HTTP on a real database file: its door, its one write path, its files. */
import { validate } from '@readme/openapi-parser';
import ExcelJs from 'exceljs';
import Papa from 'papaparse';
import readXlsxFile from 'read-excel-file/node';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { familyIndex } from '@loom-kin/core/family';
import { endpoints as api } from '@loom-kin/contract';
import { refused, sellerIn, sheetForm } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
beforeAll(async () => void (world = await startWorld()));
afterAll(() => world?.end());
const { bringSheet, run, shopFamily, fresh, setPrice, count, takeNumbers, addBlock, undo, redo } = sellerIn(
  () => world,
);

describe('the door', () => {
  it('answers for its health and describes itself in valid OpenAPI 3.1', async () => {
    expect(await world.call(api.health)).toMatchObject({ ok: true, run: expect.stringMatching(/./) });
    const document = await (await fetch(`${world.url}/api/openapi.json`)).json();
    expect(document.openapi).toBe('3.1.0');
    expect(Object.keys(document.paths).length).toBeGreaterThan(20);
    expect(await validate(structuredClone(document))).toMatchObject({ valid: true });
  });
  it('lets nobody in under another name or from another site, and sends the protecting headers', async () => {
    const { request } = await import('node:http');
    const asked = (headers: Record<string, string>) =>
      new Promise<{ status: number; headers: Record<string, unknown> }>((resolve) =>
        request(`${world.url}/api/health`, { headers }, (answer) =>
          resolve({ status: answer.statusCode!, headers: answer.headers }),
        ).end(),
      );
    expect((await asked({ host: 'evil.test' })).status).toBe(403);
    expect((await asked({ origin: 'http://evil.test' })).status).toBe(403);
    const from = (site: string) =>
      fetch(`${world.url}/api/board/recheck`, { method: 'POST', headers: { 'sec-fetch-site': site } }).then(
        ({ status }) => status,
      );
    expect([await from('cross-site'), (await from('same-origin')) < 400]).toEqual([403, true]);
    const good = await asked({ origin: world.url });
    expect(good.status).toBe(200);
    expect(good.headers['content-security-policy']).toContain("default-src 'self'");
  });
  it('refuses what is cut off, what is too large, and what is not there, in words', async () => {
    const post = (body: string) =>
      fetch(`${world.url}/api/changes`, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
    const cut = await post('{"fields": {');
    expect([cut.status, (await cut.json()).message]).toEqual([400, 'This is no JSON: it is cut off or has a fault.']);
    expect((await post(JSON.stringify({ axes: 'x'.repeat(21_000_000) }))).status).toBe(413);
    const deep = await post('['.repeat(4_000_000) + ']'.repeat(4_000_000));
    expect([deep.status, (await deep.json()).code]).toEqual([422, 'input.deep']);
    expect((await refused(world.call(api.family, { params: { id: 'knothere' } }))).status).toBe(404);
    expect((await (await post('{}')).json()).message).toMatch(/^The body is not as it should be/);
  });
});

describe('one write path', () => {
  it('raises the revision, refuses a stale one, journals, takes back and makes again', async () => {
    const detail = await shopFamily();
    const first = await run(detail, setPrice(detail, 0, '120'));
    expect(first.revision).toBe(detail.family.revision + 1);
    const stale = await refused(run(detail, setPrice(detail, 0, '130')));
    expect(stale.status).toBe(409);
    expect(stale.problem.detail).toMatchObject({ revision: first.revision });
    const id = detail.family.id;
    const undone = await undo(id);
    expect(familyIndex(undone.family).woven[0]!.fields.price).toBeUndefined();
    expect(undone.redo?.title).toBe('Set price on Rust · S');
    expect(familyIndex((await redo(id)).family).woven[0]!.fields.price).toBe('120');
    const [newest] = await world.call(api.journal, { query: { familyId: id } });
    expect(newest).toMatchObject({
      kind: 'redo',
      parts: [{ lines: [{ where: 'Rust · S', what: 'Price', before: '', after: '120' }] }],
    });
  });
  it('makes a change once however often it is sent under one key', async () => {
    const detail = await shopFamily();
    const { id, revision } = detail.family;
    const seen = { ...detail, family: { ...detail.family, revision } };
    const sent = () => run(seen, setPrice(detail, 0, '77'), 'one-change-1');
    const first = await sent();
    await run({ ...detail, family: { ...detail.family, revision: first.revision } }, setPrice(detail, 1, '78'));
    // The answer was lost on the way and the page asks again, with what it knew: no clash, no second change.
    expect((await sent()).revision).toBe(first.revision + 1);
    expect((await fresh(detail)).family.revision).toBe(first.revision + 1);
    expect(
      (await world.call(api.journal, { query: { familyId: id } })).filter(
        (entry) => entry.title === 'Set price on Rust · S',
      ),
    ).toHaveLength(1);
  });
  it('counts stock in a ledger: once a key, and back by undo', async () => {
    const detail = await shopFamily();
    const childId = familyIndex(detail.family).woven[0]!.id;
    const nine = () => count(detail, [{ childId, pieces: 9 }], 'same-key-12');
    expect((await nine()).stock[childId]).toBe(9);
    await count(detail, [{ childId, pieces: 3 }], 'other-key-1');
    expect((await nine()).stock[childId]).toBe(3);
    expect((await undo(detail.family.id)).stock[childId]).toBe(9);
    // Counting is beside the family: what somebody types meanwhile is not stale.
    expect((await run(detail, setPrice(detail, 0, '81'))).revision).toBe(detail.family.revision + 1);
    // One child twice in a count, and one key for two families, are no counts.
    const twice = await refused(
      count(detail, [
        { childId, pieces: 5 },
        { childId, pieces: 6 },
      ]),
    );
    expect([twice.problem.code, (await fresh(detail)).stock[childId]]).toEqual(['stock.twice', 9]);
  });
  it('keeps SKUs and GTINs unique over the catalogue, naming the owner', async () => {
    const one = await shopFamily();
    const two = await shopFamily();
    const child = familyIndex(two.family).woven[0]!;
    const taken = familyIndex(one.family).woven[0]!.fields.sku as string;
    const clash = await refused(
      run(two, {
        do: 'setFigures',
        changes: [{ place: { level: 'child', childId: child.id }, key: 'sku', figure: taken.toLowerCase() }],
      }),
    );
    expect([clash.status, clash.problem.code]).toEqual([409, 'sku.taken']);
    expect(clash.message).toContain(String(one.family.fields.name));
    expect((await fresh(two)).family.revision).toBe(two.family.revision);
    await addBlock('95010155');
    await takeNumbers(
      one,
      familyIndex(one.family).woven.map((each) => each.id),
    );
    const numbered = await takeNumbers(two, [child.id]);
    expect(numbered.family.children[child.id]!.fields.gtin).toMatch(/^950101550006\d$/);
    const wrong = await refused(
      run(numbered, {
        do: 'setFigures',
        changes: [{ place: { level: 'child', childId: child.id }, key: 'gtin', figure: '4006381333930' }],
      }),
    );
    expect(wrong.message).toContain('it must be 1');
  });
  it('keeps every change it accepted when it is killed while saving, and nothing by half', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    let accepted = detail.family.revision;
    const writing = (async () => {
      for (let price = 1; price < 2000; price++)
        accepted = (
          await run({ ...detail, family: { ...detail.family, revision: accepted } }, setPrice(detail, 0, String(price)))
        ).revision;
    })().catch(() => undefined);
    await until(
      async () => accepted,
      (revision) => revision > detail.family.revision + 40,
    );
    await world.killServer();
    await writing;
    await world.startServer();
    const after = await world.call(api.family, { params: { id } });
    expect([accepted, accepted + 1]).toContain(after.family.revision);
    expect(familyIndex(after.family).woven[0]!.fields.price).toBe(
      String(after.family.revision - detail.family.revision),
    );
    const [newest] = await world.call(api.journal, { query: { familyId: id, limit: 1 } });
    expect(newest!.parts[0]!.lines[0]!.after).toBe(familyIndex(after.family).woven[0]!.fields.price);
  });
});

describe('files', () => {
  it('leave as CSV after RFC 4180 and as XLSX that other libraries read, and change nothing when they come back', async () => {
    const detail = await shopFamily({ madeIn: 'Norrhavn' });
    const { id } = detail.family;
    const csv = await (await fetch(`${world.url}/api/families/${id}/file.csv`)).text();
    const parsed = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
      header: true,
      skipEmptyLines: true,
    });
    expect(parsed.errors).toEqual([]);
    expect(csv.split('\r\n')).toHaveLength(8);
    expect(parsed.data[0]).toMatchObject({
      'Option: Colour': 'Rust',
      'Option: Size': 'S',
      Price: '100.00',
      'Stock (pieces)': '5',
    });
    const xlsx = Buffer.from(await (await fetch(`${world.url}/api/families/${id}/file.xlsx`)).arrayBuffer());
    const read = await readXlsxFile(xlsx);
    const rows = (
      Array.isArray(read) && read.length > 0 && !Array.isArray(read[0])
        ? (read[0] as unknown as { data: unknown[][] }).data
        : read
    ) as unknown[][];
    expect(rows.map((row) => row.map((cell) => String(cell ?? '')))).toEqual(
      Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), { skipEmptyLines: true }).data,
    );
    for (const [bytes, name] of [
      [csv, 'T.csv'],
      [new Uint8Array(xlsx), 'T.xlsx'],
    ] as const) {
      const report = await bringSheet(id, sheetForm(bytes, name), 'yes');
      expect(report.counts).toEqual({ new: 0, changed: 0, same: 6, refused: 0 });
    }
    expect((await fresh(detail)).family.revision).toBe(detail.family.revision);
  });
  it('come back changed: good rows go in, bad ones are refused by row and column, new ones are woven', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    const csv = [
      'Option: Colour;Option: Size;SKU;Price;Stock (pieces);Weight (g)',
      `Rust;S;T-NEW;111,50;12;0.6 kg`,
      'Rust;M;;abc;3;',
      'Spruce;L;;100;-4;',
      `Kelp;M;KELP-M;99;7;`,
      'Rust;S;TWICE;1;1;',
      `Spruce;M;${String(familyIndex(detail.family).woven[0]!.fields.sku)};100;5;`,
    ].join('\n');
    const ask = (apply: 'yes' | 'no') => bringSheet(id, sheetForm(csv, 'supplier.csv'), apply);
    const shown = await ask('no');
    expect((await fresh(detail)).family.revision).toBe(detail.family.revision);
    expect(shown.rows.map((row) => [row.row, row.verdict])).toEqual([
      [2, 'changed'],
      [3, 'refused'],
      [4, 'refused'],
      [5, 'new'],
      [6, 'refused'],
      [7, 'refused'],
    ]);
    expect(shown.rows[1]!.problems).toEqual(
      expect.arrayContaining([{ column: 'Price', message: expect.stringContaining('no amount') as string }]),
    );
    expect(shown.rows[2]!.problems.map((one) => one.column)).toEqual(['SKU', 'Stock (pieces)']);
    // An SKU is never handed from one child to another by a sheet, not even when the file frees it.
    expect(shown.rows[5]!.problems[0]).toMatchObject({
      column: 'SKU',
      message: expect.stringContaining('belongs to Rust · S already') as string,
    });
    const after = await ask('yes').then(() => fresh(detail));
    const at = (...labels: string[]) =>
      familyIndex(after.family).woven.find((child) =>
        labels.every((label) =>
          after.family.axes.some((axis) =>
            axis.values.some((value) => value.label === label && child.at[axis.id] === value.id),
          ),
        ),
      )!;
    expect(at('Rust', 'S').fields).toMatchObject({ sku: 'T-NEW', price: '111.50', weight: 600 });
    expect(after.stock[at('Rust', 'S').id]).toBe(12);
    expect(at('Kelp', 'M').fields).toMatchObject({ sku: 'KELP-M', price: '99' });
    expect(after.stock[at('Kelp', 'M').id]).toBe(7);
    expect(at('Kelp', 'S')).toBeUndefined();
    // The same file once more makes no doubles.
    expect((await ask('no')).rows.slice(0, 4).map((row) => row.verdict)).toEqual([
      'same',
      'refused',
      'refused',
      'same',
    ]);
  });
  it('that are cut off or have no column for an axis are refused, with nothing changed', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    const whole = new Uint8Array(await (await fetch(`${world.url}/api/families/${id}/file.xlsx`)).arrayBuffer());
    const cut = await refused(bringSheet(id, sheetForm(whole.slice(0, whole.length / 2), 'cut.xlsx'), 'yes'));
    expect([cut.problem.code, cut.message]).toEqual([
      'job.failed',
      'cut.xlsx is not a whole XLSX file: it is cut off or of another kind. Save it again and bring it back.',
    ]);
    const bare = await refused(bringSheet(id, sheetForm('SKU,Price\nA,1', 'bare.csv')));
    expect(bare.message).toContain('no column for Colour, Size');
    expect((await fresh(detail)).family.revision).toBe(detail.family.revision);
  });
  it('never carry a live formula', async () => {
    const detail = await shopFamily();
    const child = familyIndex(detail.family).woven[0]!;
    await run(detail, {
      do: 'setFigures',
      changes: [{ place: { level: 'child', childId: child.id }, key: 'mpn', figure: '=HYPERLINK("http://evil.test")' }],
    });
    const { id } = detail.family;
    const csv = await (await fetch(`${world.url}/api/families/${id}/file.csv`)).text();
    expect(csv).toContain(`"'=HYPERLINK(""http://evil.test"")"`);
    const book = new ExcelJs.Workbook();
    await book.xlsx.load(await (await fetch(`${world.url}/api/families/${id}/file.xlsx`)).arrayBuffer());
    book.worksheets[0]!.eachRow((row) => row.eachCell((cell) => expect(cell.type).not.toBe(ExcelJs.ValueType.Formula)));
    expect((await bringSheet(id, sheetForm(csv, 'back.csv'), 'yes')).counts.changed).toBe(0);
  });
  it('carry a family whole: unchanged it changes nothing, changed it is one change, broken it is refused', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    const file = await (await fetch(`${world.url}/api/families/${id}/file.json`)).json();
    expect((await world.call(api.readFamilyFile, { body: file })).counts).toMatchObject({ same: 6 });
    file.family.fields.name = 'Coat by another name';
    expect((await world.call(api.readFamilyFile, { body: file })).counts).toMatchObject({ changed: 6 });
    expect((await undo(id)).family.fields.name).toBe(detail.family.fields.name);
    const copy = JSON.parse(
      JSON.stringify(file)
        .replaceAll(id, 'kcopy001')
        .replaceAll(`${String(file.family.fields.styleCode)}-`, 'COPY-'),
    );
    expect((await world.call(api.readFamilyFile, { body: copy })).counts).toMatchObject({ new: 6 });
    expect(Object.values((await world.call(api.family, { params: { id: 'kcopy001' } })).stock)).toEqual([
      5, 5, 5, 5, 5, 5,
    ]);
    (Object.values(copy.family.children)[0] as { fields: Record<string, unknown> }).fields.price = 'much';
    expect((await refused(world.call(api.readFamilyFile, { body: copy }))).message).toContain('no amount');
  });
});
