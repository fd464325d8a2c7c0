/** Packing pieces into listings: in order, evenly, and the largest first. */
import { fits, type Limits, type Options, type Piece } from './piece';

/** A listing that is being filled. */
export interface Filling {
  pieces: Piece[];
  children: number;
  /** Listing axis → place of an option → 1 where it is there. */
  has: Uint8Array[];
  /** Listing axis → options that are there. */
  options: number[];
}

/** @param counts how many options each listing axis has */
export function emptyFilling(counts: readonly number[]): Filling {
  return {
    pieces: [],
    children: 0,
    has: counts.map((count) => new Uint8Array(count)),
    options: counts.map(() => 0),
  };
}

/** Whether a piece goes in beside what is there. */
export function hasRoom({ children, has, options }: Filling, piece: Piece, limits: Limits): boolean {
  if (children + piece.numbers.length > limits.children) return false;
  for (let axis = 0; axis < options.length; axis++) {
    let free = limits.values[axis]! - options[axis]!;
    for (const place of piece.options[axis]!) if (has[axis]![place] === 0 && --free < 0) return false;
  }
  return true;
}

export function put(filling: Filling, piece: Piece): void {
  filling.pieces.push(piece);
  filling.children += piece.numbers.length;
  piece.options.forEach((places, axis) => {
    for (const place of places) {
      filling.options[axis]! += 1 - filling.has[axis]![place]!;
      filling.has[axis]![place] = 1;
    }
  });
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
export function inOrder(
  pieces: readonly Piece[],
  limits: Limits,
  counts: readonly number[],
  { children: childrenAtMost = limits.children, listings = Infinity }: Asked = {},
): Piece[][] | null {
  const parts: Piece[][] = [];
  /** Listing axis → place of an option → number of the last listing that has it. */
  const last = counts.map((count) => new Int32Array(count));
  const free = counts.map(() => -1);
  let children = Infinity;
  for (const piece of pieces) {
    if (!goesIn(piece, last, free, parts.length) || children + piece.numbers.length > childrenAtMost) {
      if (piece.numbers.length > childrenAtMost || !fits(piece, limits) || parts.length >= listings) return null;
      parts.push([]);
      children = 0;
      limits.values.forEach((most, axis) => (free[axis] = most));
    }
    parts.at(-1)!.push(piece);
    children += piece.numbers.length;
    for (let axis = 0; axis < free.length; axis++) {
      for (const place of piece.options[axis]!) {
        if (last[axis]![place] === parts.length) continue;
        last[axis]![place] = parts.length;
        free[axis]! -= 1;
      }
    }
  }
  return parts;
}

function goesIn(piece: Piece, last: readonly Int32Array[], free: readonly number[], listing: number): boolean {
  for (let axis = 0; axis < free.length; axis++) {
    let left = free[axis]!;
    for (const place of piece.options[axis]!) if (last[axis]![place] !== listing && --left < 0) return false;
  }
  return true;
}

/** The same for single children, without making pieces of them: where each listing begins. Null where it takes as many as `below`. */
export function startsInOrder(
  numbers: readonly number[],
  options: readonly Options[],
  limits: Limits,
  below: number,
): number[] | null {
  const last = options.map(({ count }) => new Int32Array(count));
  const free = limits.values.map(() => 0);
  const starts: number[] = [];
  let children = Infinity;
  for (let at = 0; at < numbers.length; at++) {
    const number = numbers[at]!;
    let goes = children < limits.children;
    for (let axis = 0; goes && axis < free.length; axis++) {
      goes = free[axis]! > 0 || last[axis]![options[axis]!.placeOf[number]!] === starts.length;
    }
    if (!goes) {
      if (starts.push(at) >= below) return null;
      children = 0;
      for (let axis = 0; axis < free.length; axis++) free[axis] = limits.values[axis]!;
    }
    children += 1;
    for (let axis = 0; axis < free.length; axis++) {
      const place = options[axis]!.placeOf[number]!;
      if (last[axis]![place] === starts.length) continue;
      last[axis]![place] = starts.length;
      free[axis]! -= 1;
    }
  }
  return starts;
}

/** The same in no more than so many listings, the largest as small as can be. */
export function evenly(
  pieces: readonly Piece[],
  limits: Limits,
  counts: readonly number[],
  listings: number,
): Piece[][] {
  const total = pieces.reduce((sum, piece) => sum + piece.numbers.length, 0);
  let least = Math.ceil(total / listings);
  let most = Math.min(limits.children, total);
  let best: Piece[][] | null = null;
  while (least <= most) {
    const middle = Math.floor((least + most) / 2);
    const parts = inOrder(pieces, limits, counts, { children: middle, listings });
    if (parts) {
      best = parts;
      most = middle - 1;
    } else least = middle + 1;
  }
  return best ?? inOrder(pieces, limits, counts)!;
}

/**
 * The largest piece first, each into the first listing that has room for it. Null where a piece does not fit by itself, or where that
 * takes more than `most`.
 */
export function largestFirst(
  pieces: readonly Piece[],
  limits: Limits,
  counts: readonly number[],
  most: number,
): Piece[][] | null {
  const parts: Filling[] = [];
  const weights = new Map(pieces.map((piece) => [piece, weightOf(piece)]));
  for (const piece of pieces.toSorted((a, b) => weights.get(b)! - weights.get(a)!)) {
    let part = parts.find((one) => hasRoom(one, piece, limits));
    if (!part) {
      if (parts.length >= most || !fits(piece, limits)) return null;
      parts.push((part = emptyFilling(counts)));
    }
    put(part, piece);
  }
  return parts.map((part) => part.pieces);
}

/** Single children, each into the first listing that has room for it. Null where that takes more than `most`. */
export function intoFirst(
  numbers: readonly number[],
  options: readonly Options[],
  limits: Limits,
  most: number,
): number[][] | null {
  const parts: { numbers: number[]; has: Uint8Array[]; free: number[] }[] = [];
  const hasRoomFor = (part: (typeof parts)[number], number: number): boolean => {
    if (part.numbers.length >= limits.children) return false;
    for (let axis = 0; axis < options.length; axis++)
      if (part.free[axis]! <= 0 && part.has[axis]![options[axis]!.placeOf[number]!] === 0) return false;
    return true;
  };
  for (const number of numbers) {
    let part = parts.find((one) => hasRoomFor(one, number));
    if (!part) {
      if (parts.length >= most) return null;
      const has = options.map(({ count }) => new Uint8Array(count));
      parts.push((part = { numbers: [], has, free: [...limits.values] }));
    }
    part.numbers.push(number);
    for (let axis = 0; axis < options.length; axis++) {
      const place = options[axis]!.placeOf[number]!;
      part.free[axis]! -= 1 - part.has[axis]![place]!;
      part.has[axis]![place] = 1;
    }
  }
  return parts.map((part) => part.numbers);
}

/** By children, then by options. */
function weightOf({ numbers, options }: Piece): number {
  let most = 0;
  for (const places of options) most = Math.max(most, places.length);
  return numbers.length * 4096 + most;
}
