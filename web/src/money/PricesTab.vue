<script setup lang="ts">
/** Prices of the family: on each account the way from the price to what is left of it, and back from what is wanted to the price. */
import { computed, ref, watch } from 'vue';
import { EVERYWHERE, placeLabel } from '@loom-kin/core/family';
import { priceChanges, sellersPrice } from '@loom-kin/core/fit';
import {
  type Waterfall as WaterfallSteps,
  priceBeside,
  priceNear,
  showAmount,
  waterfall as waterfallOf,
} from '@loom-kin/core/money';
import { children } from '@loom-kin/core/text';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { ElButton } from 'element-plus';
import AccountTotals from './AccountTotals.vue';
import TargetPanel from './TargetPanel.vue';
import Waterfall from './Waterfall.vue';
import { useEarnings, whichChildren } from './useEarnings';

const store = useFamily();
const setup = useSetup();
const family = computed(() => store.family!);

/** Which children are looked at: all, those chosen in weave or grid, or the one that is selected. */
const looked = ref<'all' | 'chosen' | 'one'>(store.chosen.size > 1 ? 'chosen' : 'all');
const one = computed(() => (store.selected.level === 'child' ? store.selected.childId : null));
const childIds = computed((): readonly string[] => {
  if (looked.value === 'chosen') return [...store.chosen];
  if (looked.value === 'one' && one.value) return [one.value];
  return store.index?.woven.map((child) => child.id) ?? [];
});
const all = useEarnings(childIds);

const accountId = ref('');
const here = computed(() => all.value.find((each) => each.account.id === accountId.value) ?? all.value[0]);
const groupAt = ref(0);
watch([accountId, looked], () => (groupAt.value = 0));
const group = computed(() => here.value?.groups[groupAt.value] ?? here.value?.groups[0]);
const money = computed(() => here.value!.prices.money);

/** A price that is tried here, in the channel's currency; null while the one that stands is shown. */
const tried = ref<string | null>(null);
watch([accountId, looked, groupAt, () => group.value?.price.price], () => (tried.value = null));
const price = computed(() => tried.value ?? group.value?.price.price ?? null);
const shown = computed(() => (price.value === null ? null : waterfallOf(price.value, group.value!.charges)));
const currency = computed(() => money.value.currency);

const tryPrice = (amount: string) => (tried.value = priceNear(amount, money.value.steps));
function step(by: 1 | -1): void {
  const beside = priceBeside(price.value!, money.value.steps, by);
  if (beside !== null) tried.value = beside;
}
/** What the seller's own price would be for it. */
const own = (channelPrice: string) => sellersPrice(channelPrice, money.value, setup.currency);
function set(prices: readonly { childIds: readonly string[]; price: string }[], onlyHere: boolean): void {
  const scope = onlyHere ? `account:${here.value!.account.id}` : undefined;
  const owns = prices.map((each) => ({ childIds: each.childIds, price: own(each.price) }));
  const changes = priceChanges(setup.registry, family.value, owns, scope);
  if (store.run({ do: 'setFigures', changes })) tried.value = null;
}
/** The account has a rule or prices of its own: what holds everywhere would not be seen there. */
const ruled = computed(() => here.value?.account.settings.priceRule !== undefined);
const isOwn = computed(() => ruled.value || here.value?.groups.some((one) => one.price.scope !== EVERYWHERE) === true);
const percent = (amount: WaterfallSteps['margin']) => (amount === null ? '—' : `${amount.toFixed(1)} %`);
</script>

