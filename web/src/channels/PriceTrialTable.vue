<script setup lang="ts">
/** Prices before and after, family by family, and what is left of the poorest child. */
import { computed } from 'vue';
import { showAmount } from '@loom-kin/core/money';
import { children, count } from '@loom-kin/core/text';
import type { PriceRange, PriceTrial } from '@loom-kin/contract';

const props = defineProps<{ trial: PriceTrial | null; currency: string; busy: boolean; isChanged: boolean }>();
const range = (one: PriceRange | null) => {
  if (!one) return 'no price';
  const [from, to] = [showAmount(one.from, props.currency), showAmount(one.to, props.currency)];
  return from === to ? from : `${from} – ${to}`;
};
const left = (one: PriceRange | null) =>
  one ? `${showLeft(one.left)}${one.margin === null ? '' : ` (${one.margin} %)`}` : '';
const showLeft = (amount: string) =>
  amount.startsWith('-') ? `−${showAmount(amount.slice(1), props.currency)}` : showAmount(amount, props.currency);
const told = computed(() => {
  const { trial, isChanged } = props;
  if (!trial) return '';
  if (trial.families === 0) return 'No family has a place on this account yet.';
  const about = `${count(trial.families, 'family', 'families')}, ${children(trial.children)}`;
  const parts = [
    isChanged && `${children(trial.changed)} would cost something else`,
    trial.unruled > 0 && `the rule makes no price for ${children(trial.unruled)}: your own stays`,
    trial.losing > 0 && `less than nothing is left of ${children(trial.losing)}`,
  ];
  return `${[about, ...parts].filter(Boolean).join(' · ')}.`;
});
</script>

<template>
  <section class="trial" data-test="price-trial">
    <div class="head">
      <h2>{{ isChanged ? 'What it would make of prices' : 'What prices are and what they leave' }}</h2>
      <span v-if="busy" class="soft">working it out…</span>
      <span class="grow" />
      <slot />
    </div>
    <p class="soft" data-test="trial-told">{{ told }}</p>
    <table v-if="trial?.rows.length" class="lines">
      <thead>
        <tr>
          <th>Family</th>
          <th class="number">{{ isChanged ? 'Now' : 'Price' }}</th>
          <th v-if="isChanged" class="number">Then</th>
          <th class="number">Left at least</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in trial.rows" :key="row.familyId">
          <td>
            <RouterLink :to="{ name: 'prices', params: { id: row.familyId } }">{{ row.name }}</RouterLink>
          </td>
          <td class="number">{{ range(row.before) }}</td>
          <td v-if="isChanged" class="number" data-test="price-then">{{ range(row.after) }}</td>
          <td class="number" :class="{ stops: row.after?.left.startsWith('-') }">{{ left(row.after) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="trial && trial.families > trial.rows.length" class="soft">
      and {{ trial.families - trial.rows.length }} more families.
    </p>
  </section>
</template>

<style scoped>
.trial {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.head {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
