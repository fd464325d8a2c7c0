/** Packing pieces into the fewest listings there can be, by trying every way that may be better. */
import type { Limits, Piece } from './piece';

/** How much work is left; shared by all cuts of one question, so that none of them makes it long. */
export interface Budget {
  /** Steps of trying every way. */
  steps: number;
  /** Children that are cut, once for each axis. When they are used up only the likeliest ways are tried. */
  children: number;
}

/** A listing while ways are tried: pieces are put in and taken out again. */
interface Tried {
  pieces: Piece[];
  children: number;
  /** Listing axis → place of an option → pieces that have it. */
  having: Int32Array[];
  /** Listing axis → options that some piece has. */
  options: number[];
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
  const ranges = limits.values.map((_, axis) => countOf(pieces, axis));
  const left: number[] = [];
  let rest = 0;
  for (let at = sorted.length - 1; at >= 0; at--) left[at] = rest += sorted[at]!.numbers.length;
  let best: Piece[][] | null = null;
  let fewest = below;
  let free = 0;
  const parts: Tried[] = [];
  /** Emptied ones, to be filled again: thousands are tried. */
  const spare: Tried[] = [];

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
    for (const part of parts) if (canTake(part, piece, limits)) tryIn(part, at);
    // Empty listings are all alike: one new one is enough to try.
    if (parts.length + 1 >= fewest) return;
    const fresh = spare.pop() ?? emptyTried(ranges);
    if (!canTake(fresh, piece, limits)) return void spare.push(fresh);
    parts.push(fresh);
    free += limits.children;
    tryIn(fresh, at);
    free -= limits.children;
    spare.push(parts.pop()!);
  }

  function tryIn(part: Tried, at: number): void {
    const piece = sorted[at]!;
    move(part, piece, 1);
    free -= piece.numbers.length;
    place(at + 1);
    free += piece.numbers.length;
    move(part, piece, -1);
  }

  place(0);
  return best;
}

/** So many places an axis has, as far as these pieces tell. */
function countOf(pieces: readonly Piece[], axis: number): number {
  let count = 0;
  for (const { options } of pieces) for (const place of options[axis]!) count = Math.max(count, place + 1);
  return count;
}

const width = ({ options }: Piece): number => options.reduce((sum, places) => sum + places.length, 0);

function emptyTried(ranges: readonly number[]): Tried {
  const having = ranges.map((range) => new Int32Array(range));
  return { pieces: [], children: 0, having, options: ranges.map(() => 0) };
}

function canTake({ children, having, options }: Tried, piece: Piece, limits: Limits): boolean {
  if (children + piece.numbers.length > limits.children) return false;
  for (let axis = 0; axis < options.length; axis++) {
    let room = limits.values[axis]! - options[axis]!;
    for (const place of piece.options[axis]!) if (having[axis]![place] === 0 && --room < 0) return false;
  }
  return true;
}

/** Puts a piece in (1), or takes the one put in last out again (-1). */
function move(part: Tried, piece: Piece, sign: 1 | -1): void {
  if (sign > 0) part.pieces.push(piece);
  else part.pieces.pop();
  part.children += sign * piece.numbers.length;
  piece.options.forEach((places, axis) => {
    const having = part.having[axis]!;
    for (const place of places) {
      if (having[place] === 0) part.options[axis]! += 1;
      having[place]! += sign;
      if (having[place] === 0) part.options[axis]! -= 1;
    }
  });
}
