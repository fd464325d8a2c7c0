/** What a fit is computed from, and the shape of its result. */
import type { Account, Seller } from '../catalogue/account';
import type { CategoryMap } from '../catalogue/categoryMap';
import type { Routes } from '../catalogue/routes';
import type { PairingLookup, PairingTable } from '../pairing/pairings';
import type { Column, ColumnGroup } from '../family/columnShape';
import type { Scopes } from '../family/scope';
import type { Child, Family } from '../family/shape';
import type { EntryMatch, KnownNumbers } from '../listing/entry';
import type { Listing } from '../listing/listing';
import type { PictureFacts } from '../pictures/pictureFacts';
import type { StockPlaces } from '../stock/locations';
import type { CategoryRules, OpenRulebook } from '../rulebook/openRulebook';
import type { AccountPrices, PriceGroup } from './accountPrices';
import type { Finding } from './finding';
import type { Plan, PlannerMemory } from './planner';

/** A listing as the channel holds it. */
export interface LiveListing {
  key: string;
  structure: string;
  listing: Listing;
}

export interface FitInput {
  family: Family;
  /** child id → pieces */
  stock: Record<string, number>;
  /** The pieces of children that are kept at more than the first place. */
  stockAt?: StockPlaces;
  pictures: Record<string, PictureFacts>;
  account: Account;
  /** The rules of the account's channel, opened with the seller's registry. */
  rulebook: OpenRulebook;
  /** The pairings of the account's channel. */
  pairings: PairingTable;
  /** Where the seller's categories go on the account's channel. */
  categories: CategoryMap;
  /** The routes of the account, where it has any. */
  routes?: Routes;
  seller: Seller;
  live: readonly LiveListing[];
  /** What the account's channel said of the family's numbers, where it was asked. */
  known?: KnownNumbers;
  /** Who needs only the plan in force wants one. */
  plansWanted?: number;
  /** What the planner remembers from families of the same structure. */
  memory?: PlannerMemory;
}

/** How something stands with an account: goes as it is, goes badly, cannot go, is not offered. */
export const STATES = ['fits', 'needs', 'stopped', 'absent'] as const;
export type FitState = (typeof STATES)[number];

export interface Fit {
  /** The account's id. */
  account: string;
  channel: string;
  state: FitState;
  category: CategoryRules | null;
  plans: Plan[];
  /** The plan in force: the seller's, else the best. */
  plan: Plan | null;
  findings: Finding[];
  /** child id → state, for every woven child */
  childStates: Record<string, FitState>;
  /** Total listing fees in the channel's currency. */
  fees: string;
  /** Children whose number the channel has an entry for. */
  entries: EntryMatch[];
}

/** All a check needs, worked out once. */
export interface CheckContext extends FitInput {
  category: CategoryRules;
  plan: Plan | null;
  /** The seller chose a plan that the rules or the family's axes no longer allow. */
  isChosenGone: boolean;
  /** Scopes that hold for the account, the narrowest first. */
  scopes: Scopes;
  /** The children offered, in the order of the weave. */
  offered: readonly Child[];
  /** Which of the woven children are offered, by position. */
  isOffered(position: number): boolean;
  /** A field for all woven children, as the account has it. */
  column(key: string): Column;
  /** Its groups with the offered children alone. */
  groups(key: string): readonly ColumnGroup[];
  /** Children whose number the channel has an entry for; worked out once. */
  matches(): EntryMatch[];
  /** Whether a child stands under an entry of the channel, by position: nothing but its offer is the seller's. */
  isUnderEntry(position: number): boolean;
  /** Those of some positions whose facts and pictures are the seller's. */
  described(positions: readonly number[]): readonly number[];
  /** The groups of a field with the children alone whose facts are the seller's. */
  describedGroups(key: string): readonly ColumnGroup[];
  /** The offered children of each listing of the plan, by position. */
  listings: readonly (readonly number[])[];
  pairingOf: PairingLookup;
  /** What the children cost on the account. */
  prices: AccountPrices;
  /** Prices with the offered children alone. */
  priceGroups: readonly PriceGroup[];
}
