/** Packing pieces into listings: in order, evenly, and the largest first. */
import { fits, type Limits, type Piece } from './piece';

/** A listing that is being filled. */
export interface Filling {
  pieces: Piece[];
  children: number;
  /** Listing axis → places of the options in it. */
  options: Set<number>[];
}

export function emptyFilling(limits: Limits): Filling {
  return { pieces: [], children: 0, options: limits.values.map(() => new Set<number>()) };
}

/** Whether a piece goes in beside what is there. */
export function hasRoom({ children, options }: Filling, piece: Piece, limits: Limits): boolean {
  if (children + piece.numbers.length > limits.children) return false;
  return options.every((there, axis) => {
    let free = limits.values[axis]! - there.size;
    for (const place of piece.options[axis]!) if (!there.has(place) && --free < 0) return false;
    return true;
  });
}

export function put(filling: Filling, piece: Piece): void {
  filling.pieces.push(piece);
  filling.children += piece.numbers.length;
  piece.options.forEach((places, axis) => places.forEach((place) => filling.options[axis]!.add(place)));
}

/**
 * Pieces in the order given, as many to a listing as go in: the fewest listings that keep the order, since whatever fits into a
 * listing fits without some of it, too. Null where a piece does not fit by itself.
 */
export function inOrder(pieces: readonly Piece[], limits: Limits): Piece[][] | null {
  const parts: Piece[][] = [];
  let open: Filling | null = null;
  for (const piece of pieces) {
    if (!open || !hasRoom(open, piece, limits)) {
      if (!fits(piece, limits)) return null;
      open = emptyFilling(limits);
      parts.push(open.pieces);
    }
    put(open, piece);
  }
  return parts;
}

/** The same in no more than `count` listings, the largest as small as can be. */
export function evenly(pieces: readonly Piece[], limits: Limits, count: number): Piece[][] {
  const total = pieces.reduce((sum, piece) => sum + piece.numbers.length, 0);
  let least = Math.ceil(total / count);
  let most = Math.min(limits.children, total);
  let best: Piece[][] | null = null;
  while (least <= most) {
    const children = Math.floor((least + most) / 2);
    const parts = inOrder(pieces, { ...limits, children });
    if (parts && parts.length <= count) {
      best = parts;
      most = children - 1;
    } else least = children + 1;
  }
  return best ?? inOrder(pieces, limits)!;
}

/** The largest piece first, each into the first listing that has room for it; `begun` are listings that hold something already. */
export function largestFirst(
  pieces: readonly Piece[],
  limits: Limits,
  begun: readonly Filling[] = [],
): Piece[][] | null {
  const parts = [...begun];
  const weight = (piece: Piece) => piece.numbers.length * 4096 + Math.max(0, ...piece.options.map((one) => one.length));
  for (const piece of pieces.toSorted((a, b) => weight(b) - weight(a))) {
    let part = parts.find((one) => hasRoom(one, piece, limits));
    if (!part) {
      if (!fits(piece, limits)) return null;
      parts.push((part = emptyFilling(limits)));
    }
    put(part, piece);
  }
  return parts.map((part) => part.pieces);
}
