/** Findings about the plan: that there is one, what it costs, pairings and labels. */
import { familyIndex } from '../../family/weave';
import { pairingValue, suggestPairing } from '../../catalogue/pairings';
import type { CheckContext, Finding, Pairing } from '../context';

/** No plan, a chosen plan that is gone, shortened labels, pictures that will not show. */
export function planFindings(context: CheckContext): Finding[] {
  const { family, category, plan, offered } = context;
  const here = { place: { level: 'family' } as const, key: 'plan' };
  const wish = family.wishes[context.rulebook.channel];
  if (offered.length === 0) {
    return [
      {
        ...here,
        code: 'plan.nothing-offered',
        severity: 'stops',
        text: 'No child of this family is for sale here.',
        rule: 'children',
      },
    ];
  }
  if (!plan) {
    const narrow = (wish?.apart.length ?? 0) + (wish?.whole.length ?? 0) > 0;
    return [
      {
        ...here,
        code: 'plan.none',
        severity: 'stops',
        rule: 'axes',
        text: narrow
          ? 'Your wishes leave no way to carry the axes over. Lift one of them.'
          : `No way to carry these axes over fits: at most ${category.rules.axes.atMost} axes, labels of ${category.rules.axes.labelAtMost} characters. Shorten value labels or their codes.`,
        ...(narrow
          ? {
              remedy: {
                kind: 'change' as const,
                label: 'Lift the wishes',
                commands: [
                  {
                    do: 'setWish' as const,
                    channel: context.rulebook.channel,
                    wish: { ...wish!, apart: [], whole: [] },
                  },
                ],
              },
            }
          : {}),
      },
    ];
  }
  const found: Finding[] = [];
  if (wish?.chosen && wish.chosen !== plan.signature) {
    found.push({
      ...here,
      code: 'plan.chosen-gone',
      severity: 'warns',
      rule: 'axes',
      text: 'The plan you chose no longer fits the family; the best one is used instead.',
      remedy: {
        kind: 'change',
        label: 'Keep the best plan',
        commands: [{ do: 'setWish', channel: context.rulebook.channel, wish: { ...wish, chosen: plan.signature } }],
      },
    });
  }
  const { valueById } = familyIndex(family);
  for (const axis of plan.axes.filter((one) => one.shortened)) {
    const full = (valueIds: string[]) => valueIds.map((id) => valueById.get(id)?.label ?? '').join(' / ');
    const example = axis.options.find((option) => option.label !== full(option.valueIds)) ?? axis.options[0]!;
    found.push({
      ...here,
      code: 'label.shortened',
      severity: 'advises',
      rule: 'axes.labelAtMost',
      text: `Labels of ${axis.name} are shortened to fit: "${full(example.valueIds)}" becomes "${example.label}".`,
    });
  }
  if (plan.bill.picturesLost > 0) {
    found.push({
      ...here,
      code: 'plan.pictures-lost',
      severity: 'warns',
      rule: 'axes.pictures',
      text: `${plan.bill.picturesLost} pictures would not show: pictures follow ${plan.pictureAxis === null ? 'no axis' : plan.axes[plan.pictureAxis]!.name} here.`,
    });
  }
  return found;
}

/** Values without a pairing, and pairings that make two options one. */
export function pairingFindings(context: CheckContext): Finding[] {
  const { plan, category, rulebook, family } = context;
  if (!plan) return [];
  const { valueById } = familyIndex(family);
  return plan.axes.flatMap((axis) => {
    const rules = category.rules.axes.roles[axis.role];
    if (!rules?.list) return [];
    const axisId = axis.from[0]!;
    const valueIds = [...new Set(axis.options.map((option) => option.valueIds[0]!))];
    const found: Finding[] = [];
    const standing = new Map<string, string>();
    for (const valueId of valueIds) {
      const value = valueById.get(valueId)!;
      const place = { level: 'value' as const, axisId, valueId };
      const to = context.pairingOf(axis.role, value.label);
      if (to === undefined) {
        const near = suggestPairing(axis.role, value, rules);
        const pairing: Pairing | null = near && {
          channel: rulebook.channel,
          role: axis.role,
          value: pairingValue(value.label),
          to: near.to,
        };
        found.push({
          code: 'pairing.missing',
          severity: 'stops',
          place,
          key: 'pairing',
          rule: `axes.roles.${axis.role}.list`,
          text: `${value.label} is not among the values of ${rulebook.name}. Pair it with one of them.`,
          ...(pairing ? { remedy: { kind: 'pairing', label: `Pair with ${near!.to} (${near!.why})`, pairing } } : {}),
        });
      } else if (rules.shows === 'list') {
        const twin = standing.get(to);
        if (twin)
          found.push({
            code: 'pairing.collides',
            severity: 'stops',
            place,
            key: 'pairing',
            rule: `axes.roles.${axis.role}.list`,
            text: `${twin} and ${value.label} would both be shown as ${to}.`,
          });
        standing.set(to, value.label);
      }
    }
    return found;
  });
}

/** What the seller has not set up on the channel yet. */
export function settingFindings(context: CheckContext): Finding[] {
  return context.category.rules.settings
    .filter((setting) => !context.settings.answers[setting.key])
    .map((setting) => ({
      code: `settings.${setting.key}`,
      severity: 'stops',
      place: { level: 'family' },
      key: 'settings',
      rule: 'settings',
      text: `${context.rulebook.name} needs a ${setting.label.toLowerCase()}. Choose it under Channels.`,
    }));
}
