/** What the children looked at leave on every account: worked out in the page, so that it follows what is typed at once. */
import { computed, type ComputedRef } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import { type Family, familyIndex, placeLabel, placesFor } from '@loom-kin/core/family';
import { type AccountPrices, type EarningGroup, accountPrices, earningGroups } from '@loom-kin/core/fit';
import { children, listed } from '@loom-kin/core/text';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

export interface AccountEarnings {
  account: Account;
  prices: AccountPrices;
  groups: EarningGroup[];
}

/** Accounts that have a place for the family, each with its prices. */
export function useEarnings(childIds: ComputedRef<readonly string[]>): ComputedRef<AccountEarnings[]> {
  const store = useFamily();
  const setup = useSetup();
  return computed(() => {
    const family = store.family;
    const seller = setup.setup?.seller;
    if (!family || !seller) return [];
    return setup.accounts.flatMap((account): AccountEarnings[] => {
      const category = store.fits[account.id]?.category;
      const rulebook = setup.rulebooks.get(account.channel);
      if (!category || !rulebook) return [];
      const prices = accountPrices({ family, account, seller, rulebook }, category);
      return [{ account, prices, groups: earningGroups(family, prices, childIds.value) }];
    });
  });
}

/** So many children are named. */
const NAMED = 3;

/** Which children these are: "All 46 children", "Everything XL or XXL", "Rust · S and 4 more". */
export function whichChildren(family: Family, childIds: readonly string[]): string {
  const [widest] = placesFor(family, childIds);
  if (!widest || widest.level === 'family') return `All ${children(childIds.length)}`;
  if (widest.level === 'value') {
    const { valueById } = familyIndex(family);
    const labels = widest.places.flatMap((place) =>
      place.level === 'value' ? valueById.get(place.valueId)!.label : [],
    );
    return `Everything ${listed(labels, 'or')}`;
  }
  const named = childIds.slice(0, NAMED).map((childId) => placeLabel(family, { level: 'child', childId }));
  const more = childIds.length - named.length;
  return more > 0 ? `${named.join(', ')} and ${more} more` : listed(named);
}
