/**
 * Keeps the standings of all families: works off the due list in worker threads and stores what they say. The list survives a
 * restart; an answer that a newer change has overtaken is thrown away.
 */
import { and, asc, eq } from 'drizzle-orm';
import type { Logger } from 'pino';
import { inTransaction } from '../store/database';
import { due, findings, standings } from '../store/schema';
import type { Store } from '../store/store';
import type { FitPool } from './pool';
import type { FamilyStandings } from './worker';

/** So many families are given to a thread at once. */
const AT_ONCE = 12;

export interface Keeper {
  /** Looks whether something is due. */
  kick(): void;
  stop(): Promise<void>;
}

export function createKeeper(store: Store, pool: FitPool, log: Logger): Keeper {
  let working: Promise<void> | null = null;
  let stopped = false;

  async function workOff(): Promise<void> {
    for (;;) {
      const ids = nextDue(store);
      if (ids.length === 0 || stopped) return;
      const answers = await pool.standings(ids);
      if (stopped) return;
      storeStandings(store, answers);
    }
  }

  function kick(): void {
    if (working || stopped) return;
    working = workOff()
      .catch((error: unknown) => {
        if (!stopped) log.error({ err: error }, 'standings could not be worked out');
      })
      .finally(() => {
        working = null;
        if (!stopped && nextDue(store).length > 0) setTimeout(kick, 1000).unref();
      });
  }

  const deaf = store.bell.listen(kick);
  return {
    kick,
    stop: async () => {
      stopped = true;
      deaf();
      await working;
    },
  };
}

function nextDue({ database }: Store): string[] {
  const rows = database.select({ id: due.familyId }).from(due).orderBy(asc(due.familyId)).limit(AT_ONCE).all();
  return rows.map((row) => row.id);
}

function storeStandings(store: Store, answers: readonly FamilyStandings[]): void {
  const { database } = store;
  inTransaction(database, () => {
    for (const { familyId, turn, standings: now } of answers) {
      const here = and(eq(due.familyId, familyId), eq(due.turn, turn));
      if (database.delete(due).where(here).run().changes === 0) continue;
      database.delete(standings).where(eq(standings.familyId, familyId)).run();
      database.delete(findings).where(eq(findings.familyId, familyId)).run();
      for (const { findings: found, ...standing } of now) {
        database
          .insert(standings)
          .values({ familyId, ...standing })
          .run();
        for (const one of found)
          database
            .insert(findings)
            .values({ familyId, account: standing.account, ...one })
            .run();
      }
    }
  });
  store.bell.ring({ standings: answers.map((one) => one.familyId) });
}
