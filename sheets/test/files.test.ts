import { buffer } from 'node:stream/consumers';
import ExcelJs from 'exceljs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { createFamily } from '@loom-kin/core/change';
import { familyRows, readSheet } from '@loom-kin/core/intake';
import { emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { fromBufferPromise } from 'yauzl';
import { ZipFile } from 'yazl';
import { harmless, plain, writeCsv, writeXlsx } from '../src/index';
import { rowsOf } from './readBytes';

const cells = fc.array(fc.array(fc.string({ unit: 'binary', maxLength: 12 }), { minLength: 3, maxLength: 3 }), {
  minLength: 1,
  maxLength: 8,
});
/** Texts that look like formulas, apostrophes, escapes and separators. */
const awkward = fc.stringMatching(/^['=@+\-_x0041;,"\t 5]{0,9}$/);
const awkwardCells = fc.array(fc.tuple(awkward, awkward, awkward), { minLength: 1, maxLength: 8 });

describe('CSV', () => {
  it('comes back as it went, by our reader, and is RFC 4180 to another library', async () => {
    await fc.assert(
      fc.asyncProperty(fc.oneof(cells, awkwardCells), async (rows) => {
        const text = writeCsv(['a', 'b', 'c'], rows);
        expect((await rowsOf(Buffer.from(text), 'x.csv')).slice(1)).toEqual(rows.map((row) => [...row]));
        const { data, errors } = Papa.parse<string[]>(text.slice(1), { delimiter: ',', newline: '\r\n' });
        expect(errors).toEqual([]);
        expect(data.slice(1, -1)).toEqual(rows.map((row) => row.map(harmless)));
      }),
      { numRuns: 200 },
    );
  });
  it('carries no live formula out, and numbers stay numbers', () => {
    for (const [cell, safe] of [
      ['=1+1', "'=1+1"],
      ['@SUM(A1)', "'@SUM(A1)"],
      ['+cmd', "'+cmd"],
      ['-2+3+cmd', "'-2+3+cmd"],
      ['-12.50', '-12.50'],
      ['+3', '+3'],
      ['plain', 'plain'],
    ]) {
      expect(harmless(cell!)).toBe(safe);
      expect(plain(safe!)).toBe(cell);
    }
  });
  it('leaves no cell bare that a reader of semicolons would take for a formula', () => {
    expect(writeCsv(['a'], [['x;=1+1'], ['x\t@y']])).toContain('"x;=1+1"\r\n"x\t@y"');
  });
  it('is read in the encodings that spreadsheets write, without a word altered', async () => {
    const text = 'a;b\r\nGrün;Größe €\r\n';
    const rows = [
      ['a', 'b'],
      ['Grün', 'Größe €'],
    ];
    const utf16 = Buffer.from(text, 'utf16le');
    // Windows-1252 differs from Latin-1 only in 0x80 to 0x9F; the euro sign is 0x80 there.
    const windows = Buffer.from(text.replace('€', '\x80'), 'latin1');
    const named = {
      'utf-8': Buffer.from(text),
      'utf-8 with a mark': Buffer.from(`\ufeff${text}`),
      'utf-16le': utf16,
      'utf-16le with a mark': Buffer.concat([Buffer.from([0xff, 0xfe]), utf16]),
      'utf-16be with a mark': Buffer.concat([Buffer.from([0xfe, 0xff]), Buffer.from(utf16).swap16()]),
      'windows-1252': windows,
    };
    for (const [name, bytes] of Object.entries(named))
      expect([name, await rowsOf(bytes, 'x.csv')]).toEqual([name, rows]);
  });
  it('is read with a line that names the separator, with line ends of every kind, and with lone quotation marks', async () => {
    const read = (text: string) => rowsOf(Buffer.from(text), 'x.csv');
    expect(await read('sep=;\r\na;b\r\n1,5;2')).toEqual([
      ['a', 'b'],
      ['1,5', '2'],
    ]);
    expect(await read('a,b\r1,2\n3,4\r\n5,6')).toEqual([
      ['a', 'b'],
      ['1', '2'],
      ['3', '4'],
      ['5', '6'],
    ]);
    // A mark that is never closed, one that a later cell would close, and two that are right.
    expect(await read('a,b\n5" nail,1\n"6 inch,2\n7,3\n"eight ""8""",4\n"two\nlines",5\n"9,6')).toEqual([
      ['a', 'b'],
      ['5" nail', '1'],
      ['"6 inch', '2'],
      ['7', '3'],
      ['eight "8"', '4'],
      ['two\nlines', '5'],
      ['"9', '6'],
    ]);
  });
  it('is read with semicolons and tabs, and refused where lone quotation marks are the rule', async () => {
    expect(await rowsOf(Buffer.from('a;b\n1,5;2'), 'x.csv')).toEqual([
      ['a', 'b'],
      ['1,5', '2'],
    ]);
    expect(await rowsOf(Buffer.from('a\tb\n1\t2'), 'x.csv')).toEqual([
      ['a', 'b'],
      ['1', '2'],
    ]);
    const lone = `a,b\n${'"1,2\n'.repeat(201)}`;
    await expect(rowsOf(Buffer.from(lone), 'x.csv')).rejects.toThrow(/x\.csv is no CSV .* quotation mark/);
  });
});

describe("a family's own sheet", () => {
  const registry = openRegistry(emptyRegistry());
  /** Labels as people give them, and as nobody should. */
  const label = fc
    .oneof(
      fc.constantFrom(
        'a|b',
        'x;;;;;;;;;;;;;;;;;;;;',
        '=1+1',
        "'=1+1",
        '14"',
        '"',
        'sep=;',
        '_x0041_',
        'a\tb',
        'a\nb',
        '1,5',
        '@x',
      ),
      fc.string({ minLength: 1, maxLength: 12 }),
    )
    .filter((text) => text.trim() !== '');
  const folded = (text: string) => text.normalize('NFC').trim().replace(/\s+/g, ' ').toLowerCase();
  const labels = fc.uniqueArray(label, { minLength: 1, maxLength: 5, selector: folded });

  it('comes back unchanged as CSV and as XLSX, whatever its axes and values are called', async () => {
    await fc.assert(
      fc.asyncProperty(
        labels,
        labels,
        fc.uniqueArray(label, { minLength: 2, maxLength: 2, selector: folded }),
        async (one, two, names) => {
          const axis = (name: string, values: string[], role: 'other' | 'model') => ({
            role,
            label: name.slice(0, 40),
            values: values.map((text) => ({ label: text })),
          });
          const axes = [axis(names[0]!, one, 'other'), axis(names[1]!, two, 'model')];
          const family = createFamily(registry, { id: 'fodd', fields: { name: 'Odd' }, axes, off: [] });
          const { headers, rows } = familyRows(registry, family, {});
          const csv = await rowsOf(Buffer.from(writeCsv(headers, rows)), 'x.csv');
          const xlsx = await rowsOf(await writeXlsx('x', headers, rows), 'x.xlsx');
          for (const [head, ...back] of [csv, xlsx]) {
            const reading = readSheet(registry, family, head!, back, {});
            expect(reading.rows.map((row) => row.verdict)).toEqual(rows.map(() => 'same'));
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('XLSX', () => {
  it('keeps every cell as text, leading zeros and long numbers included', async () => {
    const rows = [
      ['036000291452', '4006381333931', '=1+1'],
      ['007', '', 'Rust'],
    ];
    expect(await rowsOf(await writeXlsx('Children', ['a', 'b', 'c'], rows), 'x.xlsx')).toEqual([
      ['a', 'b', 'c'],
      ...rows,
    ]);
  });
  it('writes nothing for an empty cell, and every row as long as it went', async () => {
    const sparse = [
      ['', 'a', ''],
      ['', '', ''],
      ['b', '', '0'],
    ];
    const bytes = await writeXlsx('Sheet', ['One', 'Two', 'Three'], sparse);
    const workbook = new ExcelJs.Workbook();
    await workbook.xlsx.load(bytes as unknown as ExcelJs.Buffer);
    const sheet = workbook.worksheets[0]!;
    expect([2, 3, 4].map((row) => sheet.getRow(row).actualCellCount)).toEqual([1, 0, 2]);
    expect(await rowsOf(bytes, 'x.xlsx')).toEqual([['One', 'Two', 'Three'], ...sparse]);
  });
  it('reads what people make: numbers, dates, formulas by their result, long numbers without a power of ten', async () => {
    const book = new ExcelJs.Workbook();
    const sheet = book.addWorksheet('x');
    sheet.addRow([
      12.5,
      4006381333931,
      new Date(Date.UTC(2027, 2, 1)),
      true,
      { formula: 'A1*2', result: 25 },
      { richText: [{ text: 'Ru' }, { text: 'st' }] },
    ]);
    expect(await rowsOf(Buffer.from(await book.xlsx.writeBuffer()), 'x.xlsx')).toEqual([
      ['12.5', '4006381333931', '2027-03-01', 'yes', '25', 'Rust'],
    ]);
  });
  it('keeps what looks like an escaped sign, and signs that XML cannot hold (ISO/IEC 29500-1, 22.9.2.19)', async () => {
    const rows = [['_x0041_', '_x005F_x0041_', 'a\u0001b\u000bc'], ...awkwardSamples()];
    expect((await rowsOf(await writeXlsx('x', ['a', 'b', 'c'], rows), 'x.xlsx')).slice(1)).toEqual(rows);
    // What another program wrote means the sign.
    const book = new ExcelJs.Workbook();
    book.addWorksheet('x').addRow(['_x0041_']);
    expect(await rowsOf(Buffer.from(await book.xlsx.writeBuffer()), 'x.xlsx')).toEqual([['A']]);
  });
  it('reads the sheet that stands first, wherever its part lies', async () => {
    const book = new ExcelJs.Workbook();
    for (const name of ['one', 'two']) book.addWorksheet(name).addRow([name]);
    (book.getWorksheet('two') as unknown as { orderNo: number }).orderNo = -1;
    expect(await rowsOf(Buffer.from(await book.xlsx.writeBuffer()), 'x.xlsx')).toEqual([['two']]);
  });
  it('is read where an area is merged and lists are offered over whole columns', async () => {
    const whole = await writeXlsx('x', ['a'], [['1']]);
    const template = await withSheet(whole, (xml) =>
      xml.replace(
        '</sheetData>',
        '</sheetData><mergeCells count="1"><mergeCell ref="A5:XFD1048576"/></mergeCells><dataValidations count="1"><dataValidation type="list" sqref="A1:XFD1048576"><formula1>"x,y"</formula1></dataValidation></dataValidations>',
      ),
    );
    expect(await rowsOf(template, 'x.xlsx')).toEqual([['a'], ['1']]);
  });
  it('is refused when it is larger unpacked than is taken, before it is unpacked', async () => {
    const bomb = await writeXlsx('x', ['a'], [['1']]);
    // The directory at the file's end says how large each part is unpacked (APPNOTE.TXT 4.3.12: 22 bytes before the name).
    bomb.writeUInt32LE(420 * 1024 * 1024, bomb.lastIndexOf('xl/worksheets/sheet1.xml') - 22);
    await expect(rowsOf(bomb, 'bomb.xlsx')).rejects.toThrow('bomb.xlsx would be more than 400 MB unpacked');
    // A part that is all blanks is one long before.
    bomb.writeUInt32LE(60 * 1024 * 1024, bomb.lastIndexOf('xl/worksheets/sheet1.xml') - 22);
    await expect(rowsOf(bomb, 'bomb.xlsx')).rejects.toThrow('bomb.xlsx would be more than 50 MB unpacked');
  });
  it('is refused when it has more columns than are read', async () => {
    const wide = await writeXlsx(
      'x',
      Array.from({ length: 500 }, (_, at) => `c${at}`),
      [],
    );
    await expect(rowsOf(wide, 'wide.xlsx')).rejects.toThrow('wide.xlsx has 1 rows and 500 columns');
  });
  it('that is a picture under another name is refused in words', async () => {
    const picture = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 0x0d, 0x49, 0x48]);
    await expect(rowsOf(picture, 'list.csv')).rejects.toThrow('list.csv is neither a sheet nor text');
  });
  it('is refused when it is cut off', async () => {
    const whole = await writeXlsx('x', ['a'], [['1']]);
    await expect(rowsOf(whole.subarray(0, whole.length - 300), 'cut.xlsx')).rejects.toThrow(
      'cut.xlsx is not a whole XLSX file',
    );
  });
});

const awkwardSamples = () =>
  fc.sample(awkwardCells, { seed: 7, numRuns: 12 }).flatMap((rows) => rows.filter(([first]) => first !== ''));

/** The workbook with its sheet's XML made another. */
async function withSheet(book: Buffer, change: (xml: string) => string): Promise<Buffer> {
  const zip = await fromBufferPromise(book, { lazyEntries: true });
  const out = new ZipFile();
  for await (const entry of zip.eachEntry()) {
    const bytes = await buffer(await zip.openReadStreamPromise(entry));
    const isSheet = entry.fileName === 'xl/worksheets/sheet1.xml';
    out.addBuffer(isSheet ? Buffer.from(change(bytes.toString())) : bytes, entry.fileName);
  }
  out.end();
  return buffer(out.outputStream);
}
