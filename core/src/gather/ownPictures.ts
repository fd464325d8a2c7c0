/** Whom the pictures of a family show once others come into it: its own children, and nobody else. */
import { replaceChild } from '../family/draft';
import { foldLabel } from '../family/foldLabel';
import { familyIndex } from '../family/weave';
import type { Family } from '../family/shape';
import { picturesOf } from '../pictures/picturesOf';
import type { GatherSpec } from './shape';

/** A child that comes, with the pictures that show it. */
interface Comer {
  labels: readonly string[];
  pictures: ReadonlySet<string>;
}

export function comers(into: Family, others: readonly Family[], { members }: GatherSpec): Comer[] {
  const byId = new Map(others.map((one) => [one.id, one]));
  return members.flatMap(({ familyId, childId, labels }) => {
    const from = familyId === into.id ? undefined : byId.get(familyId);
    const child = from?.children[childId];
    return from && child ? [{ labels, pictures: new Set(picturesOf(from, child)) }] : [];
  });
}

/**
 * Pictures of the family show its own children. Where one comes that they do not show, they stand from now on where the family's own
 * children alone see them: on the value of the new axis that is theirs, else on each of them.
 */
export function keepPicturesToOwn(draft: Family, into: Family, { axes }: GatherSpec, come: readonly Comer[]): void {
  const areStrange = (pictures: readonly string[], who: readonly Comer[]) =>
    who.some((one) => pictures.some((id) => !one.pictures.has(id)));
  const shared = new Set(
    into.axes.flatMap((axis, place) => {
      const pictured = axis.values.filter(({ pictures }) => pictures.length > 0);
      const byLabel = new Map(pictured.map(({ label }): [string, Comer[]] => [foldLabel(label), []]));
      if (pictured.length > 0) for (const one of come) byLabel.get(foldLabel(one.labels[place] ?? ''))?.push(one);
      return pictured.flatMap(({ id, label, pictures }) =>
        areStrange(pictures, byLabel.get(foldLabel(label))!) ? [id] : [],
      );
    }),
  );
  const general = areStrange(into.pictures, come);
  const [first] = axes;
  const design = first && draft.axes.find(({ label }) => foldLabel(label) === foldLabel(first.label));
  const own = general && design ? onlyValueOf(draft, into, design.id) : undefined;
  for (const child of Object.values(into.children)) {
    const standsOn = Object.values(child.at).some((id) => shared.has(id));
    if (!standsOn && (own !== undefined || !general)) continue;
    const apart = new Set(own !== undefined || !general ? into.pictures : []);
    const pictures = picturesOf(into, child).filter((id) => !apart.has(id) || child.pictures.includes(id));
    replaceChild(draft, { ...draft.children[child.id]!, pictures });
  }
  draft.axes = draft.axes.map((axis) => ({
    ...axis,
    values: axis.values.map((value) => {
      if (shared.has(value.id)) return { ...value, pictures: [] };
      return value.id === own ? { ...value, pictures: into.pictures } : value;
    }),
  }));
  if (general) draft.pictures = [];
}

/** The value that all children of the family have on a new axis; undefined where they have several. */
function onlyValueOf(draft: Family, into: Family, axisId: string): string | undefined {
  const ids = new Set(familyIndex(into).woven.map(({ id }) => draft.children[id]!.at[axisId]));
  return ids.size === 1 ? [...ids][0] : undefined;
}
