<script setup lang="ts">
/** Backwards: which prices leave what is wanted, before and after, and setting them. */
import { computed, ref } from 'vue';
import { ElButton } from 'element-plus';
import type { AccountMoney } from '@loom-kin/core/catalogue';
import type { Family } from '@loom-kin/core/family';
import { type EarningGroup, type Proposal, proposePrices } from '@loom-kin/core/fit';
import { type Target, readAmount, showAmount } from '@loom-kin/core/money';
import { whichChildren } from './useEarnings';

const props = defineProps<{
  family: Family;
  groups: readonly EarningGroup[];
  money: AccountMoney;
  accountName: string;
  /** The account has a rule or prices of its own: what holds everywhere would not be seen there. */
  own: boolean;
}>();
const emit = defineEmits<{ set: [prices: { childIds: string[]; price: string }[], onlyHere: boolean] }>();

const kind = ref<Target['kind']>('margin');
const typed = ref('30');
const target = computed((): Target | null => {
  const read = readAmount(typed.value.replace('%', ''));
  if (!read.ok) return null;
  return kind.value === 'left' ? { kind: 'left', amount: read.number } : { kind: kind.value, percent: read.number };
});
function breakEven(): void {
  kind.value = 'left';
  typed.value = '0';
}
const currency = computed(() => props.money.currency);
const proposals = computed(() => (target.value ? proposePrices(props.groups, target.value, props.money) : []));
const settable = computed(() =>
  proposals.value.flatMap(({ childIds, proposed, price }) =>
    proposed && proposed.price !== price.price ? [{ childIds, price: proposed.price }] : [],
  ),
);
const WHY = {
  never: 'no price leaves that: commission, payment and tax grow with it',
  'no-cost': 'no cost is known',
};
const left = ({ waterfall }: Pick<Proposal, 'waterfall'>) =>
  waterfall ? `${waterfall.left.lt(0) ? '−' : ''}${showAmount(waterfall.left.abs().toFixed(), currency.value)}` : '—';
const margin = ({ waterfall }: Pick<Proposal, 'waterfall'>) =>
  waterfall?.margin ? `${waterfall.margin.toFixed(1)} %` : '—';
</script>

<template>
  <section class="target" data-test="target">
    <h2>Which price leaves</h2>
    <div class="line">
      <input v-model="typed" aria-label="What is to be left" data-test="target-amount" />
      <select v-model="kind" aria-label="Of what" data-test="target-kind">
        <option value="margin">% of the price without tax (margin)</option>
        <option value="markup">% of the cost (markup)</option>
        <option value="left">{{ currency }}</option>
      </select>
      <ElButton size="small" data-test="break-even" @click="breakEven">Break even</ElButton>
    </div>
    <p v-if="!target" class="stops" role="alert">"{{ typed }}" is no amount.</p>
    <table v-else class="lines">
      <thead>
        <tr>
          <th>Children</th>
          <th class="number">Price now</th>
          <th class="number">Left</th>
          <th class="number">Margin</th>
          <th class="number">Then</th>
          <th class="number">Left</th>
          <th class="number">Margin</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(one, at) in proposals" :key="at">
          <td>{{ whichChildren(family, one.childIds) }}</td>
          <td class="number">{{ one.price.price === null ? '—' : showAmount(one.price.price, currency) }}</td>
          <td class="number">{{ left(one) }}</td>
          <td class="number">{{ margin(one) }}</td>
          <template v-if="one.proposed">
            <td class="number" data-test="proposed">
              <strong>{{ showAmount(one.proposed.price, currency) }}</strong>
            </td>
            <td class="number">{{ left(one.proposed) }}</td>
            <td class="number">{{ margin(one.proposed) }}</td>
          </template>
          <td v-else colspan="3" class="warns">{{ WHY[one.why!] }}</td>
        </tr>
      </tbody>
    </table>
    <div class="line">
      <ElButton
        v-if="!own"
        size="small"
        :disabled="settable.length === 0"
        data-test="take-everywhere"
        @click="emit('set', settable, false)"
        >Set these prices everywhere</ElButton
      >
      <ElButton
        size="small"
        :disabled="settable.length === 0"
        data-test="take-here"
        @click="emit('set', settable, true)"
        >Set them for {{ accountName }} alone</ElButton
      >
      <span class="soft">One change, taken back with Ctrl Z.</span>
    </div>
  </section>
</template>

<style scoped>
.target {
  display: flex;
  flex-direction: column;
  gap: 8px;
  border-top: 1px solid var(--line-soft);
  padding-top: 12px;
}
.line {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
input,
select {
  font: inherit;
  border: 1px solid var(--line);
  padding: 3px 8px;
  background: var(--sheet);
  color: inherit;
}
input {
  width: 80px;
  text-align: right;
}
</style>
