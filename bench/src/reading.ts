/** Lists of 100,000 rows read from their files, beside bare parsing and inserting; what is in memory meanwhile. */
import { createWriteStream, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { once } from 'node:events';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import Sqlite from 'better-sqlite3';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import ExcelJs from 'exceljs';
import { readList } from '@loom-kin/core/intake';
import type { Registry } from '@loom-kin/core/registry';
import { fileSource, streamXlsx } from '@loom-kin/sheets';
import { keepRows, rowsOfList } from '../../server/src/listFiles/keptRows';
import { largeList, ROWS } from './largeLists';
import { took, type Figure } from './measure';

export async function readingFigures(folder: string, registry: Registry): Promise<Figure[]> {
  const figures: Figure[] = [];
  const one = (what: string, median: number, baseline: string, base: number, budget: string) =>
    figures.push({ what, median, p95: median, baseline, ratio: median / base, budget });
  for (const shape of ['after', 'columns'] as const) {
    const path = join(folder, `${shape}.csv`);
    const csv = largeList(shape);
    writeFileSync(path, csv);
    const bare = await took(() => insertBare(join(folder, `${shape}.db`), csv));
    const kept = await took(() => keepRows(fileSource(path, path), path, null, () => undefined));
    let told = '';
    const recognised = await took(async () => {
      const { table } = await rowsOfList(fileSource(path, path), path, null, () => undefined);
      const { families, problems } = readList(registry, table);
      told = `${table.length} rows: ${families.length} families, ${problems.length} problems`;
    });
    console.log(`\nA list "${shape}" of ${told}`);
    one(`${ROWS} rows "${shape}": parsed and inserted bare`, bare, 'itself', bare, '–');
    one(`${ROWS} rows "${shape}": read as they come, and kept`, kept, 'bare parsing and inserting', bare, '2 ×');
    one(`${ROWS} rows "${shape}": their families recognised`, recognised, 'bare parsing and inserting', bare, '–');
    await tellMemory(folder, shape, parse(csv, { relax_column_count: true }) as string[][]);
  }
  const rows = parse(largeList('columns'), { relax_column_count: true }) as string[][];
  const bareWriter = await took(() => writeBare(join(folder, 'bare.xlsx'), rows));
  const path = join(folder, 'ours.xlsx');
  const ours = await took(() => writeOurs(path, rows));
  console.log(`\nXLSX of ${rows.length} rows: ${Math.round(statSync(path).size / 1e6)} MB`);
  one(`${ROWS} rows as XLSX by the bare writer`, bareWriter, 'itself', bareWriter, '–');
  one(`${ROWS} rows as XLSX, as they leave`, ours, 'the bare writer', bareWriter, '1.3 ×');
  const bareReader = await took(() => readBare(path));
  const read = await took(() => keepRows(fileSource(path, path), path, null, () => undefined));
  one(`${ROWS} rows of XLSX by the bare reader`, bareReader, 'itself', bareReader, '–');
  one(`${ROWS} rows of XLSX, read as they come, and kept`, read, 'the bare reader', bareReader, '1.3 ×');
  return figures;
}

/** What is in memory while a list is read, above what was there before, where no more is held than has to be. */
async function tellMemory(folder: string, shape: string, rows: string[][]): Promise<void> {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  const live = () => {
    collect();
    const { heapUsed, external } = process.memoryUsage();
    return heapUsed + external;
  };
  const pathOf = (count: number) => join(folder, `${shape}-${count}.csv`);
  const counts = [ROWS / 10, ROWS];
  for (const count of counts) writeRows(pathOf(count), rows.slice(0, count));
  // What stays in memory from a first reading is none of the second.
  await keepRows(fileSource(pathOf(ROWS / 10), 'list.csv'), pathOf(ROWS / 10), null, () => undefined);
  const most: string[] = [];
  for (const count of counts) {
    const before = live();
    let highest = 0;
    await keepRows(fileSource(pathOf(count), 'list.csv'), pathOf(count), null, (read) => {
      if (read % (count / 10) === 0) highest = Math.max(highest, live());
    });
    // What was there before may be let go of meanwhile.
    const held = highest - Math.min(before, live());
    most.push(`${(held / 1e6).toFixed(1)} MB for ${count} rows`);
  }
  console.log(`In memory while "${shape}" is read: ${most.join(', ')}`);
}

function writeRows(path: string, rows: string[][]): void {
  writeFileSync(path, stringify(rows));
}

function insertBare(path: string, csv: string): void {
  const rows = parse(csv, { relax_column_count: true }) as string[][];
  const database = new Sqlite(path);
  database.pragma('journal_mode = WAL');
  database.pragma('synchronous = FULL');
  database.exec('CREATE TABLE rows (at INTEGER PRIMARY KEY, doc TEXT NOT NULL)');
  const insert = database.prepare('INSERT INTO rows VALUES (?, ?)');
  database.transaction(() => rows.forEach((row, at) => insert.run(at, JSON.stringify(row))))();
  database.close();
}

export async function writeBare(path: string, rows: readonly string[][]): Promise<void> {
  const writer = new ExcelJs.stream.xlsx.WorkbookWriter({ filename: path, useStyles: true, useSharedStrings: false });
  const sheet = writer.addWorksheet('Catalogue');
  for (const row of rows) sheet.addRow(row).commit();
  sheet.commit();
  await writer.commit();
}

async function writeOurs(path: string, rows: readonly string[][]): Promise<void> {
  const file = createWriteStream(path);
  await streamXlsx(file, { name: 'Catalogue', columns: rows[0]!.map((header) => ({ header })) }, rows.slice(1));
  if (!file.writableFinished) await once(file, 'finish');
}

async function readBare(path: string): Promise<void> {
  const reader = new ExcelJs.stream.xlsx.WorkbookReader(path, {});
  for await (const sheet of reader) for await (const row of sheet) if (row.cellCount === 0) return;
}
