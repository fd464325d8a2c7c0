/** Every channel the service plays: its check, and what it says of the seller's account. */
import type { EntryManners } from '../entryShape';
import type { Goods, LookAt, Reason } from '../goods';
import { readRowSheet } from '../rowSheet';
import { readUploadSheet, type SheetMessage } from '../sheet';
import { checkFernpost, PROFILES } from './fernpost';
import { MUGS_KNOWN, MUGS_ON_TALLOW_GATE } from './knownMugs';
import { checkLoftline, CLOSED_CATEGORIES, LOFTLINE_SHEET } from './loftline';
import { CERTIFICATES, checkNorangHall } from './norang-hall';
import { checkOwnShop } from './own-shop';
import { checkPalmway, PALMWAY_SHEET } from './palmway';
import { checkQuayside, EXEMPT_BRANDS, EXEMPT_ONLY_IN } from './quayside';
import { checkTallowGate, UNNUMBERED_BRANDS } from './tallow-gate';

export interface PlayedChannel {
  id: string;
  /** The account that is served: each has shelves of its own. The first has none of its name. */
  forAccount?: string;
  name: string;
  /** Reasons to refuse; later editions of the rules may want more. */
  check: (goods: Goods, lookAt: LookAt, edition?: number) => Promise<Reason[]>;
  /** How its upload sheets are read, where it takes sheets. */
  readSheet?: (bytes: Buffer) => Promise<SheetMessage[]>;
  /** Editions of its rules that can be published; one where nothing is said. */
  editions?: number;
  /** Categories that sellers have to be let into. */
  closed?: readonly string[];
  /** What it knows of goods by their numbers, where it knows any. */
  entries?: EntryManners;
  account: {
    exemptBrands: string[];
    exemptOnlyIn?: Record<string, string[]>;
    choices: Record<string, string[]>;
    rate: string;
  };
}

export const PLAYED: readonly PlayedChannel[] = [
  {
    id: 'quayside',
    name: 'Quayside',
    check: checkQuayside,
    readSheet: readUploadSheet,
    entries: { must: true, ofOffers: ['Condition'], known: MUGS_KNOWN },
    account: { exemptBrands: EXEMPT_BRANDS, exemptOnlyIn: EXEMPT_ONLY_IN, choices: {}, rate: '1' },
  },
  {
    id: 'fernpost',
    name: 'Fernpost',
    check: checkFernpost,
    account: { exemptBrands: [], choices: { 'Delivery profile': PROFILES }, rate: '1.09' },
  },
  { id: 'own-shop', name: 'Own shop', check: checkOwnShop, account: { exemptBrands: [], choices: {}, rate: '1' } },
  {
    id: 'tallow-gate',
    name: 'Tallow Gate',
    check: checkTallowGate,
    entries: { must: false, ofOffers: ['Condition'], known: MUGS_ON_TALLOW_GATE },
    account: { exemptBrands: UNNUMBERED_BRANDS, choices: {}, rate: '0.86' },
  },
  {
    id: 'norang-hall',
    name: 'Norang Hall',
    check: checkNorangHall,
    account: {
      exemptBrands: [],
      choices: { Certification: CERTIFICATES },
      rate: '1480',
    },
  },
  {
    id: 'palmway',
    name: 'Palmway',
    check: checkPalmway,
    readSheet: (bytes) => readRowSheet(bytes, PALMWAY_SHEET),
    editions: 2,
    account: { exemptBrands: [], choices: {}, rate: '1.45' },
  },
  {
    id: 'loftline',
    name: 'Loftline',
    check: checkLoftline,
    readSheet: (bytes) => readRowSheet(bytes, LOFTLINE_SHEET),
    closed: CLOSED_CATEGORIES,
    account: { exemptBrands: [], choices: {}, rate: '92' },
  },
];

/** Those of them that are played where only some are named; all where none is. */
export const playedOf = (names: string | undefined): readonly PlayedChannel[] =>
  names ? PLAYED.filter((one) => names.split(',').includes(one.id)) : PLAYED;
