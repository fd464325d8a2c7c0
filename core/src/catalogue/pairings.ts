/** Pairings: the family's values ↔ the channel's own, remembered per channel for every family. */
import { z } from 'zod';
import { nearestOf } from '../colour/name';
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

/** What a channel takes on an axis of a role, made ready for looking up. */
export interface PairingList {
  /** Folded label → the channel's own. */
  byWord: ReadonlyMap<string, string>;
  /** Its colours, measured once. */
  nearest(swatch: string): { label: string; difference: number } | null;
  /** The entry of the same size, however it is written. */
  ofSize(label: string): string | undefined;
}
export type PairingLists = ReadonlyMap<string, PairingList>;

/** The closed lists of a rulebook's roles, each made ready once. */
export function openPairingLists(roles: Partial<Record<Role, RoleRules>>): PairingLists {
  return new Map(
    Object.entries(roles).flatMap(([role, rules]) => (rules?.list ? [[role, openList(rules.list)] as const] : [])),
  );
}

/** So many colours' nearest are remembered; most families are of the same few. */
const REMEMBERED = 2000;

function openList(list: NonNullable<RoleRules['list']>): PairingList {
  const sizes = new Map<string, string>();
  for (const { label } of list.toReversed()) {
    const key = sizeKey(label);
    if (key) sizes.set(key.join(), label);
  }
  const coloured = list.flatMap(({ label, swatch }) => (swatch === undefined ? [] : [{ label, swatch }]));
  const nearest = nearestOf(coloured);
  const nearestBefore = new Map<string, ReturnType<PairingList['nearest']>>();
  return {
    byWord: new Map(list.map((entry) => [foldForPairing(entry.label), entry.label])),
    nearest(swatch) {
      const before = nearestBefore.get(swatch);
      if (before !== undefined) return before;
      const near = nearest(swatch);
      if (nearestBefore.size >= REMEMBERED) nearestBefore.clear();
      const found = near && { label: near.colour.label, difference: near.difference };
      nearestBefore.set(swatch, found);
      return found;
    },
    ofSize: (label) => sizes.get(sizeKey(label)?.join() ?? ''),
  };
}

export type PairingLookup = (role: string, label: string) => string | undefined;

/**
 * A lookup of the channel's value for a role and a family label: the seller's pairing where there is one, else the
 * entry of the same name. Undefined where neither is, or the paired entry is no longer the channel's.
 */
export function pairingLookup(table: PairingTable, lists: PairingLists): PairingLookup {
  return (role, label) => {
    const words = lists.get(role)?.byWord;
    if (!words) return undefined;
    const folded = foldForPairing(label);
    const chosen = table[role as Role]?.[folded];
    return (chosen === undefined ? undefined : words.get(foldForPairing(chosen))) ?? words.get(folded);
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
  list: PairingList,
): PairingProposal | null {
  if (role === 'colour' && value.swatch) {
    const near = list.nearest(value.swatch);
    return near && { to: near.label, why: 'colour', difference: Math.round(near.difference) };
  }
  const alike = list.ofSize(value.label);
  if (alike !== undefined) return { to: alike, why: 'size' };
  const words = new Set(foldForPairing(value.label).split(' '));
  const part = [...list.byWord].find(([word]) => words.has(word));
  return part ? { to: part[1], why: 'word' } : null;
}
