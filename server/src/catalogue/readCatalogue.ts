/** What holds for every family: registry, seller, accounts, channels with their rules, pairings, category maps. */
import { asc } from 'drizzle-orm';
import {
  AccountSchema,
  CategoryMapSchema,
  compilePattern,
  emptyRegistry,
  openRegistry,
  openRulebook,
  PairingTableSchema,
  Refusal,
  RegistryDataSchema,
  SellerSchema,
  type Account,
  type CategoryMap,
  type Namer,
  type OpenRulebook,
  type PairingTable,
  type Registry,
  type Seller,
} from '@loom-kin/core';
import type { Channel } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { readDocument, readDocuments } from '../store/documents';
import { channels } from '../store/schema';

export interface Catalogue {
  registry: Registry;
  seller: Seller;
  /** In the order of columns and ticks. */
  accounts: readonly Account[];
  channels: readonly Channel[];
  /** Channel → its rulebook, opened with the registry. */
  rulebooks: ReadonlyMap<string, OpenRulebook>;
  pairings: Readonly<Record<string, PairingTable>>;
  categoryMaps: Readonly<Record<string, CategoryMap>>;
  /** How accounts are called in the journal. */
  namer: Namer;
}

const FIRST_SELLER: Seller = { name: 'My shop', currency: 'EUR', taxPercent: '20' };

export function readCatalogue(database: Database): Catalogue {
  const registry = openRegistry(readDocument(database, RegistryDataSchema, 'registry') ?? emptyRegistry());
  const accounts = Object.values(readDocuments(database, AccountSchema, 'account')).toSorted((a, b) => a.at - b.at);
  const known = database.select().from(channels).orderBy(asc(channels.place)).all();
  return Object.freeze({
    registry,
    seller: readDocument(database, SellerSchema, 'seller') ?? FIRST_SELLER,
    accounts,
    channels: known.map(({ channel, rulebook, choices, reachable }) => ({ channel, rulebook, choices, reachable })),
    rulebooks: new Map(
      known.map(({ channel, rulebook }) => [channel, openRulebook(rulebook, registry, compilePattern)]),
    ),
    pairings: readDocuments(database, PairingTableSchema, 'pairings'),
    categoryMaps: readDocuments(database, CategoryMapSchema, 'categoryMap'),
    namer: { registry, account: (id: string) => accounts.find((one) => one.id === id)?.name ?? id },
  });
}

/** An account by its id, or a Refusal. */
export function accountOf(catalogue: Catalogue, id: string): Account {
  const account = catalogue.accounts.find((one) => one.id === id);
  if (!account) throw new Refusal('account.unknown', {});
  return account;
}

/** The opened rulebook of an account's channel, or undefined where the channel is gone. */
export const rulebookOf = (catalogue: Catalogue, account: Account): OpenRulebook | undefined =>
  catalogue.rulebooks.get(account.channel);
