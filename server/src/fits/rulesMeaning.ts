/** What an edition of a channel's rules would mean for all families. */
import { and, eq } from 'drizzle-orm';
import { Refusal } from '@loom-kin/core/refusal';
import { RulebookSchema } from '@loom-kin/core/rulebook';
import type { RulesMeaning } from '@loom-kin/contract';
import { idsMeant } from '../families/board';
import { inShares } from './inShares';
import { together } from './meaning';
import type { FitPool } from './pool';
import { editions } from '../store/schema';
import type { Store } from '../store/store';

export async function rulesMeaning(
  store: Store,
  pool: FitPool,
  channel: string,
  version: number,
): Promise<RulesMeaning> {
  const here = and(eq(editions.channel, channel), eq(editions.version, version));
  const edition = store.database.select().from(editions).where(here).get();
  if (!edition) throw new Refusal('rulebook.unknown', { version });
  const rulebook = RulebookSchema.parse(edition.rulebook);
  const answers = await inShares(idsMeant(store, { q: '', retired: 'no' }), (share) => pool.meaning(share, rulebook));
  return together(answers);
}
