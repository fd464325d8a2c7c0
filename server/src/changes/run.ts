/**
 * The one write path: validate, load, run the pure function, store the difference with a journal entry, refresh the
 * fits.
 */
import { randomBytes } from 'node:crypto';
import { inArray } from 'drizzle-orm';
import {
  applyPatch,
  checkFamily,
  createFamily,
  describeChange,
  FamilySchema,
  freeze,
  liveSkuText,
  placeLabel,
  Refusal,
  replaceWith,
  runCommand,
  skusGone,
  titleOf,
  type Command,
  type CreateFamily,
  type Family,
  type JsonPatch,
  type Pairing,
} from '@loom-kin/core';
import { inTransaction, type Database } from '../store/database';
import { movements, pictures } from '../store/schema';
import { takeNumbers } from '../catalogue/seller';
import { readChannel, writePairings } from '../catalogue/channels';
import { loadFamily, loadStock, saveFamily } from '../families/save';
import { liveOf, refreshFits } from '../fits/fits';
import { EMPTY, firstUndone, isMade, lastDone, markEntry, writeEntry } from './journal';

const now = () => new Date().toISOString();

/** The family at its next revision, for changes of what is kept beside it. */
const raised = (family: Family): Family => Object.freeze({ ...family, revision: family.revision + 1 });

/** A new family id: short, since it becomes the key of listings. */
export function newFamilyId(): string {
  const letters = '23456789abcdefghjkmnpqrstuvwxyz';
  return 'k' + [...randomBytes(7)].map((byte) => letters[byte % letters.length]).join('');
}

/** Starts a family and returns it. */
export function startFamily(database: Database, spec: CreateFamily): Family {
  return inTransaction(database, () => {
    const family = createFamily(spec);
    const at = now();
    saveFamily(database, null, family, {}, at);
    writeEntry(database, {
      familyId: family.id,
      revision: 1,
      at,
      kind: 'change',
      title: 'Start the family',
      doc: { ...EMPTY, lines: describeChange(null, family) },
    });
    refreshFits(database, family);
    return family;
  });
}

/**
 * Runs a command on the revision the caller saw. A stale one is refused with what changed since; one whose key was
 * run before is done.
 */
export function run(database: Database, familyId: string, revision: number, command: Command, key?: string): Family {
  return inTransaction(database, () => {
    const before = loadFamily(database, familyId);
    if (key && isMade(database, familyId, key)) return before;
    if (before.revision !== revision) {
      throw new Refusal(
        'family.stale',
        `The family was changed meanwhile: it is at revision ${before.revision}, you saw ${revision}. It is loaded anew; do it again.`,
        undefined,
        { revision: before.revision, last: lastDone(database, familyId)?.title },
      );
    }
    checkPictures(database, command);
    const changed = runCommand(before, command);
    if (changed.forward.length === 0) return before;
    storeChange(database, before, changed.family, {
      title: titleOf(command, before),
      forward: changed.forward,
      inverse: changed.inverse,
      key,
    });
    return changed.family;
  });
}

function storeChange(
  database: Database,
  before: Family,
  family: Family,
  entry: { title: string; forward: JsonPatch; inverse: JsonPatch; key?: string | undefined },
): void {
  keepLiveSkus(database, before, family);
  const at = now();
  saveFamily(database, before, family, loadStock(database, family.id), at);
  writeEntry(database, {
    familyId: family.id,
    revision: family.revision,
    at,
    kind: 'change',
    title: entry.title,
    key: entry.key,
    doc: { ...EMPTY, forward: entry.forward, inverse: entry.inverse, lines: describeChange(before, family) },
  });
  refreshFits(database, family);
}

/**
 * A SKU that a channel lists is how its orders find the child: it is not taken away or renamed while it stands there.
 */
