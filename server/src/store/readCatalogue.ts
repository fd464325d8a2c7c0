/** What holds for every family: registry, seller, accounts, channels with their rules, pairings, category maps. */
import { dequal } from 'dequal';
import { asc } from 'drizzle-orm';
import {
  type Account,
  AccountSchema,
  type CategoryMap,
  CategoryMapSchema,
  type Collection,
  CollectionsSchema,
  type Routes,
  RoutesSchema,
  type Seller,
  SellerSchema,
} from '@loom-kin/core/catalogue';
import type { Namer } from '@loom-kin/core/descriptions';
import { type PairingTable, PairingTableSchema } from '@loom-kin/core/pairing';
import { Refusal } from '@loom-kin/core/refusal';
import { type Registry, RegistryDataSchema, emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { type OpenRulebook, RulebookSchema, compilePattern, openRulebook } from '@loom-kin/core/rulebook';
import type { Channel } from '@loom-kin/contract';
import type { Database } from './database';
import { readDocument, readDocuments } from './documents';
import { channels, editions } from './schema';

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
  /** Account → its routes. */
  routes: Readonly<Record<string, Routes>>;
  collections: readonly Collection[];
  /** How accounts are called in the journal. */
  namer: Namer;
}

const FIRST_SELLER: Seller = { name: 'My shop', currency: 'EUR', taxPercent: '20' };

export function readCatalogue(database: Database): Catalogue {
  const registry = openRegistry(readDocument(database, RegistryDataSchema, 'registry') ?? emptyRegistry());
  const accounts = Object.values(readDocuments(database, AccountSchema, 'account')).toSorted((a, b) => a.at - b.at);
  const known = readChannels(database);
  return Object.freeze({
    registry,
    seller: readDocument(database, SellerSchema, 'seller') ?? FIRST_SELLER,
    accounts,
    channels: known,
    rulebooks: new Map(
      known.map(({ channel, rulebook }) => [channel, openRulebook(rulebook, registry, compilePattern)]),
    ),
    pairings: readDocuments(database, PairingTableSchema, 'pairings'),
    categoryMaps: readDocuments(database, CategoryMapSchema, 'categoryMap'),
    routes: readDocuments(database, RoutesSchema, 'routes'),
    collections: readDocument(database, CollectionsSchema, 'collections') ?? [],
    namer: { registry, account: (id: string) => accounts.find((one) => one.id === id)?.name ?? id },
  });
}

/** Channels as they are played, then those the seller wrote the rules of; each with the rulebook that is in force. */
function readChannels(database: Database): Channel[] {
  const inForce = readDocuments(database, RulebookSchema, 'rulebook');
  const versions = new Map<string, number[]>();
  for (const row of database.select().from(editions).orderBy(asc(editions.version)).all())
    versions.set(row.channel, [...(versions.get(row.channel) ?? []), row.version]);
  const rows = database.select().from(channels).orderBy(asc(channels.place)).all();
  const played = rows.flatMap(({ channel, rulebook: published, choices, reachable }): Channel[] => {
    const rulebook = inForce[channel];
    if (!rulebook) return [];
    const offered = dequal(RulebookSchema.parse(published), rulebook) ? null : RulebookSchema.parse(published);
    return [{ channel, rulebook, offered, versions: versions.get(channel) ?? [], choices, reachable, isOwn: false }];
  });
  const names = new Set(rows.map((row) => row.channel));
  const own = Object.entries(inForce).filter(([channel]) => !names.has(channel));
  return [
    ...played,
    ...own.map(([channel, rulebook]): Channel => {
      return { channel, rulebook, offered: null, versions: [], choices: {}, reachable: false, isOwn: true };
    }),
  ];
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
