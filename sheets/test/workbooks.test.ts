/** Workbooks as other programs write them, part by part (ISO/IEC 29500-1, 12.3 and 18). */
import { buffer } from 'node:stream/consumers';
import ExcelJs from 'exceljs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ZipFile } from 'yazl';
import { readBook, rowsOf } from './readBytes';
import { formatOf } from '../src/xlsx/cellFormats';

const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const RELATIONS = 'http://schemas.openxmlformats.org/package/2006/relationships';

interface Parts {
  /** Rows of the one sheet. */
  data?: string;
  /** Other sheets before it, each with its attributes. */
  before?: { attributes: string; data: string }[];
  texts?: string;
  styles?: string;
  properties?: string;
  behind?: string;
  /** Before each name of a tag. */
  prefix?: string;
}

/** A workbook of hand-made parts, its sheets in front of the texts and formats they point at. */
async function workbookOf({ data = '', before = [], texts, styles, properties = '', behind = '', prefix }: Parts) {
  const zip = new ZipFile();
  const add = (path: string, text: string) => zip.addBuffer(Buffer.from(text), path);
  const named = (xml: string) => (prefix ? xml.replace(/<(\/?)(\w)/g, `<$1${prefix}:$2`) : xml);
  const part = (tag: string, inner: string) =>
    named(`<${tag} xmlns="${MAIN}" xmlns:r="${OFFICE}">${inner}</${tag}>`).replace(
      'xmlns=',
      prefix ? `xmlns:${prefix}=` : 'xmlns=',
    );
  const sheets = [...before, { attributes: 'name="List"', data }];
  const relation = (id: string, type: string, target: string) =>
    `<Relationship Id="${id}" Type="${OFFICE}/${type}" Target="${target}"/>`;
  for (const [at, one] of sheets.entries())
    add(`xl/Worksheets/part-${at}.xml`, part('worksheet', `<sheetData>${one.data}</sheetData>${behind}`));
  add(
    '_rels/.rels',
    `<Relationships xmlns="${RELATIONS}">${relation('a', 'officeDocument', '/xl/Book.xml')}</Relationships>`,
  );
  const listed = sheets.map(({ attributes }, at) => `<sheet ${attributes} sheetId="${at + 3}" r:id="s${at}"/>`);
  add('xl/Book.xml', part('workbook', `${properties}<sheets>${listed.join('')}</sheets>`));
  const related = [
    ...sheets.map((_, at) => relation(`s${at}`, 'worksheet', `worksheets/part-${at}.xml`)),
    ...(texts === undefined ? [] : [relation('t', 'sharedStrings', 'texts.xml')]),
    ...(styles === undefined ? [] : [relation('f', 'styles', '/xl/looks.xml')]),
  ];
  add('xl/_rels/Book.xml.rels', `<Relationships xmlns="${RELATIONS}">${related.join('')}</Relationships>`);
  if (texts !== undefined) add('xl/texts.xml', part('sst', texts));
  if (styles !== undefined) add('xl/looks.xml', part('styleSheet', styles));
  zip.end();
  return buffer(zip.outputStream);
}
const rowsIn = async (parts: Parts) => rowsOf(await workbookOf(parts), 'x.xlsx');
const shared = (...numbers: number[]) => `<row>${numbers.map((at) => `<c t="s"><v>${at}</v></c>`).join('')}</row>`;

