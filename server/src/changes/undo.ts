/**
 * Taking a change back as a whole, wherever it was made and however many things it touched, and making it again. Where a later
 * change stands on one of its places it says which, and nothing is done by half.
 */
import { applyPatch, freeze, Refusal, sharedPlace, type Family } from '@loom-kin/core';
import type { ChangeDone } from '@loom-kin/contract';
import { loadFamily } from '../families/load';
import { saveFamily, saveStockSum } from '../families/save';
import { dueAfter } from '../fits/due';
import { repeatMoves } from '../stock/ledger';
import { inTransaction } from '../store/database';
import { readDocument, removeDocument, writeDocument } from '../store/documents';
import type { Store } from '../store/store';
import { keepBoundSkus } from './boundSkus';
import {
  changeOf,
  changeOfKey,
  laterParts,
  markChange,
  partsOf,
  writeChange,
  type ChangeRow,
  type PartRow,
} from './journal';
import { ringFor } from './ring';
import { z } from 'zod';

type Direction = 'undo' | 'redo';

/** Takes a change back (undo) or makes it again (redo). The same key again does nothing more. */
export function stepBack(store: Store, changeId: number, direction: Direction, key: string, actor = 'you'): ChangeDone {
  const made = inTransaction(store.database, () => {
    const change = changeOf(store.database, changeId);
    if (!change || change.kind !== 'change') throw new Refusal('change.unknown', {});
    const parts = partsOf(store.database, changeId);
    if (!changeOfKey(store.database, key)) turn(store, change, parts, direction, key, actor);
    return { change, parts };
  });
  const { change, parts } = made;
  if (parts.some((part) => part.thing !== 'family' && part.thing !== 'stock')) store.forgetCatalogue();
  ringFor(store, parts);
  const ids = parts.filter((part) => part.thing === 'family').map((part) => part.thingId);
  const revisions = Object.fromEntries(ids.map((id) => [id, loadFamily(store.database, id).revision]));
  return { id: change.id, title: change.title, revisions, started: [], notices: [] };
}

function turn(
  store: Store,
  change: ChangeRow,
  parts: readonly PartRow[],
  direction: Direction,
  key: string,
  actor: string,
): void {
  if (change.state !== (direction === 'undo' ? 'done' : 'undone')) throw new Refusal(`${direction}.nothing`, {});
  if (parts.some((part) => part.made)) throw new Refusal('undo.first', {});
  for (const part of parts) mindLater(store, change, part, direction);
  const at = new Date().toISOString();
  for (const part of parts) turnPart(store, change, part, direction, at);
  const title = `${direction === 'undo' ? 'Take back' : 'Make again'}: ${change.title}`;
  const told = parts.map(({ thing, thingId, lines }) => ({
    thing,
    thingId,
    lines: direction === 'undo' ? lines.map((line) => ({ ...line, before: line.after, after: line.before })) : lines,
  }));
  writeChange(store.database, { key, actor, at, kind: direction, title, of: change.id }, told);
  markChange(store.database, change.id, direction === 'undo' ? 'undone' : 'done');
  dueAfter(store, parts);
}

/** Refuses where a later change, still standing, touched one of the same places. Moved pieces can always be moved back. */
function mindLater(store: Store, change: ChangeRow, part: PartRow, direction: Direction): void {
  if (part.forward.length === 0) return;
  for (const later of laterParts(store.database, change.id, part)) {
    if (sharedPlace(part.forward, later.forward) === undefined) continue;
    const code = direction === 'undo' ? 'undo.overtaken' : 'redo.overtaken';
    throw new Refusal(code, { title: change.title, later: later.title }, { detail: { changeId: later.changeId } });
  }
}

function turnPart(store: Store, change: ChangeRow, part: PartRow, direction: Direction, at: string): void {
  const patch = direction === 'undo' ? part.inverse : part.forward;
  if (part.thing === 'stock') {
    repeatMoves(
      store.database,
      part.thingId,
      part.moves,
      direction === 'undo' ? -1 : 1,
      `${direction}:${change.id}:${at}`,
      at,
    );
    saveStockSum(store, loadFamily(store.database, part.thingId));
  } else if (part.thing !== 'family') {
    const before = readDocument(store.database, z.unknown(), part.thing, part.thingId);
    const { doc } = applyPatch<{ doc: unknown }>({ doc: before }, patch);
    if (doc === undefined) removeDocument(store.database, part.thing, part.thingId);
    else writeDocument(store.database, part.thing, part.thingId, doc);
  } else if (patch.length > 0) {
    const before = loadFamily(store.database, part.thingId);
    const family: Family = freeze({ ...applyPatch(before, patch), revision: before.revision + 1 }, true);
    keepBoundSkus(store, before, family);
    saveFamily(store, before, family, at);
  }
}
