/** What is known of pictures that were taken in. */
import { inArray, sql } from 'drizzle-orm';
import type { Family } from '@loom-kin/core/family';
import { type PictureFacts, allPictures } from '@loom-kin/core/pictures';
import { Refusal } from '@loom-kin/core/refusal';
import type { Database } from '../store/database';
import { pictures } from '../store/schema';

/** The facts of pictures by id; those that were never taken in are left out. */
export function factsOf(database: Database, ids: readonly string[]): Record<string, PictureFacts> {
  const facts: Record<string, PictureFacts> = {};
  for (let at = 0; at < ids.length; at += 500) {
    const some = ids.slice(at, at + 500);
    for (const row of database.select().from(pictures).where(inArray(pictures.id, some)).all())
      facts[row.id] = row.facts;
  }
  return facts;
}

/** The facts of every picture a family uses. */
export const picturesIn = (database: Database, family: Family): Record<string, PictureFacts> =>
  factsOf(database, [...allPictures(family)]);

/** The name under which a picture lies in a package of the catalogue: its id there. */
const NAMED = /(?:^|\/)([0-9a-f]{24})\.(?:jpg|png)$/;

/**
 * Pictures that came from a package: the id each had where that was made → its id here. Compressed once more a picture is another one,
 * and its name is what it is known by.
 */
export function packagedPictures(database: Database): Map<string, string> {
  const name = sql<string>`json_extract(${pictures.facts}, '$.fileName')`;
  const rows = database
    .select({ id: pictures.id, name })
    .from(pictures)
    .where(sql`${name} GLOB '*[0-9a-f].*'`)
    .all();
  return new Map(rows.flatMap((row) => (NAMED.test(row.name) ? [[NAMED.exec(row.name)![1]!, row.id] as const] : [])));
}

/** Refuses a picture that was never taken in. */
export function requirePictures(database: Database, ids: readonly string[]): void {
  const known = factsOf(database, ids);
  if (ids.some((id) => !known[id])) throw new Refusal('picture.not-taken-in', {});
}

/** What is known of a picture; refuses one that was never taken in. */
export function requirePicture(database: Database, id: string): PictureFacts {
  const facts = factsOf(database, [id])[id];
  if (!facts) throw new Refusal('picture.not-taken-in', {});
  return facts;
}
