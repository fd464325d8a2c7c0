/** Storing a family with everything that is kept beside it: identifiers, values, summary columns, search words. */
import { and, eq, sql } from 'drizzle-orm';
import Big from 'big.js';
import { type Family, columnOf, familyIndex, fromPrice } from '@loom-kin/core/family';
import { foldForPairing } from '@loom-kin/core/pairing';
import { facePicture } from '@loom-kin/core/pictures';
import { prepared } from '../store/prepared';
import { families, familyValues } from '../store/schema';
import type { Store } from '../store/store';
import { saveBundles } from '../stock/bundles';
import { loadStock } from '../stock/ledger';
import { saveIdentifiers } from '../identifiers/identifiers';
import { saveSearchWords } from '../store/searchWords';

const value = sql.placeholder;
const ROW = {
  revision: value('revision'),
  name: value('name'),
  styleCode: value('styleCode'),
  brand: value('brand'),
  category: value('category'),
  axes: value('axes'),
  children: value('children'),
  fromPrice: value('fromPrice'),
  fromPriceText: value('fromPriceText'),
  stock: value('stock'),
  low: value('low'),
  picture: value('picture'),
  retired: value('retired'),
  changedAt: value('changedAt'),
  doc: value('doc'),
};
const HERE = eq(families.id, value('id'));
const insertRow = prepared((database) =>
  database
    .insert(families)
    .values({ id: value('id'), ...ROW })
    .prepare(),
);
const updateRow = prepared((database) =>
  database
    .update(families)
    .set(ROW as never)
    .where(HERE)
    .prepare(),
);
const updateSums = prepared((database) =>
  database
    .update(families)
    .set({ stock: value('stock'), low: value('low') } as never)
    .where(HERE)
    .prepare(),
);
const insertValue = prepared((database) =>
  database
    .insert(familyValues)
    .values({ familyId: value('familyId'), role: value('role'), word: value('word') })
    .onConflictDoNothing()
    .prepare(),
);

/** Stores a family. Must run inside a transaction. An SKU or GTIN that belongs to another family is refused by name. */
export function saveFamily(store: Store, before: Family | null, family: Family, at: string): void {
  const { database } = store;
  const row = { id: family.id, ...summaryOf(family, loadStock(database, family.id)), changedAt: at, doc: family };
  if (before) updateRow(database).run(row);
  else insertRow(database).run(row);
  saveIdentifiers(database, before, family);
  if (saveBundles(database, before, family)) saveStockSum(store, family);
  if (before?.axes !== family.axes) saveValues(store, before, family);
  saveSearchWords(store, before, family);
}

function summaryOf(family: Family, stock: Record<string, number>) {
  const text = (key: string) => String(family.fields[key] ?? '');
  const price = fromPrice(family);
  return {
    revision: family.revision,
    name: text('name'),
    styleCode: text('styleCode'),
    brand: text('brand'),
    category: text('category'),
    axes: family.axes.map((axis) => `${axis.label} ${axis.values.length}`).join(' × '),
    children: familyIndex(family).woven.length,
    fromPrice: price === undefined ? null : new Big(price).times(10_000).round(0).toNumber(),
    fromPriceText: price ?? null,
    stock: stockSum(family, stock),
    low: lowChildren(family, stock),
    picture: facePicture(family) ?? null,
    retired: family.retired,
  };
}

/** The pieces of all children together. */
function stockSum(family: Family, stock: Record<string, number>): number {
  return familyIndex(family).woven.reduce((sum, child) => sum + (stock[child.id] ?? 0), 0);
}

/** Children that have as few pieces as the seller calls low. */
function lowChildren(family: Family, stock: Record<string, number>): number {
  const bounds = columnOf(family, 'lowStock');
  const counting = columnOf(family, 'counting');
  return familyIndex(family).woven.filter(({ id }, at) => {
    const bound = bounds.at(at);
    return typeof bound === 'number' && (counting.at(at) ?? 'counted') === 'counted' && (stock[id] ?? 0) <= bound;
  }).length;
}

/** The sum that lists show, after stock moved. The family itself is not touched by it. */
export function saveStockSum(store: Store, family: Family): void {
  const pieces = loadStock(store.database, family.id);
  const sums = { stock: stockSum(family, pieces), low: lowChildren(family, pieces) };
  updateSums(store.database).run({ id: family.id, ...sums });
}

const valuesOf = (family: Family | null) =>
  new Map(
    (family?.axes ?? []).flatMap((axis) =>
      axis.values.map((value) => {
        const word = foldForPairing(value.label);
        return [`${axis.role}|${word}`, { role: axis.role as string, word }] as const;
      }),
    ),
  );

function saveValues({ database }: Store, before: Family | null, family: Family): void {
  const was = valuesOf(before);
  const now = valuesOf(family);
  for (const [key, { role, word }] of was) {
    if (now.has(key)) continue;
    const here = and(eq(familyValues.familyId, family.id), eq(familyValues.role, role), eq(familyValues.word, word));
    database.delete(familyValues).where(here).run();
  }
  for (const [key, one] of now) {
    if (!was.has(key)) insertValue(database).run({ familyId: family.id, ...one });
  }
}
