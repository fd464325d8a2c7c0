/** A rulebook: the variation rules of one channel, as data. The JSON Schema in docs/formats comes from here. */
import { z } from 'zod';
import { ChosenIdSchema } from '../text/chosenId';
import { RoleSchema } from '../family/shape';
import { isCurrency } from '../money/currency';
import { CountrySchema } from '../money/tax';

const Count = z.number().int().min(0);
const Decimal = z.string().regex(/^\d+(\.\d+)?$/);
/** A step that amounts are rounded to: nothing is a multiple of zero. */
const Step = z.string().regex(/^(?=.*[1-9])\d+(\.\d+)?$/, 'Amounts have no multiples of zero.');

const ListEntrySchema = z.strictObject({
  label: z.string().min(1),
  swatch: z
    .string()
    .regex(/^#[0-9A-Fa-f]{6}$/)
    .optional()
    .describe('For colours: what the channel means by the label.'),
});

const RoleRulesSchema = z.strictObject({
  name: z.string().optional().describe('What the channel calls an axis of this role.'),
  labelAtMost: Count.optional(),
  valuesAtMost: Count.optional(),
  shows: z
    .enum(['free', 'list'])
    .default('free')
    .describe("free: the buyer sees the seller's own label; list: the buyer sees the entry of the list."),
  list: z
    .array(ListEntrySchema)
    .optional()
    .describe("The channel's own values. Every value of the axis has to be paired to one."),
});
export type RoleRules = z.infer<typeof RoleRulesSchema>;

export const AxisRulesSchema = z.strictObject({
  atMost: z.number().int().min(0).max(6),
  sets: z.array(z.array(RoleSchema)).nullable().default(null).describe('The sets of roles that are taken; null: any.'),
  valuesAtMost: Count.default(1000),
  labelAtMost: Count.default(200),
  labelForbids: z.string().default('').describe('Characters a label may not have.'),
  roles: z.partialRecord(RoleSchema, RoleRulesSchema).default({}),
  alwaysSplit: z.array(RoleSchema).default([]).describe('Roles of which each value has a listing of its own.'),
  order: z.array(RoleSchema).default([]).describe('The order that the axes have to stand in.'),
  pictures: z
    .enum(['child', 'axis', 'firstAxis', 'listing'])
    .default('child')
    .describe(
      'What pictures are tied to: each child, the values of one axis, those of the first, or the listing alone.',
    ),
});

export const FieldRuleSchema = z.strictObject({
  key: z.string().describe('The field of the registry.'),
  name: z.string().describe('What the channel calls it.'),
  need: z.enum(['required', 'recommended', 'optional']).default('optional'),
  level: z.enum(['listing', 'child']).default('listing'),
  atLeast: Count.optional().describe('Characters, or entries of a list.'),
  atMost: Count.optional().describe('Characters, or entries of a list.'),
  entryAtMost: Count.optional().describe('Characters of one entry of a list.'),
  pattern: z.string().optional().describe('A regular expression the text has to match as a whole.'),
  patternText: z.string().optional().describe('The pattern in words.'),
  unit: z.enum(['g', 'kg', 'oz', 'lb', 'mm', 'cm', 'm', 'in', 'ft']).optional(),
  decimals: z.number().int().min(0).max(4).default(0),
  choices: z
    .array(z.string().min(1).max(120))
    .max(500)
    .optional()
    .describe('The closed list of what may be said; every entry of a list has to be one of them.'),
  yesNo: z.boolean().default(false).describe('Only yes or no may be said.'),
  markup: z
    .boolean()
    .default(false)
    .describe('A text may have paragraphs, headings, lists and stressed words, as HTML; they are not counted.'),
  numberOnly: z.boolean().default(false).describe('A number alone, without any unit or word.'),
  least: Decimal.optional().describe("For numbers and measures, in the channel's unit."),
  most: Decimal.optional().describe("For numbers and measures, in the channel's unit."),
  ofOffer: z
    .boolean()
    .default(false)
    .describe("Said of the seller's offer: it stays the seller's where a child stands under an entry of the channel."),
});
export type FieldRule = z.infer<typeof FieldRuleSchema>;

export const RulesSchema = z.strictObject({
  axes: AxisRulesSchema,
  children: z.strictObject({ atMost: z.number().int().min(1) }),
  identifiers: z.strictObject({
    gtin: z.enum(['required', 'exemptible', 'optional']),
    skuAtMost: Count.default(40),
    entries: z
      .enum(['none', 'may', 'must'])
      .default('none')
      .describe(
        'Entries of the channel that children are matched to by their GTIN: none has any; may: a child can be offered under one; must: a child whose number has one is offered there or not at all.',
      ),
  }),
  pictures: z.strictObject({
    atLeast: Count.default(0),
    atMost: z.number().int().min(1),
    leastPixels: Count.default(0).describe('The shorter side of every picture.'),
    perValue: Count.default(0).describe('So many more for each value of the axis that carries pictures.'),
    whiteMain: z.boolean().default(false),
    allWhite: z.boolean().default(false).describe('Every picture stands on white.'),
    texts: z
      .boolean()
      .default(false)
      .describe("A text is taken for each picture, in the account's language, for who cannot see it."),
  }),
  fields: z.array(FieldRuleSchema).default([]),
  wording: z
    .strictObject({ optionValuesInName: z.boolean().default(true), links: z.boolean().default(false) })
    .prefault({}),
  price: z.strictObject({
    currency: z.string().refine(isCurrency, 'This is no currency code of ISO 4217, such as EUR.'),
    taxIncluded: z.boolean(),
    country: CountrySchema.optional().describe('Whose tax is in the prices, as ISO 3166-1 alpha-2 writes it.'),
    least: Decimal.optional(),
    most: Decimal.optional(),
    listAbovePrice: z.boolean().default(false),
    variesBy: z
      .enum(['child', 'axis', 'listing'])
      .default('child')
      .describe('What prices may differ by: each child, the values of one axis, or the listing alone.'),
    multipleOf: Step.optional().describe('Prices are rounded to the nearest multiple of this, such as 10.'),
    endings: z
      .array(z.string().regex(/^\d{1,6}$/))
      .optional()
      .describe('The last digits a price may have, such as 90 for 12.90; prices go to the nearest of them.'),
    spreadAtMost: Decimal.optional().describe('The dearest child is at most this many times the cheapest.'),
    taxSlabs: z
      .array(z.strictObject({ upTo: Decimal.optional(), percent: Decimal }))
      .optional()
      .describe('The tax by price: each rate holds up to and with its price, the last for all above.'),
  }),
  stock: z
    .strictObject({
      least: Count.default(0),
      most: Count.default(1_000_000),
      variesBy: z
        .enum(['child', 'axis', 'listing'])
        .default('child')
        .describe('What pieces are counted by: each child, the values of one axis, or the listing alone.'),
    })
    .prefault({}),
  fees: z
    .strictObject({
      perListing: Decimal.default('0'),
      perChild: Decimal.default('0').describe('For each child of a new listing.'),
      perValue: Decimal.default('0').describe('For each option that a new listing shows.'),
      commissionPercent: Decimal.default('0'),
    })
    .prefault({}),
  approval: z
    .strictObject({ needed: z.boolean().default(false), about: z.string().optional() })
    .prefault({})
    .describe('Whether the channel has to let the seller in first.'),
  settings: z
    .array(
      z.strictObject({
        key: z.string(),
        label: z.string(),
        help: z.string().optional(),
        kind: z
          .enum(['choice', 'money'])
          .default('choice')
          .describe("choice: one of what the channel offers; money: an amount in the channel's currency."),
        most: Decimal.optional().describe('The largest amount.'),
        multipleOf: Step.optional().describe('Amounts are multiples of this.'),
      }),
    )
    .default([])
    .describe('What the seller has to have set up on the channel first.'),
});
export type Rules = z.infer<typeof RulesSchema>;

export const CategoryEntrySchema = z.strictObject({
  id: z.string(),
  label: z.string(),
  takesAnything: z.boolean().default(false).describe('What has no place of its own goes here.'),
  rules: z
    .record(z.string(), z.record(z.string(), z.unknown()))
    .default({})
    .describe("What differs from the channel's rules, section by section; fields are added by key."),
  fields: z.array(FieldRuleSchema).default([]).describe("Fields this category asks for beside the channel's."),
});

export const RulebookSchema = z.strictObject({
  format: z.literal('loom-kin/rulebook'),
  channel: ChosenIdSchema.regex(/^[a-z][a-z0-9-]*$/),
  name: z.string(),
  version: z.number().int().min(1),
  about: z.string(),
  transport: z.enum(['sheet', 'json']),
  sheet: z
    .strictObject({
      format: z.enum(['xlsx', 'csv']).default('xlsx'),
      familyRow: z.boolean().default(true).describe('A row for the listing stands above those of its children.'),
      familyRowSays: z
        .array(z.enum(['price', 'pieces']))
        .default([])
        .describe(
          'What that row says of its children together: their cheapest price, all their pieces. Most leave it empty.',
        ),
    })
    .prefault({})
    .describe('How the upload sheet is made, where the channel takes sheets.'),
  drafts: z.boolean().default(false).describe('Listings can be sent as drafts, not seen by buyers.'),
  rules: RulesSchema,
  categories: z.array(CategoryEntrySchema).min(1),
});
export type Rulebook = z.infer<typeof RulebookSchema>;
