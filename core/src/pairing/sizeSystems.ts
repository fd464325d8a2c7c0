/**
 * Sizes of one system in another: shoes by the length of the last they are made on, children's ages by body height.
 */
import type { SizeMeaning } from './sizes';

/**
 * Systems of adults' shoes as size = steps × last + offset, the last in millimetres: Paris points of 2/3 cm (EU), barleycorns of
 * 1/3 inch that begin at 25 (UK) or 24 (US, men's). As ISO/TS 19407:2015 compares them; the formulas are from memory.
 */
const SHOES: Readonly<Record<string, { step: number; offset: number }>> = {
  eu: { step: 20 / 3, offset: 0 },
  uk: { step: 25.4 / 3, offset: 25 },
  us: { step: 25.4 / 3, offset: 24 },
};

/** The last in millimetres of a shoe size that names its system, such as "UK 8" or "EU 42"; null for everything else. */
export function shoeLast(label: string): number | null {
  const [, system, size] = /^(eu|uk|us)[ -]?(\d{1,2}(?:[.,]5)?)$/.exec(label) ?? [];
  const how = system === undefined ? undefined : SHOES[system];
  return how ? (Number(size!.replace(',', '.')) + how.offset) * how.step : null;
}

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
