/**
 * Combinations of axes that the children have: counted, ordered and labelled once for the same children, however many
 * shapes and channels ask.
 */
import { optionLabels, type OptionLabels } from './labels';
import type { Combinations, GroupLabels, PlanTask, TaskAxis } from './shape';

const bitsOf = (group: readonly number[]): number => group.reduce((all, axis) => all | (1 << axis), 0);

/** The combinations of some axes (numbers, in any order) that the children have. */
export function combinationsOf(task: PlanTask, group: readonly number[]): Combinations {
  const { combinations } = task.known;
  const bits = bitsOf(group);
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
  const both = combinationsOf(task, [...new Set([...split, ...group])]);
  const counts = new Int32Array(outer.count);
  const isCounted = new Uint8Array(both.count);
  for (let number = 0; number < both.placeOf.length; number++) {
    const place = both.placeOf[number]!;
    if (isCounted[place]) continue;
    isCounted[place] = 1;
    counts[outer.placeOf[number]!]! += 1;
  }
  return counts;
}

/** Codes below this are counted in a table with a place for each; more would take more room than the children are worth. */
const TABLE_AT_MOST = 1 << 18;

/** Combinations as numbers whose order is that of the weave: the first axis weighs most. */
function count(task: PlanTask, axes: readonly number[]): Combinations {
  const sizes = axes.map((axis) => task.axes[axis]!.values.length);
  const range = sizes.reduce((product, size) => product * size, 1);
  const codes = codesOf(task, axes, sizes);
  const { sorted, placeOf } = range <= TABLE_AT_MOST ? inTable(codes, range) : inSet(codes);
  let rows: number[][] | undefined;
  return { count: sorted.length, placeOf, rows: () => (rows ??= sorted.map((code) => rowOf(code, sizes))) };
}

/** Child number → its combination as a number. */
function codesOf(task: PlanTask, axes: readonly number[], sizes: readonly number[]): Float64Array {
  const codes = new Float64Array(task.children.length);
  const columns = columnsOf(task);
  axes.forEach((axis, place) => {
    const column = columns[axis]!;
    const size = sizes[place]!;
    for (let number = 0; number < codes.length; number++) codes[number] = codes[number]! * size + column[number]!;
  });
  return codes;
}

/** Axis number → child number → place of the child's value. */
export function columnsOf({ known, axes, children }: PlanTask): readonly Int32Array[] {
  known.columns ??= axes.map((_, axis) => Int32Array.from(children, (child) => child.at[axis]!));
  return known.columns;
}

interface Sorted {
  /** The codes that occur, ascending. */
  sorted: number[];
  /** Child number → place of its code among them. */
  placeOf: Int32Array;
}

function inTable(codes: Float64Array, range: number): Sorted {
  const place = new Int32Array(range).fill(-1);
  for (const code of codes) place[code] = 0;
  const sorted: number[] = [];
  for (let code = 0; code < range; code++) if (place[code] === 0) place[code] = sorted.push(code) - 1;
  const placeOf = new Int32Array(codes.length);
  for (let number = 0; number < codes.length; number++) placeOf[number] = place[codes[number]!]!;
  return { sorted, placeOf };
}

function inSet(codes: Float64Array): Sorted {
  const sorted = [...new Set(codes)].sort((a, b) => a - b);
  const place = new Map(sorted.map((code, at) => [code, at]));
  return { sorted, placeOf: Int32Array.from(codes, (code) => place.get(code)!) };
}

function rowOf(code: number, sizes: readonly number[]): number[] {
  const row = new Array<number>(sizes.length);
  let rest = code;
  for (let at = sizes.length - 1; at >= 0; at--) {
    row[at] = rest % sizes[at]!;
    rest = Math.floor(rest / sizes[at]!);
  }
  return row;
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
