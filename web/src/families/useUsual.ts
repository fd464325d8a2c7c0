/** What the last family of the kind has that this one is likely to have: put in where nothing was typed, and told where it comes from. */
import { ref, watch } from 'vue';
import type { UsualFigures } from '@loom-kin/contract';
import { api, call } from '../api/api';
import type { TypedFamily } from './familyDraft';

const KEYS = ['brand', 'maker', 'taxCode'] as const;

export function useUsual(typed: TypedFamily) {
  /** The family that figures were taken from, and which of them still stand as they came. */
  const usual = ref<UsualFigures | null>(null);
  let asked = 0;
  /** Fields that the seller wrote or cleared: nothing is put in there any more. */
  const touched = new Set<string>();
  let isPutting = false;
  for (const key of KEYS)
    watch(
      () => typed[key],
      () => void (isPutting || touched.add(key)),
      { flush: 'sync' },
    );
  function put(key: (typeof KEYS)[number], figure: string): void {
    isPutting = true;
    typed[key] = figure;
    isPutting = false;
  }

  async function ask(category: string): Promise<void> {
    const number = ++asked;
    const found = await call(api.usualFigures, { query: { category } }).catch(() => null);
    if (number !== asked) return;
    for (const key of KEYS) {
      const isOurs = typed[key] === '' || typed[key] === usual.value?.figures[key];
      if (isOurs && !touched.has(key)) put(key, found?.figures[key] ?? '');
    }
    usual.value = found;
  }
  watch(
    () => typed.category,
    (category) => void ask(category),
    { immediate: true },
  );

  function drop(): void {
    for (const key of KEYS) if (typed[key] === usual.value?.figures[key]) put(key, '');
    usual.value = null;
  }
  return {
    usual,
    drop,
    taken: (key: (typeof KEYS)[number]) =>
      usual.value?.figures[key] !== undefined && typed[key] === usual.value.figures[key],
  };
}
