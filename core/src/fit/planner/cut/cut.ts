/**
 * Cutting what is too large for one listing into the fewest there can be: along values of one axis where that is as good, in their
 * order and evenly, and never through an axis that is wished whole.
 */
import { columnsOf } from '../combinations';
import { atomsOf, mayBeCut, withoutOwn } from './atoms';
import { ChildSubset } from './childSubset';
import type { CutOrder } from './order';
import { evenly, inOrder, largestFirst } from './packing';
import { fitsIn, joined, numbersOf, pieceOf, valuesCutThrough, valuesTooLarge, type Piece } from './piece';
import { fewestParts, type Budget } from './search';
import { inRuns, intoFirst, startsInOrder } from './singles';

export interface Cut {
  /** Children's numbers by listing. */
  parts: readonly Int32Array[];
  /** Values of the axis it is cut along that stand in several listings. */
  through: number;
  /** A bound that no cut goes below: where it is reached, or the search was not stopped, there are no fewer. */
  least: number;
}

/** More listings than are wanted, and a bound that no cut goes below. */
export interface TooMany {
  parts: null;
  least: number;
}

/** Of so many pieces every way is tried; more are packed in the ways that mostly are best. */
const SEARCHED = 40;
/** Steps of trying every way for the values of one axis. */
const STEPS_OF_AXIS = 300;
/** Of so many pieces each looks for a listing with room. */
const FITTED = 3000;

/**
 * The cut, or null where some children that stay together are too many for one listing. What is live is left to
 * `cutKeeping`.
 */
export function cutListing(asked: CutOrder): Cut | TooMany | null {
  const { subset, least, most, budget } = asked;
  if (least === 1) return { parts: [subset.numbers], through: 0, least: 1 };
  if (!mayBeCut(asked)) return null;
  const order = withoutOwn(asked);
  budget.children -= subset.size * order.along.length;
  const { parts, through, isExact } = fewest(
    order,
    lazily(() => atomsOf(order)),
  );
  if (!parts) return { parts, least: isExact ? most + 1 : least };
  return { parts: parts.map(numbersOf), through, least: isExact ? parts.length : least };
}

/** Thousands of pieces are made only where somebody asks for them. */
function lazily<T>(make: () => T): () => T {
  let made: T | undefined;
  return () => (made ??= make());
}

interface Packed {
  /** Null where it takes more than are wanted. */
  parts: Piece[][] | null;
  through: number;
  isExact: boolean;
}

function fewest(order: CutOrder, atoms: () => readonly Piece[]): Packed {
  const { task, subset, least, most, limits, budget } = order;
  const axes = order.along.filter((axis) => !order.whole.includes(axis));
  /** `rank`: the place of the axis it is cut along; of alike cuts the one along the axis liked most is kept. */
  const packed: { best: { parts: Piece[][]; through: number; rank: number } | null } = { best: null };
  const offer = (parts: Piece[][] | null, axis: number | undefined): void => {
    const { best } = packed;
    if (!parts || parts.length > wanted()) return;
    const rank = axis === undefined ? 0 : axes.indexOf(axis);
    const through = axis === undefined ? 0 : valuesCutThrough(task, parts, axis);
    const isBetter =
      !best ||
      parts.length < best.parts.length ||
      through < best.through ||
      (through === best.through && rank < best.rank);
    if (isBetter) packed.best = { parts, through, rank };
  };
  const count = () => packed.best?.parts.length ?? most + 1;
  const wanted = () => packed.best?.parts.length ?? most;
  const byLeast = axes
    .map((axis, rank) => ({ axis, rank, over: valuesTooLarge(subset, axis, limits.children) }))
    .sort((a, b) => a.over - b.over || a.rank - b.rank);
  for (const [nth, { axis, rank, over }] of byLeast.entries()) {
    const { best } = packed;
    if (nth > 0 && budget.children < 0) break;
    // Those that are left cut through as many values at least.
    const isDone = best && count() === least && (best.through < over || (best.through === over && best.rank < rank));
    if (isDone) return { ...best, isExact: true };
    offer(alongValues(order, axis, wanted()), axis);
  }
  if (count() > least) for (const axis of axes) offer(alongChildren(order, atoms, axis, count()), axis);
  if (count() > least && order.whole.length === 0) offer(acrossAxes(order, count() - 1), axes[0]);
  if (count() > least && subset.size <= FITTED) offer(asTheyGoIn(order, atoms, wanted()), axes[0]);
  // Without any axis to cut along there is one piece, and that fits.
  if (axes.length === 0)
    offer(
      atoms().map((atom) => [atom]),
      undefined,
    );
  const isMany = order.whole.length === 0 ? subset.size > SEARCHED : atoms().length > SEARCHED;
  const none = { parts: null, through: 0 };
  if (count() <= least || isMany) return { ...(packed.best ?? none), isExact: count() <= least };
  offer(fewestParts(atoms(), limits, { below: count(), least, budget }), axes[0]);
  return { ...(packed.best ?? none), isExact: budget.steps > 0 };
}

