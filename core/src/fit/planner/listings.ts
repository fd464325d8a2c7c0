/** The listings of a shape: one for each combination of what is split, cut where one is too large. */
import { valueLimits } from './bound';
import { combinationsOf } from './combinations';
import { cutListing } from './cut/cut';
import { leastParts } from './cut/least';
import { Lot } from './cut/lot';
import type { CutOrder } from './cut/order';
import { fitsIn, pieceOf, valuesTooLarge, type Limits } from './cut/piece';
import { goingOn, withKeys, type Begun } from './live';
import { lotsOf, type CutByWish, type Question } from './question';
import type { Bill, PlanListing, PlanTask, Shape } from './shape';

/** Children that would stand in one listing if it were not cut. */
export interface ChildSet {
  /** The place of their combination of what is split. */
  place: number;
  lot: Lot;
  /** Listings that they need at the very least. */
  least: number;
}

/** A set for each combination of what is split. */
export function childSets(question: Question, task: PlanTask, shape: Shape): ChildSet[] {
  const options = shape.groups.map((group) => combinationsOf(task, group));
  const limits = limitsOf(task, shape);
  return lotsOf(question, task, shape.split).map((lot, place) => ({
    ...{ place, lot, least: leastParts(lot, options, limits) },
  }));
}

export const leastOf = (sets: readonly ChildSet[]): number => sets.reduce((total, set) => total + set.least, 0);

/** Values that every cut of these goes through, whatever axis it goes along. */
export function leastThrough(task: PlanTask, shape: Shape, sets: readonly ChildSet[]): number {
  const shown = shape.groups.flat();
  if (shown.every((axis) => task.wish.whole.includes(task.axes[axis]!.id))) return 0;
  const most = task.rules.children.atMost;
  const leastOfSet = ({ lot }: ChildSet) =>
    lot.size <= most ? 0 : Math.min(...shown.map((axis) => valuesTooLarge(lot, axis, most)));
  return sets.reduce((sum, set) => sum + leastOfSet(set), 0);
}

const limitsOf = (task: PlanTask, shape: Shape): Limits => ({
  children: task.rules.children.atMost,
  values: valueLimits(task, shape),
});

/** What the listings of a shape cost, and the listings themselves, which are made where somebody wants them. */
export interface Made extends Pick<Bill, 'listings' | 'remade' | 'moved' | 'reshaped' | 'wishesBroken' | 'cutThrough'> {
  /** Options shown in all listings together, where they cost something. */
  values: number;
  /** The fewest listings there may be. */
  fewest: number;
  inFull(): PlanListing[];
}

interface ListingsOrder {
  question: Question;
  structure: string;
  sets: readonly ChildSet[];
  /** More listings than these are too many to be kept. */
  most: number;
  /** Told how few listings there may be, where the cutting was stopped. */
  mayBe(least: number): void;
}

/** Null where cutting does not help, or takes more listings than are wanted. */
export function listingsOf(task: PlanTask, shape: Shape, asked: ListingsOrder): Made | null {
  const { question, structure, sets, most, mayBe } = asked;
  const { placeOf } = combinationsOf(task, shape.split);
  const live = goingOn(task, structure);
  const homes = live.map(({ numbers }) => homeOf(placeOf, numbers));
  const options = shape.groups.map((group) => combinationsOf(task, group));
  const { budget } = question;
  const order = { task, options, budget, along: cutOrder(task, shape), limits: limitsOf(task, shape) };
  const countsValues = task.rules.fees.perValue !== '0';
  const made = { wishesBroken: 0, cutThrough: 0, values: 0 };
  const parts: (readonly Int32Array[])[] = [];
  let listings = leastOf(sets);
  let fewest = listings;
  for (const { place, lot, least } of sets) {
    if (least === 1) {
      if (countsValues) made.values += valuesIn(task, lot.numbers, options);
      parts.push([lot.numbers]);
      continue;
    }
    const here = live.filter((_, at) => homes[at] === place).map((one) => one.numbers);
    const own = here.map((all) => all.filter((number) => placeOf[number] === place));
    const mine = { ...order, lot, least, most: most - (listings - least), live: own };
    const cut = own.length > 0 ? cutByWish(mine) : cutKnown(question, place, shape, mine);
    if (!cut) return null;
    fewest += cut.least - least;
    if (!cut.parts || listings + cut.parts.length - least > most) {
      // What is not worth keeping as it was cut might be, were it cut better.
      if (fewest <= most) mayBe(fewest);
      return null;
    }
    listings += cut.parts.length - least;
    made.wishesBroken = Math.max(made.wishesBroken, cut.wishesBroken);
    made.cutThrough += cut.through;
    if (countsValues) for (const part of cut.parts) made.values += valuesIn(task, part, options);
    parts.push(cut.parts);
  }
  if (fewest < listings) mayBe(fewest);
  const inFull = () => withKeys(task, structure, partsBegun(task, shape, parts), live);
  // Without any that stand nothing is known of listings but their number until they are made.
  if (task.live.length > 0) {
    const { remade, moved, reshaped, listings: full } = inFull();
    return { ...made, listings, fewest, remade, moved, reshaped, inFull: () => full };
  }
  return { ...made, listings, fewest, remade: 0, moved: 0, reshaped: 0, inFull: () => inFull().listings };
}

