/**
 * The seller's dictionary of axis values: what a new value is given from it (code, swatch), what is proposed while
 * typing, and how it grows by use.
 */
import { guessSwatch } from '../colour/name';
import { foldLabel } from '../family/foldLabel';
import type { Role, Value } from '../family/shape';
import { shortCodes } from '../identifiers/shortCodes';
import type { Registry } from './openRegistry';
import type { DictionaryEntry, RegistryData } from './shape';

/** A value as typed: the rest is made. */
export interface ValueSpec {
  label: string;
  code?: string | undefined;
  swatch?: string | undefined;
}

export interface DressedValue {
  label: string;
  code: string;
  swatch?: string;
}

/**
 * Values made ready for an axis: code and swatch as given, else from the dictionary, else made from the label. A colour nobody knows has
 * no swatch. Codes differ on the axis. The page that shows a draft and the API that stores it both ask here.
 * @param present values that stand on the axis already
 */
export function dressValues(
  registry: Registry,
  role: Role,
  specs: readonly ValueSpec[],
  present: readonly Pick<Value, 'code'>[] = [],
): DressedValue[] {
  const taken = new Set([...present.map((value) => value.code), ...specs.flatMap((spec) => spec.code ?? [])]);
  const known = specs.map((spec) => registry.word(role, spec.label));
  const codes = specs.map((spec, at) => {
    if (spec.code) return spec.code;
    const code = known[at]?.code;
    if (code === undefined || taken.has(code)) return undefined;
    taken.add(code);
    return code;
  });
  const made = shortCodes(
    specs.filter((_, at) => codes[at] === undefined).map((spec) => spec.label),
    taken,
  );
  return specs.map((spec, at) => {
    const swatch = spec.swatch ?? known[at]?.swatch ?? (role === 'colour' ? guessSwatch(spec.label) : undefined);
    const code = codes[at] ?? made.shift()!;
    return { label: spec.label.trim(), code, ...(swatch ? { swatch: swatch.toUpperCase() } : {}) };
  });
}

/** Entries whose label or synonym begins with what is typed, then those that hold it; at most `most`. */
export function suggestWords(registry: Registry, role: Role, typed: string, most = 8): DictionaryEntry[] {
  const wanted = foldLabel(typed);
  const entries = Object.values(registry.data.dictionary[role] ?? {});
  const spellings = (entry: DictionaryEntry) => [entry.label, ...entry.synonyms].map(foldLabel);
  const begins = entries.filter((entry) => spellings(entry).some((one) => one.startsWith(wanted)));
  const holds = entries.filter(
    (entry) => !begins.includes(entry) && spellings(entry).some((one) => one.includes(wanted)),
  );
  return [...begins, ...holds].slice(0, most);
}

/**
 * The registry data with values that were used and are not in its dictionary yet; the same object where there are
 * none.
 */
export function learnValues(
  registry: Registry,
  used: readonly { role: Role; value: Pick<Value, 'label' | 'code' | 'swatch'> }[],
): RegistryData {
  const { data } = registry;
  const fresh = used.filter(({ role, value }) => role !== 'other' && !registry.word(role, value.label));
  if (fresh.length === 0) return data;
  const dictionary = { ...data.dictionary };
  for (const { role, value } of fresh) {
    const entry: DictionaryEntry = {
      label: value.label,
      code: value.code,
      synonyms: [],
      ...(value.swatch ? { swatch: value.swatch } : {}),
    };
    dictionary[role] = { [foldLabel(value.label)]: entry, ...dictionary[role] };
  }
  return { ...data, dictionary };
}
