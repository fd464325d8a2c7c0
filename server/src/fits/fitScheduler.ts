/**
 * Keeps the standings of all families: works off the due list in worker threads and stores what they say. The list survives a
 * restart; an answer that a newer change has overtaken is thrown away.
 */
import { and, asc, eq, sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import { endJob, setJob } from '../jobs/jobs';
import { inLossyTransaction } from '../store/database';
import { prepared } from '../store/prepared';
import { due, findings, standings } from '../store/schema';
import type { Store } from '../store/store';
import type { FitPool } from './pool';
import { recheckStands, tellRecheck } from './recheck';
import type { DueFamily, FamilyStandings } from './worker';

/** So many families are given to a thread at once: few, so that what is typed meanwhile has its turn soon. */
const AT_ONCE = 8;

export interface FitScheduler {
  /** Looks whether something is due. */
  kick(): void;
  /** Stops the re-check of many families; what the seller changes is still looked at. */
  stop(id: string): void;
  resume(id: string): void;
  close(): Promise<void>;
}

export function createFitScheduler(store: Store, pool: FitPool, log: Logger): FitScheduler {
  let working: Promise<void> | null = null;
  let closed = false;

  /** The batches that are being worked on, by the ids of their families. */
  const underWay = new Map<string, Promise<Batch>>();
  /** Has the work under way look for more. */
  let wake: () => void = () => undefined;

  /** Gives out what is due: as many batches as there are threads, and one more, and whatever the seller just changed. */
  function giveOut(): void {
    for (;;) {
      const batch = closed ? null : nextDue(store, idsIn(underWay));
      if (!batch || (batch.isBehind && underWay.size > pool.width)) return;
      const name = batch.families.map(({ familyId }) => familyId).join();
      const working = pool.standings(batch.families, batch.isBehind).then((answers) => ({ name, answers }));
      underWay.set(name, working);
      // Whoever waits for any of them hears of it.
      working.catch(() => underWay.delete(name));
    }
  }

  async function workOff(): Promise<void> {
    await store.whenQuiet(() => {
      tellRecheck(store);
      giveOut();
    });
    // What is due and what holds for all families are read together only where nobody stores beside.
    for (; underWay.size > 0; await store.whenQuiet(giveOut)) {
      const woken = new Promise<null>((resolve) => (wake = () => resolve(null)));
      const batch = await Promise.race([...underWay.values(), woken]);
      if (!batch) {
        // Something became due meanwhile, perhaps for many.
        await store.whenQuiet(() => tellRecheck(store));
        continue;
      }
      await store.whenQuiet(() => {
        if (closed) return;
        storeStandings(store, batch.answers);
        underWay.delete(batch.name);
        tellRecheck(store);
      });
      if (closed) return;
    }
  }

  function kick(): void {
    if (working) return wake();
    if (closed) return;
    // Begun later: what it does at once may emit an event, which is heard here.
    working = Promise.resolve()
      .then(workOff)
      .catch((error: unknown) => {
        if (!closed) log.error({ err: error }, 'standings could not be worked out');
      })
      .finally(() => {
        working = null;
        if (!closed && nextDue(store)) setTimeout(kick, 1000).unref();
      });
  }

  const unsubscribe = store.events.subscribe(kick);
  return {
    kick,
    stop: (id) => void endJob(store, id, 'stopped'),
    resume(id) {
      setJob(store, id, { state: 'running', endedAt: null });
      kick();
    },
    close: async () => {
      closed = true;
      unsubscribe();
      await working;
    },
  };
}

interface Batch {
  name: string;
  answers: readonly FamilyStandings[];
}

/** Ids of the families that are being worked on. */
const idsIn = (underWay: ReadonlyMap<string, unknown>) =>
  new Set([...underWay.keys()].flatMap((name) => name.split(',')));

const dueInOrder = prepared((database) =>
  database
    .select({ familyId: due.familyId, turn: due.turn, among: due.among })
    .from(due)
    .orderBy(asc(due.among), asc(due.familyId))
    .limit(sql.placeholder('most'))
    .prepare(),
);
const dueAlone = prepared((database) =>
  database
    .select({ familyId: due.familyId, turn: due.turn, among: due.among })
    .from(due)
    .where(eq(due.among, false))
    .orderBy(asc(due.familyId))
    .limit(sql.placeholder('most'))
    .prepare(),
);

/** What is due next: what the seller just changed, then those that one reason made due together, unless that is stopped. */
function nextDue(
  store: Store,
  without: ReadonlySet<string> = new Set(),
): { families: DueFamily[]; isBehind: boolean } | null {
  const asked = recheckStands(store) ? dueAlone : dueInOrder;
  const rows = asked(store.database)
    .all({ most: AT_ONCE + without.size })
    .filter((row) => !without.has(row.familyId));
  const [first] = rows;
  if (!first) return null;
  const alike = rows.filter((row) => row.among === first.among).slice(0, AT_ONCE);
  return { families: alike.map(({ familyId, turn }) => ({ familyId, turn })), isBehind: first.among };
}

/** Stores what threads answered. A family stays due until its answer is stored, so that one that is lost is worked out again. */
function storeStandings(store: Store, answers: readonly FamilyStandings[]): void {
  const { database } = store;
  const put = writers(database);
  inLossyTransaction(database, () => {
    for (const { familyId, turn, standings: now } of answers) {
      if (put.clearDue.run({ familyId, turn }).changes === 0) continue;
      put.clearStandings.run({ familyId });
      put.clearFindings.run({ familyId });
      for (const { findings: found, ...standing } of now) {
        put.standing.run({ familyId, ...standing });
        for (const one of found) put.finding.run({ familyId, account: standing.account, ...one });
      }
    }
  });
  store.events.emit({ standings: answers.map((one) => one.familyId) });
}

/** Statements that run by the ten thousand in a re-check. */
const writers = prepared((database) => {
  const given = sql.placeholder;
  const ofFamily = given('familyId');
  const common = { familyId: ofFamily, account: given('account') };
  return {
    clearDue: database
      .delete(due)
      .where(and(eq(due.familyId, ofFamily), eq(due.turn, given('turn'))))
      .prepare(),
    clearStandings: database.delete(standings).where(eq(standings.familyId, ofFamily)).prepare(),
    clearFindings: database.delete(findings).where(eq(findings.familyId, ofFamily)).prepare(),
    standing: database
      .insert(standings)
      .values({ ...common, state: given('state'), stops: given('stops'), warns: given('warns') })
      .prepare(),
    finding: database
      .insert(findings)
      .values({
        ...common,
        code: given('code'),
        key: given('key'),
        severity: given('severity'),
        count: given('count'),
        children: given('children'),
      })
      .prepare(),
  };
});
