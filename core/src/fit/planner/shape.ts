/**
 * What the planner is given, what it gives back, and what it keeps of what it worked out. Plain numbers inside, so that
 * thousands of children cost little.
 */
import type { Role, Wish } from '../../family/shape';
import type { Rules } from '../../rulebook/shape';

export interface TaskAxis {
  id: string;
  label: string;
  role: Role;
  values: { id: string; label: string; code: string }[];
}

export interface TaskChild {
  id: string;
  at: number[];
}

export interface PlanTask {
  axes: readonly TaskAxis[];
  /** Children to be offered, in the order of the weave; `at` holds the value's place on each axis. */
  children: readonly TaskChild[];
  /** Children kept off the channel by wish. */
  leftOut: string[];
  rules: Rules;
  wish: Pick<Wish, 'apart' | 'whole' | 'pictureAxis'>;
  /** Pictures that stand on values, per axis; and children that have pictures of their own. */
  pictures: { onAxis: number[]; onChildren: number };
  /** Listings that stand on the channel now: their key and structure. */
  live: { key: string; structure: string }[];
  objective: 'listings' | 'fees';
  /** What was worked out for the same children before. */
  known: Known;
}

/** One axis of the listings: one of the family's, or several joined. */
export interface TargetAxis {
  role: Role;
  name: string;
  /** The family's axes in it, the leading one (whose role it has) first. */
  from: string[];
  /** Labels in order: key of the combination (value ids joined with +) → what the buyer reads. */
  options: { key: string; label: string; valueIds: string[] }[];
  /** Labels had to be shortened. */
  shortened: boolean;
}

export interface PlanListing {
  /** Stays the same as long as the listing means the same children. */
  key: string;
  /** axis id → value id for the axes that are split. */
  split: Record<string, string>;
  /** Which part of how many, for each target axis that is cut. */
  cuts: { axis: number; part: number; of: number }[];
  childIds: string[];
}

export interface Bill {
  leftOut: number;
  listings: number;
  /** perListing × listings in the channel's currency, as a decimal string. */
  fees: string;
  joins: number;
  remade: number;
  picturesLost: number;
  joinedOptions: number;
  longestLabel: number;
  axesShown: number;
}

export interface Plan {
  /** Names the plan by its structure alone, so that it can be found again after a change. */
  signature: string;
  axes: TargetAxis[];
  split: string[];
  pinned: string[];
  /** Which target axis carries the pictures; null where none needs to. */
  pictureAxis: number | null;
  listings: PlanListing[];
  bill: Bill;
}

/** What was worked out for one set of children. */
export interface Known {
  /** Axis number → child number → place of the value; made when first asked for. */
  columns: readonly Int32Array[] | null;
  combinations: Map<number, Combinations>;
  labels: Map<string, GroupLabels | null>;
  plans: WeakMap<Rules, Map<string, readonly Plan[]>>;
}

/** The axes and offered children of a family, and what was worked out from them. */
export interface Structure {
  axes: readonly TaskAxis[];
  children: readonly TaskChild[];
  known: Known;
}

export interface Combinations {
  /** How many there are. */
  count: number;
  /** Value places per axis, the axes in the family's order; combinations in the order of the weave. Made when first asked for. */
  rows(): number[][];
  /** Child number → place of its combination among the rows. */
  placeOf: Int32Array;
}

export interface GroupLabels extends Pick<Combinations, 'placeOf'> {
  options: TargetAxis['options'];
  shortened: boolean;
}
