<script setup lang="ts">
/** Under a price: what it is without tax, typed there as well, and where a tax rate begins on accounts where it depends on the price. */
import { computed } from 'vue';
import { taxAtHome } from '@loom-kin/core/catalogue';
import type { Figure } from '@loom-kin/core/family';
import { accountPrices, sellersPrice } from '@loom-kin/core/fit';
import { grossOf, readAmount, showAmount, slabRate, toCurrency, withoutTax } from '@loom-kin/core/money';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';

const props = defineProps<{
  /** What is half typed; empty where nothing is. */
  typed: string;
  held: Figure | undefined;
}>();
/** The price with tax that a price without it makes. */
const emit = defineEmits<{ net: [price: string] }>();
const store = useFamily();
const setup = useSetup();

const price = computed(() => {
  const read = readAmount(props.typed);
  if (read.ok && !read.number.startsWith('-')) return read.number;
  return typeof props.held === 'string' ? props.held : null;
});
const seller = computed(() => setup.setup!.seller);
const home = computed(() => {
  const code = store.family?.fields.taxCode;
  return taxAtHome(seller.value, typeof code === 'string' ? setup.registry.data.taxCodes[code] : undefined);
});
const percent = computed(() => (price.value === null ? null : slabRate(home.value, price.value)));
const net = computed(() =>
  price.value === null ? '' : toCurrency(withoutTax(price.value, percent.value!), setup.currency),
);
function typedNet(text: string): void {
  const read = readAmount(text);
  if (read.ok && !read.number.startsWith('-'))
    emit('net', toCurrency(grossOf(read.number, home.value), setup.currency));
}

/** Accounts whose tax depends on the price, with the rate of this one and where the next begins. */
const slabs = computed(() => {
  const family = store.family;
  const amount = price.value;
  if (!family || amount === null) return [];
  return setup.accounts.flatMap((account) => {
    const category = store.fits[account.id]?.category;
    const rulebook = setup.rulebooks.get(account.channel);
    // What is made of the cost does not follow the price.
    if (!category || !rulebook || account.settings.priceRule?.from === 'cost') return [];
    const { money, of } = accountPrices({ family, account, seller: seller.value, rulebook }, category);
    if (money.slabs.length < 2) return [];
    const there = of(amount);
    const at = money.slabs.findIndex((one) => one.percent === slabRate(money.slabs, there));
    const edge = money.slabs[at]?.upTo ?? money.slabs[at - 1]!.upTo!;
    const own = sellersPrice(edge, money, setup.currency);
    const other = money.slabs[at]?.upTo
      ? `above ${bound(edge, own, money.currency)} ${money.slabs[at + 1]!.percent} %`
      : `up to ${bound(edge, own, money.currency)} ${money.slabs[at - 1]!.percent} %`;
    return [
      {
        id: account.id,
        text: `${account.name}: ${money.slabs[at]!.percent} % tax at ${showAmount(there, money.currency)}; ${other}`,
      },
    ];
  });
});
const bound = (edge: string, own: string, currency: string) =>
  currency === setup.currency
    ? showAmount(edge, currency)
    : `${showAmount(edge, currency)} (${showAmount(own, setup.currency)})`;
</script>

<template>
  <span v-if="price !== null" class="hint soft">
    <label
      >without tax<Entry
        :value="net"
        class="figures"
        aria-label="Price without tax"
        data-test="net-price"
        @commit="typedNet"
      /><span v-if="percent !== null">+ {{ percent }} %</span></label
    >
    <span v-for="one in slabs" :key="one.id" class="slab" :data-test="`slab-${one.id}`">{{ one.text }}</span>
  </span>
</template>

<style scoped>
.hint {
  display: flex;
  flex-direction: column;
  gap: 2px;
  font-size: 12px;
}
label {
  white-space: nowrap;
  display: flex;
  gap: 6px;
  align-items: baseline;
}
label :deep(input) {
  width: 56px;
  font: inherit;
  color: inherit;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: right;
}
</style>
