/** Lists of 100,000 rows on their way into the catalogue, and how well families are recognised. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { NO_SETTLEMENT } from '@loom-kin/core/intake';
import { emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { readAt } from '../../server/src/changes/readAt';
import { takeList } from '../../server/src/changes/takeFound';
import { writeFound } from '../../server/src/listFiles/foundFiles';
import { readListFile } from '../../server/src/lists/readListFile';
import { openDatabase } from '../../server/src/store/database';
import { storeOf } from '../../server/src/store/openStore';
import { largeList, ROWS } from './largeLists';
import { took, type Figure } from './measure';
import { readingFigures } from './reading';
import { tellRecognition } from './recognition';

export async function intakeFigures(folder: string): Promise<Figure[]> {
  const registry = openRegistry(emptyRegistry());
  const figures = await readingFigures(folder, registry);
  const tenth = await wholeWay(folder, ROWS / 10);
  const whole = await wholeWay(folder, ROWS);
  const one = (what: string, median: number, baseline: string, base: number, budget: string) =>
    figures.push({ what, median, p95: median, baseline, ratio: median / base, budget });
  for (const [key, what] of [
    ['planned', 'what becomes of each'],
    ['stored', 'taken in'],
  ] as const) {
    one(`${ROWS / 10} rows: ${what}`, tenth[key], 'itself', tenth[key], '–');
    one(`${ROWS} rows: ${what}`, whole[key], 'ten times a tenth of them', tenth[key] * 10, '1.3 ×');
  }
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
  const planned = await took(async () => {
    const read = await readListFile(store.database, order, () => undefined);
    ({ children } = writeFound(path, read));
  });
  const stored = await took(() =>
    takeList(store, {
      key: 'bench-list',
      title: 'A list',
      path,
      state: readAt(store.database),
      children,
      deletions: false,
      registry: null,
    }),
  );
  store.close();
  return { planned, stored };
}
