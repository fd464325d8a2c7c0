/**
 * Works out anew how every family stands after a change that reaches all of them: a few at a time, so that nobody
 * waits for it.
 */
import { asc, gt } from 'drizzle-orm';
import { inTransaction, type Database } from '../store/database';
import { families } from '../store/schema';
import { fitWorld, refreshFits } from './fits';

const AT_ONCE = 10;

export interface Refresher {
  /** Begins anew from the first family, with what holds now. */
  all(): void;
  stop(): void;
}

export function createRefresher(database: Database): Refresher {
  let after = '';
  let turn: NodeJS.Immediate | undefined;
  let world = fitWorld(database);

  function some(): void {
    turn = undefined;
    const rows = database
      .select({ id: families.id, doc: families.doc, revision: families.revision })
      .from(families)
      .where(gt(families.id, after))
      .orderBy(asc(families.id))
      .limit(AT_ONCE)
      .all();
    if (rows.length === 0) return;
    inTransaction(database, () =>
      rows.forEach(({ doc, revision }) => refreshFits(database, Object.freeze({ ...doc, revision }), world)),
    );
    after = rows.at(-1)!.id;
    turn = setImmediate(some);
  }

  return {
    all() {
      after = '';
      world = fitWorld(database);
      turn ??= setImmediate(some);
    },
    stop() {
      if (turn) clearImmediate(turn);
    },
  };
}
