/** One family with everything its view needs. */
import type { FamilyDetail } from '@loom-kin/contract';
import { knownNumbersOf } from '../held/knownNumbers';
import { firstUndone, lastDone, newestKeys, stepBackOf } from '../journal/journal';
import { picturesIn } from '../pictures/pictureFacts';
import { loadStock, loadStockAt } from '../stock/ledger';
import type { Database } from '../store/database';
import { unconfirmedOf } from '../held/unconfirmed';
import { heldOf, loadFamily } from '../store/loadFamily';

export function familyDetail(database: Database, id: string): FamilyDetail {
  const family = loadFamily(database, id);
  return {
    family,
    stock: loadStock(database, id),
    stockAt: loadStockAt(database, id),
    pictures: picturesIn(database, family),
    live: heldOf(database, id),
    unconfirmed: unconfirmedOf(database, id),
    known: knownNumbersOf(database, id),
    undo: stepBackOf(database, id, lastDone(database, id)),
    redo: stepBackOf(database, id, firstUndone(database, id)),
    keys: newestKeys(database, id),
  };
}
