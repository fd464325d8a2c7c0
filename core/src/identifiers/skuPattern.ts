/** SKUs made by a pattern, such as `{style}-{colour}-{size}`. */
import type { Child, Family } from '../family/shape';
import { familyIndex } from '../family/weave';
import { unreadable, type Unreadable } from '../refusal';
import { readSku } from './sku';

/** The marks a pattern may hold for this family: style, and one for each axis by its label. */
export function skuMarks(family: Family): string[] {
  return ['style', ...family.axes.map((axis) => markOf(axis.label))];
}

/**
 * An axis in a pattern: its name in small letters and hyphens. One that no Latin letter is in keeps its own letters.
 */
function markOf(label: string): string {
  const hyphened = (others: RegExp) => label.toLowerCase().replace(others, '-').replace(/^-|-$/g, '');
  return hyphened(/[^a-z0-9]+/g) || hyphened(/[^\p{L}\p{N}]+/gu);
}

/** The pattern a new family starts with: the style code and every axis. */
export function usualPattern(axisLabels: readonly string[]): string {
  return ['style', ...axisLabels.map(markOf)].map((mark) => `{${mark}}`).join('-');
}

export interface SkuProposal {
  childId: string;
  sku: string;
  /** Why this SKU cannot be taken; undefined when it can. */
  problem?: Unreadable;
}

/**
 * SKUs by the pattern for the given children. Codes of values are used, in capitals.
 * @param taken SKUs that belong to others in the catalogue, and those ever used by children of this family that are
 * not in `children`.
 */
export function proposeSkus(
  family: Family,
  children: readonly Child[],
  pattern: string,
  taken: ReadonlySet<string>,
): SkuProposal[] {
  const unknown = unknownMarks(family, pattern);
  const { valueById } = familyIndex(family);
  const made = new Map<string, string>();
  return children.map((child) => {
    const sku = pattern
      .replace(/\{([^}]*)\}/g, (_whole, mark: string) => {
        if (mark === 'style') return String(family.fields.styleCode ?? '');
        const axis = family.axes.find((one) => markOf(one.label) === mark);
        return axis ? (valueById.get(child.at[axis.id] ?? '')?.code ?? '') : '';
      })
      .toUpperCase();
    const twin = made.get(sku);
    made.set(sku, child.id);
    const read = readSku(sku);
    const problem =
      unknown.length > 0
        ? unreadable('sku.pattern', { mark: unknown[0]! })
        : !read.ok
          ? read
          : twin
            ? unreadable('sku.pattern-twice', { sku })
            : taken.has(sku)
              ? unreadable('sku.given-before', { sku })
              : undefined;
    return problem ? { childId: child.id, sku, problem } : { childId: child.id, sku };
  });
}

/** Marks in the pattern that the family has no axis for. */
export function unknownMarks(family: Family, pattern: string): string[] {
  const marks = skuMarks(family);
  return [...pattern.matchAll(/\{([^}]*)\}/g)].map((match) => match[1]!).filter((mark) => !marks.includes(mark));
}
