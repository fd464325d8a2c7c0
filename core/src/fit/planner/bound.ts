/**
 * What a shape costs at the very least, told without evaluating it: no cost of it comes before this one in their order. What becomes of
 * live listings is told for just as many listings as the bound has.
 */
import { feesOf } from './planCost';
import { combinationsOf, spreadOf } from './combinations';
import { picturesShown } from './pictures';
import { pricesTold } from './prices';
import type { PlanCost, PlanTask, Shape } from './shape';
import { joinsOf, structureOfShape } from './shapes';
import { disturbedAtLeast } from './standing';

const NOTHING: PlanCost = {
  leftOut: 0,
  wishesBroken: 0,
  pricesLost: 0,
  listings: 0,
  fees: '0',
  remade: 0,
  moved: 0,
  reshaped: 0,
  joins: 0,
  picturesLost: 0,
  shortened: 0,
  cutThrough: 0,
  joinedOptions: 0,
  longestLabel: 0,
  axesShown: 0,
};

/** Shape's listing axis → values that one listing may have there. */
export function valueLimits({ axes, rules }: PlanTask, shape: Shape): number[] {
  return shape.groups.map((group) => rules.axes.roles[axes[group[0]!]!.role]?.valuesAtMost ?? rules.axes.valuesAtMost);
}

/**
 * What no shape that splits these axes is below: a listing for each of their combinations, and nothing else. How many there are is not
 * counted: no fewer than the values of any, nor than children that are told apart by nothing else.
 */
export function leastOfSplit(task: PlanTask, split: readonly number[]): PlanCost {
  let others = 1;
  task.axes.forEach(({ values }, axis) => (others *= split.includes(axis) ? 1 : Math.max(1, values.length)));
  const values = split.map((axis) => combinationsOf(task, [axis]).count);
  const listings = Math.max(1, ...values, Math.ceil(task.children.length / others));
  return {
    ...NOTHING,
    leftOut: task.leftOut.length,
    listings,
    fees: feesOf(task.rules, { listings, children: task.children.length, values: 0 }),
  };
}

export function leastBill(task: PlanTask, shape: Shape): PlanCost {
  const listings = leastListings(task, shape);
  const values = shape.groups.reduce((sum, group) => sum + total(spreadOf(task, shape.split, group)), 0);
  return {
    leftOut: task.leftOut.length,
    wishesBroken: 0,
    pricesLost: pricesTold(task, shape).lost,
    listings,
    fees: feesOf(task.rules, { listings, children: task.children.length, values }),
    ...disturbedAtLeast(task, structureOfShape(task, shape), listings),
    moved: 0,
    joins: joinsOf(shape),
    picturesLost: picturesShown(task, shape).lost,
    shortened: 0,
    cutThrough: 0,
    joinedOptions: shape.groups.reduce(
      (sum, group) => sum + (group.length > 1 ? combinationsOf(task, group).count : 0),
      0,
    ),
    longestLabel: 0,
    axesShown: shape.groups.length,
  };
}

/** For each combination that is split as many listings as its children and its values need at least. */
const leastListings = (task: PlanTask, shape: Shape): number =>
  listingsBy(task, shape, (children, values) => Math.max(children, ...values));

/**
 * About how many listings a shape comes to: as many as runs of the values of every axis cross each other in. What is scattered is seldom
 * cut into fewer, and mostly into as many.
 */
export const likelyListings = (task: PlanTask, shape: Shape): number =>
  listingsBy(task, shape, (children, values) =>
    Math.max(
      children,
      values.reduce((all, some) => all * some, 1),
    ),
  );

/**
 * @param count of one combination that is split: listings that its children, and that its values on each axis,
 * would fill
 */
function listingsBy(
  task: PlanTask,
  shape: Shape,
  count: (children: number, values: readonly number[]) => number,
): number {
  const limits = valueLimits(task, shape);
  const members = spreadOf(
    task,
    shape.split,
    task.axes.map((_, axis) => axis),
  );
  const spreads = shape.groups.map((group) => spreadOf(task, shape.split, group));
  const filled = spreads.map(() => 1);
  let listings = 0;
  for (let place = 0; place < members.length; place++) {
    for (let axis = 0; axis < spreads.length; axis++)
      filled[axis] = Math.ceil(spreads[axis]![place]! / Math.max(1, limits[axis]!));
    listings += count(Math.ceil(members[place]! / task.rules.children.atMost), filled);
  }
  return listings;
}

function total(numbers: Int32Array): number {
  let sum = 0;
  for (const number of numbers) sum += number;
  return sum;
}
