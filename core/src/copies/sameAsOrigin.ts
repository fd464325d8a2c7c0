/** What a copied family still has of the one it was copied from. */
import { dequal } from 'dequal';
import type { Family } from '../family/shape';
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
      ...{ code: 'origin-pictures', key: 'pictures', places: [], childIds: [] },
      params: { count: String(shared.length), name: String(origin.fields.name ?? '') },
    }),
  ];
}

/** Prices and measures of the family as a whole that are those of the origin, told once for all of them. */
function originFigures(registry: Registry, family: Family, origin: Family): StillSame[] {
  const fields = registry.fields.filter(
    (field) =>
      isNumeric(field) &&
      family.fields[field.key] !== undefined &&
      dequal(family.fields[field.key], origin.fields[field.key]),
  );
  if (fields.length === 0) return [];
  const labels = fields.map(({ label }) => label);
  const more = labels.length - NAMED;
  return [
    same({
      ...{ code: 'origin-figures', key: fields[0]!.key, places: [{ level: 'family' }], childIds: [] },
      params: {
        fields: more > 0 ? `${labels.slice(0, NAMED).join(', ')} and ${more} more` : labels.join(', '),
        name: String(origin.fields.name ?? ''),
      },
    }),
  ];
}
