/**
 * Reading the weave: children in order, crossings, labels. Indexes are kept per family object, which never changes in
 * place.
 */
import { fold } from './labels';
import { Refusal, type Axis, type Child, type Family, type Place, type Value } from './shape';

export interface FamilyIndex {
  axisById: Map<string, Axis>;
  valueById: Map<string, Value>;
  /** value id → place of the value in its axis */
  rank: Map<string, number>;
  /** Woven children in the order of the weave: first axis slowest, values in their own order. */
  woven: Child[];
  /** crossing key → child, woven or not */
  byCrossing: Map<string, Child>;
  /** Fields that stand on any value: for all others inheritance need not look there. */
  keysOnValues: Set<string>;
}

const indexes = new WeakMap<Family, FamilyIndex>();

/**
 * Everything that is looked up by id. Built once for a frozen family; one that may still change is read anew at every
 * call, so
 * whoever loads a family freezes it first (`freeze`).
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
  const sortKeys = new Map(
    children.map((child) => [child.id, family.axes.map((axis) => rank.get(child.at[axis.id] ?? '') ?? -1)]),
  );
  const woven = children
    .filter((child) => child.woven)
    .sort((a, b) => compareRanks(sortKeys.get(a.id)!, sortKeys.get(b.id)!));
  const keysOnValues = new Set(
    family.axes.flatMap((axis) => axis.values.flatMap((value) => Object.keys(value.fields))),
  );
  const index: FamilyIndex = { axisById, valueById, rank, woven, byCrossing, keysOnValues };
  if (Object.isFrozen(family)) indexes.set(family, index);
  return index;
}

function compareRanks(a: number[], b: number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!;
  return 0;
}

/** The key of a crossing: its value ids in the order of the axes. */
export function crossingKey(axes: readonly Axis[], at: Record<string, string>): string {
  return axes.map((axis) => at[axis.id] ?? '').join('|');
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
  const at: Record<string, string> = {};
  for (const [place, axis] of family.axes.entries()) {
    const value = axis.values.find((one) => fold(one.label) === fold(labels[place] ?? ''));
    if (!value) return undefined;
    at[axis.id] = value.id;
  }
  return at;
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
  if (!axis) throw new Refusal('axis.unknown', 'This axis is not in the family any more. Reload the family.');
  return axis;
}

/** The value, or a Refusal that says it is not there. */
export function valueOf(axis: Axis, valueId: string): Value {
  const value = axis.values.find((one) => one.id === valueId);
  if (!value)
    throw new Refusal('value.unknown', `This value is not on the axis ${axis.label} any more. Reload the family.`);
  return value;
}

/** The child, or a Refusal that says it is not there. */
export function childOf(family: Family, childId: string): Child {
  const child = family.children[childId];
  if (!child) throw new Refusal('child.unknown', 'This child is not in the family any more. Reload the family.');
  return child;
}
