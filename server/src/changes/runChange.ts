/** The one write path: all steps of a change or none, in one transaction, with a heading and a part for each thing it touched. */
import { createHash } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { describeChange } from '@loom-kin/core/descriptions';
import { difference } from '@loom-kin/core/difference';
import type { Family } from '@loom-kin/core/family';
import { Refusal } from '@loom-kin/core/refusal';
import type { ChangeDone, Step } from '@loom-kin/contract';
import { learnFrom } from './learn';
import { releaseIdentifiers, usedBefore } from '../identifiers/identifiers';
import { loadFamily } from '../store/loadFamily';
import { saveFamily, saveStockSum } from '../families/save';
import { dueAfter } from '../fitQueue/due';
import { inTransaction } from '../store/database';
import { removeDocument, writeDocument } from '../store/documents';
import type { Store } from '../store/store';
import { keepBoundSkus, skuHolders } from '../identifiers/boundSkus';
import { renameInBundles, unknownParts, withBundles } from './bundles';
import { documentLines } from '../journal/documentLines';
import { changeOfKey, partsOf, writeChange, type ChangeRow, type Part } from '../journal/journal';
import { emitChanges } from './emitChanges';
import { doStep } from './steps';
import { newWork, type Work } from './work';

export interface ChangeOrder {
  key: string;
  title?: string | undefined;
  /** The family whose page it was made from: Ctrl Z there takes it back. */
  from?: string | undefined;
  steps: readonly Step[];
}

/** Hears how far the storing of a change is. */
export type TellProgress = (done: number, total: number) => void;
/** So many families are stored between two words about it. */
const TELL_EVERY = 100;

interface WorkOrder extends Omit<ChangeOrder, 'steps'> {
  /** A digest of the steps, where there are steps. */
  asked?: string | undefined;
  tell?: TellProgress | undefined;
}

/** Makes a change. The same key again is the change that was made. Throws a Refusal, with nothing changed, where a step cannot be done. */
export function runChange(store: Store, order: ChangeOrder, actor = 'you'): ChangeDone {
  const asked = digestOf(order.steps);
  return workChange(store, { ...order, asked }, actor, (work) => order.steps.forEach((step) => doStep(work, step)));
}

/** Steps made again on a newer revision are the same steps. */
const digestOf = (steps: readonly Step[]): string =>
  createHash('sha256')
    .update(JSON.stringify(steps, (name, part: unknown) => (name === 'revision' ? undefined : part)))
    .digest('hex');

/** The same for work that is not written as steps, such as taking a family file in. */
export function workChange(store: Store, order: WorkOrder, actor: string, doWork: (work: Work) => void): ChangeDone {
  const made = inTransaction(store.database, () => {
    const there = changeOfKey(store.database, order.key);
    if (there && order.asked && there.asked && there.asked !== order.asked) throw new Refusal('key.taken', {});
    if (there) return { done: doneBefore(store, there), parts: [] };
    // A step may write beside a family that an earlier one starts; it is stored at the end.
    store.database.run(sql`PRAGMA defer_foreign_keys = ON`);
    const work = newWork(store, order.key, new Date().toISOString());
    doWork(work);
    return storeWork(work, order, actor);
  });
  if (made.parts.some((part) => part.thing !== 'family' && part.thing !== 'stock')) store.forgetCatalogue();
  emitChanges(store, made.parts);
  return made.done;
}

function doneBefore({ database }: Store, change: ChangeRow): ChangeDone {
  const ids = partsOf(database, change.id).flatMap((part) => (part.thing === 'family' ? [part] : []));
  return {
    id: change.id,
    title: change.title,
    revisions: Object.fromEntries(ids.map((part) => [part.thingId, loadFamily(database, part.thingId).revision])),
    started: ids.filter((part) => part.made).map((part) => part.thingId),
    notices: [],
  };
}

function storeWork(
  work: Work,
  order: WorkOrder,
  actor: string,
): { done: ChangeDone; parts: readonly Pick<Part, 'thing' | 'thingId'>[] } {
  const { store } = work;
  renameInBundles(work);
  const notices = [...work.notices, ...unknownParts(work), ...usedBefore(store.database, [...work.families.values()])];
  const parts = [...storeDocuments(work), ...storeFamilies(work, order.tell), ...storeStock(work)];
  const revisions = Object.fromEntries([...work.families].map(([id, { now }]) => [id, now.revision]));
  const title = order.title ?? titleFor(work);
  if (parts.length === 0) return { done: { id: null, title, revisions, started: [], notices }, parts };
  // What was made from a family's page is taken back from there, too.
  if (order.from && !parts.some((part) => part.thing === 'family' && part.thingId === order.from)) {
    parts.push({ thing: 'family', thingId: order.from });
  }
  const id = writeChange(
    store.database,
    { key: order.key, asked: order.asked, actor, at: work.at, kind: 'change', title },
    parts,
  );
  learnFrom(store, [...work.families.values()]);
  const touched = withBundles(store, parts);
  dueAfter(store, touched);
  return { done: { id, title, revisions, started: work.started, notices }, parts: touched };
}

function titleFor({ titles }: Work): string {
  const [first, ...more] = [...new Set(titles)];
  if (!first) return 'Nothing';
  return more.length === 0
    ? first
    : `${first}, and ${more.length === 1 ? more[0]!.charAt(0).toLowerCase() + more[0]!.slice(1) : `${more.length} more`}`;
}

function storeFamilies({ store, families, at }: Work, tell: TellProgress = () => undefined): Part[] {
  const touched = [...families.values()].filter(({ before, now }) => before !== now);
  for (const { before, now } of touched) if (before) releaseIdentifiers(store.database, before, now);
  const isHeldBy = skuHolders(touched.map(({ now }) => now));
  return [...families].flatMap(([id, { before, now }], done): Part[] => {
    if (done % TELL_EVERY === 0) tell(done, families.size);
    if (before === now) return [];
    const family = settled(before, now);
    if (before) keepBoundSkus(store, before, family, (sku) => isHeldBy(sku, id));
    saveFamily(store, before, family, at);
    const lines = describeChange(store.catalogue().namer, before, family);
    if (!before) return [{ thing: 'family', thingId: id, made: true, lines }];
    const { forward, inverse } = difference(withoutCounters(before), withoutCounters(family));
    return [{ thing: 'family', thingId: id, forward, inverse, lines }];
  });
}

/** Several steps on a family are one change of it, and one revision. */
function settled(before: Family | null, now: Family): Family {
  return before && now.revision !== before.revision + 1
    ? Object.freeze({ ...now, revision: before.revision + 1 })
    : now;
}

/** The family without what only counts up. */
const withoutCounters = ({ revision: _revision, next: _next, ...rest }: Family) => rest;

function storeDocuments({ store, documents }: Work): Part[] {
  return [...documents.values()].flatMap(({ thing, id, before, now }): Part[] => {
    const { forward, inverse } = difference({ doc: before }, { doc: now });
    if (forward.length === 0) return [];
    const lines = documentLines(store, thing, before, now);
    if (now === undefined) removeDocument(store.database, thing, id);
    else writeDocument(store.database, thing, id, now);
    return [{ thing, thingId: id, forward, inverse, lines }];
  });
}

function storeStock({ store, stock, families }: Work): Part[] {
  return [...stock].map(([familyId, { moves, lines }]): Part => {
    saveStockSum(store, families.get(familyId)?.now ?? loadFamily(store.database, familyId));
    return { thing: 'stock', thingId: familyId, moves, lines };
  });
}
