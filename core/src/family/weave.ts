/**
 * Reading the weave: children in order, crossings, labels. Indexes are kept per family object, which never changes in
 * place.
 */
import { surchargedKey } from '../money/surcharge';
import { Refusal } from '../refusal/refusal';
import { foldLabel } from './foldLabel';
import type { Column } from './columnShape';
import { figureIn, type Scopes } from './scope';
import { type Axis, type Carrier, type Child, type Combination, type Family, type Value } from './shape';
import { type Place } from '../place/place';

export interface FamilyIndex {
  axisById: ReadonlyMap<string, Axis>;
  valueById: ReadonlyMap<string, Value>;
  /** value id → place of the value in its axis */
  rank: ReadonlyMap<string, number>;
  /** Woven children in the order of the weave: first axis slowest, values in their own order. */
  woven: readonly Child[];
  /** Combinations of values that have pictures, those of more values first, then in the order of the axes. */
  combinations: readonly Combination[];
  /** crossing key → child, woven or not */
  byCrossing: ReadonlyMap<string, Child>;
  /** Fields that stand on any value for everywhere: for all others inheritance need not look there. */
  keysOnValues: ReadonlySet<string>;
  /** Fields that stand on any child for everywhere. */
  keysOnChildren: ReadonlySet<string>;
  /** Fields that some value has a surcharge on, in whatever scope. */
  surcharged: ReadonlySet<string>;
  /** Scope → fields that stand in it anywhere in the family. */
  keysInScope: ReadonlyMap<string, ReadonlySet<string>>;
  /** child id → position among the woven children */
  position: ReadonlyMap<string, number>;
  /** Positions of all woven children. */
  positions: readonly number[];
  /** Positions of the woven children that have a value. */
  positionsOf(valueId: string): readonly number[];
  /** The value of an axis that a label means, however it is spelled (see `foldLabel`). */
  valueCalled(axisId: string, label: string): Value | undefined;
  /** Fields for all children at once, as far as somebody asked (see `columnOf`). */
  columns: Map<string, Column>;
}

const indexes = new WeakMap<Family, FamilyIndex>();

/**
 * Everything that is looked up by id, each kind of it made when somebody first asks: a change mostly needs one or two. Kept for a
 * frozen family; one that may still change is read anew at every call, so whoever loads a family freezes it first (`freeze`).
 */
export function familyIndex(family: Family): FamilyIndex {
  const known = indexes.get(family);
  if (known) return known;
  const index = new LazyIndex(family);
  if (Object.isFrozen(family)) indexes.set(family, index);
  return index;
}

class LazyIndex implements FamilyIndex {
  private axes: Map<string, Axis> | undefined;
  private values: Pick<FamilyIndex, 'valueById' | 'rank'> | undefined;
  private inOrder: readonly Child[] | undefined;
  private combined: readonly Combination[] | undefined;
  private crossings: Map<string, Child> | undefined;
  private onValues: Set<string> | undefined;
  private onChildren: Set<string> | undefined;
  private inScopes: Map<string, Set<string>> | undefined;
  private withSurcharge: Set<string> | undefined;
  private places: Map<string, number> | undefined;
  private allPositions: readonly number[] | undefined;
  private byValue: Map<string, number[]> | undefined;
  private byLabel: Map<string, Map<string, Value>> | undefined;
  readonly columns = new Map<string, Column>();

  constructor(private readonly family: Family) {}

  get axisById() {
    return (this.axes ??= new Map(this.family.axes.map((axis) => [axis.id, axis])));
  }
  get valueById() {
    return (this.values ??= valuesOf(this.family)).valueById;
  }
  get rank() {
    return (this.values ??= valuesOf(this.family)).rank;
  }
  get woven() {
    return (this.inOrder ??= Object.freeze(inWeaveOrder(this.family, this.rank)));
  }
  get combinations() {
    return (this.combined ??= Object.freeze(combinationsInOrder(this.family)));
  }
  get byCrossing() {
    const { axes, children } = this.family;
    return (this.crossings ??= new Map(
      Object.values(children).map((child) => [crossingKey(axes, child.at), child] as const),
    ));
  }
  get keysOnValues() {
    return (this.onValues ??= keysOf(this.family.axes.flatMap((axis) => axis.values)));
  }
  get keysOnChildren() {
    return (this.onChildren ??= keysOf(this.woven));
  }
  get keysInScope() {
    return (this.inScopes ??= scopedKeys(this.family));
  }
  get surcharged() {
    return (this.withSurcharge ??= surchargedIn(this.keysOnValues, this.keysInScope));
  }
  get position() {
    return (this.places ??= new Map(this.woven.map((child, at) => [child.id, at] as const)));
  }
  get positions() {
    return (this.allPositions ??= this.woven.map((_, at) => at));
  }
  readonly positionsOf = (valueId: string): readonly number[] =>
    (this.byValue ??= positionsByValue(this.family, this.woven)).get(valueId) ?? [];
  readonly valueCalled = (axisId: string, label: string): Value | undefined =>
    (this.byLabel ??= valuesByLabel(this.family)).get(axisId)?.get(foldLabel(label));
}

