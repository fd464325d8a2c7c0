/**
 * The planner: every way to carry, join, split and pin a family's axes under a channel's rules, best first. Exact:
 * after the likeliest few, shapes are tried in the order of what they cost at the very least, and the search ends only
 * when no shape left can be among the best. Where it would take too long it stops, and says how far from the best it can be.
 */
import { billOrder, compareOrders } from './bill';
import { likeliestFirst } from './candidates';
import { combinationsOf } from './combinations';
import { newQuestion, type Question } from './question';
import type { Plan, PlanTask, Shape } from './shape';
import { planShapes, setTaker, signatureOf } from './shapes';
import { spinOut, type Spun } from './spinOut';

/**
 * What one question may take: about a twentieth of a second, however large the family is and whatever the rules
 * are.
 */
const STEPS = 3_000;
const CHILDREN = 30_000;
/** Where so many times as many children are cut beyond those, no further shape is worked out. */
const OVERDRAWN = 1.5;

const ask = (): Question => newQuestion({ steps: STEPS, children: CHILDREN });

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
  const known = rememberedPlans(task);
  const there = known.get(asked) ?? Object.freeze(findBest(task, most));
  known.set(asked, there);
  return [...there];
}

/**
 * Plans found before for the same children under the same rules: most changes touch figures and leave them as they
 * are.
 */
function rememberedPlans(task: PlanTask): Map<string, readonly Plan[]> {
  let plans = task.known.plans.get(task.rules);
  if (!plans || plans.size > 20) task.known.plans.set(task.rules, (plans = new Map()));
  return plans;
}

interface Found {
  plan: Spun;
  order: number[];
}

function findBest(task: PlanTask, most: number): Plan[] {
  const question = ask();
  const plain = most === 1 ? plainCarry(task, question) : null;
  if (plain) return [plain.inFull()];
  const found: Found[] = [];
  /** Listings that shapes whose cutting was stopped may come down to. */
  const stopped = { least: Infinity };
  for (const { shape, least, bound } of likeliestFirst(task, planShapes(task), most)) {
    const worst = found[most - 1]?.order;
    if (worst && compareOrders(bound, worst) > 0) break;
    if (question.budget.children < -OVERDRAWN * CHILDREN && found.length > 0) {
      stopped.least = Math.min(stopped.least, least.listings);
      break;
    }
    const plan = spinOut(task, shape, { question, bound: least, worst, stopped });
    if (plan) keep(found, { plan, order: billOrder(plan.bill, task.objective) }, most);
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
    return at > 0 ? full : { ...full, surplus: Math.max(plan.surplus, plan.bill.listings - least, 0) };
  });
}

/**
 * Every axis one to one, those with a single value pinned: where that makes one listing, takes nothing down and hides no picture, no
 * other plan has a better bill, so that none has to be looked at. Null where it is not so plain.
 */
function plainCarry(task: PlanTask, question: Question): Spun | null {
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
  const plan = spinOut(task, shape, { question });
  if (!plan) return null;
  const { listings, remade, moved, reshaped, picturesLost, shortened } = plan.bill;
  return listings === 1 && remade + moved + reshaped + picturesLost + shortened === 0 ? plan : null;
}

/**
 * The plan of a given structure as it is now, or null where the rules no longer allow it. Axes that by now have one value, or have
 * no longer one, may stand otherwise than they did: what was wished for the others is kept.
 */
export function planNamed(task: PlanTask, signature: string): Plan | null {
  if (task.children.length === 0) return null;
  const question = ask();
  const shapes = planShapes(task);
  const exact = shapes.find((one) => signatureOf(task, one) === signature);
  if (exact) return spinOut(task, exact, { question })?.inFull() ?? null;
  const free = freeAxes(task, signature);
  const wanted = withoutAxes(signature, free);
  const alike = shapes.filter((one) => withoutAxes(signatureOf(task, one), free) === wanted);
  const plans = alike.flatMap((shape) => spinOut(task, shape, { question }) ?? []);
  const orders = new Map(plans.map((plan) => [plan, billOrder(plan.bill, task.objective)]));
  return plans.sort((a, b) => compareOrders(orders.get(a)!, orders.get(b)!))[0]?.inFull() ?? null;
}

/** Axes that are pinned in a signature, are not in it at all, or have a single value now. */
function freeAxes(task: PlanTask, signature: string): Set<string> {
  const [groups = '', split = '', pin = ''] = signature.split(';');
  const pinned = new Set(pin.replace('pin=', '').split('+'));
  const named = new Set([...groups.split(/[|+]/), ...split.replace('split=', '').split('+'), ...pinned]);
  const isFree = ({ id }: { id: string }, axis: number) =>
    pinned.has(id) || !named.has(id) || combinationsOf(task, [axis]).count <= 1;
  return new Set(task.axes.filter(isFree).map((axis) => axis.id));
}

function withoutAxes(signature: string, free: ReadonlySet<string>): string {
  const [groups = '', split = ''] = signature.split(';');
  const left = (ids: string) => ids.split('+').filter((id) => id && !free.has(id));
  const shown = groups.split('|').map((group) => left(group).join('+'));
  return `${shown.filter(Boolean).join('|')};${left(split.replace('split=', '')).join('+')}`;
}
