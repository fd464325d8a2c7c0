/** The families of the fit board: which are meant, how many stand how, and the rows in view, fetched as they are come to. */
import { computed, onUnmounted, reactive, ref, shallowRef, watch } from 'vue';
import type { FitState } from '@loom-kin/core/fit';
import type { BoardCounts, BoardFinding, FamilySummary } from '@loom-kin/contract';
import { api, call } from '../api/api';
import { useServerEvents } from '../stores/serverEvents';

/** Rows are fetched by so many. */
const PAGE = 100;

export interface BoardFilter {
  q: string;
  category: string;
  account: string;
  state: FitState | '';
  /** Code and field of a finding, parted by a bar. */
  finding: string;
  route: string;
}

export const noFilter = (): BoardFilter => ({ q: '', category: '', account: '', state: '', finding: '', route: '' });

export function useBoard(given: Partial<BoardFilter> = {}) {
  const filter = reactive<BoardFilter>({ ...noFilter(), ...given });
  const total = ref(0);
  const counts = shallowRef<BoardCounts>({});
  const found = shallowRef<BoardFinding[]>([]);
  /** Place → the row there, as far as it was fetched. */
  const rows = shallowRef<ReadonlyMap<number, FamilySummary>>(new Map());
  const loaded = ref(false);
  const problem = ref<string | null>(null);
  let asking = new AbortController();
  const pages = new Set<number>();

  const query = computed(() => {
    const { account, state, finding, route, category, q } = filter;
    return {
      q,
      ...(category ? { category } : {}),
      ...(account ? { account } : {}),
      ...(account && state ? { state } : {}),
      ...(account && finding ? { finding } : {}),
      ...(account && route ? { route } : {}),
    };
  });

  /** Fetches a page of rows, once; `again` even where it is there. */
  async function fetchPage(page: number, again = false): Promise<void> {
    if (pages.has(page) && !again) return;
    pages.add(page);
    const { signal } = asking;
    try {
      const answer = await call(api.listFamilies, {
        query: { ...query.value, offset: page * PAGE, limit: PAGE },
        signal,
      });
      if (signal.aborted) return;
      total.value = answer.total;
      const next = new Map(rows.value);
      answer.families.forEach((family, at) => next.set(page * PAGE + at, family));
      rows.value = next;
      loaded.value = true;
      problem.value = null;
    } catch (error) {
      pages.delete(page);
      if (!signal.aborted) problem.value = error instanceof Error ? error.message : 'The board cannot be loaded.';
    }
  }

  async function fetchCounts(): Promise<void> {
    const { signal } = asking;
    // What is found is told for all that the other filters mean, so that one can go from finding to finding.
    const { finding: _finding, ...others } = query.value as Record<string, string>;
    const [now, all] = await Promise.all([
      call(api.boardCounts, { query: query.value, signal }),
      call(api.boardFindings, { query: others, signal }),
    ]).catch(() => [counts.value, found.value] as const);
    if (signal.aborted) return;
    counts.value = now;
    found.value = all;
  }

  function anew(): void {
    asking.abort();
    asking = new AbortController();
    pages.clear();
    rows.value = new Map();
    void fetchPage(0);
    void fetchCounts();
  }
  watch(query, anew, { immediate: true });

  const serverEvents = useServerEvents();
  let timer: ReturnType<typeof setTimeout> | undefined;
  /** What was worked out since shows by itself, not oftener than can be read. */
  watch(
    () => serverEvents.listTurn,
    () => {
      timer ??= setTimeout(() => {
        timer = undefined;
        for (const page of [...pages]) void fetchPage(page, true);
        void fetchCounts();
      }, 400);
    },
  );
  onUnmounted(() => {
    clearTimeout(timer);
    asking.abort();
  });

  return {
    filter,
    query,
    total,
    counts,
    found,
    rows,
    loaded,
    problem,
    /** Makes sure that the rows from one place to another are there, or coming. */
    need(from: number, to: number): void {
      for (let page = Math.floor(from / PAGE); page <= Math.floor(to / PAGE); page++) void fetchPage(page);
    },
    clear: () => Object.assign(filter, noFilter()),
  };
}
