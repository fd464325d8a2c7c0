/** Goods of one name that are several families: what tells them apart where crossings of theirs stand twice. */
import { push } from '../filing';
import { partsOf } from './codeHeads';
import { areApart, type RowVariant, type WovenAxis } from './weaves';

/** The parts by what stands in one of some columns; null where that does not tell them apart. */
export function partedByCells(
  variants: readonly RowVariant[],
  axes: readonly WovenAxis[],
  columns: readonly number[],
): RowVariant[][] | null {
  for (const at of columns) {
    const parts = partsBy(variants, ({ item }) => (item.cells[at] ?? '').trim().toLowerCase());
    if (parts.length > 1 && parts.every((part) => areApart(part, axes))) return parts;
  }
  return null;
}

/**
 * The parts by the fewest parts of their SKUs, from the first, such that no crossing stands twice in one; each is of two rows at least.
 * Null where there is none.
 */
export function partedByHeads(variants: readonly RowVariant[], axes: readonly WovenAxis[]): RowVariant[][] | null {
  const codes = new Map(variants.map((variant) => [variant, partsOf(variant.item.ownCode)]));
  const shortest = [...codes.values()].reduce((least, { length }) => Math.min(least, length), Infinity);
  for (let depth = 1; depth < shortest; depth++) {
    const parts = partsBy(variants, (variant) => codes.get(variant)!.slice(0, depth).join('-'));
    if (parts.length > 1 && parts.every((part) => part.length > 1 && areApart(part, axes))) return parts;
  }
  return null;
}

function partsBy(variants: readonly RowVariant[], keyOf: (variant: RowVariant) => string): RowVariant[][] {
  const parts = new Map<string, RowVariant[]>();
  for (const variant of variants) push(parts, keyOf(variant), variant);
  return [...parts.values()];
}
