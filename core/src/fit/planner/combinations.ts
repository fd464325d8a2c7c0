/**
 * Combinations of axes that the children have: counted, ordered and labelled once for the same children, however many
 * shapes and channels ask.
 */
import { labelsTooLong, optionLabels, type OptionLabels } from './labels';
import type { Combinations, GroupLabels, PlanTask, TaskAxis } from './shape';

function bitsOf(group: readonly number[]): number {
  let bits = 0;
  for (const axis of group) bits |= 1 << axis;
  return bits;
}

/** The combinations of some axes (numbers, in any order, each as often as it likes) that the children have. */
export function combinationsOf(task: PlanTask, group: readonly number[]): Combinations {
  const { combinations } = task.known;
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
  const { spreads } = task.known;
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

/** Codes below this are counted in a table with a place for each; more would take more room than the children are worth. */
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
  const codes = range <= TABLE_AT_MOST ? new Int32Array(column.length) : new Float64Array(column.length);
  for (let number = 0; number < codes.length; number++)
    codes[number] = before.placeOf[number]! * size + column[number]!;
  const { sorted, placeOf } = range <= TABLE_AT_MOST ? inTable(codes, range) : inSet(codes);
  const firsts = new Int32Array(sorted.length).fill(-1);
  for (let number = placeOf.length - 1; number >= 0; number--) firsts[placeOf[number]!] = number;
  let rows: number[][] | undefined;
  const makeRows = () => sorted.map((code) => [...before.rows()[Math.floor(code / size)]!, code % size]);
  return { count: sorted.length, placeOf, firsts, rows: () => (rows ??= makeRows()) };
}

/** The one combination that all children have of no axis at all. */
const one = (children: number): Combinations => ({
  ...{ count: Math.min(children, 1), placeOf: new Int32Array(children) },
  ...{ firsts: new Int32Array(Math.min(children, 1)), rows: () => [[]] },
});

/** Axis number → child number → place of the child's value. */
export function columnsOf({ known, axes, children }: PlanTask): readonly Int32Array[] {
  known.columns ??= axes.map((_, axis) => columnOf(children, axis));
  return known.columns;
}

function columnOf(children: PlanTask['children'], axis: number): Int32Array {
  const column = new Int32Array(children.length);
  for (let number = 0; number < column.length; number++) column[number] = children[number]!.at[axis]!;
  return column;
}

interface Sorted {
  /** The codes that occur, ascending. */
  sorted: number[];
  /** Child number → place of its code among them. */
  placeOf: Int32Array;
}

function inTable(codes: Int32Array | Float64Array, range: number): Sorted {
  const place = new Int32Array(range).fill(-1);
  for (const code of codes) place[code] = 0;
  const sorted: number[] = [];
  for (let code = 0; code < range; code++) if (place[code] === 0) place[code] = sorted.push(code) - 1;
  const placeOf = new Int32Array(codes.length);
  for (let number = 0; number < codes.length; number++) placeOf[number] = place[codes[number]!]!;
  return { sorted, placeOf };
}

function inSet(codes: Int32Array | Float64Array): Sorted {
  const sorted = [...new Set(codes)].sort((a, b) => a - b);
  const place = new Map(sorted.map((code, at) => [code, at]));
  return { sorted, placeOf: Int32Array.from(codes, (code) => place.get(code)!) };
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

/** Options of a group whose labels have to be shortened by rule at the very least; infinitely many where no labels are to be had. */
export function leastShortened(task: PlanTask, group: readonly number[]): number {
  const role = task.rules.axes.roles[task.axes[group[0]!]!.role];
  const { labelForbids } = task.rules.axes;
  const atMost = role?.labelAtMost ?? task.rules.axes.labelAtMost;
  if (role?.shows === 'list') return 0;
  const key = `${group.join('+')}|${atMost}|${labelForbids}`;
  const made = task.known.labels.get(key);
  if (made !== undefined) return made?.byRule ?? Infinity;
  const { tooLong } = task.known;
  let least = tooLong.get(key);
  if (least === undefined) {
    const axes = [...group].sort((a, b) => a - b).map((axis) => task.axes[axis]!);
    tooLong.set(key, (least = labelsTooLong(axes, combinationsOf(task, group).rows, atMost, labelForbids)));
  }
  return least;
}

function makeLabels(
  task: PlanTask,
  group: readonly number[],
  atMost: number | null,
  forbids: string,
): GroupLabels | null {
  const { placeOf, ...combinations } = combinationsOf(task, group);
  const rows = combinations.rows();
  const inFamilyOrder = [...group].sort((a, b) => a - b);
  const place = group.map((axis) => inFamilyOrder.indexOf(axis));
  const led = rows.map((row) => place.map((at) => row[at]!));
  const axes = group.map((axis) => task.axes[axis]!);
  const made = atMost === null ? listLabels(axes[0]!, led) : optionLabels(axes, led, atMost, forbids);
  if (!made) return null;
  const options = led.map((row, at) => {
    const valueIds = row.map((value, axis) => axes[axis]!.values[value]!.id);
    return { key: valueIds.join('+'), label: made.labels[at]!, valueIds };
  });
  return { options, placeOf, shortened: made.shortened, byRule: made.byRule };
}

/** Labels that the channel takes from its own list. */
const listLabels = ({ values }: TaskAxis, rows: readonly (readonly number[])[]): OptionLabels => ({
  labels: rows.map(([value]) => values[value!]!.label),
  shortened: false,
  byRule: 0,
});