describe('a workbook', () => {
  it('is read wherever its parts lie and whatever its tags begin with; cells without an address follow each other', async () => {
    const parts = { data: shared(0, 1) + shared(1, 0), texts: '<si><t>Tee</t></si><si><t>Grün &amp; Blau</t></si>' };
    const rows = [
      ['Tee', 'Grün & Blau'],
      ['Grün & Blau', 'Tee'],
    ];
    expect([await rowsIn(parts), await rowsIn({ ...parts, prefix: 'x' })]).toEqual([rows, rows]);
  });
  it('keeps letters of several bytes, however long its texts are', async () => {
    const names = Array.from({ length: 9000 }, (_, at) => `Größe „${'ü'.repeat(at % 7)}“ Nº ${at} 織`);
    const texts = names.map((name) => `<si><t>${name}</t></si>`).join('');
    const rows = await rowsIn({ data: names.map((_, at) => shared(at)).join(''), texts });
    expect(rows.flat()).toEqual(names);
    const inline = names.map((name) => `<row><c t="inlineStr"><is><t>${name}</t></is></c></row>`).join('');
    expect((await rowsIn({ data: inline })).flat()).toEqual(names);
  });
  it('has texts in runs, in its cells or beside them, without how they are spoken', async () => {
    const runs = '<r><t>Ru</t></r><r><rPr><b/></rPr><t xml:space="preserve">st </t></r><r><t>Red</t></r>';
    const texts = `<si>${runs}</si><si><t>織</t><rPh sb="0" eb="1"><t>オリ</t></rPh></si><si><t><![CDATA[A & B]]></t></si>`;
    const data = `<row><c t="inlineStr"><is>${runs}</is></c></row>${[0, 1, 2].map((at) => shared(at)).join('')}`;
    expect((await rowsIn({ data, texts })).flat()).toEqual(['Rust Red', 'Rust Red', '織', 'A & B']);
  });
  it('has formulas by their results: nothing for an error, days as days, texts, and what is true', async () => {
    const cell = (attributes: string, value: string) =>
      `<c ${attributes}><f>VLOOKUP(A1,B:C,2,0)</f><v>${value}</v></c>`;
    const cells = [
      cell('t="e"', '#N/A'),
      cell('s="1"', '46000'),
      cell('t="str"', 'Rust'),
      cell('t="b"', '1'),
      cell('', '0.30000000000000004'),
    ];
    const styles = '<cellXfs><xf numFmtId="0"/><xf numFmtId="14"/></cellXfs>';
    expect(await rowsIn({ data: `<row>${cells.join('')}</row>`, styles })).toEqual([
      ['', '2025-12-09', 'Rust', 'yes', '0.3'],
    ]);
  });
  it('shows numbers as they are seen where zeros are put before them, and days by either count of them', async () => {
    const styles = `<numFmts><numFmt numFmtId="170" formatCode="00000"/><numFmt numFmtId="171" formatCode="[$-407]d\\-mmm;@"/></numFmts>
      <cellStyleXfs><xf numFmtId="14"/></cellStyleXfs><cellXfs><xf numFmtId="0"/><xf numFmtId="170"/><xf numFmtId="171"/></cellXfs>`;
    // 18.17.4.1: 1910-02-03 is 3687 where days are counted from 1900, 2225 from 1904 (from memory).
    const data =
      '<row><c s="1"><v>42</v></c><c s="2"><v>3687.4207639</v></c><c s="2"><v>2225.4207639</v></c><c><v>4.006381333931E12</v></c></row>';
    expect(await rowsIn({ data, styles })).toEqual([['00042', '1910-02-03', '1906-02-02', '4006381333931']]);
    const from1904 = await rowsIn({ data, styles, properties: '<workbookPr date1904="1"/>' });
    expect(from1904[0]!.slice(1, 3)).toEqual(['1914-02-04', '1910-02-03']);
    // Where days are counted from 1900 there is a 29th of February in it: 59 is the day before, 61 that after.
    const days = [1, 59, 61].map((day) => `<c s="2"><v>${day}</v></c>`).join('');
    expect(await rowsIn({ data: `<row>${days}</row>`, styles })).toEqual([['1900-01-01', '1900-02-28', '1900-03-01']]);
  });
  it('tells days from other formats of numbers', () => {
    const days = ['yyyy-mm-dd', 'd/m/yy h:mm', '[h]:mm:ss', '[$-F800]dddd, mmmm dd', 'mmm-yy;@'];
    const numbers = ['General', '#,##0.00 "days"', '0.00\\h', '[Red]0.00', '_-* #,##0.00\\ _€_-', '[$SEK] 0', '@'];
    expect(days.map(formatOf)).toEqual(days.map(() => 'day'));
    expect(numbers.map(formatOf)).toEqual(numbers.map(() => null));
  });
  it('counts only cells that say something: neither columns coloured to the end nor rows', async () => {
    const data =
      '<row r="1"><c r="A1" t="str"><v>Name</v></c><c r="B1" t="str"><v>Size</v></c><c r="XFD1" s="0"/></row><row r="3"><c r="B3"><v>4</v></c></row><row r="1048576"><c r="A1048576"/></row>';
    expect(await rowsIn({ data })).toEqual([
      ['Name', 'Size'],
      ['', ''],
      ['', '4'],
    ]);
    const far = '<row r="1048576"><c r="A1048576"><v>1</v></c></row>';
    await expect(rowsIn({ data: data + far })).rejects.toThrow(/1048576 rows/);
    await expect(rowsIn({ data: '<row><c r="ZZZZZZ1"><v>1</v></c></row>' })).rejects.toThrow(/columns/);
  });
  it('is read at once where its areas that are one cell overlap', async () => {
    const merged = '<mergeCell ref="A1:A199999"/>'.repeat(50_000);
    const data = '<row r="1"><c r="A1"><v>1</v></c></row><row r="199999"><c r="B199999"><v>2</v></c></row>';
    const rows = await rowsIn({ data, behind: `<mergeCells>${merged}</mergeCells>` });
    expect([rows.length, rows.at(-1)]).toEqual([199_999, ['1', '2']]);
  });
  it('shows its first table that is not hidden', async () => {
    const list = `${shared(0, 0)}${shared(1, 1)}`;
    const texts = '<si><t>Name</t></si><si><t>Tee</t></si>';
    const before = [{ attributes: 'name="Codes &amp; more" state="veryHidden"', data: shared(1, 0) + shared(0, 1) }];
    const bytes = await workbookOf({ data: list, texts, before });
    const sheets = ['Codes & more', 'List'];
    expect(await readBook(bytes, 'x.xlsx')).toMatchObject({ sheets, sheet: 'List', rows: [['Name', 'Name'], {}] });
    expect(await readBook(bytes, 'x.xlsx', 'codes & MORE')).toMatchObject({ sheets, sheet: 'Codes & more' });
  });
  it('that is cut within a part or names signs of its own is refused', async () => {
    const cut = workbookOf({ data: '<row><c><v>1</v></c>' });
    await expect(cut.then((bytes) => rowsOf(bytes, 'x.xlsx'))).rejects.toThrow('x.xlsx is not a whole XLSX file');
    const named = workbookOf({ data: shared(0), texts: '<si><t>&lol;</t></si>' });
    await expect(named.then((bytes) => rowsOf(bytes, 'x.xlsx'))).rejects.toThrow('x.xlsx is not a whole XLSX file');
  });
});

