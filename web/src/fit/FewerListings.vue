<script setup lang="ts">
/** What could be left out so that fewer listings are enough: looked for when somebody asks, and never done by itself. */
import { shallowRef, watch } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import { planDifference } from '@loom-kin/core/descriptions';
import { familyIndex } from '@loom-kin/core/family';
import type { Fit, LeaveOutOffer, Plan } from '@loom-kin/core/fit';
import { children } from '@loom-kin/core/text';
import { tell } from '../api/api';
import { useFamily } from '../stores/family';
import { useWish } from './useWish';

const props = defineProps<{ account: Account; fit: Fit; plan: Plan }>();
const store = useFamily();
const { wish, setWish } = useWish(() => props.account.id);

/** Null before anybody asked. */
const offers = shallowRef<LeaveOutOffer[] | null>(null);
watch(
  () => props.fit,
  () => (offers.value = null),
);

async function look(): Promise<void> {
  try {
    offers.value = await store.leaveOuts(props.account.id);
  } catch (error) {
    tell(error);
  }
}
const labelOf = ({ valueId }: LeaveOutOffer) => familyIndex(store.family!).valueById.get(valueId)?.label ?? '';
const gain = ({ plan }: LeaveOutOffer) => planDifference(plan, props.plan, props.fit.category!.rules.price.currency);
const leaveOut = ({ childIds }: LeaveOutOffer) => setWish({ leaveOut: [...wish.value.leaveOut, ...childIds] });
</script>

<template>
  <p v-if="offers === null" class="ask">
    <button class="link" data-test="fewer-listings" @click="look">Could there be fewer listings?</button>
  </p>
  <div v-else role="status">
    <p v-if="offers.length === 0" class="soft">Not by leaving out any one value.</p>
    <button
      v-for="offer in offers"
      :key="offer.valueId"
      class="plain offer"
      data-test="leave-out-offer"
      @click="leaveOut(offer)"
    >
      <strong>Without {{ labelOf(offer) }} ({{ children(offer.childIds.length) }})</strong>
      <span class="soft">{{ gain(offer) }}</span>
    </button>
  </div>
</template>

<style scoped>
.ask {
  margin: 6px 8px;
}
.offer {
  display: flex;
  flex-direction: column;
  width: 100%;
  padding: 5px 8px;
  border-left: 3px solid var(--line);
}
.offer:hover {
  background: var(--ground);
}
.offer strong {
  font-weight: 500;
}
</style>
