/** The rules of one category: the channel's own with what the category changes, fields by key. */
import type { Rulebook, Rules } from './shape';

/** Not checked yet: what a category changes may be of any shape. */
export function mergedRules(rulebook: Rulebook, category: Rulebook['categories'][number]): Record<string, unknown> {
  const merged: Record<string, unknown> = { ...rulebook.rules };
  for (const [section, changes] of Object.entries(category.rules)) {
    merged[section] = { ...(merged[section] as Record<string, unknown> | undefined), ...changes };
  }
  const replaced = new Set(category.fields.map((field) => field.key));
  merged.fields = [...rulebook.rules.fields.filter((field) => !replaced.has(field.key)), ...category.fields];
  return merged;
}

/** The rules with the fields of all categories together: what the columns of an upload sheet are made from. */
export function rulesForSheet(rulebook: Rulebook): Rules {
  const all = [...rulebook.rules.fields, ...rulebook.categories.flatMap((category) => category.fields)];
  return { ...rulebook.rules, fields: [...new Map(all.map((field) => [field.key, field])).values()] };
}
