/**
 * The planner: every way to carry, join, split and pin a family's axes under a channel's rules, best first. Exact: shapes are tried
 * in the order of what they cost at the very least, and the search ends only when no shape left can be among the best.
 */
import { timesAmount } from '../../money/amount';
import { fewestCuts, groupOf } from './cut';
import { optionLabels, type OptionLabels } from './labels';
import { planShapes, type Shape } from './shapes';
import type { Bill, Plan, PlanListing, PlanTask, TargetAxis } from './task';

/** The order of importance. Less is better; the first difference decides. */
export function billOrder(bill: Bill, objective: PlanTask['objective']): number[] {
  const size = objective === 'fees' ? [Number(bill.fees), bill.listings] : [bill.listings];
  return [bill.leftOut, ...size, bill.joins, bill.remade, bill.picturesLost, bill.joinedOptions, bill.longestLabel, bill.axesShown];
}

function compare(a: number[], b: number[]): number {
  for (let i = 0; i < Math.max(a.length, b.length); i++) {
    const difference = (a[i] ?? 0) - (b[i] ?? 0);
    if (difference !== 0) return difference;
  }
  return 0;
}

/**
 * The best plans, at most `most` of them. Empty where the family has no child to offer, or no shape fits the rules.
 * Children are only left out where the task says so.
 */
export function bestPlans(task: PlanTask, most = 6): Plan[] {
  if (task.children.length === 0) return [];
  const counter = combinationCounter(task);
  const candidates = planShapes(task)
    .map((shape) => ({ shape, bound: billOrder(leastBill(task, shape, counter), task.objective) }))
    .sort((a, b) => compare(a.bound, b.bound));
  const labels = labelMaker(task);
  const found: { plan: Plan; order: number[] }[] = [];
  for (const { shape, bound } of candidates) {
    const worst = found[most - 1];
    if (worst && compare(bound, worst.order) > 0) break;
    const plan = spinOut(task, shape, labels);
    if (!plan) continue;
    const order = billOrder(plan.bill, task.objective);
    const at = found.findIndex((one) => (compare(order, one.order) || (plan.signature < one.plan.signature ? -1 : 1)) < 0);
    found.splice(at < 0 ? found.length : at, 0, { plan, order });
    found.length = Math.min(found.length, most);
  }
  return found.map((one) => one.plan);
}

/** The plan of a given structure as it is now, or null where the rules no longer allow it. */
export function planNamed(task: PlanTask, signature: string): Plan | null {
  if (task.children.length === 0) return null;
  const shape = planShapes(task).find((one) => signatureOf(task, one) === signature);
  return shape ? spinOut(task, shape, labelMaker(task)) : null;
}

/** What a shape costs at the very least, told without working it out: no entry of its bill can be smaller. */
function leastBill(task: PlanTask, shape: Shape, counter: (axes: number[]) => number): Bill {
  const listings = Math.max(counter(shape.split), Math.ceil(task.children.length / task.rules.children.atMost));
  return {
    leftOut: task.leftOut.length,
    listings,
    fees: timesAmount(task.rules.fees.perListing, listings),
    joins: joinsOf(shape),
    remade: 0,
    picturesLost: picturesShown(task, shape).lost,
    joinedOptions: shape.groups.reduce((sum, group) => sum + (group.length > 1 ? counter(group) : 0), 0),
    longestLabel: 0,
    axesShown: shape.groups.length,
  };
}

const joinsOf = (shape: Shape) => shape.groups.reduce((sum, group) => sum + group.length - 1, 0);

