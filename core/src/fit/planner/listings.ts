/** The listings of a shape: one for each combination of what is split, cut where one is too large. */
import { valueLimits } from './bound';
import { combinationsOf } from './combinations';
import { mayBeCut } from './cut/atoms';
import { bestCut } from './cut/bestCut';
import { leastParts } from './cut/least';
import { ChildSubset } from './cut/childSubset';
import type { CutOrder } from './cut/order';
import { pieceOf, valuesTooLarge, type Limits } from './cut/piece';
import { inFull, inWeaveOrder } from './inFull';
import { liveBySet, lotsOf, type SearchContext } from './searchContext';
import type { PlanCost, PlanListing, PlanTask, Shape } from './shape';
import { goingOn, goOn } from './standing';

/** Children that would stand in one listing if it were not cut. */
export interface ChildSet {
  /** The place of their combination of what is split. */
  place: number;
  subset: ChildSubset;
  /** Listings that they need at the very least. */
  least: number;
}

/** A set for each combination of what is split. */
export function childSets(context: SearchContext, task: PlanTask, shape: Shape): ChildSet[] {
  const options = shape.groups.map((group) => combinationsOf(task, group));
  const limits = limitsOf(task, shape);
  return lotsOf(context, task, shape.split).map((subset, place) => ({
    place,
    subset,
    least: leastParts(subset, options, limits),
  }));
}

export const leastOf = (sets: readonly ChildSet[]): number => sets.reduce((total, set) => total + set.least, 0);

/** Values that every cut of these goes through, whatever axis it goes along. */
export function leastThrough(task: PlanTask, shape: Shape, sets: readonly ChildSet[]): number {
  const shown = shape.groups.flat();
  if (shown.every((axis) => task.wish.whole.includes(task.axes[axis]!.id))) return 0;
  const most = task.rules.children.atMost;
  const leastOfSet = ({ subset }: ChildSet) =>
    subset.size <= most ? 0 : Math.min(...shown.map((axis) => valuesTooLarge(subset, axis, most)));
  return sets.reduce((sum, set) => sum + leastOfSet(set), 0);
}

const limitsOf = (task: PlanTask, shape: Shape): Limits => ({
  children: task.rules.children.atMost,
  values: valueLimits(task, shape),
});

/** What the listings of a shape cost, and the listings themselves, which are made where somebody wants them. */
export interface Made extends Pick<PlanCost, 'listings' | 'remade' | 'moved' | 'reshaped' | 'cutThrough'> {
  /** Axes wished whole that are cut, since no other cut would do. */
  broken: readonly number[];
  /** Options shown in all listings together, where they cost something. */
  values: number;
  /** The fewest listings there may be. */
  fewest: number;
  inFull(): PlanListing[];
}

interface ListingsOrder {
  context: SearchContext;
  structure: string;
  sets: readonly ChildSet[];
  /** More listings than these are too many to be kept. */
  most: number;
  /** Told how few listings there may be, where the cutting was stopped. */
  mayBe(least: number): void;
}

/** Null where cutting does not help, or takes more listings than are wanted. */
export function listingsOf(task: PlanTask, shape: Shape, asked: ListingsOrder): Made | null {
  const { context, structure } = asked;
  const options = shape.groups.map((group) => combinationsOf(task, group));
  const going = goingOn(task, structure);
  const cutter: Cutter = {
    ...asked,
    order: { task, options, budget: context.budget, along: cutOrder(task, shape), limits: limitsOf(task, shape) },
    shape,
    liveAt: going.length === 0 ? new Map() : liveBySet(context, task, shape.split, going),
  };
  for (const choices of wholeChoices(task, cutter)) {
    const cuts = choices.flatMap(({ whole, broken }) => {
      const cut = cutAll(cutter, whole);
      return cut ? [{ ...cut, broken }] : [];
    });
    const [best] = cuts.sort((a, b) => a.listings - b.listings || a.cutThrough - b.cutThrough);
    if (best) return complete(cutter, best, going);
    if (choices.length > 0) return null;
  }
  return null;
}

