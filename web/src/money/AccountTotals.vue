<script setup lang="ts">
/** Every account in a line: from which price to which, and what is left of the poorest child. */
import { computed } from 'vue';
import type { EarningGroup } from '@loom-kin/core/fit';
import { showAmount } from '@loom-kin/core/money';
import type { AccountEarnings } from './useEarnings';

const props = defineProps<{ all: readonly AccountEarnings[] }>();
const chosen = defineModel<string>({ required: true });

const rows = computed(() =>
  props.all.map(({ account, prices, groups }) => {
    const { currency } = prices.money;
    const priced = groups.filter((one) => one.waterfall !== null);
    const shown = (one: EarningGroup) => showAmount(one.price.price!, currency);
    const [first] = priced;
    // What a sale leaves counts as well: while it runs nothing else is left.
    const { left, margin } =
      priced
        .flatMap(({ waterfall, sale }) => [waterfall!, ...(sale ? [sale.waterfall] : [])])
        .toSorted((one, other) => one.left.cmp(other.left))[0] ?? {};
    return {
      id: account.id,
      name: account.name,
      range: !first
        ? 'no price'
        : shown(first) === shown(priced.at(-1)!)
          ? shown(first)
          : `${shown(first)} – ${shown(priced.at(-1)!)}`,
      left: left ? `${left.lt(0) ? '−' : ''}${showAmount(left.abs().toFixed(), currency)}` : '',
      margin: margin ? `${margin.toFixed(1)} %` : '',
      isLoss: left?.lt(0) ?? false,
    };
  }),
);
const isHere = (id: string) => (chosen.value || rows.value[0]?.id) === id;
</script>

<template>
  <table class="lines">
    <thead>
      <tr>
        <th>Account</th>
        <th class="number">Price</th>
        <th class="number">Left at least</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.id" :class="{ here: isHere(row.id) }">
        <td>
          <button class="link" :aria-current="isHere(row.id)" :data-test="`earn-${row.id}`" @click="chosen = row.id">
            {{ row.name }}
          </button>
        </td>
        <td class="number">{{ row.range }}</td>
        <td class="number" :class="{ stops: row.isLoss }">
          {{ row.left }}<br /><span class="soft" :class="{ stops: row.isLoss }">{{ row.margin }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
td {
  vertical-align: top;
}
.lines .link {
  text-align: left;
  white-space: nowrap;
}
.here {
  background: var(--weld-pale);
}
</style>
