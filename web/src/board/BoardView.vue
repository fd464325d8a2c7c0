<script setup lang="ts">
/** The fit board: every family against every account, what is found over them, and what is done to many at once. */
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElInput } from 'element-plus';
import { STATE_WORDS } from '@loom-kin/core/descriptions';
import type { FitState } from '@loom-kin/core/fit';
import { count } from '@loom-kin/core/text';
import { api, call, say, tell } from '../api/api';
import { useSetup } from '../stores/setup';
import { useSending } from '../stores/sending';
import { useKeys } from '../shell/keys';
import BoardTable from './BoardTable.vue';
import FindingGroups from './FindingGroups.vue';
import MendPreview from './MendPreview.vue';
import { useBoard } from './useBoard';
import { SENT_AT_ONCE, type BoardFinding } from '@loom-kin/contract';

const route = useRoute();
const router = useRouter();
const setup = useSetup();
const sending = useSending();
onMounted(() => void setup.ensure());
const text = (key: string) => String(route.query[key] ?? '');
const board = useBoard({
  q: text('q'),
  category: text('category'),
  account: text('account'),
  finding: text('finding'),
  route: text('route'),
  state: text('state') as FitState | '',
});
const { filter, total, counts, found, rows, loaded, problem } = board;
// What is looked at stands in the address: it is there again after a look elsewhere.
watch(board.query, (query) => void router.replace({ query: { ...query } }));

const ticked = shallowRef<ReadonlySet<string>>(new Set());
const at = ref(0);
const table = ref<InstanceType<typeof BoardTable>>();
const search = ref<InstanceType<typeof ElInput>>();
function toggle(id: string): void {
  const next = new Set(ticked.value);
  if (!next.delete(id)) next.add(id);
  ticked.value = next;
}
/** Ticks every family that is meant, those not in view among them. */
async function tickAll(): Promise<void> {
  try {
    ticked.value = new Set(await call(api.boardIds, { query: board.query.value }));
  } catch (error) {
    tell(error);
  }
}
const clearTicks = () => (ticked.value = new Set());
watch(board.query, clearTicks);

/** Filters that only speak of an account. */
const accountName = computed(() => (filter.account ? setup.accountName(filter.account) : 'any account'));
const routes = computed(() => setup.setup?.routes[filter.account] ?? []);
function choose(account: string, state: FitState | ''): void {
  Object.assign(filter, { account, state: filter.account === account && filter.state === state ? '' : state });
}
function chooseFinding(one: BoardFinding): void {
  const finding = `${one.code}|${one.key}`;
  const isHere = filter.account === one.account && filter.finding === finding;
  Object.assign(filter, { account: one.account, finding: isHere ? '' : finding, state: '', route: '' });
}
const mending = shallowRef<BoardFinding | null>(null);
const filtered = computed(() => Object.values(filter).some((one) => one !== ''));

const actOn = ref<string[]>([]);
/** Whoever looks at one account acts on that one. */
watch(
  [() => setup.accounts, () => filter.account],
  ([accounts, looked]) => (actOn.value = looked ? [looked] : accounts.map((one) => one.id)),
  { immediate: true },
);
function send(): void {
  sending.hand([...ticked.value]);
  void router.push({ name: 'compose', query: { families: 'handed', accounts: actOn.value.join(',') } });
}
async function offer(offered: boolean): Promise<void> {
  const familyIds = [...ticked.value];
  const steps = actOn.value.map((account) => ({ on: 'offer' as const, account, familyIds, offered }));
  const names = actOn.value.map(setup.accountName).join(', ');
  if (await setup.change(steps))
    say(`${count(familyIds.length, 'family is', 'families are')} ${offered ? '' : 'not '}offered on ${names}.`);
}
async function recheck(): Promise<void> {
  try {
    await call(api.recheckAll);
    say('Every family is looked at anew; how far it is stands under Jobs.');
  } catch (error) {
    tell(error);
  }
}

function walk(by: number): void {
  at.value = Math.max(0, Math.min(total.value - 1, at.value + by));
  void nextTick(() => table.value?.show(at.value));
}
const here = () => rows.value.get(at.value);
const open = (id: string, account?: string) =>
  router.push(account ? { name: 'fit', params: { id, account } } : { name: 'family', params: { id } });
useKeys({
  ArrowDown: () => walk(1),
  ArrowUp: () => walk(-1),
  PageDown: () => walk(15),
  PageUp: () => walk(-15),
  Home: () => walk(-total.value),
  End: () => walk(total.value),
  Enter: () => here() && void open(here()!.id),
  x: () => here() && toggle(here()!.id),
  '/': () => search.value?.focus(),
});
</script>

