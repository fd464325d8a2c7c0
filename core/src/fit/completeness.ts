/** How well a family is filled for a channel: the better filled, the better found. */
import { figureOf } from '../family/level';
import { familyIndex } from '../family/weave';
import type { Family } from '../family/shape';
import type { CategoryRules } from '../rulebook/readRulebook';
import type { FieldRule } from '../rulebook/shape';

export interface Completeness {
  asked: number;
  filled: number;
  /** What is missing, required first, then recommended, then optional. */
  missing: FieldRule[];
}

const NEEDS: readonly FieldRule['need'][] = ['required', 'recommended', 'optional'];

/** Every field the category asks for, and which of them every woven child has, wherever the figure stands. */
export function completeness(family: Family, category: CategoryRules): Completeness {
  const { woven } = familyIndex(family);
  const has = (key: string) => {
    const empty = (figure: unknown) =>
      figure === undefined || figure === '' || (Array.isArray(figure) && figure.length === 0);
    return woven.length > 0 ? woven.every((child) => !empty(figureOf(family, child, key))) : !empty(family.fields[key]);
  };
  const { fields } = category.rules;
  const missing = fields.filter((rule) => !has(rule.key)).sort((a, b) => NEEDS.indexOf(a.need) - NEEDS.indexOf(b.need));
  return { asked: fields.length, filled: fields.length - missing.length, missing };
}
