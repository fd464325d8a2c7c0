<script setup lang="ts">
/** Dispatches and their receipts, watched while they are under way. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElProgress } from 'element-plus';
import { showAmount } from '@loom-kin/core/money';
import type { Dispatch, DispatchLine, DispatchSummary } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { latest } from '../api/latest';
import { useServerEvents } from '../stores/serverEvents';
import DispatchLines from './DispatchLines.vue';

const route = useRoute();
const router = useRouter();
const all = ref<DispatchSummary[]>([]);
const one = ref<Dispatch | null>(null);
const loaded = ref(false);
const problem = ref<string | null>(null);
const id = computed(() => String(route.params.id ?? all.value[0]?.id ?? ''));
const ask = latest();

async function read(): Promise<{ list: DispatchSummary[]; found: Dispatch | null }> {
  const list = await call(api.dispatches);
  const wanted = String(route.params.id ?? list[0]?.id ?? '');
  return { list, found: wanted ? await call(api.dispatch, { params: { id: wanted } }) : null };
}
async function load(): Promise<void> {
  try {
    await ask(read, ({ list, found }) => {
      // It may have ended since the list was read.
      all.value = list.map((dispatch) => (dispatch.id === found?.id ? { ...dispatch, state: found.state } : dispatch));
      one.value = found;
      problem.value = null;
      loaded.value = true;
    });
  } catch (error) {
    problem.value = error instanceof Error ? error.message : 'The dispatches cannot be read.';
    loaded.value = true;
  }
}
onMounted(load);
const serverEvents = useServerEvents();
watch([() => route.params.id, () => serverEvents.dispatchTurn], () => void load());

const count = (...states: DispatchLine['state'][]) =>
  one.value?.lines.filter((line) => states.includes(line.state)).length ?? 0;
const counted = (dispatch: DispatchSummary, ...states: DispatchLine['state'][]) =>
  states.reduce((sum, state) => sum + (dispatch.states[state] ?? 0), 0);
/** "2 held back · 6 stopped". */
const keptBack = (dispatch: DispatchSummary): string =>
  (['held', 'stopped'] as const)
    .flatMap((state) => (counted(dispatch, state) > 0 ? [`${counted(dispatch, state)} ${WORDS[state]}`] : []))
    .join(' · ');
const ended = computed(() => (one.value ? one.value.lines.length - count('queued', 'sent') : 0));
const WORDS = {
  held: 'held back',
  queued: 'not sent yet',
  sent: 'waiting',
  refused: 'refused',
  failed: 'not delivered',
  stopped: 'stopped',
};
const report = computed(() => {
  const outcomes = new Map<string, number>();
  for (const line of one.value?.lines ?? []) {
    const word = line.state === 'done' ? (line.outcome ?? 'done') : WORDS[line.state];
    outcomes.set(word, (outcomes.get(word) ?? 0) + 1);
  }
  return [...outcomes].map(([word, number]) => `${number} ${word}`).join(' · ');
});
const title = computed(
  () => all.value.find((dispatch) => dispatch.id === one.value?.id)?.title ?? one.value?.lines[0]?.familyName ?? '',
);

async function act(endpoint: typeof api.retryDispatch): Promise<void> {
  try {
    await call(endpoint, { params: { id: id.value } });
    await load();
  } catch (error) {
    tell(error);
  }
}
/** What was refused goes out again as it is by then: composed and agreed to anew. */
function sendRefusedAgain(): void {
  const lines = one.value!.lines.filter((line) => line.state === 'refused');
  const each = (key: 'familyId' | 'account') => [...new Set(lines.map((line) => line[key]))].join(',');
  void router.push({ name: 'compose', query: { families: each('familyId'), accounts: each('account') } });
}
const when = (at: string) =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
</script>

