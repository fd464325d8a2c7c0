/** How the weave of a family is looked at: its edges, how large, and what stands in the crossings. Kept on the server a moment after it changed. */
import { computed, ref, watch } from 'vue';
import { WeaveLookSchema, type WeaveLook } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';

/** Milliseconds after the last change. */
const KEEP_AFTER = 400;

/** @param crossings how many there are: a large weave is first seen whole */
export function useWeaveLook(familyId: () => string, crossings: () => number) {
  const look = ref<WeaveLook>(WeaveLookSchema.parse({}));
  /** What was changed and is not kept yet. */
  let waiting: { id: string; timer: ReturnType<typeof setTimeout> } | null = null;

  watch(familyId, load, { immediate: true });

  async function load(id: string): Promise<void> {
    look.value = firstLook(crossings());
    const kept = await call(api.weaveLook, { params: { id } }).catch(() => null);
    const isWanted = familyId() === id && waiting?.id !== id;
    if (kept && isWanted) look.value = kept;
  }

  function change(more: Partial<WeaveLook>): void {
    const id = familyId();
    const body = { ...look.value, ...more };
    look.value = body;
    if (waiting?.id === id) clearTimeout(waiting.timer);
    const timer = setTimeout(() => {
      if (waiting?.timer === timer) waiting = null;
      call(api.saveWeaveLook, { params: { id }, body }).catch(tell);
    }, KEEP_AFTER);
    waiting = { id, timer };
  }

  return { look: computed(() => look.value), change };
}

function firstLook(crossings: number): WeaveLook {
  const usual = WeaveLookSchema.parse({});
  return crossings < 400 ? usual : { ...usual, zoom: crossings > 900 ? 0 : 1 };
}
