/**
 * Combinations of axes that the children have: counted, ordered and labelled once for the same children, however many
 * shapes and channels ask.
 */
import { labelsTooLong, optionLabels, type OptionLabels } from './labels';
import type { Combinations, GroupLabels, PlanTask, TargetOption, TaskAxis } from './shape';

/** A set of axes as bits. */
export function bitsOf(group: readonly number[]): number {
  let bits = 0;
  for (const axis of group) bits |= 1 << axis;
  return bits;
}

/** The combinations of some axes (numbers, in any order, each as often as it likes) that the children have. */
export function combinationsOf(task: PlanTask, group: readonly number[]): Combinations {
  const { combinations } = task.cache;
  const bits = bitsOf(group);
  let found = combinations.get(bits);
  if (!found) combinations.set(bits, (found = count(task, axesOf(bits))));
  return found;
}

/** The axes of a set, each once. */
function axesOf(bits: number): number[] {
  const axes: number[] = [];
  for (let axis = 0; bits >> axis > 0; axis++) if ((bits >> axis) & 1) axes.push(axis);
  return axes;
}

/** Place of each combination of some axes → how many combinations of others its children have. */
export function spreadOf(task: PlanTask, split: readonly number[], group: readonly number[]): Int32Array {
  const { spreads } = task.cache;
  const key = bitsOf(split) * MOST_SETS + bitsOf(group);
  let found = spreads.get(key);
  if (!found) spreads.set(key, (found = countSpread(task, split, group)));
  return found;
}

/** Sets of axes, of six at most. */
const MOST_SETS = 1 << 6;

function countSpread(task: PlanTask, split: readonly number[], group: readonly number[]): Int32Array {
  const outer = combinationsOf(task, split);
  if (split.length === 0) return Int32Array.of(combinationsOf(task, group).count);
  const { firsts } = combinationsOf(task, [...split, ...group]);
  const counts = new Int32Array(outer.count);
  for (const number of firsts) counts[outer.placeOf[number]!]! += 1;
  return counts;
}

/**
 * Codes below this are counted in a table with a place for each; more would take more room than the children are
 * worth.
 */
const TABLE_AT_MOST = 1 << 18;

/**
 * Combinations in the order of the weave, the first axis weighing most: those of all axes but the last, each with the values of the
 * last.
 */
function count(task: PlanTask, axes: readonly number[]): Combinations {
  const last = axes.at(-1);
  if (last === undefined) return one(task.children.length);
  const before = combinationsOf(task, axes.slice(0, -1));
  const size = task.axes[last]!.values.length;
  const column = columnsOf(task)[last]!;
  const range = before.count * size;
  return range <= TABLE_AT_MOST ? inTable(before.placeOf, column, size, range) : inSet(before.placeOf, column, size);
}

/** The one combination that all children have of no axis at all. */
const one = (children: number): Combinations => ({
  count: Math.min(children, 1),
  placeOf: new Int32Array(children),
  firsts: new Int32Array(Math.min(children, 1)),
});

/** Axis number → child number → place of the child's value. */
export function columnsOf({ cache, axes, children }: PlanTask): readonly Int32Array[] {
  cache.columns ??= axes.map((_, axis) => columnOf(children, axis));
  return cache.columns;
}

function columnOf(children: PlanTask['children'], axis: number): Int32Array {
  const column = new Int32Array(children.length);
  for (let number = 0; number < column.length; number++) column[number] = children[number]!.at[axis]!;
  return column;
}

/**
 * Children by their place before and the value that comes to it: `code`, for both together, is counted in a
 * table of all there may be.
 */
function inTable(before: Int32Array, column: Int32Array, size: number, range: number): Combinations {
  const first = new Int32Array(range).fill(-1);
  for (let number = before.length - 1; number >= 0; number--) first[before[number]! * size + column[number]!] = number;
  let count = 0;
  for (let code = 0; code < range; code++) if (first[code]! >= 0) count += 1;
  const firsts = new Int32Array(count);
  const places = new Int32Array(range);
  for (let code = 0, place = 0; code < range; code++) {
    if (first[code]! < 0) continue;
    firsts[place] = first[code]!;
    places[code] = place++;
  }
  const placeOf = new Int32Array(before.length);
  for (let number = 0; number < before.length; number++)
    placeOf[number] = places[before[number]! * size + column[number]!]!;
  return { count, placeOf, firsts };
}

