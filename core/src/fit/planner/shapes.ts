/** Every shape a plan may take: which axes are pinned, which split, which carried or joined, and in which roles. */
import type { Role } from '../../family/shape';
import { combinationsOf } from './combinations';
import { leadsOf, structureOf } from '../../listing/structure';
import { picturesShown } from './pictures';
import { namedShape, writePlanName } from './planName';
import type { PlanTask, Shape } from './shape';

export const joinsOf = (shape: Shape): number => shape.groups.reduce((sum, group) => sum + group.length - 1, 0);

export const axisIds = ({ axes }: PlanTask, numbers: readonly number[]): string[] =>
  numbers.map((axis) => axes[axis]!.id);

/** See `structureOf`. */
export const structureOfShape = (task: PlanTask, { groups }: Shape): string =>
  structureOf(groups.map((group) => axisIds(task, group)));

/** The name of a plan of this shape. */
export const signatureOf = (task: PlanTask, shape: Shape): string => writePlanName(namedShape(task, shape));

/**
 * All shapes the rules allow. An axis with one value may be pinned or shown; an axis that must stay whole is never
 * split; one that must stay apart, or whose labels have to come from a list, is never joined; one whose role the channel
 * has a listing each for is always split.
 */
export function planShapes(task: PlanTask): Shape[] {
  const { axes, rules, wish } = task;
  const roles = axes.map((axis) => axis.role);
  const isSingle = axes.map((_, axis) => combinationsOf(task, [axis]).count <= 1);
  const apart = axes.map((axis) => wish.apart.includes(axis.id));
  const whole = axes.map((axis) => wish.whole.includes(axis.id));
  const alwaysSplit = axes.map((axis) => rules.axes.alwaysSplit.includes(axis.role));
  const liveLeads = new Set(task.live.flatMap((live) => [...leadsOf(live.structure)]));
  const isTaken = setTaker(rules.axes);
  const atMost = Math.min(rules.axes.atMost, ...(rules.axes.sets ? [largestOf(rules.axes.sets)] : []));
  const shapes: Shape[] = [];

  const place = (axis: number, pinned: number[], split: number[], groups: number[][]): void => {
    if (axis === axes.length) {
      for (const led of leads(task, groups, roles, liveLeads)) {
        if (!isTaken(led.map((group) => roles[group[0]!]!))) continue;
        shapes.push(picturesFirst(task, { pinned, split, groups: inOrder(led, roles, rules.axes) }));
      }
      return;
    }
    if (isSingle[axis]) place(axis + 1, [...pinned, axis], split, groups);
    else if (alwaysSplit[axis]) return place(axis + 1, pinned, [...split, axis], groups);
    else if (!whole[axis]) place(axis + 1, pinned, [...split, axis], groups);
    if (groups.length < atMost) place(axis + 1, pinned, split, [...groups, [axis]]);
    if (apart[axis] || isSingle[axis]) return;
    groups.forEach((group, at) => {
      if (group.some((member) => apart[member] || isSingle[member])) return;
      const joined = groups.map((one, number) => (number === at ? [...one, axis] : one));
      place(axis + 1, pinned, split, joined);
    });
  };
  place(0, [], [], []);
  return shapes;
}

const largestOf = (sets: readonly (readonly Role[])[]): number => Math.max(0, ...sets.map((set) => set.length));

/**
 * Where the first axis carries the pictures it is the one that shows most of them, unless the channel has an
 * order of its own.
 */
function picturesFirst(task: PlanTask, shape: Shape): Shape {
  const { groups } = shape;
  const { rules, axes, wish } = task;
  if (rules.axes.pictures !== 'firstAxis' || rules.axes.order.length > 0 || groups.length < 2) return shape;
  const led = (first: number[]) => ({ ...shape, groups: [first, ...groups.filter((group) => group !== first)] });
  const wished = groups.find((group) => group.some((axis) => axes[axis]!.id === wish.pictureAxis));
  if (wished) return led(wished);
  const [best] = groups.map(led).sort((a, b) => picturesShown(task, a).lost - picturesShown(task, b).lost);
  return best!;
}

/** The groups with every choice of leading axes that makes a difference. */
function leads(
  { axes, rules: { axes: rules } }: PlanTask,
  groups: number[][],
  roles: readonly Role[],
  liveLeads: ReadonlySet<string>,
): number[][][] {
  // Where any axis may lead, and none is under limits of its own, which one does makes no difference.
  const isFree = !rules.sets && liveLeads.size === 0;
  const named = rules.sets && new Set(rules.sets.flat());
  const choices = groups.map((group) => {
    if (group.length === 1 || (isFree && group.every((axis) => rules.roles[roles[axis]!] === undefined)))
      return [group];
    const all = group.map((lead) => [lead, ...group.filter((axis) => axis !== lead)]);
    const allowed = all.filter((led) => led.length === 1 || rules.roles[roles[led[0]!]!]?.shows !== 'list');
    if (named) return allowed.filter((led) => named.has(roles[led[0]!]!));
    // One that leads in a live listing makes a difference to that.
    return allowed.filter(
      (led, at) => liveLeads.has(axes[led[0]!]!.id) || !isAlike(led, allowed.slice(0, at), roles, rules),
    );
  });
  return choices.reduce<number[][][]>((done, group) => done.flatMap((row) => group.map((one) => [...row, one])), [[]]);
}

/**
 * Whether an earlier choice of the leading axis is under the same limits: where any axis may be shown, only
 * those count.
 */
function isAlike(
  led: readonly number[],
  earlier: readonly (readonly number[])[],
  roles: readonly Role[],
  { roles: rules }: PlanTask['rules']['axes'],
): boolean {
  const limitsOf = (group: readonly number[]) => rules[roles[group[0]!]!];
  const mine = limitsOf(led);
  return earlier.some((one) => {
    const other = limitsOf(one);
    return other?.labelAtMost === mine?.labelAtMost && other?.valuesAtMost === mine?.valuesAtMost;
  });
}

/** Groups in the order the channel wants its axes in; those it says nothing of follow as they stand. */
function inOrder(groups: number[][], roles: readonly Role[], { order }: PlanTask['rules']['axes']): number[][] {
  if (order.length === 0) return groups;
  const rank = (group: readonly number[]) => {
    const at = order.indexOf(roles[group[0]!]!);
    return at < 0 ? order.length : at;
  };
  return groups.toSorted((a, b) => rank(a) - rank(b));
}

/** Whether the channel takes listings with axes of just these roles. */
export function setTaker(rules: PlanTask['rules']['axes']): (roles: readonly Role[]) => boolean {
  if (!rules.sets) return () => true;
  const allowed = new Set(rules.sets.map((set) => [...set].sort().join()));
  return (roles) => roles.length === 0 || allowed.has([...roles].sort().join());
}
