/** Every channel the service plays: its check, and what it says of the seller's account. */
import type { Goods, LookAt, Reason } from '../goods';
import { checkFernpost, PROFILES } from './fernpost';
import { CERTIFICATES, checkNorangHall, RETURN_FEES } from './norang-hall';
import { checkOwnShop } from './own-shop';
import { checkQuayside, EXEMPT_BRANDS } from './quayside';
import { checkTallowGate, UNNUMBERED_BRANDS } from './tallow-gate';

export interface PlayedChannel {
  id: string;
  /** The account that is served: each has shelves of its own. The first has none of its name. */
  forAccount?: string;
  name: string;
  check: (goods: Goods, lookAt: LookAt) => Promise<Reason[]>;
  account: { exemptBrands: string[]; choices: Record<string, string[]>; rate: string };
}

export const PLAYED: readonly PlayedChannel[] = [
  {
    id: 'quayside',
    name: 'Quayside',
    check: checkQuayside,
    account: { exemptBrands: EXEMPT_BRANDS, choices: {}, rate: '1' },
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
    account: { exemptBrands: UNNUMBERED_BRANDS, choices: {}, rate: '0.86' },
  },
  {
    id: 'norang-hall',
    name: 'Norang Hall',
    check: checkNorangHall,
    account: {
      exemptBrands: [],
      choices: { Certification: CERTIFICATES, 'Return fee': RETURN_FEES },
      rate: '1480',
    },
  },
];

/** Those of them that are played where only some are named; all where none is. */
export const playedOf = (names: string | undefined): readonly PlayedChannel[] =>
  names ? PLAYED.filter((one) => names.split(',').includes(one.id)) : PLAYED;
