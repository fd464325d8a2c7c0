/** Packing pieces into the fewest listings there can be, by trying every way that may be better. */
import { emptyFilling, hasRoom, put, type Filling } from './packing';
import type { Limits, Piece } from './piece';

/** How much work is left; shared by all cuts of one search, so that none of them makes it long. */
export interface Budget {
  /** Steps of trying every way. */
  steps: number;
  /** Children that are cut, once for each axis. When they are used up only the likeliest ways are tried. */
  children: number;
}

/**
 * A packing with fewer than `below` listings and the fewest of all, or null where there is none. Stops early with `least` listings,
 * and, with what it has found so far, where the budget is used up (`steps` is then 0).
 * @param least a bound that no packing goes below
 */
export function fewestParts(
  pieces: readonly Piece[],
  limits: Limits,
  { below, least, budget }: { below: number; least: number; budget: Budget },
): Piece[][] | null {
  const sorted = pieces.toSorted((a, b) => b.numbers.length - a.numbers.length || width(b) - width(a));
  const left: number[] = [];
  let rest = 0;
  for (let at = sorted.length - 1; at >= 0; at--) left[at] = rest += sorted[at]!.numbers.length;
  let best: Piece[][] | null = null;
  let fewest = below;
  let free = 0;
  const parts: Filling[] = [];
  /** Emptied ones, to be filled again: thousands are tried. */
  const spare: Filling[] = [];
  /** What a listing held before the piece of this place went in. */
  const before = sorted.map((piece) => emptyFilling(piece));

  function place(at: number): void {
    if (fewest <= least || budget.steps <= 0) return;
    budget.steps -= 1;
    if (at === sorted.length) {
      fewest = parts.length;
      best = parts.map((part) => [...part.pieces]);
      return;
    }
    if (parts.length + Math.max(0, Math.ceil((left[at]! - free) / limits.children)) >= fewest) return;
    const piece = sorted[at]!;
    for (const part of parts) if (hasRoom(part, piece, limits)) tryIn(part, at);
    // Empty listings are all alike: one new one is enough to try.
    if (parts.length + 1 >= fewest) return;
    const fresh = spare.pop() ?? emptyFilling(piece);
    if (!hasRoom(fresh, piece, limits)) return void spare.push(fresh);
    parts.push(fresh);
    free += limits.children;
    tryIn(fresh, at);
    free -= limits.children;
    spare.push(parts.pop()!);
  }

  function tryIn(part: Filling, at: number): void {
    const piece = sorted[at]!;
    copy(part, before[at]!);
    put(part, piece);
    free -= piece.numbers.length;
    place(at + 1);
    free += piece.numbers.length;
    part.pieces.pop();
    copy(before[at]!, part);
  }

  place(0);
  return best;
}

/** What a listing holds, but for the pieces. */
function copy(from: Filling, to: Filling): void {
  to.children = from.children;
  for (let axis = 0; axis < from.counts.length; axis++) {
    to.counts[axis] = from.counts[axis]!;
    to.bits[axis]!.set(from.bits[axis]!);
  }
}

const width = ({ options }: Piece): number => options.reduce((sum, { count }) => sum + count, 0);
