/** Where something stands in a family, by ids. */
import { z } from 'zod';

/** Ids are given by the program: letters, digits, points and hyphens. */
export const IdSchema = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,79}$/, 'An id has letters, digits, points and hyphens.');

/** Where a figure or a picture stands. */
export const PlaceSchema = z.discriminatedUnion('level', [
  z.object({ level: z.literal('family') }),
  z.object({ level: z.literal('value'), axisId: IdSchema, valueId: IdSchema }),
  z.object({ level: z.literal('combination'), at: z.record(IdSchema, IdSchema) }),
  z.object({ level: z.literal('child'), childId: IdSchema }),
]);
export type Place = z.infer<typeof PlaceSchema>;
export type Level = Place['level'];
