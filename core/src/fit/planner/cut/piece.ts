/** What is packed when a listing is cut: children that stay together, and the options they bring along. */
import { columnsOf } from '../combinations';
import type { PlanTask } from '../shape';

export interface Piece {
  /** Child numbers. */
  numbers: readonly number[];
  /** Listing axis → places of the options its children have there, each once. */
  options: readonly (readonly number[])[];
}

/** What one listing may hold. */
export interface Limits {
  children: number;
  /** Listing axis → values at most. */
  values: readonly number[];
}

/** The options of one listing axis: which of so many each child has. */
export interface Options {
  count: number;
  /** Child number → place. */
  placeOf: Int32Array;
}

/** Makes pieces of children. Options are ticked off in tables, since thousands of pieces are made for every way to cut. */
export function pieceMaker(options: readonly Options[]): (numbers: readonly number[]) => Piece {
  const ticked = options.map(({ count }) => new Int32Array(count));
  let round = 0;
  return (numbers) => {
    round += 1;
    return {
      numbers,
      options: options.map(({ placeOf }, axis) => {
        const places: number[] = [];
        for (const number of numbers) {
          const place = placeOf[number]!;
          if (ticked[axis]![place] === round) continue;
          ticked[axis]![place] = round;
          places.push(place);
        }
        return places;
      }),
    };
  };
}

export const fits = ({ numbers, options }: Piece, limits: Limits): boolean =>
  numbers.length <= limits.children && options.every((places, axis) => places.length <= limits.values[axis]!);

/** Children by their value on an axis of the family, values in their order; those of a value as they stand. */
export function byValue(task: PlanTask, numbers: readonly number[], axis: number): number[][] {
  const column = columnsOf(task)[axis]!;
  const groups: number[][] = task.axes[axis]!.values.map(() => []);
  for (const number of numbers) groups[column[number]!]!.push(number);
  return groups.filter((group) => group.length > 0);
}

/** Children in the order of their values on an axis; those of a value as they stand. */
export function inValueOrder(task: PlanTask, numbers: readonly number[], axis: number): number[] {
  const column = columnsOf(task)[axis]!;
  const starts = new Int32Array(task.axes[axis]!.values.length + 1);
  for (const number of numbers) starts[column[number]! + 1]! += 1;
  for (let value = 1; value < starts.length; value++) starts[value]! += starts[value - 1]!;
  const sorted = new Array<number>(numbers.length);
  for (const number of numbers) sorted[starts[column[number]!]!++] = number;
  return sorted;
}

/** Values of an axis that more children have than go into one listing: no cut keeps them together. */
export function valuesTooLarge(task: PlanTask, numbers: readonly number[], axis: number, most: number): number {
  if (numbers.length <= most) return 0;
  const column = columnsOf(task)[axis]!;
  const counts = new Int32Array(task.axes[axis]!.values.length);
  for (const number of numbers) counts[column[number]!]! += 1;
  let large = 0;
  for (const count of counts) if (count > most) large += 1;
  return large;
}

/** The children of some pieces, one piece after the other. A loop: flattening lists takes ten times as long. */
export function numbersOf(pieces: readonly Piece[]): number[] {
  const numbers: number[] = [];
  for (const piece of pieces) for (const number of piece.numbers) numbers.push(number);
  return numbers;
}

/** Values of an axis whose children stand in more than one listing. */
export function valuesCutThrough(task: PlanTask, parts: readonly Piece[][], axis: number): number {
  const column = columnsOf(task)[axis]!;
  const first = new Int32Array(task.axes[axis]!.values.length).fill(-1);
  const cut = new Set<number>();
  for (let listing = 0; listing < parts.length; listing++) {
    for (const { numbers } of parts[listing]!) {
      for (const number of numbers) {
        const value = column[number]!;
        if (first[value] === -1) first[value] = listing;
        else if (first[value] !== listing) cut.add(value);
      }
    }
  }
  return cut.size;
}
