/** What leaves: the catalogue in open formats, read by other libraries, and back in without a change. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { Package } from 'datapackage';
import ExcelJs from 'exceljs';
import readXlsxFile from 'read-excel-file/node';
import ts from 'typescript';
import { fromBufferPromise } from 'yauzl';
import { buffer } from 'node:stream/consumers';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, type ExportKind } from '@loom-kin/contract';
import { sheetForm, takenOut } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await startWorld({ demo: true });
}, 300_000);
afterAll(() => world.end());

async function exported(kind: ExportKind, families?: string[]): Promise<Buffer> {
  return Buffer.from(await takenOut(world, { kind, ...(families ? { families } : {}) }));
}
async function broughtBack(bytes: Buffer, name: string) {
  const { id } = await world.call(api.startList, { form: sheetForm(new Uint8Array(bytes), name) });
  const job = await until(
    () => world.call(api.job, { params: { id } }),
    ({ state }) => state !== 'running',
    60,
  );
  expect(job.notice).toBeNull();
  const { counts, problems } = await world.call(api.list, { params: { id } });
  const { rows } = await world.call(api.listRows, { params: { id }, query: { only: 'changed', limit: 3 } });
  return { counts, problems, changed: rows };
}
const catalogue = async () => (await world.call(api.listFamilies, { query: { limit: 200 } })).families;

/** What the types of schema.org's vocabulary say of data. */
function typeProblems(groups: readonly unknown[]): string[] {
  const folder = mkdtempSync(join(process.cwd(), 'e2e', 'schema-'));
  const file = join(folder, 'groups.ts');
  try {
    const type = 'WithContext<ProductGroup>[]';
    writeFileSync(
      file,
      `import type { ProductGroup, WithContext } from 'schema-dts';\nexport const groups: ${type} = ${JSON.stringify(groups)};`,
    );
    const { ESNext } = ts.ModuleKind;
    const { Bundler } = ts.ModuleResolutionKind;
    const options = {
      strict: true,
      noEmit: true,
      skipLibCheck: true,
      module: ESNext,
      moduleResolution: Bundler,
      types: [],
    };
    const told = ts.getPreEmitDiagnostics(ts.createProgram([file], options));
    return told.map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, '\n').slice(0, 600));
  } finally {
    rmSync(folder, { recursive: true });
  }
}

describe('The catalogue', () => {
  it.each(['csv', 'xlsx'] as const)(
    'goes out as %s and comes in again without a change',
    async (kind) => {
      const bytes = await exported(kind);
      const families = await catalogue();
      const { counts, problems, changed } = await broughtBack(bytes, `catalogue.${kind}`);
      expect({ problems, changed }).toEqual({ problems: [], changed: [] });
      const children = families.reduce((sum, family) => sum + family.children, 0);
      expect(counts).toMatchObject({ same: children, newFamily: 0, newChild: 0, changed: 0, doubtful: 0, refused: 0 });
    },
    300_000,
  );

  it('is a workbook that other libraries read: numbers are numbers, GTINs text, closed lists offered, what is wanted marked and explained', async () => {
    const [jacket] = (await catalogue()).filter(({ name }) => name.includes('jacket'));
    const bytes = await exported('xlsx', [jacket!.id]);
    const [{ data: rows }] = (await readXlsxFile(bytes)) as unknown as [{ data: unknown[][] }];
    const headers = rows[0]!.map(String);
    const cell = (header: string) => rows[1]![headers.indexOf(header)];
    expect([typeof cell('Price'), typeof cell('GTIN'), typeof cell('SKU'), cell('Axis 1')]).toEqual([
      'number',
      'string',
      'string',
      'Colour',
    ]);
    const book = new ExcelJs.Workbook();
    await book.xlsx.load(bytes as never);
    const sheet = book.getWorksheet('Catalogue')!;
    const price = sheet.getRow(1).getCell(headers.indexOf('Name') + 1);
    expect([price.note !== undefined, price.fill.type]).toEqual([true, 'pattern']);
    const listed = sheet.getRow(2).getCell(headers.indexOf('Counting') + 1).dataValidation;
    expect(listed.type).toBe('list');
    expect(book.getWorksheet('Columns')!.getRow(1).getCell(2).value).toBe('How much it is wanted');
    expect(book.getWorksheet('Lists')!.state).toBe('veryHidden');
  });

  it('says what is required by the categories of the goods that are in it', async () => {
    const all = await catalogue();
    const neededIn = async (word: string) => {
      const family = all.find(({ name }) => name.includes(word))!;
      const book = new ExcelJs.Workbook();
      await book.xlsx.load((await exported('xlsx', [family.id])) as never);
      const needs = new Map<string, string>();
      book.getWorksheet('Columns')!.eachRow((row) => void needs.set(row.getCell(1).text, row.getCell(2).text));
      return needs.get('Composition');
    };
    // Quayside has to know what garments are made of, and does not ask it of mugs; the own shop would like to know it of both.
    expect([await neededIn('jacket'), await neededIn('Galley mug')]).toEqual(['Required', 'Recommended']);
  });

  it('is JSON-LD as schema.org defines a ProductGroup, by the types made from its own definitions', async () => {
    const { '@graph': graph } = JSON.parse((await exported('jsonld')).toString()) as {
      '@graph': Record<string, unknown>[];
    };
    expect(graph.length).toBe((await catalogue()).length);
    const groups = graph.slice(0, 6).map((group) => ({ '@context': 'https://schema.org', ...group }));
    expect(typeProblems(groups)).toEqual([]);
    // The types would say so if they did not fit.
    expect(typeProblems([{ ...groups[0], hasVariant: [{ '@type': 'Product', colour: 'Rust' }] }])).not.toEqual([]);
    const [first] = graph;
    expect(first).toMatchObject({
      '@type': 'ProductGroup',
      variesBy: ['https://schema.org/color', 'https://schema.org/size'],
    });
  }, 300_000);

  it('is a Data Package that its own library reads, with every key and type as described', async () => {
    const zip = await fromBufferPromise(await exported('package'), { lazyEntries: true });
    const folder = mkdtempSync(join(tmpdir(), 'package-'));
    for await (const entry of zip.eachEntry()) {
      mkdirSync(dirname(join(folder, entry.fileName)), { recursive: true });
      writeFileSync(join(folder, entry.fileName), await buffer(await zip.openReadStreamPromise(entry)));
    }
    const pack = await Package.load(join(folder, 'datapackage.json'));
    expect(pack.errors).toEqual([]);
    const families = await catalogue();
    const rows = await pack.getResource('families').read({ keyed: true });
    expect(rows.length).toBe(families.length);
    const children = await pack.getResource('children').read({ keyed: true, relations: true });
    expect(children.length).toBe(families.reduce((sum, family) => sum + family.children, 0));
    for (const name of ['values', 'options', 'pictures'])
      expect((await pack.getResource(name).read({ relations: true })).length).toBeGreaterThan(0);
  }, 300_000);

  it('is family files in one, which come in again without a change', async () => {
    const { format, families } = JSON.parse((await exported('json')).toString()) as {
      format: string;
      families: { format: string }[];
    };
    expect([format, families.length, families[0]!.format]).toEqual([
      'loom-kin/catalogue',
      (await catalogue()).length,
      'loom-kin/family',
    ]);
    const bytes = await exported('json');
    const { counts } = await broughtBack(bytes, 'catalogue.json');
    expect(counts).toMatchObject({ same: families.length, newFamily: 0, changed: 0, refused: 0 });
  });
});