function valuesOf({ axes }: Family): Pick<FamilyIndex, 'valueById' | 'rank'> {
  const valueById = new Map<string, Value>();
  const rank = new Map<string, number>();
  for (const { values } of axes)
    values.forEach((value, at) => {
      valueById.set(value.id, value);
      rank.set(value.id, at);
    });
  return { valueById, rank };
}

function positionsByValue({ axes }: Family, woven: readonly Child[]): Map<string, number[]> {
  const byValue = new Map<string, number[]>(axes.flatMap((axis) => axis.values.map((value) => [value.id, []])));
  woven.forEach((child, at) => {
    for (const axis of axes) byValue.get(child.at[axis.id] ?? '')?.push(at);
  });
  return byValue;
}

const valuesByLabel = ({ axes }: Family): Map<string, Map<string, Value>> =>
  new Map(axes.map((axis) => [axis.id, new Map(axis.values.map((value) => [foldLabel(value.label), value]))]));

function keysOf(carriers: readonly Carrier[]): Set<string> {
  const keys = new Set<string>();
  for (const { fields } of carriers) for (const key in fields) keys.add(key);
  return keys;
}

function scopedKeys(family: Family): Map<string, Set<string>> {
  const keys = new Map<string, Set<string>>();
  const note = ({ scoped }: Carrier) => {
    for (const [scope, figures] of Object.entries(scoped ?? {})) {
      const known = keys.get(scope) ?? new Set();
      keys.set(scope, known);
      for (const key of Object.keys(figures)) known.add(key);
    }
  };
  note(family);
  family.axes.forEach((axis) => axis.values.forEach(note));
  Object.values(family.combinations ?? {}).forEach(note);
  for (const id in family.children) if (family.children[id]!.scoped) note(family.children[id]!);
  for (const id in family.shelf) note(family.shelf[id]!.child);
  return keys;
}

function surchargedIn(onValues: ReadonlySet<string>, inScopes: ReadonlyMap<string, ReadonlySet<string>>): Set<string> {
  const keys = [onValues, ...inScopes.values()].flatMap((one) => [...one]);
  return new Set(keys.map(surchargedKey).filter((key) => key !== null));
}

function combinationsInOrder(family: Family): Combination[] {
  const all = Object.values(family.combinations ?? {});
  if (all.length < 2) return all;
  const { rank } = familyIndex(family);
  const sizeOf = ({ at }: Combination) => Object.keys(at).length;
  const keyOf = ({ at }: Combination) => family.axes.map(({ id }) => rank.get(at[id] ?? '') ?? Infinity);
  return all.toSorted((a, b) => sizeOf(b) - sizeOf(a) || ascending(keyOf(a), keyOf(b)));
}

/** Compares lists of numbers, the first that differ deciding. */
function ascending(one: readonly number[], other: readonly number[]): number {
  const at = one.findIndex((number, place) => number !== other[place]);
  return at < 0 ? 0 : one[at]! < other[at]! ? -1 : 1;
}

/** Woven children by the ranks of their values, first axis slowest: as one number each, which six axes of 200 values stay within. */
function inWeaveOrder({ axes, children }: Family, rank: ReadonlyMap<string, number>): Child[] {
  const woven = Object.values(children).filter((child) => child.woven);
  const weights = Float64Array.from(woven, ({ at }) => {
    let weight = 0;
    for (const { id, values } of axes) weight = weight * (values.length + 1) + (rank.get(at[id] ?? '') ?? -1) + 1;
    return weight;
  });
  const isSorted = weights.every((weight, at) => at === 0 || weights[at - 1]! <= weight);
  if (isSorted) return woven;
  return Array.from(weights.keys())
    .sort((a, b) => weights[a]! - weights[b]! || a - b)
    .map((at) => woven[at]!);
}

