/**
 * Words by which families are found: name, style code, brand, model, category, every SKU and GTIN. Trigrams find any part of one.
 * Virtual tables are beyond the migration tool, so that the table is made here. Its rows are tied to families by a column of ours,
 * since the database gives its own row numbers anew when it tidies up.
 */
import { eq, sql } from 'drizzle-orm';
import { type Child, type Family, freeze, touchedChildren } from '@loom-kin/core/family';
import type { Registry } from '@loom-kin/core/registry';
import { prepared } from './prepared';
import { families } from './schema';
import type { Store } from './store';

const TABLE = 'family_words';

const HERE = eq(families.id, sql.placeholder('id'));
const rowOf = prepared((database) => database.select({ row: families.searchRow }).from(families).where(HERE).prepare());
const setRow = prepared((database) =>
  database
    .update(families)
    .set({ searchRow: sql`${sql.placeholder('row')}` })
    .where(HERE)
    .prepare(),
);
const lastRow = prepared((database) =>
  database
    .select({ most: sql<number | null>`max(${families.searchRow})` })
    .from(families)
    .prepare(),
);
const removeWords = prepared(({ $client }) => $client.prepare(`DELETE FROM ${TABLE} WHERE rowid = ?`));
const insertWords = prepared(({ $client }) => $client.prepare(`INSERT INTO ${TABLE} (rowid, words) VALUES (?, ?)`));

/** Makes the table, and fills it where families are there already. */
export function ensureSearch(store: Store): void {
  const { $client } = store.database;
  if ($client.prepare('SELECT 1 FROM sqlite_master WHERE name = ?').get(TABLE)) return;
  $client.exec('DROP TABLE IF EXISTS family_search');
  $client.exec(`CREATE VIRTUAL TABLE ${TABLE} USING fts5(words, tokenize = "trigram")`);
  const rows = store.database.select({ id: families.id, doc: families.doc }).from(families).all();
  store.database.transaction(() => rows.forEach(({ doc }) => saveSearchWords(store, null, freeze(doc, true))));
}

export function saveSearchWords(store: Store, before: Family | null, family: Family): void {
  const { database } = store;
  const { registry } = store.catalogue();
  if (before && !isFoundOtherwise(registry, before, family)) return;
  const words = searchWords(registry, family);
  const known = rowOf(database).get({ id: family.id })?.row;
  const row = known ?? nextRow(store);
  if (known === null || known === undefined) setRow(database).run({ id: family.id, row });
  removeWords(database).run(row);
  insertWords(database).run(row, words);
}

/** A family that goes is found no more. */
export function forgetSearchWords({ database }: Store, id: string): void {
  const known = rowOf(database).get({ id })?.row;
  if (typeof known === 'number') removeWords(database).run(known);
}

const nextRow = ({ database }: Store): number => (lastRow(database).get()?.most ?? 0) + 1;

/** Whether a change touched what a family is found by. Children come and go with a change of the axes only. */
function isFoundOtherwise(registry: Registry, before: Family, family: Family): boolean {
  if (before.axes !== family.axes || headWords(registry, before).join() !== headWords(registry, family).join()) {
    return true;
  }
  const { was, now } = touchedChildren(before, family);
  return childWords(was).join() !== childWords(now).join();
}

const searchWords = (registry: Registry, family: Family): string =>
  [...headWords(registry, family), ...childWords(Object.values(family.children))].join(' \n ');

function headWords(registry: Registry, family: Family): string[] {
  const { name, styleCode, brand, modelNumber, category } = family.fields;
  return onlyTexts([name, styleCode, brand, modelNumber, registry.category(category)?.label]);
}

const childWords = (children: readonly Child[]): string[] =>
  onlyTexts(children.flatMap((child) => [child.fields.sku, child.fields.gtin]));

const onlyTexts = (words: readonly unknown[]): string[] => words.filter((one) => typeof one === 'string');

/** The condition for families whose words match a phrase of the full-text search. */
export const matchesPhrase = (phrase: string) =>
  sql`${families.searchRow} IN (SELECT rowid FROM ${sql.raw(TABLE)} WHERE words MATCH ${phrase})`;

/** So many pieces of words are looked for at most. */
const PIECES = 40;

/** The condition for the families that share most pieces of three letters with some words: a slip of the pen leaves the others. */
export function likeliest(words: readonly string[], most: number) {
  const pieces = words.flatMap((word) =>
    Array.from({ length: Math.max(0, word.length - 2) }, (_, at) => word.slice(at, at + 3)),
  );
  const phrase = [...new Set(pieces.map((piece) => piece.toLowerCase()))]
    .slice(0, PIECES)
    .map((piece) => `"${piece.replaceAll('"', '""')}"`)
    .join(' OR ');
  const table = sql.raw(TABLE);
  return sql`${families.searchRow} IN (SELECT rowid FROM ${table} WHERE words MATCH ${phrase} ORDER BY rank LIMIT ${most})`;
}
