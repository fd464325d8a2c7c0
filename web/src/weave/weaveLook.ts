/** How the weave of a family is looked at: its edges, how large, and what stands in the crossings. Kept in this browser. */
import { computed, ref, watch } from 'vue';
import { z } from 'zod';

const LookSchema = z.object({
  zoom: z.number().int().min(0).max(3).default(2),
  /** Key of the field that stands in the crossings; null for ticks. */
  figure: z.string().nullable().default(null),
  edges: z
    .object({ side: z.array(z.string()), top: z.array(z.string()) })
    .nullable()
    .default(null),
});
export type WeaveLook = z.infer<typeof LookSchema>;

const PREFIX = 'loom-kin.weave.';

function read(familyId: string): WeaveLook {
  try {
    return LookSchema.parse(JSON.parse(localStorage.getItem(PREFIX + familyId) ?? '{}'));
  } catch {
    return LookSchema.parse({});
  }
}

/** @param crossings how many there are: a large weave is first seen whole */
export function useWeaveLook(familyId: () => string, crossings: () => number) {
  const look = ref<WeaveLook>(LookSchema.parse({}));
  watch(
    familyId,
    (id) => {
      const isKnown = localStorage.getItem(PREFIX + id) !== null;
      look.value = isKnown || crossings() < 400 ? read(id) : { ...read(id), zoom: crossings() > 900 ? 0 : 1 };
    },
    { immediate: true },
  );
  function change(more: Partial<WeaveLook>): void {
    look.value = { ...look.value, ...more };
    localStorage.setItem(PREFIX + familyId(), JSON.stringify(look.value));
  }
  return { look: computed(() => look.value), change };
}
