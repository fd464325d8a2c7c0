import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rowsOf } from './readBytes';
import { bytesSource, collectRows, fileSource, readRowsOf, readTable, type Source } from '../src/index';

/** A file that comes in pieces of so many bytes, from the first that is not whole on. */
const inPieces = (bytes: Buffer, size: number, whole = 0): Source => ({
  ...bytesSource(bytes, 'x.csv'),
  async *pieces() {
    if (whole > 0) yield bytes.subarray(0, whole);
    for (let from = whole; from < bytes.length; from += size) yield bytes.subarray(from, from + size);
  },
});

/** More than is looked at before the first row is told. */
const LONG = 130_000;
const filler = (end: string, quote: string): string => {
  const row = `${quote}Größe${quote},${quote}1${quote}${end}`;
  return row.repeat(LONG / row.length);
};

describe('a CSV file read piece by piece', () => {
  const cell = fc.stringMatching(/^[a-zä€"'\n\r,;= ]{0,8}$/);
  const rows = fc.array(fc.array(cell, { minLength: 2, maxLength: 4 }), { minLength: 1, maxLength: 12 });
  const end = fc.constantFrom('\n', '\r\n', '\r');

  it('has the rows that another library reads of it as a whole, wherever pieces end', async () => {
    await fc.assert(
      fc.asyncProperty(rows, end, fc.integer({ min: 1, max: 9 }), async (given, record_delimiter, size) => {
        const text = stringify(given, { record_delimiter, quoted: true });
        const before = filler(record_delimiter, '"');
        const options = { record_delimiter, relax_column_count: true };
        // What stood behind an apostrophe so that it is no formula stands without it.
        const whole = (parse(text, options) as string[][]).map((row) =>
          row.map((one) => (/^'+[=\r]/.test(one) ? one.slice(1) : one)),
        );
        const bytes = Buffer.from(before + text);
        const read = await readTable(inPieces(bytes, size, Buffer.from(before).length));
        expect(read.slice(before.split(record_delimiter).length - 1)).toEqual(whole);
      }),
      { numRuns: 40 },
    );
  });
  it('is read as what it turns out to be behind its first rows', async () => {
    const cases = {
      // No UTF-8 from here on: the whole file is Windows-1252.
      'Müller,2\n': [`${'Schuh,1\n'.repeat(LONG / 8)}`, 'latin1'],
      'a,b\r\nc,d\n': [filler('\n', ''), 'utf8'],
      '5" nail,1\n"6 inch,2\n"two\nlines",3\n': [filler('\n', ''), 'utf8'],
    } as const;
    const behind: string[][][] = [];
    for (const [tail, [before, encoding]] of Object.entries(cases)) {
      const read = await readTable(inPieces(Buffer.from(before + tail, encoding), 9_000));
      const count = before.split('\n').length - 1;
      expect(read.slice(0, count).every((row) => row.length === 2 && /^(?:Schuh|Größe)$/.test(row[0]!))).toBe(true);
      behind.push(read.slice(count));
    }
    expect(behind).toEqual([
      [['Müller', '2']],
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
      [
        ['5" nail', '1'],
        ['"6 inch', '2'],
        ['two\nlines', '3'],
      ],
    ]);
  });
  it('is refused beyond 200,000 rows, and no more of it is read then', async () => {
    let read = 0;
    const endless: Source = {
      ...bytesSource(Buffer.from('a,b\n'), 'long.csv'),
      async *pieces() {
        for (; read < 100; read++) yield Buffer.from('a,b\n'.repeat(50_000));
      },
    };
    await expect(readRowsOf(endless, collectRows())).rejects.toThrow(
      /long\.csv has \d+ rows and 2 columns as far as it was read; 200000/,
    );
    expect(read).toBeLessThan(10);
  });
  it('with marks out of place is refused beyond them as well, and read up to them', async () => {
    const marked = (rows: number) => Buffer.from('Name,Price\n' + '"a" b,c\n'.repeat(rows));
    await expect(rowsOf(marked(300_000), 'marked.csv')).rejects.toThrow(/marked\.csv has \d+ rows/);
    expect(await rowsOf(marked(150_000), 'marked.csv')).toHaveLength(150_001);
  });
  it('is the same from the disk, and what is not there is said', async () => {
    const path = join(mkdtempSync(join(tmpdir(), 'loom-kin-test-')), 'list.csv');
    writeFileSync(path, filler('\r\n', '"'));
    const read = await readTable(fileSource(path, 'list.csv'));
    expect(read).toEqual(await readTable(bytesSource(Buffer.from(filler('\r\n', '"')), 'list.csv')));
    expect(new Set(read.map((row) => row.join()))).toEqual(new Set(['Größe,1']));
    await expect(readTable(fileSource(`${path}.none`, 'none.csv'))).rejects.toThrow('ENOENT');
  });
});