<template>
  <section class="view">
    <div v-if="loaded && all.length === 0" class="empty">
      <p v-if="problem" class="stops">{{ problem }}</p>
      <template v-else>
        <p>Nothing has been sent yet. Open a family that fits a channel and press Send.</p>
        <ElButton type="primary" @click="router.push('/families')">To the families</ElButton>
      </template>
    </div>
    <div v-else class="list-beside">
      <nav class="sheet past" aria-label="Dispatches">
        <RouterLink
          v-for="dispatch in all"
          :key="dispatch.id"
          :to="{ name: 'receipt', params: { id: dispatch.id } }"
          :class="{ here: dispatch.id === id }"
        >
          <strong>{{ dispatch.title }}</strong>
          <span class="soft"
            >{{ when(dispatch.at) }} · {{ dispatch.lines === 1 ? '1 line' : `${dispatch.lines} lines`
            }}<template v-if="dispatch.draft"> · drafts</template></span
          >
          <span v-if="dispatch.state === 'running'" class="warns">under way</span>
          <span v-else-if="counted(dispatch, 'refused', 'failed')" class="stops"
            >{{ counted(dispatch, 'refused', 'failed') }} did not go in</span
          >
          <span v-else-if="counted(dispatch, 'held', 'stopped')" class="warns">{{ keptBack(dispatch) }}</span>
          <span v-else class="fits">done</span>
        </RouterLink>
      </nav>
      <div v-if="one && one.id === id" class="sheet receipt" data-test="receipt" :data-state="one.state">
        <header>
          <h1>{{ title }}</h1>
          <span class="soft">sent {{ when(one.at) }}</span>
          <span data-test="report">{{ report }}</span>
          <span v-for="fee in one.totals.fees" :key="fee.currency" class="soft"
            >{{ showAmount(fee.amount, fee.currency) }} agreed</span
          >
          <div class="grow" />
          <ElButton v-if="count('queued')" @click="act(api.stopDispatch)">Send no more of it</ElButton>
          <ElButton v-if="count('refused')" data-test="refused-again" @click="sendRefusedAgain"
            >Send {{ count('refused') }} refused again…</ElButton
          >
          <ElButton v-if="count('failed', 'stopped')" type="primary" data-test="retry" @click="act(api.retryDispatch)"
            >Send {{ count('failed', 'stopped') }} again</ElButton
          >
        </header>
        <div v-if="one.state === 'running'" class="progress">
          <ElProgress :percentage="Math.round((ended / one.lines.length) * 100)" :stroke-width="4" :show-text="false" />
          <span class="soft">{{ ended }} of {{ one.lines.length }} answered</span>
        </div>
        <p v-if="problem" class="notice stops" role="status">{{ problem }} What is under way goes on.</p>
        <p v-else-if="one.notice" class="notice warns" role="status" data-test="notice">{{ one.notice }}</p>
        <DispatchLines :lines="one.lines" :dispatch-id="one.id" />
      </div>
      <div v-else-if="loaded && problem" class="empty">{{ problem }}</div>
    </div>
  </section>
</template>

<style scoped>
.past {
  overflow: auto;
}
.past a {
  display: flex;
  flex-direction: column;
  padding: 8px 12px;
  border-bottom: 1px solid var(--line-soft);
  border-left: 3px solid transparent;
  color: inherit;
  text-decoration: none;
  font-size: 12.5px;
}
.past a:hover {
  background: var(--ground);
}
.past a.here {
  border-left-color: var(--weld);
  background: var(--weld-pale);
}
.past strong {
  font-size: 13px;
  font-weight: 600;
}
.receipt {
  overflow: auto;
}
header {
  display: flex;
  gap: 14px;
  align-items: baseline;
  padding: 10px 14px;
}
.progress {
  padding: 0 14px 8px;
  display: flex;
  gap: 12px;
  align-items: center;
  font-size: 12px;
}
.progress .el-progress {
  flex: 1;
}
.notice {
  background: var(--warns-pale);
  padding: 6px 14px;
}
.notice.stops {
  background: var(--stops-pale);
}
</style>
