/** What is worked out for one question to the planner, shape after shape, and how much more may be. */
import { combinationsOf } from './combinations';
import type { Cut, TooMany } from './cut/cut';
import { Lot } from './cut/lot';
import type { Budget } from './cut/search';
import type { PlanTask } from './shape';

export interface Question {
  budget: Budget;
  /** Cuts by what they depend on, with how many listings were wanted at most. */
  cuts: Map<string, { cut: CutByWish | null; most: number }>;
  /** Axes that are split → a lot for each of their combinations, in their order. */
  lots: Map<string, readonly Lot[]>;
}

/** A cut, and how many axes wished whole it goes through. */
export type CutByWish = (Cut | TooMany) & { wishesBroken: number };

export const newQuestion = (budget: Budget): Question => ({ budget, cuts: new Map(), lots: new Map() });

/** The children of each combination of what is split. */
export function lotsOf({ lots }: Question, task: PlanTask, split: readonly number[]): readonly Lot[] {
  const key = split.join();
  let found = lots.get(key);
  if (!found) lots.set(key, (found = makeLots(task, split)));
  return found;
}

function makeLots(task: PlanTask, split: readonly number[]): Lot[] {
  const { count, placeOf } = combinationsOf(task, split);
  const sizes = new Int32Array(count);
  for (let number = 0; number < placeOf.length; number++) sizes[placeOf[number]!]! += 1;
  const members = Array.from(sizes, (size) => new Int32Array(size));
  const filled = new Int32Array(count);
  for (let number = 0; number < placeOf.length; number++) {
    const place = placeOf[number]!;
    members[place]![filled[place]!++] = number;
  }
  return members.map((numbers) => new Lot(task, numbers));
}