/** Works a shape out in full; null where labels do not fit, children would be alike, or cutting does not help. */
function spinOut(task: PlanTask, shape: Shape, labels: LabelMaker): Plan | null {
  const groups = shape.groups.map((group) => labels(group));
  if (groups.some((group) => group === null)) return null;
  const made = groups as NonNullable<(typeof groups)[number]>[];
  const structure = signatureOf(task, shape);
  const limits = shape.groups.map((group) => task.rules.axes.roles[task.axes[group[0]!]!.role]?.valuesAtMost ?? task.rules.axes.valuesAtMost);

  const bySplit = new Map<string, number[]>();
  task.children.forEach((child, number) => {
    const key = shape.split.map((axis) => child.at[axis]).join();
    const there = bySplit.get(key);
    if (there) there.push(number);
    else bySplit.set(key, [number]);
  });

  const listings: PlanListing[] = [];
  for (const numbers of bySplit.values()) {
    const first = task.children[numbers[0]!]!;
    const split = Object.fromEntries(shape.split.map((axis) => [task.axes[axis]!.id, task.axes[axis]!.values[first.at[axis]!]!.id]));
    // Places within this listing, without gaps, so that cuts are even.
    const places = made.map((group) => {
      const present = [...new Set(numbers.map((number) => group.placeOf[number]!))].sort((a, b) => a - b);
      return { place: new Map(present.map((one, at) => [one, at])), count: present.length };
    });
    const rows = numbers.map((number) => made.map((group, axis) => places[axis]!.place.get(group.placeOf[number]!)!));
    if (new Set(rows.map((row) => row.join())).size < rows.length) return null;
    const cuts = fewestCuts(rows, limits, task.rules.children.atMost);
    if (!cuts) return null;
    const parts = new Map<string, PlanListing>();
    rows.forEach((row, at) => {
      const part = row.map((place, axis) => groupOf(place, places[axis]!.count, cuts[axis]!));
      const key = part.join();
      let listing = parts.get(key);
      if (!listing) {
        const cut = part.flatMap((one, axis) => (cuts[axis]! > 1 ? [{ axis, part: one + 1, of: cuts[axis]! }] : []));
        listing = { key: listingKey(Object.values(split), cut), split, cuts: cut, childIds: [] };
        parts.set(key, listing);
      }
      listing.childIds.push(task.children[numbers[at]!]!.id);
    });
    listings.push(...parts.values());
  }

  const axes: TargetAxis[] = shape.groups.map((group, at) => ({
    role: task.axes[group[0]!]!.role,
    name: axisName(task, group),
    from: group.map((axis) => task.axes[axis]!.id),
    options: made[at]!.options,
    shortened: made[at]!.shortened,
  }));
  const { pictureAxis, lost } = picturesShown(task, shape);
  const standing = new Set(listings.map((listing) => listing.key));
  const joined = axes.filter((axis) => axis.from.length > 1);
  return {
    signature: structure,
    axes,
    split: shape.split.map((axis) => task.axes[axis]!.id),
    pinned: shape.pinned.map((axis) => task.axes[axis]!.id),
    pictureAxis,
    listings,
    bill: {
      leftOut: task.leftOut.length,
      listings: listings.length,
      fees: timesAmount(task.rules.fees.perListing, listings.length),
      joins: joinsOf(shape),
      remade: task.live.filter((live) => !standing.has(live.key) || live.structure !== structure).length,
      picturesLost: lost,
      joinedOptions: joined.reduce((sum, axis) => sum + axis.options.length, 0),
      longestLabel: Math.max(0, ...axes.flatMap((axis) => axis.options.map((option) => option.label.length))),
      axesShown: axes.length,
    },
  };
}

/** What the channel calls the axis: by its role, or the family's own words. */
function axisName(task: PlanTask, group: number[]): string {
  const lead = task.axes[group[0]!]!;
  return task.rules.axes.roles[lead.role]?.name ?? group.map((axis) => task.axes[axis]!.label).join(' / ');
}

function listingKey(split: string[], cuts: PlanListing['cuts']): string {
  const parts = [...split, ...cuts.map((cut) => `${cut.axis + 1}p${cut.part}of${cut.of}`)];
  return parts.length > 0 ? parts.join('.') : 'all';
}

/** Groups like `a1+a3|a2`, then what is split and pinned. */
function signatureOf(task: PlanTask, shape: Shape): string {
  const ids = (axes: number[], mark: string) => axes.map((axis) => task.axes[axis]!.id).join(mark);
  return `${shape.groups.map((group) => ids(group, '+')).join('|')};split=${ids(shape.split, '+')};pin=${ids(shape.pinned, '+')}`;
}

