/** Keeping what waits in the browser while it waits: soon after each change, and the family it was made on a little later. */
import type { Family } from '@loom-kin/core/family';
import { ref, type Ref } from 'vue';
import type { Pending } from './pending';
import { keepBase, keepWaiting } from './waiting';

/** Milliseconds after which the family that a waiting change was made on is kept as well. */
const BASE_AFTER = 120;

export interface Keeping {
  /** The browser gives no room: what waits is in this page alone. */
  unkept: Ref<boolean>;
  /** Keeps what waits on a family now; nothing waiting forgets what was kept. */
  keep(base: Family, queue: readonly Pending[], aside: readonly Pending[]): void;
}

export function createKeeping(): Keeping {
  const unkept = ref(false);
  let later: ReturnType<typeof setTimeout> | undefined;
  return {
    unkept,
    keep(base, queue, aside) {
      const waits = queue.length + aside.length > 0;
      keepWaiting(base, queue, aside).then(
        () => (unkept.value = false),
        () => (unkept.value = waits),
      );
      clearTimeout(later);
      if (waits) later = setTimeout(() => keepBase(base).catch(() => (unkept.value = true)), BASE_AFTER);
    },
  };
}
