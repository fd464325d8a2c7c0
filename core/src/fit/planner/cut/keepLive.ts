/** A cut in which live listings keep their children, and what is new goes into them or into new ones. */
import { columnsOf } from '../combinations';
import { keptTogether, withoutOwn } from './atoms';
import type { Cut } from './cut';
import { ChildSubset } from './childSubset';
import type { CutOrder } from './order';
import { emptyFilling, evenly, hasRoom, inOrder, put } from './packing';
import { fitsIn, numbersOf, pieceOf, valuesCutThrough, type Piece } from './piece';

/** What of a cut is kept: its listings, and the values that stand in several of them. */
type Kept = Pick<Cut, 'parts' | 'through'>;

/**
 * The cut, or null where what stands in a live listing is too much for one by now, or where that takes more than `most` listings.
 * @param live the children of each live listing that goes on here
 */
export function cutKeeping(asked: CutOrder, live: readonly ChildSubset[]): Kept | null {
  const order = withoutOwn(asked);
  const { limits, options, task, along, whole, budget } = order;
  budget.children -= order.subset.size;
  const { stay, fresh } = whole.length === 0 ? apart(order, live) : together(order, live);
  if (stay.length > order.most || !stay.every((one) => fitsIn(one, options, limits))) return null;
  const axis = along.find((one) => !whole.includes(one));
  const { standing, left } = joinStanding(order, stay, blocksOf(order, fresh, axis), axis);
  const rest = inOrder(left, limits);
  if (!rest || standing.length + rest.length > order.most) return null;
  const parts = [...standing, ...(left.length > 0 ? evenly(left, limits, rest.length) : [])];
  return { parts: parts.map(numbersOf), through: axis === undefined ? 0 : valuesCutThrough(task, parts, axis) };
}

/** What stays where it stands, and what is new. */
interface Sorted {
  stay: readonly ChildSubset[];
  /** Children that stay together. */
  fresh: readonly Int32Array[];
}

/** Live listing of each child; of several that hold it the last. */
const homesOf = (live: readonly ChildSubset[]): Map<number, number> =>
  new Map(live.flatMap(({ numbers }, at) => Array.from(numbers, (number) => [number, at] as const)));

/** Where nothing is wished whole every child may stay by itself. */
function apart({ task, subset }: CutOrder, live: readonly ChildSubset[]): Sorted {
  const home = homesOf(live);
  const held = live.reduce((sum, { size }) => sum + size, 0);
  const own = live.map(({ numbers }, at) => numbers.filter((number) => home.get(number) === at));
  const filled = own.filter(({ length }) => length > 0);
  return {
    stay: home.size === held ? live : filled.map((numbers) => new ChildSubset(task, numbers)),
    fresh: [subset.numbers.filter((number) => !home.has(number))],
  };
}

/** Children that stay together go where the first of them stands. */
function together(order: CutOrder, live: readonly ChildSubset[]): Sorted {
  const home = homesOf(live);
  const stay: number[][] = live.map(() => []);
  const fresh: Int32Array[] = [];
  for (const { numbers } of keptTogether(order)) {
    const cache = numbers.find((number) => home.has(number));
    if (cache === undefined) fresh.push(numbers);
    else stay[home.get(cache)!]!.push(...numbers);
  }
  const filled = stay.filter((numbers) => numbers.length > 0);
  return { stay: filled.map((numbers) => new ChildSubset(order.task, Int32Array.from(numbers))), fresh };
}

/** What is new, value by value of the axis that is cut along. */
function blocksOf({ task, options }: CutOrder, fresh: readonly Int32Array[], axis: number | undefined): Piece[] {
  const subsets = fresh.filter(({ length }) => length > 0).map((numbers) => new ChildSubset(task, numbers));
  if (axis === undefined || subsets.length === 0) return subsets.map((subset) => pieceOf(subset, options));
  const all = new ChildSubset(task, numbersOf(subsets));
  return all.byValue(axis).map((subset) => pieceOf(subset, options));
}

/**
 * Puts each block into the listing that has its value already, else into the first that has room; what has none
 * anywhere is left.
 */
function joinStanding(
  { task, limits, options }: CutOrder,
  stay: readonly ChildSubset[],
  blocks: readonly Piece[],
  axis: number | undefined,
): { standing: Piece[][]; left: Piece[] } {
  if (blocks.length === 0) return { standing: stay.map((subset) => [pieceOf(subset, options)]), left: [] };
  const fillings = stay.map((subset) => {
    const piece = pieceOf(subset, options);
    const filling = emptyFilling(piece);
    put(filling, piece);
    return filling;
  });
  const valueOf = (number: number) => (axis === undefined ? undefined : columnsOf(task)[axis]![number]);
  const having = stay.map(({ numbers }) => new Set(Array.from(numbers, valueOf)));
  const left = blocks.filter((block) => {
    const value = valueOf(block.numbers[0]!);
    const open = fillings.flatMap((filling, at) => (hasRoom(filling, block, limits) ? [at] : []));
    const chosen = open.find((at) => having[at]!.has(value)) ?? open[0];
    if (chosen === undefined) return true;
    put(fillings[chosen]!, block);
    for (const number of block.numbers) having[chosen]!.add(valueOf(number));
    return false;
  });
  return { standing: fillings.map(({ pieces }) => pieces), left };
}
