/** A family of a list with some of its children. */
import type { ListChild, ListFamily } from '../families/shape';

/** The family with these of its children alone, and no value that none of them has. */
export function withChildren(family: ListFamily, children: readonly ListChild[]): ListFamily {
  if (children.length === family.children.length) return family;
  const axes = family.axes.map((axis) => {
    const used = new Set(children.map(({ at }) => at[axis.label]));
    return { ...axis, values: axis.values.filter((value) => used.has(value)) };
  });
  return { ...family, axes, children: [...children] };
}
