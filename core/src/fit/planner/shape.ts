/**
 * What the planner is given, what it gives back, and what it keeps of what it worked out. Plain numbers inside, so that
 * thousands of children cost little.
 */
import type { Role, Wish } from '../../family/shape';
import type { Rules } from '../../rulebook/shape';

export interface TaskValue {
  id: string;
  label: string;
  /** What the seller would have it called where there is less room. */
  short?: string | undefined;
  code: string;
}

export interface TaskAxis {
  id: string;
  label: string;
  role: Role;
  values: TaskValue[];
}

export interface TaskChild {
  id: string;
  at: number[];
}

/** A listing that stands on the channel now. */
export interface StandingListing {
  key: string;
  /** See `structureOf`. */
  structure: string;
  childIds: readonly string[];
}

export interface PlanTask {
  axes: readonly TaskAxis[];
  /** Children to be offered, in the order of the weave; `at` holds the value's place on each axis. */
  children: readonly TaskChild[];
  /** Children kept off the channel by wish. */
  leftOut: string[];
  rules: Rules;
  wish: Pick<Wish, 'apart' | 'whole' | 'pictureAxis'>;
  /** Pictures that stand on values, per axis, and on values together, per set of axes; and children that have pictures of their own. */
  pictures: { onAxis: number[]; onAxes?: { axes: number[]; count: number }[]; onChildren: number };
  /** Child number → its price, as a number that alike prices share; null where each child may have its own. */
  prices: readonly number[] | null;
  live: StandingListing[];
  objective: 'listings' | 'fees';
  /** What was worked out for the same children before. */
  cache: PlannerCache;
}

/** Axis numbers throughout. In a group the leading axis, whose role the listing's axis has, comes first. */
export interface Shape {
  pinned: number[];
  split: number[];
  groups: number[][];
}

/** One axis of the listings: one of the family's, or several joined. */
export interface TargetAxis {
  role: Role;
  name: string;
  /** The family's axes in it, the leading one (whose role it has) first. */
  from: string[];
  /** In order. */
  options: TargetOption[];
  /** Labels had to be shortened. */
  shortened: boolean;
}

export interface TargetOption {
  /** That of the combination: value ids joined with +. */
  key: string;
  /** What the buyer reads. */
  label: string;
  valueIds: string[];
}

export interface PlanListing {
  /** That of the live listing it goes on with, else one of its own. */
  key: string;
  /** axis id → value id for the axes that are split. */
  split: Record<string, string>;
  /** Which part of how many, where a listing is cut for being too large. */
  part: { number: number; of: number } | null;
  childIds: string[];
}

/** What a plan costs. Less is better in every line. */
export interface PlanCost {
  leftOut: number;
  /** Axes wished whole that nevertheless are cut, since no other cut would do. */
  wishesBroken: number;
  /** Children whose price could not be told, since the channel has one for several. */
  pricesLost: number;
  listings: number;
  /** Per listing, child and value shown, in the channel's currency, as a decimal string. */
  fees: string;
  /** Live listings that are taken down and made again. */
  remade: number;
  /** Children that go from one live listing to another. */
  moved: number;
  /** Live listings whose options become others. */
  reshaped: number;
  joins: number;
  picturesLost: number;
  /** Options whose label was shortened by rule, and not by the seller. */
  shortened: number;
  /** Values that stand in several listings where a cut had to go through them. */
  cutThrough: number;
  joinedOptions: number;
  longestLabel: number;
  axesShown: number;
}

export interface Plan {
  /** Names the plan by its structure alone, so that it can be found again after a change. */
  signature: string;
  /** What the channel sees of the structure: see `structureOf`. */
  structure: string;
  axes: TargetAxis[];
  split: string[];
  pinned: string[];
  /** Axes wished whole that are cut all the same. */
  broken: string[];
  /** Which target axis carries the pictures; null where none needs to. */
  pictureAxis: number | null;
  /** Which target axis the prices differ by, where the channel has one for each of its values; null everywhere else. */
  priceAxis: number | null;
  listings: PlanListing[];
  cost: PlanCost;
  /** So many listings more than the fewest there can be, at most: 0 where the search was not stopped. */
  surplus: number;
}

/** What was worked out for one set of children. */
export interface PlannerCache {
  /** Axis number → child number → place of the value; made when first asked for. */
  columns: readonly Int32Array[] | null;
  combinations: Map<number, Combinations>;
  /** Two sets of axes → how many combinations of the second there are with each of the first. */
  spreads: Map<number, Int32Array>;
  labels: Map<string, GroupLabels | null>;
  /** As `labels`: options whose label is too long in full. */
  tooLong: Map<string, number>;
  plans: WeakMap<Rules, Map<string, readonly Plan[]>>;
  /** Live listings of a task → the same in numbers. */
  standing: WeakMap<PlanTask['live'], Standing>;
  /** Prices of a task → a set of axes → children whose price is not told by it. */
  pricesLost: WeakMap<readonly number[], Map<number, number>>;
}

/** Listings that stand on the channel, by their places in the task. */
export interface Standing {
  /** Every structure that one of them has, once. */
  structures: readonly { leads: ReadonlySet<string>; inAnyOrder: string }[];
  /** Structure → how many listings have it. */
  listings: Int32Array;
  /** Listing → place of its structure. */
  structureAt: Int32Array;
  /** Listing → the numbers of its children. */
  numbers: readonly Int32Array[];
}

/** The axes and offered children of a family, and what was worked out from them. */
export interface Structure {
  axes: readonly TaskAxis[];
  children: readonly TaskChild[];
  cache: PlannerCache;
}

export interface Combinations {
  /** How many there are. */
  count: number;
  /** Child number → place of its combination, which stand in the order of the weave. */
  placeOf: Int32Array;
  /** Place → the first child that has the combination. */
  firsts: Int32Array;
}

export interface GroupLabels {
  /** In the order of the combinations. */
  labels: readonly string[];
  /** Characters of the longest. */
  longest: number;
  /** Labels that are not those of the family, joined. */
  shortened: boolean;
  /** Options whose label was shortened by rule, and not by the seller. */
  byRule: number;
  /** They are many, and only asked for where a plan is kept. */
  options(): TargetOption[];
}
