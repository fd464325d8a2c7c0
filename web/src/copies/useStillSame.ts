/** What of the open family is still the same though it mostly differs; looked for when nothing was done for a moment. */
import { onBeforeUnmount, shallowRef, watch } from 'vue';
import { type StillSame, stillSame } from '@loom-kin/core/copies';
import { type Family, freeze } from '@loom-kin/core/family';
import { api, call } from '../api/api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

/** So long nothing is done before it is looked for, in milliseconds. */
const REST = 250;

export function useStillSame() {
  const store = useFamily();
  const setup = useSetup();
  const found = shallowRef<StillSame[]>([]);
  const origin = shallowRef<Family | null>(null);
  let resting: ReturnType<typeof setTimeout> | undefined;

  /** The family this was copied from, fetched once; where it is not there any more nothing is compared with it. */
  async function fetchOrigin(id: string | undefined): Promise<void> {
    if (origin.value?.id === id) return;
    origin.value = null;
    if (!id) return;
    const got = await call(api.family, { params: { id } }).catch(() => null);
    if (store.family?.copiedFrom === id) origin.value = got && freeze(got.family, true);
  }
  function look(): void {
    const family = store.family;
    found.value = family
      ? stillSame(setup.registry, freeze(family, true), { pieces: store.stock, origin: origin.value })
      : [];
  }
  watch(() => store.family?.copiedFrom, fetchOrigin, { immediate: true });
  watch(
    [() => store.family, () => store.stock, origin],
    () => {
      clearTimeout(resting);
      resting = setTimeout(look, REST);
    },
    { immediate: true },
  );
  onBeforeUnmount(() => clearTimeout(resting));
  return { found };
}
