<script setup lang="ts">
/**
 * What is asked once the category of the open family has changed: a tax code follows from what goods are, and nobody looks at it again by
 * itself.
 */
import { computed, ref, watch } from 'vue';
import { ElButton } from 'element-plus';
import { api, call } from '../api/api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

const store = useFamily();
const setup = useSetup();
/** The category it came from, and the code that goods of its new one have. */
const asked = ref<{ from: string; usual: string | null } | null>(null);
const code = computed(() => store.family?.fields.taxCode);

watch(
  // Two sources and not one list: a new list would be another after any change of the family.
  [() => store.family?.id, () => store.family?.fields.category],
  async ([id, category], [idBefore, from]) => {
    asked.value = null;
    if (id === undefined || id !== idBefore || from === undefined || category === undefined || !code.value) return;
    const usual = await call(api.usualFigures, { query: { category: String(category), except: id } }).catch(() => null);
    if (store.family?.id !== id || store.family.fields.category !== category) return;
    const wanted = usual?.category === category ? (usual.figures.taxCode ?? null) : null;
    if (wanted === code.value) return;
    asked.value = { from: String(from), usual: wanted };
  },
);
// Whoever sets another has answered.
watch(code, () => (asked.value = null));

function use(figure: string | null): void {
  store.run({ do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'taxCode', figure }] });
}
</script>

<template>
  <p v-if="asked" class="sheet ask" role="status" data-test="ask-tax-code">
    <span>
      The tax code is still <strong class="mono">{{ code }}</strong>, chosen for
      {{ setup.registry.pathLabel(asked.from) }}.
      <template v-if="asked.usual">Goods of the new category have {{ asked.usual }}.</template>
    </span>
    <span class="grow" />
    <ElButton v-if="asked.usual" size="small" type="primary" data-test="use-tax-code" @click="use(asked.usual)"
      >Use {{ asked.usual }}</ElButton
    >
    <ElButton size="small" data-test="clear-tax-code" @click="use(null)">Clear it</ElButton>
    <ElButton size="small" data-test="keep-tax-code" @click="asked = null">Keep {{ code }}</ElButton>
  </p>
</template>

<style scoped>
.ask {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 6px 14px;
  margin: 8px 20px 0;
}
</style>
