/**
 * The shelf: where children wait that a change of axes took out of the weave, with everything they held, and how they
 * come back. A shelved child is found by the labels it had. Its crossing names the values it stood on; while such a
 * value stands, it follows its renames and takes over its figures when it goes.
 */
import { foldLabel } from '../family/foldLabel';
import { resolve } from '../family/level';
import { surchargedKey } from '../money/surcharge';
import { EVERYWHERE, figuresIn, type Scope } from '../family/scope';
import { childLabels, familyIndex } from '../family/weave';
import { picturesOf } from '../pictures/picturesOf';
import { MOST, type Axis, type Child, type Family, type Value } from '../family/shape';
import { withFigure } from '../family/draft';
import { Refusal } from '../refusal';

/** What a shelved child is found by again: its labels, whatever the order of the axes. */
export function shelfKey(was: Record<string, string>): string {
  return JSON.stringify(
    Object.entries(was)
      .map(([axis, value]) => [foldLabel(axis), foldLabel(value)])
      .sort(),
  );
}

/** Takes a child out of the weave. `before` is the family with the axis and its values. */
export function shelve(family: Family, before: Family, childId: string, axis: Axis): void {
  const child = before.children[childId]!;
  const labels = childLabels(before, child);
  family.shelf[childId] = {
    child: takeOver(before, { ...child }, axis),
    was: Object.fromEntries(before.axes.map((one, at) => [one.label, labels[at]!])),
  };
  delete family.children[childId];
}

/**
 * Figures and pictures that shelved children have from values that go become their own. `gone` are values of the
 * axis.
 */
export function takeOverOnShelf(family: Family, before: Family, axis: Axis, gone: ReadonlySet<string>): void {
  for (const [id, shelved] of Object.entries(before.shelf)) {
    const valueId = shelved.child.at[axis.id];
    if (family.shelf[id] !== shelved || valueId === undefined || !gone.has(valueId)) continue;
    const child = takeOver(before, shelved.child, axis);
    if (child !== shelved.child) family.shelf[id] = { ...shelved, child };
  }
}

/**
 * A child for whom the value it has on an axis goes: what stood there and held for it becomes its own, and its
 * pictures keep their order. The child itself comes back where nothing stood there.
 */
export function takeOver(before: Family, child: Child, axis: Axis): Child {
  const value = familyIndex(before).valueById.get(child.at[axis.id] ?? '');
  if (!value) return child;
  return withPictures(before, withFiguresOf(before, child, value), value);
}

function withFiguresOf(before: Family, child: Child, value: Value): Child {
  let now = child;
  for (const scope of [EVERYWHERE, ...Object.keys(value.scoped ?? {})]) {
    for (const key of Object.keys(figuresIn(value, scope))) {
      // The label of a value in another language is the value's alone; pictures are kept in order below.
      if (key === 'label' || key === 'pictures') continue;
      const raised = surchargedKey(key);
      if (raised !== null) {
        now = { ...now, ...raisedBy(before, now, value, raised, scope) };
        continue;
      }
      const holds = resolve(before, child, key, scope === EVERYWHERE ? [] : [scope]);
      if (holds.scope !== scope || holds.from?.level !== 'value' || holds.from.valueId !== value.id) continue;
      now = { ...now, ...withFigure(now, scope, key, holds.figure!) };
    }
  }
  return now;
}

/** A surcharge goes with its value: the figure it made becomes the child's own, so that no price moves. */
function raisedBy(before: Family, child: Child, value: Value, key: string, scope: Scope): Partial<Child> {
  const holds = resolve(before, child, key, scope === EVERYWHERE ? [] : [scope]);
  const isRaised = holds.surcharges?.some((one) => one.place.valueId === value.id) ?? false;
  return isRaised ? withFigure(child, scope, key, holds.figure!) : {};
}

function withPictures(before: Family, child: Child, value: Value): Child {
  if (value.pictures.length === 0) return child;
  const shown = picturesOf(before, child);
  // The value's pictures stand among the child's own from now on; whatever stood before them does so too.
  const last = shown.findLastIndex((id) => value.pictures.includes(id));
  const pictures = [...new Set([...shown.slice(0, last + 1), ...child.pictures])];
  if (pictures.length > MOST.pictures) throw new Refusal('picture.too-many', { most: MOST.pictures });
  return pictures.join() === child.pictures.join() ? child : { ...child, pictures };
}

/** A value was renamed: shelved children that stood on it are found by its new label. */
export function renameOnShelf(family: Family, axis: Axis, valueId: string, label: string): void {
  for (const [id, shelved] of Object.entries(family.shelf)) {
    if (shelved.child.at[axis.id] !== valueId || shelved.was[axis.label] === undefined) continue;
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
    if (foldLabel(shelved.was[axis.label] ?? '') !== foldLabel(value.label) || (stood && standing.has(stood))) continue;
    family.shelf[id] = { ...shelved, child: { ...shelved.child, at: { ...shelved.child.at, [axis.id]: value.id } } };
  }
}
