/** How many listings some pieces need at the very least. */
import type { Limits, Piece } from './piece';

/**
 * A bound that no packing goes below: by children, by values of each axis, and by how often each value has to stand. Children
 * never are alike, so that a listing holds at most as many as its values make combinations.
 */
export function leastParts(pieces: readonly Piece[], limits: Limits): number {
  const total = pieces.reduce((sum, piece) => sum + piece.numbers.length, 0);
  /** Children that have each option, by axis. */
  const having = limits.values.map((_, axis) => childrenByOption(pieces, axis));
  const room = limits.values.map((most, axis) => Math.min(most, having[axis]!.size));
  let least = Math.ceil(total / Math.min(limits.children, product(room)));
  having.forEach((counts, axis) => {
    const beside = Math.min(limits.children, product(room.filter((_, other) => other !== axis)));
    // So many listings each of its values has to stand in.
    let standings = 0;
    for (const count of counts.values()) standings += Math.ceil(count / beside);
    least = Math.max(least, Math.ceil(standings / limits.values[axis]!));
  });
  return least;
}

const product = (numbers: readonly number[]): number => numbers.reduce((all, one) => all * one, 1);

/** A piece's children are told to have an option only where the piece has no other: else it is not known which of them do. */
function childrenByOption(pieces: readonly Piece[], axis: number): Map<number, number> {
  const counts = new Map<number, number>();
  for (const { numbers, options } of pieces) {
    const places = options[axis]!;
    for (const place of places) {
      const more = places.length === 1 ? numbers.length : 1;
      counts.set(place, (counts.get(place) ?? 0) + more);
    }
  }
  return counts;
}