const valuesIn = (task: PlanTask, part: Int32Array, options: CutOrder['options']): number =>
  pieceOf(new Lot(task, part), options).options.reduce((sum, { count }) => sum + count, 0);

/** The place that most of these children are in. */
function homeOf(placeOf: Int32Array, numbers: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const number of numbers) counts.set(placeOf[number]!, (counts.get(placeOf[number]!) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]![0];
}

/** Axes shown, those first along which a listing is cut best: buyers look for all sizes in one place. */
function cutOrder({ axes }: PlanTask, shape: Shape): number[] {
  const shown = shape.groups.flat().sort((a, b) => a - b);
  const isSize = (axis: number) => axes[axis]!.role === 'size';
  return [...shown.filter((axis) => !isSize(axis)), ...shown.filter(isSize)];
}

/** A cut that keeps axes whole as wished; where none does, one that does not, and how many are then broken. */
function cutByWish(order: Omit<CutOrder, 'whole'>): CutByWish | null {
  const { task, along } = order;
  const whole = along.filter((axis) => task.wish.whole.includes(task.axes[axis]!.id));
  const cut = cutListing({ ...order, whole });
  if (cut) return { ...cut, wishesBroken: 0 };
  const broken = whole.length > 0 ? cutListing({ ...order, whole: [] }) : null;
  return broken && { ...broken, wishesBroken: whole.length };
}

/** A cut as it was made before for a shape that differs from this one only in which axis leads: limits alone tell those apart. */
function cutKnown(question: Question, place: number, shape: Shape, order: Omit<CutOrder, 'whole'>): CutByWish | null {
  const { most, limits, along } = order;
  const shown = shape.groups.map((group, at) => `${group.toSorted((a, b) => a - b).join('+')}≤${limits.values[at]}`);
  const key = `${shape.split.join()}|${place}|${along.join()}`;
  const own = `${key}|${shown.sort().join()}`;
  const there = question.cuts.get(own);
  if (there && (there.cut === null || there.cut.parts || there.most >= most)) return there.cut;
  const cut = cutAlike(question, key, order) ?? cutByWish(order);
  question.cuts.set(own, { cut, most });
  return cut;
}

/**
 * The cut that is best where values are not limited, where that keeps to the limits. It is remembered: many shapes show the same axes,
 * grouped otherwise, and without such limits that makes no difference to a cut.
 */
function cutAlike({ cuts }: Question, key: string, order: Omit<CutOrder, 'whole'>): CutByWish | null {
  const { task, lot, options, limits, least } = order;
  const free: Limits = { ...limits, values: limits.values.map(() => Infinity) };
  const freeLeast = leastParts(lot, options, free);
  if (freeLeast < least) return null;
  let there = cuts.get(key);
  if (there === undefined) {
    const unbound = { ...order, limits: free, least: freeLeast, most: Infinity };
    cuts.set(key, (there = { cut: cutByWish(unbound), most: Infinity }));
  }
  const isWithin = (part: Int32Array) => fitsIn(new Lot(task, part), options, limits);
  return there.cut?.parts?.every(isWithin) ? there.cut : null;
}

/** Listings in the order of the weave, their children too. Tables sort numbers faster than lists do. */
function partsBegun(task: PlanTask, shape: Shape, parts: readonly (readonly Int32Array[])[]): Begun[] {
  return parts.flatMap((some) => {
    const sorted = some.map((part) => part.toSorted()).sort((a, b) => a[0]! - b[0]!);
    const first = task.children[sorted[0]![0]!]!;
    const split = Object.fromEntries(
      shape.split.map((axis) => [task.axes[axis]!.id, task.axes[axis]!.values[first.at[axis]!]!.id]),
    );
    return sorted.map((numbers, at) => ({
      ownKey: [...Object.values(split), ...(sorted.length > 1 ? [`p${at + 1}`] : [])].join('.') || 'all',
      split,
      part: sorted.length > 1 ? { number: at + 1, of: sorted.length } : null,
      childIds: Array.from(numbers, (number) => task.children[number]!.id),
    }));
  });
}
