/** What could be left out so that fewer listings are enough: never done, only offered. */
import { bestPlans } from './plan';
import { createPlannerCache } from './memory';
import type { Plan, PlanTask } from './shape';

/** One value left out, and the plan for the rest. */
export interface LeaveOutOffer {
  axisId: string;
  valueId: string;
  childIds: string[];
  plan: Plan;
}

/** So many values are tried, those with the fewest children first. */
const TRIED = 12;

/**
 * Values without which the family needs fewer listings than the best plan does, the fewest children first. Empty where one listing is
 * enough, or no single value makes a difference.
 */
export function leaveOutOffers(task: PlanTask, best: Plan, most = 3): LeaveOutOffer[] {
  if (best.cost.listings < 2) return [];
  const values = task.axes.flatMap((axis, at) =>
    axis.values.map((value, place) => ({
      axisId: axis.id,
      valueId: value.id,
      at,
      place,
      childIds: task.children.filter((child) => child.at[at] === place).map((child) => child.id),
    })),
  );
  const tried = values
    .filter(({ childIds }) => childIds.length > 0 && childIds.length < task.children.length)
    .sort((a, b) => a.childIds.length - b.childIds.length)
    .slice(0, TRIED);
  const offers: LeaveOutOffer[] = [];
  for (const { at, place, ...value } of tried) {
    const [plan] = bestPlans(without(task, at, place, value.childIds), 1);
    if (plan && plan.cost.listings < best.cost.listings) offers.push({ ...value, plan });
    if (offers.length === most) break;
  }
  return offers;
}

function without(task: PlanTask, axis: number, place: number, childIds: string[]): PlanTask {
  const children = task.children.filter((child) => child.at[axis] !== place);
  return { ...task, children, leftOut: [...task.leftOut, ...childIds], cache: createPlannerCache() };
}
