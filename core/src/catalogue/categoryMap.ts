/** Which of the seller's categories goes to which of a channel's. */
import { z } from 'zod';
import type { Registry } from '../registry/openRegistry';

/** The seller's category → the channel's category, for one channel. */
export const CategoryMapSchema = z.record(z.string().max(80), z.string().max(80));
export type CategoryMap = z.infer<typeof CategoryMapSchema>;

/**
 * The channel's category for a family's: its own, else that of the nearest category above it; null where none is
 * mapped.
 */
export function mappedCategory(registry: Registry, map: CategoryMap, sellerCategory: unknown): string | null {
  for (const category of registry.path(sellerCategory).toReversed()) {
    const mapped = map[category.id];
    if (mapped !== undefined) return mapped;
  }
  return null;
}
