/** Shapes in the order of what they cost at the very least: those that split alike are looked at only when their turn may have come. */
import { billOrder, compareOrders } from './bill';
import { leastBill, leastOfSplit } from './bound';
import type { Bill, PlanTask, Shape } from './shape';

export interface Candidate {
  shape: Shape;
  least: Bill;
  bound: readonly number[];
  /** Its place among all shapes: of alike bounds the earlier comes first. */
  at: number;
}

/** Shapes that split the same axes, and what none of them can be below. */
interface Group {
  shapes: { shape: Shape; at: number }[];
  bound: readonly number[];
}

/** Hands the shapes out one after the other, the cheapest bound first. */
export function* cheapestFirst(task: PlanTask, shapes: readonly Shape[]): Generator<Candidate, void> {
  const groups = bySplit(task, shapes);
  let next = 0;
  const open: Candidate[] = [];
  for (;;) {
    while (groups[next] && (!open[0] || compareOrders(groups[next]!.bound, open[0].bound) <= 0)) {
      for (const { shape, at } of groups[next++]!.shapes) {
        const least = leastBill(task, shape);
        open.push({ shape, least, bound: billOrder(least, task.objective), at });
      }
      open.sort((a, b) => compareOrders(a.bound, b.bound) || a.at - b.at);
    }
    const first = open.shift();
    if (!first) return;
    yield first;
  }
}

function bySplit(task: PlanTask, shapes: readonly Shape[]): Group[] {
  const groups = new Map<string, Group>();
  shapes.forEach((shape, at) => {
    const key = shape.split.join();
    const there = groups.get(key);
    if (there) there.shapes.push({ shape, at });
    else {
      const bound = billOrder(leastOfSplit(task, shape.split), task.objective);
      groups.set(key, { shapes: [{ shape, at }], bound });
    }
  });
  return [...groups.values()].sort((a, b) => compareOrders(a.bound, b.bound));
}
