/** What was read of files for families, taken in as one change. */
import { freeze } from '@loom-kin/core';
import type { ChangeDone } from '@loom-kin/contract';
import { hasFamily } from '../families/load';
import { familiesMade } from '../lists/foundFiles';
import type { Store } from '../store/store';
import { countPieces } from './countPieces';
import type { FoundFamily } from './foundFamily';
import { stateOf } from './stateOf';
import { workChange, type TellProgress } from './runChange';
import { familyIn, putFamily, type Work } from './work';

export interface FoundOrder extends FoundFamily {
  key: string;
  title: string;
}

/** What was read of a list: its families lie beside it. */
export interface ListOrder {
  key: string;
  title: string;
  path: string;
  /** The state of the catalogue that they were made for. */
  state: string;
  /** Of all its families. */
  children: number;
  /** Whether children that it says are to go do so. */
  deletions: boolean;
}

/** The change, or null where somebody has changed a family since: it has to be read anew. */
export const takeFound = (store: Store, { key, title, ...found }: FoundOrder): ChangeDone | null =>
  takeFamilies(store, { key, title }, [found]);

/** The same for all families of a list, as one change. */
export const takeList = (
  store: Store,
  { key, title, path, state, deletions }: ListOrder,
  tell?: TellProgress,
): ChangeDone | null =>
  // Another list may have been stored while this one waited in line.
  state === stateOf(store.database)
    ? takeFamilies(store, { key, title }, familiesMade(path, deletions ? 'go' : 'stay'), tell)
    : null;

function takeFamilies(
  store: Store,
  order: { key: string; title: string },
  families: readonly FoundFamily[],
  tell?: TellProgress,
): ChangeDone | null {
  let isOvertaken = false;
  try {
    return workChange(store, { ...order, tell }, 'you', (work) => {
      isOvertaken = families.some(({ family, revision }) => revisionOf(work, family.id) !== revision);
      if (isOvertaken) throw new Error('overtaken');
      for (const found of families) take(work, found);
    });
  } catch (error) {
    if (isOvertaken) return null;
    throw error;
  }
}

const revisionOf = (work: Work, id: string): number | null =>
  hasFamily(work.store.database, id) ? familyIn(work, id).revision : null;

function take(work: Work, { revision, family, pieces }: FoundFamily): void {
  // On its way between threads it lost that it is frozen.
  if (family.revision !== revision) putFamily(work, freeze(family, true));
  if (revision === null) work.started.push(family.id);
  countPieces(work, family.id, { kind: 'counted', counts: pieces });
}
