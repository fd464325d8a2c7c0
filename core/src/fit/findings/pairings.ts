/** Findings about pairings: values the channel does not know, and values that become one in a listing. */
import { foldForPairing } from '../../pairing/pairings';
import type { PairingList } from '../../pairing/list';
import { proposeFor } from '../../pairing/propose';
import type { Role, Value } from '../../family/shape';
import { familyIndex } from '../../family/weave';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import type { Plan, TargetAxis } from '../planner';
import { listed } from '../../text/counts';
import { makeFinding } from './report';

export function pairingFindings(context: CheckContext): Finding[] {
  const { plan } = context;
  return plan ? [...plan.axes.flatMap((axis) => shownFindings(context, axis)), ...fixedFindings(context, plan)] : [];
}

/** Values that buyers choose from. */
function shownFindings(context: CheckContext, axis: TargetAxis): Finding[] {
  const list = context.category.lists.get(axis.role);
  if (!list) return [];
  const { valueById } = familyIndex(context.family);
  const values = [...new Set(axis.options.map((option) => option.valueIds[0]!))].map((id) => valueById.get(id)!);
  const missing = unpairedFindings(context, {
    role: axis.role,
    axisId: axis.from[0]!,
    values,
    list,
    isOption: true,
  });
  const shows = context.category.rules.axes.roles[axis.role]?.shows;
  return shows === 'list' ? [...missing, ...collisions(context, axis, values)] : missing;
}

/** Values that hold for a whole listing, each its own or all the same one: nobody chooses them, so that they go out unpaired as well. */
function fixedFindings(context: CheckContext, plan: Plan): Finding[] {
  const fixed = new Set([...plan.split, ...plan.pinned]);
  return context.family.axes
    .filter((axis) => fixed.has(axis.id))
    .flatMap(({ id, role, values }) => {
      const list = context.category.lists.get(role);
      const offered = values.filter((value) => offeredWith(context, value).length > 0);
      return list ? unpairedFindings(context, { role, axisId: id, values: offered, list, isOption: false }) : [];
    });
}

interface ListedAxis {
  role: Role;
  axisId: string;
  values: readonly Value[];
  list: PairingList;
  /** Whether buyers choose from them. */
  isOption: boolean;
}

const unpairedFindings = (context: CheckContext, { values, ...axis }: ListedAxis): Finding[] =>
  values
    .filter((value) => context.pairingOf(axis.role, value.label) === undefined)
    .filter((value) => context.described(offeredWith(context, value)).length > 0)
    .map((value) => unpairedFinding(context, axis, value));

const offeredWith = (context: CheckContext, value: Value) =>
  familyIndex(context.family)
    .positionsOf(value.id)
    .filter((position) => context.isOffered(position));

function unpairedFinding(
  context: CheckContext,
  { role, axisId, list, isOption }: Omit<ListedAxis, 'values'>,
  value: Value,
): Finding {
  const near = proposeFor(context.rulebook.registry, role, value, list, context.pairings[role]);
  const { channel, name } = context.account;
  const pairing = { channel, role: role, value: foldForPairing(value.label), to: near?.to ?? '' };
  return makeFinding(context, {
    code: 'pairing.missing',
    params: { account: name, value: value.label, isOption },
    severity: isOption ? 'stops' : 'warns',
    key: 'pairing',
    place: { level: 'value', axisId, valueId: value.id },
    members: offeredWith(context, value),
    rule: `axes.roles.${role}.list`,
    remedies: near ? [{ kind: 'pairing', pairing, reason: near, confidence: near.confidence }] : [],
  });
}

/** Values shown as one and the same, told for those that stand in one listing together. */
function collisions(context: CheckContext, axis: TargetAxis, values: readonly Value[]): Finding[] {
  const axisId = axis.from[0]!;
  const { woven } = familyIndex(context.family);
  return context.listings.flatMap((positions) => {
    const here = new Set(positions.map((position) => woven[position]!.at[axisId]));
    const byTarget = new Map<string, Value[]>();
    for (const value of values) {
      const to = here.has(value.id) ? context.pairingOf(axis.role, value.label) : undefined;
      if (to !== undefined) byTarget.set(to, [...(byTarget.get(to) ?? []), value]);
    }
    return [...byTarget]
      .filter(([, alike]) => alike.length > 1)
      .map(([to, alike]) =>
        makeFinding(context, {
          code: 'pairing.collides',
          params: { values: listed(alike.map((value) => value.label)), to },
          severity: 'stops',
          key: 'pairing',
          about: to,
          place: { level: 'value', axisId, valueId: alike.at(-1)!.id },
          members: alike.flatMap((value) => offeredWith(context, value)),
          rule: `axes.roles.${axis.role}.list`,
        }),
      );
  });
}
