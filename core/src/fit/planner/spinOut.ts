/** A shape worked out in full: its listings, its labels, its bill. */
import { billOrder, compareOrders, feesOf, mostListings } from './bill';
import { leastBill, valueLimits } from './bound';
import { combinationsOf, labelGroup, leastShortened } from './combinations';
import { cutListing, type Cut, type TooMany } from './cut/cut';
import { leastParts } from './cut/least';
import type { CutOrder } from './cut/order';
import { fits, pieceMaker, valuesTooLarge, type Limits, type Piece } from './cut/piece';
import type { Budget } from './cut/search';
import { goingOn, structureOf, withKeys, type Begun } from './live';
import { picturesShown } from './pictures';
import { pricesTold } from './prices';
import type { Bill, Plan, PlanListing, PlanTask, TargetAxis, Shape } from './shape';
import { axisIds, joinsOf, signatureOf } from './shapes';

/** Cuts of one question, without limits on values, by what they depend on: see `cutAlike`. */
export type KnownCuts = Map<string, CutByWish | null>;
type CutByWish = (Cut | TooMany) & { wishesBroken: number };

/** Why a shape is worked out: `worst` is the bill of the worst plan that is kept, where enough are kept already. */
export interface SpinOrder {
  budget: Budget;
  cuts?: KnownCuts | undefined;
  /** What it costs at the very least, where that is known. */
  bound?: Bill | undefined;
  worst?: readonly number[] | undefined;
  /** Told the fewest listings that a shape may come down to whose cutting was stopped. */
  stopped?: { least: number } | undefined;
}

/** Null where labels do not fit, where cutting does not help, or where it is worse than the worst plan kept. */
export function spinOut(task: PlanTask, shape: Shape, order: SpinOrder): Plan | null {
  const { budget, worst, stopped, cuts } = order;
  const structure = structureOf(shape.groups.map((group) => axisIds(task, group)));
  const sets = childSets(task, shape);
  const isWorse = (bill: Bill) => worst !== undefined && compareOrders(billOrder(bill, task.objective), worst) > 0;
  const bound = order.bound ?? leastBill(task, shape);
  const most = worst ? mostListings(billOrder(bound, task.objective), worst, task.objective) : Infinity;
  const least = leastOf(sets);
  if (least > most) return null;
  if (worst) {
    const shortened = shape.groups.reduce((sum, group) => sum + leastShortened(task, group), 0);
    if (isWorse({ ...bound, listings: least, shortened, cutThrough: leastThrough(task, shape, sets) })) return null;
  }
  // Cutting goes on only as long as it can still be kept.
  const made = listingsOf(task, shape, {
    structure,
    sets,
    budget,
    cuts,
    most,
    mayBe(listings) {
      if (stopped) stopped.least = Math.min(stopped.least, listings);
    },
  });
  if (!made) return null;
  const { pictureAxis, lost } = picturesShown(task, shape);
  const { priceAxis, lost: pricesLost } = pricesTold(task, shape);
  const bill: Bill = {
    leftOut: task.leftOut.length,
    wishesBroken: made.wishesBroken,
    pricesLost,
    listings: made.listings.length,
    fees: feesOf(task.rules, { listings: made.listings.length, children: task.children.length, values: made.values }),
    remade: made.remade,
    moved: made.moved,
    reshaped: made.reshaped,
    joins: joinsOf(shape),
    picturesLost: lost,
    shortened: 0,
    cutThrough: made.through,
    joinedOptions: 0,
    longestLabel: 0,
    axesShown: shape.groups.length,
  };
  // Labels take longest: none are made for what cannot be kept.
  if (isWorse(bill)) return null;
  const labels = shape.groups.map((group) => labelGroup(task, group));
  if (labels.some((group) => group === null)) return null;
  const axes = shape.groups.map((group, at): TargetAxis => {
    const { options, shortened } = labels[at]!;
    const { role } = task.axes[group[0]!]!;
    return { role, name: axisName(task, group), from: axisIds(task, group), options, shortened };
  });
  bill.shortened = labels.reduce((sum, group) => sum + group!.byRule, 0);
  for (const { from, options } of axes) {
    if (from.length > 1) bill.joinedOptions += options.length;
    for (const { label } of options) bill.longestLabel = Math.max(bill.longestLabel, label.length);
  }
  return {
    ...{ signature: signatureOf(task, shape), structure, axes },
    split: axisIds(task, shape.split),
    pinned: axisIds(task, shape.pinned),
    ...{ pictureAxis, priceAxis, listings: made.listings, bill, surplus: made.listings.length - made.fewest },
  };
}

interface Made {
  listings: PlanListing[];
  remade: number;
  moved: number;
  reshaped: number;
  wishesBroken: number;
  through: number;
  /** Options shown in all listings together, where they cost something. */
  values: number;
  /** The fewest listings there may be. */
  fewest: number;
}

const limitsOf = (task: PlanTask, shape: Shape): Limits => ({
  children: task.rules.children.atMost,
  values: valueLimits(task, shape),
});

/** Children that would stand in one listing if it were not cut. */
interface ChildSet {
  /** The place of their combination of what is split. */
  place: number;
  numbers: number[];
  /** Listings that they need at the very least. */
  least: number;
}

const leastOf = (sets: readonly ChildSet[]): number => sets.reduce((total, set) => total + set.least, 0);

