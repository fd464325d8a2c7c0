/** A plan's name: its structure in one line, under which it is found again after a change. Written and read here alone. */
import type { PlanTask, Shape } from './shape';

/** A structure by the ids of its axes: the axes shown, each group the leading one first, then what is split and what is pinned. */
export interface NamedShape {
  groups: readonly (readonly string[])[];
  split: readonly string[];
  pinned: readonly string[];
}

/** A shape by the ids of its axes. */
export function namedShape({ axes }: Pick<PlanTask, 'axes'>, { groups, split, pinned }: Shape): NamedShape {
  const ids = (numbers: readonly number[]) => numbers.map((axis) => axes[axis]!.id);
  return { groups: groups.map(ids), split: ids(split), pinned: ids(pinned) };
}

/** The name of a structure: "a1+a3|a2;split=a4;pin=a5". Ids have none of these signs in them. */
export const writePlanName = ({ groups, split, pinned }: NamedShape): string =>
  `${groups.map((group) => group.join('+')).join('|')};split=${split.join('+')};pin=${pinned.join('+')}`;

/** The structure that a name says; what is not in it is empty. */
export function readPlanName(name: string): NamedShape {
  const [groups = '', split = '', pinned = ''] = name.split(';');
  const ids = (text: string) => text.split('+').filter(Boolean);
  return {
    groups: groups.split('|').filter(Boolean).map(ids),
    split: ids(split.replace(/^split=/, '')),
    pinned: ids(pinned.replace(/^pin=/, '')),
  };
}

/** The same structure without some axes, and without what is pinned. */
export const withoutAxes = ({ groups, split }: NamedShape, axes: ReadonlySet<string>): NamedShape => {
  const left = (ids: readonly string[]) => ids.filter((id) => !axes.has(id));
  return { groups: groups.map(left).filter((group) => group.length > 0), split: left(split), pinned: [] };
};
