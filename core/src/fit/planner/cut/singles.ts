/** Packing single children, without making a piece of each. */
import type { ChildSubset, Options } from './childSubset';
import type { Limits } from './piece';
import { wordsFor, type Ticks } from './ticks';

/**
 * Children in the order given, as many to a listing as go in: where each begins. Null where it takes as many as
 * `below`.
 */
export function startsInOrder(
  numbers: Int32Array,
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
    for (let axis = 0; goes && axis < free.length; axis++)
      goes = free[axis]! > 0 || last[axis]![options[axis]!.placeOf[number]!] === starts.length;
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

/**
 * The options of every listing axis in runs of no more than a listing may show, and a listing for each crossing of runs. Null where one
 * is too large, or where that takes more than `most`.
 */
export function inRuns(
  subset: ChildSubset,
  options: readonly Options[],
  limits: Limits,
  most: number,
): Int32Array[] | null {
  const places = options.map((one, axis) => runsOf(subset.ticksOf(one), one.count, limits.values[axis]!));
  const members = new Map<number, number[]>();
  for (let at = 0; at < subset.size; at++) {
    const number = subset.numbers[at]!;
    let run = 0;
    for (let axis = 0; axis < options.length; axis++) {
      const { runOf, count } = places[axis]!;
      run = run * count + runOf[options[axis]!.placeOf[number]!]!;
    }
    const there = members.get(run);
    if (!there) {
      if (members.size >= most) return null;
      members.set(run, [number]);
    } else if (there.push(number) > limits.children) return null;
  }
  return [...members.values()].map((some) => Int32Array.from(some));
}

/** Place of an option → its run, of as few and as even ones as can be. */
function runsOf({ bits, count: options }: Ticks, count: number, most: number): { runOf: Int32Array; count: number } {
  const runs = Math.ceil(options / most);
  const runOf = new Int32Array(count);
  let nth = 0;
  for (let place = 0; place < count; place++)
    if ((bits[place >>> 5]! >>> (place & 31)) & 1) runOf[place] = Math.floor((nth++ * runs) / options);
  return { runOf, count: runs };
}

/** Listings side by side, a bit for each: whether they take a child is told for 32 of them at a time. */
interface Row {
  children: number[];
  /** Listings that are not full. */
  open: Int32Array;
  axes: RowAxis[];
}

interface RowAxis {
  placeOf: Int32Array;
  /** Place of an option, times the words of a row → listings that have it. */
  having: Int32Array;
  /** Listings that may take a further option. */
  room: Int32Array;
  /** Listing → options it may still take. */
  free: number[];
}

/** Each child into the first listing that has room for it. Null where that takes more than `most`. */
export function intoFirst(
  numbers: Int32Array,
  options: readonly Options[],
  limits: Limits,
  most: number,
): Int32Array[] | null {
  const words = wordsFor(Math.min(most, numbers.length));
  const row: Row = {
    children: [],
    open: new Int32Array(words),
    axes: options.map(({ count, placeOf }) => ({
      placeOf,
      having: new Int32Array(count * words),
      room: new Int32Array(words),
      free: [],
    })),
  };
  const listingOf = new Int32Array(numbers.length);
  for (let at = 0; at < numbers.length; at++) {
    let listing = firstWithRoom(row, numbers[at]!);
    if (listing < 0) {
      if (row.children.length >= most) return null;
      listing = begin(row, limits);
    }
    goIn(row, listing, numbers[at]!, limits);
    listingOf[at] = listing;
  }
  const parts = row.children.map((some) => new Int32Array(some));
  const filled = parts.map(() => 0);
  for (let at = 0; at < numbers.length; at++) parts[listingOf[at]!]![filled[listingOf[at]!]!++] = numbers[at]!;
  return parts;
}

function firstWithRoom({ open, axes }: Row, number: number): number {
  for (let word = 0; word < open.length; word++) {
    let takes = open[word]!;
    for (let axis = 0; takes !== 0 && axis < axes.length; axis++) {
      const { placeOf, having, room } = axes[axis]!;
      takes &= having[placeOf[number]! * open.length + word]! | room[word]!;
    }
    // The lowest bit that is set.
    if (takes !== 0) return word * 32 + 31 - Math.clz32(takes & -takes);
  }
  return -1;
}

function begin({ children, open, axes }: Row, limits: Limits): number {
  const listing = children.push(0) - 1;
  open[listing >>> 5]! |= 1 << (listing & 31);
  axes.forEach(({ room, free }, axis) => {
    free.push(limits.values[axis]!);
    room[listing >>> 5]! |= 1 << (listing & 31);
  });
  return listing;
}

function goIn({ children, open, axes }: Row, listing: number, number: number, limits: Limits): void {
  const word = listing >>> 5;
  const bit = 1 << (listing & 31);
  if (++children[listing]! >= limits.children) open[word]! &= ~bit;
  for (const { placeOf, having, room, free } of axes) {
    const at = placeOf[number]! * open.length + word;
    if ((having[at]! & bit) !== 0) continue;
    having[at]! |= bit;
    if (--free[listing]! <= 0) room[word]! &= ~bit;
  }
}
