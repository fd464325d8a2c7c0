/** A channel's own values on axes of one role, made ready for finding the one that a family's value is. */
import { foldForPairing, pairedField } from '../catalogue/pairings';
import { basicColourOfName, basicColourOfSwatch, type BasicColour } from '../colour/terms';
import type { FieldRule, RoleRules, Rules } from '../rulebook/shape';
import type { PairingProposal } from './proposal';
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
  /** What was proposed of the list before: most families have the colours and sizes of others. */
  proposed: Map<string, PairingProposal | null>;
}
export type PairingLists = ReadonlyMap<string, PairingList>;

/** The closed lists of a category's roles and fields, each made ready once. */
export function openPairingLists({ axes, fields }: Pick<Rules, 'axes' | 'fields'>): PairingLists {
  const ofRoles = Object.entries(axes.roles).flatMap(([role, rules]) =>
    rules?.list ? [[role, openList(role, rules.list)] as const] : [],
  );
  const ofFields = fields.flatMap((rule) => (rule.choices ? [[pairedField(rule.key), choicesOf(rule)] as const] : []));
  return new Map([...ofRoles, ...ofFields]);
}

const choicesOf = ({ key, choices = [] }: FieldRule): PairingList =>
  openList(
    pairedField(key),
    choices.map((label) => ({ label })),
  );

function openList(role: string, list: NonNullable<RoleRules['list']>): PairingList {
  const entries = list.map(({ label, swatch }): ListedValue => {
    const word = foldForPairing(label);
    const colour = role === 'colour' ? colourOf(label, swatch) : null;
    return { label, word, swatch, colour, size: role === 'colour' ? null : sizeMeaning(label) };
  });
  return pairingList(entries);
}

/** A list of entries that were made ready before. */
export const pairingList = (entries: readonly ListedValue[]): PairingList => ({
  entries,
  byWord: new Map(entries.map((entry) => [entry.word, entry.label])),
  proposed: new Map(),
});

const colourOf = (label: string, swatch: string | undefined): BasicColour | null =>
  basicColourOfName(label) ?? (swatch ? basicColourOfSwatch(swatch).colour : null);
