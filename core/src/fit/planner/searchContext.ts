/** What is worked out for one search, shape after shape, and how much more may be. */
import { combinationsOf } from './combinations';
import type { Cut, TooMany } from './cut/cut';
import { ChildSubset } from './cut/childSubset';
import type { Budget } from './cut/search';
import type { PlanTask } from './shape';
import { childrenOf } from './standing';

export interface SearchContext {
  budget: Budget;
  /** Cuts by what they depend on, with how many listings were wanted at most. */
  cuts: Map<string, { cut: Cut | TooMany | null; most: number }>;
  /** Axes that are split → a subset for each of their combinations, in their order. */
  subsets: Map<string, readonly ChildSubset[]>;
  /** Axes that are split → for each live listing the set that most of its children are in, and those of them. */
  homes: Map<string, readonly Home[]>;
}

interface Home {
  /** The place of the combination of what is split. */
  place: number;
  subset: ChildSubset;
}

export const newQuestion = (budget: Budget): SearchContext => ({
  budget,
  cuts: new Map(),
  subsets: new Map(),
  homes: new Map(),
});

/** The children of each combination of what is split. */
export function lotsOf({ subsets }: SearchContext, task: PlanTask, split: readonly number[]): readonly ChildSubset[] {
  const key = split.join();
  let found = subsets.get(key);
  if (!found) subsets.set(key, (found = makeLots(task, split)));
  return found;
}

/**
 * The children of each live listing, by the set that most of them are in; those of other sets have no place there.
 * @param going live listings that go on, by their places in the task
 */
export function liveBySet(
  { homes }: SearchContext,
  task: PlanTask,
  split: readonly number[],
  going: Int32Array,
): Map<number, ChildSubset[]> {
  const key = split.join();
  let all = homes.get(key);
  if (!all) {
    const { placeOf } = combinationsOf(task, split);
    homes.set(key, (all = task.live.map((_, live) => homeOf(task, placeOf, childrenOf(task, live)))));
  }
  const sets = new Map<number, ChildSubset[]>();
  for (const live of going) {
    const { place, subset } = all[live]!;
    const there = sets.get(place);
    if (there) there.push(subset);
    else sets.set(place, [subset]);
  }
  return sets;
}

function homeOf(task: PlanTask, placeOf: Int32Array, numbers: Int32Array): Home {
  const counts = new Map<number, number>();
  for (const number of numbers) counts.set(placeOf[number]!, (counts.get(placeOf[number]!) ?? 0) + 1);
  const [[home]] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]) as [[number, number]];
  return {
    place: home,
    subset: new ChildSubset(
      task,
      numbers.filter((number) => placeOf[number] === home),
    ),
  };
}

function makeLots(task: PlanTask, split: readonly number[]): ChildSubset[] {
  const { count, placeOf } = combinationsOf(task, split);
  const sizes = new Int32Array(count);
  for (let number = 0; number < placeOf.length; number++) sizes[placeOf[number]!]! += 1;
  const members = Array.from(sizes, (size) => new Int32Array(size));
  const filled = new Int32Array(count);
  for (let number = 0; number < placeOf.length; number++) {
    const place = placeOf[number]!;
    members[place]![filled[place]!++] = number;
  }
  return members.map((numbers) => new ChildSubset(task, numbers));
}
