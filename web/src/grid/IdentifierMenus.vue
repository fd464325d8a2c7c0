<script setup lang="ts">
/** SKUs and GTINs: how many children have none, and where they are given. */
import { computed, ref } from 'vue';
import PopupButton from '../common/PopupButton.vue';
import { useFamily } from '../stores/family';
import GtinSheet from '../numbers/GtinSheet.vue';
import PrintLabels from './PrintLabels.vue';

const store = useFamily();
const printing = ref(false);
const without = (key: string) => (store.index?.woven ?? []).filter((child) => child.fields[key] === undefined).length;
const bare = computed(() => ({ sku: without('sku'), gtin: without('gtin') }));
const isExempt = computed(() => store.family!.fields.gtinExempt === true);
</script>

<template>
  <RouterLink :to="{ name: 'numbers' }" class="skus" data-test="skus"
    >SKUs<span v-if="bare.sku" class="warns">&nbsp;{{ bare.sku.toLocaleString('en') }} missing</span></RouterLink
  >
  <PopupButton name="Give GTINs" :width="400" data-test="gtins">
    <template #label
      >GTINs<span v-if="bare.gtin" class="soft"
        >&nbsp;{{ isExempt ? 'exempt' : `${bare.gtin.toLocaleString('en')} without` }}</span
      ></template
    >
    <template #default="{ close }">
      <GtinSheet />
      <p v-if="bare.gtin < (store.index?.woven.length ?? 0)">
        <button class="link" data-test="print-labels" @click="(close(), (printing = true))">Print labels…</button>
      </p>
    </template>
  </PopupButton>
  <PrintLabels v-model="printing" />
</template>

<style scoped>
.skus {
  font-size: 12px;
  line-height: 22px;
  padding: 0 11px;
  border: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
.skus:hover {
  border-color: var(--ink-soft);
}
</style>
