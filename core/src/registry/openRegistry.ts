/** The registry made ready for use: every field by key, the tree of categories, what a category asks for. */
import { foldLabel } from '../family/foldLabel';
import type { Role } from '../family/shape';
import type { Level } from '../place/place';
import { BUILT_IN_FIELDS } from './builtIn';
import type { Field } from './field';
import { MAIN_LOCATION, type Location } from '../stock/locations';
import { sizeChartText } from './terms';
import { type Category, type DictionaryEntry, type Fact, type RegistryData } from './shape';

export interface Registry {
  readonly data: RegistryData;
  /** All fields in use, built-in ones first, in the order of sheets and forms. */
  readonly fields: readonly Field[];
  /** A field by its key, retired facts included, or undefined. */
  field(key: string): Field | undefined;
  category(id: unknown): Category | undefined;
  /** The category with all above it, from the top. */
  path(id: unknown): Category[];
  /** "Outerwear › Jackets"; empty for what is no category. */
  pathLabel(id: unknown): string;
  /** Categories in use in the order of the tree, each with how deep it stands. */
  readonly tree: readonly { category: Category; depth: number; isLeaf: boolean }[];
  /** The fields that a family of a category may have at a level. Without a category: those for all goods. */
  fieldsAt(level: Level, categoryId: unknown): readonly Field[];
  /** The dictionary's entry for a label or one of its synonyms. */
  word(role: Role, label: string): DictionaryEntry | undefined;
  /** Where pieces are kept: at least one place. */
  readonly locations: readonly Location[];
  readonly languages: readonly string[];
  readonly firstLanguage: string;
}

/** Makes a registry ready. The data must not change afterwards. */
export function openRegistry(data: RegistryData): Registry {
  const facts = Object.values(data.facts);
  const builtIn = BUILT_IN_FIELDS.map((field) => withChoices(data, field));
  const byKey = new Map([...builtIn, ...facts.map(fieldOfFact)].map((field) => [field.key, field]));
  const retired = new Set(facts.filter((fact) => fact.retired).map((fact) => fact.key));
  const fields = [...byKey.values()].filter(
    (field) => !retired.has(field.key) && !(field.chosenOf && field.choices?.length === 0),
  );
  const category = (id: unknown) =>
    typeof id === 'string' && Object.hasOwn(data.categories, id) ? data.categories[id] : undefined;
  const path = (id: unknown): Category[] => pathTo(data, category(id));
  const words = wordsOf(data);
  const fieldsOfCategory = new Map<string, Record<Level, Field[]>>();

  function fieldsAt(level: Level, categoryId: unknown): Field[] {
    const id = category(categoryId)?.id ?? '';
    let known = fieldsOfCategory.get(id);
    if (!known) {
      const above = new Set(path(id).map((one) => one.id));
      const asked = fields.filter(
        (field) => field.categories.length === 0 || field.categories.some((one) => above.has(one)),
      );
      const at = (wanted: Level) => asked.filter((field) => field.levels.includes(wanted));
      fieldsOfCategory.set(
        id,
        (known = {
          family: at('family'),
          value: at('value'),
          combination: at('combination'),
          child: at('child'),
        }),
      );
    }
    return known[level];
  }

  return Object.freeze({
    data,
    fields,
    field: (key: string) => byKey.get(key),
    category,
    path,
    pathLabel: (id: unknown) =>
      path(id)
        .map((one) => one.label)
        .join(' › '),
    tree: treeOf(data),
    fieldsAt,
    word: (role: Role, label: string) => words.get(role)?.get(foldLabel(label)),
    locations: locationsOf(data),
    languages: data.languages,
    firstLanguage: data.languages[0]!,
  });
}

/** Fields that are chosen among what the seller has set up get that as their choices. */
function withChoices({ terms, sizeCharts }: RegistryData, field: Field): Field {
  if (!field.chosenOf) return field;
  const choices =
    field.chosenOf === 'sizeChart'
      ? Object.values(sizeCharts).map((chart) => ({ value: chart.id, label: chart.label, says: sizeChartText(chart) }))
      : Object.values(terms)
          .filter((term) => term.kind === field.chosenOf)
          .map(({ id, label, text }) => ({ value: id, label, says: text }));
  return { ...field, choices };
}

/** The place that there always was is among them, whatever it is called. */
function locationsOf({ locations }: RegistryData): readonly Location[] {
  return locations.some((one) => one.id === MAIN_LOCATION.id) ? locations : [MAIN_LOCATION, ...locations];
}

function fieldOfFact(fact: Fact): Field {
  return {
    key: fact.key,
    label: fact.label,
    type: fact.type,
    levels: levelsOf(fact),
    group: 'facts',
    translatable: fact.translatable,
    perAccount: true,
    onlyScoped: false,
    isFact: true,
    categories: fact.categories,
    unit: fact.unit ?? { weight: 'g', length: 'cm' }[fact.type as string],
    choices: fact.choices,
    most: fact.most ?? MOST[fact.type],
    help: fact.help,
  };
}

/** What may differ by value may stand on a child too: it goes there when the value goes. */
function levelsOf(fact: Fact): readonly Level[] {
  return fact.levels.includes('value') && !fact.levels.includes('child') ? [...fact.levels, 'child'] : fact.levels;
}

/** Bounds of facts for which the seller set none. */
const MOST: Partial<Record<Fact['type'], number>> = { text: 200, longtext: 5000, list: 40, composition: 200 };

function pathTo(data: RegistryData, category: Category | undefined): Category[] {
  const path: Category[] = [];
  for (let at = category; at && !path.includes(at); at = at.parent === null ? undefined : data.categories[at.parent])
    path.unshift(at);
  return path;
}

function treeOf(data: RegistryData): Registry['tree'] {
  const below = new Map<string | null, Category[]>();
  for (const category of Object.values(data.categories)) {
    if (!category.retired) below.set(category.parent, [...(below.get(category.parent) ?? []), category]);
  }
  const walk = (parent: string | null, depth: number): Registry['tree'] =>
    (below.get(parent) ?? [])
      .toSorted((a, b) => a.at - b.at || a.label.localeCompare(b.label))
      .flatMap((category) => [{ category, depth, isLeaf: !below.has(category.id) }, ...walk(category.id, depth + 1)]);
  return walk(null, 0);
}

function wordsOf(data: RegistryData): Map<Role, Map<string, DictionaryEntry>> {
  const words = new Map<Role, Map<string, DictionaryEntry>>();
  for (const [role, entries] of Object.entries(data.dictionary) as [Role, Record<string, DictionaryEntry>][]) {
    const bySpelling = new Map<string, DictionaryEntry>();
    // A label of its own comes before another's synonym.
    for (const entry of Object.values(entries))
      for (const synonym of entry.synonyms) bySpelling.set(foldLabel(synonym), entry);
    for (const entry of Object.values(entries)) bySpelling.set(foldLabel(entry.label), entry);
    words.set(role, bySpelling);
  }
  return words;
}
