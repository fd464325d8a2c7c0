/**
 * Keeps the standings of all families: works off the due list in worker threads and stores what they say. The list survives a
 * restart; an answer that a newer change has overtaken is thrown away.
 */
import { and, asc, eq } from 'drizzle-orm';
import type { Logger } from 'pino';
import { endJob, setJob } from '../jobs/jobs';
import { inTransaction } from '../store/database';
import { due, findings, standings } from '../store/schema';
import type { Store } from '../store/store';
import type { FitPool } from './pool';
import { recheckStands, tellRecheck } from './recheck';
import type { FamilyStandings } from './worker';

/** So many families are given to a thread at once. */
const AT_ONCE = 12;

export interface Keeper {
  /** Looks whether something is due. */
  kick(): void;
  /** Stops the re-check of many families; what the seller changes is still looked at. */
  stop(id: string): void;
  resume(id: string): void;
  close(): Promise<void>;
}

export function createKeeper(store: Store, pool: FitPool, log: Logger): Keeper {
  let working: Promise<void> | null = null;
  let closed = false;

  async function workOff(): Promise<void> {
    for (;;) {
      tellRecheck(store);
      const ids = nextDue(store);
      if (ids.length === 0 || closed) return;
      const answers = await pool.standings(ids);
      if (closed) return;
      storeStandings(store, answers);
    }
  }

  function kick(): void {
    if (working || closed) return;
    // Begun later: what it does at once may ring the bell, and be heard here.
    working = Promise.resolve()
      .then(workOff)
      .catch((error: unknown) => {
        if (!closed) log.error({ err: error }, 'standings could not be worked out');
      })
      .finally(() => {
        working = null;
        if (!closed && nextDue(store).length > 0) setTimeout(kick, 1000).unref();
      });
  }

  const deaf = store.bell.listen(kick);
  return {
    kick,
    stop: (id) => void endJob(store, id, 'stopped'),
    resume(id) {
      setJob(store, id, { state: 'running', endedAt: null });
      kick();
    },
    close: async () => {
      closed = true;
      deaf();
      await working;
    },
  };
}

/** What is due next: what the seller just changed, then those that one reason made due together, unless that is stopped. */
function nextDue(store: Store): string[] {
  const rows = store.database
    .select({ id: due.familyId })
    .from(due)
    .where(recheckStands(store) ? eq(due.among, false) : undefined)
    .orderBy(asc(due.among), asc(due.familyId))
    .limit(AT_ONCE)
    .all();
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
