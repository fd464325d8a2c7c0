/** SKUs made by a pattern, such as `{style}-{colour}-{size}`. */
import type { Child, Family } from '../family/shape';
import { familyIndex } from '../family/weave';

/** SKUs a change would take from the child that has each, away or to another; one on the shelf is not gone. */
export function skusGone(before: Family, after: Family): { childId: string; sku: string }[] {
  const skusOf = (family: Family) =>
    [...Object.values(family.children), ...Object.values(family.shelf).map((one) => one.child)].flatMap(
      ({ id, fields }) => (typeof fields.sku === 'string' ? [{ childId: id, sku: fields.sku }] : []),
    );
  const stays = new Set(skusOf(after).map((one) => `${one.childId}|${one.sku}`));
  return skusOf(before).filter((one) => !stays.has(`${one.childId}|${one.sku}`));
}

/** Why a SKU that is listed cannot go. */
export function liveSkuText(sku: string, channelName: string): string {
  return `${sku} is listed on ${channelName}: orders come in under it. Take it down there first, then change it.`;
}

/** The marks a pattern may hold for this family: style, and one for each axis by its label. */
export function skuMarks(family: Family): string[] {
  return ['style', ...family.axes.map((axis) => markOf(axis.label))];
}

const markOf = (label: string) =>
  label
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

/** The pattern a new family starts with: the style code and every axis. */
export function usualPattern(axisLabels: readonly string[]): string {
  return ['style', ...axisLabels.map(markOf)].map((mark) => `{${mark}}`).join('-');
}

export interface SkuProposal {
  childId: string;
  sku: string;
  /** Why this SKU cannot be taken; undefined when it can. */
  problem?: string;
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
    const problem =
      unknown.length > 0
        ? `The pattern has {${unknown[0]}}, which this family does not have.`
        : !/^[A-Z0-9][A-Z0-9._/-]*$/.test(sku)
          ? `"${sku}" is not a SKU: a part of it is empty or has a sign that is not allowed.`
          : sku.length > 40
            ? `"${sku}" has ${sku.length} characters; 40 fit.`
            : twin
              ? `Two children would be ${sku}. Put every axis into the pattern, or give the values codes that differ.`
              : taken.has(sku)
                ? `${sku} belongs to another child, or did once.`
                : undefined;
    return problem ? { childId: child.id, sku, problem } : { childId: child.id, sku };
  });
}

/** Marks in the pattern that the family has no axis for. */
export function unknownMarks(family: Family, pattern: string): string[] {
  const marks = skuMarks(family);
  return [...pattern.matchAll(/\{([^}]*)\}/g)].map((match) => match[1]!).filter((mark) => !marks.includes(mark));
}

/**
 * Short codes for labels, no two alike: initials or first letters, at most `length` characters, then numbered.
 * @param used codes already taken on the axis.
 */
export function shortCodes(labels: readonly string[], used: Iterable<string> = [], length = 3): string[] {
  const taken = new Set(used);
  return labels.map((label) => {
    const candidates = codeCandidates(label, length);
    let code = candidates.find((one) => !taken.has(one));
    for (let n = 2; code === undefined; n++) {
      const numbered = (candidates[0] ?? 'V').slice(0, Math.max(1, length - String(n).length)) + n;
      if (!taken.has(numbered)) code = numbered;
    }
    taken.add(code);
    return code;
  });
}

function codeCandidates(label: string, length: number): string[] {
  const words = label
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toUpperCase()
    .split(/[^A-Z0-9]+/)
    .filter(Boolean);
  const whole = words.join('');
  if (whole === '') return [];
  // Sizes and numbers are their own best code.
  if (whole.length <= 4 && /^(\d|X|S$|M$|L$)/.test(whole)) return [whole];
  if (/^\d/.test(whole)) return [whole.slice(0, 6)];
  const consonants = whole[0] + whole.slice(1).replace(/[AEIOU]/g, '');
  const initials =
    words.length > 1
      ? words.map((word, at) => (at === 0 ? word.slice(0, length - words.length + 1 || 1) : word[0])).join('')
      : '';
  return [
    initials.slice(0, length),
    whole.slice(0, length),
    consonants.slice(0, length),
    whole.slice(0, 2) + whole.at(-1),
  ].filter((one) => one.length > 0);
}
