/** A rulebook made ready for checking: the rules of each category, merged and compiled once, when first asked for. */
import { openPairingLists, type PairingLists } from '../pairing/list';
import type { Field } from '../registry/field';
import type { Registry } from '../registry/openRegistry';
import { mergedRules } from './mergedRules';
import type { PatternCompiler, PatternTest } from './pattern';
import { RulesSchema, type FieldRule, type Rulebook, type Rules } from './shape';

/** A rule about a field, with the field it means; undefined where the seller has no such field. */
export interface FieldCheck {
  rule: FieldRule;
  field: Field | undefined;
  /** Its name in sentences. */
  label: string;
  /** Whether a text has the form asked for; absent where any has. */
  hasForm?: PatternTest;
  /** Measures in the channel's unit, as far as somebody asked: most children share theirs. */
  converted: Map<number, number>;
}

export interface CategoryRules {
  id: string;
  label: string;
  rules: Rules;
  /** The rules about fields, in the rulebook's order. */
  fieldChecks: readonly FieldCheck[];
  /** The closed lists of its roles and fields. */
  lists: PairingLists;
}

export interface OpenRulebook {
  readonly rulebook: Rulebook;
  readonly registry: Registry;
  /** Whether the channel has entries of its own for goods of any of its categories. */
  readonly hasEntries: boolean;
  /** The rules of one of the channel's categories; null where it has no such category. */
  category(id: string | null): CategoryRules | null;
}

/**
 * Opens a rulebook that was read without problems. The rulebook must not change afterwards.
 * @param compile the engine its patterns run in (`compilePattern`); null for who shows rules and runs none
 */
export function openRulebook(rulebook: Rulebook, registry: Registry, compile: PatternCompiler | null): OpenRulebook {
  const compiled = new Map<string, CategoryRules>();
  return Object.freeze({
    rulebook,
    registry,
    hasEntries: [rulebook.rules, ...rulebook.categories.map((entry) => mergedRules(rulebook, entry))].some(
      (rules) => ((rules as Rules).identifiers?.entries ?? 'none') !== 'none',
    ),
    category(id: string | null) {
      const entry = rulebook.categories.find((category) => category.id === id);
      if (!entry) return null;
      let known = compiled.get(entry.id);
      if (!known) {
        const rules = RulesSchema.parse(mergedRules(rulebook, entry));
        const fieldChecks = rules.fields.map((rule) => fieldCheck(rule, registry, compile));
        const lists = openPairingLists(rules);
        known = Object.freeze({ id: entry.id, label: entry.label, rules, fieldChecks, lists });
        compiled.set(entry.id, known);
      }
      return known;
    },
  });
}

function fieldCheck(rule: FieldRule, registry: Registry, compile: PatternCompiler | null): FieldCheck {
  const field = registry.field(rule.key);
  const check: FieldCheck = { rule, field, label: field?.label ?? rule.name, converted: new Map() };
  if (rule.pattern === undefined || !compile) return check;
  const pattern = compile(rule.pattern);
  // A rulebook with such a pattern is refused when it is read; one that is there all the same lets nothing pass.
  return { ...check, hasForm: pattern.ok ? pattern.test : () => false };
}