function keepLiveSkus(database: Database, before: Family, after: Family): void {
  const gone = new Map(skusGone(before, after).map((one) => [one.sku, one.childId]));
  if (gone.size === 0) return;
  for (const { channel, listing } of liveOf(database, before.id)) {
    const offer = listing.offers.find((one) => gone.has(one.sku));
    if (offer)
      throw new Refusal('sku.live', liveSkuText(offer.sku, readChannel(database, channel).rulebook.name), {
        level: 'child',
        childId: gone.get(offer.sku)!,
        key: 'sku',
      });
  }
}

function checkPictures(database: Database, command: Command): void {
  const wanted = (command.do === 'batch' ? command.commands : [command]).flatMap((one) =>
    one.do === 'setPictures' ? one.pictures : [],
  );
  if (wanted.length === 0) return;
  const known = new Set(
    database
      .select({ id: pictures.id })
      .from(pictures)
      .where(inArray(pictures.id, wanted))
      .all()
      .map((row) => row.id),
  );
  if (wanted.some((id) => !known.has(id)))
    throw new Refusal('picture.unknown', 'A picture of this change was never taken in.');
}

/** Brings a family to what a family file says, as one change; the same object comes back when nothing differs. */
export function replaceFamily(database: Database, before: Family, wanted: Family): Family {
  const changed = replaceWith(before, wanted);
  if (changed.forward.length > 0)
    storeChange(database, before, changed.family, {
      title: 'Take a family file in',
      forward: changed.forward,
      inverse: changed.inverse,
    });
  return changed.forward.length > 0 ? changed.family : before;
}

/** Makes a family that came as a file. */
export function takeInFamily(database: Database, given: Family): Family {
  const wanted = freeze(given, true);
  checkFamily(wanted);
  saveFamily(database, null, wanted, {}, now());
  writeEntry(database, {
    familyId: wanted.id,
    revision: wanted.revision,
    at: now(),
    kind: 'change',
    title: 'Take a family file in',
    doc: { ...EMPTY, lines: describeChange(null, wanted) },
  });
  refreshFits(database, wanted);
  return wanted;
}

/**
 * Takes the last change back, or makes it again. Patches go on the family, movements into the ledger, pairings back.
 */
export function stepBack(database: Database, familyId: string, kind: 'undo' | 'redo'): Family {
  return inTransaction(database, () => {
    const entry = kind === 'undo' ? lastDone(database, familyId) : firstUndone(database, familyId);
    if (!entry)
      throw new Refusal(
        `${kind}.nothing`,
        kind === 'undo' ? 'There is nothing left to take back.' : 'There is nothing to make again.',
      );
    const before = loadFamily(database, familyId);
    const patch = kind === 'undo' ? entry.doc.inverse : entry.doc.forward;
    const patched = patch.length === 0 ? before : applyPatch(before, patch);
    const family = freeze(FamilySchema.parse({ ...patched, revision: before.revision + 1 }), true);
    keepLiveSkus(database, before, family);
    const sign = kind === 'undo' ? -1 : 1;
    const at = now();
    for (const [number, { childId, pieces }] of entry.doc.stock.entries())
      move(
        database,
        familyId,
        { key: `${kind}:${entry.id}:${before.revision}:${number}`, childId, kind: 'counted', pieces: sign * pieces },
        at,
      );
    if (entry.doc.pairings.after.length > 0)
      writePairings(database, kind === 'undo' ? entry.doc.pairings.before : entry.doc.pairings.after);
    saveFamily(database, before, family, loadStock(database, familyId), at);
    const lines = entry.doc.lines.map((line) =>
      kind === 'undo' ? { ...line, before: line.after, after: line.before } : line,
    );
    writeEntry(database, {
      familyId,
      revision: family.revision,
      at,
      kind,
      title: `${kind === 'undo' ? 'Take back' : 'Make again'}: ${entry.title}`,
      doc: { ...EMPTY, lines },
    });
    markEntry(database, entry.id, kind === 'undo' ? 'undone' : 'done');
    refreshFits(database, family);
    return family;
  });
}

