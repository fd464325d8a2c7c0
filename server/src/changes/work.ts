/**
 * A change while it is being made: what it has touched so far, as it was before and as it is now. Steps work on it; nothing is
 * stored before all of them are done.
 */
import type { z } from 'zod';
import { type Account, AccountSchema } from '@loom-kin/core/catalogue';
import { type Command, runCommand } from '@loom-kin/core/change';
import type { ChangeLine } from '@loom-kin/core/descriptions';
import type { Family } from '@loom-kin/core/family';
import { Refusal } from '@loom-kin/core/refusal';
import { type Registry, RegistryDataSchema, openRegistry } from '@loom-kin/core/registry';
import { hasFamily, loadFamily } from '../store/loadFamily';
import { readDocument } from '../store/documents';
import type { StockMove, Thing } from '../store/schema';
import type { Store } from '../store/store';

export interface TouchedFamily {
  /** Null for a family that this change starts. */
  before: Family | null;
  now: Family;
}

export interface TouchedDocument {
  thing: Thing;
  id: string;
  before: unknown;
  now: unknown;
}

export interface Work {
  readonly store: Store;
  readonly key: string;
  readonly at: string;
  readonly families: Map<string, TouchedFamily>;
  readonly documents: Map<string, TouchedDocument>;
  /** Family → what moved there. */
  readonly stock: Map<string, { moves: StockMove[]; lines: ChangeLine[] }>;
  readonly titles: string[];
  readonly started: string[];
  /** What is told besides, though the change was made. */
  readonly notices: string[];
}

export function newWork(store: Store, key: string, at: string): Work {
  const nothing = { families: new Map(), documents: new Map(), stock: new Map(), titles: [], started: [], notices: [] };
  return { store, key, at, ...nothing };
}

/** A family as the change has left it so far. */
export function familyIn(work: Work, id: string): Family {
  const touched = work.families.get(id);
  if (touched) return touched.now;
  const before = loadFamily(work.store.database, id);
  work.families.set(id, { before, now: before });
  return before;
}

/** Puts a family's next state. */
export function putFamily(work: Work, family: Family): void {
  if (hasFamily(work.store.database, family.id)) familyIn(work, family.id);
  const touched = work.families.get(family.id);
  if (touched) touched.now = family;
  else work.families.set(family.id, { before: null, now: family });
}

/** Runs a command on a family as the change has left it so far. */
export function runOn(work: Work, familyId: string, command: Command): void {
  putFamily(work, runCommand(registryIn(work), familyIn(work, familyId), command).family);
}

/** A document as the change has left it so far. */
export function documentIn<S extends z.ZodType>(work: Work, schema: S, thing: Thing, id = ''): z.infer<S> | undefined {
  const touched = work.documents.get(`${thing}|${id}`);
  if (touched) return touched.now as z.infer<S> | undefined;
  return readDocument(work.store.database, schema, thing, id);
}

/** Puts a document's next state; undefined removes it. */
export function putDocument(work: Work, thing: Thing, id: string, before: unknown, now: unknown): void {
  const key = `${thing}|${id}`;
  const touched = work.documents.get(key);
  if (touched) touched.now = now;
  else work.documents.set(key, { thing, id, before, now });
}

/** The registry as the change has left it so far. */
export function registryIn(work: Work): Registry {
  const touched = work.documents.get('registry|');
  return touched ? openRegistry(RegistryDataSchema.parse(touched.now)) : work.store.catalogue().registry;
}

/** An account as the change has left it so far; one that is not there is refused. */
export function accountIn(work: Work, id: string): Account {
  const account = documentIn(work, AccountSchema, 'account', id);
  if (!account) throw new Refusal('account.unknown', {});
  return account;
}
