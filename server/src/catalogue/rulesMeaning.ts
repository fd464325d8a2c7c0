/** What an edition of a channel's rules would mean for all families, asked of the worker threads a share at a time. */
import { and, eq } from 'drizzle-orm';
import { Refusal, RulebookSchema } from '@loom-kin/core';
import type { RulesMeaning } from '@loom-kin/contract';
import { together } from '../fits/meaning';
import type { FitPool } from '../fits/pool';
import { editions, families } from '../store/schema';
import type { Store } from '../store/store';

/** So many families are given to a thread at once. */
const SHARE = 40;

export async function rulesMeaning(
  { database }: Store,
  pool: FitPool,
  channel: string,
  version: number,
): Promise<RulesMeaning> {
  const here = and(eq(editions.channel, channel), eq(editions.version, version));
  const edition = database.select().from(editions).where(here).get();
  if (!edition) throw new Refusal('rulebook.unknown', { version });
  const rulebook = RulebookSchema.parse(edition.rulebook);
  const ids = database.select({ id: families.id }).from(families).where(eq(families.retired, false)).all();
  const shares = Array.from({ length: Math.ceil(ids.length / SHARE) }, (_, at) =>
    ids.slice(at * SHARE, (at + 1) * SHARE).map((row) => row.id),
  );
  return together(await Promise.all(shares.map((share) => pool.meaning(share, rulebook))));
}
