/**
 * Whose the SKUs and GTINs of a list are: those that it names are looked up together, which is many times as
 * quick as one by one.
 */
import { sql } from 'drizzle-orm';
import { type IdentifierKind, identityOf } from '@loom-kin/core/identifiers';
import type { Unreadable } from '@loom-kin/core/refusal';
import { takenBy } from '../identifiers/identifiers';
import type { Database } from '../store/database';

interface Owner {
  familyId: string;
  childId: string;
  /** The family's. */
  name: string;
}

export interface NumberOwners {
  /** Looks numbers up that will be asked for. */
  expect(kind: IdentifierKind, identities: readonly string[]): void;
  of(kind: IdentifierKind, identity: string): Owner | undefined;
  /** Why a child of a family cannot have a number: it belongs to another family. Null where nobody has it. */
  elsewhere(familyId: string): (kind: IdentifierKind, figure: string) => Unreadable | null;
}

/** So many are looked up at once. */
const AT_ONCE = 20_000;

export function openOwners(database: Database): NumberOwners {
  const known = new Map<string, Owner | undefined>();

  function expect(kind: IdentifierKind, identities: readonly string[]): void {
    for (let from = 0; from < identities.length; from += AT_ONCE) {
      const some = identities.slice(from, from + AT_ONCE);
      for (const identity of some) known.set(`${kind}|${identity}`, undefined);
      // Tables are gone through in this order (a cross join keeps it): each number is looked up once.
      const found = database.all<Owner & { value: string }>(sql`
        SELECT i.value, i.family_id AS familyId, i.child_id AS childId, f.name
        FROM json_each(${JSON.stringify(some)}) AS named
        CROSS JOIN identifiers AS i ON i.kind = ${kind} AND i.value = named.value
        CROSS JOIN families AS f ON f.id = i.family_id`);
      for (const { value, ...owner } of found) known.set(`${kind}|${value}`, owner);
    }
  }

  function of(kind: IdentifierKind, identity: string): Owner | undefined {
    const key = `${kind}|${identity}`;
    if (!known.has(key)) expect(kind, [identity]);
    return known.get(key);
  }

  const elsewhere = (familyId: string) => (kind: IdentifierKind, figure: string) => {
    const owner = of(kind, identityOf(kind, figure));
    return !owner || owner.familyId === familyId ? null : takenBy(kind, figure, owner.name);
  };
  return { expect, of, elsewhere };
}
