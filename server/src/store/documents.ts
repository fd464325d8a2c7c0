/** Documents of which there are few: registry, seller, accounts, pairings and category maps of channels. */
import { and, asc, eq } from 'drizzle-orm';
import type { z } from 'zod';
import type { Database } from './database';
import { documents, type Thing } from './schema';

const at = (thing: Thing, id: string) => and(eq(documents.thing, thing), eq(documents.id, id));

/** A document as it is stored, or undefined. */
export function readDocument<S extends z.ZodType>(
  database: Database,
  schema: S,
  thing: Thing,
  id = '',
): z.infer<S> | undefined {
  const row = database.select({ doc: documents.doc }).from(documents).where(at(thing, id)).get();
  return row && schema.parse(row.doc);
}

/** All documents of one kind, by id. */
export function readDocuments<S extends z.ZodType>(
  database: Database,
  schema: S,
  thing: Thing,
): Record<string, z.infer<S>> {
  const rows = database.select().from(documents).where(eq(documents.thing, thing)).orderBy(asc(documents.id)).all();
  return Object.fromEntries(rows.map((row) => [row.id, schema.parse(row.doc)]));
}

/** Stores a document; its revision is raised by one. */
export function writeDocument(database: Database, thing: Thing, id: string, doc: unknown): void {
  const before = database.select({ revision: documents.revision }).from(documents).where(at(thing, id)).get();
  const revision = (before?.revision ?? 0) + 1;
  database
    .insert(documents)
    .values({ thing, id, revision, doc })
    .onConflictDoUpdate({ target: [documents.thing, documents.id], set: { revision, doc } })
    .run();
}

export function removeDocument(database: Database, thing: Thing, id: string): void {
  database.delete(documents).where(at(thing, id)).run();
}
