/**
 * Combinations: values of two or more axes at once, such as Navy with Stars. Pictures stand there that show all children who have these
 * values and nobody else. One that would name all axes is a child.
 */
import { Refusal } from '../refusal/refusal';
import type { Carrier, Child, Combination, Family } from './shape';
import { familyIndex } from './weave';

const NOTHING_THERE: Carrier = Object.freeze({ fields: {}, pictures: [] });

/** The same text for the same values, whatever the order of the axes. */
export const combinationKey = (at: Combination['at']): string => Object.values(at).toSorted().join('+');

/** Whether a child has all these values. */
export function hasCombination(child: Child, { at }: Pick<Combination, 'at'>): boolean {
  for (const axisId in at) if (child.at[axisId] !== at[axisId]) return false;
  return true;
}

/** The combinations of a child's values, those of more values first. */
export function combinationsOf(family: Family, child: Child): readonly Combination[] {
  const { combinations } = familyIndex(family);
  return combinations.length === 0 ? combinations : combinations.filter((one) => hasCombination(child, one));
}

/** Any two values of different axes that more than one child has. In a family of two axes any two are a single child's. */
export function sharedPairs(family: Family): Combination['at'][] {
  const { axes } = family;
  if (axes.length < 3) return [];
  const counts = new Map<string, { at: Combination['at']; count: number }>();
  for (const child of familyIndex(family).woven)
    axes.forEach(({ id: one }, nth) => {
      for (const { id: other } of axes.slice(nth + 1)) {
        const at = { [one]: child.at[one]!, [other]: child.at[other]! };
        const key = combinationKey(at);
        counts.set(key, { at, count: (counts.get(key)?.count ?? 0) + 1 });
      }
    });
  return [...counts.values()].flatMap(({ at, count }) => (count > 1 ? [at] : []));
}

/** What stands at a combination; nothing where nothing was put there. Throws a Refusal where the family has no such values together. */
export function combinationAt(family: Family, at: Combination['at']): Carrier {
  checkCombination(family, at);
  return family.combinations?.[combinationKey(at)] ?? NOTHING_THERE;
}

/** Refuses values that are not there, a single one, and one on every axis. */
export function checkCombination({ axes }: Pick<Family, 'axes'>, at: Combination['at']): void {
  const named = axes.filter(({ id }) => at[id] !== undefined);
  for (const { id, label, values } of named)
    if (!values.some((value) => value.id === at[id])) throw new Refusal('value.unknown', { label });
  if (named.length !== Object.keys(at).length) throw new Refusal('axis.unknown', {});
  if (named.length < 2 || named.length === axes.length) throw new Refusal('combination.values', {});
}

/** Puts something at a combination of a draft. One that holds nothing goes. */
export function changeCombination(draft: Family, at: Combination['at'], changed: Partial<Carrier>): void {
  const key = combinationKey(at);
  const made: Combination = { at, ...combinationAt(draft, at), ...changed };
  const { [key]: _before, ...others } = draft.combinations ?? {};
  const isEmpty = made.pictures.length === 0 && Object.keys(made.scoped ?? {}).length === 0;
  putCombinations(draft, isEmpty ? others : { ...others, [key]: made });
}

/** Takes combinations out whose values do not stand on axes of the draft any more, or that name all of them by now. */
export function dropLostCombinations(draft: Family): void {
  const all = Object.entries(draft.combinations ?? {});
  const kept = all.filter(([, { at }]) => {
    const standing = draft.axes.filter(({ id, values }) => values.some((value) => value.id === at[id]));
    return standing.length === Object.keys(at).length && standing.length < draft.axes.length;
  });
  if (kept.length < all.length) putCombinations(draft, Object.fromEntries(kept));
}

function putCombinations(draft: Family, combinations: NonNullable<Family['combinations']>): void {
  if (Object.keys(combinations).length > 0) draft.combinations = combinations;
  else delete draft.combinations;
}
