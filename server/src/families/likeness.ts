/** Families that resemble one about to be started: doubles are a common and costly mistake. */
import { sql } from 'drizzle-orm';
import type { Database } from '../store/database';
import { families } from '../store/schema';
import { matchesPhrase } from './searchWords';

export interface Likeness {
  id: string;
  name: string;
  styleCode: string;
  why: string;
}

const MOST = 5;
/** So much of the words of both names has to be shared. */
const SHARED = 0.6;

/** Families with the same style code, or a name that shares most of its words. */
export function likeFamilies(database: Database, name: string, styleCode: string): Likeness[] {
  const found = new Map<string, Likeness>();
  const columns = { id: families.id, name: families.name, styleCode: families.styleCode };
  if (styleCode.trim()) {
    const same = sql`${families.styleCode} = ${styleCode.trim()} COLLATE NOCASE`;
    for (const row of database.select(columns).from(families).where(same).limit(MOST).all()) {
      found.set(row.id, { ...row, why: 'has this style code' });
    }
  }
  const wanted = wordsOf(name);
  const phrase = wanted
    .filter((word) => word.length >= 3)
    .map((word) => `"${word}"`)
    .join(' OR ');
  const rows = phrase ? database.select(columns).from(families).where(matchesPhrase(phrase)).limit(200).all() : [];
  for (const row of rows) {
    const own = wordsOf(row.name);
    const shared = wanted.filter((word) => own.includes(word)).length / Math.max(wanted.length, own.length);
    if (!found.has(row.id) && shared >= SHARED) found.set(row.id, { ...row, why: 'has nearly this name' });
  }
  return [...found.values()].slice(0, MOST);
}

const wordsOf = (name: string) => [
  ...new Set(
    name
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word.length > 1),
  ),
];
