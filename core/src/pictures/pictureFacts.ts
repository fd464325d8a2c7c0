/** What is known of a picture from its pixels. Who looks at them hands these facts to everybody else. */
import { z } from 'zod';
import { CombinedSchema } from './combine';

const ColourSchema = z.string().regex(/^#[0-9A-F]{6}$/);

const HashSchema = z.string().regex(/^[0-9a-f]{64}$/);

/** What was seen in the pixels; pictures that were taken in before anybody looked have none. */
export const PictureLookSchema = z.object({
  /** The colours of the goods, the largest first, each with its share of them (0 to 1). */
  colours: z.array(z.object({ colour: ColourSchema, share: z.number() })).max(6),
  /** The colour of the ground; null where the picture has no even one. */
  ground: ColourSchema.nullable(),
  /** How much of the picture the goods fill, from 0 to 1. */
  goods: z.number(),
  /** From 0 (sharp) to 1 (blurred). */
  blur: z.number(),
  /** Alike pictures have alike ones: which frequencies are above zero, and which are strong. */
  hash: z.object({ bits: HashSchema, strong: HashSchema }),
});
export type PictureLook = z.infer<typeof PictureLookSchema>;

/** How a picture is made of another: turned, then cut to what is said in fractions of its sides, then put on a white square. */
export const PictureEditSchema = z.object({
  crop: z
    .object({
      left: z.number().min(0).max(1),
      top: z.number().min(0).max(1),
      width: z.number().gt(0).max(1),
      height: z.number().gt(0).max(1),
    })
    .optional(),
  /** Degrees clockwise. */
  turn: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]).default(0),
  square: z.boolean().default(false),
});
export type PictureEdit = z.infer<typeof PictureEditSchema>;

export const PictureFactsSchema = z.object({
  id: z.string(),
  fileName: z.string(),
  width: z.number().int(),
  height: z.number().int(),
  /** The border of the picture is white (or clear). */
  whiteBackground: z.boolean(),
  /** Of the file as it is kept. */
  bytes: z.number().int().optional(),
  look: PictureLookSchema.optional(),
  /** The picture it was made of. */
  madeOf: z.string().optional(),
  /** The pictures that are put together on it; it is drawn when somebody asks for it. */
  combined: CombinedSchema.optional(),
});
export type PictureFacts = z.infer<typeof PictureFactsSchema>;
