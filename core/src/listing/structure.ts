/** What a structure looks like from outside, and when a listing of one can be revised into one of another. */

/**
 * What a channel sees of a structure: the axes shown, joined ones with `+`, the one that leads first. What is split or pinned
 * is not in it: a listing that holds one lining is the same listing whether there are others or not.
 */
export const structureOf = (groups: readonly (readonly string[])[]): string =>
  groups.map((group) => group.join('+')).join('|');

/** What a structure shows. Listings sent before had more behind a semicolon. */
export const shownOf = (structure: string): string => structure.split(';')[0]!;

export const inAnyOrder = (structure: string): string => shownOf(structure).split('|').sort().join('|');

/** Leading axes of a structure. */
export const leadsOf = (structure: string): Set<string> =>
  new Set(
    shownOf(structure)
      .split('|')
      .map((group) => group.split('+')[0]!)
      .filter(Boolean),
  );

/**
 * Whether a listing of one structure can be revised into one of the other: its axes are led by the same, in whatever order, or
 * some come or go beside them, as when a colour that was a plain fact gets a second value.
 */
export const isSameListing = (one: string, other: string): boolean => isLedAlike(leadsOf(one), leadsOf(other));

/** The same by the leading axes of both. */
export function isLedAlike(a: ReadonlySet<string>, b: ReadonlySet<string>): boolean {
  const [fewer, more] = a.size < b.size ? [a, b] : [b, a];
  for (const lead of fewer) if (!more.has(lead)) return false;
  return true;
}
