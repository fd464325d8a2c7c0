/**
 * The shelf: where children wait that a change of axes took out of the weave, with everything they held, and how they
 * come back. A shelved child is found by the labels it had. Its crossing names the values it stood on; while such a
 * value stands, it follows its renames.
 */
import { ownOf } from '../text/own';
import { foldLabel } from '../family/foldLabel';
import { childLabels } from '../family/weave';
import type { Axis, Family, Value } from '../family/shape';

/** What a shelved child is found by again: its labels, whatever the order of the axes. */
export function shelfKey(was: Record<string, string>): string {
  return JSON.stringify(
    Object.entries(was)
      .map(([axis, value]) => [foldLabel(axis), foldLabel(value)])
      .sort(),
  );
}

/** Takes a child out of the weave. `before` is the family with the axes and values it stood on. */
export function shelve(family: Family, before: Family, childId: string): void {
  const child = before.children[childId]!;
  const labels = childLabels(before, child);
  family.shelf[childId] = {
    child,
    was: Object.fromEntries(before.axes.map((one, at) => [one.label, labels[at]!])),
  };
  delete family.children[childId];
}

/** A value was renamed: shelved children that stood on it are found by its new label. */
export function renameOnShelf(family: Family, axis: Axis, valueId: string, label: string): void {
  for (const [id, shelved] of Object.entries(family.shelf)) {
    if (shelved.child.at[axis.id] !== valueId || ownOf(shelved.was, axis.label) === undefined) continue;
    family.shelf[id] = { ...shelved, was: { ...shelved.was, [axis.label]: label } };
  }
}

/** An axis was renamed: shelved children that stood on it are found by its new name. */
export function renameAxisOnShelf(family: Family, axis: Axis, label: string): void {
  for (const [id, shelved] of Object.entries(family.shelf)) {
    const { [axis.label]: value, ...others } = shelved.was;
    if (value === undefined || shelved.child.at[axis.id] === undefined) continue;
    family.shelf[id] = { ...shelved, was: { ...others, [label]: value } };
  }
}

/** A value came (back): shelved children of its label, whose own value is gone, stand on it from now on. */
export function followValue(family: Family, axis: Axis, value: Value): void {
  const standing = new Set(axis.values.map((one) => one.id));
  for (const [id, shelved] of Object.entries(family.shelf)) {
    const stood = shelved.child.at[axis.id];
    if (foldLabel(ownOf(shelved.was, axis.label) ?? '') !== foldLabel(value.label) || (stood && standing.has(stood)))
      continue;
    family.shelf[id] = { ...shelved, child: { ...shelved.child, at: { ...shelved.child.at, [axis.id]: value.id } } };
  }
}
