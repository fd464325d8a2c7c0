/**
 * Reading the weave: children in order, crossings, labels. Indexes are kept per family object, which never changes in
 * place.
 */
import { surchargedKey } from '../money/surcharge';
import { Refusal } from '../refusal';
import { foldLabel } from './foldLabel';
import type { Column } from './columnShape';
import { figureIn, type Scopes } from './scope';
import { type Axis, type Carrier, type Child, type Family, type Place, type Value } from './shape';

export interface FamilyIndex {
  axisById: ReadonlyMap<string, Axis>;
  valueById: ReadonlyMap<string, Value>;
  /** value id → place of the value in its axis */
  rank: ReadonlyMap<string, number>;
  /** Woven children in the order of the weave: first axis slowest, values in their own order. */
  woven: readonly Child[];
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
 * Everything that is looked up by id. Built once for a frozen family; one that may still change is read anew at every
 * call, so whoever loads a family freezes it first (`freeze`).
 */
export function familyIndex(family: Family): FamilyIndex {
  const known = indexes.get(family);
  if (known) return known;
  const axisById = new Map(family.axes.map((axis) => [axis.id, axis]));
  const valueById = new Map<string, Value>();
  const rank = new Map<string, number>();
  for (const axis of family.axes)
    axis.values.forEach((value, at) => {
      valueById.set(value.id, value);
      rank.set(value.id, at);
    });
  const children = Object.values(family.children);
  const byCrossing = new Map(children.map((child) => [crossingKey(family.axes, child.at), child]));
  const woven = inWeaveOrder(family, children, rank);
  const keysOnValues = new Set(
    family.axes.flatMap((axis) => axis.values.flatMap((value) => Object.keys(value.fields))),
  );
  const keysOnChildren = new Set<string>();
  for (const child of woven) for (const key in child.fields) keysOnChildren.add(key);
  const keysInScope = scopedKeys(family, children);
  const surcharged = surchargedIn(keysOnValues, keysInScope);
  const position = new Map(woven.map((child, at) => [child.id, at]));
  const index: FamilyIndex = Object.freeze({
    ...{ axisById, valueById, rank, byCrossing, keysOnValues, keysOnChildren, surcharged, keysInScope },
    positions: woven.map((_, at) => at),
    ...{ position, positionsOf: positionsByValue(family, woven), valueCalled: valuesByLabel(family) },
    columns: new Map(),
    woven: Object.freeze(woven),
  });
  if (Object.isFrozen(family)) indexes.set(family, index);
  return index;
}

/** Looked up when somebody first asks: most changes touch no value. */
function positionsByValue(family: Family, woven: readonly Child[]): FamilyIndex['positionsOf'] {
  let byValue: Map<string, number[]> | undefined;
  return (valueId) => {
    if (!byValue) {
      byValue = new Map(family.axes.flatMap((axis) => axis.values.map((value) => [value.id, []])));
      woven.forEach((child, at) => {
        for (const axis of family.axes) byValue!.get(child.at[axis.id] ?? '')?.push(at);
      });
    }
    return byValue.get(valueId) ?? [];
  };
}

/** Folded when somebody first asks. */
function valuesByLabel(family: Family): FamilyIndex['valueCalled'] {
  let byLabel: Map<string, Map<string, Value>> | undefined;
  return (axisId, label) => {
    byLabel ??= new Map(
      family.axes.map((axis) => [axis.id, new Map(axis.values.map((value) => [foldLabel(value.label), value]))]),
    );
    return byLabel.get(axisId)?.get(foldLabel(label));
  };
}

function scopedKeys(family: Family, children: readonly Child[]): Map<string, Set<string>> {
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
  children.forEach((child) => child.scoped && note(child));
  return keys;
}

function surchargedIn(onValues: ReadonlySet<string>, inScopes: ReadonlyMap<string, ReadonlySet<string>>): Set<string> {
  const keys = [onValues, ...inScopes.values()].flatMap((one) => [...one]);
  return new Set(keys.map(surchargedKey).filter((key) => key !== null));
}

/** Woven children by the ranks of their values, first axis slowest: as one number each, which six axes of 200 values stay within. */
function inWeaveOrder(family: Family, children: readonly Child[], rank: ReadonlyMap<string, number>): Child[] {
  const weighed = children
    .filter((child) => child.woven)
    .map((child) => ({
      child,
      weight: family.axes.reduce(
        (sum, axis) => sum * (axis.values.length + 1) + (rank.get(child.at[axis.id] ?? '') ?? -1) + 1,
        0,
      ),
    }));
  return weighed.sort((a, b) => a.weight - b.weight).map((one) => one.child);
}

/** The key of a crossing: its value ids in the order of the axes. */
export function crossingKey(axes: readonly Axis[], at: Record<string, string>): string {
  let key = '';
  for (let nth = 0; nth < axes.length; nth++) key += (nth > 0 ? '|' : '') + (at[axes[nth]!.id] ?? '');
  return key;
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

/** How a place is called on screen: "the family", "everything Rust", "Rust · XL". */
export function placeLabel(family: Family, place: Place): string {
  if (place.level === 'family') return 'the family';
  if (place.level === 'value') {
    return `everything ${familyIndex(family).valueById.get(place.valueId)?.label ?? 'of a value that is gone'}`;
  }
  const child = family.children[place.childId] ?? family.shelf[place.childId]?.child;
  return child ? childLabels(family, child).join(' · ') || 'the only child' : 'a child that is gone';
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
