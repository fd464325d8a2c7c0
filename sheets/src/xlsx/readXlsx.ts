/** The table of a workbook. */
import { Refusal } from '@loom-kin/core/refusal';
import type { RowSink, TableEnd } from '../rowSink';
import type { Source } from '../source';
import { readCellFormats } from './cellFormats';
import { openWorkbook } from './openWorkbook';
import { readRows } from './readRows';
import { readSharedTexts } from './sharedTexts';

/** Which of all its sheets a workbook's table is on. */
export interface SheetRead extends TableEnd {
  sheets: string[];
  sheet: string;
}

/**
 * Tells the rows of the sheet that is named, else of the first that has more than a line or the header of a table, hidden ones last. A file that
 * is cut off, no workbook or out of bounds is refused. What is held in memory is the file and the texts its cells share.
 */
export async function readXlsx(source: Source, sink: RowSink, wanted?: string): Promise<SheetRead> {
  const { name: file } = source;
  const book = await openWorkbook(await source.whole(), file);
  const sheets = book.sheets.map(({ name }) => name);
  const named = book.sheets.find(({ name }) => name.toLowerCase() === wanted?.toLowerCase());
  if (wanted !== undefined && !named)
    throw new Refusal('sheet.unknown', { file, sheet: wanted, sheets: sheets.join(', ') });
  const looked = named ? [named] : book.sheets.toSorted((a, b) => Number(a.isHidden) - Number(b.isHidden));
  try {
    const cells = {
      texts: await readSharedTexts(book.texts),
      formats: await readCellFormats(book.styles),
      isFrom1904: book.isFrom1904,
    };
    const read = async ({ name, part }: (typeof looked)[number]) => {
      sink.again();
      const counting = countRows(sink);
      const end = await readRows(part, cells, file, counting);
      return { read: { sheets, sheet: name, ...end }, isTable: counting.isTable() };
    };
    for (const one of looked) {
      const { read: found, isTable } = await read(one);
      if (isTable || looked.length === 1) return found;
    }
    return (await read(looked[0]!)).read;
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('sheet.cut-off', { file });
  }
}

/** A line of so many cells with nothing below it is the header of a table that is still empty, and no title. */
const HEADER_CELLS = 5;

/** Looks on their way whether rows are a table: two of more than one cell, or a header alone. */
function countRows(sink: RowSink) {
  let rows = 0;
  let widest = 0;
  return {
    ...sink,
    row(at: number, cells: string[]) {
      const filled = rows < 2 ? cells.filter((cell) => cell !== '').length : 0;
      if (filled > 1) rows += 1;
      widest = Math.max(widest, filled);
      sink.row(at, cells);
    },
    isTable: () => rows > 1 || widest >= HEADER_CELLS,
  };
}
