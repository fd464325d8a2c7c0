/** The table of a workbook. */
import { Refusal } from '@loom-kin/core';
import { readCellFormats } from './cellFormats';
import { openWorkbook } from './openWorkbook';
import { readRows } from './readRows';
import { readSharedTexts } from './sharedTexts';

/** The names of a workbook's sheets, in their order. */
export const sheetNames = async (bytes: Buffer, fileName: string): Promise<string[]> =>
  (await openWorkbook(bytes, fileName)).sheets.map(({ name }) => name);

/**
 * A sheet of a workbook as text: the one that is named, else the first that has more than a line, hidden ones last. A
 * file that is cut off, no workbook or out of bounds is refused.
 */
export async function readXlsx(bytes: Buffer, fileName: string, wanted?: string): Promise<string[][]> {
  const book = await openWorkbook(bytes, fileName);
  const named = book.sheets.find(({ name }) => name.toLowerCase() === wanted?.toLowerCase());
  if (wanted !== undefined && !named) {
    const sheets = book.sheets.map(({ name }) => name).join(', ');
    throw new Refusal('sheet.unknown', { file: fileName, sheet: wanted, sheets });
  }
  const looked = named ? [named] : book.sheets.toSorted((a, b) => Number(a.isHidden) - Number(b.isHidden));
  try {
    const source = { texts: await readSharedTexts(book.texts), formats: await readCellFormats(book.styles) };
    let first: string[][] | null = null;
    for (const { part } of looked) {
      const rows = await readRows(part, { ...source, isFrom1904: book.isFrom1904 }, fileName);
      if (isTable(rows)) return rows;
      first ??= rows;
    }
    return first!;
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('sheet.cut-off', { file: fileName });
  }
}

const isTable = (rows: readonly (readonly string[])[]) =>
  rows.filter((row) => row.filter((cell) => cell !== '').length > 1).length > 1;
