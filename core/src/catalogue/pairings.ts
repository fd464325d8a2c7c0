/** Pairings: the family's values ↔ the channel's own, remembered per channel for every family. */
import { z } from 'zod';
import { nearestColour } from '../colour/name';
import { RoleSchema, type Role, type Value } from '../family/shape';
import type { RoleRules } from '../rulebook/shape';
import { sizeKey } from '../size/sortSizes';

/** One pairing; `to` empty takes it away. `value` is the family's label as `foldForPairing` has it. */
export const PairingSchema = z.object({
  channel: z.string().max(80),
  role: RoleSchema,
  value: z.string().min(1).max(80),
  to: z.string().max(80),
});
export type Pairing = z.infer<typeof PairingSchema>;

/** The pairings of one channel: role → folded label → the channel's value. */
export const PairingTableSchema = z.partialRecord(RoleSchema, z.record(z.string(), z.string()));
export type PairingTable = z.infer<typeof PairingTableSchema>;

/** How a label is kept in a pairing: neither case nor hyphens, underlines and blanks between words count. */
export const foldForPairing = (label: string): string =>
  label
    .trim()
    .toLowerCase()
    .replace(/[\s_-]+/g, ' ');

/** A table with pairings put in, or taken out where `to` is empty. */
export function withPairings(
  table: PairingTable,
  wanted: readonly Pick<Pairing, 'role' | 'value' | 'to'>[],
): PairingTable {
  const next: PairingTable = { ...table };
  for (const { role, value, to } of wanted) {
    const { [foldForPairing(value)]: _before, ...others } = next[role] ?? {};
    next[role] = to === '' ? others : { ...others, [foldForPairing(value)]: to };
  }
  return next;
}

export type PairingLookup = (role: string, label: string) => string | undefined;

/**
 * A lookup of the channel's value for a role and a family label: the seller's pairing where there is one, else the
 * entry of the same name. Undefined where neither is, or the paired entry is no longer the channel's.
 */
export function pairingLookup(table: PairingTable, roles: Partial<Record<Role, RoleRules>>): PairingLookup {
  const lists = new Map(
    Object.entries(roles).map(([role, rules]) => [
      role,
      new Map((rules?.list ?? []).map((entry) => [foldForPairing(entry.label), entry.label])),
    ]),
  );
  return (role, label) => {
    const list = lists.get(role);
    const chosen = table[role as Role]?.[foldForPairing(label)];
    return (chosen === undefined ? undefined : list?.get(foldForPairing(chosen))) ?? list?.get(foldForPairing(label));
  };
}

/** Why a value of the channel is proposed. */
export type PairingReason = { why: 'colour'; difference: number } | { why: 'size' } | { why: 'word' };
export type PairingProposal = { to: string } & PairingReason;

/**
 * The channel's value that is nearest: by colour difference for colours, by measure for sizes; null where nothing is
 * near.
 */
export function suggestPairing(
  role: Role,
  value: Pick<Value, 'label' | 'swatch'>,
  rules: RoleRules,
): PairingProposal | null {
  const list = rules.list ?? [];
  if (role === 'colour' && value.swatch) {
    const coloured = list.filter((entry): entry is { label: string; swatch: string } => entry.swatch !== undefined);
    const near = nearestColour(value.swatch, coloured);
    return near ? { to: near.colour.label, why: 'colour', difference: Math.round(near.difference) } : null;
  }
  const key = sizeKey(value.label);
  const alike = key && list.find((entry) => sizeKey(entry.label)?.join() === key.join());
  if (alike) return { to: alike.label, why: 'size' };
  const words = foldForPairing(value.label).split(' ');
  const part = list.find((entry) => words.includes(foldForPairing(entry.label)));
  return part ? { to: part.label, why: 'word' } : null;
}
