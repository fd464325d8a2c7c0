/** Commands on the registry: their schemas, and running them. Pure, like those on a family. */
import { z } from 'zod';
import { difference, type Difference } from '../difference/difference';
import { foldLabel } from '../family/foldLabel';
import { RoleSchema } from '../family/shape';
import { Refusal } from '../refusal/refusal';
import { byKind, type ByKind } from '../text/byKind';
import { TaxCodeSchema } from '../money/tax';
import { checkHousePattern } from '../identifiers/housePattern';
import { checkBlocks, NumberBlockSchema } from '../identifiers/block';
import { LocationSchema, MAIN_LOCATION } from '../stock/locations';
import { BUILT_IN_FIELDS } from './builtIn';
import { generalTree } from './generalTree';
import { SizeChartSchema, TermSchema } from './terms';
import {
  CategoryIdSchema,
  CategorySchema,
  DictionaryEntrySchema,
  FactSchema,
  LanguageSchema,
  REMEMBERED,
  RegistryDataSchema,
  type RegistryData,
} from './shape';

const Label = z.string().trim().min(1).max(80);

export const RegistryCommandSchema = z.discriminatedUnion('do', [
  /** Adds a category, or changes label, axes and place of the one with this id. */
  z.object({ do: z.literal('setCategory'), category: CategorySchema }),
  /** Takes a category and all below it out of use, or back into it. Families that are in it stay. */
  z.object({ do: z.literal('retireCategory'), id: CategoryIdSchema, retired: z.boolean() }),
  z.object({ do: z.literal('setFact'), fact: FactSchema }),
  z.object({ do: z.literal('retireFact'), key: z.string(), retired: z.boolean() }),
  /** Puts a word into the dictionary; `instead` names the label it replaces. */
  z.object({ do: z.literal('setWord'), role: RoleSchema, entry: DictionaryEntrySchema, instead: Label.optional() }),
  z.object({ do: z.literal('removeWord'), role: RoleSchema, label: Label }),
  z.object({ do: z.literal('setLanguages'), languages: z.array(LanguageSchema).min(1).max(40) }),
  z.object({ do: z.literal('forget'), key: z.enum(REMEMBERED), label: Label }),
  /** Adds a tax code, or changes the one with this number. */
  z.object({ do: z.literal('setTaxCode'), taxCode: TaxCodeSchema }),
  z.object({ do: z.literal('removeTaxCode'), code: z.string().max(12) }),
  /** The places where pieces are kept, all of them in their order. */
  z.object({ do: z.literal('setLocations'), locations: z.array(LocationSchema).min(1).max(50) }),
  /** Adds a block of GTINs, or changes the one with this id. */
  z.object({ do: z.literal('setNumberBlock'), block: NumberBlockSchema }),
  /** Takes a block away; numbers given out stay with their children. */
  z.object({ do: z.literal('removeNumberBlock'), id: z.string().min(1).max(80) }),
  /** The SKU pattern that new families are given; empty for the usual one. */
  z.object({ do: z.literal('setHousePattern'), pattern: z.string().trim().max(120) }),
  z.object({ do: z.literal('setTerm'), term: TermSchema }),
  z.object({ do: z.literal('removeTerm'), id: z.string().max(40) }),
  z.object({ do: z.literal('setSizeChart'), chart: SizeChartSchema }),
  z.object({ do: z.literal('removeSizeChart'), id: z.string().max(40) }),
  z.object({ do: z.literal('takeGeneralTree') }),
  /** Takes the parts of a registry file in: what it names is added or replaced, everything else stays. */
  z.object({ do: z.literal('takeRegistry'), registry: RegistryDataSchema.partial() }),
]);
export type RegistryCommand = z.infer<typeof RegistryCommandSchema>;

export interface ChangedRegistry extends Difference {
  data: RegistryData;
}

/** Runs a command on the registry. Throws a Refusal, with nothing changed, when it cannot be done. */
export function runRegistryCommand(before: RegistryData, command: RegistryCommand): ChangedRegistry {
  const data = byKind(APPLY, 'do', command, before);
  return { data, ...difference(before, data) };
}

