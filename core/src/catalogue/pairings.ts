/** Pairings: the family's values ↔ the channel's own. */
import { nearestColour } from '../colour/name';
import { sizeKey } from '../size/sortSizes';
import type { Role, Value } from '../family/shape';
import type { RoleRules } from '../rulebook/shape';
import type { Pairing } from '../fit/context';

const fold = (label: string) =>
  label
    .trim()
    .toLowerCase()
    .replace(/[\s_-]+/g, ' ');

/**
 * A lookup of the channel's value for a role and a family label: the seller's pairing where there is one, else the
 * entry of the
 * same name. Undefined where neither is.
 */
export function pairingLookup(
  channel: string,
  pairings: readonly Pairing[],
  roles: Partial<Record<Role, RoleRules>>,
): (role: string, label: string) => string | undefined {
  const paired = new Map(
    pairings.filter((one) => one.channel === channel).map((one) => [`${one.role}|${fold(one.value)}`, one.to]),
  );
  const lists = new Map(
    Object.entries(roles).map(([role, rules]) => [
      role,
      new Map((rules?.list ?? []).map((entry) => [fold(entry.label), entry.label])),
    ]),
  );
  return (role, label) => {
    const list = lists.get(role);
    const chosen = paired.get(`${role}|${fold(label)}`);
    // A pairing to an entry that the channel has dropped since holds no more.
    if (chosen !== undefined && list?.has(fold(chosen))) return list.get(fold(chosen));
    return list?.get(fold(label));
  };
}

/**
 * The channel's value that is nearest: by colour difference for colours, by measure for sizes; null where nothing is
 * near.
 */
export function suggestPairing(
  role: Role,
  value: Pick<Value, 'label' | 'swatch'>,
  rules: RoleRules,
): { to: string; why: string } | null {
  const list = rules.list ?? [];
  if (role === 'colour' && value.swatch) {
    const near = nearestColour(
      value.swatch,
      list.filter((entry): entry is { label: string; swatch: string } => entry.swatch !== undefined),
    );
    return near ? { to: near.colour.label, why: `nearest colour, difference ${near.difference.toFixed(0)}` } : null;
  }
  const key = sizeKey(value.label);
  const alike =
    key &&
    list.find((entry) => {
      const other = sizeKey(entry.label);
      return other && other[0] === key[0] && other[1] === key[1];
    });
  if (alike) return { to: alike.label, why: 'the same size' };
  const words = fold(value.label).split(' ');
  const part = list.find((entry) => words.includes(fold(entry.label)));
  return part ? { to: part.label, why: 'the same word' } : null;
}

/** How a family label is kept in a pairing. */
export const pairingValue = fold;
