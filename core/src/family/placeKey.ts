/** Places as keys of a map. */
import { combinationKey } from './combination';
import type { Place } from '../place/place';

/** The same text for the same place of a family, and for no other. */
export function placeKey(place: Place): string {
  if (place.level === 'family') return 'family';
  if (place.level === 'value') return `value:${place.valueId}`;
  return place.level === 'child' ? `child:${place.childId}` : `combination:${combinationKey(place.at)}`;
}
