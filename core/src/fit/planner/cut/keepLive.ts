/** A cut in which live listings keep their children, and what is new goes into them or into new ones. */
import { Lot } from './lot';
import type { CutOrder } from './order';
import { emptyFilling, evenly, hasRoom, inOrder, put, type Filling } from './packing';
import { numbersOf, pieceOf, valuesCutThrough, type Piece } from './piece';

/** The packing, or null where what stands in a live listing is too much for one by now. */
export function keepingLive(order: CutOrder, atoms: readonly Piece[]): { parts: Piece[][]; through: number } | null {
  const { limits, task, along, whole } = order;
  const home = new Map<number, number>();
  order.live.forEach((numbers, listing) => numbers.forEach((number) => home.set(number, listing)));
  const begun = order.live.map(() => emptyFilling(atoms[0]!));
  const fresh: Piece[] = [];
  for (const atom of atoms) {
    const known = atom.numbers.find((number) => home.has(number));
    const listing = known === undefined ? undefined : home.get(known);
    if (listing === undefined) fresh.push(atom);
    else if (hasRoom(begun[listing]!, atom, limits)) put(begun[listing]!, atom);
    else return null;
  }
  const standing = begun.filter((filling) => filling.pieces.length > 0);
  const axis = along.find((one) => !whole.includes(one));
  const left = blocksOf(order, fresh, axis).filter((block) => !joinStanding(order, standing, block, axis));
  const rest = inOrder(left, limits);
  if (!rest) return null;
  const parts = [
    ...standing.map((filling) => filling.pieces),
    ...(left.length > 0 ? evenly(left, limits, rest.length) : []),
  ];
  return { parts, through: axis === undefined ? 0 : valuesCutThrough(task, parts, axis) };
}

/** What is new, value by value of the axis that is cut along. */
function blocksOf({ task, options }: CutOrder, fresh: readonly Piece[], axis: number | undefined): Piece[] {
  if (axis === undefined || fresh.length === 0) return [...fresh];
  return new Lot(task, numbersOf(fresh)).byValue(axis).map((lot) => pieceOf(lot, options));
}

/** Puts a block into the listing that has its value already, else into the first that has room. */
function joinStanding(order: CutOrder, standing: Filling[], block: Piece, axis: number | undefined): boolean {
  const { children } = order.task;
  const valueOf = (number: number) => (axis === undefined ? undefined : children[number]!.at[axis]);
  const value = valueOf(block.numbers[0]!);
  const hasValue = (filling: Filling) =>
    filling.pieces.some((piece) => piece.numbers.some((number) => valueOf(number) === value));
  const open = standing.filter((filling) => hasRoom(filling, block, order.limits));
  const chosen = open.find(hasValue) ?? open[0];
  if (chosen) put(chosen, block);
  return chosen !== undefined;
}
