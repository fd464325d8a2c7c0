/** Reading rulebooks: from JSON, and for one category. */
import { RulebookSchema, RulesSchema, type Rulebook, type Rules } from './shape';

export interface CategoryRules {
  id: string;
  label: string;
  rules: Rules;
}

/** Reads a rulebook. The error names every place that is wrong. */
export function readRulebook(data: unknown): { ok: true; rulebook: Rulebook } | { ok: false; problems: string[] } {
  const read = RulebookSchema.safeParse(data);
  if (!read.success)
    return {
      ok: false,
      problems: read.error.issues.map((issue) => `${issue.path.join('.') || 'the file'}: ${issue.message}`),
    };
  const problems = read.data.categories.flatMap((category) => {
    const merged = RulesSchema.safeParse(mergedRules(read.data, category));
    return merged.success
      ? []
      : merged.error.issues.map((issue) => `categories.${category.id}.${issue.path.join('.')}: ${issue.message}`);
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, rulebook: read.data };
}

const known = new WeakMap<Rulebook, Map<string, CategoryRules | null>>();

/**
 * The channel's category for a seller's category with its rules, or null where the channel has no place for such
 * goods.
 */
export function rulesFor(rulebook: Rulebook, sellerCategory: string): CategoryRules | null {
  let perCategory = known.get(rulebook);
  if (!perCategory) known.set(rulebook, (perCategory = new Map()));
  const cached = perCategory.get(sellerCategory);
  if (cached !== undefined) return cached;
  const entry = rulebook.categories.find((category) => category.takes.includes(sellerCategory));
  const found = entry
    ? { id: entry.id, label: entry.label, rules: RulesSchema.parse(mergedRules(rulebook, entry)) }
    : null;
  perCategory.set(sellerCategory, found);
  return found;
}

function mergedRules(rulebook: Rulebook, category: Rulebook['categories'][number]): Record<string, unknown> {
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
  const fields = new Map(
    [...rulebook.rules.fields, ...rulebook.categories.flatMap((category) => category.fields)].map((field) => [
      field.key,
      field,
    ]),
  );
  return { ...rulebook.rules, fields: [...fields.values()] };
}
