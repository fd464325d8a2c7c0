/**
 * The planner: every way to carry, join, split and pin a family's axes under a channel's rules, best first. Exact:
 * after the likeliest few, shapes are tried in the order of what they cost at the very least, and the search ends only
 * when no shape left can be among the best. Where it would take too long it stops, and says how far from the best it can be.
 */
import { costOrder, compareOrders, type CostOrder } from './planCost';
import { likeliestFirst } from './candidates';
import { combinationsOf } from './combinations';
import { newQuestion, type SearchContext } from './searchContext';
import type { Plan, PlanTask, Shape } from './shape';
import { namedShape, readPlanName, withoutAxes, writePlanName, type NamedShape } from './planName';
import { planShapes, setTaker, signatureOf } from './shapes';
import { evaluate, type EvaluatedPlan } from './evaluate';

/**
 * What one search may take: about a twentieth of a second, however large the family is and whatever the rules
 * are.
 */
const STEPS = 3_000;
const CHILDREN = 30_000;
/** Where so many times as many children are cut beyond those, no further shape is worked out. */
const OVERDRAWN = 1.5;

const ask = (): SearchContext => newQuestion({ steps: STEPS, children: CHILDREN });

/**
 * The best plans, at most `most` of them. Empty where the family has no child to offer, or no shape fits the rules.
 * Children are only left out where the task says so.
 */
export function bestPlans(task: PlanTask, most = 6): Plan[] {
  if (task.children.length === 0) return [];
  const asked = JSON.stringify([
    task.wish,
    task.leftOut.length,
    task.pictures,
    task.prices,
    task.live,
    task.objective,
    most,
  ]);
  const cache = rememberedPlans(task);
  const there = cache.get(asked) ?? Object.freeze(findBest(task, most));
  cache.set(asked, there);
  return [...there];
}

/**
 * Plans found before for the same children under the same rules: most changes touch figures and leave them as they
 * are.
 */
function rememberedPlans(task: PlanTask): Map<string, readonly Plan[]> {
  let plans = task.cache.plans.get(task.rules);
  if (!plans || plans.size > 20) task.cache.plans.set(task.rules, (plans = new Map()));
  return plans;
}

interface Found {
  plan: EvaluatedPlan;
  order: CostOrder;
}

function findBest(task: PlanTask, most: number): Plan[] {
  const context = ask();
  const plain = most === 1 ? plainCarry(task, context) : null;
  if (plain) return [plain.inFull()];
  const found: Found[] = [];
  /** Listings that shapes whose cutting was stopped may come down to. */
  const stopped = { least: Infinity };
  for (const { shape, least, bound } of likeliestFirst(task, planShapes(task), most)) {
    const worst = found[most - 1]?.order;
    if (worst && compareOrders(bound, worst) > 0) break;
    if (context.budget.children < -OVERDRAWN * CHILDREN && found.length > 0) {
      stopped.least = Math.min(stopped.least, least.listings);
      break;
    }
    const plan = evaluate(task, shape, { context, bound: least, worst, stopped });
    if (plan) keep(found, { plan, order: costOrder(plan.cost, task.objective) }, most);
  }
  return withSurplus(found, stopped.least);
}

function keep(found: Found[], one: Found, most: number): void {
  const isBetter = (there: Found) =>
    (compareOrders(one.order, there.order) || (one.plan.signature < there.plan.signature ? -1 : 1)) < 0;
  const at = found.findIndex(isBetter);
  found.splice(at < 0 ? found.length : at, 0, one);
  found.length = Math.min(found.length, most);
}

/** Where a search was stopped, the best plan says how many listings fewer there may be. */
function withSurplus(found: readonly Found[], least: number): Plan[] {
  return found.map(({ plan }, at) => {
    const full = plan.inFull();
    return at > 0 ? full : { ...full, surplus: Math.max(plan.surplus, plan.cost.listings - least, 0) };
  });
}

/**
 * Every axis one to one, those with a single value pinned: where that makes one listing, takes nothing down and hides no picture, no
 * other plan has a better cost, so that none has to be looked at. Null where it is not so plain.
 */
function plainCarry(task: PlanTask, context: SearchContext): EvaluatedPlan | null {
  const { axes: rules } = task.rules;
  const isCheap = task.objective === 'listings' || Number(task.rules.fees.perValue) === 0;
  if (rules.alwaysSplit.length > 0 || task.prices || !isCheap) return null;
  const shape: Shape = { pinned: [], split: [], groups: [] };
  task.axes.forEach((_, axis) => {
    if (combinationsOf(task, [axis]).count <= 1) shape.pinned.push(axis);
    else shape.groups.push([axis]);
  });
  const roles = shape.groups.map(([axis]) => task.axes[axis!]!.role);
  if (shape.groups.length > rules.atMost || !setTaker(rules)(roles)) return null;
  const plan = evaluate(task, shape, { context });
  if (!plan) return null;
  const { listings, remade, moved, reshaped, picturesLost, shortened } = plan.cost;
  return listings === 1 && remade + moved + reshaped + picturesLost + shortened === 0 ? plan : null;
}

/**
 * The plan of a given structure as it is now, or null where the rules no longer allow it. Axes that by now have one value, or have
 * no longer one, may stand otherwise than they did: what was wished for the others is kept.
 */
export function planNamed(task: PlanTask, signature: string): Plan | null {
  if (task.children.length === 0) return null;
  const context = ask();
  const shapes = planShapes(task);
  const exact = shapes.find((one) => signatureOf(task, one) === signature);
  if (exact) return evaluate(task, exact, { context })?.inFull() ?? null;
  const named = readPlanName(signature);
  const free = freeAxes(task, named);
  const wanted = writePlanName(withoutAxes(named, free));
  const alike = shapes.filter((one) => writePlanName(withoutAxes(namedShape(task, one), free)) === wanted);
  const plans = alike.flatMap((shape) => evaluate(task, shape, { context }) ?? []);
  const orders = new Map(plans.map((plan) => [plan, costOrder(plan.cost, task.objective)]));
  return plans.sort((a, b) => compareOrders(orders.get(a)!, orders.get(b)!))[0]?.inFull() ?? null;
}

/** Axes that are pinned in a structure, are not in it at all, or have a single value now. */
function freeAxes(task: PlanTask, { groups, split, pinned }: NamedShape): Set<string> {
  const fixed = new Set([...groups.flat(), ...split]);
  const isFree = ({ id }: { id: string }, axis: number) =>
    pinned.includes(id) || !fixed.has(id) || combinationsOf(task, [axis]).count <= 1;
  return new Set(task.axes.filter(isFree).map((axis) => axis.id));
}
