/** Files that tests have in memory, read whole. */
import { bytesSource, collectRows, readRowsOf, readTable, tableOf } from '../src/index';

export const rowsOf = (bytes: Buffer, name: string, sheet?: string): Promise<string[][]> =>
  readTable(bytesSource(bytes, name), sheet);

/** The rows of a workbook, and which of its sheets they are of. */
export async function readBook(bytes: Buffer, name: string, sheet?: string) {
  const sink = collectRows();
  const read = await readRowsOf(bytesSource(bytes, name), sink, sheet);
  return { sheets: read.sheets, sheet: read.sheet, rows: tableOf(sink.rows, read) };
}
