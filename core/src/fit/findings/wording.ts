/** Findings about wording: option values in the name, links in texts. */
import { familyFigure } from '../../family/level';
import { hasLink, optionValuesIn, withoutWords } from '../../wording/findWords';
import type { Axis } from '../../family/shape';
import type { CheckContext } from '../context';
import type { Finding, Severity } from '../finding';
import { FAMILY, makeFinding } from './report';

export function wordingFindings(context: CheckContext): Finding[] {
  const { wording } = context.category.rules;
  // What the channel says of its own entries is its own affair.
  if (context.describedGroups('name').length === 0) return [];
  return [...(wording.optionValuesInName ? [] : optionsInName(context)), ...(wording.links ? [] : links(context))];
}

/** Values that buyers choose from may not stand in the name. One that holds for a whole listing is told, where there are others. */
function optionsInName(context: CheckContext): Finding[] {
  const { family, plan } = context;
  const isShown = (axis: Axis) => !plan || plan.axes.some((one) => one.from.includes(axis.id));
  const isSplit = (axis: Axis) => plan?.split.includes(axis.id) ?? false;
  return [
    ...valuesInName(context, family.axes.filter(isShown), 'stops', shownParts(context)),
    ...valuesInName(context, family.axes.filter(isSplit), 'warns'),
  ];
}

/** What buyers read of options that are shortened, without what joins them. */
function shownParts({ plan }: CheckContext): string[] {
  const shortened = plan?.axes.filter((axis) => axis.shortened) ?? [];
  const parts = shortened.flatMap((axis) => axis.options.flatMap((option) => option.label.split(/ ?\/ ?| · /)));
  return [...new Set(parts)].filter((part) => part !== '');
}

function valuesInName(
  context: CheckContext,
  axes: readonly Axis[],
  severity: Severity,
  shown: readonly string[] = [],
): Finding[] {
  const { account, family, scopes } = context;
  const origin = context.groups('name')[0];
  const name = String(familyFigure(family, 'name', scopes) ?? '');
  const labels = [...new Set([...axes.flatMap((axis) => axis.values.map((value) => value.label)), ...shown])];
  const values = optionValuesIn(name, labels);
  if (values.length === 0) return [];
  const bare = withoutWords(name, values);
  const scope = origin?.scope ?? 'everywhere';
  const rename = { place: FAMILY, key: 'name', figure: bare, ...(scope === 'everywhere' ? {} : { scope }) };
  return [
    makeFinding(context, {
      code: 'name.option-values',
      params: { account: account.name, values: values.join(', '), several: values.length > 1 },
      severity,
      key: 'name',
      rule: 'wording.optionValuesInName',
      scope,
      about: severity,
      remedies: bare
        ? [{ kind: 'change', label: { do: 'rename', name: bare }, commands: [{ do: 'setFigures', changes: [rename] }] }]
        : [],
    }),
  ];
}

function links(context: CheckContext): Finding[] {
  // An address is what is asked for, not a link in a text.
  const texts = context.category.fieldChecks.filter(({ field }) => field?.type !== 'address');
  return texts.flatMap(({ rule, label }) =>
    context.describedGroups(rule.key).flatMap(({ figure, place, scope, members }) => {
      const text = Array.isArray(figure) ? figure.join(' ') : figure;
      if (typeof text !== 'string' || !place || !hasLink(text)) return [];
      return makeFinding(context, {
        code: 'wording.link',
        params: { account: context.account.name, field: label },
        severity: 'stops',
        key: rule.key,
        rule: 'wording.links',
        place,
        scope,
        members: place.level === 'family' ? [] : members,
      });
    }),
  );
}
