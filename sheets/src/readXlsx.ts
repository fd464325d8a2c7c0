/** XLSX sheets read as a stream, within bounds. */
import { Readable } from 'node:stream';
import type ExcelJs from 'exceljs';
import { Refusal } from '@loom-kin/core';
import { unescaped } from './escapes';
import { lookIntoZip, type SheetOfBook } from './lookIntoZip';

const ROWS_AT_MOST = 200_000;
const COLUMNS_AT_MOST = 400;
const CELLS_AT_MOST = 4_000_000;

/** The names of a workbook's sheets, in their order. */
export const sheetNames = async (bytes: Buffer, fileName: string): Promise<string[]> =>
  (await lookIntoZip(bytes, fileName)).map(({ name }) => name);

/**
 * A sheet of a workbook as text: the one that is named, else the first that has more than a line. What stands in an area that is one cell
 * stands in each of its rows. A file that is cut off, no workbook or out of bounds is refused.
 */
export async function readXlsx(bytes: Buffer, fileName: string, wanted?: string): Promise<string[][]> {
  const sheets = await lookIntoZip(bytes, fileName);
  const named =
    wanted === undefined ? undefined : sheets.find(({ name }) => name.toLowerCase() === wanted.toLowerCase());
  if (wanted !== undefined && !named)
    throw new Refusal('sheet.unknown', {
      file: fileName,
      sheet: wanted,
      sheets: sheets.map(({ name }) => name).join(', '),
    });
  // Loaded where it is needed: most threads never see a workbook, and it takes longer to load than a list to read.
  const { default: books } = await import('exceljs');
  const reader = new books.stream.xlsx.WorkbookReader(Readable.from([bytes]), {
    ...{ worksheets: 'emit', sharedStrings: 'cache', styles: 'cache', hyperlinks: 'ignore', entries: 'ignore' },
  });
  const read = new Map<SheetOfBook, string[][]>();
  try {
    for await (const sheet of reader) {
      // The reader gives a sheet its number in the workbook, or as text that of its part; its types leave both out.
      const { id } = sheet as unknown as { id: number | string };
      const mine = sheets.find((one) => (typeof id === 'number' ? String(id) === one.id : id === one.part));
      if (!mine || (named && mine !== named)) continue;
      read.set(mine, await readRows(sheet, fileName));
      if (mine === named || (mine === sheets[0] && isTable(read.get(mine)!))) break;
    }
    const chosen = named ?? sheets.find((one) => isTable(read.get(one) ?? [])) ?? sheets[0]!;
    const rows = read.get(chosen);
    if (rows) return filledDown(rows, await chosen.merged());
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('sheet.cut-off', { file: fileName });
  }
  throw new Refusal('sheet.empty', { file: fileName });
}

const isTable = (rows: readonly (readonly string[])[]) =>
  rows.filter((row) => row.filter((cell) => cell !== '').length > 1).length > 1;

/** Rows with what stands in areas of several rows put into each of them; to the right nothing is put. */
function filledDown(rows: string[][], areas: readonly string[]): string[][] {
  for (const area of areas) {
    const match = /^([A-Z]+)(\d+):[A-Z]+(\d+)$/.exec(area);
    if (!match) continue;
    const column = [...match[1]!].reduce((at, letter) => at * 26 + letter.charCodeAt(0) - 64, 0) - 1;
    const [first, last] = [Number(match[2]) - 1, Math.min(Number(match[3]) - 1, rows.length - 1)];
    const text = rows[first]?.[column] ?? '';
    for (let at = first + 1; at <= last; at++) if (rows[at]![column] === '') rows[at]![column] = text;
  }
  return rows;
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
