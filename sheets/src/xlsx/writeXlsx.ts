/** XLSX sheets written as a stream. Nothing is written that a spreadsheet would run. */
import { PassThrough, type Writable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import type ExcelJs from 'exceljs';
import { escaped } from './escapes';

export interface BookColumn {
  header: string;
  /** Shown by the colour of the header, and by its note. */
  mark?: 'required' | 'recommended' | undefined;
  note?: string | undefined;
  /** The closed list that is offered in the cells. */
  choices?: readonly string[] | undefined;
}

export interface Book {
  name: string;
  columns: readonly BookColumn[];
  /** A second sheet in words, its first row the header. */
  explained?: { name: string; rows: readonly (readonly string[])[] } | undefined;
}

export type Cell = string | number;

/** Ground of headers, as ARGB: weld for what is required, woad for what is recommended. */
const MARKS = { required: 'FFFBF3D6', recommended: 'FFE9EBF5' } as const;
/** Lists reach so far down. */
const LAST_ROW = 100_000;
const LISTS = 'Lists';

/**
 * Writes a workbook to a stream as its rows come: header in view, text cells as text (a GTIN keeps its zeros),
 * numbers as numbers, closed lists to choose from.
 */
export async function streamXlsx(
  out: Writable,
  book: Book,
  rows: Iterable<readonly Cell[]> | AsyncIterable<readonly Cell[]>,
): Promise<void> {
  const { default: books } = await import('exceljs');
  const writer = new books.stream.xlsx.WorkbookWriter({ stream: out, useStyles: true, useSharedStrings: false });
  const sheet = writer.addWorksheet(book.name, { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.columns = book.columns.map(({ header }) => ({
    width: Math.min(40, Math.max(10, header.length + 2)),
    style: { numFmt: '@' },
  }));
  writeHeader(sheet, book.columns);
  const lists = book.columns.flatMap(({ choices = [] }, at) => (choices.length > 0 ? [{ at, choices }] : []));
  lists.forEach(({ at, choices }, place) => offer(sheet, at, place, choices));
  for await (const row of rows) sheet.addRow(row.map(written)).commit();
  sheet.commit();
  if (book.explained) {
    const second = writer.addWorksheet(book.explained.name, { views: [{ state: 'frozen', ySplit: 1 }] });
    second.columns = (book.explained.rows[0] ?? []).map(() => ({ width: 34 }));
    book.explained.rows.forEach((cells, at) => {
      const row = second.addRow(cells.map(written));
      if (at === 0) row.font = { bold: true };
      row.commit();
    });
    second.commit();
  }
  if (lists.length > 0)
    writeLists(
      writer,
      lists.map(({ choices }) => choices),
    );
  await writer.commit();
}

/** A workbook of one sheet, whole in memory. */
export async function writeXlsx(
  name: string,
  headers: readonly string[],
  rows: readonly (readonly Cell[])[],
): Promise<Buffer> {
  const out = new PassThrough();
  const whole = buffer(out);
  await streamXlsx(out, { name, columns: headers.map((header) => ({ header })) }, rows);
  return whole;
}

/** What is empty is left out: nothing is written for it, and the column says that it is text. */
const written = (cell: Cell) => (cell === '' ? undefined : typeof cell === 'string' ? escaped(cell) : cell);

function writeHeader(sheet: ExcelJs.Worksheet, columns: readonly BookColumn[]): void {
  const row = sheet.addRow(columns.map(({ header }) => escaped(header)));
  row.font = { bold: true };
  columns.forEach(({ mark, note }, at) => {
    const cell = row.getCell(at + 1);
    if (mark) cell.fill = { type: 'pattern', pattern: 'solid', fgColor: { argb: MARKS[mark] } };
    if (note) cell.note = escaped(note);
  });
  row.commit();
}

/** The letters of a column, from 0. */
function letters(at: number): string {
  const rest = Math.floor(at / 26);
  return (rest > 0 ? letters(rest - 1) : '') + String.fromCharCode(65 + (at % 26));
}

/**
 * Offers a list in the cells of a column; it stands in a sheet of lists, since a list in the cell itself has an end
 * at 255 signs.
 */
function offer(sheet: ExcelJs.Worksheet, at: number, place: number, choices: readonly string[]): void {
  const column = letters(at);
  const list = letters(place);
  const validation = {
    type: 'list' as const,
    allowBlank: true,
    showErrorMessage: true,
    error: 'Choose one of the list.',
    formulae: [`${LISTS}!$${list}$1:$${list}$${choices.length}`],
  };
  // The writer of streams keeps them under ranges; its types leave that out.
  (sheet as unknown as { dataValidations: { add(range: string, validation: object): void } }).dataValidations.add(
    `${column}2:${column}${LAST_ROW}`,
    validation,
  );
}

function writeLists(writer: ExcelJs.stream.xlsx.WorkbookWriter, lists: readonly (readonly string[])[]): void {
  const sheet = writer.addWorksheet(LISTS, { state: 'veryHidden' });
  const longest = Math.max(...lists.map((list) => list.length));
  for (let at = 0; at < longest; at++) sheet.addRow(lists.map((list) => escaped(list[at] ?? ''))).commit();
  sheet.commit();
}