/** The registry after a command. */
const APPLY: ByKind<RegistryCommand, 'do', RegistryData, [RegistryData]> = {
  setCategory: ({ category }, data) => setCategory(data, category),
  retireCategory: ({ id, retired }, data) => retireCategory(data, id, retired),
  setFact: ({ fact }, data) => setFact(data, fact),
  retireFact({ key, retired }, data) {
    const fact = data.facts[key];
    if (!fact) throw new Refusal('field.unknown', { key });
    return { ...data, facts: { ...data.facts, [key]: { ...fact, retired } } };
  },
  setWord: ({ role, entry, instead }, data) => setWord(data, role, entry, instead),
  removeWord: ({ role, label }, data) => removeWord(data, role, label),
  setLanguages: ({ languages }, data) => setLanguages(data, languages),
  forget({ key, label }, data) {
    const left = data.remembered[key].filter((one) => one !== label);
    return { ...data, remembered: { ...data.remembered, [key]: left } };
  },
  setTaxCode: ({ taxCode }, data) => ({ ...data, taxCodes: { ...data.taxCodes, [taxCode.code]: taxCode } }),
  removeTaxCode: ({ code }, data) => ({ ...data, taxCodes: without(data.taxCodes, code) }),
  setLocations: ({ locations }, data) => setLocations(data, locations),
  setNumberBlock: ({ block }, data) => setNumberBlock(data, block),
  removeNumberBlock({ id }, data) {
    const numberBlocks = data.numberBlocks.filter((one) => one.id !== id);
    if (numberBlocks.length === data.numberBlocks.length) throw new Refusal('block.unknown', {});
    return { ...data, numberBlocks };
  },
  setHousePattern({ pattern }, data) {
    checkHousePattern(pattern);
    return { ...data, skuPattern: pattern };
  },
  setTerm: ({ term }, data) => ({ ...data, terms: { ...data.terms, [term.id]: term } }),
  removeTerm: ({ id }, data) => ({ ...data, terms: without(data.terms, id) }),
  setSizeChart: ({ chart }, data) => ({ ...data, sizeCharts: { ...data.sizeCharts, [chart.id]: chart } }),
  removeSizeChart: ({ id }, data) => ({ ...data, sizeCharts: without(data.sizeCharts, id) }),
  takeGeneralTree: (_command, data) => ({ ...data, categories: { ...generalTree(), ...data.categories } }),
  takeRegistry: ({ registry }, data) => takeRegistry(data, registry),
};

/** A record without one of its entries; where it is not there that is refused. */
function without<T>(record: Record<string, T>, id: string): Record<string, T> {
  if (!Object.hasOwn(record, id)) throw new Refusal('registry.unknown', { id });
  const { [id]: _gone, ...left } = record;
  return left;
}

type CategoryOf = RegistryData['categories'][string];

function setCategory(data: RegistryData, category: CategoryOf): RegistryData {
  if (category.parent !== null && !data.categories[category.parent]) {
    throw new Refusal('category.unknown', { id: category.parent });
  }
  for (let at = category.parent; at !== null; at = data.categories[at]?.parent ?? null) {
    if (at === category.id) throw new Refusal('category.circle', { label: category.label });
  }
  const twin = Object.values(data.categories).find(
    (one) =>
      one.id !== category.id && one.parent === category.parent && foldLabel(one.label) === foldLabel(category.label),
  );
  if (twin) throw new Refusal('category.twice', { label: category.label });
  return { ...data, categories: { ...data.categories, [category.id]: category } };
}

function retireCategory(data: RegistryData, id: string, retired: boolean): RegistryData {
  if (!data.categories[id]) throw new Refusal('category.unknown', { id });
  const categories = { ...data.categories };
  const retire = (at: string): void => {
    categories[at] = { ...categories[at]!, retired };
    for (const one of Object.values(data.categories)) if (one.parent === at) retire(one.id);
  };
  retire(id);
  return { ...data, categories };
}

