/** What a pattern would make of the children, asked of the whole catalogue while the pattern is written. */
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import type { SkuPreview } from '@loom-kin/contract';
import { api, call } from '../api/api';
import { useFamily } from '../stores/family';

/** So long nothing is typed before it is asked, in milliseconds. */
const REST = 120;

export function useSkuPreview(pattern: () => string, childIds: () => string[]) {
  const store = useFamily();
  const preview = shallowRef<SkuPreview | null>(null);
  const problem = ref('');
  let asked = 0;
  let resting: ReturnType<typeof setTimeout> | undefined;

  async function ask(): Promise<void> {
    const turn = ++asked;
    try {
      await store.settled();
      const id = store.family!.id;
      const answer = await call(api.skuPreview, {
        params: { id },
        body: { pattern: pattern(), childIds: childIds() },
      });
      if (turn === asked) [preview.value, problem.value] = [answer, ''];
    } catch (error) {
      if (turn === asked) problem.value = error instanceof Error ? error.message : 'The server does not answer.';
    }
  }
  watch(
    [pattern, childIds, () => store.family?.revision],
    () => {
      clearTimeout(resting);
      resting = setTimeout(() => void ask(), preview.value ? REST : 0);
    },
    { immediate: true },
  );
  onBeforeUnmount(() => {
    clearTimeout(resting);
    asked += 1;
  });
  return { preview, problem };
}
