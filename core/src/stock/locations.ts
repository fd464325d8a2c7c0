/** Where pieces are kept. */
import { z } from 'zod';
import { ChosenIdSchema } from '../text/chosenId';

export const LocationSchema = z.object({
  id: ChosenIdSchema.regex(/^[a-z0-9][a-z0-9-]{0,39}$/),
  label: z.string().trim().min(1).max(60),
});
export type Location = z.infer<typeof LocationSchema>;

/** The place of a seller who has named none. */
export const MAIN_LOCATION: Readonly<Location> = Object.freeze({ id: 'main', label: 'Stock room' });

/** Why pieces came or went. `counted` says how many there are; everything else, by how many they changed. */
export const MOVEMENT_KINDS = ['received', 'counted', 'corrected', 'reserved', 'sold', 'returned'] as const;
export type MovementKind = (typeof MOVEMENT_KINDS)[number];

/** Child → location → pieces. */
export type StockPlaces = Readonly<Record<string, Readonly<Record<string, number>>>>;
