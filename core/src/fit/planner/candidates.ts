/**
 * Shapes in the order of what they cost at the very least, the likeliest of those that may be best before all others: those that split
 * alike are looked at only when their turn may have come.
 */
import { costOrder, compareOrders, type CostOrder } from './planCost';
import { leastBill, leastOfSplit, likelyListings } from './bound';
import type { PlanCost, PlanTask, Shape } from './shape';

export interface Candidate {
  shape: Shape;
  least: PlanCost;
  bound: CostOrder;
  /** Its place among all shapes: of alike bounds the earlier comes first. */
  at: number;
}

/** Shapes that split the same axes, and what none of them can be below. */
interface Group {
  shapes: { shape: Shape; at: number }[];
  bound: CostOrder;
}

/** Hands the shapes out one after the other, the cheapest bound first. */
function* cheapestFirst(task: PlanTask, shapes: readonly Shape[]): Generator<Candidate, void> {
  const groups = bySplit(task, shapes);
  let next = 0;
  const open: Candidate[] = [];
  for (;;) {
    while (groups[next] && (!open[0] || compareOrders(groups[next]!.bound, open[0].bound) <= 0)) {
      for (const { shape, at } of groups[next++]!.shapes) {
        const least = leastBill(task, shape);
        open.push({ shape, least, bound: costOrder(least, task.objective), at });
      }
      open.sort((a, b) => compareOrders(a.bound, b.bound) || a.at - b.at);
    }
    const first = open.shift();
    if (!first) return;
    yield first;
  }
}

/**
 * The same, with the likeliest of the first few brought forward: what is found early tells of all others whether they are worth working out.
 */
export function* likeliestFirst(task: PlanTask, shapes: readonly Shape[], most: number): Generator<Candidate, void> {
  const rest = cheapestFirst(task, shapes);
  const first: Candidate[] = [];
  for (let one = rest.next(); !one.done; one = rest.next()) if (first.push(one.value) === most * LOOKED_AT) break;
  const likely = new Map(first.map((one) => [one, likelyOrder(task, one)]));
  const chosen = first.toSorted((a, b) => compareOrders(likely.get(a)!, likely.get(b)!) || a.at - b.at).slice(0, most);
  yield* chosen;
  yield* first.filter((one) => !chosen.includes(one));
  yield* rest;
}

/** For each plan that is wanted so many shapes are compared by what is likely. */
const LOOKED_AT = 16;

const likelyOrder = (task: PlanTask, { shape, least }: Candidate): CostOrder =>
  costOrder({ ...least, listings: likelyListings(task, shape) }, task.objective);

function bySplit(task: PlanTask, shapes: readonly Shape[]): Group[] {
  const groups = new Map<string, Group>();
  shapes.forEach((shape, at) => {
    const key = shape.split.join();
    const there = groups.get(key);
    if (there) there.shapes.push({ shape, at });
    else {
      const bound = costOrder(leastOfSplit(task, shape.split), task.objective);
      groups.set(key, { shapes: [{ shape, at }], bound });
    }
  });
  return [...groups.values()].sort((a, b) => compareOrders(a.bound, b.bound));
}
