/** 100,000 children of 5,000 families taken out, beside a bare writer given the same rows. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import { writeCatalogue } from '../../server/src/export/writeCatalogue';
import { openDatabase } from '../../server/src/store/database';

import { took, type Figure } from './measure';
import { writeBare } from './reading';

/** @param folder where the lists over 100,000 children have left their database */
export async function exportFigures(folder: string): Promise<Figure[]> {
  const database = openDatabase(join(folder, 'bench.db'), 'server/migrations');
  const written = (kind: 'csv' | 'xlsx' | 'json') => {
    const path = join(folder, `out.${kind}`);
    const order = { kind, ids: null, path, address: '', pictureFolder: folder };
    return took(() => writeCatalogue(database, order, () => undefined));
  };
  const csv = await written('csv');
  const rows = parse(readFileSync(join(folder, 'out.csv')), { bom: true }) as string[][];
  const bare = await took(() => writeBare(join(folder, 'out-bare.xlsx'), rows));
  const line = (what: string, median: number, budget: string): Figure => ({
    what,
    median,
    p95: median,
    budget,
    baseline: 'the bare XLSX writer',
    ratio: median / bare,
  });
  const children = (rows.length - 1).toLocaleString('en');
  return [
    line(`${children} children: their rows as XLSX by the bare writer`, bare, '–'),
    line(`${children} children taken out as XLSX`, await written('xlsx'), '1.3 ×'),
    line(`${children} children taken out as CSV`, csv, '–'),
    line(`${children} children taken out as JSON`, await written('json'), '–'),
  ];
}
