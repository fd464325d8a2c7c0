/** The places of the open family that pictures can go to: all of it, its values, and values together. */
import { computed, inject, ref, type InjectionKey, type Ref } from 'vue';
import { combinationLabel, placeKey } from '@loom-kin/core/family';
import type { Place } from '@loom-kin/core/place';
import { useFamily } from '../stores/family';

export interface PicturePlace {
  key: string;
  place: Place;
  label: string;
  swatch?: string | undefined;
}
export type CombinationPlace = Extract<Place, { level: 'combination' }>;

/** Combinations that were opened on the page and have no picture yet. */
export const OPENED: InjectionKey<Ref<CombinationPlace[]>> = Symbol('opened combinations');

export function usePicturePlaces() {
  const store = useFamily();
  const opened = inject(OPENED, ref([]));
  /** Those that have pictures, then those that were opened. */
  const combinations = computed((): CombinationPlace[] => {
    const there = store.index!.combinations.map(({ at }): CombinationPlace => ({ level: 'combination', at }));
    const keys = new Set(there.map(placeKey));
    return [...there, ...opened.value.filter((one) => !keys.has(placeKey(one)))];
  });
  const places = computed((): PicturePlace[] => {
    const family = store.family!;
    const values = family.axes.flatMap((axis) =>
      axis.values.map(({ id, label, swatch }) => {
        const place: Place = { level: 'value', axisId: axis.id, valueId: id };
        return { place, label, swatch };
      }),
    );
    const together = combinations.value.map((place) => ({ place, label: combinationLabel(family, place.at) }));
    const all = [{ place: { level: 'family' } as Place, label: 'All children' }, ...values, ...together];
    return all.map((one) => ({ ...one, key: placeKey(one.place) }));
  });
  return { combinations, places };
}
