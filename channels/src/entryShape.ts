/** What an entry of a channel is, and how a channel holds it with entries. */
import { z } from 'zod';

export const EntrySchema = z.object({
  entry: z.string().min(1).max(80),
  gtin: z.string().regex(/^\d{8,14}$/),
  name: z.string().max(400),
  options: z.record(z.string(), z.string().max(400)).default({}),
  facts: z.record(z.string(), z.union([z.string().max(400), z.number(), z.boolean()])).default({}),
});
export type Entry = z.infer<typeof EntrySchema>;

/** How a channel holds it with entries. */
export interface EntryManners {
  /** Goods that have an entry are taken under it alone. */
  must: boolean;
  /** What sellers say of their own offers under an entry. */
  ofOffers: readonly string[];
  /** Entries that were there before anybody played. */
  known: readonly Entry[];
}
