/** The places that pictures go to, family by family. */
import { placeKey } from '@loom-kin/core/family';
import type { Arrival, PicturePlaces } from '@loom-kin/contract';
import { targetOf } from './useSettling';

export interface Shelf {
  family: PicturePlaces;
  rows: { place: PicturePlaces['places'][number]; arrivals: Arrival[] }[];
  /** Values of the axis that pictures go to which none comes for and none stands on. */
  bare: string[];
}

/** In the order of the families, the places of each in its own order. */
export function shelvesOf(going: readonly Arrival[], families: ReadonlyMap<string, PicturePlaces>): Shelf[] {
  const byPlace = new Map<string, Arrival[]>();
  const used = new Set<string>();
  for (const one of going) {
    const target = targetOf(one)!;
    const key = `${target.familyId} ${placeKey(target.place)}`;
    byPlace.set(key, [...(byPlace.get(key) ?? []), one]);
    used.add(target.familyId);
  }
  return [...families.values()]
    .filter((family) => used.has(family.id))
    .map((family) => {
      const all = family.places.map((place) => ({
        place,
        arrivals: byPlace.get(`${family.id} ${placeKey(place.place)}`) ?? [],
      }));
      const rows = all.filter((row) => row.arrivals.length > 0);
      const axes = new Set(rows.flatMap((row) => row.place.axis ?? []));
      const bare = all.filter(
        ({ place, arrivals }) =>
          place.axis !== null && axes.has(place.axis) && arrivals.length + place.pictures.length === 0,
      );
      return { family, rows, bare: bare.map((row) => row.place.label) };
    });
}
