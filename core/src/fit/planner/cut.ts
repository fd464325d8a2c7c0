/**
 * Cutting a listing that is too large: along its axes into the fewest groups, values in order, groups as even as can
 * be.
 */

/**
 * Which of `groups` even groups of `count` ordered values the value number `at` falls into; the first groups are the
 * larger.
 */
export function groupOf(at: number, count: number, groups: number): number {
  const small = Math.floor(count / groups);
  const large = count % groups;
  const inLarge = large * (small + 1);
  return at < inLarge ? Math.floor(at / (small + 1)) : large + Math.floor((at - inLarge) / small);
}

/**
 * Into how many groups each axis has to be cut so that every part has at most `valuesAtMost[axis]` values on each
 * axis and
 * `childrenAtMost` children. The fewest parts in all (product of the groups); among equals the later axis is cut first.
 * @param rows the children: the place of each on every axis, from 0 without gaps
 * @returns groups per axis, all 1 where nothing need be cut; null where cutting does not help
 */
export function fewestCuts(
  rows: readonly (readonly number[])[],
  valuesAtMost: readonly number[],
  childrenAtMost: number,
): number[] | null {
  const axes = valuesAtMost.length;
  const counts = valuesAtMost.map((_, axis) => rows.reduce((most, row) => Math.max(most, row[axis]! + 1), 0));
  if (rows.length <= childrenAtMost && counts.every((count, axis) => count <= valuesAtMost[axis]!))
    return counts.map(() => 1);
  if (valuesAtMost.some((most) => most < 1) || childrenAtMost < 1 || axes === 0) return null;
  const whole = counts.reduce((product, count) => product * count, 1);
  for (let parts = 2; parts <= whole; parts++) {
    const groups = productsOf(parts, counts).find((one) => fits(rows, counts, one, valuesAtMost, childrenAtMost));
    if (groups) return groups;
  }
  return null;
}

/** Every way to write `product` as one factor per axis, each at most that axis's count; factors on later axes first. */
function productsOf(product: number, counts: readonly number[]): number[][] {
  if (counts.length === 0) return product === 1 ? [[]] : [];
  const [first, ...rest] = counts as [number, ...number[]];
  const found: number[][] = [];
  for (let factor = 1; factor <= Math.min(first, product); factor++) {
    if (product % factor === 0) for (const tail of productsOf(product / factor, rest)) found.push([factor, ...tail]);
  }
  return found;
}

function fits(
  rows: readonly (readonly number[])[],
  counts: readonly number[],
  groups: readonly number[],
  valuesAtMost: readonly number[],
  childrenAtMost: number,
): boolean {
  const parts = new Map<number, { children: number; values: Set<number>[] }>();
  for (const row of rows) {
    let key = 0;
    for (let axis = 0; axis < counts.length; axis++)
      key = key * groups[axis]! + groupOf(row[axis]!, counts[axis]!, groups[axis]!);
    let part = parts.get(key);
    if (!part) parts.set(key, (part = { children: 0, values: counts.map(() => new Set<number>()) }));
    part.children += 1;
    if (part.children > childrenAtMost) return false;
    for (let axis = 0; axis < counts.length; axis++) {
      part.values[axis]!.add(row[axis]!);
      if (part.values[axis]!.size > valuesAtMost[axis]!) return false;
    }
  }
  return true;
}
