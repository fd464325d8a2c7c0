/** Where a picture goes that shows certain values: a value, a combination of them, or the one child that has them all. */
import { hasCombination } from '../../family/combination';
import type { Axis, Child, Family } from '../../family/shape';
import type { Place } from '../../place/place';
import { familyIndex } from '../../family/weave';

/** The axis that pictures differ by: colour or pattern, else the first that has several values. */
export const pictureAxisOf = (family: Family): Axis | undefined =>
  family.axes.find((axis) => axis.role === 'colour' || axis.role === 'pattern') ??
  family.axes.find((axis) => axis.values.length > 1) ??
  family.axes[0];

/**
 * The narrowest place that shows these values, and how many children it shows. Values that make no difference to which children those are
 * are left out. Where no child has them together it is the value that pictures differ by, for no children.
 * @param at axis id → value id, of one axis or more
 */
export function placeOfValues(family: Family, at: Child['at']): { place: Place; children: number } {
  const all = childrenWith(family, at);
  if (all.length === 0 || Object.keys(at).length === 1)
    return { place: leadingValue(family, at), children: all.length };
  if (all.length === 1) return { place: placeOfChild(family, all[0]!.id), children: 1 };
  const needed = withoutIdle(family, at, all.length);
  return {
    place: Object.keys(needed).length === 1 ? leadingValue(family, needed) : { level: 'combination', at: needed },
    children: all.length,
  };
}

/** A child that is the only one of its colour is shown by that, as its value is. */
export function placeOfChild(family: Family, childId: string): Place {
  const axis = pictureAxisOf(family);
  const valueId = axis && family.children[childId]?.at[axis.id];
  const isOnly = valueId !== undefined && familyIndex(family).positionsOf(valueId).length === 1;
  return axis && isOnly ? { level: 'value', axisId: axis.id, valueId } : { level: 'child', childId };
}

const childrenWith = (family: Family, at: Child['at']): Child[] =>
  familyIndex(family).woven.filter((child) => hasCombination(child, { at }));

/** The values without those that the same children have anyway; the axis that pictures differ by goes last. */
function withoutIdle(family: Family, at: Child['at'], children: number): Child['at'] {
  const leading = pictureAxisOf(family)?.id;
  const order = Object.keys(at).toSorted((a, b) => Number(a === leading) - Number(b === leading));
  return order.reduce((left, axisId) => {
    const { [axisId]: _idle, ...others } = left;
    const isIdle = Object.keys(others).length > 0 && childrenWith(family, others).length === children;
    return isIdle ? others : left;
  }, at);
}

function leadingValue(family: Family, at: Child['at']): Place {
  const leading = pictureAxisOf(family)?.id;
  const axisId = leading !== undefined && at[leading] !== undefined ? leading : Object.keys(at)[0]!;
  return { level: 'value', axisId, valueId: at[axisId]! };
}
