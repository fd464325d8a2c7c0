<script setup lang="ts">
/** The pieces of a set: as many as there are parts for, each part with what there is of it. */
import { computed, shallowRef, watch } from 'vue';
import { partsOf } from '@loom-kin/core/bundles';
import { count } from '@loom-kin/core/text';
import type { BundleItems } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { latest } from '../api/latest';
import { useFamily } from '../stores/family';

const props = defineProps<{ childId: string }>();
const store = useFamily();
const parts = computed(() => {
  const child = store.family!.children[props.childId];
  return child ? partsOf(child) : [];
});
const total = computed(() => store.stock[props.childId] ?? 0);
const items = shallowRef<BundleItems>([]);
const ask = latest();
watch(
  [parts, total],
  async () => {
    try {
      await store.settled();
      await ask(
        () => call(api.bundleItems, { params: { id: store.family!.id, childId: props.childId } }),
        (found) => (items.value = found),
      );
    } catch (error) {
      tell(error);
    }
  },
  { immediate: true },
);
/** The parts that there are the fewest sets of. */
const scarce = computed(() => {
  const sets = (one: BundleItems[number]) =>
    !one.item ? 0 : one.item.stock === null ? Infinity : Math.floor(one.item.stock / one.pieces);
  const least = Math.min(...items.value.map(sets));
  return new Set(items.value.filter((one) => sets(one) === least && least < Infinity).map(({ sku }) => sku));
});
</script>

<template>
  <div class="set" data-test="bundle-stock">
    <div class="head">
      <span>Stock</span><strong>{{ count(total, 'set') }}</strong>
    </div>
    <table>
      <tbody>
        <tr v-for="one in items" :key="one.sku" data-test="bundle-item">
          <td class="number">{{ one.pieces }} ×</td>
          <td>
            <RouterLink v-if="one.item" :to="`/families/${one.item.familyId}`" :title="one.item.name" class="mono">{{
              one.sku
            }}</RouterLink>
            <span v-else class="mono stops">{{ one.sku }}</span>
          </td>
          <td class="number" :class="{ warns: scarce.has(one.sku) }">
            {{ !one.item ? 'nobody has this SKU' : (one.item.stock?.toLocaleString('en') ?? 'not counted') }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="soft">As many sets as the scarcest part allows. Parts are counted where they are kept, sets are not.</p>
  </div>
</template>

<style scoped>
.set {
  padding: 8px 12px;
  border-bottom: 1px solid var(--line);
  font-size: 13px;
}
.head {
  display: flex;
  justify-content: space-between;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin: 4px 0;
}
td {
  padding: 2px 6px 2px 0;
}
</style>
