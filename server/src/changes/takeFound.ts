/** What was read of files for families, taken in as one change. */
import { and, eq, gt } from 'drizzle-orm';
import type { RegistryParts } from '@loom-kin/core/export';
import { freeze } from '@loom-kin/core/family';
import { Refusal } from '@loom-kin/core/refusal';
import { RegistryDataSchema, emptyRegistry, runRegistryCommand } from '@loom-kin/core/registry';
import type { ChangeDone } from '@loom-kin/contract';
import { hasFamily } from '../store/loadFamily';
import { familiesMade } from '../listFiles/foundFiles';
import type { Database } from '../store/database';
import { changeParts, families, type ReadAt } from '../store/schema';
import type { Store } from '../store/store';
import { countPieces } from './countPieces';
import type { FoundFamily } from '../listFiles/foundFamily';
import { isSetUpAlike } from './readAt';
import { workChange, type TellProgress } from './runChange';
import { documentIn, familyIn, putDocument, putFamily, type Work } from './work';

export interface FoundOrder extends FoundFamily {
  key: string;
  title: string;
}

/** What was read of a list: its families lie beside it. */
export interface ListOrder {
  key: string;
  title: string;
  path: string;
  /** What they were made for. */
  state: ReadAt;
  /** Of all its families. */
  children: number;
  /** Whether children that it says are to go do so. */
  deletions: boolean;
  /** What of the registry comes with them. */
  registry: RegistryParts | null;
}

/** The change. Throws a `file.overtaken` where somebody has changed the family since: the file has to be read anew. */
export const takeFound = (store: Store, { key, title, ...found }: FoundOrder): ChangeDone =>
  takeFamilies(store, { key, title }, [found]);

/** The same for all families of a list, as one change. What other families became meanwhile is nothing to it. */
export function takeList(
  store: Store,
  { key, title, path, state, deletions, registry }: ListOrder,
  tell?: TellProgress,
): ChangeDone {
  // Another list may have been stored while this one waited in line.
  if (!isSetUpAlike(store.database, state)) throw new Refusal('file.overtaken', { by: 'setup' });
  const made = familiesMade(path, deletions ? 'go' : 'stay');
  if (isThereByNow(store.database, made, state)) throw new Refusal('file.overtaken', { by: 'begun' });
  try {
    return takeFamilies(store, { key, title, registry }, made, tell);
  } catch (error) {
    // Somebody gave one of its numbers to other goods meanwhile: which rows that concerns is told when it is read anew.
    if (error instanceof Refusal && (error.code === 'sku.taken' || error.code === 'gtin.taken'))
      throw new Refusal('file.overtaken', { by: 'number' });
    throw error;
  }
}

/** Whether somebody began a family meanwhile that the list would have found: it was to begin one of that style code, or name and brand. */
function isThereByNow(database: Database, found: readonly FoundFamily[], then: ReadAt): boolean {
  const begun = found.filter(({ revision }) => revision === null).map(({ family }) => family.fields);
  if (begun.length === 0) return false;
  const nameOf = (name: unknown, brand: unknown) => JSON.stringify([name ?? '', brand ?? '']);
  const codes = new Set(begun.map(({ styleCode }) => styleCode ?? ''));
  const names = new Set(begun.map(({ name, brand }) => nameOf(name, brand)));
  const since = and(eq(changeParts.thing, 'family'), eq(changeParts.made, true), gt(changeParts.changeId, then.change));
  return database
    .select({ name: families.name, brand: families.brand, styleCode: families.styleCode })
    .from(changeParts)
    .innerJoin(families, eq(families.id, changeParts.thingId))
    .where(since)
    .all()
    .some(({ name, brand, styleCode }) => (styleCode !== '' && codes.has(styleCode)) || names.has(nameOf(name, brand)));
}

function takeFamilies(
  store: Store,
  { registry, ...order }: { key: string; title: string; registry?: RegistryParts | null },
  families: readonly FoundFamily[],
  tell?: TellProgress,
): ChangeDone {
  return workChange(store, { ...order, tell }, 'you', (work) => {
    if (families.some(({ family, revision }) => revisionOf(work, family.id) !== revision))
      throw new Refusal('file.overtaken', { by: 'family' });
    if (registry) takeParts(work, registry);
    for (const found of families) take(work, found);
  });
}

/** What the families refer to is there before they are. */
function takeParts(work: Work, registry: RegistryParts): void {
  const before = documentIn(work, RegistryDataSchema, 'registry') ?? emptyRegistry();
  putDocument(work, 'registry', '', before, runRegistryCommand(before, { do: 'takeRegistry', registry }).data);
}

const revisionOf = (work: Work, id: string): number | null =>
  hasFamily(work.store.database, id) ? familyIn(work, id).revision : null;

function take(work: Work, { revision, family, pieces }: FoundFamily): void {
  // On its way between threads it lost that it is frozen.
  if (family.revision !== revision) putFamily(work, freeze(family, true));
  if (revision === null) work.started.push(family.id);
  countPieces(work, family.id, { kind: 'counted', counts: pieces });
}