/** Values that every cut of these goes through, whatever axis it goes along. */
function leastThrough(task: PlanTask, shape: Shape, sets: readonly ChildSet[]): number {
  const shown = shape.groups.flat();
  if (shown.every((axis) => task.wish.whole.includes(task.axes[axis]!.id))) return 0;
  const most = task.rules.children.atMost;
  const leastOfSet = ({ numbers }: ChildSet) =>
    numbers.length <= most ? 0 : Math.min(...shown.map((axis) => valuesTooLarge(task, numbers, axis, most)));
  return sets.reduce((sum, set) => sum + leastOfSet(set), 0);
}

/** A set for each combination of what is split. */
function childSets(task: PlanTask, shape: Shape): ChildSet[] {
  const { count, placeOf } = combinationsOf(task, shape.split);
  const members: number[][] = Array.from({ length: count }, () => []);
  for (let number = 0; number < placeOf.length; number++) members[placeOf[number]!]!.push(number);
  const options = shape.groups.map((group) => combinationsOf(task, group));
  const limits = limitsOf(task, shape);
  return members.map((numbers, place) => ({ place, numbers, least: leastParts(numbers, options, limits) }));
}

interface ListingsOrder {
  structure: string;
  sets: readonly ChildSet[];
  budget: Budget;
  cuts: KnownCuts | undefined;
  /** More listings than these are too many to be kept. */
  most: number;
  /** Told how few listings there may be, where the cutting was stopped. */
  mayBe(least: number): void;
}

/** The listings of a shape: one for each combination of what is split, cut where one is too large. */
function listingsOf(task: PlanTask, shape: Shape, asked: ListingsOrder): Made | null {
  const { structure, sets, budget, cuts, most, mayBe } = asked;
  const { placeOf } = combinationsOf(task, shape.split);
  const live = goingOn(task, structure);
  const homes = live.map(({ numbers }) => homeOf(placeOf, numbers));
  const options = shape.groups.map((group) => combinationsOf(task, group));
  const order = {
    ...{ task, options, budget, along: cutOrder(task, shape), limits: limitsOf(task, shape) },
    ...{ counts: options.map((one) => one.count), pieceOf: pieceMaker(options) },
  };
  const made: Pick<Made, 'wishesBroken' | 'through' | 'values'> = {
    ...{ wishesBroken: 0, through: 0, values: 0 },
  };
  const countsValues = task.rules.fees.perValue !== '0';
  const begun: Begun[] = [];
  let listings = leastOf(sets);
  let fewest = listings;
  for (const { place, numbers, least } of sets) {
    const here = live.filter((_, at) => homes[at] === place).map((one) => one.numbers);
    const own = here.map((all) => all.filter((number) => placeOf[number] === place));
    const mine = { ...order, numbers, least, most: most - (listings - least), live: own };
    const key = `${shape.split.join()}|${place}|${order.along.join()}`;
    const cut = (own.length === 0 && cuts ? cutAlike(cuts, key, mine) : null) ?? cutByWish(mine);
    if (!cut) return null;
    fewest += cut.least - least;
    if (!cut.parts || listings + cut.parts.length - least > most) {
      // What is not worth keeping as it was cut might be, were it cut better.
      if (fewest <= most) mayBe(fewest);
      return null;
    }
    listings += cut.parts.length - least;
    made.wishesBroken = Math.max(made.wishesBroken, cut.wishesBroken);
    made.through += cut.through;
    if (countsValues) for (const part of cut.parts) made.values += valuesIn(order.pieceOf(part));
    begun.push(...partsBegun(task, shape, cut.parts));
  }
  if (fewest < listings) mayBe(fewest);
  return { ...made, fewest, ...withKeys(task, structure, begun, live) };
}

const valuesIn = ({ options }: Piece): number => options.reduce((sum, places) => sum + places.length, 0);

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

/**
 * The cut that is best where values are not limited, where that keeps to the limits. It is remembered: many shapes show the same axes,
 * grouped otherwise, and without such limits that makes no difference to a cut.
 */
function cutAlike(known: KnownCuts, key: string, order: Omit<CutOrder, 'whole'>): CutByWish | null {
  const { numbers, options, limits, least, pieceOf } = order;
  const free: Limits = { ...limits, values: limits.values.map(() => Infinity) };
  const freeLeast = leastParts(numbers, options, free);
  if (freeLeast < least) return null;
  let cut = known.get(key);
  if (cut === undefined) {
    const unbound = { ...order, limits: free, least: freeLeast, most: Infinity };
    known.set(key, (cut = cutByWish(unbound)));
  }
  return cut?.parts?.every((part) => fits(pieceOf(part), limits)) ? cut : null;
}

function partsBegun(task: PlanTask, shape: Shape, parts: readonly number[][]): Begun[] {
  const first = task.children[parts[0]![0]!]!;
  const split = Object.fromEntries(
    shape.split.map((axis) => [task.axes[axis]!.id, task.axes[axis]!.values[first.at[axis]!]!.id]),
  );
  return parts.map((numbers, at) => ({
    ownKey: [...Object.values(split), ...(parts.length > 1 ? [`p${at + 1}`] : [])].join('.') || 'all',
    split,
    part: parts.length > 1 ? { number: at + 1, of: parts.length } : null,
    childIds: numbers.map((number) => task.children[number]!.id),
  }));
}

/** What the channel calls the axis: by its role, or the family's own words. */
function axisName(task: PlanTask, group: readonly number[]): string {
  const lead = task.axes[group[0]!]!;
  return task.rules.axes.roles[lead.role]?.name ?? group.map((axis) => task.axes[axis]!.label).join(' / ');
}
