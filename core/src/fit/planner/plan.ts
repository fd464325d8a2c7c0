/**
 * The planner: every way to carry, join, split and pin a family's axes under a channel's rules, best first. Exact:
 * shapes are tried in the order of what they cost at the very least, and the search ends only when no shape left can
 * be among the best.
 */
import { timesAmount } from '../../money/amount';
import { combinationsOf, labelGroup } from './combinations';
import { fewestCuts, groupOf } from './cut';
import { planShapes, setTaker, type Shape } from './shapes';
import type { Bill, GroupLabels, Plan, PlanListing, PlanTask, TargetAxis } from './shape';

/** The order of importance. Less is better; the first difference decides. */
export function billOrder(bill: Bill, objective: PlanTask['objective']): number[] {
  const size = objective === 'fees' ? [Number(bill.fees), bill.listings] : [bill.listings];
  return [
    bill.leftOut,
    ...size,
    bill.remade,
    bill.joins,
    bill.picturesLost,
    bill.joinedOptions,
    bill.longestLabel,
    bill.axesShown,
  ];
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
  const asked = JSON.stringify([task.wish, task.leftOut.length, task.pictures, task.live, task.objective, most]);
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

function findBest(task: PlanTask, most: number): Plan[] {
  const plain = most === 1 ? plainCarry(task) : null;
  if (plain) return [plain];
  const candidates = planShapes(task)
    .map((shape) => ({ shape, bound: billOrder(leastBill(task, shape), task.objective) }))
    .sort((a, b) => compare(a.bound, b.bound));
  const found: { plan: Plan; order: number[] }[] = [];
  for (const { shape, bound } of candidates) {
    const worst = found[most - 1];
    if (worst && compare(bound, worst.order) > 0) break;
    const plan = spinOut(task, shape);
    if (!plan) continue;
    const order = billOrder(plan.bill, task.objective);
    const at = found.findIndex(
      (one) => (compare(order, one.order) || (plan.signature < one.plan.signature ? -1 : 1)) < 0,
    );
    found.splice(at < 0 ? found.length : at, 0, { plan, order });
    found.length = Math.min(found.length, most);
  }
  return found.map((one) => one.plan);
}

/**
 * Every axis one to one, those with a single value pinned: where that makes one listing, takes nothing down and hides no picture, no
 * other plan has a better bill, so that none has to be looked at. Null where it is not so plain.
 */
function plainCarry(task: PlanTask): Plan | null {
  const shape: Shape = { pinned: [], split: [], groups: [] };
  task.axes.forEach((_, axis) => {
    if (combinationsOf(task, [axis]).count <= 1) shape.pinned.push(axis);
    else shape.groups.push([axis]);
  });
  const { axes: rules } = task.rules;
  const roles = shape.groups.map(([axis]) => task.axes[axis!]!.role);
  if (shape.groups.length > rules.atMost || !setTaker(rules)(roles)) return null;
  const plan = spinOut(task, shape);
  return plan && plan.bill.listings === 1 && plan.bill.remade === 0 && plan.bill.picturesLost === 0 ? plan : null;
}

/** The plan of a given structure as it is now, or null where the rules no longer allow it. */
export function planNamed(task: PlanTask, signature: string): Plan | null {
  if (task.children.length === 0) return null;
  const shape = planShapes(task).find((one) => signatureOf(task, one) === signature);
  return shape ? spinOut(task, shape) : null;
}

/** What a shape costs at the very least, told without working it out: no entry of its bill can be smaller. */
function leastBill(task: PlanTask, shape: Shape): Bill {
  const counter = (axes: number[]) => combinationsOf(task, axes).count;
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

/** Works a shape out in full; null where labels do not fit, or cutting does not help. */
function spinOut(task: PlanTask, shape: Shape): Plan | null {
  const made = shape.groups.map((group) => labelGroup(task, group));
  if (made.some((group) => group === null)) return null;
  const groups = made as NonNullable<(typeof made)[number]>[];
  const structure = signatureOf(task, shape);
  const { rules } = task;
  const limits = shape.groups.map(
    (group) => rules.axes.roles[task.axes[group[0]!]!.role]?.valuesAtMost ?? rules.axes.valuesAtMost,
  );
  const listings = listingsOf(task, shape, groups, limits);
  if (!listings) return null;

  const axes: TargetAxis[] = shape.groups.map((group, at) => ({
    role: task.axes[group[0]!]!.role,
    name: axisName(task, group),
    from: group.map((axis) => task.axes[axis]!.id),
    options: groups[at]!.options,
    shortened: groups[at]!.shortened,
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

/** The listings of a shape: one for each combination of what is split, cut where one is too large. */
function listingsOf(
  task: PlanTask,
  shape: Shape,
  groups: readonly GroupLabels[],
  limits: readonly number[],
): PlanListing[] | null {
  const split = combinationsOf(task, shape.split);
  const rows = split.rows();
  const members: number[][] = rows.map(() => []);
  split.placeOf.forEach((place, number) => members[place]!.push(number));
  const inFamilyOrder = [...shape.split].sort((a, b) => a - b);
  const listings: PlanListing[] = [];
  for (const [place, numbers] of members.entries()) {
    const values = Object.fromEntries(
      shape.split.map((axis) => [
        task.axes[axis]!.id,
        task.axes[axis]!.values[rows[place]![inFamilyOrder.indexOf(axis)]!]!.id,
      ]),
    );
    const parts = cutListing(numbers, groups, limits, task.rules.children.atMost);
    if (!parts) return null;
    for (const { cuts, numbers: own } of parts) {
      listings.push({
        key: listingKey(Object.values(values), cuts),
        split: values,
        cuts,
        childIds: own.map((number) => task.children[number]!.id),
      });
    }
  }
  return listings;
}

interface Part {
  cuts: PlanListing['cuts'];
  numbers: number[];
}

/**
 * The parts of one listing, given its children's numbers: the whole where it is not too large. Children never are
 * alike: all axes together tell them apart.
 */
function cutListing(
  numbers: number[],
  groups: readonly GroupLabels[],
  limits: readonly number[],
  childrenAtMost: number,
): Part[] | null {
  // Places within this listing, without gaps, so that cuts are even.
  const places = groups.map((group) => {
    const present = [...new Set(numbers.map((number) => group.placeOf[number]!))].sort((a, b) => a - b);
    return new Map(present.map((one, at) => [one, at]));
  });
  if (numbers.length <= childrenAtMost && places.every((place, axis) => place.size <= limits[axis]!))
    return [{ cuts: [], numbers }];
  const rows = numbers.map((number) => groups.map((group, axis) => places[axis]!.get(group.placeOf[number]!)!));
  const counts = fewestCuts(rows, limits, childrenAtMost);
  if (!counts) return null;
  const parts = new Map<string, Part>();
  rows.forEach((row, at) => {
    const part = row.map((place, axis) => groupOf(place, places[axis]!.size, counts[axis]!));
    const key = part.join();
    let there = parts.get(key);
    if (!there) {
      const cuts = part.flatMap((one, axis) => (counts[axis]! > 1 ? [{ axis, part: one + 1, of: counts[axis]! }] : []));
      parts.set(key, (there = { cuts, numbers: [] }));
    }
    there.numbers.push(numbers[at]!);
  });
  return [...parts.values()];
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
  if (task.rules.axes.pictures === 'listing' || shape.groups.length === 0)
    return { pictureAxis: null, lost: lostWith([]) };
  const wished = shape.groups.findIndex((group) => group.some((axis) => task.axes[axis]!.id === task.wish.pictureAxis));
  const best = shape.groups
    .map((group, at) => ({ at, lost: lostWith(group) }))
    .sort((a, b) => a.lost - b.lost || a.at - b.at)[0]!;
  return wished >= 0
    ? { pictureAxis: wished, lost: lostWith(shape.groups[wished]!) }
    : { pictureAxis: best.at, lost: best.lost };
}
