<script setup lang="ts">
/** A price rule, written as a sentence with gaps. */
import { computed } from 'vue';
import { type PriceRule, PriceRuleSchema, readAmount, readSurcharge, showSurcharge } from '@loom-kin/core/money';
import { refuse } from '../api/api';
import Entry from '../common/Entry.vue';

const props = defineProps<{
  rule: PriceRule | undefined;
  /** Of the channel. */
  currency: string;
  sellerCurrency: string;
  /** What the channel takes already. */
  channelSteps: { multipleOf?: string | undefined; endings?: readonly string[] | undefined };
}>();
const emit = defineEmits<{ change: [rule: PriceRule | undefined] }>();

const kind = computed(() => props.rule?.from ?? 'none');
const USUAL: Record<string, PriceRule | undefined> = {
  none: undefined,
  price: { from: 'price', covers: [] },
  cost: { from: 'cost', target: { kind: 'margin', percent: '30' }, covers: [] },
};

function put(to: Partial<PriceRule>): void {
  const read = PriceRuleSchema.safeParse({ ...props.rule, ...to });
  if (read.success) emit('change', read.data);
  else refuse(read.error.issues[0]!.message);
}
const unlessEmpty = (text: string) => (text.trim() === '' ? undefined : text.trim());
function change(text: string): void {
  if (text.trim() === '') return put({ change: undefined });
  const read = readSurcharge(text);
  if (read.ok) put({ change: read.number });
  else refuse(`"${text}" is nothing that can be added: write +5 %, +2.00 or -3 %.`);
}
function amount(key: 'multipleOf' | 'least', text: string): void {
  const wanted = unlessEmpty(text);
  if (wanted === undefined) return put({ [key]: undefined });
  const read = readAmount(wanted);
  if (read.ok) put({ [key]: read.number, ...(key === 'multipleOf' ? { ending: undefined } : {}) });
  else refuse(`"${text}" is no amount.`);
}
function percent(text: string): void {
  const read = readAmount(text.replace('%', ''));
  if (read.ok) put({ target: { kind: props.rule?.target?.kind ?? 'margin', percent: read.number } });
  else refuse(`"${text}" is no percentage.`);
}
function cover(what: 'fees' | 'shipping', isOn: boolean): void {
  const others = (props.rule?.covers ?? []).filter((one) => one !== what);
  put({ covers: isOn ? [...others, what] : others });
}
const value = (event: Event) => (event.target as HTMLSelectElement).value;
const isOn = (event: Event) => (event.target as HTMLInputElement).checked;
/** Endings go with no multiples of the channel's, and nothing goes with its endings. */
const mayEnd = computed(() => !props.channelSteps.multipleOf && !props.channelSteps.endings);
</script>

<template>
  <div class="rule">
    <div class="line">
      <label for="rule-from">Prices there are</label>
      <select id="rule-from" :value="kind" data-test="rule-from" @change="emit('change', USUAL[value($event)])">
        <option value="none">your own prices, converted</option>
        <option value="price">made of your prices</option>
        <option value="cost">made of what the goods cost you</option>
      </select>
    </div>
    <template v-if="rule">
      <template v-if="rule.from === 'price'">
        <div class="line">
          <label for="rule-change">with</label>
          <Entry
            id="rule-change"
            :value="rule.change ? showSurcharge(rule.change) : ''"
            placeholder="+0 %"
            data-test="rule-change"
            @commit="change"
          />
          <span class="soft">such as +5 % or +2.00 {{ sellerCurrency }}</span>
        </div>
        <div class="line">
          <label>and on top</label>
          <label class="tick"
            ><input
              type="checkbox"
              :checked="rule.covers.includes('fees')"
              data-test="cover-fees"
              @change="cover('fees', isOn($event))"
            />
            what the channel and the payment take</label
          >
          <label class="tick"
            ><input
              type="checkbox"
              :checked="rule.covers.includes('shipping')"
              data-test="cover-shipping"
              @change="cover('shipping', isOn($event))"
            />
            shipping</label
          >
        </div>
      </template>
      <div v-else class="line">
        <label for="rule-percent">that leave</label>
        <Entry id="rule-percent" :value="rule.target?.percent ?? ''" data-test="rule-percent" @commit="percent" />
        %
        <select
          :value="rule.target?.kind"
          aria-label="Of what"
          data-test="rule-target"
          @change="put({ target: { kind: value($event) as 'margin' | 'markup', percent: rule.target!.percent } })"
        >
          <option value="margin">of the price without tax (margin)</option>
          <option value="markup">of the cost (markup)</option>
        </select>
      </div>
      <div v-if="!channelSteps.endings" class="line">
        <label for="rule-ending">{{ mayEnd ? 'ending in' : 'in steps' }}</label>
        <Entry
          v-if="mayEnd"
          id="rule-ending"
          :value="rule.ending ?? ''"
          placeholder="any"
          data-test="rule-ending"
          @commit="
            (text: string) =>
              put({ ending: unlessEmpty(text), ...(unlessEmpty(text) ? { multipleOf: undefined } : {}) })
          "
        />
        <span class="soft">{{ mayEnd ? 'the last digits, such as 90; or a multiple of' : 'a multiple of' }}</span>
        <Entry
          :value="rule.multipleOf ?? ''"
          :placeholder="channelSteps.multipleOf ?? 'any'"
          aria-label="A multiple of"
          data-test="rule-multiple"
          @commit="amount('multipleOf', $event)"
        />
        {{ currency }}
      </div>
      <div class="line">
        <label for="rule-least">and at least</label>
        <Entry
          id="rule-least"
          :value="rule.least ?? ''"
          placeholder="0.00"
          data-test="rule-least"
          @commit="amount('least', $event)"
        />
        {{ currency }}
      </div>
      <p class="soft">
        A price that you set for this account alone stands above the rule<template v-if="rule.from === 'cost'"
          >; list and sale prices stay as they are</template
        >.
      </p>
    </template>
  </div>
</template>

<style scoped>
@import './lines.css';
.rule {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
</style>
