<script setup lang="ts">
/** What holds for everything: the seller, number blocks, categories, facts, dictionary, languages. */
import { onMounted, reactive, ref, watch } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { NumberBlockSchema, SellerSchema } from '@loom-kin/core';
import { api, call, say, tell } from '../api';
import { useSetup } from '../stores/setup';
import CategoryTree from './CategoryTree.vue';
import Collections from './Collections.vue';
import DictionaryTable from './DictionaryTable.vue';
import FactTable from './FactTable.vue';
import Languages from './Languages.vue';
import Locations from './Locations.vue';
import Rates from './Rates.vue';
import RegistryFile from './RegistryFile.vue';
import SizeCharts from './SizeCharts.vue';
import TaxCodes from './TaxCodes.vue';
import Terms from './Terms.vue';

const setup = useSetup();
onMounted(() => void setup.ensure());
const seller = reactive({ name: '', currency: 'EUR', taxPercent: '20', country: '' });
watch(
  () => setup.setup,
  (now) => now && Object.assign(seller, { country: '', ...now.seller }),
  { immediate: true },
);
const block = reactive({ label: '', prefix: '', digits: 13 });
const problem = ref('');

async function saveSeller(): Promise<void> {
  const { country, ...rest } = seller;
  const at = country.trim().toUpperCase();
  const read = SellerSchema.safeParse({ ...setup.setup?.seller, ...rest, country: at || undefined });
  if (!read.success)
    return void (problem.value = `${read.error.issues[0]!.path.join('.')}: ${read.error.issues[0]!.message}`);
  problem.value = '';
  if (await setup.change([{ on: 'seller', seller: read.data }])) say('The seller is saved.');
}
async function addBlock(): Promise<void> {
  const read = NumberBlockSchema.omit({ id: true }).safeParse({
    ...block,
    label: block.label.trim() || `Block ${block.prefix}`,
    prefix: block.prefix.replace(/[\s-]/g, ''),
  });
  if (!read.success) return void (problem.value = read.error.issues[0]!.message);
  problem.value = '';
  await attempt(async () => {
    await call(api.addBlock, { body: read.data });
    Object.assign(block, { label: '', prefix: '' });
  });
}
async function attempt(work: () => Promise<void>): Promise<void> {
  try {
    await work();
    await setup.reload();
  } catch (error) {
    tell(error);
  }
}
</script>

<template>
  <section class="view setup">
    <h1 class="visually-hidden">Setup</h1>
    <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
    <form class="sheet part" @submit.prevent="saveSeller">
      <h2>The seller</h2>
      <div class="line">
        <label>Name <ElInput v-model="seller.name" /></label
        ><label>Currency <ElInput v-model="seller.currency" maxlength="3" style="width: 90px" /></label
        ><label>Tax in prices, % <ElInput v-model="seller.taxPercent" style="width: 110px" /></label
        ><label
          >Country
          <ElInput
            v-model="seller.country"
            maxlength="2"
            placeholder="DE"
            style="width: 80px"
            data-test="seller-country" /></label
        ><ElButton native-type="submit" data-test="save-seller">Save</ElButton>
      </div>
      <p class="soft">
        Your prices are with tax, that of your country. For channels that show prices without it, it is taken out, to
        the cent. Tax codes may say other rates.
      </p>
    </form>
    <div class="sheet part">
      <h2>Number blocks</h2>
      <p class="soft">
        GTINs you bought: the digits all of them begin with. Numbers are given out in order and never twice.
      </p>
      <table v-if="setup.setup?.blocks.length" class="lines">
        <thead>
          <tr>
            <th>Block</th>
            <th>Begins with</th>
            <th class="number">Digits</th>
            <th class="number">Given out</th>
            <th class="number">Of</th>
            <th>Next</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in setup.setup.blocks" :key="one.id">
            <td>{{ one.label }}</td>
            <td class="mono">{{ one.prefix }}</td>
            <td class="number">{{ one.digits }}</td>
            <td class="number">{{ one.used }}</td>
            <td class="number">{{ one.size.toLocaleString('en') }}</td>
            <td class="mono">{{ one.next ?? 'used up' }}</td>
            <td>
              <button
                class="link"
                title="Numbers given out stay with their children"
                @click="attempt(async () => void (await call(api.removeBlock, { params: { id: one.id } })))"
              >
                remove
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="soft">There is no block yet.</p>
      <form class="line" @submit.prevent="addBlock">
        <label>Name <ElInput v-model="block.label" /></label
        ><label>Begins with <ElInput v-model="block.prefix" class="mono" placeholder="95010174" /></label
        ><label
          >Digits
          <select v-model="block.digits">
            <option :value="13">13 (EAN)</option>
            <option :value="12">12 (UPC)</option>
          </select></label
        ><ElButton native-type="submit">Add the block</ElButton>
      </form>
    </div>
    <Rates v-if="setup.setup" />
    <TaxCodes />
    <Locations />
    <Terms />
    <SizeCharts />
    <CategoryTree />
    <FactTable />
    <DictionaryTable />
    <Collections />
    <Languages />
    <RegistryFile />
  </section>
</template>

<style scoped>
@import './part.css';
.setup {
  padding: 12px 20px;
  gap: 10px;
  overflow: auto;
}
</style>
