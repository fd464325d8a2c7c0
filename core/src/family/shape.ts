/**
 * The family aggregate: a parent, its axes, and its children woven sparsely over them.
 * Everything here is plain JSON; ids are unique within one family and made from `family.next`.
 */
import { z } from 'zod';

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

const IdSchema = z.string().min(1).max(80);
const PictureIdsSchema = z.array(IdSchema).max(60);

export const ValueSchema = z.object({
  id: IdSchema,
  label: z.string().min(1).max(80),
  /** Short code used in SKUs and, as a last resort, in shortened labels. */
  code: z.string().max(12),
  /** `#RRGGBB`, for colours only. */
  swatch: z
    .string()
    .regex(/^#[0-9A-Fa-f]{6}$/)
    .optional(),
  fields: FiguresSchema,
  pictures: PictureIdsSchema,
});
export type Value = z.infer<typeof ValueSchema>;

export const AxisSchema = z.object({
  id: IdSchema,
  role: RoleSchema,
  label: z.string().min(1).max(40),
  values: z.array(ValueSchema).max(200),
});
export type Axis = z.infer<typeof AxisSchema>;

export const ChildSchema = z.object({
  id: IdSchema,
  /** Axis id → value id; every axis of the family has an entry. */
  at: z.record(z.string(), z.string()),
  /** False: the crossing does not exist at present. What it held is kept. */
  woven: z.boolean(),
  fields: FiguresSchema,
  pictures: PictureIdsSchema,
});
export type Child = z.infer<typeof ChildSchema>;

/** A child taken out by a change of axes. Its figures and its SKU are kept and come back with it. */
export const ShelvedChildSchema = z.object({
  child: ChildSchema,
  /** Axis label → value label at the time it left. */
  was: z.record(z.string(), z.string()),
});
export type ShelvedChild = z.infer<typeof ShelvedChildSchema>;

/** What the seller wants of the plan for one channel. */
export const WishSchema = z.object({
  /** Signature of the plan the seller chose; re-computed when the family changes. */
  chosen: z.string().max(400).optional(),
  /** Axes that must not be joined to another. */
  apart: z.array(IdSchema).default([]),
  /** Axes that must not be split over several listings. */
  whole: z.array(IdSchema).default([]),
  /** The axis that should carry the pictures. */
  pictureAxis: IdSchema.optional(),
  /** Children not offered on this channel. */
  leaveOut: z.array(IdSchema).default([]),
  /** False: this family is not offered on the channel at all. */
  offered: z.boolean().default(true),
});
export type Wish = z.infer<typeof WishSchema>;

export const FamilySchema = z.object({
  id: IdSchema,
  revision: z.number().int().min(0),
  /** The next free id number; it never goes back, so that an id is never used twice. */
  next: z.number().int().min(1),
  fields: FiguresSchema,
  pictures: PictureIdsSchema,
  axes: z.array(AxisSchema).max(6),
  children: z.record(z.string(), ChildSchema),
  shelf: z.record(z.string(), ShelvedChildSchema),
  skuPattern: z.string().max(200),
  wishes: z.record(z.string(), WishSchema),
  retired: z.boolean(),
});
export type Family = z.infer<typeof FamilySchema>;

/** Where a figure or a picture stands. */
export const PlaceSchema = z.discriminatedUnion('level', [
  z.object({ level: z.literal('family') }),
  z.object({ level: z.literal('value'), axisId: IdSchema, valueId: IdSchema }),
  z.object({ level: z.literal('child'), childId: IdSchema }),
]);
export type Place = z.infer<typeof PlaceSchema>;
export type Level = Place['level'];

/** A change that cannot be made, said so that the seller can act on it. `place` names where, when it is one place. */
export class Refusal extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly place?: Place & { key?: string },
    readonly detail?: unknown,
  ) {
    super(message);
    this.name = 'Refusal';
  }
}
