/** A shape worked out: its cost at once, its listings where it is kept. */
import { costOrder, compareOrders, feesOf, listingsIn, mostListings } from './planCost';
import { leastBill } from './bound';
import { labelGroup, leastShortened } from './combinations';
import { childSets, leastOf, leastThrough, listingsOf } from './listings';
import { picturesShown } from './pictures';
import { pricesTold } from './prices';
import type { SearchContext } from './searchContext';
import type { PlanCost, GroupLabels, Plan, PlanTask, TargetAxis, Shape } from './shape';
import { axisIds, joinsOf, signatureOf, structureOfShape } from './shapes';
import { disturbedAtLeast } from './standing';

/** Why a shape is worked out: `worst` is the cost of the worst plan that is kept, where enough are kept already. */
export interface SpinOrder {
  context: SearchContext;
  /** What it costs at the very least, where that is known. */
  bound?: PlanCost | undefined;
  worst?: readonly number[] | undefined;
  /** Told the fewest listings that a shape may come down to whose cutting was stopped. */
  stopped?: { least: number } | undefined;
}

/** A plan by what it costs. */
export interface EvaluatedPlan extends Pick<Plan, 'signature' | 'cost' | 'surplus'> {
  inFull(): Plan;
}

/** Null where labels do not fit, where cutting does not help, or where it is worse than the worst plan kept. */
export function evaluate(task: PlanTask, shape: Shape, order: SpinOrder): EvaluatedPlan | null {
  const { context, worst, stopped } = order;
  const shortened = shape.groups.reduce((sum, group) => sum + leastShortened(task, group), 0);
  if (shortened === Infinity) return null;
  const isWorse = (cost: PlanCost) => worst !== undefined && compareOrders(costOrder(cost, task.objective), worst) > 0;
  const bound = order.bound ?? leastBill(task, shape);
  const structure = structureOfShape(task, shape);
  const most = worst ? wantedAtMost(task, structure, bound, worst) : Infinity;
  const sets = childSets(context, task, shape);
  const least = leastOf(sets);
  if (least > most) return null;
  const sharper = { listings: least, shortened, ...disturbedAtLeast(task, structure, least) };
  if (worst && isWorse({ ...bound, ...sharper, cutThrough: leastThrough(task, shape, sets) })) return null;
  // Cutting goes on only as long as it can still be kept.
  const mayBe = (listings: number) => {
    if (stopped) stopped.least = Math.min(stopped.least, listings);
  };
  const made = listingsOf(task, shape, { context, structure, sets, most, mayBe });
  if (!made) return null;
  const { pictureAxis, lost } = picturesShown(task, shape);
  const { priceAxis, lost: pricesLost } = pricesTold(task, shape);
  const { listings, remade, moved, reshaped, broken, cutThrough, values } = made;
  const cost: PlanCost = {
    leftOut: task.leftOut.length,
    wishesBroken: broken.length,
    pricesLost,
    listings,
    fees: feesOf(task.rules, { listings, children: task.children.length, values }),
    remade,
    moved,
    reshaped,
    joins: joinsOf(shape),
    picturesLost: lost,
    shortened: 0,
    cutThrough,
    joinedOptions: 0,
    longestLabel: 0,
    axesShown: shape.groups.length,
  };
  // Labels take longest: none are made for what cannot be kept.
  if (isWorse(cost)) return null;
  const labels = shape.groups.map((group) => labelGroup(task, group));
  if (labels.some((group) => group === null)) return null;
  labels.forEach((group, at) => {
    cost.shortened += group!.byRule;
    if (shape.groups[at]!.length > 1) cost.joinedOptions += group!.labels.length;
    cost.longestLabel = Math.max(cost.longestLabel, group!.longest);
  });
  const told = { signature: signatureOf(task, shape), cost, surplus: listings - made.fewest };
  const inFull = (): Plan => ({
    ...told,
    structure,
    axes: shape.groups.map((group, at) => axisOf(task, group, labels[at]!)),
    split: axisIds(task, shape.split),
    pinned: axisIds(task, shape.pinned),
    broken: axisIds(task, broken),
    pictureAxis,
    priceAxis,
    listings: made.inFull(),
  });
  return { ...told, inFull };
}

/** The most listings with which a plan may still be kept. */
function wantedAtMost(task: PlanTask, structure: string, bound: PlanCost, worst: readonly number[]): number {
  const { objective } = task;
  const disturbed = disturbedAtLeast(task, structure, listingsIn(worst));
  return mostListings(costOrder({ ...bound, ...disturbed }, objective), worst);
}

const axisOf = (task: PlanTask, group: readonly number[], labels: GroupLabels): TargetAxis => ({
  role: task.axes[group[0]!]!.role,
  name: axisName(task, group),
  from: axisIds(task, group),
  options: labels.options(),
  shortened: labels.shortened,
});

/** What the channel calls the axis: by its role, or the family's own words. */
function axisName(task: PlanTask, group: readonly number[]): string {
  const lead = task.axes[group[0]!]!;
  return task.rules.axes.roles[lead.role]?.name ?? group.map((axis) => task.axes[axis]!.label).join(' / ');
}
