/** What the last family of the kind has that this one is likely to have: put in where nothing was typed, and told where it comes from. */
import { ref, watch } from 'vue';
import type { UsualFigures } from '@loom-kin/contract';
import { api, call } from '../api';
import type { TypedFamily } from './familyDraft';

const KEYS = ['brand', 'maker', 'taxCode'] as const;

export function useUsual(typed: TypedFamily) {
  /** The family that figures were taken from, and which of them still stand as they came. */
  const usual = ref<UsualFigures | null>(null);
  let asked = 0;

  async function ask(category: string): Promise<void> {
    const number = ++asked;
    const found = await call(api.usualFigures, { query: { category } }).catch(() => null);
    if (number !== asked) return;
    for (const key of KEYS) {
      const isOurs = typed[key] === '' || typed[key] === usual.value?.figures[key];
      if (isOurs) typed[key] = found?.figures[key] ?? '';
    }
    // Most families of a seller are of the kind of the one before.
    if (typed.category === '' && found) typed.category = found.category;
    usual.value = found;
  }
  watch(
    () => typed.category,
    (category) => void ask(category),
    { immediate: true },
  );

  function drop(): void {
    for (const key of KEYS) if (typed[key] === usual.value?.figures[key]) typed[key] = '';
    usual.value = null;
  }
  return {
    usual,
    drop,
    taken: (key: (typeof KEYS)[number]) =>
      usual.value?.figures[key] !== undefined && typed[key] === usual.value.figures[key],
  };
}
