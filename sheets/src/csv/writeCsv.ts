/** CSV after RFC 4180, in UTF-8 with a byte order mark, so that spreadsheets show every letter. */
import { once } from 'node:events';
import type { Writable } from 'node:stream';
import { stringify } from 'csv-stringify/sync';
import { harmless } from './harmless';

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

/** So many rows are written together. */
const TOGETHER = 500;

/** Writes a table to a stream as its rows come, waiting where the stream is slower. */
export async function streamCsv(
  out: Writable,
  headers: readonly string[],
  rows: Iterable<readonly string[]> | AsyncIterable<readonly string[]>,
): Promise<void> {
  let waiting: (readonly string[])[] = [headers];
  let isFirst = true;
  const flush = async () => {
    const text = csvLines(waiting, isFirst);
    isFirst = false;
    waiting = [];
    if (!out.write(text)) await once(out, 'drain');
  };
  for await (const row of rows) {
    waiting.push(row);
    if (waiting.length >= TOGETHER) await flush();
  }
  if (waiting.length > 0) await flush();
}
