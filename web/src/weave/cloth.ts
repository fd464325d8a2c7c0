/**
 * The weave as cloth: threads along the side and the top, each a crossing of some axes, and the bands their heads make. Only what is needed
 * to draw a part of it is looked up, so that thousands of crossings cost no more than those in view.
 */
import { type Axis, type Child, type Family, type Value, familyIndex } from '@loom-kin/core/family';
import type { Spot } from '../common/arrows';

/** One row or column: a value of each axis along that edge, the outermost first. */
export interface Thread {
  at: Readonly<Record<string, string>>;
  values: readonly Value[];
}

/** A run of threads that share the values of the outer axes. */
export interface Band {
  axis: Axis;
  value: Value;
  /** First and last thread. */
  from: number;
  to: number;
}

/** Which axes run along which edge, the outermost first. */
export interface Edges {
  side: readonly string[];
  top: readonly string[];
}

export interface Cloth {
  rows: readonly Thread[];
  columns: readonly Thread[];
  /** Heads, a list for each axis along the edge, the outermost first. */
  sideBands: readonly (readonly Band[])[];
  topBands: readonly (readonly Band[])[];
  sideAxes: readonly Axis[];
  topAxes: readonly Axis[];
  childAt(row: number, column: number): Child | undefined;
  at(row: number, column: number): Record<string, string>;
  /** "Rust · XL · Unlined", in the order of the family's axes. */
  labelAt(row: number, column: number): string;
  /** What it was laid out from. */
  of: { axes: readonly Axis[]; woven: readonly Child[]; wanted: Edges | null };
}

/** More crossings than these are drawn only where children stand: a sparse family of six axes has millions of others. */
export const CROSSINGS_AT_MOST = 20_000;

/** The usual edges: the first axis along the side, the second along the top, all others as bands around the second. */
export function usualEdges(axes: readonly Axis[]): Edges {
  const [first, second, ...more] = axes.map((axis) => axis.id);
  return { side: first ? [first] : [], top: second ? [...more, second] : [] };
}

/** The seller's edges where they name every axis once; else the usual ones. */
export function edgesFor(axes: readonly Axis[], wanted: Edges | null): Edges {
  const named = wanted ? [...wanted.side, ...wanted.top] : [];
  const isWhole = named.length === axes.length && axes.every((axis) => named.includes(axis.id));
  return wanted && isWhole ? wanted : usualEdges(axes);
}

/** Lays a family out. */
export function clothOf(family: Family, wanted: Edges | null = null): Cloth {
  const edges = edgesFor(family.axes, wanted);
  const { axisById, byCrossing, valueById, woven } = familyIndex(family);
  const sideAxes = edges.side.map((id) => axisById.get(id)!);
  const topAxes = edges.top.map((id) => axisById.get(id)!);
  const crossings = family.axes.reduce((product, axis) => product * axis.values.length, 1);
  const isSparse = crossings > CROSSINGS_AT_MOST;
  const rows = isSparse ? usedThreads(family, sideAxes) : allThreads(sideAxes);
  const columns = isSparse ? usedThreads(family, topAxes) : allThreads(topAxes);
  const at = (row: number, column: number) => ({ ...rows[row]!.at, ...columns[column]!.at });
  const keyAt = remembered((row, column) => {
    const [side, top] = [rows[row]!.at, columns[column]!.at];
    return family.axes.map((axis) => side[axis.id] ?? top[axis.id] ?? '').join('|');
  });
  return {
    rows,
    columns,
    sideAxes,
    topAxes,
    at,
    sideBands: bandsOf(sideAxes, rows),
    topBands: bandsOf(topAxes, columns),
    childAt: (row, column) => byCrossing.get(keyAt(row, column)),
    labelAt: remembered((row, column) => {
      const [side, top] = [rows[row]!.at, columns[column]!.at];
      return family.axes.map((axis) => valueById.get(side[axis.id] ?? top[axis.id] ?? '')?.label ?? '').join(' · ');
    }),
    of: { axes: family.axes, woven, wanted },
  };
}

/** Keeps what was made for a crossing: it is asked for at every drawing. */
function remembered(make: (row: number, column: number) => string): (row: number, column: number) => string {
  const made = new Map<string, string>();
  return (row, column) => {
    const name = `${row}.${column}`;
    let text = made.get(name);
    if (text === undefined) made.set(name, (text = make(row, column)));
    return text;
  };
}