interface Movement {
  key: string;
  childId: string;
  kind: 'received' | 'counted' | 'sold' | 'returned';
  pieces: number;
}

/** One movement of the ledger; false where its key stands in it already. */
function move(database: Database, familyId: string, movement: Movement, at: string): boolean {
  const done = database
    .insert(movements)
    .values({ ...movement, familyId, at })
    .onConflictDoNothing()
    .run();
  if (done.changes === 0) return false;
  database.$client
    .prepare(
      'INSERT INTO stock_levels (child_id, family_id, pieces) VALUES (?, ?, ?) ON CONFLICT (child_id) DO UPDATE SET pieces = pieces + excluded.pieces',
    )
    .run(movement.childId, familyId, movement.pieces);
  return true;
}

/** Sets counted pieces. The ledger gets the difference to what it held; the same key again changes nothing. */
export function countStock(
  database: Database,
  familyId: string,
  key: string,
  counts: readonly { childId: string; pieces: number }[],
): Family {
  return inTransaction(database, () => {
    const family = loadFamily(database, familyId);
    if (isMade(database, familyId, key)) return family;
    const held = loadStock(database, familyId);
    const at = now();
    const moved = counts.flatMap(({ childId, pieces }, number) => {
      if (!family.children[childId])
        throw new Refusal(
          'child.unknown',
          'A child of this count is not in the family any more. Load the family anew.',
        );
      const difference = pieces - (held[childId] ?? 0);
      if (
        difference === 0 ||
        !move(database, familyId, { key: `${key}:${number}`, childId, kind: 'counted', pieces: difference }, at)
      )
        return [];
      return [{ childId, pieces: difference, before: held[childId] ?? 0, after: pieces }];
    });
    if (moved.length === 0) return family;
    const next = raised(family);
    saveFamily(database, family, next, loadStock(database, familyId), at);
    const where = (childId: string) => placeLabel(family, { level: 'child', childId });
    writeEntry(database, {
      familyId,
      revision: next.revision,
      at,
      kind: 'change',
      key,
      title:
        moved.length === 1 ? `Count stock of ${where(moved[0]!.childId)}` : `Count stock of ${moved.length} children`,
      doc: {
        ...EMPTY,
        stock: moved.map(({ childId, pieces }) => ({ childId, pieces })),
        lines: moved.map((one) => ({
          where: where(one.childId),
          what: 'Stock',
          before: String(one.before),
          after: String(one.after),
        })),
      },
    });
    refreshFits(database, next);
    return next;
  });
}

/** Gives children the next free numbers of a block, as one change. */
export function giveNumbers(
  database: Database,
  familyId: string,
  blockId: string | undefined,
  childIds: readonly string[],
): Family {
  const family = loadFamily(database, familyId);
  const numbers = takeNumbers(database, blockId, childIds.length);
  return run(database, familyId, family.revision, {
    do: 'setFigures',
    changes: childIds.map((childId, at) => ({ place: { level: 'child', childId }, key: 'gtin', figure: numbers[at]! })),
  });
}

/**
 * Pairs values. The pairing holds for every family; the change stands in the journal of the family it was made from.
 */
export function pair(database: Database, familyId: string, wanted: readonly Pairing[]): Family {
  return inTransaction(database, () => {
    const family = loadFamily(database, familyId);
    const before = writePairings(database, wanted);
    const next = raised(family);
    const at = now();
    saveFamily(database, family, next, loadStock(database, familyId), at);
    writeEntry(database, {
      familyId,
      revision: next.revision,
      at,
      kind: 'change',
      title: `Pair ${wanted.map((one) => one.value).join(', ')}`,
      doc: {
        ...EMPTY,
        pairings: { before, after: [...wanted] },
        lines: wanted.map((one, number) => ({
          where: readChannel(database, one.channel).rulebook.name,
          what: `Pairing of ${one.value}`,
          before: before[number]!.to,
          after: one.to,
        })),
      },
    });
    refreshFits(database, next);
    return next;
  });
}
