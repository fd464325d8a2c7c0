/** At which levels one figure can be set for some children: where it would stand, the widest first. */
import { familyIndex } from './weave';
import type { Family } from './shape';
import type { Level, Place } from '../place/place';

/** A way to set a figure for some children. */
export interface Reach {
  level: Level;
  /** Where the figure would stand: the family, one or several values of one axis, or each of the children. */
  places: Place[];
}

/**
 * Every level that reaches exactly these children: the family where they are all of it, values of an axis where they are all
 * children of these, and always the children one by one.
 */
export function placesFor(family: Family, childIds: readonly string[]): Reach[] {
  const index = familyIndex(family);
  const positions = new Set(
    childIds.flatMap((id) => {
      const position = index.position.get(id);
      return position === undefined ? [] : [position];
    }),
  );
  const isWhole = positions.size > 0 && positions.size === index.woven.length;
  const byValue = isWhole
    ? []
    : family.axes.flatMap((axis): Reach[] => {
        const touched = axis.values.filter((value) => index.positionsOf(value.id).some((at) => positions.has(at)));
        const reached = touched.reduce((sum, value) => sum + index.positionsOf(value.id).length, 0);
        if (touched.length === 0 || reached !== positions.size) return [];
        return [
          { level: 'value', places: touched.map((value) => ({ level: 'value', axisId: axis.id, valueId: value.id })) },
        ];
      });
  const whole: Reach[] = isWhole ? [{ level: 'family', places: [{ level: 'family' }] }] : [];
  const each = childIds.filter((id) => index.position.has(id)).map((childId): Place => ({ level: 'child', childId }));
  return [...whole, ...byValue.toSorted((a, b) => a.places.length - b.places.length), { level: 'child', places: each }];
}
