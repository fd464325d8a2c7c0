/**
 * The family aggregate: a parent, its axes, and its children woven sparsely over them. Everything here is plain JSON;
 * ids are unique within one family and made from `family.next`.
 */
import { z } from 'zod';
import { IdSchema } from '../place/place';

/** What an axis is about. Channels name the sets of axes they take by role. */
export const ROLES = ['colour', 'size', 'length', 'material', 'pattern', 'pack', 'volume', 'model', 'other'] as const;
export const RoleSchema = z.enum(ROLES);
export type Role = z.infer<typeof RoleSchema>;

/**
 * A stored figure: money and exact decimals are strings, measures numbers (grams, centimetres), lists arrays of
 * strings.
 */
export const FigureSchema = z.union([
  z.string().max(20_000),
  z.number(),
  z.boolean(),
  z.array(z.string().max(500)).max(60),
]);
export type Figure = z.infer<typeof FigureSchema>;

export const FiguresSchema = z.record(z.string(), FigureSchema);
export type Figures = z.infer<typeof FiguresSchema>;

/**
 * Most pictures in one place, values on one axis, axes of a family, children of a family, characters of labels and
 * patterns.
 */
export const MOST = {
  pictures: 60,
  values: 200,
  axes: 6,
  children: 20_000,
  label: 80,
  axisLabel: 40,
  pattern: 200,
} as const;

const PictureIdsSchema = z.array(IdSchema).max(MOST.pictures);
/** Words with at least one sign that is seen, and none that no label has. */
const LabelSchema = z
  .string()
  // eslint-disable-next-line no-control-regex
  .regex(/^[^\u0000-\u001f\u007f]*\S[^\u0000-\u001f\u007f]*$/, 'A label has at least one letter, and no line breaks.');

/** For whom a figure holds besides for all: `language:` and a tag, or `account:` and its id. */
export const ScopeSchema = z.string().regex(/^(language|account):[A-Za-z0-9][A-Za-z0-9._-]{0,79}$/);
/** Figures that hold for one language or one account only. Pictures stand among them as a list of ids. */
export const ScopedFiguresSchema = z.record(ScopeSchema, FiguresSchema);

export const ValueSchema = z.object({
  id: IdSchema,
  label: LabelSchema.max(MOST.label),
  /** Short code used in SKUs and, as a last resort, in shortened labels. */
  code: z.string().regex(/^[A-Za-z0-9]{0,12}$/),
  /** `#RRGGBB`, for colours only. */
  swatch: z
    .string()
    .regex(/^#[0-9A-Fa-f]{6}$/)
    .optional(),
  fields: FiguresSchema,
  scoped: ScopedFiguresSchema.optional(),
  pictures: PictureIdsSchema,
});
export type Value = z.infer<typeof ValueSchema>;

export const AxisSchema = z.object({
  id: IdSchema,
  role: RoleSchema,
  label: LabelSchema.max(MOST.axisLabel),
  values: z.array(ValueSchema).max(MOST.values),
});
export type Axis = z.infer<typeof AxisSchema>;

/** Values of two or more axes, but not of all, and the pictures that show them together. */
export const CombinationSchema = z.object({
  /** Axis id → value id. */
  at: z.record(z.string(), z.string()),
  /** None: only pictures stand here. */
  fields: FiguresSchema,
  scoped: ScopedFiguresSchema.optional(),
  pictures: PictureIdsSchema,
});
export type Combination = z.infer<typeof CombinationSchema>;

export const ChildSchema = z.object({
  id: IdSchema,
  /** Axis id → value id; every axis of the family has an entry. */
  at: z.record(z.string(), z.string()),
  /** False: the crossing does not exist at present. What it held is kept. */
  woven: z.boolean(),
  fields: FiguresSchema,
  scoped: ScopedFiguresSchema.optional(),
  pictures: PictureIdsSchema,
});
export type Child = z.infer<typeof ChildSchema>;

/** A child taken out by a change of axes. Its figures and its SKU are kept and come back with it. */
export const ShelvedChildSchema = z.object({
  child: ChildSchema,
  /** Axis label → value label at the time it left. */
  was: z.record(z.string(), z.string()),
});

/** What is said of a picture: from where it shows the goods, and in words for who cannot see it. */
export const PictureNoteSchema = z.object({
  angle: z.string().max(20).optional(),
  /** Language → the text that stands for the picture. */
  texts: z.record(z.string().max(80), z.string().max(500)).optional(),
});
export type PictureNote = z.infer<typeof PictureNoteSchema>;

/** What the seller wants of the plan for one account. */
export const WishSchema = z.object({
  /** Signature of the plan the seller chose; re-computed when the family changes. */
  chosen: z.string().max(400).optional(),
  /** Axes that must not be joined to another. */
  apart: z.array(IdSchema).default([]),
  /** Axes that must not be split over several listings. */
  whole: z.array(IdSchema).default([]),
  /** The axis that should carry the pictures. */
  pictureAxis: IdSchema.optional(),
  /** How options share pictures where the account takes fewer of them than there are options; not said: they do not. */
  combine: z.enum(['names', 'letters']).optional(),
  /** Children not offered on this account. */
  leaveOut: z.array(IdSchema).default([]),
  /** Child → the entry of the channel it is offered under; null: it is other goods than the channel's entry of its number. */
  entries: z.record(IdSchema, z.string().min(1).max(80).nullable()).optional(),
  /** Whether the family is offered on the account at all. Where nothing is said its route decides, if it came by one. */
  offered: z.boolean().optional(),
});
export type Wish = z.infer<typeof WishSchema>;

/** The wish of who has wished for nothing. */
export const NO_WISH: Wish = Object.freeze({ apart: [], whole: [], leaveOut: [] });

export const FamilySchema = z.object({
  id: IdSchema,
  revision: z.number().int().min(0),
  /** The next free id number; it never goes back, so that an id is never used twice. */
  next: z.number().int().min(1),
  fields: FiguresSchema,
  scoped: ScopedFiguresSchema.optional(),
  pictures: PictureIdsSchema,
  /** What is said of pictures, wherever they stand. */
  pictureNotes: z.record(IdSchema, PictureNoteSchema).optional(),
  axes: z.array(AxisSchema).max(MOST.axes),
  /** By their value ids (see `combinationKey`); only those that have pictures. */
  combinations: z.record(z.string().max(600), CombinationSchema).optional(),
  children: z.record(z.string(), ChildSchema),
  shelf: z.record(z.string(), ShelvedChildSchema),
  skuPattern: z.string().max(MOST.pattern),
  wishes: z.record(z.string(), WishSchema),
  retired: z.boolean(),
  /** The family it was copied from. */
  copiedFrom: IdSchema.optional(),
  /** Signatures of what is still the same and is right so. */
  settled: z.array(z.string().max(200)).max(500).optional(),
});
export type Family = z.infer<typeof FamilySchema>;

/** What holds figures and pictures: the family, a value, a combination of values or a child. */
export type Carrier = Pick<Value, 'fields' | 'scoped' | 'pictures'>;
