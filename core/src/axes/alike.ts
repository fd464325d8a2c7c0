/** Which children would become alike without an axis. */
import { crossingKey, familyIndex } from '../family/weave';
import type { Child, Family } from '../family/shape';

/** Children that would become alike without an axis. */
export interface AlikeGroup {
  /** Crossing key over the axes that stay. */
  key: string;
  labels: string[];
  childIds: string[];
}

/** Which child stays where several become alike: those of one value, or one by one (crossing key → child id). */
export interface Keep {
  valueId?: string | undefined;
  byKey?: Record<string, string> | undefined;
}

/** The groups of woven children that only this axis tells apart. */
export function alikeWithout(family: Family, axisId: string): AlikeGroup[] {
  const others = family.axes.filter((axis) => axis.id !== axisId);
  const { valueById } = familyIndex(family);
  const groups = new Map<string, Child[]>();
  for (const child of Object.values(family.children)) {
    if (!child.woven) continue;
    const key = crossingKey(others, child.at);
    const group = groups.get(key);
    if (group) group.push(child);
    else groups.set(key, [child]);
  }
  return [...groups]
    .filter(([, children]) => children.length > 1)
    .map(([key, children]) => ({
      key,
      labels: others.map((axis) => valueById.get(children[0]!.at[axis.id] ?? '')?.label ?? '—'),
      childIds: children.map((child) => child.id),
    }));
}
