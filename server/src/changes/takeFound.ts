/** What was read of a file for a family, taken in as one change. */
import { freeze, type Family } from '@loom-kin/core';
import type { ChangeDone } from '@loom-kin/contract';
import { hasFamily } from '../families/load';
import type { Count } from '../stock/ledger';
import type { Store } from '../store/store';
import { countPieces } from './countPieces';
import { workChange } from './runChange';
import { familyIn, putFamily } from './work';

export interface FoundOrder {
  key: string;
  title: string;
  familyId: string;
  /** The revision it was read against; null for a family that was not there. */
  revision: number | null;
  /** The family after it. */
  family: Family;
  pieces: readonly Count[];
}

/** The change, or null where somebody has changed the family since: it has to be read anew. */
export function takeFound(
  store: Store,
  { familyId, revision, family, pieces, ...order }: FoundOrder,
): ChangeDone | null {
  let isOvertaken = false;
  try {
    return workChange(store, order, 'you', (work) => {
      const held = hasFamily(store.database, familyId) ? familyIn(work, familyId).revision : null;
      isOvertaken = held !== revision;
      if (isOvertaken) throw new Error('overtaken');
      // On its way between threads it lost that it is frozen.
      if (family.revision !== revision) putFamily(work, freeze(family, true));
      countPieces(work, familyId, { kind: 'counted', counts: pieces });
    });
  } catch (error) {
    if (isOvertaken) return null;
    throw error;
  }
}
