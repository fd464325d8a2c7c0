/** Sample families, rulebooks and a registry for the tests of the core, and its functions as they are with that registry. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import type { AccountSettings } from '../src/catalogue/account';
import { mappedCategory } from '../src/catalogue/categoryMap';
import { checkFamily as coreCheckFamily, replaceWith as coreReplaceWith } from '../src/change/checkFamily';
import type { Command, CreateFamily } from '../src/change/commands';
import { createFamily as coreCreateFamily } from '../src/change/createFamily';
import { runCommand as coreRunCommand } from '../src/change/run';
import { type Namer, describeChange as coreDescribeChange, titleOf as coreTitleOf } from '../src/descriptions/changes';
import { findingText } from '../src/descriptions/findingText';
import { computeWithContext } from '../src/fit/fit';
import { projectListings } from '../src/fit/project/projectListings';
import { type Surroundings, readSheet as coreReadSheet, sheetRows } from '../src/intake/readSheet';
import { familyRows as coreFamilyRows } from '../src/intake/rows';
import { type Registry, openRegistry } from '../src/registry/openRegistry';
import { RegistryDataSchema } from '../src/registry/shape';
import { type CategoryRules, openRulebook } from '../src/rulebook/openRulebook';
import { compilePattern } from '../src/rulebook/pattern';
import { readRulebook } from '../src/rulebook/readRulebook';
import { type Family, ROLES, type Role } from '../src/family/shape';
import type { FitInput } from '../src/fit/context';
import type { Rulebook } from '../src/rulebook/shape';

const json = (path: string): unknown => JSON.parse(readFileSync(new URL(`../../${path}`, import.meta.url), 'utf8'));

export const registry = openRegistry(RegistryDataSchema.parse(json('demo/data/registry.json')));
export const namer: Namer = { registry, account: (id) => id };

export const createFamily = (spec: CreateFamily) => coreCreateFamily(registry, spec);
export const runCommand = (family: Family, command: Command) => coreRunCommand(registry, family, command);
export const checkFamily = (family: Family) => coreCheckFamily(registry, family);
export const replaceWith = (before: Family, wanted: Family) => coreReplaceWith(registry, before, wanted);
export const describeChange = (before: Family | null, after: Family, most?: number) =>
  coreDescribeChange(namer, before, after, most);
export const titleOf = (command: Command, family: Family) => coreTitleOf(namer, command, family);
export const familyRows = (family: Family, stock: Record<string, number>) => coreFamilyRows(registry, family, stock);
export const readSheet = (
  family: Family,
  headers: readonly string[],
  rows: readonly (readonly string[])[],
  stock: Record<string, number>,
  around?: Surroundings,
) => coreReadSheet(registry, family, headers, sheetRows(rows), stock, around);

export function rulebook(channel: string): Rulebook {
  const read = readRulebook(json(`channels/rulebooks/${channel}.json`), registry);
  if (!read.ok) throw new Error(read.problems.map((one) => `${one.place}: ${one.text}`).join('\n'));
  return read.rulebook;
}

/** The rules of the channel's category for one of the sample seller's; null where none takes it. */
export function rulesFor(book: Rulebook, sellerCategory: string): CategoryRules | null {
  const map = categoryMaps[book.channel] ?? {};
  return openRulebook(book, registry, compilePattern).category(mappedCategory(registry, map, sellerCategory));
}
export const categoryMaps = json('demo/data/categoryMap.json') as Record<string, Record<string, string>>;

/** The storm jacket: 4 colours × 6 sizes × 2 linings, the fleece-lined XS not made. */
export function stormJacket(): Family {
  const colours = ['Rust', 'Spruce', 'Midnight', 'Ochre'];
  return createFamily({
    id: 'fam1',
    fields: {
      name: 'Skerry storm jacket',
      brand: 'Skerry Supply',
      styleCode: 'SKJ',
      category: 'outerwear/jackets',
      price: '189.00',
      weight: 900,
    },
    axes: [
      { role: 'colour', label: 'Colour', values: colours.map((label) => ({ label })) },
      { role: 'size', label: 'Size', values: ['L', 'XS', 'S', 'M', 'XXL', 'XL'].map((label) => ({ label })) },
      { role: 'material', label: 'Lining', values: [{ label: 'Unlined' }, { label: 'Fleece-lined' }] },
    ],
    off: colours.map((colour) => [colour, 'XS', 'Fleece-lined']),
  });
}

/** What may differ from the usual input of a test. */
export interface More extends Partial<Omit<FitInput, 'rulebook' | 'account'>> {
  rulebook?: Rulebook;
  settings?: Partial<AccountSettings>;
  language?: string;
  registry?: Registry;
}

export function fitInput(family: Family, channel: string, more: More = {}): FitInput {
  const { rulebook: book = rulebook(channel), settings, language = 'en', registry: own = registry, ...rest } = more;
  return {
    family,
    stock: {},
    pictures: {},
    rulebook: openRulebook(book, own, compilePattern),
    pairings: {},
    categories: categoryMaps[channel] ?? {},
    live: [],
    account: {
      id: channel,
      channel,
      name: book.name,
      language,
      at: 0,
      settings: {
        rate: '1',
        exemptBrands: ['Skerry Supply'],
        answers: { 'Delivery profile': 'Letter' },
        objective: 'listings',
        ...settings,
      },
    },
    seller: {
      name: 'Skerry Supply',
      currency: 'EUR',
      taxPercent: '20',
      rates: (settings?.rate ?? '1') === '1' ? ONE_FOR_ONE : {},
    },
    ...rest,
  };
}

/** What one euro is elsewhere, for those who do not look at amounts. */
export const ONE_FOR_ONE = Object.fromEntries(
  ['USD', 'SGD', 'GBP', 'INR', 'KRW'].map((currency) => [currency, { rate: '1', on: '2026-11-02' }]),
);

/** A fit together with its listings and its sentences. */
export function fitWithListings(input: FitInput) {
  const { fit, context } = computeWithContext(input);
  return {
    ...fit,
    listings: context ? projectListings(context) : [],
    texts: fit.findings.map((finding) => findingText(finding, input.family)),
  };
}

/** Random families: up to `axes` axes with up to `values` values each, some crossings off. */
export function anyFamily(axes = 4, values = 4): fc.Arbitrary<Family> {
  const axis = fc.record({ role: fc.constantFrom(...ROLES), count: fc.integer({ min: 1, max: values }) });
  return fc
    .tuple(
      fc.uniqueArray(axis, { minLength: 0, maxLength: axes, selector: (one) => one.role }),
      fc.infiniteStream(fc.integer({ min: 0, max: 9 })),
    )
    .map(([specs, dice]) => {
      const all = specs.reduce<string[][]>(
        (rows, spec, at) => rows.flatMap((row) => labelsOf(spec.role, spec.count, at).map((label) => [...row, label])),
        [[]],
      );
      const off = all.filter(() => dice.next().value! < 2);
      return createFamily({
        id: 'f',
        fields: { name: 'Any family', styleCode: 'ANY' },
        axes: specs.map((spec, at) => ({
          role: spec.role,
          label: `Axis ${spec.role}`,
          values: labelsOf(spec.role, spec.count, at).map((label) => ({ label })),
        })),
        off: off.length < all.length ? off : [],
      });
    });
}

function labelsOf(role: Role, count: number, at: number): string[] {
  return Array.from(
    { length: count },
    (_, n) => `${role} ${'abcdefgh'[at]}${n}${n % 3 === 2 ? ' of a longer kind' : ''}`,
  );
}
