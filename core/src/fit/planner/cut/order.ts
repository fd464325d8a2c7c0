/** What the cutting of a listing is asked for. */
import type { PlanTask } from '../shape';
import type { Limits, Places } from './piece';
import type { Budget } from './search';

/** What is to be cut. */
export interface CutOrder {
  task: PlanTask;
  /** Children that would stand in one listing, in the order of the weave. */
  numbers: readonly number[];
  places: Places;
  limits: Limits;
  /** Axes of the family that are shown, those along which a cut is liked most first. */
  along: readonly number[];
  /** Axes whose values stay together. */
  whole: readonly number[];
  /** Children of each live listing that goes on here. */
  live: readonly (readonly number[])[];
  budget: Budget;
}
