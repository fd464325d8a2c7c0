/** Families handed over to be sent: too many for an address. Kept for this tab, so that a reload finds them. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { z } from 'zod';

const KEY = 'loom-kin-sending';

/** What was handed over before a reload; nothing where that cannot be read. */
function kept(): string[] {
  try {
    return z.array(z.string()).parse(JSON.parse(sessionStorage.getItem(KEY) ?? '[]'));
  } catch {
    return [];
  }
}

export const useSending = defineStore('sending', () => {
  const familyIds = ref(kept());
  function hand(ids: string[]): void {
    familyIds.value = ids;
    sessionStorage.setItem(KEY, JSON.stringify(ids));
  }
  return { familyIds, hand };
});
