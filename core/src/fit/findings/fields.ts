/** Findings about every field the category asks for: there, in the right language, in length, in form. */
import { dequal } from 'dequal';
import { cutTo } from '../../text/cut';
import { ownOf } from '../../text/own';
import type { ColumnGroup } from '../../family/columnShape';
import { EVERYWHERE, languageScope } from '../../family/scope';
import type { Figure } from '../../family/shape';
import type { Place } from '../../place/place';
import type { FieldCheck } from '../../rulebook/openRulebook';
import type { FieldRule } from '../../rulebook/shape';
import type { CheckContext } from '../context';
import type { Finding, Severity } from '../finding';
import { lettersOf } from '../../wording/markup';
import { inChannelUnit, saidThere } from '../project/channelFigure';
import { sharedGroup } from '../project/sharedFigure';
import type { Remedy } from '../remedy';
import { boundsProblem, closedProblem, unknownField } from './closedFields';
import type { Problem } from './problem';
import { concernedBy, FAMILY, homeOf, makeFinding, typeHere } from './report';

export function fieldFindings(context: CheckContext): Finding[] {
  const asked = context.category.fieldChecks.flatMap((check) =>
    check.rule.level === 'child' ? childField(context, check) : listingField(context, check),
  );
  return [...asked, ...brokenPromises(context)];
}

/** What buyers are promised and the channel has no field for. */
function brokenPromises(context: CheckContext): Finding[] {
  const asked = new Set(context.category.fieldChecks.map((check) => check.rule.key));
  return context.rulebook.registry.fields.flatMap((field): Finding[] => {
    if (!field.isPromise || asked.has(field.key)) return [];
    const { groups } = context.column(field.key);
    return groups
      .filter((group) => !isEmpty(group.figure) && group.place)
      .map(({ place, scope, members }) =>
        makeFinding(context, {
          code: 'field.no-place',
          params: { account: context.account.name, field: field.label },
          severity: 'warns',
          key: field.key,
          rule: 'fields',
          place: place!,
          scope,
          members,
        }),
      );
  });
}

function childField(context: CheckContext, check: FieldCheck): Finding[] {
  const groups = check.rule.ofOffer ? context.groups(check.rule.key) : context.describedGroups(check.rule.key);
  return groups.flatMap((group) => checkGroup(context, check, group, concernedBy(check.field, group)));
}

/** A field that each listing has once: judged listing by listing, as the channel will. */
function listingField(context: CheckContext, check: FieldCheck): Finding[] {
  const { groups } = context.column(check.rule.key);
  const whole = context.listings.length > 0 ? context.listings : [[...groups.flatMap((group) => group.members)]];
  const said = (positions: readonly number[]) => (check.rule.ofOffer ? positions : context.described(positions));
  const listings = whole.map(said).filter((positions) => positions.length > 0);
  if (listings.length === 0) return [];
  if (groups.length === 1) return checkGroup(context, check, groups[0]!, []);
  return listings.flatMap((positions) => {
    const shared = sharedGroup(context, check, positions);
    if (shared) return [...checkGroup(context, check, shared, []), ...ownTexts(context, check, shared, positions)];
    return [
      makeFinding(context, {
        code: 'field.differs',
        params: { account: context.account.name, field: check.label },
        severity: check.rule.need === 'required' ? 'stops' : 'warns',
        ...{ key: check.rule.key, rule: `fields.${check.rule.key}`, members: positions },
        remedies: [typeHere(check.rule.key, FAMILY)],
      }),
    ];
  });
}

/** Children whose own text nobody sees, since the listing has the family's. */
function ownTexts(
  context: CheckContext,
  check: FieldCheck,
  shared: ColumnGroup,
  positions: readonly number[],
): Finding[] {
  if (check.field?.lowest || shared.place?.level !== 'family') return [];
  const column = context.column(check.rule.key);
  const members = positions.filter((position) => {
    const { figure } = column.groupAt(position);
    return figure !== undefined && !dequal(figure, shared.figure);
  });
  if (members.length === 0) return [];
  const { place } = column.groupAt(members[0]!);
  return [
    makeFinding(context, {
      code: 'field.own-text',
      params: { account: context.account.name, field: check.label, count: members.length },
      ...{
        severity: 'advises',
        key: check.rule.key,
        rule: `fields.${check.rule.key}`,
        members,
        place: place ?? FAMILY,
      },
    }),
  ];
}

const SEVERITY: Record<FieldRule['need'], Severity | null> = {
  required: 'stops',
  recommended: 'warns',
  optional: null,
};

const isEmpty = (figure: Figure | undefined) =>
  figure === undefined || figure === '' || (Array.isArray(figure) && figure.length === 0);

/** One figure and the children that have it. */
function checkGroup(
  context: CheckContext,
  check: FieldCheck,
  group: ColumnGroup,
  members: readonly number[],
): Finding[] {
  const { rule, field } = check;
  if (!field) return unknownField(context, check);
  const about = { key: rule.key, rule: `fields.${rule.key}`, members };
  if (isEmpty(group.figure) || !group.place) {
    const severity = SEVERITY[rule.need];
    if (!severity) return [];
    const place = group.place ?? homeOf(context, field, members);
    const need = severity === 'stops' ? ('required' as const) : ('recommended' as const);
    const params = { account: context.account.name, field: check.label, need };
    return [
      makeFinding(context, {
        ...about,
        place,
        severity,
        code: 'field.missing',
        params,
        remedies: [...proposed(context, check, place), typeHere(rule.key, place)],
      }),
    ];
  }
  const { place, scope } = group;
  const missing = untranslated(context, check, group);
  if (missing) return [makeFinding(context, { ...about, place, ...missing })];
  const problem = problemOf(context, check, group);
  if (!problem) return [];
  return [makeFinding(context, { ...about, place, scope, severity: 'stops', ...problem })];
}

