/** Rulebooks: what a channel asks for, read and opened. */
export { mergedRules, rulesForSheet } from './mergedRules';
export { type OpenRulebook, openRulebook } from './openRulebook';
export { compilePattern } from './pattern';
export { readRulebook } from './readRulebook';
export { type Rulebook, RulebookSchema, type Rules, RulesSchema } from './shape';
