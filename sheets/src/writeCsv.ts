/** CSV written as a stream. */
import { once } from 'node:events';
import type { Writable } from 'node:stream';
import { csvLines } from './csv';

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
