/** Values that go across: columns called S, M, L with pieces or prices below them, or "EAN S", "EAN M" with a number for each. */
import { headSaying, plainHead, type AcrossHead } from './acrossHeads';
import { isBlank, looksLikeGtin, numberLook, saysWhether } from './cells';
import type { Contents } from './contents';
import type { TableFound } from './findTable';
import type { ListWords } from './headerWords';
import { ACROSS_KEYS, type AcrossKey, type Meaning, type Table } from './shape';

type Across = Extract<Meaning, { is: 'across' }>;
type Head = AcrossHead & { at: number };

/** Finds the columns whose headers are values: place → value, and what stands below it. */
export function valuesAcross(
  table: Table,
  found: TableFound,
  contents: readonly Contents[],
  words: ListWords,
): Map<number, Across> {
  const heads = asSizes(
    found.below.map((below, at) => {
      const header = found.headers[at]!;
      // "38 pieces" is a value as a whole.
      const whole = header === below ? plainHead(below, words.options) : null;
      const head = whole ?? headSaying(header, words) ?? plainHead(below, words.options);
      return head ? { ...head, at, isWeak: head.isWeak && at < found.sizesFrom } : null;
    }),
  );
  const across = new Map<number, Across>();
  for (const run of runsOf(heads, contents)) {
    const key = run.length > 1 && areSure(run) ? keyBelow(table, found, run) : null;
    if (key) for (const head of run) across.set(head.at, meaningOf(head, key));
  }
  for (const key of ACROSS_KEYS) {
    const same = heads.flatMap((head) => (head?.key === key ? [head] : []));
    const areApart = new Set(same.map(({ value }) => value.toLowerCase())).size === same.length;
    if (same.length > 1 && areApart && areNoTiers(same) && bearOut(key, same, contents))
      for (const head of same) across.set(head.at, meaningOf(head, key));
  }
  return across;
}

/** Where some are sizes for sure, so is what may be one. */
function asSizes(heads: readonly (Head | null)[]): (Head | null)[] {
  if (!heads.some((head) => head?.role === 'size')) return [...heads];
  return heads.map((head) => (head?.mayBeSize ? { ...head, role: 'size' } : head));
}

const meaningOf = ({ role, value }: Head, key: AcrossKey): Across => ({
  is: 'across',
  role,
  value,
  ...(key === 'stock' ? {} : { key }),
});

/** Two that may be nothing else, or three. */
const areSure = (run: readonly Head[]): boolean => run.length >= 3 || run.every(({ isWeak }) => !isWeak);

/** "Price 1, Price 2" and "Price 100, Price 250" are other prices of the same goods, and no sizes; "EAN 36, EAN 37" are. */
const areNoTiers = (heads: readonly Head[]): boolean =>
  heads.every(({ isWeak }) => !isWeak) ||
  (heads.length >= 3 && heads.every(({ value }) => +value >= 14 && +value <= 62));

/** Bare values of one role side by side; where they begin anew something else stands below them. */
function runsOf(heads: readonly (Head | null)[], contents: readonly Contents[]): Head[][] {
  const runs: Head[][] = [];
  let last: Head | null = null;
  for (const head of heads) {
    const fits = head !== null && head.key === null && areFigures(contents[head.at]!);
    const run = runs.at(-1);
    const goesOn = fits && last !== null && last.role === head.role && !run!.some(({ value }) => value === head.value);
    if (goesOn) run!.push(head);
    else if (fits) runs.push([head]);
    last = fits ? head : null;
  }
  return runs;
}

const areFigures = ({ letters, whether }: Contents): boolean => letters <= 0.2 || whether > 0.9;

/** What stands below bare values: numbers of goods, prices, or pieces and marks; null where it is none of these. */
function keyBelow(table: Table, { body }: TableFound, run: readonly Head[]): AcrossKey | null {
  const cells = body
    .slice(0, LOOKED_AT)
    .flatMap((row) => run.map(({ at }) => (table[row]![at] ?? '').trim()))
    .filter((cell) => !isBlank(cell));
  const some = cells.filter((cell) => !/^[-–]$/.test(cell));
  const share = (of: readonly string[], test: (cell: string) => boolean) => of.filter(test).length / of.length;
  const isAmount = (cell: string) => ['money', 'decimal'].includes(numberLook(cell) ?? '');
  if (cells.length === 0) return null;
  if (share(some, looksLikeGtin) > 0.5) return 'gtin';
  if (share(some, (cell) => numberLook(cell) !== null) > 0.9 && share(some, isAmount) > 0.5) return 'price';
  return share(cells, (cell) => numberLook(cell) === 'whole' || saysWhether(cell)) > 0.9 ? 'stock' : null;
}
const LOOKED_AT = 200;
/** Whether the cells below do not deny what the headers say. */
const bearOut = (key: AcrossKey, heads: readonly Head[], contents: readonly Contents[]): boolean =>
  heads.every(({ at }) => {
    const { filled, number, code, gtin } = contents[at]!;
    if (filled === 0) return true;
    return key === 'sku' || key === 'gtin' ? code + gtin + number > 0.5 : number > 0.6;
  });
