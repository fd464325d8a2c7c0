/** Findings about pairings: values the channel does not know, and values that become one in a listing. */
import { foldForPairing, suggestPairing, type PairingList } from '../../catalogue/pairings';
import type { Value } from '../../family/shape';
import { familyIndex } from '../../family/weave';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import type { TargetAxis } from '../planner';
import { listed } from '../../words/counts';
import { makeFinding } from './report';

export function pairingFindings(context: CheckContext): Finding[] {
  const { plan, category } = context;
  return (plan?.axes ?? []).flatMap((axis) => {
    const list = category.lists.get(axis.role);
    return list ? axisFindings(context, axis, list) : [];
  });
}

function axisFindings(context: CheckContext, axis: TargetAxis, list: PairingList): Finding[] {
  const { valueById } = familyIndex(context.family);
  const values = [...new Set(axis.options.map((option) => option.valueIds[0]!))].map((id) => valueById.get(id)!);
  const unpaired = values.filter((value) => context.pairingOf(axis.role, value.label) === undefined);
  const missing = unpaired.map((value) => unpairedFinding(context, axis, value, list));
  const shows = context.category.rules.axes.roles[axis.role]?.shows;
  return shows === 'list' ? [...missing, ...collisions(context, axis, values)] : missing;
}

const offeredWith = (context: CheckContext, value: Value) =>
  familyIndex(context.family)
    .positionsOf(value.id)
    .filter((position) => context.isOffered(position));

function unpairedFinding(context: CheckContext, axis: TargetAxis, value: Value, list: PairingList): Finding {
  const near = suggestPairing(axis.role, value, list);
  const { channel, name } = context.account;
  const pairing = { channel, role: axis.role, value: foldForPairing(value.label), to: near?.to ?? '' };
  return makeFinding(context, {
    code: 'pairing.missing',
    params: { account: name, value: value.label },
    severity: 'stops',
    key: 'pairing',
    place: { level: 'value', axisId: axis.from[0]!, valueId: value.id },
    members: offeredWith(context, value),
    rule: `axes.roles.${axis.role}.list`,
    remedies: near ? [{ kind: 'pairing', pairing, reason: near }] : [],
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