/** Fields that mostly say the same as another. */
const SAID_BY: Readonly<Record<string, string>> = {
  maker: 'brand',
  searchTitle: 'name',
  searchDescription: 'description',
};

function proposed({ family, rulebook: { registry } }: CheckContext, check: FieldCheck, place: Place): Remedy[] {
  const key = ownOf(SAID_BY, check.rule.key);
  const figure = key === undefined ? undefined : family.fields[key];
  if (key === undefined || place.level !== 'family' || typeof figure !== 'string') return [];
  const text = cutAtWord(figure, Math.min(check.rule.atMost ?? Infinity, check.field?.most ?? Infinity));
  const changes = [{ place, key: check.rule.key, figure: text }];
  const label = { do: 'takeFrom' as const, field: registry.field(key)!.label, text };
  return [{ kind: 'change', label, commands: [{ do: 'setFigures', changes }] }];
}

/** A text that holds in the first language only, on an account that is written in another. */
function untranslated(context: CheckContext, { field, label, rule }: FieldCheck, group: ColumnGroup) {
  const { account, rulebook } = context;
  const isForeign = account.language !== rulebook.registry.firstLanguage;
  if (!isForeign || !field?.translatable || group.scope !== EVERYWHERE) return null;
  return {
    code: 'field.language' as const,
    params: { account: account.name, field: label, language: account.language },
    severity: rule.need === 'required' ? ('stops' as const) : ('warns' as const),
    scope: languageScope(account.language),
  };
}

function problemOf(context: CheckContext, check: FieldCheck, group: ColumnGroup): Problem | null {
  const { figure } = group;
  const closed = closedProblem(context, check, group);
  if (closed) return closed;
  if (Array.isArray(figure)) return listProblem(context, check, group, figure);
  if (typeof figure === 'string') return textProblem(context, check, group, countedText(check, figure));
  const { rule, label, field } = check;
  if (typeof figure !== 'number') return null;
  const there = inChannelUnit(check, figure);
  // A measure of nothing is too small for its unit; of other numbers zero is one like any other.
  const isMeasure = field?.type === 'weight' || field?.type === 'length';
  if (there === 0 && isMeasure && rule.least === undefined) {
    const unit = rule.unit ?? field?.unit ?? '';
    return { code: 'field.zero', params: { account: context.account.name, field: label, unit } };
  }
  return typeof there === 'number' ? boundsProblem(context, check, there) : null;
}

/** A text as the channel counts it. */
const countedText = (check: FieldCheck, figure: string): string =>
  check.field?.markup && check.rule.markup ? lettersOf(figure) : String(saidThere(check, figure));

/** Puts another figure in the place of the one at fault. */
function setTo(
  check: FieldCheck,
  { place, scope }: ColumnGroup,
  figure: Figure,
  label: { do: 'cutText' | 'keepFirst'; most: number },
): Remedy {
  const change = { place: place!, key: check.rule.key, figure, ...(scope === EVERYWHERE ? {} : { scope }) };
  return { kind: 'change', label, commands: [{ do: 'setFigures', changes: [change] }] };
}

function listProblem(context: CheckContext, check: FieldCheck, group: ColumnGroup, list: string[]): Problem | null {
  const { rule, label: field } = check;
  const { atLeast = 0, atMost = Infinity, entryAtMost = Infinity } = rule;
  const account = context.account.name;
  if (list.length < atLeast)
    return { code: 'field.too-few', params: { account, field, count: list.length, least: atLeast } };
  if (list.length > atMost) {
    const remedies = [setTo(check, group, list.slice(0, atMost), { do: 'keepFirst', most: atMost })];
    return { code: 'field.too-many', params: { account, field, count: list.length, most: atMost }, remedies };
  }
  const entry = list.find((one) => one.length > entryAtMost);
  return entry === undefined
    ? null
    : { code: 'field.entry-long', params: { field, entry, length: entry.length, most: entryAtMost } };
}

function textProblem(context: CheckContext, check: FieldCheck, group: ColumnGroup, text: string): Problem | null {
  const { rule, label: field } = check;
  const { atLeast = 0, atMost = Infinity } = rule;
  const account = context.account.name;
  if (text.length < atLeast)
    return { code: 'field.too-short', params: { account, field, length: text.length, least: atLeast } };
  if (text.length > atMost) {
    const remedies = [setTo(check, group, cutAtWord(text, atMost), { do: 'cutText', most: atMost })];
    return { code: 'field.too-long', params: { account, field, length: text.length, most: atMost }, remedies };
  }
  if (!check.hasForm || check.hasForm(text)) return null;
  return { code: 'field.form', params: { field, form: rule.patternText ?? rule.pattern! } };
}

function cutAtWord(text: string, length: number): string {
  if (text.length <= length) return text;
  const cut = cutTo(text, length);
  const blank = cut.lastIndexOf(' ');
  return (blank > length * 0.6 ? cut.slice(0, blank) : cut).replace(/[\s,;:–-]+$/, '');
}
