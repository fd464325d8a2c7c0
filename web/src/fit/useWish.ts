/** What the seller wishes for the open family on an account, and how that is changed. */
import { computed, type ComputedRef } from 'vue';
import { NO_WISH, type Wish } from '@loom-kin/core/family';
import { useFamily } from '../stores/family';

export function useWish(account: () => string): { wish: ComputedRef<Wish>; setWish: (changes: Partial<Wish>) => void } {
  const store = useFamily();
  const wish = computed(() => store.family?.wishes[account()] ?? NO_WISH);
  const setWish = (changes: Partial<Wish>) =>
    store.run({ do: 'setWish', account: account(), wish: { ...wish.value, ...changes } });
  return { wish, setWish };
}
