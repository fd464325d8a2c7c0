/** Places as keys of a map. */
import type { Place } from './shape';

/** The same text for the same place of a family, and for no other. */
export const placeKey = (place: Place): string =>
  place.level === 'family' ? 'family' : place.level === 'value' ? `value:${place.valueId}` : `child:${place.childId}`;
