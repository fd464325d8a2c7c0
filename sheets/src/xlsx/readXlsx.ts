/** The table of a workbook. */
import { Refusal } from '@loom-kin/core';
import { readCellFormats } from './cellFormats';
import { openWorkbook } from './openWorkbook';
import { readRows } from './readRows';
import { readSharedTexts } from './sharedTexts';

/** A sheet of a workbook as text, and which of all its sheets it is. */
export interface BookRead {
  sheets: string[];
  sheet: string;
  rows: string[][];
}

/**
 * Reads the sheet that is named, else the first that has more than a line, hidden ones last. A file that is cut off, no
 * workbook or out of bounds is refused.
 */
export async function readBook(bytes: Buffer, fileName: string, wanted?: string): Promise<BookRead> {
  const book = await openWorkbook(bytes, fileName);
  const sheets = book.sheets.map(({ name }) => name);
  const named = book.sheets.find(({ name }) => name.toLowerCase() === wanted?.toLowerCase());
  if (wanted !== undefined && !named)
    throw new Refusal('sheet.unknown', { file: fileName, sheet: wanted, sheets: sheets.join(', ') });
  const looked = named ? [named] : book.sheets.toSorted((a, b) => Number(a.isHidden) - Number(b.isHidden));
  try {
    const source = { texts: await readSharedTexts(book.texts), formats: await readCellFormats(book.styles) };
    let first: BookRead | null = null;
    for (const { name, part } of looked) {
      const rows = await readRows(part, { ...source, isFrom1904: book.isFrom1904 }, fileName);
      const read = { sheets, sheet: name, rows };
      if (isTable(rows)) return read;
      first ??= read;
    }
    return first!;
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('sheet.cut-off', { file: fileName });
  }
}

const isTable = (rows: readonly (readonly string[])[]) =>
  rows.filter((row) => row.filter((cell) => cell !== '').length > 1).length > 1;

/** The rows of that sheet alone. */
export const readXlsx = async (bytes: Buffer, fileName: string, wanted?: string): Promise<string[][]> =>
  (await readBook(bytes, fileName, wanted)).rows;
