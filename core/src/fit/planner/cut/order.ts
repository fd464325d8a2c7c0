/** What the cutting of a listing is asked for. */
import type { PlanTask } from '../shape';
import type { ChildSubset, Options } from './childSubset';
import type { Limits } from './piece';
import type { Budget } from './search';

export interface CutOrder {
  task: PlanTask;
  /** Children that would stand in one listing. */
  subset: ChildSubset;
  /** Listings that they need at the very least: see `leastParts`. */
  least: number;
  /** More listings than these are not wanted: a search ends where it comes to more. */
  most: number;
  options: readonly Options[];
  limits: Limits;
  /** Axes of the family that are shown, those along which a cut is liked most first. */
  along: readonly number[];
  /** Axes whose values stay together. */
  whole: readonly number[];
  budget: Budget;
}
