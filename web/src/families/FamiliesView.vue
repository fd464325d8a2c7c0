<script setup lang="ts">
/** All families: search as you type, filter by state on an account, the strip of ticks beside each. */
import { computed, nextTick, ref } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus';
import { STATE_WORDS } from '@loom-kin/core/descriptions';
import { showAmount } from '@loom-kin/core/money';
import { children, count } from '@loom-kin/core/text';
import type { FamilySummary } from '@loom-kin/contract';
import { useSetup } from '../stores/setup';
import { useKeys } from '../shell/keys';
import { PAGE, SORTS, useFamilyList } from './useFamilyList';
import FirstSteps from './FirstSteps.vue';
import TakeOut from './TakeOut.vue';
import Ticks from '../common/Ticks.vue';

const router = useRouter();
const setup = useSetup();
const { families, total, loaded, problem, counts, at, load, clear, nameOf, ...asked } = useFamilyList();
const { q, account, state, finding, sort, retired } = asked;
const ticked = ref(new Set<string>());
const search = ref<InstanceType<typeof ElInput>>();
const list = ref<HTMLElement>();

const states = (family: FamilySummary) =>
  Object.fromEntries(Object.entries(family.strip).map(([id, one]) => [id, one.state]));
const filtered = computed(
  () => q.value !== '' || (account.value !== '' && `${state.value}${finding.value}` !== '') || retired.value,
);
const open = (family: FamilySummary | undefined) => family && void router.push(`/families/${family.id}`);
const toggle = (id: string) => {
  const next = new Set(ticked.value);
  if (!next.delete(id)) next.add(id);
  ticked.value = next;
};
function walk(by: number): void {
  at.value = Math.max(0, Math.min(families.value.length - 1, at.value + by));
  void nextTick(() => list.value?.querySelector('tr.at')?.scrollIntoView({ block: 'nearest' }));
}
useKeys({
  ArrowDown: () => walk(1),
  ArrowUp: () => walk(-1),
  Enter: () => open(families.value[at.value]),
  '/': () => search.value?.focus(),
  n: () => void router.push('/families/new'),
});
</script>

