/** Every channel the service plays: its check, and what it says of the seller's account. */
import type { Goods, LookAt, Reason } from '../goods';
import { checkFernpost, PROFILES } from './fernpost';
import { checkOwnShop } from './own-shop';
import { checkQuayside, EXEMPT_BRANDS } from './quayside';

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
];
