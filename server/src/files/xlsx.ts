/** XLSX sheets, one table each. Nothing is written that a spreadsheet would run. */
import ExcelJs from 'exceljs';
import { Refusal } from '@loom-kin/core';

const ROWS_AT_MOST = 100_000;
const COLUMNS_AT_MOST = 400;

/**
 * A workbook of one sheet: bold header that stays in view, text cells as text (a GTIN keeps its zeros), numbers as
 * numbers.
 */
export async function writeXlsx(
  name: string,
  headers: readonly string[],
  rows: readonly (readonly (string | number)[])[],
): Promise<Buffer> {
  const book = new ExcelJs.Workbook();
  const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.addRow([...headers]).font = { bold: true };
  for (const row of rows) sheet.addRow([...row]);
  headers.forEach((header, at) => {
    const column = sheet.getColumn(at + 1);
    column.width = Math.min(40, Math.max(10, header.length + 2));
    column.numFmt = '@';
  });
  return Buffer.from(await book.xlsx.writeBuffer());
}

/** The first sheet of a workbook as text. A file that is cut off or no workbook is refused. */
export async function readXlsx(bytes: Buffer, fileName: string): Promise<string[][]> {
  const book = new ExcelJs.Workbook();
  try {
    await book.xlsx.load(bytes as unknown as ArrayBuffer);
  } catch {
    throw new Refusal('sheet.cut-off', { file: fileName });
  }
  const sheet = book.worksheets[0];
  if (!sheet) throw new Refusal('sheet.empty', { file: fileName });
  if (sheet.rowCount > ROWS_AT_MOST || sheet.columnCount > COLUMNS_AT_MOST)
    throw new Refusal('sheet.too-large', {
      file: fileName,
      rows: sheet.rowCount,
      columns: sheet.columnCount,
      mostRows: ROWS_AT_MOST,
      mostColumns: COLUMNS_AT_MOST,
    });
  // Counted anew at every call, over all rows.
  const columns = sheet.columnCount;
  const rows: string[][] = [];
  sheet.eachRow({ includeEmpty: true }, (row) => {
    rows.push(Array.from({ length: columns }, (_, at) => cellText(row.getCell(at + 1).value)));
  });
  return rows;
}

function cellText(value: ExcelJs.CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value === 'object') {
    if ('richText' in value) return value.richText.map((part) => part.text).join('');
    if ('result' in value) return cellText(value.result as ExcelJs.CellValue);
    if ('text' in value) return String(value.text);
    return '';
  }
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'number' && Number.isInteger(value) && Math.abs(value) >= 1e11
    ? value.toFixed(0)
    : String(value);
}