<template>
  <section class="view">
    <h1 class="visually-hidden">Families</h1>
    <div class="view-head">
      <ElInput
        ref="search"
        v-model="q"
        style="width: 215px"
        placeholder="Name, style code, SKU, GTIN"
        clearable
        aria-label="Search families"
        data-test="search"
        @keydown.down.prevent="walk(1)"
        @keydown.up.prevent="walk(-1)"
        @keydown.enter="open(families[at])"
      />
      <span class="soft">that</span>
      <ElSelect
        v-model="state"
        placeholder="any state"
        clearable
        style="width: 125px"
        aria-label="State"
        @change="account ||= setup.accounts[0]?.id ?? ''"
      >
        <ElOption v-for="(words, one) in STATE_WORDS" :key="one" :value="one" :label="words" />
      </ElSelect>
      <span class="soft">on</span>
      <ElSelect v-model="account" placeholder="any account" clearable style="width: 125px" aria-label="Account">
        <ElOption v-for="one in setup.accounts" :key="one.id" :value="one.id" :label="one.name" />
      </ElSelect>
      <ElSelect
        v-if="account"
        v-model="finding"
        placeholder="any finding"
        clearable
        filterable
        style="width: 165px"
        aria-label="Finding"
        data-test="finding-filter"
      >
        <ElOption
          v-for="one in counts"
          :key="`${one.code}|${one.key}`"
          :value="`${one.code}|${one.key}`"
          :label="nameOf(one)"
        >
          <span class="choice"
            ><span :class="one.severity">{{ nameOf(one) }}</span
            ><span class="soft">{{ one.families.toLocaleString('en') }}</span></span
          >
        </ElOption>
      </ElSelect>
      <ElSelect v-model="sort" style="width: 150px" aria-label="Order"
        ><ElOption v-for="one in SORTS" :key="one.value" :value="one.value" :label="one.label"
      /></ElSelect>
      <label class="soft"><input v-model="retired" type="checkbox" /> retired</label>
      <div class="grow" />
      <ElButton v-if="ticked.size" @click="router.push({ name: 'compose', query: { families: [...ticked].join(',') } })"
        >Send {{ ticked.size }}…</ElButton
      >
      <ElButton
        v-if="ticked.size > 1"
        data-test="gather"
        @click="router.push({ name: 'gather', query: { families: [...ticked].join(',') } })"
        >Gather {{ ticked.size }}…</ElButton
      >
      <TakeOut v-if="families.length" :ticked="[...ticked]" />
      <ElButton type="primary" data-test="new-family" @click="router.push('/families/new')">Start a family</ElButton>
    </div>
    <div ref="list" class="list sheet">
      <div v-if="problem" class="empty">
        <p class="stops">{{ problem }}</p>
        <ElButton @click="load()">Try again</ElButton>
      </div>
      <div v-else-if="loaded && families.length === 0" class="empty">
        <template v-if="filtered"
          ><p>No family matches.</p>
          <ElButton @click="clear">Clear search and filter</ElButton></template
        >
        <FirstSteps v-else-if="setup.setup && !setup.setup.begun" />
        <template v-else
          ><p>No family yet. Start one by hand, or take one in from a file.</p>
          <div>
            <ElButton type="primary" @click="router.push('/families/new')">Start a family</ElButton>
            <ElButton @click="router.push('/intake')">Take one in</ElButton>
          </div></template
        >
      </div>
      <table v-else class="lines">
        <thead>
          <tr>
            <th style="width: 30px"><span class="visually-hidden">Ticked</span></th>
            <th style="width: 52px" />
            <th>Name</th>
            <th>Style</th>
            <th>Axes</th>
            <th class="number">Children</th>
            <th class="number">From</th>
            <th class="number">Stock</th>
            <th
              style="width: 120px"
              :title="`Ticks from left to right: ${setup.accounts.map((one) => one.name).join(', ')}`"
            >
              On accounts
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(family, number) in families"
            :key="family.id"
            :class="{ at: number === at }"
            data-test="family-row"
            @click="open(family)"
            @mouseenter="at = number"
          >
            <td @click.stop>
              <input
                type="checkbox"
                :checked="ticked.has(family.id)"
                :aria-label="`Tick ${family.name}`"
                @change="toggle(family.id)"
              />
            </td>
            <td class="face">
              <img
                v-if="family.picture"
                :src="`/pictures/${family.picture}.small`"
                alt=""
                loading="lazy"
                width="32"
                height="32"
              /><span v-else class="none" title="No picture" />
            </td>
            <td>
              <RouterLink :to="`/families/${family.id}`" @click.stop>{{ family.name }}</RouterLink>
            </td>
            <td class="mono">{{ family.styleCode }}</td>
            <td class="soft">{{ family.axes || 'single product' }}</td>
            <td class="number">{{ family.children }}</td>
            <td class="number">{{ family.fromPrice ? showAmount(family.fromPrice, setup.currency) : '—' }}</td>
            <td class="number">
              {{ family.stock.toLocaleString('en') }}
              <span v-if="family.low" class="warns small" :title="`${children(family.low)} low on stock`"
                >{{ family.low }} low</span
              >
            </td>
            <td><Ticks :states="states(family)" :held="family.strip" /></td>
          </tr>
        </tbody>
      </table>
      <div v-if="families.length < total" class="more">
        <ElButton @click="load('more')"
          >Show {{ Math.min(PAGE, total - families.length) }} more of {{ total }}</ElButton
        >
      </div>
    </div>
    <footer class="foot soft" v-if="loaded">
      {{ count(total, 'family', 'families') }} · ticks, left to right:
      {{ setup.accounts.map((one) => one.name).join(', ') }} · full: fits, hollow: needs work, broken: stopped, none:
      not offered; underlined: live; two dots: not confirmed
    </footer>
  </section>
</template>

<style scoped>
.list {
  margin: 0 20px;
  flex: 1;
  overflow: auto;
  min-height: 0;
}
tr {
  cursor: pointer;
}
tbody tr.at {
  background: var(--weld-pale);
}
tbody td {
  vertical-align: middle;
  height: 42px;
  padding-top: 3px;
  padding-bottom: 3px;
}
.face img {
  display: block;
  object-fit: contain;
  border: 1px solid var(--line-soft);
  background: #fff;
}
.none {
  display: block;
  width: 32px;
  height: 32px;
  border: 1px dashed var(--line);
}
td a {
  color: var(--ink);
  text-decoration: none;
  font-weight: 500;
}
td a:hover {
  text-decoration: underline;
}
.more {
  padding: 10px;
  text-align: center;
}
.foot {
  padding: 7px 20px 9px;
  font-size: 12px;
}
.choice {
  display: flex;
  justify-content: space-between;
  gap: 16px;
}
</style>
