/** Findings about fields a channel asks for, and about wording. */
import { fieldOf } from '../../registry/fields';
import { figureOf, resolve } from '../../family/level';
import { childLabels } from '../../family/weave';
import { hasLink, optionValuesIn, withoutWords } from '../../wording/findWords';
import type { Figure, Place } from '../../family/shape';
import type { FieldRule } from '../../rulebook/shape';
import type { CheckContext, Finding, Severity } from '../context';
import { inChannelUnit, sharedFigure } from '../project';

/** Every field the category asks for: there, in length, in form. */
export function fieldFindings(context: CheckContext): Finding[] {
  return context.category.rules.fields.flatMap((rule) =>
    rule.level === 'child' ? childField(context, rule) : listingField(context, rule),
  );
}

const SEVERITY: Record<FieldRule['need'], Severity | null> = {
  required: 'stops',
  recommended: 'warns',
  optional: null,
};

function listingField(context: CheckContext, rule: FieldRule): Finding[] {
  const field = fieldOf(rule.key);
  const place: Place = { level: 'family' };
  const figure = sharedFigure(context.family, context.offered, rule.key);
  const label = field?.label ?? rule.key;
  if (figure === null) {
    return [
      {
        code: `field.differs:${rule.key}`,
        severity: rule.need === 'required' ? 'stops' : 'warns',
        place,
        key: rule.key,
        rule: `fields.${rule.key}`,
        text: `${label} differs between children; ${context.rulebook.name} has one for the whole listing.`,
      },
    ];
  }
  return checkOne(context, rule, figure, place, () => label);
}

function childField(context: CheckContext, rule: FieldRule): Finding[] {
  const label = fieldOf(rule.key)?.label ?? rule.key;
  return context.offered.flatMap((child) => {
    const whose = () => `${label} of ${childLabels(context.family, child).join(' · ') || 'the only child'}`;
    return checkOne(
      context,
      rule,
      figureOf(context.family, child, rule.key),
      { level: 'child', childId: child.id },
      whose,
    );
  });
}

/** `whose` names the figure in a finding's text; it is only asked where there is something to say. */
function checkOne(
  context: CheckContext,
  rule: FieldRule,
  figure: Figure | undefined,
  place: Place,
  whose: () => string,
): Finding[] {
  const make = (code: string, severity: Severity, text: string, to?: Figure): Finding[] => [
    {
      code: `${code}:${rule.key}`,
      severity,
      place,
      key: rule.key,
      rule: `fields.${rule.key}`,
      text,
      ...(to === undefined
        ? {}
        : {
            remedy: {
              kind: 'change' as const,
              label: Array.isArray(to) ? `Keep the first ${to.length}` : `Cut to ${String(to).length} characters`,
              commands: [{ do: 'setFigures' as const, changes: [{ place, key: rule.key, figure: to }] }],
            },
          }),
    },
  ];
  const name = context.rulebook.name;
  if (figure === undefined || figure === '' || (Array.isArray(figure) && figure.length === 0)) {
    const severity = SEVERITY[rule.need];
    return severity
      ? make(
          'field.missing',
          severity,
          `${whose()} is missing; ${name} ${severity === 'stops' ? 'requires' : 'recommends'} it.`,
        )
      : [];
  }
  if (Array.isArray(figure)) {
    if (rule.atLeast !== undefined && figure.length < rule.atLeast)
      return make('field.too-few', 'stops', `${whose()}: ${figure.length} of ${rule.atLeast} entries.`);
    if (rule.atMost !== undefined && figure.length > rule.atMost)
      return make(
        'field.too-many',
        'stops',
        `${whose()}: ${figure.length} entries; ${name} takes ${rule.atMost}.`,
        figure.slice(0, rule.atMost),
      );
    const long = figure.find((entry) => rule.entryAtMost !== undefined && entry.length > rule.entryAtMost);
    return long
      ? make(
          'field.entry-long',
          'stops',
          `${whose()}: "${long.slice(0, 30)}…" has ${long.length} characters; ${rule.entryAtMost} fit.`,
        )
      : [];
  }
  if (typeof figure === 'string') {
    if (rule.atLeast !== undefined && figure.length < rule.atLeast)
      return make(
        'field.too-short',
        'stops',
        `${whose()} has ${figure.length} characters; ${name} wants ${rule.atLeast} at least.`,
      );
    if (rule.atMost !== undefined && figure.length > rule.atMost)
      return make(
        'field.too-long',
        'stops',
        `${whose()} has ${figure.length} characters; ${name} takes ${rule.atMost}.`,
        cutAtWord(figure, rule.atMost),
      );
    if (rule.pattern && !new RegExp(`^(?:${rule.pattern})$`, 'u').test(figure))
      return make('field.form', 'stops', `${whose()} has to be ${rule.patternText ?? rule.pattern}.`);
    return [];
  }
  if (typeof figure === 'number' && inChannelUnit(rule, figure) === 0)
    return make('field.zero', 'stops', `${whose()} is 0 ${rule.unit ?? ''} when rounded to what ${name} takes.`);
  return [];
}

function cutAtWord(text: string, length: number): string {
  const cut = text.slice(0, length);
  const blank = cut.lastIndexOf(' ');
  return (blank > length * 0.6 ? cut.slice(0, blank) : cut).replace(/[\s,;:–-]+$/, '');
}

/** Option values in the name, links in texts. */
export function wordingFindings(context: CheckContext): Finding[] {
  const { family, category, rulebook } = context;
  const found: Finding[] = [];
  const place: Place = { level: 'family' };
  const name = String(family.fields.name ?? '');
  if (!category.rules.wording.optionValuesInName) {
    const values = optionValuesIn(
      name,
      family.axes.flatMap((axis) => axis.values.map((value) => value.label)),
    );
    if (values.length > 0) {
      const bare = withoutWords(name, values);
      found.push({
        code: 'name.option-values',
        severity: 'stops',
        place,
        key: 'name',
        rule: 'wording.optionValuesInName',
        text: `The name holds the option ${values.join(', ')}; ${rulebook.name} adds options itself.`,
        ...(bare
          ? {
              remedy: {
                kind: 'change',
                label: `Rename to "${bare}"`,
                commands: [{ do: 'setFigures', changes: [{ place, key: 'name', figure: bare }] }],
              },
            }
          : {}),
      });
    }
  }
  if (!category.rules.wording.links) {
    for (const rule of category.rules.fields) {
      const figure = family.fields[rule.key];
      const text = Array.isArray(figure) ? figure.join(' ') : String(figure ?? '');
      if (hasLink(text))
        found.push({
          code: 'wording.link',
          severity: 'stops',
          place,
          key: rule.key,
          rule: 'wording.links',
          text: `${fieldOf(rule.key)?.label ?? rule.key} holds a link; ${rulebook.name} refuses links.`,
        });
    }
  }
  return found;
}

/** Weights no parcel has: common practice puts 30 kg as the most one person sends. */
export function oddFigures(context: CheckContext): Finding[] {
  const seen = new Set<string>();
  return context.offered.flatMap((child): Finding[] => {
    const { figure, from } = resolve(context.family, child, 'weight');
    if (typeof figure !== 'number' || figure <= 30_000 || !from || seen.has(JSON.stringify(from))) return [];
    seen.add(JSON.stringify(from));
    return [
      {
        code: 'weight.odd',
        severity: 'warns',
        place: from,
        key: 'weight',
        rule: 'weight',
        text: `A weight of ${figure / 1000} kg: grams and kilograms mixed up?`,
      },
    ];
  });
}
