/** Every shape a plan may take: which axes are pinned, which split, which carried or joined, and in which roles. */
import type { Role } from '../../family/shape';
import type { PlanTask } from './shape';

/** Axis numbers throughout. In a group the leading axis, whose role the listing's axis has, comes first. */
export interface Shape {
  pinned: number[];
  split: number[];
  groups: number[][];
}

/**
 * All shapes the rules allow. An axis with one value may be pinned or shown; an axis that must stay whole is never
 * split; one that must stay apart, or whose labels have to come from a list, is never joined.
 */
export function planShapes(task: PlanTask): Shape[] {
  const { axes, rules, wish } = task;
  const used = axes.map((_, axis) => new Set(task.children.map((child) => child.at[axis])).size);
  const apart = axes.map((axis) => wish.apart.includes(axis.id));
  const whole = axes.map((axis) => wish.whole.includes(axis.id));
  const shapes: Shape[] = [];

  const place = (axis: number, pinned: number[], split: number[], groups: number[][]): void => {
    if (axis === axes.length) {
      for (const led of leads(
        groups,
        axes.map((one) => one.role),
        rules.axes,
      ))
        shapes.push({ pinned, split, groups: led });
      return;
    }
    if (used[axis]! <= 1) place(axis + 1, [...pinned, axis], split, groups);
    else if (!whole[axis]) place(axis + 1, pinned, [...split, axis], groups);
    if (groups.length < rules.axes.atMost) place(axis + 1, pinned, split, [...groups, [axis]]);
    if (apart[axis] || used[axis]! <= 1) return;
    groups.forEach((group, at) => {
      if (group.some((member) => apart[member] || used[member]! <= 1)) return;
      place(
        axis + 1,
        pinned,
        split,
        groups.map((one, number) => (number === at ? [...one, axis] : one)),
      );
    });
  };
  place(0, [], [], []);
  return shapes;
}

/**
 * The groups with every choice of leading axes that makes a set of roles the channel takes. Without listed sets the
 * first axis leads.
 */
function leads(groups: number[][], roles: Role[], rules: PlanTask['rules']['axes']): number[][][] {
  const mayJoin = (role: Role) => rules.roles[role]?.shows !== 'list';
  const choices = groups.map((group) => {
    const candidates = rules.sets ? group : group.slice(0, 1);
    return candidates
      .filter((lead) => group.length === 1 || mayJoin(roles[lead]!))
      .map((lead) => [lead, ...group.filter((axis) => axis !== lead)]);
  });
  const all = choices.reduce<number[][][]>(
    (done, group) => done.flatMap((row) => group.map((one) => [...row, one])),
    [[]],
  );
  const isTaken = setTaker(rules);
  return all.filter((led) => isTaken(led.map((group) => roles[group[0]!]!)));
}

/** Whether the channel takes listings with axes of just these roles. */
export function setTaker(rules: PlanTask['rules']['axes']): (roles: readonly Role[]) => boolean {
  if (!rules.sets) return () => true;
  const allowed = new Set(rules.sets.map((set) => [...set].sort().join()));
  return (roles) => roles.length === 0 || allowed.has([...roles].sort().join());
}
