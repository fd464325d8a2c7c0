/** What stands in a listing once: shared figures, values that hold for all of it, the account's answers. */
import { familyIndex, labelIn } from '../../family/weave';
import { foldLabel } from '../../family/foldLabel';
import type { Listing } from '../../listing/listing';
import { isSheetColumn } from '../../rulebook/sheetColumns';
import type { CheckContext } from '../context';
import type { Plan } from '../planner';
import { channelFigure } from './channelFigure';
import { sharedGroup } from './sharedFigure';

export function listingFields(context: CheckContext, plan: Plan, positions: readonly number[]): Listing['fields'] {
  const { rules, fieldChecks } = context.category;
  const described = context.described(positions);
  const fields: Listing['fields'] = {};
  for (const check of fieldChecks) {
    const said = check.rule.ofOffer ? positions : described;
    if (check.rule.level !== 'listing' || said.length === 0) continue;
    const figure = sharedGroup(context, check, said)?.figure;
    if (figure === undefined) continue;
    fields[check.rule.name] = channelFigure(context, check, figure);
    if (check.rule.key === 'name')
      fields[check.rule.name] = withSuffix(context, String(figure), described, check.rule.atMost);
  }
  if (described.length > 0) putFixedValues(context, plan, described, fields);
  for (const { key } of rules.settings) {
    const answer = context.account.settings.answers[key];
    if (answer) fields[key] = answer;
  }
  return fields;
}

/** The name with the suffix all children of the listing share, where it fits. */
function withSuffix(context: CheckContext, name: string, positions: readonly number[], atMost = Infinity): string {
  const column = context.column('nameSuffix');
  const suffix = column.at(positions[0]!);
  if (typeof suffix !== 'string' || !positions.every((position) => column.at(position) === suffix)) return name;
  const whole = `${name} ${suffix}`;
  return whole.length <= atMost ? whole : name;
}

/**
 * Values of axes that are split or pinned are facts of the whole listing. An axis called like one of the channel's
 * fields, or like a column that sheets have anyway, gives way.
 */
function putFixedValues(
  context: CheckContext,
  plan: Plan,
  positions: readonly number[],
  fields: Listing['fields'],
): void {
  const { family, scopes, category } = context;
  const { valueById, woven, axisById } = familyIndex(family);
  const taken = new Set([
    ...category.fieldChecks.map((check) => foldLabel(check.rule.name)),
    ...category.rules.settings.map((setting) => foldLabel(setting.key)),
  ]);
  for (const axisId of [...plan.split, ...plan.pinned]) {
    const { label, role } = axisById.get(axisId)!;
    const value = valueById.get(woven[positions[0]!]!.at[axisId]!)!;
    const rules = category.rules.axes.roles[role];
    const paired = context.pairingOf(role, value.label);
    const shown = (rules?.shows === 'list' ? paired : undefined) ?? labelIn(value, scopes);
    const name = rules?.name !== undefined && fields[rules.name] === undefined ? rules.name : label;
    fields[freeName(name, taken)] = shown;
    // Beside the seller's own word the channel is told which of its own values that is, where it is one.
    if (rules?.list && paired !== undefined) fields[`${rules.name ?? role} group`] = paired;
  }
}

/** A name that nothing else has. */
function freeName(name: string, taken: Set<string>): string {
  let free = name;
  while (taken.has(foldLabel(free)) || isSheetColumn(free)) free = `${free} (option)`;
  taken.add(foldLabel(free));
  return free;
}
