import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestPlans } from '../src/fit/planner/plan';
import type { PlanTask } from '../src/fit/planner/shape';
import { planTask } from '../src/fit/planner/task';
import { RulesSchema } from '../src/rulebook/shape';
import { compareOrders, costOrder, type CostOrder } from '../src/fit/planner/planCost';
import { newQuestion } from '../src/fit/planner/searchContext';
import { planShapes } from '../src/fit/planner/shapes';
import { evaluate } from '../src/fit/planner/evaluate';
import { anyFamily } from './sample';
import { rounds } from '../../e2e/howMuch';

/** The least cost when every shape is worked out to its end, whatever was found before. */
function leastOfAll(task: PlanTask): CostOrder | null {
  const context = newQuestion({ steps: 1_000_000, children: 1_000_000 });
  const orders = planShapes(task).flatMap((shape) => {
    const evaluated = evaluate(task, shape, { context });
    return evaluated ? [costOrder(evaluated.cost, task.objective)] : [];
  });
  return orders.sort(compareOrders)[0] ?? null;
}

describe('what is passed over', () => {
  it('is never better than what is found, whatever is live and whatever prices differ by', () => {
    const anyTask = fc.record({
      atMost: fc.integer({ min: 1, max: 3 }),
      valuesAtMost: fc.integer({ min: 2, max: 6 }),
      childrenAtMost: fc.integer({ min: 2, max: 20 }),
      perValue: fc.constantFrom('0', '0.5'),
      objective: fc.constantFrom('listings' as const, 'fees' as const),
      variesBy: fc.constantFrom('child' as const, 'axis' as const, 'listing' as const),
      /** Which of the family's axes live listings show, and which listing, if any, each child stands in. */
      live: fc.array(fc.subarray([0, 1, 2]), { minLength: 1, maxLength: 5 }),
      standsIn: fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 40, maxLength: 40 }),
      price: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 40, maxLength: 40 }),
      whole: fc.subarray([0, 1, 2]),
    });
    let withLive = 0;
    fc.assert(
      fc.property(anyFamily(3, 3), anyTask, (family, one) => {
        const ids = (places: number[]) => places.flatMap((at) => family.axes[at]?.id ?? []);
        const rules = RulesSchema.parse({
          axes: { atMost: one.atMost, valuesAtMost: one.valuesAtMost },
          children: { atMost: one.childrenAtMost },
          identifiers: { gtin: 'optional' },
          pictures: { atMost: 9 },
          price: { currency: 'EUR', taxIncluded: true, variesBy: one.variesBy },
          fees: { perListing: '0.25', perValue: one.perValue },
        });
        const offered = Object.values(family.children).filter((child) => child.woven);
        const live = one.live.map((leads, listing) => ({
          key: `k${listing}`,
          structure: ids(leads).join('|'),
          childIds: offered
            .filter((_, at) => one.standsIn[at % 40] === listing || at % 7 === listing)
            .map((child) => child.id),
        }));
        const wish = { apart: [], whole: ids(one.whole), leaveOut: [], offered: true };
        const task = planTask(family, rules, { wish, live, objective: one.objective });
        if (task.prices) task.prices = task.children.map((_, at) => one.price[at % 40]!);
        if (task.live.length > 1) withLive += 1;
        const best = bestPlans(task, 2)[0];
        // What is held twice, as after an answer that was lost, still goes into one listing.
        const placed = best?.listings.flatMap((listing) => listing.childIds) ?? [];
        if (best) expect(placed.toSorted()).toEqual(task.children.map((child) => child.id).toSorted());
        if ((best?.surplus ?? 0) > 0) return;
        expect(best ? costOrder(best.cost, task.objective) : null).toEqual(leastOfAll(task));
      }),
      { numRuns: rounds(200, 800) },
    );
    expect(withLive).toBeGreaterThan(rounds(25, 100));
  });
});
