<script setup lang="ts">
/** What one of the seller's currency is in others, entered by hand, each with its day. */
import { computed, ref } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { type Seller, SellerSchema } from '@loom-kin/core/catalogue';
import { refuse } from '../api/api';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';

const setup = useSetup();
const seller = computed(() => setup.setup!.seller);
const today = () => new Date().toISOString().slice(0, 10);

interface Row {
  currency: string;
  rate: string;
  on: string;
  /** Accounts whose prices are in it. */
  accounts: string;
}
/** Currencies of the accounts, and others that were entered. */
const rows = computed((): Row[] => {
  const used = new Map<string, string[]>();
  for (const account of setup.accounts) {
    const currency = setup.channelOf(account)?.rulebook.rules.price.currency;
    if (currency && currency !== seller.value.currency)
      used.set(currency, [...(used.get(currency) ?? []), account.name]);
  }
  const all = [...new Set([...used.keys(), ...Object.keys(seller.value.rates ?? {})])].sort();
  return all.map((currency) => {
    const { rate = '', on = '' } = seller.value.rates?.[currency] ?? {};
    return { currency, rate, on, accounts: (used.get(currency) ?? []).join(', ') };
  });
});
const fresh = ref('');

/** The rates as they will be, made of those there are when their turn comes. */
async function keep(next: (now: NonNullable<Seller['rates']>) => Seller['rates']): Promise<boolean> {
  const made = () => ({ ...seller.value, rates: next(seller.value.rates ?? {}) });
  const read = SellerSchema.safeParse(made());
  if (read.success) return setup.change(() => [{ on: 'seller', seller: made() }], 'Change a currency rate');
  refuse(read.error.issues[0]!.message);
  return false;
}
const put = (currency: string, to: { rate?: string; on?: string }) =>
  keep((now) => {
    const { rate = '1', on = today() } = now[currency] ?? {};
    // A rate that is typed anew is one of today, unless its day is said.
    const next = { rate, on: to.rate === undefined ? on : today(), ...to };
    return { ...now, [currency]: { ...next, rate: next.rate.trim().replace(',', '.') } };
  });
const remove = (currency: string) => keep(({ [currency]: _gone, ...left }) => left);
async function add(): Promise<void> {
  const typed = fresh.value;
  if ((await put(typed.trim().toUpperCase(), {})) && fresh.value === typed) fresh.value = '';
}
</script>

<template>
  <div id="rates" class="sheet part" data-test="rates">
    <h2>Currency rates</h2>
    <p class="soft">
      What 1 {{ seller.currency }} is elsewhere, and for which day you looked it up. Where there is no rate an account
      uses the one it began with.
    </p>
    <table v-if="rows.length" class="lines">
      <thead>
        <tr>
          <th>Currency</th>
          <th>1 {{ seller.currency }} is</th>
          <th>On</th>
          <th>Accounts</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.currency">
          <td class="mono">{{ row.currency }}</td>
          <td>
            <Entry
              :value="row.rate"
              placeholder="not entered"
              :aria-label="`Rate of ${row.currency}`"
              :data-test="`rate-${row.currency}`"
              @commit="put(row.currency, { rate: $event })"
            />
          </td>
          <td>
            <Entry
              :value="row.on"
              :aria-label="`Day of the rate of ${row.currency}`"
              placeholder="—"
              @commit="put(row.currency, { on: $event.trim() })"
            />
          </td>
          <td class="soft">{{ row.accounts }}</td>
          <td class="acts">
            <button v-if="row.rate" class="link" @click="remove(row.currency)">remove</button>
          </td>
        </tr>
      </tbody>
    </table>
    <form class="line" @submit.prevent="add">
      <label>Another currency <ElInput v-model="fresh" maxlength="3" placeholder="SEK" style="width: 110px" /></label>
      <ElButton native-type="submit">Add it</ElButton>
    </form>
  </div>
</template>

<style scoped>
@import './part.css';
</style>
