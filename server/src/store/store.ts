/** What every part of the server works with: the database, what holds for all families, and who listens. */
import { join } from 'node:path';
import type { Catalogue } from './readCatalogue';
import type { ServerEvents } from './serverEvents';
import type { Database } from './database';

export interface Store {
  readonly database: Database;
  readonly dataFolder: string;
  /** Registry, accounts, rulebooks and the rest: read once, and again when somebody changed them. */
  catalogue(): Catalogue;
  /** Something that holds for all families was changed. */
  forgetCatalogue(): void;
  /** Counts the changes of it, for whoever keeps a copy. */
  version(): number;
  /**
   * Does something that writes as soon as no change of a large family is being stored beside: who writes meanwhile holds
   * everybody up. Only what is done before it waits for something itself is safe from that.
   */
  whenQuiet<T>(work: () => T | Promise<T>): Promise<T>;
  /** The same in one transaction. */
  transactionWhenQuiet<T>(work: () => T): Promise<T>;
  /** Others wait until this is over, however it ends. */
  busyUntil(work: Promise<unknown>): void;
  /** Tells the open pages. */
  readonly events: ServerEvents;
  close(): void;
}

/** Where the pictures lie. */
export const pictureFolder = (store: Store): string => join(store.dataFolder, 'pictures');
/** Where files lie that are being taken in. */
export const incomingFolder = (store: Store): string => join(store.dataFolder, 'incoming');
