/** Pairings: the family's values ↔ the channel's own, remembered per channel for every family. */
import { z } from 'zod';
import { recordKey } from '../text/own';
import { UNSEEN } from '../text/unseen';
import { RoleSchema } from '../family/shape';

/** What values belong to that are paired: axes of a role, or a field the channel has a closed list for. */
export const PairedSchema = z.union([RoleSchema, z.string().regex(/^field:[A-Za-z]\w{0,59}$/)]);

/** How a field is named in pairings. */
export const pairedField = (key: string): string => `field:${key}`;

/** The field of a paired thing; null where it is a role. */
export const fieldOfPaired = (paired: string): string | null =>
  paired.startsWith('field:') ? paired.slice('field:'.length) : null;

/** One pairing; `to` empty takes it away. `value` is the seller's word as `foldForPairing` has it. */
export const PairingSchema = z.object({
  channel: z.string().max(80),
  role: PairedSchema,
  value: z.string().min(1).max(120),
  to: z.string().max(120),
});
export type Pairing = z.infer<typeof PairingSchema>;

/** The pairings of one channel: role or field → folded label → the channel's value. */
export const PairingTableSchema = z.record(PairedSchema, z.record(z.string(), z.string()));
export type PairingTable = z.infer<typeof PairingTableSchema>;

/** How a label is kept in a pairing: neither case nor hyphens, underlines and blanks between words count. */
export const foldForPairing = (label: string): string =>
  recordKey(
    label
      .replace(UNSEEN, '')
      .trim()
      .toLowerCase()
      .replace(/[\s_-]+/g, ' '),
  );

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
export function pairingLookup(
  table: PairingTable,
  lists: ReadonlyMap<string, { byWord: ReadonlyMap<string, string> }>,
): PairingLookup {
  return (role, label) => {
    const words = lists.get(role)?.byWord;
    if (!words) return undefined;
    const folded = foldForPairing(label);
    const chosen = table[role]?.[folded];
    return (chosen === undefined ? undefined : words.get(foldForPairing(chosen))) ?? words.get(folded);
  };
}
