/**
 * The rows of a list as they were read from its file, kept beside it: a line each. The file is read once, as it comes and
 * with as little in memory for a hundred thousand rows as for ten; whatever the seller says of the list afterwards begins here.
 */
import {
  closeSync,
  existsSync,
  ftruncateSync,
  openSync,
  readFileSync,
  rmSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { collectRows, readRowsOf, tableOf, type FileRead, type RowSink, type Source } from '@loom-kin/sheets';
import { fileLines } from './fileLines';

/** Rows, and behind them what was read besides: where that is, the rows are whole. */
const rowsFile = (path: string): string => `${path}.read`;
const endFile = (path: string): string => `${path}.read-end`;

/** What was read besides the rows, and which sheet was asked for. */
interface Kept extends FileRead {
  asked: string | null;
}

/** So many rows are written together. */
const TOGETHER = 1000;

export interface RowsRead extends Pick<FileRead, 'sheets' | 'sheet'> {
  table: string[][];
}

/**
 * The table of a list: of what is kept, else read from its file and kept.
 * @param sheet of a workbook; null for the first with a table
 * @param tell hears how many rows were read. Throws a Refusal where the file cannot be read
 */
export async function rowsOfList(
  source: Source,
  path: string,
  sheet: string | null,
  tell: (rows: number) => void,
): Promise<RowsRead> {
  const kept = keptOf(path, sheet) ?? (await keepRows(source, path, sheet, tell));
  return { table: await loadRows(path, kept), sheets: kept.sheets, sheet: kept.sheet };
}

/** Reads the rows of a file and keeps them beside a list. Throws a Refusal where the file cannot be read. */
export async function keepRows(
  source: Source,
  path: string,
  sheet: string | null,
  tell: (rows: number) => void,
): Promise<Kept> {
  forgetRows(path);
  const writer = openWriter(rowsFile(path), tell);
  try {
    const kept = { ...(await readRowsOf(source, writer.sink, sheet ?? undefined)), asked: sheet };
    writer.flush();
    writeFileSync(endFile(path), JSON.stringify(kept), { mode: 0o600 });
    return kept;
  } catch (error) {
    forgetRows(path);
    throw error;
  } finally {
    writer.close();
  }
}

function openWriter(path: string, tell: (rows: number) => void) {
  const file = openSync(path, 'a', 0o600);
  let waiting: string[] = [];
  let rows = 0;
  const flush = (): void => {
    if (waiting.length > 0) writeSync(file, waiting.join(''));
    rows += waiting.length;
    waiting = [];
    tell(rows);
  };
  const sink: RowSink = {
    row(at, cells) {
      waiting.push(`${at}\t${JSON.stringify(cells)}\n`);
      if (waiting.length >= TOGETHER) flush();
    },
    again() {
      [waiting, rows] = [[], 0];
      ftruncateSync(file);
    },
  };
  return { sink, flush, close: () => closeSync(file) };
}

function keptOf(path: string, sheet: string | null): Kept | null {
  if (!existsSync(endFile(path))) return null;
  const kept = JSON.parse(readFileSync(endFile(path), 'utf8')) as Kept;
  return sheet === kept.asked || (sheet !== null && sheet === kept.sheet) ? kept : null;
}

async function loadRows(path: string, kept: Kept): Promise<string[][]> {
  const sink = collectRows();
  for await (const lines of fileLines(rowsFile(path)))
    for (const line of lines) {
      const tab = line.indexOf('\t');
      sink.row(Number(line.slice(0, tab)), JSON.parse(line.slice(tab + 1)) as string[]);
    }
  return tableOf(sink.rows, kept);
}

/** Removes the rows kept beside a list. */
export function forgetRows(path: string): void {
  // Without the end the rows count for nothing.
  for (const file of [endFile(path), rowsFile(path)]) rmSync(file, { force: true });
}
