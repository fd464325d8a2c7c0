/** Everybody who belongs to a family, and whom of them a change touched. */
import type { Carrier, Child, Family } from './shape';

/** The children of the weave, woven or not, and those on the shelf. */
export function everyChild(family: Pick<Family, 'children' | 'shelf'>): Child[] {
  return [...Object.values(family.children), ...Object.values(family.shelf).map((one) => one.child)];
}

/** Everything in a family that holds figures and pictures: itself, its values and their combinations, and everybody who belongs to it. */
export const everyCarrier = (family: Omit<Family, 'revision'>): Carrier[] => [
  family,
  ...family.axes.flatMap((axis): Carrier[] => axis.values),
  ...Object.values(family.combinations ?? {}),
  ...everyChild(family),
];

const childIn = (family: Family, id: string): Child | undefined => family.children[id] ?? family.shelf[id]?.child;

/**
 * The children that a change touched, as they were and as they are: those that the two states do not share as the very same object.
 * A family without a state before has touched all.
 */
export function touchedChildren(before: Family | null, after: Family): { was: Child[]; now: Child[] } {
  if (!before) return { was: [], now: everyChild(after) };
  const was: Child[] = [];
  const now: Child[] = [];
  // Twenty thousand children are gone through at every keystroke in such a family: no lists are made of them all.
  for (const id in before.children) if (childIn(after, id) !== before.children[id]) was.push(before.children[id]!);
  for (const id in before.shelf) if (childIn(after, id) !== before.shelf[id]!.child) was.push(before.shelf[id]!.child);
  for (const id in after.children) if (childIn(before, id) !== after.children[id]) now.push(after.children[id]!);
  for (const id in after.shelf) if (childIn(before, id) !== after.shelf[id]!.child) now.push(after.shelf[id]!.child);
  return { was, now };
}