<template>
  <div class="prices">
    <div v-if="!here" class="sheet empty">
      <p>No channel has a place for these goods yet, so that nothing is known of what is left there.</p>
      <RouterLink :to="{ name: 'words', params: { id: family.id } }">Choose a category</RouterLink>
    </div>
    <template v-else>
      <aside class="sheet accounts">
        <label class="looked"
          >Look at
          <select v-model="looked" data-test="looked">
            <option value="all">all {{ children(store.index?.woven.length ?? 0) }}</option>
            <option v-if="store.chosen.size > 1" value="chosen">the {{ store.chosen.size }} chosen</option>
            <option v-if="one" value="one">{{ placeLabel(family, { level: 'child', childId: one }) }}</option>
          </select></label
        >
        <AccountTotals v-model="accountId" :all="all" />
      </aside>
      <div class="sheet way">
        <h2>
          {{ here.account.name }}
          <RouterLink class="small" :to="{ name: 'channels', query: { account: here.account.id, part: 'money' } }">{{
            ruled ? 'its prices are made by a rule' : 'fees, tax and price rule'
          }}</RouterLink>
        </h2>
        <div class="groups" role="tablist" aria-label="Children alike in price and cost">
          <button
            v-for="(each, at) in here.groups"
            :key="at"
            class="plain"
            role="tab"
            :aria-selected="each === group"
            :data-test="`group-${at}`"
            @click="groupAt = at"
          >
            {{ whichChildren(family, each.childIds) }}
            <span class="soft">{{
              each.price.price === null ? 'no price' : showAmount(each.price.price, currency)
            }}</span>
          </button>
        </div>
        <p v-if="!shown" class="soft">
          These children have no price.
          <RouterLink :to="{ name: 'family', params: { id: family.id } }">Type one</RouterLink>
        </p>
        <template v-else-if="group">
          <Waterfall
            :waterfall="shown"
            :currency="currency"
            :standing="group.price.price ?? '1'"
            :commission-percent="group.charges.commissionPercent"
            @drag="tryPrice(String($event))"
            @step="step"
          />
          <p class="sum">
            <span
              >Margin <strong data-test="margin">{{ percent(shown.margin) }}</strong>&#32;<span class="soft"
                >of the price without tax, {{ showAmount(shown.net.toFixed(), currency) }}</span
              ></span
            ><span
              >Markup <strong data-test="markup">{{ percent(shown.markup) }}</strong>&#32;<span class="soft"
                >of the cost</span
              ></span
            >
            <span v-if="group.charges.cost === null" class="warns">No cost is known: what is left is before it.</span>
          </p>
          <p v-if="group.sale" class="sum" data-test="on-sale">
            <span
              >On sale from {{ group.sale.from }} to {{ group.sale.until }} at
              <strong>{{ showAmount(group.sale.price, currency) }}</strong>:
              {{ showAmount(group.sale.waterfall.left.toFixed(), currency) }} left, margin
              <strong :class="{ stops: group.sale.waterfall.left.lt(0) }">{{
                percent(group.sale.waterfall.margin)
              }}</strong></span
            >
          </p>
          <p v-if="tried !== null" class="tried" data-test="tried">
            <span
              >Tried: {{ showAmount(tried, currency) }} instead of {{ showAmount(group.price.price!, currency)
              }}<template v-if="own(tried) !== tried">, {{ showAmount(own(tried), setup.currency) }} of yours</template
              >.</span
            >
            <ElButton
              v-if="!isOwn"
              size="small"
              data-test="set-everywhere"
              @click="set([{ childIds: group.childIds, price: tried! }], false)"
              >Set it everywhere</ElButton
            >
            <ElButton
              size="small"
              data-test="set-here"
              @click="set([{ childIds: group.childIds, price: tried! }], true)"
              >Set it for {{ here.account.name }} alone</ElButton
            >
            <ElButton size="small" @click="tried = null">As it is</ElButton>
          </p>
        </template>
        <TargetPanel
          :family="family"
          :groups="here.groups"
          :money="money"
          :account-name="here.account.name"
          :own="isOwn"
          @set="set"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.prices {
  height: 100%;
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr);
  gap: 10px;
  padding: 10px 20px 14px;
  min-height: 0;
}
.accounts,
.way {
  padding: 12px 16px;
  overflow: auto;
  min-height: 0;
}
.way {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.empty {
  grid-column: 1 / -1;
}
.small {
  font-size: 12px;
  font-weight: 400;
  margin-left: 8px;
}
.looked {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-bottom: 10px;
}
select {
  font: inherit;
  border: 1px solid var(--line);
  padding: 3px 6px;
  background: var(--sheet);
  color: inherit;
  min-width: 0;
}
.groups {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.groups .plain {
  border: 1px solid var(--line);
  padding: 3px 10px;
  font-size: 13px;
}
.groups [aria-selected='true'] {
  background: var(--weld-pale);
  border-color: var(--weld);
}
.sum,
.tried {
  display: flex;
  gap: 22px;
  flex-wrap: wrap;
  align-items: center;
}
.tried {
  gap: 10px;
  background: var(--weld-pale);
  padding: 6px 10px;
}
@media (width < 900px) {
  .prices {
    display: flex;
    flex-direction: column;
    overflow: auto;
  }
  .accounts,
  .way {
    flex: none;
  }
}
</style>