describe('what another library writes', () => {
  const letters = fc.string({ unit: 'grapheme-composite', maxLength: 9 }).filter((text) => !/_x|\p{C}/u.test(text));
  const value = fc.oneof(
    letters,
    fc.integer(),
    fc.integer({ min: -99999, max: 99999 }).map((cents) => cents / 100),
    fc.boolean(),
    fc.date({ min: new Date('1901-01-01'), max: new Date('2199-12-31'), noInvalidDate: true }),
    letters.map((text) => ({ richText: [{ text: 'a' }, { font: { bold: true }, text }] })),
    letters.map((result) => ({ formula: 'A1', result })),
  );
  const shown = (one: unknown): string => {
    if (one instanceof Date) return one.toISOString().slice(0, 10);
    if (typeof one === 'boolean') return one ? 'yes' : 'no';
    if (typeof one !== 'object') return String(one);
    const { richText, result } = one as { richText?: { text: string }[]; result?: string };
    return result ?? richText!.map(({ text }) => text).join('');
  };

  it('is read as it went, its texts in cells or beside them', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.array(value, { minLength: 1, maxLength: 4 }), { minLength: 1 }), async (rows) => {
        const book = new ExcelJs.Workbook();
        book.addWorksheet('Other').addRow([]);
        const sheet = book.addWorksheet('List');
        for (const row of rows) sheet.addRow(['-', ...row] as unknown[]);
        const read = await rowsOf(Buffer.from(await book.xlsx.writeBuffer()), 'x.xlsx', 'List');
        const width = Math.max(...read.map((row) => row.length));
        expect(read).toEqual(
          rows.map((row) => Array.from({ length: width }, (_, at) => (at === 0 ? '-' : shown(row[at - 1] ?? '')))),
        );
      }),
      { numRuns: 60 },
    );
  });
});
