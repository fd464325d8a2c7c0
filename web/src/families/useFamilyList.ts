/** The list of families as it is asked for: what is searched, filtered and sorted by, a page after the other, kept up with changes elsewhere. */
import { onMounted, ref, shallowRef, watch } from 'vue';
import type { FitState } from '@loom-kin/core/fit';
import { findingName } from '@loom-kin/core/words';
import type { FamilySummary, FindingCount } from '@loom-kin/contract';
import { api, call } from '../api/api';
import { useServerEvents } from '../stores/serverEvents';
import { useSetup } from '../stores/setup';

export const PAGE = 60;
const MOST_AT_ONCE = 200;
export const SORTS = [
  { value: 'name', label: 'by name' },
  { value: 'changed', label: 'last changed first' },
  { value: 'price', label: 'cheapest first' },
  { value: 'stock', label: 'least stock first' },
  { value: 'children', label: 'most children first' },
] as const;

export function useFamilyList() {
  const setup = useSetup();
  const families = ref<FamilySummary[]>([]);
  const total = ref(0);
  const q = ref('');
  const account = ref('');
  const state = ref<FitState | ''>('');
  /** Code and field of a finding, parted by a bar. */
  const finding = ref('');
  const counts = shallowRef<FindingCount[]>([]);
  const sort = ref<(typeof SORTS)[number]['value']>('name');
  const retired = ref(false);
  const at = ref(0);
  const loaded = ref(false);
  const problem = ref<string | null>(null);
  let running: AbortController | null = null;

  async function load(how: 'anew' | 'more' | 'again' = 'anew'): Promise<void> {
    const more = how === 'more';
    const shown = families.value.length;
    running?.abort();
    running = new AbortController();
    try {
      const answer = await call(api.listFamilies, {
        query: {
          q: q.value,
          sort: sort.value,
          retired: retired.value ? 'yes' : 'no',
          offset: more ? families.value.length : 0,
          limit: how === 'again' ? Math.min(MOST_AT_ONCE, Math.max(PAGE, shown)) : PAGE,
          ...(account.value && state.value ? { account: account.value, state: state.value } : {}),
          ...(account.value && finding.value ? { account: account.value, finding: finding.value } : {}),
        },
        signal: running.signal,
      });
      families.value = more ? [...families.value, ...answer.families] : answer.families;
      total.value = answer.total;
      problem.value = null;
      loaded.value = true;
      if (how === 'anew') at.value = 0;
    } catch (error) {
      if (!(error instanceof DOMException))
        problem.value = error instanceof Error ? error.message : 'The families cannot be loaded.';
    }
  }
  onMounted(() => load());
  const serverEvents = useServerEvents();
  // What was changed elsewhere, or has been worked out since, shows by itself; where the reader stands stays.
  watch(
    () => serverEvents.listTurn,
    () => {
      void load('again');
      void loadCounts();
    },
  );
  /** Which findings there are to choose from on the account. */
  async function loadCounts(): Promise<void> {
    const asked = account.value;
    const found = asked ? await call(api.findingCounts, { query: { account: asked } }).catch(() => counts.value) : [];
    if (asked === account.value) counts.value = found;
  }
  watch(account, () => {
    finding.value = '';
    void loadCounts();
  });
  const nameOf = ({ code, key }: FindingCount) => findingName(code, setup.registry.field(key)?.label ?? key);
  watch([q, account, state, finding, sort, retired], () => void load());

  const clear = () => {
    q.value = '';
    account.value = '';
    state.value = '';
    finding.value = '';
    retired.value = false;
  };
  return {
    families,
    total,
    loaded,
    problem,
    counts,
    at,
    load,
    clear,
    nameOf,
    q,
    account,
    state,
    finding,
    sort,
    retired,
  };
}
