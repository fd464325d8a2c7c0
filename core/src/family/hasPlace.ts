/** Whether a place is still there after a change. */
import type { Family } from './shape';
import type { Place } from '../place/place';
import { familyIndex } from './weave';

/** The family always is; a value or values together while they stand on its axes, a child while it is woven. */
export function hasPlace(family: Family, place: Place): boolean {
  const { valueById } = familyIndex(family);
  switch (place.level) {
    case 'family':
      return true;
    case 'value':
      return valueById.has(place.valueId);
    case 'combination':
      return Object.values(place.at).every((id) => valueById.has(id));
    case 'child':
      return family.children[place.childId]?.woven === true;
  }
}
