/** XLSX sheets, one table each. Nothing is written that a spreadsheet would run; what comes in is read as a stream, within bounds. */
import { PassThrough, Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import ExcelJs from 'exceljs';
import { Refusal } from '@loom-kin/core';
import { lookIntoZip } from './lookIntoZip';

const ROWS_AT_MOST = 100_000;
const COLUMNS_AT_MOST = 400;
const CELLS_AT_MOST = 4_000_000;

/**
 * A workbook of one sheet: bold header that stays in view, text cells as text (a GTIN keeps its zeros), numbers as
 * numbers.
 */
export async function writeXlsx(
  name: string,
  headers: readonly string[],
  rows: readonly (readonly (string | number)[])[],
): Promise<Buffer> {
  const out = new PassThrough();
  const whole = buffer(out);
  const book = new ExcelJs.stream.xlsx.WorkbookWriter({ stream: out, useStyles: true, useSharedStrings: false });
  const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.columns = headers.map((header) => ({
    width: Math.min(40, Math.max(10, header.length + 2)),
    style: { numFmt: '@' },
  }));
  const written = (cell: string | number) => (typeof cell === 'string' ? escaped(cell) : cell);
  const head = sheet.addRow(headers.map(written));
  head.font = { bold: true };
  head.commit();
  for (const row of rows) sheet.addRow(row.map(written)).commit();
  sheet.commit();
  await book.commit();
  return whole;
}

/**
 * Signs that XML cannot hold are written as `_x` with four digits and `_`, and a text that looks like one has its first sign written so
 * (ISO/IEC 29500-1, 22.9.2.19, ST_Xstring).
 */
function escaped(text: string): string {
  return (
    text
      .replace(/_(?=x[0-9A-Fa-f]{4}_)/g, '_x005F_')
      // eslint-disable-next-line no-control-regex
      .replace(/[\x00-\x08\x0b-\x1f\ufffe\uffff]/g, (sign) => `_x${hex(sign)}_`)
  );
}
const hex = (sign: string) => sign.charCodeAt(0).toString(16).toUpperCase().padStart(4, '0');
const unescaped = (text: string) =>
  text.replace(/_x([0-9A-Fa-f]{4})_/g, (_whole, digits: string) => String.fromCharCode(parseInt(digits, 16)));

/** The first sheet of a workbook as text. A file that is cut off, no workbook or out of bounds is refused. */
export async function readXlsx(bytes: Buffer, fileName: string): Promise<string[][]> {
  const { firstSheet } = await lookIntoZip(bytes, fileName);
  const reader = new ExcelJs.stream.xlsx.WorkbookReader(Readable.from([bytes]), {
    ...{ worksheets: 'emit', sharedStrings: 'cache', styles: 'cache', hyperlinks: 'ignore', entries: 'ignore' },
  });
  try {
    for await (const sheet of reader) {
      // The reader gives a sheet its number in the workbook, or as text that of its part; its types leave both out.
      const { id } = sheet as unknown as { id: number | string };
      const isFirst = typeof id === 'number' ? String(id) === firstSheet.id : id === firstSheet.part;
      if (isFirst) return await readRows(sheet, fileName);
    }
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('sheet.cut-off', { file: fileName });
  }
  throw new Refusal('sheet.empty', { file: fileName });
}

async function readRows(sheet: ExcelJs.stream.xlsx.WorksheetReader, fileName: string): Promise<string[][]> {
  const rows: string[][] = [];
  let columns = 0;
  let cells = 0;
  for await (const row of sheet) {
    columns = Math.max(columns, row.cellCount);
    cells += row.cellCount;
    if (row.number > ROWS_AT_MOST || columns > COLUMNS_AT_MOST || cells > CELLS_AT_MOST) {
      const most = { mostRows: ROWS_AT_MOST, mostColumns: COLUMNS_AT_MOST };
      throw new Refusal('sheet.too-large', { file: fileName, rows: row.number, columns, ...most });
    }
    while (rows.length < row.number - 1) rows.push([]);
    rows.push(Array.from({ length: row.cellCount }, (_, at) => cellText(row.getCell(at + 1).value)));
  }
  return rows.map((row) => (row.length === columns ? row : [...row, ...Array<string>(columns - row.length).fill('')]));
}

function cellText(value: ExcelJs.CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value === 'object') {
    if ('richText' in value) return unescaped(value.richText.map((part) => part.text).join(''));
    if ('result' in value) return cellText(value.result as ExcelJs.CellValue);
    if ('text' in value) return unescaped(String(value.text));
    return '';
  }
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return unescaped(value);
  return Number.isInteger(value) && Math.abs(value) >= 1e11 ? value.toFixed(0) : String(value);
}
