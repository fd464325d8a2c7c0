/** A channel's own values on axes of one role, made ready for finding the one that a family's value is. */
import { foldForPairing, pairedField } from './pairings';
import { basicColourOfName, basicColourOfSwatch, type BasicColour } from '../colour/terms';
import type { PairingProposal } from './proposal';
import { sizeMeaning, type SizeMeaning } from './sizes';

/** A value of a channel's list, as its rules name it. */
interface NamedValue {
  label: string;
  swatch?: string | undefined;
}
/** Where a channel's rules have closed lists: on axes of a role, and on fields. */
export interface RulesWithLists {
  axes: { roles: Readonly<Record<string, { list?: readonly NamedValue[] | undefined } | undefined>> };
  fields: readonly FieldWithChoices[];
}
interface FieldWithChoices {
  key: string;
  choices?: readonly string[] | undefined;
}

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
export function openPairingLists({ axes, fields }: RulesWithLists): PairingLists {
  const ofRoles = Object.entries(axes.roles).flatMap(([role, rules]) =>
    rules?.list ? [[role, openList(role, rules.list)] as const] : [],
  );
  const ofFields = fields.flatMap((rule) => (rule.choices ? [[pairedField(rule.key), choicesOf(rule)] as const] : []));
  return new Map([...ofRoles, ...ofFields]);
}

const choicesOf = ({ key, choices = [] }: FieldWithChoices): PairingList =>
  openList(
    pairedField(key),
    choices.map((label) => ({ label })),
  );

function openList(role: string, list: readonly NamedValue[]): PairingList {
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
