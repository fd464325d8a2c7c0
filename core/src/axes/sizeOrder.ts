/** Values in the order of their sizes. */
import { sizeKey, sortSizes } from '../size/sortSizes';
import type { Value } from '../family/shape';

const areSizes = (values: readonly Value[]) => values.every((value) => sizeKey(value.label) !== null);

/** The values by size where every one of them is a size; else as they are. */
export function sortBySize(values: readonly Value[]): Value[] {
  if (!areSizes(values)) return [...values];
  const rank = new Map(sortSizes(values.map((value) => value.label)).map((label, at) => [label, at]));
  return values.toSorted((a, b) => rank.get(a.label)! - rank.get(b.label)!);
}

/** Whether the values are sizes and stand by size. */
export function isSizeOrder(values: readonly Value[]): boolean {
  return areSizes(values) && sortBySize(values).every((value, at) => value === values[at]);
}
