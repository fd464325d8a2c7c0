import { existsSync, mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import ExcelJs from 'exceljs';
import { describe, expect, it } from 'vitest';
import { bytesSource, readTable, type Source } from '@loom-kin/sheets';
import { forgetRows, keepRows, rowsOfList } from '../src/listFiles/keptRows';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-test-'));
const SILENT = () => undefined;

/** A file that was there once: whoever reads it again fails. */
const gone: Source = {
  name: 'gone.csv',
  head: () => Promise.reject(new Error('read again')),
  whole: () => Promise.reject(new Error('read again')),
  pieces: () => {
    throw new Error('read again');
  },
};

async function book(): Promise<Buffer> {
  const workbook = new ExcelJs.Workbook();
  const tees = workbook.addWorksheet('Tees');
  tees.addRows([['Name', 'Size'], ['Fell Tee', 'S'], [null, 'M'], [], ['Moor Tee', 'S']]);
  tees.mergeCells('A2:A3');
  workbook.addWorksheet('Mugs').addRows([
    ['Name', 'Volume'],
    ['Tide Mug', '250 ml'],
  ]);
  return Buffer.from(await workbook.xlsx.writeBuffer());
}

describe('the rows of a list, kept beside it', () => {
  it('are read from its file once, and are the table that the file is', async () => {
    const path = join(folder, 'once');
    const file = bytesSource(await book(), 'list.xlsx');
    const first = await rowsOfList(file, path, null, SILENT);
    expect(first).toEqual({ table: await readTable(file), sheets: ['Tees', 'Mugs'], sheet: 'Tees' });
    expect(first.table).toEqual([
      ['Name', 'Size'],
      ['Fell Tee', 'S'],
      ['Fell Tee', 'M'],
      ['', ''],
      ['Moor Tee', 'S'],
    ]);
    for (const sheet of [null, 'Tees']) expect(await rowsOfList(gone, path, sheet, SILENT)).toEqual(first);
  });
  it('are read anew of another sheet', async () => {
    const path = join(folder, 'sheets');
    const file = bytesSource(await book(), 'list.xlsx');
    await rowsOfList(file, path, null, SILENT);
    expect((await rowsOfList(file, path, 'Mugs', SILENT)).table[1]).toEqual(['Tide Mug', '250 ml']);
    expect((await rowsOfList(gone, path, 'Mugs', SILENT)).sheet).toBe('Mugs');
    expect((await rowsOfList(file, path, 'Tees', SILENT)).table).toHaveLength(5);
  });
  it('count for nothing before they are whole, and are gone with the list', async () => {
    const path = join(folder, 'half');
    writeFileSync(`${path}.read`, '0\t["Name"]\n1\t["Hal');
    const file = bytesSource(Buffer.from('Name,Size\nFell Tee,S\n'), 'list.csv');
    expect((await rowsOfList(file, path, null, SILENT)).table).toEqual([
      ['Name', 'Size'],
      ['Fell Tee', 'S'],
    ]);
    forgetRows(path);
    await expect(rowsOfList(gone, path, null, SILENT)).rejects.toThrow('read again');
    const cut = bytesSource((await book()).subarray(0, 4000), 'cut.xlsx');
    await expect(rowsOfList(cut, path, null, SILENT)).rejects.toThrow('cut.xlsx is not a whole XLSX file');
    expect(readdirSync(folder).filter((name) => name.startsWith('half'))).toEqual([]);
  });
  it('are no more in memory than is read at once, however many they are', async () => {
    setFlagsFromString('--expose-gc');
    const collect = runInNewContext('gc') as () => void;
    const live = () => {
      collect();
      const { heapUsed, external } = process.memoryUsage();
      return (heapUsed + external) / 1e6;
    };
    const about = 'a smock of waxed cotton '.repeat(8);
    const file: Source = {
      ...bytesSource(Buffer.from('Name,Size,About\n'), 'long.csv'),
      async *pieces() {
        yield Buffer.from('Name,Size,About\n');
        for (let at = 0; at < 100; at++)
          yield Buffer.from(Array.from({ length: 1000 }, (_, row) => `Smock ${at * 1000 + row},M,${about}\n`).join(''));
      },
    };
    const path = join(folder, 'long');
    const before = live();
    const seen: number[] = [];
    let most = 0;
    await keepRows(file, path, null, (rows) => {
      seen.push(rows);
      if (rows % 10_000 === 0) most = Math.max(most, live() - before);
    });
    expect(seen.at(-1)).toBe(100_001);
    expect(seen.every((rows, at) => at === 0 || rows > seen[at - 1]!)).toBe(true);
    // The rows themselves are twenty megabytes and more.
    expect(most).toBeLessThan(10);
    expect(existsSync(`${path}.read-end`)).toBe(true);
  });
});
