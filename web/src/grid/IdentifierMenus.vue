<script setup lang="ts">
/** SKUs and GTINs for the children that have none: how many there are, and the sheets that give them. */
import { computed } from 'vue';
import PopupButton from '../common/PopupButton.vue';
import { useFamily } from '../stores/family';
import GtinSheet from './GtinSheet.vue';
import SkuSheet from './SkuSheet.vue';

const store = useFamily();
const without = (key: string) => (store.index?.woven ?? []).filter((child) => child.fields[key] === undefined).length;
const bare = computed(() => ({ sku: without('sku'), gtin: without('gtin') }));
const isExempt = computed(() => store.family!.fields.gtinExempt === true);
</script>

<template>
  <PopupButton name="Make SKUs" :width="420" data-test="skus">
    <template #label
      >SKUs<span v-if="bare.sku" class="warns">&nbsp;{{ bare.sku.toLocaleString('en') }} missing</span></template
    >
    <SkuSheet />
  </PopupButton>
  <PopupButton name="Give GTINs" :width="400" data-test="gtins">
    <template #label
      >GTINs<span v-if="bare.gtin" class="soft"
        >&nbsp;{{ isExempt ? 'exempt' : `${bare.gtin.toLocaleString('en')} without` }}</span
      ></template
    >
    <GtinSheet />
  </PopupButton>
</template>
