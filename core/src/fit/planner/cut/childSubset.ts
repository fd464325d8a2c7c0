/**
 * Children that may go into a listing together, and what is asked of them for one shape after the other: most shapes split the same
 * axes and show the same groups, so that each answer is worked out once.
 */
import { columnsOf } from '../combinations';
import type { PlanTask } from '../shape';
import { tickChildren, type Ticks } from './ticks';

/** The options of one listing axis: which of so many each child has. */
export interface Options {
  count: number;
  /** Child number → place. */
  placeOf: Int32Array;
}

export class ChildSubset {
  private sorted: Int32Array[] | undefined;
  private subsets: (readonly ChildSubset[])[] | undefined;
  private ticks: Map<Options, Ticks> | undefined;
  private tallies: Map<Options, Int32Array> | undefined;

  constructor(
    private readonly task: PlanTask,
    /** Child numbers. */
    readonly numbers: Int32Array,
  ) {}

  get size(): number {
    return this.numbers.length;
  }

  /** The children in the order of their values on an axis of the family; those of a value as they stand. */
  inValueOrder(axis: number): Int32Array {
    this.sorted ??= [];
    return (this.sorted[axis] ??= inOrderOf(columnsOf(this.task)[axis]!, this.numbers, this.valuesOn(axis)));
  }

  /** A subset for each value of an axis that some child has, in the order of the values. */
  byValue(axis: number): readonly ChildSubset[] {
    this.subsets ??= [];
    return (this.subsets[axis] ??= this.makeLots(axis));
  }

  /** The options the children have. */
  ticksOf(options: Options): Ticks {
    this.ticks ??= new Map();
    let found = this.ticks.get(options);
    if (!found) this.ticks.set(options, (found = tickChildren(this.numbers, options.placeOf, options.count)));
    return found;
  }

  /** How many children have each of the options that any has. */
  tallyOf(options: Options): Int32Array {
    this.tallies ??= new Map();
    let found = this.tallies.get(options);
    if (!found) this.tallies.set(options, (found = tally(this.numbers, options)));
    return found;
  }

  private valuesOn(axis: number): number {
    return this.task.axes[axis]!.values.length;
  }

  private makeLots(axis: number): ChildSubset[] {
    const column = columnsOf(this.task)[axis]!;
    const sorted = this.inValueOrder(axis);
    const subsets: ChildSubset[] = [];
    for (let from = 0, to = 1; from < sorted.length; from = to++) {
      while (to < sorted.length && column[sorted[to]!] === column[sorted[from]!]) to++;
      subsets.push(new ChildSubset(this.task, sorted.subarray(from, to)));
    }
    return subsets;
  }
}

function inOrderOf(column: Int32Array, numbers: Int32Array, values: number): Int32Array {
  const starts = new Int32Array(values + 1);
  for (let at = 0; at < numbers.length; at++) starts[column[numbers[at]!]! + 1]! += 1;
  for (let value = 1; value < starts.length; value++) starts[value]! += starts[value - 1]!;
  const sorted = new Int32Array(numbers.length);
  for (let at = 0; at < numbers.length; at++) sorted[starts[column[numbers[at]!]!]!++] = numbers[at]!;
  return sorted;
}

function tally(numbers: Int32Array, { count, placeOf }: Options): Int32Array {
  const children = new Int32Array(count);
  for (let at = 0; at < numbers.length; at++) children[placeOf[numbers[at]!]!]! += 1;
  return children.filter((some) => some > 0);
}
