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

/** The groups of woven children that only this axis tells apart; with `among` only those of these values are looked at. */
export function alikeWithout(family: Family, axisId: string, among?: ReadonlySet<string>): AlikeGroup[] {
  const others = family.axes.filter((axis) => axis.id !== axisId);
  const { valueById } = familyIndex(family);
  const groups = new Map<string, Child[]>();
  for (const child of Object.values(family.children)) {
    if (!child.woven || (among && !among.has(child.at[axisId] ?? ''))) continue;
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

/** Children that go because another of their group stays, and the groups of which nobody has said who that is. */
export function undecidedAmong(
  family: Family,
  axisId: string,
  groups: readonly AlikeGroup[],
  keep: Keep,
): { losers: Set<string>; undecided: AlikeGroup[] } {
  const losers = new Set<string>();
  const undecided = groups.filter((group) => {
    const chosen = keep.byKey?.[group.key];
    const stays = chosen ?? group.childIds.find((id) => family.children[id]!.at[axisId] === keep.valueId);
    if (!stays || !group.childIds.includes(stays)) return true;
    for (const id of group.childIds) if (id !== stays) losers.add(id);
    return false;
  });
  return { losers, undecided };
}