/** The same where such a table were too large. */
function inSet(before: Int32Array, column: Int32Array, size: number): Combinations {
  const codes = Float64Array.from(before, (place, number) => place * size + column[number]!);
  const sorted = Float64Array.from(new Set(codes)).sort();
  const places = new Map(Array.from(sorted, (code, place) => [code, place]));
  const placeOf = Int32Array.from(codes, (code) => places.get(code)!);
  const firsts = new Int32Array(sorted.length);
  for (let number = placeOf.length - 1; number >= 0; number--) firsts[placeOf[number]!] = number;
  return { count: sorted.length, placeOf, firsts };
}

/**
 * The options of one listing axis made from a group of axes, the leading one first, over all children, so that every
 * listing names them alike. Null where labels cannot be made to fit.
 */
export function labelGroup(task: PlanTask, group: readonly number[]): GroupLabels | null {
  const role = task.rules.axes.roles[task.axes[group[0]!]!.role];
  const { labelForbids } = task.rules.axes;
  const atMost = role?.labelAtMost ?? task.rules.axes.labelAtMost;
  const { labels } = task.cache;
  const key = `${group.join('+')}|${role?.shows === 'list' ? 'list' : atMost}|${labelForbids}`;
  let made = labels.get(key);
  if (made === undefined)
    labels.set(key, (made = makeLabels(task, group, role?.shows === 'list' ? null : atMost, labelForbids)));
  return made;
}

/**
 * Options of a group whose labels have to be shortened by rule at the very least; infinitely many where no
 * labels are to be had.
 */
export function leastShortened(task: PlanTask, group: readonly number[]): number {
  const role = task.rules.axes.roles[task.axes[group[0]!]!.role];
  const { labelForbids } = task.rules.axes;
  const atMost = role?.labelAtMost ?? task.rules.axes.labelAtMost;
  if (role?.shows === 'list') return 0;
  const key = `${group.join('+')}|${atMost}|${labelForbids}`;
  const made = task.cache.labels.get(key);
  if (made !== undefined) return made?.byRule ?? Infinity;
  const { tooLong } = task.cache;
  let least = tooLong.get(key);
  if (least === undefined) {
    const axes = group.map((axis) => task.axes[axis]!);
    tooLong.set(key, (least = labelsTooLong(axes, () => columnsFor(task, group), atMost, labelForbids)));
  }
  return least;
}

function makeLabels(
  task: PlanTask,
  group: readonly number[],
  atMost: number | null,
  forbids: string,
): GroupLabels | null {
  const columns = columnsFor(task, group);
  const axes = group.map((axis) => task.axes[axis]!);
  const made = atMost === null ? listLabels(axes[0]!, columns[0]!) : optionLabels(axes, columns, atMost, forbids);
  if (!made) return null;
  let longest = 0;
  for (const label of made.labels) longest = Math.max(longest, label.length);
  let options: TargetOption[] | undefined;
  const makeOptions = () => made.labels.map((label, row) => optionOf(axes, columns, row, label));
  return { ...made, longest, options: () => (options ??= makeOptions()) };
}

/** Axis of a group → combination → place of its value. */
function columnsFor(task: PlanTask, group: readonly number[]): Int32Array[] {
  const { firsts } = combinationsOf(task, group);
  return group.map((axis) => {
    const column = columnsOf(task)[axis]!;
    return firsts.map((number) => column[number]!);
  });
}

function optionOf(axes: readonly TaskAxis[], columns: readonly Int32Array[], row: number, label: string): TargetOption {
  const valueIds = axes.map(({ values }, axis) => values[columns[axis]![row]!]!.id);
  return { key: valueIds.join('+'), label, valueIds };
}

/** Labels that the channel takes from its own list. */
const listLabels = ({ values }: TaskAxis, column: Int32Array): OptionLabels => ({
  labels: Array.from(column, (value) => values[value]!.label),
  shortened: false,
  byRule: 0,
});
