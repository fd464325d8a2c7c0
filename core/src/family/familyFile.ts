/** A family as a file: everything but revision and listings. */
import { z } from 'zod';
import { FamilySchema } from './shape';

/** Stock stands by child; files of version 1 have it by SKU. */
export const FamilyFileSchema = z.object({
  format: z.literal('loom-kin/family'),
  version: z.union([z.literal(1), z.literal(2)]),
  family: FamilySchema.omit({ revision: true }),
  stock: z
    .record(z.string(), z.number().int().min(0).max(999_999_999))
    .describe('Version 1: SKU → pieces; version 2: child → pieces'),
  stockAt: z
    .record(z.string(), z.record(z.string(), z.number().int().min(-999_999_999).max(999_999_999)))
    .optional()
    .describe('Child → place → pieces, of those that are not all at the first place'),
});
export type FamilyFile = z.infer<typeof FamilyFileSchema>;
