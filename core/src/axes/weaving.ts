/**
 * Weaving crossings of a family: the child that is there, one from the shelf, or a new one. Where children stand and
 * what lies on the shelf is looked up once, so that thousands of crossings cost no more than their number.
 */
import { ownOf } from '../text/own';
import { replaceChild } from '../family/draft';
import { foldLabel } from '../family/foldLabel';
import { takeId } from '../family/takeId';
import { crossingKey, familyIndex } from '../family/weave';
import { MOST, type Axis, type Child, type Family } from '../family/shape';
import { Refusal } from '../refusal/refusal';
import { followValue, shelfKey } from './shelf';

type Crossing = Record<string, string>;

/** Refuses what would make more children than a family may have. Counted before anything is built. */
export function requireSize(children: number): void {
  if (children > MOST.children) throw new Refusal('family.too-large', { crossings: children, most: MOST.children });
}

/** How many crossings axes of these sizes have. */
export const crossingsOf = (sizes: readonly number[]): number => sizes.reduce((product, size) => product * size, 1);

/** A function that weaves one crossing a call. */
export function weaver(family: Family): (at: Crossing) => Child {
  const standing = new Map(Object.values(family.children).map((child) => [crossingKey(family.axes, child.at), child]));
  const shelf = new Map(Object.values(family.shelf).map((one) => [shelfKey(one.was), one.child.id]));
  const labels = new Map(family.axes.flatMap((axis) => axis.values.map((value) => [value.id, value.label] as const)));
  const put = (key: string, child: Child): Child => {
    replaceChild(family, child);
    standing.set(key, child);
    return child;
  };
  return (at) => {
    const key = crossingKey(family.axes, at);
    const there = standing.get(key);
    if (there) return there.woven ? there : put(key, { ...there, woven: true });
    const id = shelf.size > 0 ? shelf.get(shelfKey(wasAt(family, labels, at))) : undefined;
    const shelved = id === undefined ? undefined : family.shelf[id];
    if (!shelved) return put(key, { id: takeId(family, 'c'), at: { ...at }, woven: true, fields: {}, pictures: [] });
    delete family.shelf[shelved.child.id];
    return put(key, { ...shelved.child, at: { ...at }, woven: true });
  };
}

function wasAt(family: Family, labels: ReadonlyMap<string, string>, at: Crossing): Record<string, string> {
  return Object.fromEntries(family.axes.map((axis) => [axis.label, labels.get(at[axis.id] ?? '') ?? '']));
}

/**
 * Weaves values that were added to an axis: their old children come back from the shelf as they were, woven or not;
 * elsewhere they are woven where the patterns are. A pattern is a crossing of which the added value takes the place
 * on the axis.
 */
export function weaveValues(
  family: Family,
  axis: Axis,
  valueIds: readonly string[],
  patterns: readonly Crossing[],
): void {
  requireSize(Object.keys(family.children).length + patterns.length * valueIds.length);
  const added = axis.values.filter((value) => valueIds.includes(value.id));
  for (const value of added) followValue(family, axis, value);
  const back = bringBack(family, axis, new Set(valueIds));
  const weave = weaver(family);
  for (const value of added) {
    for (const pattern of patterns) {
      const at = { ...pattern, [axis.id]: value.id };
      if (back.size === 0 || !back.has(crossingKey(family.axes, at))) weave(at);
    }
  }
}

/** Shelved children whose values all stand again come back; their crossings. */
function bringBack(family: Family, axis: Axis, valueIds: ReadonlySet<string>): Set<string> {
  const back = new Set<string>();
  const valueOfLabel = new Map(
    family.axes.map((one) => [one.label, new Map(one.values.map((value) => [foldLabel(value.label), value.id]))]),
  );
  // The one shelved last is the one that stood there last.
  for (const { child, was } of Object.values(family.shelf).reverse()) {
    if (Object.keys(was).length !== family.axes.length || !valueIds.has(child.at[axis.id] ?? '')) continue;
    const at = Object.fromEntries(
      family.axes.map((one) => [
        one.id,
        valueOfLabel.get(one.label)!.get(foldLabel(ownOf(was, one.label) ?? '')) ?? '',
      ]),
    );
    const key = crossingKey(family.axes, at);
    if (Object.values(at).includes('') || back.has(key)) continue;
    back.add(key);
    replaceChild(family, { ...child, at });
    delete family.shelf[child.id];
  }
  return back;
}

/** Weaves crossings, or takes their children out; what those held is kept. */
export function setWoven(family: Family, crossings: readonly Crossing[], woven: boolean): void {
  const { valueById } = familyIndex(family);
  const places = crossings.map((at) => checkedCrossing(family, valueById, at));
  if (woven) {
    requireSize(Object.keys(family.children).length + places.length);
    const weave = weaver(family);
    for (const at of places) weave(at);
    return;
  }
  const standing = new Map(Object.values(family.children).map((child) => [crossingKey(family.axes, child.at), child]));
  for (const at of places) {
    const child = standing.get(crossingKey(family.axes, at));
    if (child?.woven) replaceChild(family, { ...child, woven: false });
  }
}

function checkedCrossing(family: Family, valueById: ReadonlyMap<string, unknown>, at: Crossing): Crossing {
  const checked: Crossing = {};
  for (const axis of family.axes) {
    const valueId = at[axis.id] ?? '';
    if (!valueById.has(valueId) || !axis.values.some((value) => value.id === valueId)) {
      throw new Refusal('value.unknown', { label: axis.label });
    }
    checked[axis.id] = valueId;
  }
  return checked;
}
