/** What SKUs and style codes have in common: their first parts, where those tell families apart. */
import { remembered } from './remembered';
import type { Item } from './shape';

export interface CodeHeads {
  /** The part of an item's code that its family has in common; empty where codes say nothing. */
  headOf(item: Item): string;
}

/** "-X-Large", "-0-3M": a size in two parts, which is one. */
const SIZE_IN_TWO =
  /(?<=[-_ ./])(X{1,4})[-_ ]((?:LARGE|SMALL)$)|(?<=[-_ ./])(\d{1,2})[-_ ](\d{1,2}(?:M|Y|MONTHS|YEARS|MTHS|YRS)$)/;

/** The parts of a code: at every sign but a point between figures. */
export const partsOf = (sku: string): string[] =>
  sku
    .toUpperCase()
    .replace(SIZE_IN_TWO, '$1$2$3$4')
    .split(/(?:[^\p{L}\p{N}.]|(?<!\d)\.|\.(?!\d))+/u)
    .filter(Boolean);

/**
 * Learns from rows that are surely together how many parts of their codes they share.
 * @param groups rows that hold together by their names
 * @param codeOf the code that is looked at
 */
export function openCodeHeads(groups: readonly (readonly Item[])[], codeOf: (item: Item) => string): CodeHeads {
  const partsIn = remembered(partsOf);
  // Number of parts → number that is shared → rows that say so.
  const depths = new Map<number, Map<number, number>>();
  for (const group of groups) {
    if (group.length < 3) continue;
    const codes = group.map((item) => partsIn(codeOf(item)));
    const depth = sharedDepth(codes);
    if (depth === 0 || codes.some((parts) => parts.length <= depth)) continue;
    for (const { length } of codes) {
      const counts = depths.get(length) ?? new Map<number, number>();
      depths.set(length, counts.set(depth, (counts.get(depth) ?? 0) + 1));
    }
  }
  const best = new Map([...depths].map(([length, counts]) => [length, bestDepth(counts)]));
  const headIn = remembered((code: string) => {
    const parts = partsIn(code);
    return parts.slice(0, best.get(parts.length) ?? 0).join('-');
  });
  const headOf = (item: Item): string => headIn(codeOf(item));
  // What most families begin with alike is a house's sign, and tells nothing.
  const heads = new Set(groups.flatMap((items) => headOf(items[0]!) || []));
  return heads.size * FAMILIES_TO_A_HEAD < groups.length ? { headOf: () => '' } : { headOf };
}
/** So many groups by name may have one head; one family may be several of them. */
const FAMILIES_TO_A_HEAD = 8;

/** What codes begin with, up to a sign; empty where that is no code by itself. */
export function sharedHead([first, ...others]: readonly string[]): string {
  let length = first!.length;
  while (!others.every((code) => code.startsWith(first!.slice(0, length)))) length -= 1;
  const head = first!.slice(0, length).replace(/[^\p{L}\p{N}]+[\p{L}\p{N}]*$/u, '');
  return head.length < length && /\d{2}/.test(head) ? head : '';
}

function sharedDepth([first, ...others]: readonly string[][]): number {
  let depth = 0;
  while (depth < first!.length && others.every((parts) => parts[depth] === first![depth])) depth += 1;
  return depth;
}

/** A group of one colour shares its code as well: the shallower of two that are both found is the family's. */
function bestDepth(counts: ReadonlyMap<number, number>): number {
  let best = { depth: 0, count: 0 };
  for (const [depth, count] of counts)
    if (count > best.count * 8 || (depth < best.depth && count * 8 > best.count)) best = { depth, count };
  return best.depth;
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
