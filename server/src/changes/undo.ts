/**
 * Taking a change back as a whole, wherever it was made and however many things it touched, and making it again. Where a later
 * change stands on one of its places it says which, and nothing is done by half.
 */
import { and, eq } from 'drizzle-orm';
import { applyPatch, sharedPlace } from '@loom-kin/core/difference';
import { type Family, freeze } from '@loom-kin/core/family';
import { Refusal } from '@loom-kin/core/refusal';
import type { ChangeDone } from '@loom-kin/contract';
import { hasFamily, loadFamily } from '../store/loadFamily';
import { removeFamily } from '../families/remove';
import { releaseIdentifiers } from '../identifiers/identifiers';
import { saveFamily, saveStockSum } from '../families/save';
import { dueAfter } from '../fitQueue/due';
import { repeatMoves } from '../stock/ledger';
import { inTransaction } from '../store/database';
import { readDocument, removeDocument, writeDocument } from '../store/documents';
import { changeParts, dispatchLines } from '../store/schema';
import type { Store } from '../store/store';
import { keepBoundSkus, skuHolders } from '../identifiers/boundSkus';
import {
  changeOf,
  changeOfKey,
  laterParts,
  markChange,
  partsOf,
  writeChange,
  type ChangeRow,
  type PartRow,
} from '../journal/journal';
import { withBundles } from './bundles';
import { emitChanges } from './emitChanges';
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
  emitChanges(store, withBundles(store, parts));
  const ids = parts.filter((part) => part.thing === 'family').map((part) => part.thingId);
  const there = ids.filter((id) => hasFamily(store.database, id));
  const revisions = Object.fromEntries(there.map((id) => [id, loadFamily(store.database, id).revision]));
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
  for (const part of parts) requireLater(store, change, part, direction);
  if (direction === 'undo') for (const part of parts) if (part.made) requireBegun(store, change, part);
  const at = new Date().toISOString();
  // Pieces of a family go before it, and come back after it.
  const order = [...parts].sort((a, b) => Number(b.made) - Number(a.made));
  const turned = new Map(parts.flatMap((part) => turnedFamily(store, part, direction)));
  for (const { before, after } of turned.values()) releaseIdentifiers(store.database, before, after);
  const begun = parts.flatMap((part) => (part.made ? [begunFamily(store, part, direction)] : []));
  // Numbers of a family that goes are free for those that had them before it.
  if (direction === 'undo')
    for (const family of begun) releaseIdentifiers(store.database, family, { ...family, children: {}, shelf: {} });
  const isHeldBy = skuHolders([
    ...[...turned.values()].map(({ after }) => after),
    ...(direction === 'redo' ? begun : []),
  ]);
  for (const part of direction === 'undo' ? order.reverse() : order) {
    if (part.made) turnBegun(store, part, direction, at);
    else if (part.thing === 'family') {
      const family = turned.get(part.thingId);
      if (family) storeTurned(store, family, isHeldBy, at);
    } else turnPart(store, { part, direction, key, at });
  }
  noteTurn(store, change, parts, { direction, key, actor, at });
  const isGone = (part: PartRow) => !hasFamily(store.database, part.thingId);
  dueAfter(
    store,
    withBundles(
      store,
      parts.filter((part) => (part.thing !== 'family' && part.thing !== 'stock') || !isGone(part)),
    ),
  );
}

/** Writes into the journal that a change was taken back, or made again. */
function noteTurn(
  { database }: Store,
  change: ChangeRow,
  parts: readonly PartRow[],
  { direction, ...heading }: { direction: Direction; key: string; actor: string; at: string },
): void {
  const isUndo = direction === 'undo';
  const title = `${isUndo ? 'Take back' : 'Make again'}: ${change.title}`;
  const told = parts.map(({ thing, thingId, lines }) => ({
    thing,
    thingId,
    lines: isUndo ? lines.map((line) => ({ ...line, before: line.after, after: line.before })) : lines,
  }));
  writeChange(database, { ...heading, kind: direction, title, of: change.id }, told);
  markChange(database, change.id, isUndo ? 'undone' : 'done');
}

