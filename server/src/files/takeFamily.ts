/** A family file taken in: a worker thread reads it, and what it makes is one change. */
import { randomUUID } from 'node:crypto';
import { freeze } from '@loom-kin/core';
import type { IntakeReport } from '@loom-kin/contract';
import { countPieces } from '../changes/countPieces';
import { workChange } from '../changes/runChange';
import { familyIn, putFamily } from '../changes/work';
import { hasFamily } from '../families/load';
import type { Store } from '../store/store';
import { Overtaken, withoutOvertaking } from './overtaken';
import type { FamilyFound } from './familyFile';
import type { FilePool } from './pool';

/** Takes a family file in: a family that is not there is made, one that is there is brought to what the file says. */
export async function takeFamilyFile(store: Store, files: FilePool, body: unknown): Promise<IntakeReport> {
  return withoutOvertaking(async () => take(store, await files.readFamily(body)));
}

function take(store: Store, { revision, family, pieces }: FamilyFound): IntakeReport {
  const { id } = family;
  // Each taking in is a change of its own.
  const order = { key: `file:${id}:${randomUUID()}`, title: 'Take a family file in' };
  const done = workChange(store, order, 'you', (work) => {
    const held = hasFamily(store.database, id) ? familyIn(work, id).revision : null;
    if (held !== revision) throw new Overtaken();
    // On its way between threads it lost that it is frozen.
    if (family.revision !== revision) putFamily(work, freeze(family, true));
    countPieces(work, id, 'counted', pieces);
  });
  const kind = revision === null ? 'new' : done.id === null ? 'same' : 'changed';
  const woven = Object.values(family.children).filter((child) => child.woven).length;
  const counts = { new: 0, changed: 0, same: 0, refused: 0, [kind]: woven };
  return { familyId: id, fileName: null, applied: kind !== 'same', rows: [], unknownColumns: [], counts };
}
