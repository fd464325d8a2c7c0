<script setup lang="ts">
/** The plan in force, drawn as threads over the weave; the next best ones to choose from, and the seller's wishes. */
import { computed, shallowRef } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import { planCost, planDifference, planReasons, planText } from '@loom-kin/core/descriptions';
import type { Fit, Plan } from '@loom-kin/core/fit';
import { useFamily } from '../stores/family';
import Threads from './Threads.vue';
import Weave from '../weave/Weave.vue';
import Term from '../common/Term.vue';
import BuyersPage from './BuyersPage.vue';
import FewerListings from './FewerListings.vue';
import Wishes from './Wishes.vue';
import { useWish } from './useWish';

const props = defineProps<{ account: Account; fit: Fit; plan: Plan }>();
const store = useFamily();
const id = computed(() => props.account.id);
const family = computed(() => store.family!);
const currency = computed(() => props.fit.category!.rules.price.currency);

const reasons = computed(() => {
  const { label, rules } = props.fit.category!;
  const { name } = props.account;
  return planReasons({
    family: family.value,
    plan: props.plan,
    plans: props.fit.plans,
    rules,
    category: label,
    account: name,
  });
});

const { setWish } = useWish(() => id.value);
/** The best plan is no wish: it stays the best as the family changes. */
const choose = (one: Plan) => setWish({ chosen: one === props.fit.plans[0] ? undefined : one.signature });
/** What another plan costs more or less than the best. */
const difference = (one: Plan) => planDifference(one, props.fit.plans[0]!, currency.value) || 'nothing that counts';
/** The plan whose pages are looked at. */
const previewed = shallowRef<Plan | null>(null);
const light = (childIds: string[]) => (store.lit = new Set(childIds));
</script>

<template>
  <section id="plans" class="sheet plan">
    <div class="head">
      <h2 data-test="plan-in-force">{{ planText(family, plan) }}</h2>
      <span class="soft">{{ planCost(plan, currency) }}</span>
      <button class="link" data-test="preview" @click="previewed = plan">as a buyer would see it</button>
    </div>
    <div class="drawn">
      <div class="cloth">
        <Threads :family="family" :plan="plan" :channel-name="account.name" @hover="light" />
        <Weave
          :family="family"
          :weaving="false"
          :states="{ [id]: fit.childStates }"
          :only="id"
          :selected="store.selected"
          :lit="store.lit"
          :chosen="store.chosen"
          narrow
          name="The weave on this account"
          @choose="store.choose($event, 'weave')"
          @select="store.selected = $event"
          @hover="light"
        />
      </div>
      <div class="side">
        <h3>Why this one</h3>
        <p v-for="reason in reasons" :key="reason" class="why" data-test="plan-reason">{{ reason }}</p>
        <h3><Term word="plan">Plans</Term>, best first</h3>
        <div v-for="(one, number) in fit.plans" :key="one.signature" class="choice">
          <button
            class="plain other"
            :class="{ used: one.signature === plan.signature }"
            data-test="plan"
            :aria-pressed="one.signature === plan.signature"
            @click="choose(one)"
          >
            <strong>{{ planText(family, one) }}</strong>
            <span class="soft">{{
              number === 0
                ? `what the program would choose: ${planCost(one, currency)}`
                : `against the best: ${difference(one)}`
            }}</span>
          </button>
          <button v-if="one.signature !== plan.signature" class="link see" @click="previewed = one">
            a buyer's page
          </button>
        </div>
        <FewerListings
          v-if="plan.cost.listings > 1 && plan.signature === fit.plans[0]?.signature"
          :key="plan.signature"
          :account="account"
          :fit="fit"
          :plan="plan"
        />
        <Wishes :account="account" :fit="fit" />
      </div>
    </div>
    <BuyersPage v-if="previewed" :account="account" :fit="fit" :plan="previewed" @close="previewed = null" />
  </section>
</template>

<style scoped>
.plan {
  padding: 10px 14px 12px;
  container-type: inline-size;
}
.head {
  display: flex;
  gap: 14px;
  align-items: baseline;
  flex-wrap: wrap;
}
.drawn {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 252px;
  gap: 14px;
  margin-top: 6px;
}
.cloth {
  min-width: 0;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.side {
  border-left: 1px solid var(--line-soft);
  padding-left: 12px;
  font-size: 12.5px;
}
.side h3 {
  margin: 8px 0 4px;
}
.other {
  display: flex;
  flex-direction: column;
  padding: 5px 8px;
  border-left: 3px solid transparent;
  width: 100%;
}
.why {
  margin: 0 0 4px;
}
.see {
  font-size: 11.5px;
  margin: 0 0 4px 11px;
}
.other strong {
  font-weight: 500;
}
.other:hover {
  background: var(--ground);
}
.other.used {
  border-left-color: var(--weld);
  background: var(--weld-pale);
}
@container (width < 640px) {
  .drawn {
    grid-template-columns: minmax(0, 1fr);
  }
  .side {
    border-left: 0;
    border-top: 1px solid var(--line-soft);
    padding: 4px 0 0;
  }
}
</style>
