/** Loading families and what is kept beside them. */
import { eq, inArray, sql } from 'drizzle-orm';
import { type Family, freeze } from '@loom-kin/core/family';
import type { LiveListing } from '@loom-kin/core/fit';
import { Refusal } from '@loom-kin/core/refusal';
import type { Database } from './database';
import { prepared } from './prepared';
import { families, heldListings } from './schema';

const HERE = eq(families.id, sql.placeholder('id'));
const docOf = prepared((database) =>
  database.select({ doc: families.doc, revision: families.revision }).from(families).where(HERE).prepare(),
);
const isThere = prepared((database) => database.select({ id: families.id }).from(families).where(HERE).prepare());

/** The family, frozen, or a Refusal. */
export function loadFamily(database: Database, id: string): Family {
  const row = docOf(database).get({ id });
  if (!row) throw new Refusal('family.unknown', {});
  return freeze({ ...row.doc, revision: row.revision }, true);
}

const revisionAt = prepared((database) =>
  database.select({ revision: families.revision }).from(families).where(HERE).prepare(),
);

/** The revision of a family, or undefined where there is none. */
export const revisionOf = (database: Database, id: string): number | undefined =>
  revisionAt(database).get({ id })?.revision;

/** More children than these take longer to read or to store than others should wait. */
const LARGE = 1000;

/** Whether families have many children, all together. */
export function areLarge(database: Database, ids: readonly string[]): boolean {
  if (ids.length === 0) return false;
  const sum = sql<number>`coalesce(sum(${families.children}), 0)`;
  const here = inArray(families.id, [...new Set(ids)]);
  return database.select({ sum }).from(families).where(here).get()!.sum > LARGE;
}

/** Whether so many children are many. */
export const areMany = (children: number): boolean => children > LARGE;

export function hasFamily(database: Database, id: string): boolean {
  return isThere(database).get({ id }) !== undefined;
}

/** A listing of a family as an account holds it. */
export interface HeldListing extends LiveListing {
  account: string;
  draft: boolean;
  page: string | null;
  sentAt: string;
}

/** What accounts hold of a family. */
export function heldOf(database: Database, familyId: string): HeldListing[] {
  return database
    .select()
    .from(heldListings)
    .where(eq(heldListings.familyId, familyId))
    .all()
    .map(({ familyId: _family, ...row }) => ({ ...row, structure: row.listing.structure }));
}
