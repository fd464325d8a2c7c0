/** What a copied family still has of the one it was copied from. */
import { dequal } from 'dequal';
import { foldLabel } from '../family/foldLabel';
import type { Carrier, Family } from '../family/shape';
import { childAt, childLabels, familyIndex } from '../family/weave';
import { allPictures } from '../pictures/picturesOf';
import { isNumeric } from '../registry/field';
import type { Registry } from '../registry/openRegistry';
import { same, type StillSame } from './shape';
import { saysOrigin } from './sameWords';

/** So many fields are named; of more it is said how many there are. */
const NAMED = 6;

/** Pictures, numbers and names of the origin in a copy of it. */
export function sameAsOrigin(registry: Registry, family: Family, origin: Family): StillSame[] {
  return [
    ...originPictures(family, origin),
    ...saysOrigin(registry, family, origin),
    ...originFigures(registry, family, origin),
  ];
}

function originPictures(family: Family, origin: Family): StillSame[] {
  const there = allPictures(origin);
  const shared = [...allPictures(family)].filter((id) => there.has(id));
  if (shared.length === 0) return [];
  return [
    same({
      code: 'origin-pictures',
      key: 'pictures',
      places: [],
      childIds: [],
      params: { count: String(shared.length), name: String(origin.fields.name ?? '') },
    }),
  ];
}

/** Prices and measures that are those of the origin, on the family, on values or on children; told once for all of them. */
function originFigures(registry: Registry, family: Family, origin: Family): StillSame[] {
  const pairs = placesAlike(family, origin);
  const isSame = (key: string) =>
    pairs.some(([one, other]) => one.fields[key] !== undefined && dequal(one.fields[key], other.fields[key]));
  const fields = registry.fields.filter((field) => isNumeric(field) && isSame(field.key));
  if (fields.length === 0) return [];
  const labels = fields.map(({ label }) => label);
  const more = labels.length - NAMED;
  return [
    same({
      code: 'origin-figures',
      key: fields[0]!.key,
      places: [{ level: 'family' }],
      childIds: [],
      params: {
        fields: more > 0 ? `${labels.slice(0, NAMED).join(', ')} and ${more} more` : labels.join(', '),
        name: String(origin.fields.name ?? ''),
      },
    }),
  ];
}

/** What holds figures in both: the families, their values and their children of the same labels. */
function placesAlike(family: Family, origin: Family): [Carrier, Carrier][] {
  const values = family.axes.flatMap((axis) => {
    const there = origin.axes.find((one) => foldLabel(one.label) === foldLabel(axis.label));
    return axis.values.flatMap((value): [Carrier, Carrier][] => {
      const other = there && familyIndex(origin).valueCalled(there.id, value.label);
      return other ? [[value, other]] : [];
    });
  });
  const children = familyIndex(family).woven.flatMap((child): [Carrier, Carrier][] => {
    const other = childAt(origin, childLabels(family, child));
    return other ? [[child, other]] : [];
  });
  return [[family, origin], ...values, ...children];
}
