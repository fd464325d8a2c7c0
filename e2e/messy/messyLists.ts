/** Lists as suppliers send them, with the truth beside them: which rows are one family, and over which axes. All goods are invented. */
import type { Role } from '@loom-kin/core/family';
import { chance, HEADERS, makeFamilies, SHAPES, type Chance, type Shape } from './messyGoods';
import { LAYOUTS } from './messyLayouts';
import type { Sheet } from './messySheet';

export { SHAPES };

export interface TrueFamily {
  name: string;
  axes: Role[];
  /** The values of all its axes as the list writes them, where that is known. */
  values?: readonly string[];
  /** Rows from 1, as they stand in the table. */
  rows: number[];
}

export interface MessyList {
  shape: Shape;
  table: string[][];
  families: TrueFamily[];
  singles: number[];
}

/** A list of a shape, with some rows of goods sold singly that look like a family's. */
export function messyList(shape: Shape, seed: number, count = 12): MessyList {
  const by = chance(seed * 31 + SHAPES.indexOf(shape));
  const families = makeFamilies(by, shape, count);
  const header = (key: string) => by.pick(HEADERS[key] ?? [key]);
  const sheet = LAYOUTS[shape](by, families, header);
  return around(by, shape, sheet);
}

/** Title lines above, a total below, rows of a family scattered, columns nobody needs. */
function around(by: Chance, shape: Shape, { headers, lines, families, isOrdered }: Sheet): MessyList {
  const isScattered = !isOrdered && by.likely(0.5);
  const ordered = isScattered ? by.shuffled(lines) : lines;
  const table: string[][] = [];
  const width = headers[0]!.length;
  const row = (first: string) => [first, ...Array<string>(width - 1).fill('')];
  if (by.likely(0.4)) table.push(row(by.pick(['Spring list 2026', 'Preisliste Herbst', 'Order form'])), row(''));
  table.push(...headers);
  const rowsOf = new Map<number, number[]>();
  const singles: number[] = [];
  for (const { cells, family, isParent } of ordered) {
    table.push(cells);
    if (family === null) singles.push(table.length);
    else if (!isParent) rowsOf.set(family, [...(rowsOf.get(family) ?? []), table.length]);
  }
  if (by.likely(0.3)) table.push(row(''), ['Total', ...Array<string>(width - 2).fill(''), '12345.00']);
  if (by.likely(0.3)) table.push(row('All prices without obligation, see our terms of trade.'));
  return {
    shape,
    table,
    families: families.flatMap(({ name, axes }, at) => (rowsOf.has(at) ? [{ name, axes, rows: rowsOf.get(at)! }] : [])),
    singles,
  };
}
