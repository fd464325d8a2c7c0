/** Values in the order of their sizes. */
import { areSizes, sortSizes } from '../size/sortSizes';
import type { Value } from '../family/shape';

const labelsOf = (values: readonly Value[]) => values.map((value) => value.label);

/** The values by size where every one of them is a size; else as they are. */
export function sortBySize(values: readonly Value[]): Value[] {
  const labels = labelsOf(values);
  if (!areSizes(labels)) return [...values];
  const rank = new Map(sortSizes(labels).map((label, at) => [label, at]));
  return values.toSorted((a, b) => rank.get(a.label)! - rank.get(b.label)!);
}

/** Whether the values are sizes and stand by size. */
export function isSizeOrder(values: readonly Value[]): boolean {
  return areSizes(labelsOf(values)) && sortBySize(values).every((value, at) => value === values[at]);
}
