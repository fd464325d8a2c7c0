/**
 * The best cut of some children for a shape: live listings kept where that takes no more, and what was cut alike
 * before taken from memory.
 */
import type { SearchContext } from '../searchContext';
import type { Shape } from '../shape';
import { cutListing, type Cut, type TooMany } from './cut';
import { cutKeeping } from './keepLive';
import { leastParts } from './least';
import { ChildSubset } from './childSubset';
import type { CutOrder } from './order';
import { fitsIn, type Limits } from './piece';

export interface CutAsked {
  shape: Shape;
  /** The place of the children's combination of what is split. */
  place: number;
  order: CutOrder;
  /** Children of each live listing that goes on here. */
  live: readonly ChildSubset[];
}

/** Null where there is no cut at all. */
export function bestCut(context: SearchContext, asked: CutAsked): Cut | TooMany | null {
  const { order, live } = asked;
  const fresh = cutKnown(context, asked);
  if (!fresh || live.length === 0) return fresh;
  const kept = cutKeeping({ ...order, most: Math.min(order.most, fresh.parts?.length ?? Infinity) }, live);
  return kept ? { ...fresh, ...kept } : fresh;
}

/**
 * A cut as it was made before for a shape that differs from this one only in which axis leads: limits alone tell
 * those apart.
 */
function cutKnown(context: SearchContext, { shape, place, order }: CutAsked): Cut | TooMany | null {
  const { most, limits, along, whole } = order;
  const shown = shape.groups.map((group, at) => `${group.toSorted((a, b) => a - b).join('+')}≤${limits.values[at]}`);
  const key = `${shape.split.join()}|${place}|${along.join()}|${whole.join()}`;
  const own = `${key}|${shown.sort().join()}`;
  const there = context.cuts.get(own);
  if (there && (there.cut === null || there.cut.parts || there.most >= most)) return there.cut;
  const cut = cutAlike(context, key, order) ?? cutListing(order);
  context.cuts.set(own, { cut, most });
  return cut;
}

/**
 * The cut that is best where values are not limited, where that keeps to the limits. It is remembered: many shapes show the same axes,
 * grouped otherwise, and without such limits that makes no difference to a cut.
 */
function cutAlike({ cuts }: SearchContext, key: string, order: CutOrder): Cut | TooMany | null {
  const { task, subset, options, limits, least } = order;
  const free: Limits = { ...limits, values: limits.values.map(() => Infinity) };
  const freeLeast = leastParts(subset, options, free);
  if (freeLeast < least) return null;
  let there = cuts.get(key);
  if (there === undefined) {
    const unbound = { ...order, limits: free, least: freeLeast, most: Infinity };
    cuts.set(key, (there = { cut: cutListing(unbound), most: Infinity }));
  }
  const isWithin = (part: Int32Array) => fitsIn(new ChildSubset(task, part), options, limits);
  return there.cut?.parts?.every(isWithin) ? there.cut : null;
}