/** Which listing axis carries the pictures, and how many pictures would then not show. */
function picturesShown(task: PlanTask, shape: Shape): { pictureAxis: number | null; lost: number } {
  const { onAxis, onChildren } = task.pictures;
  if (task.rules.axes.pictures === 'child') return { pictureAxis: null, lost: 0 };
  const fixed = new Set([...shape.split, ...shape.pinned]);
  const lostWith = (shown: number[]) => {
    const seen = new Set([...fixed, ...shown]);
    const values = onAxis.reduce((sum, count, axis) => sum + (seen.has(axis) ? 0 : count), 0);
    return values + (seen.size === task.axes.length ? 0 : onChildren);
  };
  if (task.rules.axes.pictures === 'listing' || shape.groups.length === 0) return { pictureAxis: null, lost: lostWith([]) };
  const wished = shape.groups.findIndex((group) => group.some((axis) => task.axes[axis]!.id === task.wish.pictureAxis));
  const best = shape.groups.map((group, at) => ({ at, lost: lostWith(group) })).sort((a, b) => a.lost - b.lost || a.at - b.at)[0]!;
  return wished >= 0 ? { pictureAxis: wished, lost: lostWith(shape.groups[wished]!) } : { pictureAxis: best.at, lost: best.lost };
}

/** How many combinations of the given axes the children have; remembered, since many shapes ask the same. */
function combinationCounter(task: PlanTask): (axes: number[]) => number {
  const known = new Map<number, number>();
  return (axes) => {
    const key = axes.reduce((bits, axis) => bits | (1 << axis), 0);
    let counted = known.get(key);
    if (counted === undefined) {
      const seen = new Set<number>();
      for (const child of task.children) {
        let code = 0;
        for (const axis of axes) code = code * (task.axes[axis]!.values.length + 1) + child.at[axis]!;
        seen.add(code);
      }
      known.set(key, (counted = seen.size));
    }
    return counted;
  };
}

interface GroupLabels {
  options: TargetAxis['options'];
  /** child number → place of its combination among the options */
  placeOf: number[];
  shortened: boolean;
}
type LabelMaker = (group: number[]) => GroupLabels | null;

/** Options and labels of a group of axes, over all children, so that every listing names them alike; remembered per group. */
function labelMaker(task: PlanTask): LabelMaker {
  const known = new Map<string, GroupLabels | null>();
  return (group) => {
    const key = group.join('+');
    if (!known.has(key)) known.set(key, makeLabels(task, group));
    return known.get(key)!;
  };
}

function makeLabels(task: PlanTask, group: number[]): GroupLabels | null {
  const rows = new Map<string, number[]>();
  const keys = task.children.map((child) => {
    const row = group.map((axis) => child.at[axis]!);
    const key = row.join('+');
    if (!rows.has(key)) rows.set(key, row);
    return key;
  });
  // Order by the family's order of axes, whichever of them leads.
  const order = group.map((axis, at) => ({ axis, at })).sort((a, b) => a.axis - b.axis).map((one) => one.at);
  const sorted = [...rows].sort(([, a], [, b]) => compare(order.map((at) => a[at]!), order.map((at) => b[at]!)));
  const place = new Map(sorted.map(([key], at) => [key, at]));
  const axes = group.map((axis) => task.axes[axis]!);
  const role = task.rules.axes.roles[axes[0]!.role];
  const closed = role?.shows === 'list';
  const made: OptionLabels | null = closed
    ? { labels: sorted.map(([, row]) => axes[0]!.values[row[0]!]!.label), shortened: false }
    : optionLabels(axes, sorted.map(([, row]) => row), role?.labelAtMost ?? task.rules.axes.labelAtMost, task.rules.axes.labelForbids);
  if (!made) return null;
  return {
    options: sorted.map(([, row], at) => {
      const valueIds = row.map((value, axis) => axes[axis]!.values[value]!.id);
      return { key: valueIds.join('+'), label: made.labels[at]!, valueIds };
    }),
    placeOf: keys.map((key) => place.get(key)!),
    shortened: made.shortened,
  };
}
