/**
 * Combinations of axes that the children have: counted, ordered and labelled once for the same children, however many
 * shapes and channels ask.
 */
import { optionLabels } from './labels';
import type { Combinations, GroupLabels, PlanTask } from './shape';

/** The combinations of some axes (numbers, in any order) that the children have. */
export function combinationsOf(task: PlanTask, group: readonly number[]): Combinations {
  const { combinations } = task.known;
  const bits = group.reduce((all, axis) => all | (1 << axis), 0);
  let found = combinations.get(bits);
  if (!found)
    combinations.set(
      bits,
      (found = count(
        task,
        [...group].sort((a, b) => a - b),
      )),
    );
  return found;
}

/** Combinations as numbers whose order is that of the weave: the first axis weighs most. */
function count(task: PlanTask, axes: readonly number[]): Combinations {
  const sizes = axes.map((axis) => task.axes[axis]!.values.length);
  const codes = task.children.map((child) => axes.reduce((code, axis, at) => code * sizes[at]! + child.at[axis]!, 0));
  const sorted = [...new Set(codes)].sort((a, b) => a - b);
  const place = new Map(sorted.map((code, at) => [code, at]));
  const rows = sorted.map((code) => {
    const row = new Array<number>(axes.length);
    let rest = code;
    for (let at = axes.length - 1; at >= 0; at--) {
      row[at] = rest % sizes[at]!;
      rest = Math.floor(rest / sizes[at]!);
    }
    return row;
  });
  return { rows, placeOf: Int32Array.from(codes, (code) => place.get(code)!) };
}

/**
 * The options of one listing axis made from a group of axes, the leading one first, over all children, so that every
 * listing names them alike. Null where labels cannot be made to fit.
 */
export function labelGroup(task: PlanTask, group: readonly number[]): GroupLabels | null {
  const role = task.rules.axes.roles[task.axes[group[0]!]!.role];
  const { labelForbids } = task.rules.axes;
  const atMost = role?.labelAtMost ?? task.rules.axes.labelAtMost;
  const { labels } = task.known;
  const key = `${group.join('+')}|${role?.shows === 'list' ? 'list' : atMost}|${labelForbids}`;
  let made = labels.get(key);
  if (made === undefined)
    labels.set(key, (made = makeLabels(task, group, role?.shows === 'list' ? null : atMost, labelForbids)));
  return made;
}

function makeLabels(
  task: PlanTask,
  group: readonly number[],
  atMost: number | null,
  forbids: string,
): GroupLabels | null {
  const { rows, placeOf } = combinationsOf(task, group);
  const inFamilyOrder = [...group].sort((a, b) => a - b);
  const place = group.map((axis) => inFamilyOrder.indexOf(axis));
  const led = rows.map((row) => place.map((at) => row[at]!));
  const axes = group.map((axis) => task.axes[axis]!);
  const made =
    atMost === null
      ? { labels: led.map((row) => axes[0]!.values[row[0]!]!.label), shortened: false }
      : optionLabels(axes, led, atMost, forbids);
  if (!made) return null;
  const options = led.map((row, at) => {
    const valueIds = row.map((value, axis) => axes[axis]!.values[value]!.id);
    return { key: valueIds.join('+'), label: made.labels[at]!, valueIds };
  });
  return { options, placeOf, shortened: made.shortened };
}
