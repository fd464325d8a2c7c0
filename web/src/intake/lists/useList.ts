/** A list on its way in: what was read of it, what the seller says of it step by step, and taking it in. */
import { computed, ref, shallowRef, watch } from 'vue';
import type { ListMapping, ListSettlement } from '@loom-kin/core/intake';
import type { Job, ListFamilyView, ListRowView, ListView } from '@loom-kin/contract';
import { api, call, tell } from '../../api/api';
import { latest } from '../../api/latest';
import { useJobs } from '../../stores/jobs';

export type RowsShown = 'all' | ListRowView['verdict'];
export type FamiliesShown = 'all' | 'doubtful' | 'refused' | 'single';

/** What can be taken back: what was said of columns and families. */
interface Said {
  mapping: ListMapping;
  settlement: ListSettlement;
}
const PAGE = 100;

export function useList(id: () => string) {
  const jobs = useJobs();
  const list = shallowRef<ListView | null>(null);
  const families = shallowRef<ListFamilyView[]>([]);
  const familyCount = ref(0);
  const rows = shallowRef<ListRowView[]>([]);
  const rowCount = ref(0);
  const rowsShown = ref<RowsShown>('all');
  const familiesShown = ref<FamiliesShown>('all');
  const problem = ref<string | null>(null);
  const said = ref<Said[]>([]);
  const takenBack = ref<Said[]>([]);
  const job = computed(() => jobs.jobs.find((one) => one.id === id()) ?? null);
  const isReading = computed(() => job.value?.state === 'running');

  async function load(): Promise<void> {
    const wanted = id();
    try {
      const ended = await jobs.ended(wanted);
      problem.value = ended.state === 'failed' ? ended.notice : null;
      if (ended.state !== 'done') return;
      const read = await call(api.list, { params: { id: wanted } });
      if (id() !== wanted) return;
      list.value = read;
      await Promise.all([loadFamilies(), loadRows()]);
    } catch (error) {
      tell(error);
    }
  }

  const askFamilies = latest();
  async function loadFamilies(more = false): Promise<void> {
    const from = more ? families.value.length : 0;
    const query = { only: familiesShown.value, from, limit: more ? PAGE : Math.max(PAGE, families.value.length) };
    await askFamilies(
      () =>
        call(api.listFamiliesFound, {
          params: { id: id() },
          query: { ...query, limit: Math.min(500, query.limit) },
        }),
      (page) => {
        families.value = more ? [...families.value, ...page.families] : page.families;
        familyCount.value = page.total;
      },
    );
  }

  const askRows = latest();
  async function loadRows(more = false): Promise<void> {
    const from = more ? rows.value.length : 0;
    await askRows(
      () => call(api.listRows, { params: { id: id() }, query: { only: rowsShown.value, from, limit: 200 } }),
      (page) => {
        rows.value = more ? [...rows.value, ...page.rows] : page.rows;
        rowCount.value = page.total;
      },
    );
  }

  /** Has the list read anew as the seller says; what held before can be come back to. */
  async function say(next: Partial<Said> & { sheet?: string }, isStep = true): Promise<void> {
    if (!list.value) return;
    const { mapping, settlement } = list.value;
    if (isStep) {
      said.value.push({ mapping, settlement });
      takenBack.value = [];
    }
    try {
      jobs.put(await call(api.settleList, { params: { id: id() }, body: next }));
      await load();
    } catch (error) {
      tell(error);
    }
  }

  async function stepBack(from: Said[], to: Said[]): Promise<void> {
    const step = from.pop();
    if (!step || !list.value) return;
    to.push({ mapping: list.value.mapping, settlement: list.value.settlement });
    await say(step, false);
  }

  const isTaking = ref(false);
  async function take(what: { deletions: boolean; pictures: boolean }): Promise<Job | null> {
    isTaking.value = true;
    try {
      jobs.put(await call(api.takeList, { params: { id: id() }, body: what }));
      const ended = await jobs.ended(id());
      await load();
      return ended;
    } catch (error) {
      tell(error);
      return null;
    } finally {
      isTaking.value = false;
    }
  }

  watch(
    id,
    () => {
      list.value = null;
      said.value = takenBack.value = [];
      void load();
    },
    { immediate: true },
  );
  const quietly = (work: () => Promise<void>) => () => void work().catch(tell);
  watch(rowsShown, quietly(loadRows));
  watch(familiesShown, quietly(loadFamilies));

  return {
    ...{
      list,
      families,
      familyCount,
      rows,
      rowCount,
      rowsShown,
      familiesShown,
      problem,
      job,
      isReading,
      isTaking,
      said,
      takenBack,
    },
    showFamilies: (which: FamiliesShown) => void (familiesShown.value = which),
    showRows: (which: RowsShown) => void (rowsShown.value = which),
    moreFamilies: quietly(() => loadFamilies(true)),
    moreRows: quietly(() => loadRows(true)),
    load,
    say,
    take,
    undo: () => stepBack(said.value, takenBack.value),
    redo: () => stepBack(takenBack.value, said.value),
  };
}
export type ListPage = ReturnType<typeof useList>;
