/** Families that resemble one about to be started: doubles are a common and costly mistake. */
import { or, sql, type SQL } from 'drizzle-orm';
import { identityOf, readGtin } from '@loom-kin/core/identifiers';
import { nameLikeness } from '@loom-kin/core/wording';
import type { Database } from '../store/database';
import { families, identifiers } from '../store/schema';
import { likeliest } from '../store/searchWords';

export interface Likeness {
  id: string;
  name: string;
  styleCode: string;
  why: string;
}

const MOST = 5;
/** So alike names have to be, from 0 to 1: "Storm jackets, waxed" and "Waxed storm jaket" are. */
const ALIKE = 0.72;
/** So many of those that share letters are looked at. */
const LOOKED_AT = 200;
/** Texts of fewer letters are no model number or SKU. */
const SHORTEST = 3;

const COLUMNS = { id: families.id, name: families.name, styleCode: families.styleCode };

/** What is known of a family about to be started. */
export interface Sought {
  name: string;
  styleCode: string;
  modelNumber?: string | undefined;
}

/** Families with the same style code or model number, a child with that SKU or GTIN, or nearly the same name, however it is spelled. */
export function likeFamilies(database: Database, sought: Sought): Likeness[] {
  const found = new Map<string, Likeness>();
  const add = (rows: readonly Omit<Likeness, 'why'>[], why: string) => {
    for (const row of rows) if (!found.has(row.id)) found.set(row.id, { ...row, why });
  };
  const texts = [sought.styleCode, sought.modelNumber ?? '', sought.name].map((one) => one.trim());
  const [styleCode, modelNumber, name] = texts as [string, string, string];
  const where = (condition: SQL) => database.select(COLUMNS).from(families).where(condition).limit(MOST).all();
  if (styleCode) add(where(sql`${families.styleCode} = ${styleCode} COLLATE NOCASE`), 'has this style code');
  const numbers = texts.filter((text) => text.length >= SHORTEST && /\d/.test(text));
  for (const number of numbers) add(withNumber(database, number), 'has a child with this number');
  // What was typed as a name may be a model number.
  for (const model of [modelNumber, name].filter((one) => one.length >= SHORTEST && /\d/.test(one)))
    add(
      where(
        sql`json_extract(${families.doc}, '$.fields.modelNumber') = ${model} COLLATE NOCASE AND ${likeliest([model], LOOKED_AT)}`,
      ),
      'has this model number',
    );
  add(nearlyNamed(database, name), 'has nearly this name');
  return [...found.values()].slice(0, MOST);
}

function withNumber(database: Database, text: string) {
  const gtin = readGtin(text);
  const values = [
    { kind: 'sku' as const, value: identityOf('sku', text) },
    ...(gtin.ok ? [{ kind: 'gtin' as const, value: identityOf('gtin', gtin.gtin) }] : []),
  ];
  const either = or(
    ...values.map((one) => sql`(${identifiers.kind} = ${one.kind} AND ${identifiers.value} = ${one.value})`),
  );
  return database
    .select(COLUMNS)
    .from(families)
    .where(sql`${families.id} IN (SELECT ${identifiers.familyId} FROM ${identifiers} WHERE ${either})`)
    .limit(MOST)
    .all();
}

function nearlyNamed(database: Database, name: string) {
  const words = name.split(/[^\p{L}\p{N}]+/u).filter((word) => word.length >= SHORTEST);
  if (words.length === 0) return [];
  const likeness = nameLikeness(name);
  return database
    .select(COLUMNS)
    .from(families)
    .where(likeliest(words, LOOKED_AT))
    .all()
    .map((row) => ({ row, alike: likeness(row.name) }))
    .filter((one) => one.alike >= ALIKE)
    .sort((a, b) => b.alike - a.alike)
    .map((one) => one.row);
}
