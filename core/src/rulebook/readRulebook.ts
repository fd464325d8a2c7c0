/**
 * Reading a rulebook from JSON. One that contradicts itself or holds a pattern that cannot be run is refused whole,
 * with every place.
 */
import Big from 'big.js';
import { z } from 'zod';
import { foldLabel } from '../family/foldLabel';
import { slabProblem } from '../money/tax';
import type { Registry } from '../registry/openRegistry';
import { capital } from '../text/counts';
import { schemaProblemText } from '../refusal/schemaProblems';
import { mergedRules } from './mergedRules';
import { decimalsOf } from '../money/currency';
import { compilePattern } from './pattern';
import { isSheetColumn } from './sheetColumns';
import { RulebookSchema, RulesSchema, type FieldRule, type Rulebook, type Rules } from './shape';

/** A place in a rulebook and what is wrong there. */
export interface RulebookProblem {
  place: string;
  text: string;
}

export type ReadRulebook = { ok: true; rulebook: Rulebook } | { ok: false; problems: RulebookProblem[] };

/** Reads a rulebook. Every problem names its place, such as `categories.wear.pictures.atMost`. */
export function readRulebook(data: unknown, registry: Registry): ReadRulebook {
  const read = RulebookSchema.safeParse(data);
  if (!read.success) return { ok: false, problems: problemsOf(read.error, data) };
  const rulebook = read.data;
  const problems = contradictions(rulebook.rules, registry).map((one) => ({ ...one, place: `rules.${one.place}` }));
  if (rulebook.transport === 'sheet') problems.push(...takenColumns(rulebook.rules, 'rules'));
  if (rulebook.sheet.familyRowSays.length > 0 && (!rulebook.sheet.familyRow || rulebook.transport !== 'sheet'))
    problems.push({ place: 'sheet.familyRowSays', text: 'There is no row for the listing that could say this.' });
  const ids = new Set<string>();
  for (const category of rulebook.categories) {
    const place = `categories.${category.id}`;
    if (ids.has(category.id)) problems.push({ place, text: 'This category stands twice.' });
    ids.add(category.id);
    const rules = mergedRules(rulebook, category);
    const merged = RulesSchema.safeParse(rules);
    const wrong = merged.success ? contradictions(merged.data, registry) : problemsOf(merged.error, rules);
    if (rulebook.transport === 'sheet') problems.push(...takenColumns(category, place));
    // What is wrong in the channel's own rules is told there.
    for (const one of wrong) {
      if (!problems.some((there) => there.place === `rules.${one.place}`))
        problems.push({ ...one, place: `${place}.${one.place}` });
    }
  }
  return problems.length > 0 ? { ok: false, problems } : { ok: true, rulebook };
}

const problemsOf = (error: z.ZodError, data: unknown): RulebookProblem[] =>
  error.issues.flatMap((issue) => {
    const place = issue.path.join('.') || 'the file';
    if (issue.code !== 'unrecognized_keys') return [{ place, text: capital(schemaProblemText(issue, data)) }];
    return issue.keys.map((key) => ({
      place: [...issue.path, key].join('.'),
      text: 'There is no such rule; is it misspelt?',
    }));
  });

type Say = (place: string, text: string) => void;

/** Rules that cannot all be kept, and rules that cannot be run. */
function contradictions(rules: Rules, registry: Registry): RulebookProblem[] {
  const found: RulebookProblem[] = [];
  const say: Say = (place, text) => found.push({ place, text });
  const { axes, pictures, price, stock } = rules;
  checkAxes(axes, say);
  checkRange(say, 'pictures.atLeast', pictures.atLeast, pictures.atMost);
  checkRange(say, 'stock.least', stock.least, stock.most);
  checkRange(say, 'price.least', numberOf(price.least), numberOf(price.most));
  for (const problem of priceProblems(price)) say(`price.${problem.place}`, problem.text);
  if (pictures.perValue > 0 && (axes.pictures === 'child' || axes.pictures === 'listing'))
    say('pictures.perValue', 'Pictures are not tied to values here.');
  checkFields(rules, registry, say);
  return found;
}

function checkRange(say: Say, place: string, low: number | undefined, high: number | undefined): void {
  if (low !== undefined && high !== undefined && low > high) say(place, `At least ${low}, but at most ${high}.`);
}

