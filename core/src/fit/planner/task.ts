/** What the planner is given and what it gives back. Plain numbers inside, so that thousands of children cost little. */
import type { Family, Role, Wish } from '../../family/shape';
import { isOnSale } from '../../family/level';
import { familyIndex } from '../../family/weave';
import type { Rules } from '../../rulebook/schema';

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

/** The planner's task for a family under a category's rules. */
export function planTask(
  family: Family,
  rules: Rules,
  wish: Wish | undefined,
  live: PlanTask['live'] = [],
  objective: PlanTask['objective'] = 'listings',
): PlanTask {
  const { woven, rank } = familyIndex(family);
  const leaveOut = new Set(wish?.leaveOut ?? []);
  const forSale = woven.filter((child) => isOnSale(family, child));
  const offered = forSale.filter((child) => !leaveOut.has(child.id));
  return {
    axes: family.axes.map((axis) => ({
      id: axis.id, label: axis.label, role: axis.role,
      values: axis.values.map(({ id, label, code }) => ({ id, label, code })),
    })),
    children: offered.map((child) => ({ id: child.id, at: family.axes.map((axis) => rank.get(child.at[axis.id]!)!) })),
    leftOut: forSale.filter((child) => leaveOut.has(child.id)).map((child) => child.id),
    rules,
    wish: { apart: wish?.apart ?? [], whole: wish?.whole ?? [], ...(wish?.pictureAxis ? { pictureAxis: wish.pictureAxis } : {}) },
    pictures: {
      onAxis: family.axes.map((axis) => axis.values.reduce((sum, value) => sum + value.pictures.length, 0)),
      onChildren: offered.reduce((sum, child) => sum + child.pictures.length, 0),
    },
    live,
    objective,
  };
}
