/** Findings about what may be said in a field at all: fields nobody has, closed lists, yes or no, plain numbers, bounds. */
import { foldForPairing, pairedField } from '../../pairing/pairings';
import type { ColumnGroup } from '../../family/columnShape';
import { proposePairing } from '../../pairing/propose';
import { FactSchema, type Fact } from '../../registry/shape';
import type { FieldCheck } from '../../rulebook/openRulebook';
import type { FieldRule } from '../../rulebook/shape';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import type { Remedy } from '../remedy';
import type { Problem } from './problem';
import { makeFinding } from './report';

/** A field that the channel asks for and the seller's goods do not have: it can be added as a fact. */
export function unknownField(context: CheckContext, { rule, label }: FieldCheck): Finding[] {
  if (rule.need === 'optional') return [];
  const fact = FactSchema.safeParse(factFor(rule, context.family.fields.category));
  return [
    makeFinding(context, {
      code: 'field.unknown',
      params: { account: context.account.name, field: label, need: rule.need },
      severity: rule.need === 'required' ? 'stops' : 'warns',
      ...{ key: 'fact', rule: `fields.${rule.key}`, about: rule.key },
      remedies: fact.success ? [{ kind: 'fact', fact: fact.data }] : [],
    }),
  ];
}

/** The fact that would hold what a rule asks for, for goods of the category. */
function factFor(rule: FieldRule, category: unknown): Partial<Fact> {
  const choices = rule.choices?.map((value) => ({ value: value.slice(0, 60), label: value.slice(0, 60) }));
  const type = typeFor(rule);
  return {
    key: rule.key,
    label: rule.name,
    type,
    levels: rule.level === 'child' ? ['family', 'value', 'child'] : ['family'],
    ...(typeof category === 'string' ? { categories: [category] } : {}),
    ...(type === 'choice' && choices ? { choices } : {}),
    ...(type === 'number' && rule.unit ? { unit: rule.unit } : {}),
  };
}

const WEIGHTS = ['g', 'kg', 'oz', 'lb'];
/** Texts of more characters have several lines. */
const ONE_LINE = 120;

function typeFor(rule: FieldRule): Fact['type'] {
  if (rule.yesNo) return 'yesno';
  if (rule.entryAtMost !== undefined) return 'list';
  if (rule.choices) return 'choice';
  if (rule.unit) return WEIGHTS.includes(rule.unit) ? 'weight' : 'length';
  if (rule.numberOnly || rule.least !== undefined || rule.most !== undefined) return 'number';
  return (rule.atMost ?? 0) > ONE_LINE ? 'longtext' : 'text';
}

/** What is wrong with a figure where only certain ones may stand; null where nothing is. */
export function closedProblem(context: CheckContext, check: FieldCheck, group: ColumnGroup): Problem | null {
  const { rule, label: field } = check;
  const account = context.account.name;
  const { figure } = group;
  if (rule.yesNo && typeof figure !== 'boolean') return { code: 'field.yes-no', params: { account, field } };
  if (rule.choices) {
    const said = Array.isArray(figure) ? figure : [figure];
    const paired = pairedField(rule.key);
    const wrong = said.find((one) => typeof one === 'string' && context.pairingOf(paired, one) === undefined);
    if (typeof wrong === 'string') return choiceProblem(context, check, wrong);
  }
  if (rule.numberOnly && typeof figure === 'string') {
    if (!/^-?\d+(\.\d+)?$/.test(figure)) return { code: 'field.not-number', params: { account, field, value: figure } };
    return boundsProblem(context, check, Number(figure));
  }
  return null;
}

/** So many entries of a list are said. */
const NAMED = 6;

function choiceProblem(context: CheckContext, { rule, label, field }: FieldCheck, value: string): Problem {
  const choices = rule.choices!;
  const named =
    choices.slice(0, NAMED).join(', ') + (choices.length > NAMED ? ` and ${choices.length - NAMED} more` : '');
  const { channel, name: account } = context.account;
  const role = pairedField(rule.key);
  const shown = field?.choices?.find((one) => one.value === value)?.label ?? value;
  const near = proposePairing(role, { label: shown }, context.category.lists.get(role)!, [value]);
  const pairing = { channel, role, value: foldForPairing(value), to: near?.to ?? '' };
  const remedies: Remedy[] = near
    ? [{ kind: 'pairing', pairing, reason: near, confidence: near.confidence }]
    : [{ kind: 'pair', pairing, choices }];
  return { code: 'field.choice', params: { account, field: label, value: shown, choices: named }, remedies };
}

/** A number, in the channel's unit, that is below the least or above the most. */
export function boundsProblem(context: CheckContext, check: FieldCheck, figure: number): Problem | null {
  const { rule, field } = check;
  const { least, most } = rule;
  const isWithin = (least === undefined || figure >= Number(least)) && (most === undefined || figure <= Number(most));
  if (isWithin) return null;
  const unit = rule.unit ?? field?.unit;
  const show = (number: string | number) => (unit ? `${number} ${unit}` : String(number));
  const bounds =
    least === undefined
      ? `${show(most!)} at most`
      : most === undefined
        ? `${show(least)} at least`
        : `${show(least)} to ${show(most)}`;
  return {
    code: 'field.bounds',
    params: { account: context.account.name, field: check.label, shown: show(figure), bounds },
  };
}
