/** A list of 100,000 rows read into families beside bare parsing and inserting; the catalogue out beside a bare writer; how well families are recognised. */
import { createWriteStream, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { once } from 'node:events';
import Sqlite from 'better-sqlite3';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import ExcelJs from 'exceljs';
import { emptyRegistry, NO_SETTLEMENT, openRegistry, readList } from '@loom-kin/core';
import { readTable, readXlsx, streamXlsx } from '@loom-kin/sheets';
import { calledList, CALLED_SHAPES } from '../../e2e/messy/calledLists';
import { addScores, measures, NO_SCORE, scoreOf } from '../../e2e/messy/listScore';
import { houseList, HOUSE_SHAPES } from '../../e2e/messy/houseLists';
import { messyList, SHAPES } from '../../e2e/messy/messyLists';
import { BLANK_BELOW, openColourList, PARTED, UNPARTED } from '../../e2e/messy/openColours';
import { otherList, OTHER_SHAPES } from '../../e2e/messy/otherLists';
import { stateOf } from '../../server/src/changes/stateOf';
import { takeList } from '../../server/src/changes/takeFound';
import { writeFound } from '../../server/src/lists/foundFiles';
import { readListFile } from '../../server/src/lists/readListFile';
import { openDatabase } from '../../server/src/store/database';
import { storeOf } from '../../server/src/store/openStore';
import type { Figure } from './measure';

const ROWS = 100_000;
/** Lists of each kind that families are recognised in. */
const SEEDS = 20;

export async function intakeFigures(folder: string): Promise<Figure[]> {
  const registry = openRegistry(emptyRegistry());
  const figures: Figure[] = [];
  const one = (what: string, median: number, baseline: string, base: number, budget: string) =>
    figures.push({ what, median, p95: median, baseline, ratio: median / base, budget });
  for (const shape of ['after', 'columns'] as const) {
    const csv = largeList(shape);
    const bare = timed(() => insertBare(folder, shape, parse(csv, { relax_column_count: true })));
    const start = performance.now();
    const table = await readTable(Buffer.from(csv), 'list.csv');
    const reading = readList(registry, table);
    const taken = performance.now() - start;
    console.log(
      `\nA list "${shape}" of ${table.length} rows: ${reading.families.length} families, ${reading.problems.length} problems`,
    );
    one(`${ROWS} rows "${shape}": parsed and inserted bare`, bare, 'itself', bare, '–');
    one(`${ROWS} rows "${shape}": read into families`, taken, 'bare parsing and inserting', bare, '2 ×');
  }
  const tenth = await wholeWay(folder, ROWS / 10);
  const whole = await wholeWay(folder, ROWS);
  for (const [key, what] of [
    ['planned', 'what becomes of each'],
    ['stored', 'taken in'],
  ] as const) {
    one(`${ROWS / 10} rows: ${what}`, tenth[key], 'itself', tenth[key], '–');
    one(`${ROWS} rows: ${what}`, whole[key], 'ten times a tenth of them', tenth[key] * 10, '1.3 ×');
  }
  const rows = parse(largeList('columns'), { relax_column_count: true }) as string[][];
  const bareWriter = await timedAsync(() => writeBare(join(folder, 'bare.xlsx'), rows));
  const ours = await timedAsync(async () => {
    const file = createWriteStream(join(folder, 'ours.xlsx'));
    await streamXlsx(file, { name: 'Catalogue', columns: rows[0]!.map((header) => ({ header })) }, rows.slice(1));
    if (!file.writableFinished) await once(file, 'finish');
  });
  console.log(`\nXLSX of ${rows.length} rows: ${Math.round(statSync(join(folder, 'ours.xlsx')).size / 1e6)} MB`);
  one(`${ROWS} rows as XLSX by the bare writer`, bareWriter, 'itself', bareWriter, '–');
  one(`${ROWS} rows as XLSX, as they leave`, ours, 'the bare writer', bareWriter, '1.3 ×');
  const bareReader = await timedAsync(() => readBare(join(folder, 'ours.xlsx')));
  const read = await timedAsync(
    async () => void (await readXlsx(readFileSync(join(folder, 'ours.xlsx')), 'ours.xlsx')),
  );
  one(`${ROWS} rows of XLSX by the bare reader`, bareReader, 'itself', bareReader, '–');
  one(`${ROWS} rows of XLSX, as they come in`, read, 'the bare reader', bareReader, '1.3 ×');
  tellRecognition(registry);
  return figures;
}

/** A list brought to a server that has nothing yet: read with what becomes of each row, and taken in with numbers, pieces and journal. */
async function wholeWay(folder: string, rows: number): Promise<{ planned: number; stored: number }> {
  const own = join(folder, `list-${rows}`);
  const store = storeOf(openDatabase(join(own, 'loom-kin.db'), 'server/migrations'), own);
  const path = join(own, 'list.csv');
  writeFileSync(path, stringify(parse(largeList('after'), { to: rows, relax_column_count: true }) as string[][]));
  const order = { path, fileName: 'list.csv', sheet: null, mapping: null, settlement: NO_SETTLEMENT };
  let children = 0;
  const planned = await timedAsync(async () => {
    const read = await readListFile(store.database, order, () => undefined);
    ({ children } = writeFound(path, read));
  });
  const stored = timed(() =>
    takeList(store, {
      key: 'bench-list',
      title: 'A list',
      path,
      state: stateOf(store.database),
      children,
      deletions: false,
    }),
  );
  store.close();
  return { planned, stored };
}

/** Lists of one kind under each other, families told apart by a word of their own. */
function largeList(shape: (typeof SHAPES)[number]): string {
  const table: string[][] = [];
  for (let seed = 1; table.length < ROWS; seed++) {
    const { table: rows, families } = messyList(shape, seed, 60);
    const nameOf = new Map(
      families.flatMap(({ rows: own, name }, at) =>
        own.map((row) => [row, { name, word: wordFor(seed * 61 + at) }] as const),
      ),
    );
    const header = Math.min(...nameOf.keys()) - 2;
    if (table.length === 0) table.push(rows[header]!);
    for (const [row, { name, word }] of nameOf)
      table.push(rows[row - 1]!.map((cell) => cell.replace(name, `${word} ${name}`)));
  }
  return stringify(table.slice(0, ROWS));
}

function wordFor(number: number): string {
  let word = '';
  for (let rest = number, at = 0; at < 3; at++, rest = Math.floor((rest * 7) / 3) + 13)
    word += 'bdfgklmnprstvz'[rest % 14]! + 'aeiou'[(rest >> 2) % 5]!;
  return word.charAt(0).toUpperCase() + word.slice(1);
}

function insertBare(folder: string, name: string, rows: string[][]): void {
  const database = new Sqlite(join(folder, `${name}.db`));
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

async function readBare(path: string): Promise<void> {
  const reader = new ExcelJs.stream.xlsx.WorkbookReader(path, {});
  for await (const sheet of reader) for await (const row of sheet) if (row.cellCount === 0) return;
}

function timed(work: () => void): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}
export async function timedAsync(work: () => Promise<void>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

/** Pairs of rows rightly held together or apart, and families whose axes have the right roles, for each kind of list. */
function tellRecognition(registry: ReturnType<typeof openRegistry>): void {
  console.log('\nFamilies recognised in messy lists (pairs of rows; axes and roles)');
  for (const shape of SHAPES) tellScore(registry, shape, (seed) => messyList(shape, seed));
  for (const [what, shapes, listOf] of [
    ['lists of another hand', OTHER_SHAPES, otherList],
    ['lists as houses keep them', HOUSE_SHAPES, houseList],
    ['lists of goods called by colours', CALLED_SHAPES, calledList],
  ] as const) {
    console.log(`The same in ${what}, their colours known or not`);
    for (const shape of Object.keys(shapes))
      for (const isStrange of [false, true])
        tellScore(registry, `${shape}${isStrange ? ', strange' : ''}`, (seed) => listOf(shape, seed, isStrange));
  }
  console.log('The same where colours are called as an open list calls them: none, a third, all of them');
  for (const way of [...Object.keys(PARTED), ...Object.keys(UNPARTED), BLANK_BELOW])
    for (const odd of ODD) tellScore(registry, `${way}, ${odd}`, (seed) => openColourList(way, seed, odd));
}

/** Of all colours this share is drawn from an open list of names. */
const ODD = [0, 0.3, 1];

function tellScore(
  registry: ReturnType<typeof openRegistry>,
  kind: string,
  listOf: (seed: number) => ReturnType<typeof otherList>,
): void {
  let score = NO_SCORE;
  let rows = 0;
  for (let seed = 9001; seed < 9001 + SEEDS; seed++) {
    const list = listOf(seed);
    rows += list.table.length;
    score = addScores(score, scoreOf(readList(registry, list.table), list));
  }
  const { precision, recall, f1, axes } = measures(score);
  const shown = [precision, recall, f1, axes].map((one) => one.toFixed(4));
  console.log(
    `  ${kind.padEnd(22)} precision ${shown[0]} recall ${shown[1]} F1 ${shown[2]} axes ${shown[3]} (${rows} rows)`,
  );
}
