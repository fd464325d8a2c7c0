/** Rows of a file that came in: XLSX by its first bytes, JSON by the end of its name, else CSV. */
import { Refusal } from '@loom-kin/core/refusal';
import { readCsv } from './csv/readCsv';
import { decodeText } from './decodeText';
import { readJsonTable } from './json';
import { collectRows, NO_END, tableOf, type RowSink, type TableEnd } from './rowSink';
import type { Source } from './source';
import { readXlsx } from './xlsx/readXlsx';

/** What was read besides the rows: how its table ends and, of a workbook, which sheets there are and which of them it is. */
export interface FileRead extends TableEnd {
  sheets: string[];
  sheet: string | null;
}

/** A compound file, as workbooks were before XLSX, begins with these bytes. */
const OLD_WORKBOOK = Buffer.from([0xd0, 0xcf, 0x11, 0xe0]);
const HEAD = 4096;

/**
 * Tells the rows of a file as they are read, within bounds; of a workbook those of the sheet that is named, or the first with a table.
 * Throws a Refusal where it cannot be read.
 */
export async function readRowsOf(source: Source, sink: RowSink, sheet?: string): Promise<FileRead> {
  const { name: file } = source;
  const head = await source.head(HEAD);
  const isZip = head.subarray(0, 2).toString('latin1') === 'PK';
  if (!isZip && /\.xls[xm]$/i.test(file)) throw new Refusal('sheet.cut-off', { file });
  if (head.subarray(0, 4).equals(OLD_WORKBOOK)) throw new Refusal('sheet.old-workbook', { file });
  if (isZip) return readXlsx(source, sink, sheet);
  if (hasManyZeros(decodeText(head))) throw new Refusal('sheet.no-text', { file });
  // A document in JSON is none before its end.
  if (/\.(?:json|jsonl|ndjson)$/i.test(file))
    readJsonTable(decodeText(await source.whole()), file).forEach((row, at) => sink.row(at, row));
  else await readCsv(source, sink);
  return { sheets: [], sheet: null, ...NO_END };
}

/** The rows of a file, all of them at once. */
export async function readTable(source: Source, sheet?: string): Promise<string[][]> {
  const sink = collectRows();
  return tableOf(sink.rows, await readRowsOf(source, sink, sheet));
}

/** A picture, a document or a part of one. A zero or two in a text are a fault of their cell. */
function hasManyZeros(text: string): boolean {
  const zeros = text.split('\0').length - 1;
  return zeros > 2 && zeros * 50 > text.length;
}
