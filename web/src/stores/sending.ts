/** Families handed over to be sent: too many for an address. Kept for this tab, so that a reload finds them. */
import { defineStore } from 'pinia';
import { ref } from 'vue';

const KEY = 'loom-kin-sending';

export const useSending = defineStore('sending', () => {
  const kept = sessionStorage.getItem(KEY);
  const familyIds = ref<string[]>(kept ? (JSON.parse(kept) as string[]) : []);
  function hand(ids: string[]): void {
    familyIds.value = ids;
    sessionStorage.setItem(KEY, JSON.stringify(ids));
  }
  return { familyIds, hand };
});
