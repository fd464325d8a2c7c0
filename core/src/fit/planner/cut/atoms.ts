/** The smallest pieces that a cut may come down to. */
import { ChildSubset } from './childSubset';
import type { CutOrder } from './order';
import { fitsIn, pieceOf, type Piece } from './piece';

/**
 * Where every child has an option of its own, how many there may be limits children alone: such axes need not be
 * looked at.
 */
export function withoutOwn(order: CutOrder): CutOrder {
  const { subset, options, limits } = order;
  const isOwn = options.map((one) => subset.ticksOf(one).count === subset.size);
  return {
    ...order,
    options: options.filter((_, axis) => !isOwn[axis]),
    limits: {
      children: Math.min(limits.children, ...limits.values.filter((_, axis) => isOwn[axis])),
      values: limits.values.filter((_, axis) => !isOwn[axis]),
    },
  };
}

/** What a cut depends on, however many listings are wanted. */
type Cuttable = Pick<CutOrder, 'subset' | 'options' | 'limits' | 'along' | 'whole'>;

/** Whether there is any cut at all: none where children that stay together are too many for one listing. */
export function mayBeCut(order: Cuttable): boolean {
  const { options, limits, whole } = order;
  if (limits.children < 1 || limits.values.some((most) => most < 1)) return false;
  return whole.length === 0 || keptTogether(order).every((one) => fitsIn(one, options, limits));
}

/** Single children, or all that only axes wished whole tell apart. */
export function atomsOf(order: CutOrder): Piece[] {
  const { task, subset, options, whole } = order;
  if (whole.length === 0)
    return Array.from(subset.numbers, (number) => pieceOf(new ChildSubset(task, Int32Array.of(number)), options));
  return keptTogether(order).map((one) => pieceOf(one, options));
}

/** Children that only axes wished whole tell apart. */
export function keptTogether({ subset, along, whole }: Cuttable): readonly ChildSubset[] {
  const others = along.filter((axis) => !whole.includes(axis));
  return others.reduce<readonly ChildSubset[]>((some, axis) => some.flatMap((one) => one.byValue(axis)), [subset]);
}
