/**
 * Cutting what is too large for one listing into the fewest there can be: along values of one axis where that is as good, in their
 * order and evenly, and never through an axis that is wished whole.
 */
import type { PlanTask } from '../shape';
import { keepingLive } from './keepLive';
import { leastParts } from './least';
import { evenly, inOrder, largestFirst } from './packing';
import type { CutOrder } from './order';
import { fits, groupedBy, pieceOf, valuesCutThrough, type Piece } from './piece';
import { fewestParts } from './search';

export interface Cut {
  /** Children's numbers by listing, each in the order of the weave. */
  parts: number[][];
  /** Values of the axis it is cut along that stand in several listings. */
  through: number;
  /** A bound that no cut goes below: where it is reached, or the search was not stopped, there are no fewer. */
  least: number;
}

/** Pieces beyond this number are packed, but not every way is tried. */
const SEARCHED = 40;

/** The cut, or null where some children that stay together are too many for one listing. */
export function cutListing(order: CutOrder): Cut | null {
  const { numbers, places, limits } = order;
  const all = pieceOf(numbers, places);
  if (fits(all, limits)) return { parts: [[...numbers]], through: 0, least: 1 };
  const atoms = atomsOf(order);
  if (limits.children < 1 || atoms.some((atom) => !fits(atom, limits))) return null;
  const least = leastParts(atoms, limits);
  const fresh = fewest(order, atoms, least);
  const kept = order.live.length > 0 ? keepingLive(order, atoms) : null;
  const { parts, through, isExact } = kept && kept.parts.length <= fresh.parts.length ? { ...fresh, ...kept } : fresh;
  const inWeaveOrder = parts.map((part) => part.flatMap((piece) => piece.numbers).sort((a, b) => a - b));
  inWeaveOrder.sort((a, b) => a[0]! - b[0]!);
  return { parts: inWeaveOrder, through, least: isExact ? parts.length : least };
}

/** The smallest pieces: single children, or all that only axes wished whole tell apart. */
function atomsOf({ task, numbers, places, along, whole }: CutOrder): Piece[] {
  if (whole.length === 0) return numbers.map((number) => pieceOf([number], places));
  const others = along.filter((axis) => !whole.includes(axis));
  const groups = others.length === 0 ? [[...numbers]] : groupedBy(task, numbers, others);
  return groups.map((group) => pieceOf(group, places));
}

interface Packed {
  parts: Piece[][];
  through: number;
  isExact: boolean;
}

function fewest(order: CutOrder, atoms: readonly Piece[], least: number): Packed {
  const { task, limits, budget } = order;
  const axes = order.along.filter((axis) => !order.whole.includes(axis));
  // Without any axis to cut along there is one atom, and that fits.
  let best: Omit<Packed, 'isExact'> = { parts: atoms.map((atom) => [atom]), through: Infinity };
  const offer = (parts: Piece[][] | null, axis: number | undefined): void => {
    if (!parts || parts.length > best.parts.length) return;
    const through = axis === undefined ? 0 : valuesCutThrough(task, parts, axis);
    if (parts.length < best.parts.length || through < best.through) best = { parts, through };
  };
  for (const axis of axes) offer(alongValues(order, axis, least), axis);
  if (best.parts.length > least) {
    for (const axis of axes) offer(inOrder(byAxis(task, atoms, axis), limits), axis);
    offer(largestFirst(atoms, limits), axes[0]);
  }
  if (best.parts.length > least && atoms.length <= SEARCHED) {
    offer(fewestParts(atoms, limits, { below: best.parts.length, least, budget }), axes[0]);
    return { ...best, isExact: budget.steps > 0 };
  }
  return { ...best, isExact: best.parts.length === least };
}

/** Whole values of an axis to a listing: in order where that is as good, else as they go in best. */
function alongValues(order: CutOrder, axis: number, least: number): Piece[][] | null {
  const { limits, budget } = order;
  const blocks = blocksOf(order, axis);
  const ordered = inOrder(blocks, limits);
  if (!ordered) return null;
  let parts = evenly(blocks, limits, ordered.length);
  if (parts.length > least) {
    const packed = largestFirst(blocks, limits);
    if (packed && packed.length < parts.length) parts = packed;
  }
  if (parts.length > least && blocks.length <= SEARCHED) {
    parts = fewestParts(blocks, limits, { below: parts.length, least, budget }) ?? parts;
  }
  return parts;
}

/** The children by their values on an axis; a value that is too large for a listing is cut by itself, along the other axes. */
function blocksOf(order: CutOrder, axis: number): Piece[] {
  const { task, numbers, places, limits } = order;
  const values = inValueOrder(task, groupedBy(task, numbers, [axis]), axis);
  return values.flatMap((value) => {
    const block = pieceOf(value, places);
    if (fits(block, limits)) return [block];
    const along = order.along.filter((one) => one !== axis);
    const within = cutListing({ ...order, numbers: value, along, live: [] });
    return within ? within.parts.map((part) => pieceOf(part, places)) : [block];
  });
}

const inValueOrder = ({ children }: PlanTask, groups: number[][], axis: number): number[][] =>
  groups.sort((a, b) => children[a[0]!]!.at[axis]! - children[b[0]!]!.at[axis]!);

/** Atoms in the order of one axis, those of a value in the order of the weave. */
const byAxis = ({ children }: PlanTask, atoms: readonly Piece[], axis: number): Piece[] =>
  atoms.toSorted((a, b) => children[a.numbers[0]!]!.at[axis]! - children[b.numbers[0]!]!.at[axis]!);