interface Cutter extends ListingsOrder {
  order: Omit<CutOrder, 'whole' | 'subset' | 'least' | 'most'>;
  shape: Shape;
  /** Place of a set → the children there of each live listing that goes on. */
  liveAt: ReadonlyMap<number, readonly ChildSubset[]>;
}

/**
 * Which axes wished whole may stay so, all sets together: first all of them, then all but one, and so on. Those of one turn break as
 * many wishes; turns in which no cut is possible are empty.
 */
function* wholeChoices(
  { wish, axes }: PlanTask,
  { sets, order }: Cutter,
): Generator<{ whole: readonly number[]; broken: readonly number[] }[]> {
  const wished = order.along.filter((axis) => wish.whole.includes(axes[axis]!.id));
  const large = sets.filter(({ least }) => least > 1);
  for (let count = 0; count <= wished.length; count++) {
    const choices = someOf(wished, count).map((broken) => ({
      broken,
      whole: wished.filter((axis) => !broken.includes(axis)),
    }));
    yield choices.filter(({ whole }) => large.every(({ subset }) => mayBeCut({ ...order, subset, whole })));
  }
}

/** Every choice of so many. */
function someOf(all: readonly number[], count: number): number[][] {
  if (count === 0) return [[]];
  return all.flatMap((first, at) => someOf(all.slice(at + 1), count - 1).map((rest) => [first, ...rest]));
}

interface AllCut extends Pick<Made, 'listings' | 'fewest' | 'values' | 'cutThrough'> {
  /** The listings of each set. */
  parts: (readonly Int32Array[])[];
}

/** Every set cut with the same axes kept whole; null where that takes more listings than are wanted. */
function cutAll({ context, sets, most, mayBe, order, shape, liveAt }: Cutter, whole: readonly number[]): AllCut | null {
  const { task, options } = order;
  const countsValues = task.rules.fees.perValue !== '0';
  const made: AllCut = { listings: leastOf(sets), fewest: leastOf(sets), cutThrough: 0, values: 0, parts: [] };
  for (const { place, subset, least } of sets) {
    if (least === 1) {
      if (countsValues) made.values += valuesIn(task, subset.numbers, options);
      made.parts.push([subset.numbers]);
      continue;
    }
    const mine = { ...order, subset, least, whole, most: most - (made.listings - least) };
    const cut = bestCut(context, { shape, place, order: mine, live: liveAt.get(place) ?? [] });
    if (!cut) return null;
    made.fewest += cut.least - least;
    if (!cut.parts || made.listings + cut.parts.length - least > most) {
      // What is not worth keeping as it was cut might be, were it cut better.
      if (made.fewest <= most) mayBe(made.fewest);
      return null;
    }
    made.listings += cut.parts.length - least;
    made.cutThrough += cut.through;
    if (countsValues) for (const part of cut.parts) made.values += valuesIn(task, part, options);
    made.parts.push(cut.parts);
  }
  if (made.fewest < made.listings) mayBe(made.fewest);
  return made;
}

function complete(
  { context, structure, order: { task }, shape }: Cutter,
  { parts, ...made }: AllCut & Pick<Made, 'broken'>,
  going: Int32Array,
): Made {
  // Without any that stand nothing is known of listings but their number until they are made.
  if (task.live.length === 0)
    return { ...made, remade: 0, moved: 0, reshaped: 0, inFull: () => inFull(task, shape, inWeaveOrder(parts)) };
  context.budget.children -= task.children.length;
  const sorted = inWeaveOrder(parts);
  const { liveAt, ...moves } = goOn(task, structure, sorted.flat(), going);
  return { ...made, ...moves, inFull: () => inFull(task, shape, sorted, liveAt) };
}

const valuesIn = (task: PlanTask, part: Int32Array, options: CutOrder['options']): number =>
  pieceOf(new ChildSubset(task, part), options).options.reduce((sum, { count }) => sum + count, 0);

/** Axes shown, those first along which a listing is cut best: buyers look for all sizes in one place. */
function cutOrder({ axes }: PlanTask, shape: Shape): number[] {
  const shown = shape.groups.flat().sort((a, b) => a - b);
  const isSize = (axis: number) => axes[axis]!.role === 'size';
  return [...shown.filter((axis) => !isSize(axis)), ...shown.filter(isSize)];
}
