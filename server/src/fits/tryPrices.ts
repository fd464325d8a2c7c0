/** What other settings of an account would make of the prices of all families. */
import type { Account } from '@loom-kin/core/catalogue';
import { Refusal } from '@loom-kin/core/refusal';
import type { PriceTrial } from '@loom-kin/contract';
import { idsMeant } from '../families/board';
import { inShares } from './inShares';
import { togetherTried } from './priceTrial';
import type { FitPool } from './pool';
import type { Store } from '../store/store';

export async function tryPrices(store: Store, pool: FitPool, account: Account): Promise<PriceTrial> {
  if (!store.catalogue().accounts.some((one) => one.id === account.id)) throw new Refusal('account.unknown', {});
  const parts = await inShares(idsMeant(store, { q: '', retired: 'no' }), (share) => pool.prices(share, account));
  return togetherTried(parts);
}
