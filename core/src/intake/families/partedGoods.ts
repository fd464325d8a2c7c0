/** Goods of one name that are several families: what tells them apart where crossings of theirs stand twice. */
import { push } from '../filing';
import { partsOf } from './codeHeads';
import { areApart, type Strand, type WovenAxis } from './weaves';

/** The parts by what stands in one of some columns; null where that does not tell them apart. */
export function partedByCells(
  strands: readonly Strand[],
  axes: readonly WovenAxis[],
  columns: readonly number[],
): Strand[][] | null {
  for (const at of columns) {
    const parts = partsBy(strands, ({ item }) => (item.cells[at] ?? '').trim().toLowerCase());
    if (parts.length > 1 && parts.every((part) => areApart(part, axes))) return parts;
  }
  return null;
}

/**
 * The parts by the fewest parts of their SKUs, from the first, such that no crossing stands twice in one; each is of two rows at least.
 * Null where there is none.
 */
export function partedByHeads(strands: readonly Strand[], axes: readonly WovenAxis[]): Strand[][] | null {
  const codes = new Map(strands.map((strand) => [strand, partsOf(strand.item.ownCode)]));
  const shortest = [...codes.values()].reduce((least, { length }) => Math.min(least, length), Infinity);
  for (let depth = 1; depth < shortest; depth++) {
    const parts = partsBy(strands, (strand) => codes.get(strand)!.slice(0, depth).join('-'));
    if (parts.length > 1 && parts.every((part) => part.length > 1 && areApart(part, axes))) return parts;
  }
  return null;
}

function partsBy(strands: readonly Strand[], keyOf: (strand: Strand) => string): Strand[][] {
  const parts = new Map<string, Strand[]>();
  for (const strand of strands) push(parts, keyOf(strand), strand);
  return [...parts.values()];
}
