/** What of a family is paired with a channel's own values: values of axes, and what its fields with closed lists say. */
import { type Axis, type Family, familyIndex } from '@loom-kin/core/family';
import type { Fit } from '@loom-kin/core/fit';
import {
  type PairingProposal,
  type PairingTable,
  pairedField,
  pairingLookup,
  proposeFor,
} from '@loom-kin/core/pairing';
import type { Registry } from '@loom-kin/core/registry';

/** One of the seller's words. */
export interface PairedWord {
  /** As pairings keep it. */
  said: string;
  /** As it is shown. */
  label: string;
  swatch?: string | undefined;
  /** The channel's value; empty where there is none yet. */
  to: string;
  /** What it most likely is, where it is not paired. */
  proposal: PairingProposal | null;
}

export interface PairingGroup {
  axis: string;
  /** Role, or field as pairings name it. */
  role: string;
  list: readonly { label: string; swatch?: string | undefined }[];
  /** Whether buyers read the channel's value. */
  listShown: boolean;
  /** What is not settled comes first. */
  values: PairedWord[];
}

export function pairingGroups(family: Family, fit: Fit, registry: Registry, table: PairingTable): PairingGroup[] {
  const { plan, category } = fit;
  if (!category || !plan) return [];
  const { lists, rules, fieldChecks } = category;
  const lookup = pairingLookup(table, lists);
  const word = (role: string, said: string, label: string, swatch?: string): PairedWord => {
    const to = lookup(role, said) ?? '';
    return {
      said,
      label,
      swatch,
      to,
      proposal: to === '' ? proposeFor(registry, role, { label, swatch }, lists.get(role)!, table[role]) : null,
    };
  };
  const ofAxis = (axis: Axis): PairingGroup[] => {
    const rule = rules.axes.roles[axis.role];
    if (!rule?.list) return [];
    const values = offered(family, fit, axis).map(({ label, swatch }) => word(axis.role, label, label, swatch));
    return [group(axis.label, axis.role, rule.list, rule.shows === 'list', values)];
  };
  const leads = new Set(plan.axes.map((axis) => axis.from[0]!));
  const joined = new Set(plan.axes.flatMap((axis) => axis.from.slice(1)));
  const axes = family.axes.filter((axis) => leads.has(axis.id) || !joined.has(axis.id));
  const fields = fieldChecks.flatMap(({ rule, field, label }): PairingGroup[] => {
    const role = pairedField(rule.key);
    if (!rule.choices || !field) return [];
    const said = [...new Set([family.fields[rule.key] ?? []].flat().map(String))].filter(Boolean);
    const values = said.map((one) => word(role, one, field.choices?.find((each) => each.value === one)?.label ?? one));
    const list = rule.choices.map((choice) => ({ label: choice }));
    return values.length > 0 ? [group(label, role, list, true, values)] : [];
  });
  return [...axes.flatMap(ofAxis), ...fields];
}

function group(
  axis: string,
  role: string,
  list: PairingGroup['list'],
  listShown: boolean,
  values: PairedWord[],
): PairingGroup {
  return { axis, role, list, listShown, values: values.toSorted((a, b) => Number(a.to !== '') - Number(b.to !== '')) };
}

/** Values of the axis that some child on offer has. */
function offered(family: Family, { childStates }: Fit, axis: Axis) {
  const { positionsOf, woven } = familyIndex(family);
  return axis.values.filter((value) => positionsOf(value.id).some((at) => childStates[woven[at]!.id] !== 'absent'));
}
