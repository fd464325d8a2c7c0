/** The file formats as JSON Schema, made from the same Zod schemas that read them. */
import { z } from 'zod';
import { FitReportSchema } from '@loom-kin/core/descriptions';
import { FamilyFileSchema } from '@loom-kin/core/family';
import { ListMappingSchema, ListReportSchema } from '@loom-kin/core/intake';
import { ListingMessageSchema } from '@loom-kin/core/listing';
import { RulebookSchema } from '@loom-kin/core/rulebook';

/** file name → JSON Schema (draft 2020-12). */
export function publishedSchemas(): Record<string, unknown> {
  const of = (title: string, schema: z.ZodType) => ({ title, ...z.toJSONSchema(schema, { io: 'input' }) });
  return {
    family: of('Loom Kin family file', FamilyFileSchema),
    rulebook: of('Loom Kin rulebook', RulebookSchema),
    fit: of('Loom Kin fit', FitReportSchema),
    list: of('Loom Kin list, read', ListReportSchema),
    'list-mapping': of('Loom Kin mapping of a list', ListMappingSchema),
    'listing-message': of('Loom Kin listing message', ListingMessageSchema),
  };
}
