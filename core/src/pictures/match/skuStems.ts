/** What SKUs begin with: "FCJ" of all children of a family, "FCJ-NAV" of all that are Navy. People name pictures so. */
import { hasCombination } from '../../family/combination';
import type { Child, Family } from '../../family/shape';
import { compact } from '../../text/letters';

/** Shorter beginnings, or ones cut inside of a word of letters, say nothing. */
const SHORTEST = 3;
const SHORTEST_INSIDE = 4;

export interface SkuStem {
  written: string;
  /** The values that exactly the children with this stem have; none: all children of the family have it. */
  at: Child['at'];
}

/** What all of several SKUs begin with, up to one of their separators where they have such; empty where that is too little. */
export function commonStem(skus: readonly string[]): string {
  const [first, ...others] = skus;
  if (first === undefined || others.length === 0) return '';
  const shared = (stem: string) => others.every((sku) => compact(stemLike(sku, stem)) === compact(stem));
  return beginningsOf(first).findLast(shared) ?? '';
}

/** The stems of a family's SKUs that belong to all its children, or to all that have certain values; the longest for each. */
export function skuStems(family: Family): SkuStem[] {
  const children = Object.values(family.children).flatMap((child) =>
    typeof child.fields.sku === 'string' ? [{ child, sku: child.fields.sku }] : [],
  );
  const byStem = new Map<string, { written: string; children: Child[] }>();
  for (const { child, sku } of children)
    for (const written of beginningsOf(sku)) {
      const key = compact(written);
      const known = byStem.get(key) ?? { written, children: [] };
      byStem.set(key, known);
      known.children.push(child);
    }
  const counts = new Map<string, number>();
  const countWith = (at: Child['at']): number => {
    const key = JSON.stringify(at);
    const count = counts.get(key) ?? children.filter(({ child }) => hasCombination(child, { at })).length;
    counts.set(key, count);
    return count;
  };
  const longest = new Map<string, SkuStem>();
  for (const { written, children: own } of byStem.values()) {
    if (own.length < 2) continue;
    const at = sharedValues(family, own);
    const before = longest.get(JSON.stringify(at));
    if (own.length === countWith(at) && written.length > (before?.written.length ?? 0))
      longest.set(JSON.stringify(at), { written, at });
  }
  return [...longest.values()];
}

/** The values that all of these children have. */
export const sharedValues = ({ axes }: Family, [first, ...others]: readonly Child[]): Child['at'] =>
  Object.fromEntries(
    axes.flatMap(({ id }) => (others.every((one) => one.at[id] === first!.at[id]) ? [[id, first!.at[id]!]] : [])),
  );

/** The beginnings of a SKU, the shortest first: up to each of its separators, or of any length where it has none. */
function beginningsOf(sku: string): string[] {
  const cuts = [...sku.matchAll(/[^\p{L}\p{N}]+/gu)].map((match) => match.index);
  const [ends, least] =
    cuts.length > 0
      ? [cuts, SHORTEST]
      : [
          Array.from({ length: Math.max(0, sku.length - SHORTEST_INSIDE) }, (_, at) => at + SHORTEST_INSIDE),
          SHORTEST_INSIDE,
        ];
  return ends.map((end) => sku.slice(0, end)).filter((stem) => compact(stem).length >= least);
}

/** As much of a SKU as a stem is long; all of it where it goes on without a separator there. */
function stemLike(sku: string, stem: string): string {
  const isParted = /[^\p{L}\p{N}]/u.test(sku);
  const goesOn = /^[\p{L}\p{N}]/u.test(sku.slice(stem.length));
  return isParted && goesOn ? sku : sku.slice(0, stem.length);
}
