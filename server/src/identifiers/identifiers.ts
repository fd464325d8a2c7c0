/** SKUs and GTINs over the whole catalogue: each belongs to one child, and it is remembered whose it was first. */
import { and, eq, sql } from 'drizzle-orm';
import { type Child, type Family, familyIndex, placeLabel, touchedChildren } from '@loom-kin/core/family';
import { IDENTIFIERS, type IdentifierKind, type IsTaken, identityOf } from '@loom-kin/core/identifiers';
import { Refusal, type Unreadable, unreadable } from '@loom-kin/core/refusal';
import type { Database } from '../store/database';
import { prepared } from '../store/prepared';
import { families, givenIdentifiers, identifiers } from '../store/schema';

interface Held {
  kind: IdentifierKind;
  value: string;
  childId: string;
}

function identifiersOf(children: readonly Child[]): Map<string, Held> {
  const found = new Map<string, Held>();
  for (const child of children) {
    for (const kind of IDENTIFIERS) {
      const figure = child.fields[kind];
      if (typeof figure !== 'string') continue;
      const value = identityOf(kind, figure);
      found.set(`${kind}|${value}|${child.id}`, { kind, value, childId: child.id });
    }
  }
  return found;
}

const value = sql.placeholder;
const ROW = { familyId: value('familyId'), kind: value('kind'), value: value('value'), childId: value('childId') };
const THIS = and(eq(identifiers.kind, value('kind')), eq(identifiers.value, value('value')));
const insertOne = prepared((database) => database.insert(identifiers).values(ROW).onConflictDoNothing().prepare());
const removeOne = prepared((database) =>
  database
    .delete(identifiers)
    .where(and(eq(identifiers.familyId, value('familyId')), THIS))
    .prepare(),
);
const giveOut = prepared((database) =>
  database
    .insert(givenIdentifiers)
    .values(ROW)
    // A number that went back to its block begins anew with another child.
    .onConflictDoUpdate({
      target: [givenIdentifiers.kind, givenIdentifiers.value],
      set: { familyId: sql`excluded.family_id`, childId: sql`excluded.child_id`, returned: false },
      setWhere: sql`returned AND (given_identifiers.child_id <> excluded.child_id OR given_identifiers.family_id <> excluded.family_id)`,
    })
    .prepare(),
);

/** Lets go what children have no more, so that others of the same change can have it, whatever the order they are stored in. */
export function releaseIdentifiers(database: Database, before: Family | null, family: Family): void {
  const touched = touchedChildren(before, family);
  const was = identifiersOf(touched.was);
  const now = identifiersOf(touched.now);
  for (const [key, one] of was) if (!now.has(key)) removeOne(database).run({ familyId: family.id, ...one });
}

/** Stores what differs. One that belongs to another family is refused by name. */
export function saveIdentifiers(database: Database, before: Family | null, family: Family): void {
  const touched = touchedChildren(before, family);
  const was = identifiersOf(touched.was);
  const now = identifiersOf(touched.now);
  releaseIdentifiers(database, before, family);
  for (const [key, one] of now) {
    if (was.has(key)) continue;
    const row = { familyId: family.id, ...one };
    if (insertOne(database).run(row).changes === 0) throw taken(database, one);
    giveOut(database).run(row);
  }
}

/** Finds whose an identifier is; the statement is made once for many of them. */
function ownerFinder(database: Database) {
  const find = database
    .select({ name: families.name, familyId: families.id })
    .from(identifiers)
    .innerJoin(families, eq(families.id, identifiers.familyId))
    .where(and(eq(identifiers.kind, sql.placeholder('kind')), eq(identifiers.value, sql.placeholder('value'))))
    .prepare();
  return (kind: IdentifierKind, value: string) => find.get({ kind, value });
}

/** A GTIN as people write it: without the zeros that fill it up. */
const shownGtin = (value: string) => value.replace(/^0(?=\d{13}$)/, '');

function taken(database: Database, one: Held): Refusal {
  const owner = ownerFinder(database)(one.kind, one.value);
  const about = {
    place: { level: 'child' as const, childId: one.childId, key: one.kind },
    detail: { familyId: owner?.familyId },
  };
  const name = owner?.name ?? 'another family';
  return one.kind === 'sku'
    ? new Refusal('sku.taken', { sku: one.value, owner: name }, about)
    : new Refusal('gtin.taken', { gtin: shownGtin(one.value), owner: name }, about);
}

