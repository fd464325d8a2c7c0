<script setup lang="ts">
/** What holds for everything: the seller, number blocks, categories, facts, dictionary, languages. */
import { onMounted, reactive, ref, watch } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { SellerSchema } from '@loom-kin/core/catalogue';
import { say } from '../api/api';
import { useSetup } from '../stores/setup';
import CategoryTree from './CategoryTree.vue';
import Collections from './Collections.vue';
import DictionaryTable from './DictionaryTable.vue';
import FactTable from './FactTable.vue';
import HousePattern from './HousePattern.vue';
import Languages from './Languages.vue';
import Locations from './Locations.vue';
import NumberBlocks from './NumberBlocks.vue';
import Rates from './Rates.vue';
import Backup from './Backup.vue';
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
    <NumberBlocks />
    <HousePattern v-if="setup.setup" />
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
    <Backup />
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
