/** What is packed when a listing is cut: children that stay together, and the options they bring along. */
import { columnsOf } from '../combinations';
import type { PlanTask } from '../shape';
import type { ChildSubset, Options } from './childSubset';
import { addTicks, type Ticks } from './ticks';

export interface Piece {
  /** Child numbers. */
  numbers: Int32Array;
  /** Listing axis → the options its children have there. */
  options: readonly Ticks[];
}

/** What one listing may hold. */
export interface Limits {
  children: number;
  /** Listing axis → values at most. */
  values: readonly number[];
}

export const pieceOf = (subset: ChildSubset, options: readonly Options[]): Piece => ({
  numbers: subset.numbers,
  options: options.map((one) => subset.ticksOf(one)),
});

/** One piece of several. */
export function joined(pieces: readonly Piece[]): Piece {
  const [first, ...others] = pieces;
  if (others.length === 0) return first!;
  const options = first!.options.map(({ bits, count }, axis): Ticks => {
    const all = { bits: bits.slice(), count };
    for (const other of others) all.count = addTicks(all.bits, other.options[axis]!.bits);
    return all;
  });
  return { numbers: numbersOf(pieces), options };
}

export function fits({ numbers, options }: Piece, limits: Limits): boolean {
  if (numbers.length > limits.children) return false;
  for (let axis = 0; axis < options.length; axis++) if (options[axis]!.count > limits.values[axis]!) return false;
  return true;
}

/** The same of a subset, without making a piece of it. */
export const fitsIn = (subset: ChildSubset, options: readonly Options[], limits: Limits): boolean =>
  subset.size <= limits.children && options.every((one, axis) => subset.ticksOf(one).count <= limits.values[axis]!);

/** Values of an axis that more children have than go into one listing: no cut keeps them together. */
export function valuesTooLarge(subset: ChildSubset, axis: number, most: number): number {
  if (subset.size <= most) return 0;
  return subset.byValue(axis).reduce((large, { size }) => large + (size > most ? 1 : 0), 0);
}

/** The children of some pieces, one piece after the other. */
export function numbersOf(pieces: readonly Pick<Piece, 'numbers'>[]): Int32Array {
  const [first, ...others] = pieces;
  if (first && others.length === 0) return first.numbers;
  const numbers = new Int32Array(pieces.reduce((sum, piece) => sum + piece.numbers.length, 0));
  let from = 0;
  for (const piece of pieces) {
    numbers.set(piece.numbers, from);
    from += piece.numbers.length;
  }
  return numbers;
}

/** Values of an axis whose children stand in more than one listing. */
export function valuesCutThrough(task: PlanTask, parts: readonly Piece[][], axis: number): number {
  const column = columnsOf(task)[axis]!;
  const first = new Int32Array(task.axes[axis]!.values.length).fill(-1);
  const isCut = new Uint8Array(first.length);
  let through = 0;
  for (let listing = 0; listing < parts.length; listing++) {
    for (const { numbers } of parts[listing]!) {
      for (let at = 0; at < numbers.length; at++) {
        const value = column[numbers[at]!]!;
        if (first[value] === -1) first[value] = listing;
        else if (first[value] !== listing && isCut[value] === 0) {
          isCut[value] = 1;
          through += 1;
        }
      }
    }
  }
  return through;
}
