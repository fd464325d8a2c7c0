/** Conditions tried over all families, and what of them is to be paired with a channel's own values. */
import { z } from 'zod';
import { ConditionsSchema } from '@loom-kin/core/catalogue';
import { define, withId } from './endpoint';

const FoundSchema = z.object({
  count: z.number(),
  /** The first fifty by name. */
  families: z.array(z.object({ id: z.string(), name: z.string() })),
});
export type FoundFamilies = z.infer<typeof FoundSchema>;

export const TriedSchema = z.object({
  /** Families that each set of conditions takes as the first that holds, and all it holds for. */
  sets: z.array(FoundSchema.extend({ holds: z.number() })),
  none: FoundSchema,
  several: FoundSchema,
});
export type Tried = z.infer<typeof TriedSchema>;

/** One of the seller's words that a channel may have a value of its own for. */
export const WordInUseSchema = z.object({
  /** Role, or field as pairings name it. */
  role: z.string(),
  label: z.string(),
  swatch: z.string().nullable(),
  families: z.number(),
});
export type WordInUse = z.infer<typeof WordInUseSchema>;

export const conditionEndpoints = {
  tryConditions: define('post', '/api/conditions/try', 'Which families sets of conditions hold for, in their order', {
    body: z.object({ sets: z.array(ConditionsSchema).max(200) }),
    response: TriedSchema,
  }),
  wordsInUse: define('get', '/api/channels/:id/words', "The seller's words that a channel has lists of its own for", {
    params: withId,
    response: z.array(WordInUseSchema),
  }),
};