<template>
  <section class="view">
    <h1 class="visually-hidden">Fit board</h1>
    <div class="view-head">
      <ElInput
        ref="search"
        v-model="filter.q"
        style="width: 190px"
        placeholder="Name, style code, SKU"
        clearable
        aria-label="Search families"
        data-test="board-search"
      />
      <select v-model="filter.category" aria-label="Category" data-test="board-category">
        <option value="">any category</option>
        <option v-for="{ category, depth } in setup.registry.tree" :key="category.id" :value="category.id">
          {{ '\u2003'.repeat(depth) }}{{ category.label }}
        </option>
      </select>
      <span class="soft">that</span>
      <select
        v-model="filter.state"
        aria-label="State"
        data-test="board-state"
        @change="filter.account ||= setup.accounts[0]?.id ?? ''"
      >
        <option value="">is in any state</option>
        <option v-for="(words, one) in STATE_WORDS" :key="one" :value="one">{{ words }}</option>
      </select>
      <span class="soft">on</span>
      <select v-model="filter.account" aria-label="Account" data-test="board-account" @change="filter.route = ''">
        <option value="">any account</option>
        <option v-for="one in setup.accounts" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select>
      <select v-if="routes.length" v-model="filter.route" aria-label="Route" data-test="board-route">
        <option value="">by any route</option>
        <option v-for="(one, number) in routes" :key="one.id" :value="one.id">
          {{ one.name || `route ${number + 1}` }}
        </option>
      </select>
      <button v-if="filtered" class="link" data-test="board-clear" @click="board.clear">all families</button>
      <div class="grow" />
      <ElButton size="small" data-test="recheck" @click="recheck">Check all anew</ElButton>
    </div>
    <div class="parts">
      <div class="sheet board">
        <div v-if="problem" class="empty">
          <p class="stops">{{ problem }}</p>
        </div>
        <div v-else-if="loaded && total === 0" class="empty">
          <template v-if="filtered"
            ><p>No family matches.</p>
            <ElButton @click="board.clear">Show all families</ElButton></template
          >
          <template v-else
            ><p>No family yet. Once there are some, they stand here against every account.</p>
            <ElButton type="primary" @click="router.push('/families/new')">Start a family</ElButton></template
          >
        </div>
        <BoardTable
          v-else
          ref="table"
          :total="total"
          :rows="rows"
          :counts="counts"
          :ticked="ticked"
          :at="at"
          :account="filter.account"
          :state="filter.state"
          @need="board.need"
          @at="at = $event"
          @toggle="toggle"
          @open="open"
          @choose="choose"
        />
        <footer class="foot">
          <template v-if="ticked.size">
            <strong>{{ count(ticked.size, 'family', 'families') }} ticked</strong>
            <button class="link" @click="clearTicks">none</button>
            <span class="soft">on</span>
            <label v-for="one in setup.accounts" :key="one.id"
              ><input v-model="actOn" type="checkbox" :value="one.id" :data-test="`act-${one.id}`" />
              {{ one.name }}</label
            >
            <ElButton
              size="small"
              type="primary"
              :disabled="!actOn.length || ticked.size > SENT_AT_ONCE"
              :title="ticked.size > SENT_AT_ONCE ? `${SENT_AT_ONCE} families at most are sent at once` : undefined"
              data-test="board-send"
              @click="send"
              >Send…</ElButton
            >
            <ElButton size="small" :disabled="!actOn.length" data-test="board-offer" @click="offer(true)"
              >Offer</ElButton
            >
            <ElButton size="small" :disabled="!actOn.length" data-test="board-withhold" @click="offer(false)"
              >Do not offer</ElButton
            >
          </template>
          <template v-else
            ><span class="soft"
              >{{ count(total, 'family', 'families') }} · full: fits, hollow: needs work, broken: stopped, none: not
              offered; underlined: live; two dots: not confirmed; the number: things to do</span
            ></template
          >
          <div class="grow" />
          <button v-if="total" class="link" data-test="tick-all" @click="tickAll">
            tick all {{ total.toLocaleString('en') }}
          </button>
        </footer>
      </div>
      <FindingGroups
        :found="found"
        :account="filter.account"
        :finding="filter.finding"
        :account-name="accountName"
        @choose="chooseFinding"
        @mend="mending = $event"
      />
    </div>
    <MendPreview v-if="mending" :finding="mending" :filter="board.query.value" @close="mending = null" />
  </section>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: 10px;
  flex: 1;
  min-height: 0;
  padding: 0 20px 12px;
}
.board {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.foot {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  padding: 6px 12px;
  border-top: 1px solid var(--line);
  font-size: 12.5px;
  min-height: 36px;
}
select {
  font: inherit;
  color: inherit;
  height: 32px;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 0 6px;
  max-width: 150px;
}
@media (width < 900px) {
  .parts {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(200px, 1fr) minmax(160px, 240px);
  }
}
</style>
