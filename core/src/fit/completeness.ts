/** How well a family is filled for an account: the better filled, the better found. */
import { columnOf } from '../family/column';
import type { Scopes } from '../family/scope';
import type { Family, Figure } from '../family/shape';
import type { CategoryRules, FieldCheck } from '../rulebook/openRulebook';
import type { FieldRule } from '../rulebook/shape';

export interface Completeness {
  /** How many fields are required or recommended. */
  asked: number;
  /** How many of those are filled. */
  filled: number;
  /** What is missing, required first, then recommended, then optional. */
  missing: FieldCheck[];
}

const NEEDS: readonly FieldRule['need'][] = ['required', 'recommended', 'optional'];

const isEmpty = (figure: Figure | undefined) =>
  figure === undefined || figure === '' || (Array.isArray(figure) && figure.length === 0);

/** The fields the category asks for, and which of them every woven child has, wherever the figure stands. */
export function completeness(family: Family, category: CategoryRules, scopes: Scopes = []): Completeness {
  const has = (key: string) => {
    const { groups } = columnOf(family, key, scopes);
    return groups.length > 0 ? groups.every((group) => !isEmpty(group.figure)) : !isEmpty(family.fields[key]);
  };
  const missing = category.fieldChecks
    .filter((check) => !has(check.rule.key))
    .toSorted((a, b) => NEEDS.indexOf(a.rule.need) - NEEDS.indexOf(b.rule.need));
  // What is optional is no gap: it is named, and not counted.
  const isAsked = (check: FieldCheck) => check.rule.need !== 'optional';
  const asked = category.fieldChecks.filter(isAsked).length;
  return { asked, filled: asked - missing.filter(isAsked).length, missing };
}
