/** Packing pieces into listings: in order, evenly, and the largest first. */
import { fits, type Limits, type Piece } from './piece';
import { addTicks, countTogether } from './ticks';

/** A listing that is being filled. */
export interface Filling {
  pieces: Piece[];
  children: number;
  /** Listing axis → which options are there. */
  bits: Int32Array[];
  /** Listing axis → how many. */
  counts: number[];
}

/** An empty listing for pieces like this one. */
export const emptyFilling = ({ options }: Pick<Piece, 'options'>): Filling => ({
  pieces: [],
  children: 0,
  bits: options.map(({ bits }) => new Int32Array(bits.length)),
  counts: options.map(() => 0),
});

/** Whether a piece goes in beside what is there. */
export function hasRoom({ children, bits, counts }: Filling, piece: Piece, limits: Limits): boolean {
  if (children + piece.numbers.length > limits.children) return false;
  for (let axis = 0; axis < counts.length; axis++) {
    const most = limits.values[axis]!;
    const more = piece.options[axis]!;
    if (counts[axis]! + more.count > most && countTogether(bits[axis]!, more.bits) > most) return false;
  }
  return true;
}

export function put(filling: Filling, piece: Piece): void {
  filling.pieces.push(piece);
  add(filling, piece);
}

/** Counts a piece in. */
function add(filling: Filling, piece: Piece): void {
  filling.children += piece.numbers.length;
  for (let axis = 0; axis < piece.options.length; axis++)
    filling.counts[axis] = addTicks(filling.bits[axis]!, piece.options[axis]!.bits);
}

function empty(filling: Filling): void {
  filling.children = 0;
  filling.bits.forEach((bits) => bits.fill(0));
  filling.counts.fill(0);
}

/** What is asked of a packing besides the channel's limits. */
interface Asked {
  /** So many children to a listing at most. */
  children?: number;
  /** No more listings than these. */
  listings?: number;
}

/**
 * Pieces in the order given, as many to a listing as go in: the fewest listings that keep the order, since whatever fits into a
 * listing fits without some of it, too. Null where a piece does not fit by itself, or where it takes more listings than asked for.
 */
export function inOrder(pieces: readonly Piece[], limits: Limits, asked?: Asked): Piece[][] | null {
  const starts = startsOf(pieces, limits, asked);
  return starts && partsAt(pieces, starts);
}

const partsAt = (pieces: readonly Piece[], starts: readonly number[]): Piece[][] =>
  starts.map((start, at) => pieces.slice(start, starts[at + 1]));

/** The place of the first piece of each listing. */
function startsOf(
  pieces: readonly Piece[],
  limits: Limits,
  { children = limits.children, listings = Infinity }: Asked = {},
): number[] | null {
  const starts: number[] = [];
  if (pieces.length === 0) return starts;
  const within = { ...limits, children };
  const filling = emptyFilling(pieces[0]!);
  for (let at = 0; at < pieces.length; at++) {
    const piece = pieces[at]!;
    if (starts.length === 0 || !hasRoom(filling, piece, within)) {
      if (!fits(piece, within) || starts.length >= listings) return null;
      starts.push(at);
      empty(filling);
    }
    add(filling, piece);
  }
  return starts;
}

/** The same in no more than so many listings, the largest as small as can be. */
export function evenly(pieces: readonly Piece[], limits: Limits, listings: number): Piece[][] {
  const total = pieces.reduce((sum, piece) => sum + piece.numbers.length, 0);
  let least = Math.ceil(total / listings);
  let most = Math.min(limits.children, total);
  let best: number[] | null = null;
  while (least <= most) {
    const children = Math.floor((least + most) / 2);
    const starts = startsOf(pieces, limits, { children, listings });
    if (starts) {
      best = starts;
      most = children - 1;
    } else least = children + 1;
  }
  return partsAt(pieces, best ?? startsOf(pieces, limits)!);
}

/**
 * The largest piece first, each into the first listing that has room for it. Null where a piece does not fit by itself, or where that
 * takes more than `most`.
 */
export function largestFirst(pieces: readonly Piece[], limits: Limits, most: number): Piece[][] | null {
  const parts: Filling[] = [];
  for (const piece of pieces.toSorted((a, b) => weightOf(b) - weightOf(a))) {
    let part = parts.find((one) => hasRoom(one, piece, limits));
    if (!part) {
      if (parts.length >= most || !fits(piece, limits)) return null;
      parts.push((part = emptyFilling(piece)));
    }
    put(part, piece);
  }
  return parts.map((part) => part.pieces);
}

/** By children, then by options. */
function weightOf({ numbers, options }: Piece): number {
  let most = 0;
  for (const { count } of options) most = Math.max(most, count);
  return numbers.length * 4096 + most;
}
