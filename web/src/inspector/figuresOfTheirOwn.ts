/** Which of some children have figures of their own, nearer than the place they are looked at from. */
import { type Child, type Scope, figuresIn } from '@loom-kin/core/family';

/**
 * Key of a field → ids of the children that have a figure of their own there, in the scope. One pass for all fields: thousands of children
 * are looked at anew with every change.
 */
export function figuresOfTheirOwn(children: readonly Child[], scope: Scope): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const child of children) {
    const figures = figuresIn(child, scope);
    for (const key in figures) {
      if (figures[key] === undefined) continue;
      const there = found.get(key);
      if (there) there.push(child.id);
      else found.set(key, [child.id]);
    }
  }
  return found;
}
