/** Values that are told apart by sight and look the same: pictures, swatches. */
import { group } from 'd3-array';
import { familyIndex } from '../family/weave';
import type { Axis, Family, Value } from '../family/shape';
import type { Place } from '../place/place';
import { same, type StillSame } from './shape';

/** Axes whose values a picture shows. */
const SEEN: readonly string[] = ['colour', 'pattern', 'material'];

/** Values of an axis that have one main picture among them, standing at the values or at their children. */
export function samePictures(family: Family): StillSame[] {
  return family.axes.filter(({ role }) => SEEN.includes(role)).flatMap((axis) => picturesOn(family, axis));
}

function picturesOn(family: Family, axis: Axis): StillSame[] {
  const { woven, positionsOf } = familyIndex(family);
  const holders = new Map<string, Map<string, { value: Value; places: Map<string, Place>; childIds: string[] }>>();
  for (const value of axis.values)
    for (const position of positionsOf(value.id)) {
      const child = woven[position]!;
      const isOwn = child.pictures.length > 0;
      const picture = isOwn ? child.pictures[0] : value.pictures[0];
      if (!picture) continue;
      const byValue = holders.get(picture) ?? new Map();
      holders.set(picture, byValue);
      const held = byValue.get(value.id) ?? { value, places: new Map(), childIds: [] };
      byValue.set(value.id, held);
      held.childIds.push(child.id);
      const place: Place = isOwn
        ? { level: 'child', childId: child.id }
        : { level: 'value', axisId: axis.id, valueId: value.id };
      held.places.set(isOwn ? child.id : value.id, place);
    }
  return [...holders.values()].flatMap((byValue) => {
    const all = [...byValue.values()];
    if (all.length < 2) return [];
    return same({
      code: 'pictures',
      key: 'pictures',
      places: all.flatMap(({ places }) => [...places.values()]),
      ...{
        childIds: all.flatMap(({ childIds }) => childIds),
        params: { values: labelsOf(all.map(({ value }) => value)) },
      },
    });
  });
}

/** Colours that have one swatch among them. */
export function sameSwatches(family: Family): StillSame[] {
  const { woven, positionsOf } = familyIndex(family);
  return family.axes.flatMap((axis) => {
    const bySwatch = group(
      axis.values.filter((value) => value.swatch !== undefined),
      (value) => value.swatch!.toLowerCase(),
    );
    return [...bySwatch.values()].flatMap((values) =>
      values.length < 2
        ? []
        : same({
            code: 'swatch',
            key: 'swatch',
            params: { values: labelsOf(values) },
            places: values.map(({ id }): Place => ({ level: 'value', axisId: axis.id, valueId: id })),
            childIds: values.flatMap(({ id }) => positionsOf(id).map((position) => woven[position]!.id)),
          }),
    );
  });
}

/** Labels for a sentence, one a line. */
export const labelsOf = (values: readonly Value[]): string => values.map(({ label }) => label).join('\n');