/** Refuses where a later change, still standing, touched one of the same places. Moved pieces can always be moved back. */
function requireLater(store: Store, change: ChangeRow, part: PartRow, direction: Direction): void {
  if (part.forward.length === 0 || part.made) return;
  for (const later of laterParts(store.database, change.id, part)) {
    if (sharedPlace(part.forward, later.forward) === undefined) continue;
    const code = direction === 'undo' ? 'undo.overtaken' : 'redo.overtaken';
    throw new Refusal(code, { title: change.title, later: later.title }, { detail: { changeId: later.changeId } });
  }
}

/** A family that was begun goes again only while nothing else was done with it and nothing was sent. */
function requireBegun({ database }: Store, change: ChangeRow, { thingId }: PartRow): void {
  for (const thing of ['family', 'stock'] as const) {
    const [later] = laterParts(database, change.id, { thing, thingId });
    if (later)
      throw new Refusal(
        'undo.overtaken',
        { title: change.title, later: later.title },
        { detail: { changeId: later.changeId } },
      );
  }
  const sent = database
    .select({ id: dispatchLines.id })
    .from(dispatchLines)
    .where(eq(dispatchLines.familyId, thingId))
    .get();
  if (sent) throw new Refusal('undo.sent', { label: String(loadFamily(database, thingId).fields.name) });
}

/** A family that was begun with a change: as it is, or as it was kept when it went. */
function begunFamily(store: Store, part: PartRow, direction: Direction): Family {
  if (direction === 'undo') return loadFamily(store.database, part.thingId);
  const [kept] = part.forward as { value: Family }[];
  return freeze(kept!.value, true);
}

/** Takes a family that was begun away whole, and brings it back as it was: it is kept with the change meanwhile. */
function turnBegun(store: Store, part: PartRow, direction: Direction, at: string): void {
  const family = begunFamily(store, part, direction);
  if (direction === 'redo') return saveFamily(store, null, family, at);
  store.database
    .update(changeParts)
    .set({ forward: [{ op: 'add', path: '', value: family }] })
    .where(
      and(
        eq(changeParts.changeId, part.changeId),
        eq(changeParts.thing, 'family'),
        eq(changeParts.thingId, part.thingId),
      ),
    )
    .run();
  removeFamily(store, family.id);
}

/** Turns what is neither a family nor begun. Its key names this turn: taken back again, the same pieces move again. */
function turnPart(
  store: Store,
  { part, direction, key, at }: { part: PartRow; direction: Direction; key: string; at: string },
): void {
  const patch = direction === 'undo' ? part.inverse : part.forward;
  if (part.thing === 'stock') {
    repeatMoves(store.database, part.thingId, part.moves, direction === 'undo' ? -1 : 1, `${key}:${part.thingId}`, at);
    saveStockSum(store, loadFamily(store.database, part.thingId));
    return;
  }
  const before = readDocument(store.database, z.unknown(), part.thing, part.thingId);
  const { doc } = applyPatch<{ doc: unknown }>({ doc: before }, patch);
  if (doc === undefined) removeDocument(store.database, part.thing, part.thingId);
  else writeDocument(store.database, part.thing, part.thingId, doc);
}

interface Turned {
  before: Family;
  after: Family;
}

/** A family as it is after the change is taken back or made again; none where it is begun with it, or nothing of it differs. */
function turnedFamily(store: Store, part: PartRow, direction: Direction): [string, Turned][] {
  const patch = direction === 'undo' ? part.inverse : part.forward;
  if (part.thing !== 'family' || part.made || patch.length === 0) return [];
  const before = loadFamily(store.database, part.thingId);
  const after = freeze({ ...applyPatch(before, patch), revision: before.revision + 1 }, true);
  return [[part.thingId, { before, after }]];
}

function storeTurned(
  store: Store,
  { before, after }: Turned,
  isHeldBy: ReturnType<typeof skuHolders>,
  at: string,
): void {
  keepBoundSkus(store, before, after, (sku) => isHeldBy(sku, after.id));
  saveFamily(store, before, after, at);
}
