/**
 * The shelf: where children wait that a change of axes took out of the weave, with everything they held, and how they
 * come back.
 * Everything here works on a family draft.
 */
import { current, freeze, isDraft } from 'immer';
import { takeId } from '../family/takeId';
import { fold } from '../family/labels';
import { resolve } from '../family/level';
import { childLabels, crossingFor, crossingKey, valueOf } from '../family/weave';
import type { Axis, Child, Family, Value } from '../family/shape';

/**
 * Weaves a new value: its old children come back from the shelf as they were, woven or not; elsewhere it is woven
 * where the patterns are.
 */
export function weaveValue(
  family: Family,
  axis: Axis,
  value: Value,
  patterns: readonly Record<string, string>[],
): void {
  const back = new Set<string>();
  const shelved = Object.values(family.shelf).filter(
    ({ was }) => Object.keys(was).length === family.axes.length && fold(was[axis.label] ?? '') === fold(value.label),
  );
  // The one shelved last is the one that stood there last.
  for (const { child, was } of shelved.reverse()) {
    const at = crossingFor(
      family,
      family.axes.map((one) => was[one.label] ?? ''),
    );
    const key = at && crossingKey(family.axes, at);
    if (!key || back.has(key)) continue;
    back.add(key);
    family.children[child.id] = { ...child, at };
    delete family.shelf[child.id];
  }
  const weave = weaver(family);
  for (const pattern of patterns) {
    const at = { ...pattern, [axis.id]: value.id };
    if (!back.has(crossingKey(family.axes, at))) weave(at);
  }
}

/**
 * Weaves crossings of a family, one a call: the child that is there, one from the shelf, or a new one. Where children
 * stand and what
 * lies on the shelf is looked up once, so that thousands of crossings cost no more than their number.
 */
export function weaver(family: Family): (at: Record<string, string>) => Child {
  const standing = new Map(Object.values(family.children).map((child) => [crossingKey(family.axes, child.at), child]));
  const shelf = new Map(Object.values(family.shelf).map((one) => [shelfKey(one.was), one.child.id]));
  return (at) => {
    const key = crossingKey(family.axes, at);
    const there = standing.get(key);
    if (there) {
      there.woven = true;
      return there;
    }
    const labels = Object.fromEntries(family.axes.map((axis) => [axis.label, valueOf(axis, at[axis.id] ?? '').label]));
    const shelved = family.shelf[shelf.get(shelfKey(labels)) ?? ''];
    const child: Child = shelved
      ? { ...shelved.child, at: { ...at }, woven: true }
      : { id: takeId(family, 'c'), at: { ...at }, woven: true, fields: {}, pictures: [] };
    if (shelved) delete family.shelf[shelved.child.id];
    family.children[child.id] = child;
    standing.set(key, child);
    return child;
  };
}

/** What a shelved child is found by again: its labels, whatever the order of the axes. */
function shelfKey(was: Record<string, string>): string {
  return JSON.stringify(
    Object.entries(was)
      .map(([axis, value]) => [axis, fold(value)])
      .sort(),
  );
}

/** The family as it is at this moment, frozen, so that looking figures up costs little while the draft changes. */
export function asItIs(family: Family): Family {
  return freeze(isDraft(family) ? current(family) : structuredClone(family), true);
}

/**
 * What stood on the child's value of an axis becomes the child's own, because the value goes. `before`: the family
 * with the value.
 */
export function takeOver(before: Family, child: Child, axis: Axis): void {
  const value = axis.values.find((one) => one.id === child.at[axis.id]);
  if (!value) return;
  for (const key of Object.keys(value.fields)) {
    const holds = resolve(before, before.children[child.id]!, key);
    if (holds.from?.level === 'value' && holds.from.valueId === value.id) child.fields[key] = holds.figure!;
  }
  for (const picture of value.pictures) if (!child.pictures.includes(picture)) child.pictures.push(picture);
}

/** Takes a child out of the weave. Its labels of this moment are kept, so that it is found again. */
export function shelve(family: Family, before: Family, child: Child, axis: Axis): void {
  takeOver(before, child, axis);
  const labels = childLabels(before, before.children[child.id]!);
  family.shelf[child.id] = {
    child: { ...child, at: { ...child.at } },
    was: Object.fromEntries(family.axes.map((one, at) => [one.label, labels[at]!])),
  };
  delete family.children[child.id];
}
