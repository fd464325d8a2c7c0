/** What is packed when a listing is cut: children that stay together, and the options they bring along. */
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

/** Listing axis → child number → place of its option. */
export type Places = readonly Int32Array[];

/** A piece of children. */
export function pieceOf(numbers: readonly number[], places: Places): Piece {
  const options = places.map((place) =>
    numbers.length === 1 ? [place[numbers[0]!]!] : [...new Set(numbers.map((number) => place[number]!))],
  );
  return { numbers, options };
}

/** Pieces put together. */
export function together(pieces: readonly Piece[]): Piece {
  if (pieces.length === 1) return pieces[0]!;
  return {
    numbers: pieces.flatMap((piece) => piece.numbers),
    options: pieces[0]!.options.map((_, axis) => [...new Set(pieces.flatMap((piece) => piece.options[axis]!))]),
  };
}

export const fits = ({ numbers, options }: Piece, limits: Limits): boolean =>
  numbers.length <= limits.children && options.every((places, axis) => places.length <= limits.values[axis]!);

/** Children grouped by what they have on some of the family's axes, in the order in which the groups are met first. */
export function groupedBy({ children }: PlanTask, numbers: readonly number[], axes: readonly number[]): number[][] {
  const groups = new Map<string | number, number[]>();
  for (const number of numbers) {
    const { at } = children[number]!;
    const key = axes.length === 1 ? at[axes[0]!]! : axes.map((axis) => at[axis]).join();
    const group = groups.get(key);
    if (group) group.push(number);
    else groups.set(key, [number]);
  }
  return [...groups.values()];
}

/** Values of an axis whose children stand in more than one listing. */
export function valuesCutThrough({ children }: PlanTask, parts: readonly Piece[][], axis: number): number {
  const first = new Map<number, number>();
  const cut = new Set<number>();
  parts.forEach((part, number) => {
    for (const child of together(part).numbers) {
      const value = children[child]!.at[axis]!;
      const there = first.get(value);
      if (there === undefined) first.set(value, number);
      else if (there !== number) cut.add(value);
    }
  });
  return cut.size;
}
