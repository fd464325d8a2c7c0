/** What the seller said of the columns of a list, for the next list of its kind: one with the same headers. */
import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { type ListMapping, ListMappingSchema, NO_MAPPING, type Table, readList } from '@loom-kin/core/intake';
import type { Registry } from '@loom-kin/core/registry';
import type { Database } from '../store/database';
import { layouts } from '../store/schema';

/** So many rows tell the headers of a list. */
const LOOKED_AT = 80;

/** Names the kind of a list by its headers, whatever their order. */
export function kindOfList(registry: Registry, table: Table): string {
  const headers = readList(registry, table.slice(0, LOOKED_AT)).columns.map(({ header }) => header.toLowerCase());
  return `list:${createHash('sha256').update(headers.sort().join('\n')).digest('hex').slice(0, 24)}`;
}

export function rememberedMapping(database: Database, kind: string): ListMapping {
  const kept = database.select().from(layouts).where(eq(layouts.id, kind)).get();
  const read = ListMappingSchema.safeParse(kept?.doc);
  return read.success ? { ...read.data, remembered: true } : NO_MAPPING;
}

/** Remembers a mapping; one that says nothing forgets what was said before. */
export function rememberMapping(
  database: Database,
  id: string,
  { remembered: _remembered, ...mapping }: ListMapping,
): void {
  if (Object.keys(mapping.columns).length === 0 && mapping.headerRow === undefined && mapping.decimal === undefined)
    database.delete(layouts).where(eq(layouts.id, id)).run();
  else
    database
      .insert(layouts)
      .values({ id, doc: mapping })
      .onConflictDoUpdate({ target: layouts.id, set: { doc: mapping } })
      .run();
}
