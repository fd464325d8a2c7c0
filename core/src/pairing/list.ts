/** A channel's own values on axes of one role, made ready for finding the one that a family's value is. */
import { foldForPairing } from '../catalogue/pairings';
import { basicColourOfName, basicColourOfSwatch, type BasicColour } from '../colour/terms';
import type { Role } from '../family/shape';
import type { RoleRules } from '../rulebook/shape';
import { sizeMeaning, type SizeMeaning } from './sizes';

export interface ListedValue {
  label: string;
  /** The label as pairings compare it. */
  word: string;
  swatch: string | undefined;
  /** What kind of colour it is; null for what is none. */
  colour: BasicColour | null;
  size: SizeMeaning | null;
}

export interface PairingList {
  entries: readonly ListedValue[];
  /** Folded label → the channel's own. */
  byWord: ReadonlyMap<string, string>;
}
export type PairingLists = ReadonlyMap<string, PairingList>;

/** The closed lists of a rulebook's roles, each made ready once. */
export function openPairingLists(roles: Partial<Record<Role, RoleRules>>): PairingLists {
  return new Map(
    Object.entries(roles).flatMap(([role, rules]) =>
      rules?.list ? [[role, openList(role as Role, rules.list)] as const] : [],
    ),
  );
}

function openList(role: Role, list: NonNullable<RoleRules['list']>): PairingList {
  const entries = list.map(({ label, swatch }): ListedValue => {
    const word = foldForPairing(label);
    const colour = role === 'colour' ? colourOf(label, swatch) : null;
    return { label, word, swatch, colour, size: role === 'colour' ? null : sizeMeaning(label) };
  });
  return { entries, byWord: new Map(entries.map((entry) => [entry.word, entry.label])) };
}

const colourOf = (label: string, swatch: string | undefined): BasicColour | null =>
  basicColourOfName(label) ?? (swatch ? basicColourOfSwatch(swatch).colour : null);