function setFact(data: RegistryData, fact: RegistryData['facts'][string]): RegistryData {
  if (BUILT_IN_FIELDS.some((field) => field.key === fact.key)) throw new Refusal('fact.built-in', { key: fact.key });
  const before = data.facts[fact.key];
  if (before && before.type !== fact.type) throw new Refusal('fact.type-fixed', { label: before.label });
  for (const id of fact.categories) if (!data.categories[id]) throw new Refusal('category.unknown', { id });
  return { ...data, facts: { ...data.facts, [fact.key]: fact } };
}

type Role = keyof RegistryData['dictionary'];
type Word = NonNullable<RegistryData['dictionary'][Role]>[string];

function setWord(data: RegistryData, role: Role, entry: Word, instead: string | undefined): RegistryData {
  const { [foldLabel(instead ?? entry.label)]: _before, ...others } = data.dictionary[role] ?? {};
  return { ...data, dictionary: { ...data.dictionary, [role]: { ...others, [foldLabel(entry.label)]: entry } } };
}

function removeWord(data: RegistryData, role: Role, label: string): RegistryData {
  const words = data.dictionary[role] ?? {};
  if (!words[foldLabel(label)]) throw new Refusal('word.unknown', { label });
  const { [foldLabel(label)]: _gone, ...left } = words;
  return { ...data, dictionary: { ...data.dictionary, [role]: left } };
}

function setLanguages(data: RegistryData, languages: readonly string[]): RegistryData {
  const canonical = languages.map((tag) => Intl.getCanonicalLocales(tag)[0]!);
  const twin = canonical.find((tag, at) => canonical.indexOf(tag) !== at);
  if (twin) throw new Refusal('language.twice', { tag: twin });
  return { ...data, languages: canonical };
}

function setLocations(data: RegistryData, locations: RegistryData['locations']): RegistryData {
  const folded = locations.map((one) => foldLabel(one.label));
  const twin = locations.find((_, at) => folded.indexOf(folded[at]!) !== at);
  if (twin || new Set(locations.map((one) => one.id)).size < locations.length)
    throw new Refusal('location.twice', { label: (twin ?? locations[0]!).label });
  if (!locations.some((one) => one.id === MAIN_LOCATION.id)) throw new Refusal('location.main', {});
  return { ...data, locations };
}

function setNumberBlock(data: RegistryData, block: RegistryData['numberBlocks'][number]): RegistryData {
  const isThere = data.numberBlocks.some((one) => one.id === block.id);
  const numberBlocks = isThere
    ? data.numberBlocks.map((one) => (one.id === block.id ? block : one))
    : [...data.numberBlocks, block];
  checkBlocks(numberBlocks);
  return { ...data, numberBlocks };
}

function takeRegistry(data: RegistryData, given: Partial<RegistryData>): RegistryData {
  let next: RegistryData = { ...data, categories: { ...data.categories, ...given.categories } };
  for (const category of Object.values(given.categories ?? {})) next = setCategory(next, category);
  for (const fact of Object.values(given.facts ?? {})) next = setFact(next, fact);
  for (const [role, words] of Object.entries(given.dictionary ?? {}) as [Role, Record<string, Word>][]) {
    for (const word of Object.values(words)) next = setWord(next, role, word, undefined);
  }
  if (given.languages) next = setLanguages(next, given.languages);
  const remembered = { ...next.remembered };
  for (const key of REMEMBERED)
    remembered[key] = [...new Set([...remembered[key], ...(given.remembered?.[key] ?? [])])];
  const taxCodes = { ...next.taxCodes, ...given.taxCodes };
  const known = new Set(next.locations.map((one) => one.id));
  const locations = [...next.locations, ...(given.locations ?? []).filter((one) => !known.has(one.id))];
  const blocks = new Set(next.numberBlocks.map((one) => one.prefix));
  const numberBlocks = [...next.numberBlocks, ...(given.numberBlocks ?? []).filter((one) => !blocks.has(one.prefix))];
  checkBlocks(numberBlocks);
  const skuPattern = given.skuPattern || next.skuPattern;
  checkHousePattern(skuPattern);
  const terms = { ...next.terms, ...given.terms };
  const sizeCharts = { ...next.sizeCharts, ...given.sizeCharts };
  return { ...next, remembered, taxCodes, locations, numberBlocks, skuPattern, terms, sizeCharts };
}
