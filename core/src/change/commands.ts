/**
 * The commands on a family: their schemas. Each is named in the imperative; running one is the only way to change a
 * family.
 */
import { z } from 'zod';
import { ANGLES } from '../pictures/angles';
import { FigureSchema, FiguresSchema, MOST, RoleSchema, ScopeSchema, WishSchema } from '../family/shape';
import { PlaceSchema } from '../place/place';

const Id = z.string().min(1).max(80);
const Label = z.string().trim().min(1).max(80);

export const ValueSpecSchema = z.object({
  label: Label,
  code: z
    .string()
    .trim()
    .toUpperCase()
    .regex(/^[A-Z0-9]{1,12}$/, 'A short code has 1 to 12 letters and digits.')
    .optional(),
  swatch: z
    .string()
    .regex(/^#[0-9A-Fa-f]{6}$/)
    .optional(),
});

export const AxisSpecSchema = z.object({
  role: RoleSchema,
  label: z.string().trim().min(1).max(40),
  values: z.array(ValueSpecSchema).min(1).max(MOST.values),
});

/**
 * Figures to set at places, for one language or account where a scope is named; null gives a figure back, so that the
 * next level holds again.
 */
export const SetFiguresSchema = z.object({
  do: z.literal('setFigures'),
  changes: z
    .array(
      z.object({
        place: PlaceSchema,
        key: z.string().min(1).max(40),
        figure: FigureSchema.nullable(),
        scope: ScopeSchema.optional(),
      }),
    )
    .min(1)
    .max(50_000),
});

/** The pictures of a place, in order; the first is the main one. In a scope an empty list gives them back. */
export const SetPicturesSchema = z.object({
  do: z.literal('setPictures'),
  place: PlaceSchema,
  pictures: z.array(Id).max(MOST.pictures),
  /** For one account: its own order, or its own choice. */
  scope: ScopeSchema.optional(),
});
/** What is said of pictures; null takes it away. */
export const DescribePicturesSchema = z.object({
  do: z.literal('describePictures'),
  notes: z
    .array(
      z.object({
        picture: Id,
        angle: z.enum(ANGLES).nullable().optional(),
        text: z.object({ language: Id, text: z.string().trim().max(500).nullable() }).optional(),
      }),
    )
    .min(1)
    .max(2000),
});
/** Another picture wherever one stands, for whomever; what is said of it stays. */
export const ReplacePictureSchema = z.object({ do: z.literal('replacePicture'), from: Id, to: Id });
export const AddAxisSchema = AxisSpecSchema.extend({
  do: z.literal('addAxis'),
  existingTake: z.number().int().min(0).default(0),
});
export const RenameAxisSchema = z.object({
  do: z.literal('renameAxis'),
  axisId: Id,
  label: z.string().trim().min(1).max(40),
  role: RoleSchema.optional(),
});
export const MoveAxisSchema = z.object({ do: z.literal('moveAxis'), axisId: Id, to: z.number().int().min(0).max(5) });
const KeepSchema = z.object({ valueId: Id.optional(), byKey: z.record(z.string(), Id).optional() }).default({});
export const RemoveAxisSchema = z.object({
  do: z.literal('removeAxis'),
  axisId: Id,
  keep: KeepSchema,
});
/** Axes made one, its values named by theirs with `between` in between. */
export const JoinAxesSchema = z.object({
  do: z.literal('joinAxes'),
  axisIds: z.array(Id).min(2).max(6),
  label: z.string().trim().min(1).max(40),
  role: RoleSchema,
  between: z.string().min(1).max(10).default(' / '),
});
/** An axis made two: value → its label on either. */
export const SplitAxisSchema = z.object({
  do: z.literal('splitAxis'),
  axisId: Id,
  into: z.tuple([
    z.object({ role: RoleSchema, label: z.string().trim().min(1).max(40) }),
    z.object({ role: RoleSchema, label: z.string().trim().min(1).max(40) }),
  ]),
  parts: z.record(Id, z.tuple([z.string().max(80), z.string().max(80)])),
});
/** Values of an axis made one; where children become alike `keep` says which stays. */
export const MergeValuesSchema = z.object({
  do: z.literal('mergeValues'),
  axisId: Id,
  from: z.array(Id).min(1).max(199),
  into: Id,
  keep: KeepSchema,
});
export const AddValuesSchema = z.object({
  do: z.literal('addValues'),
  axisId: Id,
  values: z.array(ValueSpecSchema).min(1).max(200),
  /** Whether the values are woven wherever another value of the axis is; children that stood there before come back in any case. */
  weave: z.boolean().optional(),
  /** A value whose figures, and those of its children, they begin with; they are woven where its children are. */
  like: Id.optional(),
});
export const EditValueSchema = z.object({
  do: z.literal('editValue'),
  axisId: Id,
  valueId: Id,
  label: Label.optional(),
  code: z.string().optional(),
  swatch: ValueSpecSchema.shape.swatch,
});
export const OrderValuesSchema = z.object({
  do: z.literal('orderValues'),
  axisId: Id,
  valueIds: z.array(Id).min(1).max(200),
});
export const RemoveValuesSchema = z.object({
  do: z.literal('removeValues'),
  axisId: Id,
  valueIds: z.array(Id).min(1).max(200),
});
export const SetWovenSchema = z.object({
  do: z.literal('setWoven'),
  crossings: z.array(z.record(z.string(), Id)).min(1).max(20_000),
  woven: z.boolean(),
});
export const SetWishSchema = z.object({ do: z.literal('setWish'), account: Id, wish: WishSchema });
export const SetSkuPatternSchema = z.object({
  do: z.literal('setSkuPattern'),
  pattern: z.string().trim().min(1).max(200),
});
/** Says of what is still the same that it is right so, or not any more. */
export const SettleSameSchema = z.object({
  do: z.literal('settleSame'),
  signatures: z.array(z.string().min(1).max(200)).min(1).max(500),
  settled: z.boolean(),
});
export const RetireFamilySchema = z.object({ do: z.literal('retireFamily'), retired: z.boolean() });

const single = [
  SetFiguresSchema,
  SetPicturesSchema,
  DescribePicturesSchema,
  ReplacePictureSchema,
  AddAxisSchema,
  RenameAxisSchema,
  MoveAxisSchema,
  RemoveAxisSchema,
  JoinAxesSchema,
  SplitAxisSchema,
  MergeValuesSchema,
  AddValuesSchema,
  EditValueSchema,
  OrderValuesSchema,
  RemoveValuesSchema,
  SetWovenSchema,
  SetWishSchema,
  SetSkuPatternSchema,
  SettleSameSchema,
  RetireFamilySchema,
] as const;
const SingleSchema = z.discriminatedUnion('do', [...single]);

/** Several commands as one change: all of them or none, one journal entry, one undo. */
export const BatchSchema = z.object({
  do: z.literal('batch'),
  title: z.string().max(200),
  commands: z.array(SingleSchema).min(1).max(2000),
});
export const CommandSchema = z.discriminatedUnion('do', [...single, BatchSchema]);
export type Command = z.infer<typeof CommandSchema>;
export type SingleCommand = z.infer<typeof SingleSchema>;

/** Starts a family. Crossings named in `off` (value labels in axis order) are not woven. */
export const CreateFamilySchema = z.object({
  id: Id,
  fields: FiguresSchema,
  axes: z.array(AxisSpecSchema).max(6),
  off: z.array(z.array(Label)).max(20_000).default([]),
  skuPattern: z.string().trim().max(200).optional(),
});
export type CreateFamily = z.infer<typeof CreateFamilySchema>;
