/** Lists of 100,000 rows. */
import { stringify } from 'csv-stringify/sync';
import { messyList, type SHAPES } from '../../e2e/messy/messyLists';

export const ROWS = 100_000;

/** Lists of one kind under each other, families told apart by a word of their own. */
export function largeList(shape: (typeof SHAPES)[number]): string {
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
