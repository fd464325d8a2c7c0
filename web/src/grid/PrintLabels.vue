<script setup lang="ts">
/** Sheets of labels with bar codes: for whom, on which labels, how large; drawn as it will lie on the first page. */
import { computed, ref, watch } from 'vue';
import { ElButton, ElCheckbox } from 'element-plus';
import {
  LABEL_SHEETS,
  LABEL_SHEET_IDS,
  LARGEST_PERCENT,
  type LabelSheetId,
  SMALLEST_PERCENT,
  planLabels,
  symbolWidth,
} from '@loom-kin/core/labels';
import { Refusal } from '@loom-kin/core/refusal';
import { children } from '@loom-kin/core/text';
import type { LabelOrder } from '@loom-kin/contract';
import { tell } from '../api/api';
import { fetchFile } from '../common/takeOut';
import Dialog from '../common/Dialog.vue';
import { useFamily } from '../stores/family';

const shown = defineModel<boolean>({ required: true });
const store = useFamily();

const SHOWS = { name: 'Name', options: 'Options', sku: 'SKU', price: 'Price' } as const;
const sheetId = ref<LabelSheetId>('a4x24');
const percent = ref(100);
const copies = ref<'stock' | number>(1);
const start = ref(1);
const shows = ref<LabelOrder['shows']>(['name', 'options', 'sku']);
const busy = ref(false);

const sheet = computed(() => LABEL_SHEETS[sheetId.value].sheet);
const woven = computed(() => store.index?.woven ?? []);
/** Those that are chosen, if any are. */
const wanted = computed(() =>
  store.chosen.size > 0 ? woven.value.filter(({ id }) => store.chosen.has(id)) : woven.value,
);
const numbered = computed(() => wanted.value.filter((child) => typeof child.fields.gtin === 'string'));
const plan = computed(() => {
  try {
    const all = numbered.value.map((child) => ({
      gtin: String(child.fields.gtin),
      copies: copies.value === 'stock' ? Math.max(0, store.stock[child.id] ?? 0) : copies.value,
    }));
    return { ...planLabels(sheet.value, all, percent.value, start.value), problem: '' };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { labels: [], pages: 0, problem: error.message };
  }
});
const firstPage = computed(() => plan.value.labels.filter(({ page }) => page === 0));
watch(sheetId, () => (start.value = 1));
const labelOf = (of: number) => String(numbered.value[of]?.fields.sku ?? '');

async function print(): Promise<void> {
  busy.value = true;
  try {
    await store.settled();
    const order: LabelOrder = {
      childIds: numbered.value.map(({ id }) => id),
      sheet: sheetId.value,
      percent: percent.value,
      copies: copies.value,
      start: start.value,
      shows: shows.value,
    };
    await fetchFile(`/api/families/${store.family!.id}/labels`, order, 'labels.pdf');
    shown.value = false;
  } catch (error) {
    tell(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <Dialog v-model="shown" title="Print labels" :width="640">
    <form class="labels" @submit.prevent="print">
      <div class="said">
        <p>
          {{ children(numbered.length) }}
          {{ store.chosen.size > 0 ? 'of those chosen' : 'of the family'
          }}<template v-if="wanted.length > numbered.length"
            >; {{ wanted.length - numbered.length }} without a GTIN
            {{ wanted.length - numbered.length === 1 ? 'has' : 'have' }} none</template
          >.
        </p>
        <label
          >On
          <select v-model="sheetId" data-test="label-sheet">
            <option v-for="id in LABEL_SHEET_IDS" :key="id" :value="id">{{ LABEL_SHEETS[id].name }}</option>
          </select></label
        >
        <label
          >Bar code at
          <input
            v-model.number="percent"
            type="number"
            :min="SMALLEST_PERCENT"
            :max="LARGEST_PERCENT"
            data-test="label-percent"
          />
          %
          <span v-if="plan.labels[0]" class="soft"
            >{{ symbolWidth(plan.labels[0].symbol, percent).toFixed(1) }} mm wide with its white</span
          ></label
        >
        <label
          >How many
          <select v-model="copies" data-test="label-copies">
            <option :value="1">one each</option>
            <option :value="2">two each</option>
            <option value="stock">as many as there are pieces</option>
          </select></label
        >
        <label v-if="sheet.columns * sheet.rows > 1"
          >First free label <input v-model.number="start" type="number" min="1" :max="sheet.columns * sheet.rows"
        /></label>
        <fieldset>
          <legend>Above the bars</legend>
          <ElCheckbox
            v-for="(label, key) in SHOWS"
            :key="key"
            size="small"
            :model-value="shows.includes(key)"
            @update:model-value="
              shows = $event
                ? (Object.keys(SHOWS) as LabelOrder['shows']).filter((one) => one === key || shows.includes(one))
                : shows.filter((one) => one !== key)
            "
            >{{ label }}</ElCheckbox
          >
        </fieldset>
        <p v-if="plan.problem" class="stops" role="alert" data-test="label-problem">{{ plan.problem }}</p>
        <p v-else class="soft" data-test="label-count">
          {{ plan.labels.length.toLocaleString('en') }} {{ plan.labels.length === 1 ? 'label' : 'labels' }} on
          {{ plan.pages }} {{ plan.pages === 1 ? 'page' : 'pages' }}. Print at 100 %, not fitted to the page.
        </p>
      </div>
      <svg
        class="page"
        :viewBox="`0 0 ${sheet.page.width} ${sheet.page.height}`"
        role="img"
        :aria-label="`The first page: ${firstPage.length} labels`"
      >
        <g v-for="(one, at) in firstPage" :key="at">
          <rect :x="one.x" :y="one.y" :width="sheet.label.width" :height="sheet.label.height" class="label" />
          <rect
            :x="one.x + (sheet.label.width - symbolWidth(one.symbol, percent)) / 2"
            :y="one.y + sheet.label.height * 0.45"
            :width="symbolWidth(one.symbol, percent)"
            :height="sheet.label.height * 0.42"
            class="bars"
          />
          <text :x="one.x + 2" :y="one.y + sheet.label.height * 0.3" :font-size="sheet.label.height * 0.16">
            {{ labelOf(one.of) }}
          </text>
        </g>
      </svg>
      <div class="acts">
        <ElButton @click="shown = false">Leave it</ElButton>
        <ElButton
          type="primary"
          native-type="submit"
          :loading="busy"
          :disabled="plan.labels.length === 0"
          data-test="label-print"
          >Make the PDF</ElButton
        >
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
.labels {
  display: grid;
  grid-template-columns: 1fr 200px;
  gap: 12px 20px;
}
.said {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
select,
input[type='number'] {
  font: inherit;
}
input[type='number'] {
  width: 64px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
.page {
  width: 200px;
  max-height: 290px;
  background: #fff;
  border: 1px solid var(--line);
}
.label {
  fill: none;
  stroke: var(--line);
  stroke-width: 0.4;
}
.bars {
  fill: var(--ink-soft);
}
.acts {
  grid-column: 1 / -1;
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
</style>
