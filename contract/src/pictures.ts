/** Pictures: taken in by the hundred, matched, settled and put in place; made of others; those that nobody uses. */
import { z } from 'zod';
import { ANGLES, CombinedSchema, PictureEditSchema, PictureFactsSchema } from '@loom-kin/core/pictures';
import { PlaceSchema } from '@loom-kin/core/place';
import { ChangeDoneSchema } from './changes';
import { define, done, Id, Key, withId } from './endpoint';
import { JobSchema } from './jobs';

const Files = z.array(
  z.object({ fileName: z.string(), picture: PictureFactsSchema.nullable(), problem: z.string().nullable() }),
);

/** Where a picture is to go. */
const Target = z.object({ familyId: Id, place: PlaceSchema });

export const ArrivalSchema = z.object({
  /** Its number among those of the intake. */
  at: z.number(),
  path: z.string(),
  picture: PictureFactsSchema.nullable(),
  /** Why it was not taken. */
  problem: z.string().nullable(),
  /** What its name, and its colours where that says nothing, make of it. */
  match: z
    .object({
      familyId: z.string().nullable(),
      place: PlaceSchema.nullable(),
      angle: z.enum(ANGLES).nullable(),
      number: z.number().nullable(),
      confidence: z.enum(['sure', 'doubtful', 'none']),
      /** Why, in words. */
      why: z.array(z.string()),
      question: z.string().nullable(),
      /** What is asked, in words. */
      asks: z.string().nullable(),
    })
    .nullable(),
  /** Where the seller wants it instead; `left-out` is nowhere. */
  settled: z.union([Target, z.literal('left-out')]).nullable(),
  /** It stands in the family that it goes to already. */
  isThere: z.boolean(),
});
export type Arrival = z.infer<typeof ArrivalSchema>;

export const PicturePlacesSchema = z.object({
  id: z.string(),
  name: z.string(),
  styleCode: z.string(),
  /** The family, its values, and its children where there are not many, each with the pictures it has. */
  places: z.array(
    z.object({
      place: PlaceSchema,
      label: z.string(),
      /** The axis of a value. */
      axis: z.string().nullable(),
      swatch: z.string().nullable(),
      pictures: z.array(z.string()),
    }),
  ),
});
export type PicturePlaces = z.infer<typeof PicturePlacesSchema>;

export const PictureIntakeSchema = z.object({
  job: JobSchema,
  /** The family that they were brought to. */
  within: z.string().nullable(),
  arrivals: z.array(ArrivalSchema),
  /** The families that any of them goes to. */
  families: z.array(PicturePlacesSchema),
});
export type PictureIntake = z.infer<typeof PictureIntakeSchema>;

export const UnusedSchema = z.object({
  /** Used by no family, and by no change that could be taken back. */
  free: z.array(PictureFactsSchema),
  /** Used by none either, but undo could bring them back. */
  remembered: z.array(PictureFactsSchema),
  bytes: z.object({ free: z.number(), remembered: z.number() }),
});
export type Unused = z.infer<typeof UnusedSchema>;

export const pictureEndpoints = {
  addPictures: define('post', '/api/pictures', 'Take pictures in', { response: Files, upload: 'files' }),
  editPicture: define('post', '/api/pictures/:id/edited', 'Make another of a picture: cut, turned, on a white square', {
    params: withId,
    body: PictureEditSchema,
    response: PictureFactsSchema,
  }),
  noteCombined: define(
    'post',
    '/api/pictures/combined',
    'Put pictures of several options together, to be fetched by their ids',
    {
      body: z.object({ pictures: z.array(CombinedSchema).min(1).max(500) }),
      response: z.object({ ids: z.array(z.string()) }),
    },
  ),
  unusedPictures: define('get', '/api/unused-pictures', 'Pictures that nobody uses', { response: UnusedSchema }),
  clearPictures: define('post', '/api/unused-pictures/clear', 'Clear pictures away that nobody uses', {
    body: z.object({ ids: z.array(Id).min(1).max(100_000) }),
    response: z.object({ cleared: z.number(), bytes: z.number() }),
  }),
  bringPictures: define('post', '/api/picture-intakes', 'Take files and archives of pictures in, as a job', {
    query: z.object({ family: Id.optional() }),
    response: JobSchema,
    upload: 'files',
  }),
  fetchPictures: define('post', '/api/picture-intakes/addresses', 'Fetch pictures from addresses, as a job', {
    body: z.object({ addresses: z.array(z.string().trim().min(1).max(2000)).min(1).max(2000), family: Id.optional() }),
    response: JobSchema,
  }),
  pictureIntakes: define(
    'get',
    '/api/picture-intakes',
    'Pictures that were brought and not put away, the newest first',
    {
      response: z.array(z.object({ job: JobSchema, pictures: z.number(), problems: z.number() })),
    },
  ),
  pictureIntake: define('get', '/api/picture-intakes/:id', 'What was brought, each with where it goes and why', {
    params: withId,
    response: PictureIntakeSchema,
  }),
  settlePictures: define(
    'post',
    '/api/picture-intakes/:id/settle',
    'Say where pictures go; null is what was proposed',
    {
      params: withId,
      body: z.object({
        settle: z
          .array(
            z.object({
              at: z.array(z.number().int().min(0)).min(1).max(10_000),
              to: z.union([Target, z.literal('left-out')]).nullable(),
            }),
          )
          .min(1)
          .max(500),
      }),
      response: done,
    },
  ),
  placePictures: define('post', '/api/picture-intakes/:id/place', 'Put pictures in their places, as one change', {
    params: withId,
    body: z.object({
      key: Key,
      /** Those that are meant; all that are sure or settled where nothing is said. */
      at: z.array(z.number().int().min(0)).max(10_000).optional(),
      /** behind: after those that are there; instead: in their stead. */
      how: z.enum(['behind', 'instead']).default('behind'),
    }),
    response: ChangeDoneSchema.extend({ placed: z.number() }),
  }),
  putAwayPictures: define('delete', '/api/picture-intakes/:id', 'Forget what was brought; pictures in families stay', {
    params: withId,
    response: done,
  }),
  picturePlaces: define('get', '/api/families/:id/picture-places', 'The places of a family that pictures can go to', {
    params: withId,
    response: PicturePlacesSchema,
  }),
};
