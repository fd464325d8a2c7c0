<script setup lang="ts">
/** SKUs and GTINs of the family: what every child has, what the pattern would give it, where its GTIN is from. */
import { computed, ref, watch } from 'vue';
import { childLabels } from '@loom-kin/core/family';
import { isOfBlock } from '@loom-kin/core/identifiers';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import GtinSheet from './GtinSheet.vue';
import SkusByPattern from './SkusByPattern.vue';
import { useSkuPreview } from './useSkuPreview';

/** So many rows are drawn at first. */
const SHOWN = 300;

const store = useFamily();
const setup = useSetup();
const family = computed(() => store.family!);
const woven = computed(() => store.index?.woven ?? []);
const pattern = ref(family.value.skuPattern);
watch(
  () => family.value.skuPattern,
  (now, before) => pattern.value === before && (pattern.value = now),
);
const anew = ref(false);
const onlyBad = ref(false);
const all = ref(false);

const bound = computed(() => preview.value?.bound ?? {});
const bare = computed(() => woven.value.filter((child) => child.fields.sku === undefined));
const loose = computed(() => woven.value.filter(({ id, fields }) => fields.sku !== undefined && !bound.value[id]));
/** Those that the pattern makes a SKU for: those without one, and those without a listing where they are made anew. */
const meant = computed(() => [...bare.value, ...(anew.value ? loose.value : [])].map((child) => child.id));
const { preview, problem } = useSkuPreview(
  () => pattern.value,
  () => meant.value,
);

const wouldBe = computed(() => new Map((preview.value?.proposals ?? []).map((one) => [one.childId, one])));
const rows = computed(() =>
  woven.value.map((child) => {
    const gtin = typeof child.fields.gtin === 'string' ? child.fields.gtin : '';
    return {
      id: child.id,
      labels: childLabels(family.value, child).join(' · ') || 'the only child',
      sku: typeof child.fields.sku === 'string' ? child.fields.sku : '',
      bound: bound.value[child.id],
      next: wouldBe.value.get(child.id),
      gtin,
      block:
        gtin === ''
          ? ''
          : (setup.registry.data.numberBlocks.find((one) => isOfBlock(one, gtin))?.label ?? 'no block of yours'),
    };
  }),
);
const wanted = computed(() => (onlyBad.value ? rows.value.filter((row) => row.next?.problem) : rows.value));
const drawn = computed(() => (all.value ? wanted.value : wanted.value.slice(0, SHOWN)));
const bad = computed(() => rows.value.filter((row) => row.next?.problem).length);
watch(bad, (now) => now === 0 && (onlyBad.value = false));
</script>

<template>
  <div class="numbers">
    <div class="sheet rows" tabindex="0" role="region" aria-label="SKUs and GTINs of the children">
      <p v-if="woven.length === 0" class="soft none">
        No child is woven yet. <RouterLink :to="{ name: 'family' }">To the weave</RouterLink>
      </p>
      <table v-else class="lines" data-test="numbers">
        <thead>
          <tr>
            <th>Child</th>
            <th>SKU</th>
            <th>
              By the pattern
              <label v-if="bad" class="soft only"
                ><input v-model="onlyBad" type="checkbox" data-test="only-bad" /> only what cannot be</label
              >
            </th>
            <th>GTIN</th>
            <th>Of</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in drawn" :key="row.id" data-test="number-row">
            <td>{{ row.labels }}</td>
            <td class="mono">
              <span v-if="row.sku" :title="row.bound">{{ row.sku }}</span><span v-else class="warns">none</span>
              <span v-if="row.bound" class="soft listed" :title="row.bound">listed</span>
            </td>
            <td class="mono">
              <template v-if="row.next">
                <span :class="{ soft: row.next.sku === row.sku, stops: row.next.problem }">{{
                  row.next.sku || '—'
                }}</span>
                <p v-if="row.next.problem" class="why stops">{{ row.next.problem }}</p>
              </template>
              <span v-else class="soft">stays</span>
            </td>
            <td class="mono">{{ row.gtin }}</td>
            <td class="soft">{{ row.block }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="wanted.length > drawn.length" class="none">
        <button class="link" @click="all = true">Show all {{ wanted.length.toLocaleString('en') }}</button>
      </p>
    </div>
    <div class="side">
      <SkusByPattern
        v-model:pattern="pattern"
        v-model:anew="anew"
        :preview="preview"
        :problem="problem"
        :bare="bare.length"
        :loose="loose.length"
      />
      <section class="sheet gtins" aria-label="GTINs">
        <h2>GTINs</h2>
        <GtinSheet />
      </section>
    </div>
  </div>
</template>

<style scoped>
.numbers {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 10px;
  height: 100%;
  padding: 10px 20px 12px;
}
.rows,
.side {
  overflow: auto;
  min-height: 0;
}
.side {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.side > * {
  flex: none;
}
.gtins {
  padding: 12px 14px;
}
td.mono > span {
  white-space: nowrap;
}
.none {
  padding: 10px 14px;
}
.why {
  font-family: var(--face);
}
.listed {
  font-family: var(--face);
  margin-left: 6px;
}
.only {
  font-weight: 400;
  margin-left: 8px;
}
@media (width < 900px) {
  .numbers {
    display: flex;
    flex-direction: column;
    overflow: auto;
  }
  .numbers > * {
    flex: none;
    overflow: visible;
  }
}
</style>