/** The key of a crossing: its value ids in the order of the axes. */
export function crossingKey(axes: readonly Axis[], at: Record<string, string>): string {
  let key = '';
  for (let nth = 0; nth < axes.length; nth++) key += (nth > 0 ? '|' : '') + (at[axes[nth]!.id] ?? '');
  return key;
}

/** A crossing of the axes that are left where these go. */
export function crossingWithout(at: Child['at'], axisIds: ReadonlySet<string>): Child['at'] {
  const left: Child['at'] = {};
  for (const id in at) if (!axisIds.has(id)) left[id] = at[id]!;
  return left;
}

/** All crossings of the axes, first axis slowest. An axis without values has none. */
export function allCrossings(axes: readonly Axis[]): Record<string, string>[] {
  return axes.reduce<Record<string, string>[]>(
    (rows, axis) => rows.flatMap((row) => axis.values.map((value) => ({ ...row, [axis.id]: value.id }))),
    [{}],
  );
}

/** Axis id → value id for labels in axis order; undefined where a label is not on its axis. */
export function crossingFor(family: Family, labels: readonly string[]): Record<string, string> | undefined {
  const { valueCalled } = familyIndex(family);
  const at: Record<string, string> = {};
  for (const [place, axis] of family.axes.entries()) {
    const value = valueCalled(axis.id, labels[place] ?? '');
    if (!value) return undefined;
    at[axis.id] = value.id;
  }
  return at;
}

/** The child of the values with these labels, woven or not; undefined where there is none. */
export function childAt(family: Family, labels: readonly string[]): Child | undefined {
  const at = crossingFor(family, labels);
  return at && familyIndex(family).byCrossing.get(crossingKey(family.axes, at));
}

/** The child's value labels in axis order, such as `["Rust", "XL"]`. */
export function childLabels(family: Family, child: Child): string[] {
  const { valueById } = familyIndex(family);
  return family.axes.map((axis) => valueById.get(child.at[axis.id] ?? '')?.label ?? '—');
}

/** How a place is called on screen: "the family", "everything Rust", "everything Navy with Stars", "Rust · XL". */
export function placeLabel(family: Family, place: Place): string {
  if (place.level === 'family') return 'the family';
  if (place.level === 'value') {
    return `everything ${familyIndex(family).valueById.get(place.valueId)?.label ?? 'of a value that is gone'}`;
  }
  if (place.level === 'combination') {
    return `everything ${combinationLabel(family, place.at)}`;
  }
  const child = family.children[place.childId] ?? family.shelf[place.childId]?.child;
  return child ? childLabels(family, child).join(' · ') || 'the only child' : 'a child that is gone';
}

/** How values together are called: "Navy with Stars". @param at axis id → value id */
export function combinationLabel(family: Family, at: Combination['at']): string {
  const { valueById } = familyIndex(family);
  const labels = family.axes.flatMap(({ id }) => valueById.get(at[id] ?? '')?.label ?? []);
  return labels.join(' with ') || 'of values that are gone';
}

/** The axis, or a Refusal that says it is not there. */
export function axisOf(family: Family, axisId: string): Axis {
  const axis = family.axes.find((one) => one.id === axisId);
  if (!axis) throw new Refusal('axis.unknown', {});
  return axis;
}

/** The value, or a Refusal that says it is not there. */
export function valueOf(axis: Axis, valueId: string): Value {
  const value = axis.values.find((one) => one.id === valueId);
  if (!value) throw new Refusal('value.unknown', { label: axis.label });
  return value;
}

/** The child, or a Refusal that says it is not there. */
export function childOf(family: Family, childId: string): Child {
  const child = family.children[childId];
  if (!child) throw new Refusal('child.unknown', {});
  return child;
}

/** The label of a value as an account or language has it. */
export function labelIn(value: Value, scopes: Scopes): string {
  for (const scope of scopes) {
    const own = figureIn(value, scope, 'label');
    if (typeof own === 'string') return own;
  }
  return value.label;
}