/** Why a child of the family cannot take an identifier: it belongs to another family. Null where nobody has it. */
export function takenElsewhere(database: Database, familyId: string) {
  const ownerOf = ownerFinder(database);
  return (kind: IdentifierKind, figure: string): Unreadable | null => {
    const owner = ownerOf(kind, identityOf(kind, figure));
    return !owner || owner.familyId === familyId ? null : takenBy(kind, figure, owner.name);
  };
}

/** That a number belongs to a family already. */
export const takenBy = (kind: IdentifierKind, figure: string, owner: string): Unreadable =>
  kind === 'sku' ? unreadable('sku.taken', { sku: figure, owner }) : unreadable('gtin.taken', { gtin: figure, owner });

/** Asks whether a SKU is or was another child's than that of this family. */
export function skuTaken(database: Database, familyId: string): IsTaken {
  const find = database
    .select({ familyId: givenIdentifiers.familyId, childId: givenIdentifiers.childId })
    .from(givenIdentifiers)
    .where(and(eq(givenIdentifiers.kind, 'sku'), eq(givenIdentifiers.value, sql.placeholder('value'))))
    .prepare();
  return (sku, childId) => {
    const first = find.get({ value: identityOf('sku', sku) });
    return first !== undefined && !(first.familyId === familyId && first.childId === childId);
  };
}

/** So many are named; of more it is said how many there are. */
const NAMED = 3;

/** A family that a change touches. */
interface Touched {
  before: Family | null;
  now: Family;
}

/**
 * What is said of identifiers that a change gave to a child although another had them before. That is allowed, since the seller
 * typed them, but never goes by without a word; nothing is said of those that go over to another family with their child.
 */
export function usedBefore(database: Database, touched: readonly Touched[]): string[] {
  const firstOwner = database
    .select()
    .from(givenIdentifiers)
    .where(
      and(eq(givenIdentifiers.kind, sql.placeholder('kind')), eq(givenIdentifiers.value, sql.placeholder('value'))),
    )
    .prepare();
  const goneFrom = touched.flatMap((one) => identifiersGone(one).map((key) => [key, one] as const));
  const goesOver = new Map(goneFrom);
  const notices: string[] = [];
  for (const family of touched)
    for (const one of identifiersCome(family)) {
      const from = goesOver.get(`${one.kind}|${one.value}`);
      const first = firstOwner.get({ kind: one.kind, value: one.value });
      if (!first || first.returned || first.childId === one.childId || (from && from !== family)) continue;
      const what = one.kind === 'gtin' ? `The GTIN ${shownGtin(one.value)}` : `The SKU ${one.value}`;
      notices.push(`${what} was that of ${formerOwner(database, family.now, first)} before.`);
    }
  if (notices.length <= NAMED) return notices;
  return [...notices.slice(0, NAMED), `${notices.length - NAMED} more were given out before.`];
}

/** What children of the family get that they did not have. */
function identifiersCome({ before, now }: Touched): Held[] {
  const children = touchedChildren(before, now);
  const was = identifiersOf(children.was);
  return [...identifiersOf(children.now)].flatMap(([key, one]) => (was.has(key) ? [] : [one]));
}

/** Kind and value of what children of the family have no more. */
const identifiersGone = ({ before, now }: Touched): string[] =>
  before ? identifiersCome({ before: now, now: before }).map(({ kind, value }) => `${kind}|${value}`) : [];

function formerOwner(database: Database, family: Family, first: { childId: string; familyId: string }): string {
  if (first.familyId === family.id) return placeLabel(family, { level: 'child', childId: first.childId });
  const row = database.select({ name: families.name }).from(families).where(eq(families.id, first.familyId)).get();
  return row ? `a child of ${row.name}` : 'a child that is gone';
}

/** The child that has an SKU, or undefined. */
export function childOfSku(database: Database, sku: string): string | undefined {
  return database
    .select({ childId: identifiers.childId })
    .from(identifiers)
    .where(and(eq(identifiers.kind, 'sku'), eq(identifiers.value, identityOf('sku', sku))))
    .get()?.childId;
}

/** Woven children of a family that have no figure of an identifier yet, of those asked for. */
export function childrenWithout(family: Family, kind: IdentifierKind, childIds: readonly string[]) {
  const wanted = new Set(childIds);
  return familyIndex(family).woven.filter((child) => wanted.has(child.id) && child.fields[kind] === undefined);
}
