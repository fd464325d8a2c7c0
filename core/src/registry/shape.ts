/**
 * The registry as data: what the seller defines once for all families. Plain JSON; `openRegistry` makes it ready for
 * looking things up. Built-in fields are not in it: they belong to the program.
 */
import { z } from 'zod';
import { ChosenIdSchema } from '../text/chosenId';
import { RoleSchema } from '../family/shape';
import { TaxCodeSchema } from '../money/tax';
import { NumberBlockSchema } from '../identifiers/block';
import { LocationSchema } from '../stock/locations';
import { SizeChartSchema, TermSchema } from './terms';

const Label = z.string().trim().min(1).max(80);

/** Ids of categories are paths of words, such as `outerwear/jackets`; they stay when a category is renamed or moved. */
export const CategoryIdSchema = ChosenIdSchema.regex(/^[a-z0-9][a-z0-9/-]{0,79}$/);

export const CategorySchema = z.object({
  id: CategoryIdSchema,
  label: Label,
  /** The category it stands under; null at the top. */
  parent: CategoryIdSchema.nullable(),
  /** Its place among its siblings. */
  at: z.number().int().min(0),
  /** The axes such goods usually differ by, in the usual order. */
  axes: z.array(RoleSchema).max(6),
  /** Not offered for new families any more. Families that are in it stay. */
  retired: z.boolean().default(false),
});
export type Category = z.infer<typeof CategorySchema>;

export const LEVELS = ['family', 'value', 'child'] as const;

/** Types a fact of the seller's may have. */
export const FACT_TYPES = [
  'text',
  'longtext',
  'number',
  'weight',
  'length',
  'yesno',
  'choice',
  'list',
  'date',
  'composition',
] as const;

/** A field that the seller added for some categories and all below them; for all goods where `categories` is empty. */
export const FactSchema = z
  .object({
    key: ChosenIdSchema.regex(
      /^[a-z][A-Za-z0-9]{0,39}$/,
      'A key has letters and digits and begins with a small letter.',
    ),
    label: Label,
    type: z.enum(FACT_TYPES),
    levels: z.array(z.enum(LEVELS)).min(1).max(3),
    categories: z.array(CategoryIdSchema).max(100).default([]),
    /** Written once for every language. */
    translatable: z.boolean().default(false),
    /** For numbers: what is counted or measured. */
    unit: z.string().trim().min(1).max(12).optional(),
    /** For choices: the closed list. */
    choices: z
      .array(z.object({ value: z.string().min(1).max(60), label: Label }))
      .max(200)
      .optional(),
    /** Most characters of a text, or entries of a list. */
    most: z.number().int().min(1).max(5000).optional(),
    help: z.string().max(200).optional(),
    retired: z.boolean().default(false),
  })
  .refine((fact) => fact.type !== 'choice' || (fact.choices?.length ?? 0) > 0, {
    path: ['choices'],
    message: 'A choice needs at least one entry to choose from.',
  });
export type Fact = z.infer<typeof FactSchema>;

/** A value that axes of a role may take, as the seller writes it everywhere. */
export const DictionaryEntrySchema = z.object({
  label: Label,
  code: z.string().regex(/^[A-Z0-9]{1,12}$/, 'A short code has 1 to 12 letters and digits.'),
  swatch: z
    .string()
    .regex(/^#[0-9A-Fa-f]{6}$/)
    .optional(),
  /** Other spellings of the same value. */
  synonyms: z.array(Label).max(40).default([]),
  /** Size system, such as EU or UK. */
  system: z.string().trim().min(1).max(20).optional(),
});
export type DictionaryEntry = z.infer<typeof DictionaryEntrySchema>;

/** A language tag as BCP 47 (RFC 5646) writes it; `Intl` knows which are well formed. */
export const LanguageSchema = z
  .string()
  .max(35)
  .refine((tag) => isLanguageTag(tag), 'This is no language tag, such as en, de or pt-BR.');

/** What was entered before, to be proposed again: for the seller, not for one browser. */
export const REMEMBERED = ['brand', 'maker', 'collections'] as const;

export const RegistryDataSchema = z.object({
  categories: z.record(z.string(), CategorySchema),
  facts: z.record(z.string(), FactSchema),
  /** Role → folded label → entry. */
  dictionary: z.partialRecord(RoleSchema, z.record(z.string(), DictionaryEntrySchema)),
  /** The first is the one that texts are written in to begin with. */
  languages: z.array(LanguageSchema).min(1).max(40),
  remembered: z.record(z.enum(REMEMBERED), z.array(Label).max(500)),
  /** Code → its rates by country. */
  taxCodes: z.record(z.string(), TaxCodeSchema).default({}),
  /** Where pieces are kept, the first being where they are when nobody says; none: one place without a name. */
  locations: z.array(LocationSchema).max(50).default([]),
  /** Blocks of GTINs, the first with room being the one that numbers are taken from. */
  numberBlocks: z.array(NumberBlockSchema).max(100).default([]),
  /** What SKU patterns of new families are made of; empty for the usual one. */
  skuPattern: z.string().trim().max(120).default(''),
  terms: z.record(z.string(), TermSchema).default({}),
  sizeCharts: z.record(z.string(), SizeChartSchema).default({}),
});
export type RegistryData = z.infer<typeof RegistryDataSchema>;

/** The registry of a seller who has defined nothing yet. */
export function emptyRegistry(): RegistryData {
  return {
    categories: {},
    facts: {},
    dictionary: {},
    languages: ['en'],
    remembered: { brand: [], maker: [], collections: [] },
    taxCodes: {},
    locations: [],
    numberBlocks: [],
    skuPattern: '',
    terms: {},
    sizeCharts: {},
  };
}

/** Whether a tag is well formed after BCP 47. */
export function isLanguageTag(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}
