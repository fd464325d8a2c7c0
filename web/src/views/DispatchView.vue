<script setup lang="ts">
/** Dispatches and their receipts, watched while they are under way. */
import { computed, onMounted, onUnmounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElProgress } from 'element-plus';
import { showAmount } from '@loom-kin/core';
import type { Dispatch } from '@loom-kin/contract';
import { api, call, tell } from '../api';
import DispatchLines from '../parts/DispatchLines.vue';

const route = useRoute();
const router = useRouter();
const all = ref<Dispatch[]>([]);
const loaded = ref(false);
const id = computed(() => String(route.params.id ?? all.value[0]?.id ?? ''));
const one = computed(() => all.value.find((dispatch) => dispatch.id === id.value) ?? null);
let timer: ReturnType<typeof setTimeout> | undefined;

async function load(): Promise<void> {
  try {
    all.value = await call(api.dispatches);
    loaded.value = true;
  } catch (error) {
    tell(error);
  }
  clearTimeout(timer);
  if (all.value.some((dispatch) => dispatch.state === 'running')) timer = setTimeout(load, 600);
}
onMounted(load);
onUnmounted(() => clearTimeout(timer));
watch(() => route.params.id, () => void load());

const count = (dispatch: Dispatch, ...states: string[]) => dispatch.lines.filter((line) => states.includes(line.state)).length;
const ended = computed(() => (one.value ? one.value.lines.length - count(one.value, 'queued', 'sent') : 0));
const report = computed(() => {
  if (!one.value) return '';
  const outcomes = new Map<string, number>();
  for (const line of one.value.lines) {
    const word = line.state === 'done' ? (line.outcome ?? 'done') : { held: 'held back', queued: 'not sent yet', sent: 'waiting', refused: 'refused', failed: 'not delivered', stopped: 'stopped' }[line.state];
    outcomes.set(word, (outcomes.get(word) ?? 0) + 1);
  }
  return [...outcomes].map(([word, number]) => `${number} ${word}`).join(' · ');
});
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
  const each = (key: 'familyId' | 'channel') => [...new Set(lines.map((line) => line[key]))].join(',');
  void router.push({ name: 'compose', query: { families: each('familyId'), channels: each('channel') } });
}
const when = (at: string) => new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
const titleOf = (dispatch: Dispatch) => [...new Set(dispatch.lines.map((line) => line.familyName))].slice(0, 2).join(', ') || 'nothing';
</script>

<template>
  <section class="view">
    <div v-if="loaded && all.length === 0" class="empty"><p>Nothing has been sent yet. Open a family that fits a channel and press Send.</p><ElButton type="primary" @click="router.push('/families')">To the families</ElButton></div>
    <div v-else class="columns">
      <nav class="sheet past" aria-label="Dispatches">
        <RouterLink v-for="dispatch in all" :key="dispatch.id" :to="{ name: 'receipt', params: { id: dispatch.id } }" :class="{ here: dispatch.id === id }">
          <strong>{{ titleOf(dispatch) }}</strong>
          <span class="soft">{{ when(dispatch.at) }} · {{ dispatch.lines.length }} lines<template v-if="dispatch.draft"> · drafts</template></span>
          <span v-if="dispatch.state === 'running'" class="warns">under way</span>
          <span v-else-if="count(dispatch, 'refused', 'failed')" class="stops">{{ count(dispatch, 'refused', 'failed') }} did not go in</span>
          <span v-else-if="count(dispatch, 'held', 'stopped')" class="warns">{{ count(dispatch, 'held', 'stopped') }} held back</span>
          <span v-else class="fits">done</span>
        </RouterLink>
      </nav>
      <div v-if="one" class="sheet receipt" data-test="receipt" :data-state="one.state">
        <header>
          <h1>{{ titleOf(one) }}</h1><span class="soft">sent {{ when(one.at) }}</span>
          <span data-test="report">{{ report }}</span>
          <span v-for="fee in one.totals.fees" :key="fee.currency" class="soft">{{ showAmount(fee.amount, fee.currency) }} agreed</span>
          <div class="grow" />
          <ElButton v-if="count(one, 'queued')" @click="act(api.stopDispatch)">Send no more of it</ElButton>
          <ElButton v-if="count(one, 'refused')" data-test="refused-again" @click="sendRefusedAgain">Send {{ count(one, 'refused') }} refused again…</ElButton>
          <ElButton v-if="count(one, 'failed', 'stopped')" type="primary" data-test="retry" @click="act(api.retryDispatch)">Send {{ count(one, 'failed', 'stopped') }} again</ElButton>
        </header>
        <div v-if="one.state === 'running'" class="progress"><ElProgress :percentage="Math.round((ended / one.lines.length) * 100)" :stroke-width="4" :show-text="false" /><span class="soft">{{ ended }} of {{ one.lines.length }} answered</span></div>
        <p v-if="one.notice" class="notice warns" role="status" data-test="notice">{{ one.notice }}</p>
        <DispatchLines :lines="one.lines" />
      </div>
      <div v-else-if="loaded" class="empty">There is no such dispatch.</div>
    </div>
  </section>
</template>

<style scoped>
.columns { display: grid; grid-template-columns: 250px minmax(0, 1fr); gap: 10px; padding: 12px 20px 14px; height: 100%; }
.past { overflow: auto; }
.past a { display: flex; flex-direction: column; padding: 8px 12px; border-bottom: 1px solid var(--line-soft); border-left: 3px solid transparent; color: inherit; text-decoration: none; font-size: 12.5px; }
.past a:hover { background: var(--ground); }
.past a.here { border-left-color: var(--weld); background: var(--weld-pale); }
.past strong { font-size: 13px; font-weight: 600; }
.receipt { overflow: auto; }
header { display: flex; gap: 14px; align-items: baseline; padding: 10px 14px; }
.progress { padding: 0 14px 8px; display: flex; gap: 12px; align-items: center; font-size: 12px; }
.progress .el-progress { flex: 1; }
.notice { background: var(--warns-pale); padding: 6px 14px; }
</style>
