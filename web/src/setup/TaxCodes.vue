<script setup lang="ts">
/** Customs numbers with their tax by country, a line a country; a rate may depend on the price. */
import { computed, ref } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { type TaxCode, TaxCodeSchema, readRates, showRates } from '@loom-kin/core/money';
import { unreadableText } from '@loom-kin/core/refusal';
import { countryName } from '@loom-kin/core/text';
import { refuse } from '../api/api';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';

const setup = useSetup();
const codes = computed(() =>
  Object.values(setup.registry.data.taxCodes).toSorted((a, b) => a.code.localeCompare(b.code)),
);
const fresh = ref({ code: '', label: '', country: '', rates: '' });

async function keep(taxCode: unknown): Promise<boolean> {
  const read = TaxCodeSchema.safeParse(taxCode);
  if (read.success) return setup.change([{ on: 'registry', command: { do: 'setTaxCode', taxCode: read.data } }]);
  refuse(read.error.issues[0]!.message);
  return false;
}
const remove = (code: string) => setup.change([{ on: 'registry', command: { do: 'removeTaxCode', code } }]);
const countryOf = (text: string) => text.trim().toUpperCase();

function setRates(one: TaxCode, country: string, text: string): void {
  const { [country]: _before, ...others } = one.rates;
  if (text.trim() === '') return void keep({ ...one, rates: others });
  const read = readRates(text);
  if (!read.ok) refuse(unreadableText(read));
  else void keep({ ...one, rates: { ...one.rates, [country]: read.slabs } });
}

/** Country and rates that are typed for a code already there. */
const more = ref<Record<string, { country: string; rates: string }>>({});
const moreOf = (code: string) => (more.value[code] ??= { country: '', rates: '' });
async function addCountry(one: TaxCode): Promise<void> {
  const { country, rates } = moreOf(one.code);
  const read = readRates(rates);
  if (!read.ok) return void refuse(unreadableText(read));
  if (await keep({ ...one, rates: { ...one.rates, [countryOf(country)]: read.slabs } })) delete more.value[one.code];
}
async function add(): Promise<void> {
  const { code, label, country, rates } = fresh.value;
  const read = readRates(rates);
  if (!read.ok) return void refuse(unreadableText(read));
  const made = {
    code: code.replace(/[\s.]/g, ''),
    label: label.trim() || code,
    rates: { [countryOf(country)]: read.slabs },
  };
  if (setup.registry.data.taxCodes[made.code]) return void refuse(`There is a tax code ${made.code} already.`);
  if (await keep(made)) fresh.value = { code: '', label: '', country: fresh.value.country, rates: '' };
}
</script>

<template>
  <div id="tax-codes" class="sheet part" data-test="tax-codes">
    <h2>Tax codes</h2>
    <p class="soft">
      Customs numbers that families name, with the tax in their prices by country. A rate that depends on the price:
      <span class="mono">5 up to 1000, 12</span>. Without any, all prices hold {{ setup.setup?.seller.taxPercent }} %.
    </p>
    <table v-if="codes.length" class="lines">
      <thead>
        <tr>
          <th style="width: 120px">Code</th>
          <th>What it is for</th>
          <th style="width: 160px">Country</th>
          <th style="width: 260px">Tax in the price, %</th>
          <th />
        </tr>
      </thead>
      <tbody v-for="one in codes" :key="one.code">
        <tr v-for="(slabs, country, nth) in one.rates" :key="country">
          <td class="mono">{{ nth === 0 ? one.code : '' }}</td>
          <td>
            <Entry
              v-if="nth === 0"
              :value="one.label"
              :aria-label="`What ${one.code} is for`"
              @commit="keep({ ...one, label: $event })"
            />
          </td>
          <td>{{ countryName(String(country)) }}</td>
          <td>
            <Entry
              :value="showRates(slabs)"
              :aria-label="`Tax of ${one.code} in ${countryName(String(country))}`"
              :data-test="`tax-${one.code}-${country}`"
              @commit="setRates(one, String(country), $event)"
            />
          </td>
          <td class="acts"><button v-if="nth === 0" class="link" @click="remove(one.code)">remove</button></td>
        </tr>
        <tr>
          <td class="mono">{{ Object.keys(one.rates).length === 0 ? one.code : '' }}</td>
          <td class="soft">{{ Object.keys(one.rates).length === 0 ? one.label : '' }}</td>
          <td>
            <input
              v-model="moreOf(one.code).country"
              maxlength="2"
              placeholder="country, such as FR"
              :aria-label="`Another country for ${one.code}`"
              @keydown.enter="addCountry(one)"
            />
          </td>
          <td>
            <input
              v-model="moreOf(one.code).rates"
              placeholder="its rate"
              :aria-label="`Its rate for ${one.code}`"
              @keydown.enter="addCountry(one)"
            />
          </td>
          <td class="acts">
            <button v-if="moreOf(one.code).country" class="link" @click="addCountry(one)">add</button>
            <button v-if="Object.keys(one.rates).length === 0" class="link" @click="remove(one.code)">remove</button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="soft">There is no tax code yet.</p>
    <form class="line" @submit.prevent="add">
      <label>Code <ElInput v-model="fresh.code" class="mono" placeholder="62014010" data-test="new-tax-code" /></label>
      <label>What it is for <ElInput v-model="fresh.label" placeholder="Coats of cotton" /></label>
      <label
        >Country
        <ElInput v-model="fresh.country" maxlength="2" placeholder="DE" data-test="new-tax-country" style="width: 70px"
      /></label>
      <label>Tax in the price, % <ElInput v-model="fresh.rates" placeholder="19" data-test="new-tax-rates" /></label>
      <ElButton native-type="submit" data-test="add-tax-code">Add the code</ElButton>
    </form>
  </div>
</template>

<style scoped>
@import './part.css';
</style>
