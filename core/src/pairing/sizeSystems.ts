/** Sizes of one system in another: shoes by the length of their last, children's ages by body height. */
import type { SizeMeaning } from './sizes';

/** Body height in centimetres → age in months up to which it is worn (common practice in children's wear). */
const AGES: readonly (readonly [height: number, months: number])[] = [
  ...([
    [56, 2],
    [62, 3],
    [68, 6],
    [74, 9],
    [80, 12],
    [86, 18],
    [92, 24],
    [98, 36],
    [104, 48],
    [110, 60],
    [116, 72],
    [122, 84],
    [128, 96],
    [134, 108],
    [140, 120],
    [146, 132],
    [152, 144],
  ] as const),
];
const heightOf = (months: number): number | undefined => AGES.find(([, age]) => age === months)?.[0];

/** Half a Paris point: shoes that lie no farther apart are the same size. */
const HALF_A_SIZE = 10 / 3;

/** Whether two sizes of different systems are the same. */
export function isConverted(size: SizeMeaning, entry: SizeMeaning): boolean {
  if (size.kind === 'shoe' && entry.kind === 'shoe')
    return Math.abs(size.figures[0]! - entry.figures[0]!) <= HALF_A_SIZE;
  const ages = size.kind === 'months' ? size : entry.kind === 'months' ? entry : null;
  const heights = ages === size ? entry : size;
  if (!ages || (heights.kind !== 'number' && heights.kind !== 'length')) return false;
  const unit = heights.kind === 'length' ? 10 : 1;
  const wanted = ages.figures.map(heightOf);
  // An age of one figure is worn by who has grown to it: "4 years" is 98/104.
  const [last] = wanted.slice(-1);
  return last !== undefined && heights.figures.at(-1) === last * unit && heights.figures.length <= 2;
}
