/** Everybody who belongs to a family: the children of its weave, woven or not, and those on the shelf. */
import type { Child, Family } from './shape';

export function everyChild(family: Family): Child[] {
  return [...Object.values(family.children), ...Object.values(family.shelf).map((one) => one.child)];
}