function checkAxes(axes: Rules['axes'], say: Say): void {
  axes.sets?.forEach((set, at) => {
    if (set.length > axes.atMost)
      say(`axes.sets.${at}`, `${set.length} axes stand here, where ${axes.atMost} are the most.`);
    if (new Set(set).size < set.length) say(`axes.sets.${at}`, 'One role stands here twice.');
  });
  for (const [role, rule] of Object.entries(axes.roles)) {
    const twice = firstTwice(rule?.list?.map(({ label }) => label) ?? []);
    if (twice) say(`axes.roles.${role}.list.${twice.at}`, `${twice.text} stands in the list twice.`);
    if (rule?.list?.length === 0) say(`axes.roles.${role}.list`, 'A list without an entry lets nothing pass.');
    if (rule?.shows === 'list' && !rule.list) say(`axes.roles.${role}.shows`, 'The list is shown, but there is none.');
  }
  const alwaysIn = axes.sets?.[0]?.find((role) => axes.sets!.every((set) => set.includes(role)));
  if (alwaysIn && axes.alwaysSplit.includes(alwaysIn))
    say('axes.alwaysSplit', `${alwaysIn} is always split, and stands in every set of axes: nothing can be both.`);
}

function checkFields({ fields }: Rules, registry: Registry, say: Say): void {
  const keys = new Set<string>();
  const twiceNamed = firstTwice(fields.map(({ name }) => name));
  if (twiceNamed) say(`fields.${twiceNamed.at}.name`, `Two fields are called ${twiceNamed.text}.`);
  fields.forEach((rule, at) => {
    const place = `fields.${at}`;
    const choice = firstTwice(rule.choices ?? []);
    if (choice) say(`${place}.choices.${choice.at}`, `${choice.text} stands in the list twice.`);
    if (keys.has(rule.key)) say(`${place}.key`, `${rule.key} stands twice.`);
    keys.add(rule.key);
    checkRange(say, `${place}.atLeast`, rule.atLeast, rule.atMost);
    checkRange(say, `${place}.least`, numberOf(rule.least), numberOf(rule.most));
    if (rule.choices?.length === 0) say(`${place}.choices`, 'A list without an entry lets nothing pass.');
    for (const problem of fieldProblems(rule, registry)) say(`${place}.${problem.place}`, problem.text);
  });
}

/** Fields that are called like a column which every upload sheet has. */
const takenColumns = ({ fields }: Pick<Rules, 'fields'>, place: string): RulebookProblem[] =>
  fields.flatMap(({ name }, at) =>
    isSheetColumn(name)
      ? [
          {
            place: `${place}.fields.${at}.name`,
            text: `Upload sheets have a column "${name}" of their own: call it otherwise.`,
          },
        ]
      : [],
  );

/** The first text that stands in a list a second time, whatever its case; undefined where none does. */
function firstTwice(texts: readonly string[]): { text: string; at: number } | undefined {
  const seen = new Set<string>();
  for (const [at, text] of texts.entries()) {
    const key = foldLabel(text);
    if (seen.has(key)) return { text, at };
    seen.add(key);
  }
  return undefined;
}

function* priceProblems({
  currency,
  multipleOf,
  endings,
  spreadAtMost,
  taxSlabs = [],
}: Rules['price']): Iterable<RulebookProblem> {
  const decimals = decimalsOf(currency);
  if (multipleOf && !new Big(multipleOf).round(decimals).eq(multipleOf))
    yield { place: 'multipleOf', text: `${currency} has ${decimals} decimals: there are no prices between.` };
  if (spreadAtMost !== undefined && new Big(spreadAtMost).lt(1))
    yield { place: 'spreadAtMost', text: 'The dearest child is never below the cheapest: this has to be 1 or more.' };
  if (multipleOf && endings)
    yield { place: 'endings', text: 'Prices are multiples already; endings do not go with that.' };
  if (endings?.length === 0) yield { place: 'endings', text: 'A list without an entry lets nothing pass.' };
  const wrong = taxSlabs.length > 0 ? slabProblem(taxSlabs) : null;
  if (wrong) yield { place: `taxSlabs.${wrong.at}.upTo`, text: wrong.text };
}

const numberOf = (text: string | undefined) => (text === undefined ? undefined : Number(text));

const UNITS: Record<string, readonly string[]> = {
  weight: ['g', 'kg', 'oz', 'lb'],
  length: ['mm', 'cm', 'm', 'in', 'ft'],
};

function* fieldProblems(rule: FieldRule, registry: Registry): Iterable<RulebookProblem> {
  const field = registry.field(rule.key);
  const units = field && UNITS[field.type];
  if (rule.unit && field && !units?.includes(rule.unit)) {
    yield { place: 'unit', text: `${field.label} is not measured in ${rule.unit}.` };
  }
  if (rule.yesNo && rule.choices) yield { place: 'choices', text: 'Yes or no needs no list.' };
  if (rule.pattern === undefined) return;
  const compiled = compilePattern(rule.pattern);
  if (!compiled.ok) yield { place: 'pattern', text: `This pattern cannot be run: ${compiled.why}.` };
}
