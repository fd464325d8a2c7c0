/** Loading and storing a family with everything that is kept beside it: identifiers, summary columns, search words. */
import { and, eq } from 'drizzle-orm';
import Big from 'big.js';
import { categoryOf, facePicture, familyIndex, freeze, fromPrice, gtin14, Refusal, type Family } from '@loom-kin/core';
import type { Database } from '../store/database';
import { families, identifiers, stockLevels } from '../store/schema';

/** The family, frozen, or a Refusal. */
export function loadFamily(database: Database, id: string): Family {
  const row = database
    .select({ doc: families.doc, revision: families.revision })
    .from(families)
    .where(eq(families.id, id))
    .get();
  if (!row) throw new Refusal('family.unknown', 'There is no such family.');
  return freeze({ ...row.doc, revision: row.revision }, true);
}

/** child id → pieces. */
export function loadStock(database: Database, familyId: string): Record<string, number> {
  const rows = database
    .select({ childId: stockLevels.childId, pieces: stockLevels.pieces })
    .from(stockLevels)
    .where(eq(stockLevels.familyId, familyId))
    .all();
  return Object.fromEntries(rows.map((row) => [row.childId, row.pieces]));
}

/** Stores a family. Must run inside a transaction. An SKU or GTIN that belongs to another family is refused by name. */
export function saveFamily(
  database: Database,
  before: Family | null,
  family: Family,
  stock: Record<string, number>,
  at: string,
): void {
  const text = (key: string) => String(family.fields[key] ?? '');
  const woven = familyIndex(family).woven;
  const price = fromPrice(family);
  const row = {
    revision: family.revision,
    name: text('name'),
    styleCode: text('styleCode'),
    brand: text('brand'),
    category: text('category'),
    axes: family.axes.map((axis) => `${axis.label} ${axis.values.length}`).join(' × '),
    children: woven.length,
    fromPrice: price === undefined ? null : new Big(price).times(10_000).round(0).toNumber(),
    fromPriceText: price ?? null,
    stock: woven.reduce((sum, child) => sum + (stock[child.id] ?? 0), 0),
    picture: facePicture(family) ?? null,
    retired: family.retired,
    changedAt: at,
    doc: family,
  };
  if (before) database.update(families).set(row).where(eq(families.id, family.id)).run();
  else
    database
      .insert(families)
      .values({ id: family.id, ...row })
      .run();
  saveIdentifiers(database, before, family);
  saveSearch(database, before, family);
}

type Kind = 'sku' | 'gtin';

function identifiersOf(family: Family | null): Map<string, { kind: Kind; value: string; childId: string }> {
  const found = new Map<string, { kind: Kind; value: string; childId: string }>();
  if (!family) return found;
  for (const child of [...Object.values(family.children), ...Object.values(family.shelf).map((one) => one.child)]) {
    for (const kind of ['sku', 'gtin'] as const) {
      const figure = child.fields[kind];
      if (typeof figure !== 'string') continue;
      const value = kind === 'gtin' ? gtin14(figure) : figure.toUpperCase();
      found.set(`${kind}|${value}|${child.id}`, { kind, value, childId: child.id });
    }
  }
  return found;
}

function saveIdentifiers(database: Database, before: Family | null, family: Family): void {
  const was = identifiersOf(before);
  const now = identifiersOf(family);
  for (const [key, { kind, value }] of was) {
    if (!now.has(key))
      database
        .delete(identifiers)
        .where(and(eq(identifiers.kind, kind), eq(identifiers.value, value), eq(identifiers.familyId, family.id)))
        .run();
  }
  for (const [key, one] of now) {
    if (was.has(key)) continue;
    const done = database
      .insert(identifiers)
      .values({ ...one, familyId: family.id })
      .onConflictDoNothing()
      .run();
    if (done.changes === 0) throw takenElsewhere(database, one);
  }
}

function takenElsewhere(database: Database, one: { kind: Kind; value: string; childId: string }): Refusal {
  const owner = database
    .select({ name: families.name, familyId: families.id })
    .from(identifiers)
    .innerJoin(families, eq(families.id, identifiers.familyId))
    .where(and(eq(identifiers.kind, one.kind), eq(identifiers.value, one.value)))
    .get();
  const shown = one.kind === 'gtin' ? `The GTIN ${one.value.replace(/^0(?=\d{13}$)/, '')}` : `The SKU ${one.value}`;
  return new Refusal(
    `${one.kind}.taken`,
    `${shown} belongs to ${owner?.name ?? 'another family'} already.`,
    { level: 'child', childId: one.childId, key: one.kind },
    { familyId: owner?.familyId },
  );
}

function saveSearch(database: Database, before: Family | null, family: Family): void {
  const words = searchWords(family);
  if (before && searchWords(before) === words) return;
  if (before)
    database.$client
      .prepare('DELETE FROM family_search WHERE rowid = (SELECT rowid FROM families WHERE id = ?)')
      .run(family.id);
  database.$client
    .prepare('INSERT INTO family_search (rowid, family_id, words) SELECT rowid, id, ? FROM families WHERE id = ?')
    .run(words, family.id);
}

function searchWords(family: Family): string {
  const children = Object.values(family.children).flatMap((child) => [child.fields.sku, child.fields.gtin]);
  const { name, styleCode, brand, modelNumber, category } = family.fields;
  return [name, styleCode, brand, modelNumber, categoryOf(category)?.label, ...children]
    .filter((one) => typeof one === 'string')
    .join(' \n ');
}
