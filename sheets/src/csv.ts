/** CSV after RFC 4180, in UTF-8 with a byte order mark, so that spreadsheets show every letter. */
import { parse, type CsvError } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import Papa from 'papaparse';
import { Refusal } from '@loom-kin/core';
import { decodeText } from './decodeText';

/** What a spreadsheet takes for a formula, and what was such a text behind apostrophes of its own. */
const FORMULA = /^'*[=@\t\r]|^'+[+-]|^[+-](?![\d.,\s]*$)/;

/** A cell a spreadsheet would take for a formula gets an apostrophe in front; numbers with a sign stay. */
export function harmless(cell: string): string {
  return FORMULA.test(cell) ? `'${cell}` : cell;
}

/** The cell as it was before `harmless`. */
export function plain(cell: string): string {
  return /^'+[=@+\-\t\r]/.test(cell) ? cell.slice(1) : cell;
}

export const writeCsv = (headers: readonly string[], rows: readonly (readonly string[])[]): string =>
  csvLines([headers, ...rows], true);

/** Lines of CSV; the first of a file begin with a byte order mark. */
export function csvLines(rows: readonly (readonly string[])[], isFirst: boolean): string {
  return stringify(
    rows.map((row) => row.map(harmless)),
    // A program that cuts at semicolons or tabs must not find a cell that begins with a formula; a line end of another kind is one too.
    { bom: isFirst, record_delimiter: '\r\n', quoted_match: /[;\t\r\n]/ },
  );
}

const LINE_ENDS = ['\r\n', '\n', '\r'] as const;
/** So many lines with a lone quotation mark are read as they stand; a file with more is no CSV. */
const LONE_MARKS_AT_MOST = 100;

/** Rows of text. Comma, semicolon, tab and upright stroke are understood, and a first line that names the separator (`sep=;`). */
export const readCsv = (bytes: Uint8Array, fileName: string): string[][] => csvRows(decodeText(bytes), fileName);

/** The same of text. */
export function csvRows(whole: string, fileName: string): string[][] {
  const { text, delimiter } = withSeparator(whole);
  return (plainRecords(text, delimiter) ?? mendedRecords(text, delimiter, fileName)).map((row) => row.map(plain));
}

/** The records of a file that has no mark out of place, read fast; null where it may have. */
function plainRecords(text: string, delimiter: string): string[][] | null {
  const newline = LINE_ENDS.find((end) => text.includes(end)) ?? '\n';
  const isMixed = text.replaceAll(newline, '').search(/[\r\n]/) >= 0;
  if (isMixed) return null;
  const { data, errors } = Papa.parse<string[]>(text, { delimiter, newline });
  // A mark in a cell beside a cell of several lines: the lines may have been swallowed.
  const hasMark = data.some((row) => row.some((cell) => cell.includes('"')));
  if (errors.length > 0 || (hasMark && data.some((row) => row.some(isSeveralLines)))) return null;
  // What follows the last line's end is no line.
  return text.endsWith(newline) ? data.slice(0, -1) : data;
}

/** The same of any file. A lone quotation mark spoils its own line alone, which is then read as it stands. */
function mendedRecords(text: string, delimiter: string, fileName: string): string[][] {
  const rest = { text, line: 1 };
  const rows: string[][] = [];
  for (let lone = 0; rest.text !== ''; lone += 1) {
    const { good, broken } = readRecords(rest.text, delimiter);
    rows.push(...good);
    if (broken === null) break;
    if (lone >= LONE_MARKS_AT_MOST) throw new Refusal('sheet.unreadable', { file: fileName, line: rest.line });
    const { line, after } = firstLine(rest.text.slice(broken));
    rows.push(line.split(delimiter));
    rest.text = after;
    rest.line = rows.length + 1;
  }
  return rows;
}

/** So many lines tell how a file is parted: titles may stand above its table. */
const LINES_LOOKED_AT = 30;

/** The separator the file names, or else the one that parts most of its first lines into as many cells, outside quotation marks. */
function withSeparator(text: string): { text: string; delimiter: string } {
  const named = /^sep=(.)(?:\r\n|\n|\r|$)/i.exec(text);
  if (named) return { text: text.slice(named[0].length), delimiter: named[1]! };
  const lines = text
    .slice(0, 100_000)
    .replace(/"[^"]*"/g, '')
    .split(/\r\n|\n|\r/, LINES_LOOKED_AT)
    .filter((line) => line.trim() !== '');
  const found = [',', ';', '\t', '|'].map((mark) => ({ mark, ...usualCells(lines, mark) }));
  found.sort((a, b) => b.lines * Math.min(b.cells, 4) - a.lines * Math.min(a.cells, 4) || b.cells - a.cells);
  return { text, delimiter: found[0]!.cells > 1 ? found[0]!.mark : ',' };
}

/** Into how many cells a mark parts most lines, and how many lines that are. */
function usualCells(lines: readonly string[], mark: string): { cells: number; lines: number } {
  const counts = new Map<number, number>();
  for (const line of lines) {
    const cells = line.split(mark).length;
    if (cells > 1) counts.set(cells, (counts.get(cells) ?? 0) + 1);
  }
  const [best] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0]);
  return best ? { cells: best[0], lines: best[1] } : { cells: 1, lines: 0 };
}

interface Records {
  good: string[][];
  /** Where a record begins whose quotation mark runs over the line's end by mistake; null where there is none. */
  broken: number | null;
}

/** Reads records up to one that swallows the lines after it: its quotation mark is not closed, or closes in the middle of another cell. */
function readRecords(text: string, delimiter: string): Records {
  const bytes = Buffer.from(text);
  const good: string[][] = [];
  let end = 0;
  const options = { delimiter, record_delimiter: [...LINE_ENDS], relax_column_count: true, max_record_size: 1_000_000 };
  const swallows = (record: string) => {
    if (!isSeveralLines(record)) return false;
    try {
      parse(record, options);
      return false;
    } catch {
      return true;
    }
  };
  try {
    parse(bytes, {
      ...options,
      relax_quotes: true,
      on_record: (record: string[], context) => {
        if (record.some(isSeveralLines) && swallows(bytes.subarray(end, context.bytes).toString()))
          throw new Swallowed();
        good.push(record);
        end = context.bytes;
        return null;
      },
    });
    return { good, broken: null };
  } catch (error) {
    if (!(error instanceof Swallowed) && !isOpenQuote(error)) throw error;
    return { good, broken: bytes.subarray(0, end).toString().length };
  }
}

const isSeveralLines = (text: string) => /[\r\n]./.test(text);

class Swallowed extends Error {}

const isOpenQuote = (error: unknown) =>
  ['CSV_QUOTE_NOT_CLOSED', 'CSV_MAX_RECORD_SIZE'].includes((error as CsvError | undefined)?.code ?? '');

function firstLine(text: string): { line: string; after: string } {
  const match = /\r\n|\n|\r/.exec(text);
  if (!match) return { line: text, after: '' };
  return { line: text.slice(0, match.index), after: text.slice(match.index + match[0].length) };
}
