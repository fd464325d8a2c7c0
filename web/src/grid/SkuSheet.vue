<script setup lang="ts">
/** SKUs by a pattern for the children that have none: shown before they are made, clashes named. */
import { computed, ref } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { count, identifierOwners, proposeSkus, skuMarks, unreadableText } from '@loom-kin/core';
import { useFamily } from '../stores/family';

const store = useFamily();
const pattern = ref('');
const family = computed(() => store.family!);
const bare = computed(() => (store.index?.woven ?? []).filter((child) => child.fields.sku === undefined));
const marks = computed(() =>
  skuMarks(family.value)
    .map((mark) => '{' + mark + '}')
    .join(' '),
);
const taken = computed(
  () =>
    new Set(
      [...identifierOwners(family.value).keys()].flatMap((key) => (key.startsWith('sku|') ? [key.slice(4)] : [])),
    ),
);
const proposals = computed(() =>
  proposeSkus(family.value, bare.value, pattern.value || family.value.skuPattern, taken.value),
);
const good = computed(() => proposals.value.filter((one) => !one.problem));
const problem = computed(() => {
  const found = proposals.value.find((one) => one.problem)?.problem;
  return found && unreadableText(found);
});

function make(): void {
  const changes = good.value.map(({ childId, sku }) => ({
    place: { level: 'child' as const, childId },
    key: 'sku',
    figure: sku,
  }));
  const kept = pattern.value ? [{ do: 'setSkuPattern' as const, pattern: pattern.value }] : [];
  store.run({ do: 'batch', title: `Make ${changes.length} SKUs`, commands: [...kept, { do: 'setFigures', changes }] });
}
</script>

<template>
  <div class="pop">
    <label class="soft"
      >Pattern
      <ElInput v-model="pattern" size="small" class="mono" :placeholder="family.skuPattern" data-test="sku-pattern"
    /></label>
    <p class="soft">
      Marks: <span class="mono">{{ marks }}</span>
    </p>
    <p v-if="bare.length === 0">
      Every child has its SKU. A SKU is never changed by itself: orders find the item by it.
    </p>
    <template v-else>
      <p class="mono">
        {{
          proposals
            .slice(0, 4)
            .map((one) => one.sku)
            .join('  ')
        }}
      </p>
      <p v-if="problem" class="stops">{{ problem }}</p>
      <ElButton size="small" type="primary" data-test="make-skus" :disabled="good.length === 0" @click="make"
        >Make {{ count(good.length, 'SKU') }}</ElButton
      >
    </template>
  </div>
</template>
