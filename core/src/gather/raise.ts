/** What all children of a value hold alike stands on the value: in one place, not on each of them. */
import { dequal } from 'dequal';
import { replaceChild, replaceValue, withFigure } from '../family/draft';
import { EVERYWHERE, figuresIn, type Scope } from '../family/scope';
import type { Child, Family, Value } from '../family/shape';
import type { Registry } from '../registry/openRegistry';

/** SKUs and their like are each child's own. */
const OWN = new Set(['sku', 'gtin']);

/** Raises what the children that came hold to the values of these axes, where every child of the value is one of them. */
export function raiseToValues(
  registry: Registry,
  draft: Family,
  axes: readonly string[],
  came: ReadonlySet<string>,
): void {
  for (const axis of draft.axes.filter(({ label }) => axes.includes(label)))
    for (const value of axis.values) {
      const children = Object.values(draft.children).filter((child) => child.at[axis.id] === value.id);
      if (children.length > 1 && children.every(({ id }) => came.has(id)))
        raise(registry, draft, axis.id, value, children);
    }
}

function raise(registry: Registry, draft: Family, axisId: string, value: Value, children: readonly Child[]): void {
  const [first, ...others] = children;
  let [high, low] = [value, children];
  for (const scope of [EVERYWHERE, ...(Object.keys(first!.scoped ?? {}) as Scope[])])
    for (const [key, figure] of Object.entries(figuresIn(first!, scope))) {
      const isShared = others.every((child) => dequal(figuresIn(child, scope)[key], figure));
      if (!isShared || OWN.has(key) || !registry.field(key)?.levels.includes('value')) continue;
      high = { ...high, ...withFigure(high, scope, key, figure) };
      low = low.map((child) => ({ ...child, ...withFigure(child, scope, key, null) }));
    }
  const pictures = first!.pictures.join();
  if (pictures !== '' && others.every((child) => child.pictures.join() === pictures)) {
    high = { ...high, pictures: first!.pictures };
    low = low.map((child) => ({ ...child, pictures: [] }));
  }
  if (high === value) return;
  replaceValue(draft, axisId, high);
  low.forEach((child) => replaceChild(draft, child));
}
