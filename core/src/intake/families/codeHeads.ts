/** What SKUs and style codes have in common: their first parts, where those tell families apart. */
import type { Item } from './shape';

export interface CodeHeads {
  /** The part of an item's code that its family has in common; empty where codes say nothing. */
  headOf(item: Item): string;
}

const partsOf = (sku: string): string[] =>
  sku
    .toUpperCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/**
 * Learns from rows that are surely together how many parts of their codes they share.
 * @param groups rows that hold together by their names
 * @param codeOf the code that is looked at; those of styles may be the same in all rows of a group
 */
export function openCodeHeads(groups: readonly (readonly Item[])[], codeOf: (item: Item) => string): CodeHeads {
  const depths = new Map<string, number>();
  for (const group of groups) {
    if (group.length < 3) continue;
    const skus = group.map((item) => partsOf(codeOf(item)));
    if (skus.some((parts) => parts.length < 2)) continue;
    const first = skus[0]!;
    if (skus.some((parts) => parts.length !== first.length)) continue;
    let depth = 0;
    while (depth < first.length && skus.every((parts) => parts[depth] === first[depth])) depth += 1;
    if (depth === 0) continue;
    const key = `${first.length}/${depth}`;
    depths.set(key, (depths.get(key) ?? 0) + group.length);
  }
  const best = new Map<number, { depth: number; count: number }>();
  for (const [key, count] of depths) {
    const [length, depth] = key.split('/').map(Number) as [number, number];
    // A group of one colour shares its code as well: the shallower of two that are both usual is the family's.
    const before = best.get(length);
    if (!before || count > before.count * 3 || (depth < before.depth && count * 3 > before.count))
      best.set(length, { depth, count });
  }
  return {
    headOf(item) {
      const parts = partsOf(codeOf(item));
      const depth = best.get(parts.length)?.depth ?? 0;
      return depth === parts.length ? '' : parts.slice(0, depth).join('-');
    },
  };
}

/** Whether a code stands for words: their letters in order, the first among them ("NVY" for Navy, "FGR" for Forest green). */
export function isCodeOf(code: string, words: string): boolean {
  const letters = words.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
  const wanted = code.toLowerCase();
  if (wanted === '' || wanted[0] !== letters[0]) return false;
  let at = 0;
  for (const letter of wanted) {
    at = letters.indexOf(letter, at) + 1;
    if (at === 0) return false;
  }
  return true;
}