/** Whether a family would be laid out the same: the same values of the same axes, and children at the same crossings. */
export function isSameCloth(cloth: Cloth, family: Family, wanted: Edges | null): boolean {
  const { axes, woven, wanted: before } = cloth.of;
  if (before !== wanted || axes.length !== family.axes.length) return false;
  const isSame = (value: Value, other: Value | undefined) =>
    value.id === other?.id && value.label === other.label && value.swatch === other.swatch;
  const sameAxes = family.axes.every((axis, at) => {
    const other = axes[at]!;
    if (axis === other) return true;
    return (
      axis.id === other.id &&
      axis.label === other.label &&
      axis.values.length === other.values.length &&
      axis.values.every((value, place) => isSame(value, other.values[place]))
    );
  });
  const now = familyIndex(family).woven;
  return sameAxes && now.length === woven.length && now.every((child, at) => child.id === woven[at]!.id);
}

const threadOf = (axes: readonly Axis[], values: readonly Value[]): Thread => ({
  at: Object.fromEntries(axes.map((axis, place) => [axis.id, values[place]!.id])),
  values,
});

function allThreads(axes: readonly Axis[]): Thread[] {
  const combinations = axes.reduce<Value[][]>(
    (rows, axis) => rows.flatMap((row) => axis.values.map((value) => [...row, value])),
    [[]],
  );
  return combinations.map((values) => threadOf(axes, values));
}

/** Threads on which a child stands. */
function usedThreads(family: Family, axes: readonly Axis[]): Thread[] {
  const { woven, valueById, rank } = familyIndex(family);
  const found = new Map<string, Value[]>();
  for (const child of woven) {
    const ids = axes.map((axis) => child.at[axis.id]!);
    const key = ids.join('|');
    if (!found.has(key))
      found.set(
        key,
        ids.map((id) => valueById.get(id)!),
      );
  }
  const ranks = (values: readonly Value[]) => values.map((value) => rank.get(value.id)!);
  return [...found.values()]
    .map((values) => ({ values, ranks: ranks(values) }))
    .sort((a, b) => compareRanks(a.ranks, b.ranks))
    .map(({ values }) => threadOf(axes, values));
}

function compareRanks(one: readonly number[], other: readonly number[]): number {
  const at = one.findIndex((rank, place) => rank !== other[place]);
  return at < 0 ? 0 : one[at]! - other[at]!;
}

function bandsOf(axes: readonly Axis[], threads: readonly Thread[]): Band[][] {
  return axes.map((axis, level) => {
    const bands: Band[] = [];
    threads.forEach(({ values }, at) => {
      const before = at > 0 ? threads[at - 1]!.values : null;
      const goesOn = before !== null && values.slice(0, level + 1).every((value, place) => value === before[place]);
      if (goesOn) bands.at(-1)!.to = at;
      else bands.push({ axis, value: values[level]!, from: at, to: at });
    });
    return bands;
  });
}

/** Children of a rectangle of crossings, woven ones. */
export function childrenIn(cloth: Cloth, from: Spot, to: Spot): Child[] {
  const [x, x1] = from.x < to.x ? [from.x, to.x] : [to.x, from.x];
  const [y, y1] = from.y < to.y ? [from.y, to.y] : [to.y, from.y];
  const found: Child[] = [];
  for (let row = Math.max(0, y); row <= Math.min(y1, cloth.rows.length - 1); row++) {
    for (let column = Math.max(0, x); column <= Math.min(x1, cloth.columns.length - 1); column++) {
      const child = cloth.childAt(row, column);
      if (child?.woven) found.push(child);
    }
  }
  return found;
}

/** The band that a head is; undefined for a crossing. Heads have negative numbers, the innermost -1. */
export function bandAt(cloth: Cloth, { x, y }: Spot): Band | undefined {
  const level = (bands: readonly (readonly Band[])[], depth: number) => bands[bands.length + depth];
  if (y < 0 && x >= 0) return level(cloth.topBands, y)?.find((band) => band.from <= x && x <= band.to);
  if (x < 0 && y >= 0) return level(cloth.sideBands, x)?.find((band) => band.from <= y && y <= band.to);
  return undefined;
}

/** How large crossings are drawn: pixels, and what they have room for. */
export const ZOOMS = [
  { name: 'Overview', width: 15, height: 13, shows: 'worst' },
  { name: 'Small', width: 32, height: 22, shows: 'ticks' },
  { name: 'Middle', width: 54, height: 32, shows: 'ticks' },
  { name: 'Large', width: 92, height: 44, shows: 'ticks' },
] as const;