/** The smallest pieces in the order of one axis, where that takes fewer listings than are found already. */
function alongChildren(order: CutOrder, atoms: () => readonly Piece[], axis: number, below: number): Piece[][] | null {
  const { task, subset, options, limits, whole } = order;
  if (whole.length > 0) return inOrder(byAxis(order, atoms(), axis), limits, { listings: below - 1 });
  const sorted = subset.inValueOrder(axis);
  const starts = startsInOrder(sorted, options, limits, below);
  return (
    starts &&
    starts.map((start, at) => [pieceOf(new ChildSubset(task, sorted.subarray(start, starts[at + 1])), options)])
  );
}

/** Runs of every listing axis's options, crossed. */
function acrossAxes({ task, subset, options, limits }: CutOrder, most: number): Piece[][] | null {
  const parts = inRuns(subset, options, limits, most);
  return parts && parts.map((part) => [pieceOf(new ChildSubset(task, part), options)]);
}

/**
 * The smallest pieces, the largest first, each into the first listing with room, where that takes no more than
 * `most`.
 */
function asTheyGoIn(order: CutOrder, atoms: () => readonly Piece[], most: number): Piece[][] | null {
  const { task, subset, options, limits, whole } = order;
  if (whole.length > 0) return largestFirst(atoms(), limits, most);
  const parts = intoFirst(subset.numbers, options, limits, most);
  return parts && parts.map((part) => [pieceOf(new ChildSubset(task, part), options)]);
}

/**
 * Whole values of an axis to a listing: in order where that is as good, else as they go in best. Null where that takes more than `most`
 * listings.
 */
function alongValues(order: CutOrder, axis: number, most: number): Piece[][] | null {
  const { subset, least, limits, budget } = order;
  const along = order.along.filter((one) => one !== axis && !order.whole.includes(one));
  const blocks: Piece[] = [];
  for (const value of subset.byValue(axis)) {
    const pieces = slabs(order, value, along);
    if (!pieces) return null;
    blocks.push(...pieces);
  }
  const ordered = inOrder(blocks, limits, { listings: most });
  if (ordered?.length === least) return evenly(blocks, limits, least);
  const packed = largestFirst(blocks, limits, (ordered?.length ?? most + 1) - 1);
  const fewer = packed ?? ordered;
  const below = fewer?.length ?? most + 1;
  const isSearched = below > least && blocks.length <= SEARCHED;
  const searched = isSearched
    ? inSomeSteps(budget, (some) => fewestParts(blocks, limits, { below, least, budget: some }))
    : null;
  return searched ?? packed ?? (ordered && evenly(blocks, limits, ordered.length));
}

/** Tries every way for the values of one axis; what that leaves of its part of the budget is for others. */
function inSomeSteps<T>(budget: Budget, search: (some: Budget) => T): T {
  const given = Math.min(budget.steps, STEPS_OF_AXIS);
  const some = { ...budget, steps: given };
  const found = search(some);
  budget.steps -= given - some.steps;
  return found;
}

/**
 * Children of one value in pieces that fit: all together, or along the first further axis that does it, in
 * order; null where none does.
 */
function slabs({ options, limits }: CutOrder, subset: ChildSubset, along: readonly number[]): Piece[] | null {
  const isTooMany = ({ size }: ChildSubset) => size > limits.children;
  if (!isTooMany(subset) && fitsIn(subset, options, limits)) return [pieceOf(subset, options)];
  for (const axis of along) {
    const subsets = subset.byValue(axis);
    // Counting is quick; pieces are only made of what may go in.
    if (!subsets.every((one) => !isTooMany(one) && fitsIn(one, options, limits))) continue;
    const parts = inOrder(
      subsets.map((one) => pieceOf(one, options)),
      limits,
    );
    if (parts) return parts.map(joined);
  }
  return null;
}

/** Atoms in the order of one axis, those of a value in the order of the weave. */
function byAxis({ task }: CutOrder, atoms: readonly Piece[], axis: number): Piece[] {
  const column = columnsOf(task)[axis]!;
  const groups: Piece[][] = task.axes[axis]!.values.map(() => []);
  for (const atom of atoms) groups[column[atom.numbers[0]!]!]!.push(atom);
  return groups.flat();
}
