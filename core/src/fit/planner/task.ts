/**
 * What the planner is given and what it gives back. Plain numbers inside, so that thousands of children cost little.
 */
import type { Child, Family, Role, Wish } from '../../family/shape';
import { isOnSale } from '../../family/level';
import { familyIndex } from '../../family/weave';
import type { Rules } from '../../rulebook/shape';

export interface TaskAxis {
  id: string;
  label: string;
  role: Role;
  values: { id: string; label: string; code: string }[];
}

export interface PlanTask {
  axes: TaskAxis[];
  /** Children to be offered, in the order of the weave; `at` holds the value's place on each axis. */
  children: { id: string; at: number[] }[];
  /** Children kept off the channel by wish. */
  leftOut: string[];
  rules: Rules;
  wish: Pick<Wish, 'apart' | 'whole' | 'pictureAxis'>;
  /** Pictures that stand on values, per axis; and children that have pictures of their own. */
  pictures: { onAxis: number[]; onChildren: number };
  /** Listings that stand on the channel now: their key and structure. */
  live: { key: string; structure: string }[];
  objective: 'listings' | 'fees';
}

/** One axis of the listings: one of the family's, or several joined. */
export interface TargetAxis {
  role: Role;
  name: string;
  /** The family's axes in it, the leading one (whose role it has) first. */
  from: string[];
  /** Labels in order: key of the combination (value ids joined with +) → what the buyer reads. */
  options: { key: string; label: string; valueIds: string[] }[];
  /** Labels had to be shortened. */
  shortened: boolean;
}

export interface PlanListing {
  /** Stays the same as long as the listing means the same children. */
  key: string;
  /** axis id → value id for the axes that are split. */
  split: Record<string, string>;
  /** Which part of how many, for each target axis that is cut. */
  cuts: { axis: number; part: number; of: number }[];
  childIds: string[];
}

export interface Bill {
  leftOut: number;
  listings: number;
  /** perListing × listings in the channel's currency, as a decimal string. */
  fees: string;
  joins: number;
  remade: number;
  picturesLost: number;
  joinedOptions: number;
  longestLabel: number;
  axesShown: number;
}

export interface Plan {
  /** Names the plan by its structure alone, so that it can be found again after a change. */
  signature: string;
  axes: TargetAxis[];
  split: string[];
  pinned: string[];
  /** Which target axis carries the pictures; null where none needs to. */
  pictureAxis: number | null;
  listings: PlanListing[];
  bill: Bill;
}

interface Offered {
  axes: TaskAxis[];
  forSale: Child[];
  children: PlanTask['children'];
  onChildren: number;
}
const offered = new WeakMap<Family, Offered>();
/**
 * The structures seen last, by what they are made of: a change of figures alone gives the same structure, and so the
 * same plans.
 */
const structures = new Map<string, Pick<Offered, 'axes' | 'children'>>();
const STRUCTURES_KEPT = 8;

/**
 * What every channel is offered of a family. Found once for a frozen family: channels then share what is worked out
 * from it.
 */
function offeredOf(family: Family): Offered {
  const there = offered.get(family);
  if (there) return there;
  const made = findOffered(family);
  if (Object.isFrozen(family)) offered.set(family, made);
  return made;
}

function findOffered(family: Family): Offered {
  const { woven, rank } = familyIndex(family);
  const forSale = woven.filter((child) => isOnSale(family, child));
  const axes = family.axes.map((axis) => ({
    id: axis.id,
    label: axis.label,
    role: axis.role,
    values: axis.values.map(({ id, label, code }) => ({ id, label, code })),
  }));
  const children = forSale.map((child) => ({
    id: child.id,
    at: family.axes.map((axis) => rank.get(child.at[axis.id]!)!),
  }));
  const key = JSON.stringify([axes, children.map((child) => [child.id, ...child.at])]);
  const same = structures.get(key) ?? { axes, children };
  structures.delete(key);
  structures.set(key, same);
  if (structures.size > STRUCTURES_KEPT) structures.delete(structures.keys().next().value!);
  return { ...same, forSale, onChildren: forSale.reduce((sum, child) => sum + child.pictures.length, 0) };
}

/** The planner's task for a family under a category's rules. */
export function planTask(
  family: Family,
  rules: Rules,
  wish: Wish | undefined,
  live: PlanTask['live'] = [],
  objective: PlanTask['objective'] = 'listings',
): PlanTask {
  const { axes, forSale, children, onChildren } = offeredOf(family);
  const leaveOut = new Set(wish?.leaveOut ?? []);
  const left = forSale.filter((child) => leaveOut.has(child.id));
  return {
    axes,
    children: left.length === 0 ? children : children.filter((child) => !leaveOut.has(child.id)),
    leftOut: left.map((child) => child.id),
    rules,
    wish: {
      apart: wish?.apart ?? [],
      whole: wish?.whole ?? [],
      ...(wish?.pictureAxis ? { pictureAxis: wish.pictureAxis } : {}),
    },
    pictures: {
      onAxis: family.axes.map((axis) => axis.values.reduce((sum, value) => sum + value.pictures.length, 0)),
      onChildren: onChildren - left.reduce((sum, child) => sum + child.pictures.length, 0),
    },
    live,
    objective,
  };
}
