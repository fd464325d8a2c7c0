<script setup lang="ts">
/** Size charts, made once and chosen by families: typed or pasted as a table, the first line naming the measures. */
import { computed, ref } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { type SizeChart, SizeChartSchema } from '@loom-kin/core/registry';
import { useSetup } from '../stores/setup';
import { idFor } from './idFor';

const setup = useSetup();
const charts = computed(() => Object.values(setup.registry.data.sizeCharts));

interface Draft {
  id: string | null;
  label: string;
  unit: string;
  text: string;
}
const draft = ref<Draft | null>(null);
const asText = ({ columns, rows }: SizeChart) => [columns, ...rows].map((row) => row.join('\t')).join('\n');
const edit = (chart?: SizeChart) =>
  (draft.value = chart
    ? { id: chart.id, label: chart.label, unit: chart.unit, text: asText(chart) }
    : { id: null, label: '', unit: 'cm', text: 'Size\tChest\tLength\nS\t\t\nM\t\t' });

/** A line a row, cells parted by tabs as a sheet gives them, by semicolons or bars as they are typed. */
const cells = computed(() =>
  (draft.value?.text ?? '')
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => line.split(line.includes('\t') ? '\t' : /[;|]/).map((cell) => cell.trim())),
);
const read = computed(() => {
  if (!draft.value) return null;
  const [columns = [], ...rows] = cells.value;
  const { id, label, unit } = draft.value;
  // Cells that were left out at the end of a line are empty.
  const whole = rows.map((row) => [...row, ...columns.slice(row.length).map(() => '')]);
  const taken = Object.keys(setup.registry.data.sizeCharts);
  return SizeChartSchema.safeParse({ id: id ?? idFor(label, taken), label, unit, columns, rows: whole });
});
const problem = computed(() => {
  const issue = read.value?.error?.issues[0];
  if (!issue) return '';
  if (issue.path[0] === 'label') return 'Give the chart a name.';
  if (issue.path[0] === 'columns') return 'The first line names the size and at least one measure.';
  const row = issue.path[0] === 'rows' && typeof issue.path[1] === 'number' ? `Line ${issue.path[1] + 2}: ` : '';
  return row + (issue.path.length === 1 ? 'There has to be a line for each size.' : issue.message);
});
async function keep(): Promise<void> {
  if (!read.value?.success) return;
  const chart = read.value.data;
  if (await setup.change([{ on: 'registry', command: { do: 'setSizeChart', chart } }])) draft.value = null;
}
const remove = (id: string) => setup.change([{ on: 'registry', command: { do: 'removeSizeChart', id } }]);
</script>

<template>
  <div id="size-charts" class="sheet part" data-test="size-charts">
    <h2>Size charts</h2>
    <p class="soft">Made once, chosen under Words and facts, and told to channels that ask for one.</p>
    <p v-for="chart in charts" :key="chart.id" class="line chart" data-test="size-chart">
      <strong>{{ chart.label }}</strong>
      <span class="soft"
        >{{ chart.columns.slice(1).join(', ') }} in {{ chart.unit }}, {{ chart.rows.length }} sizes</span
      >
      <button class="link" @click="edit(chart)">change</button>
      <button class="link" title="Families that have chosen it have none then" @click="remove(chart.id)">remove</button>
    </p>
    <form v-if="draft" class="draft" @submit.prevent="keep">
      <div class="line">
        <label
          >Name <ElInput v-model="draft.label" placeholder="Coats, worn over a jumper" data-test="chart-name"
        /></label>
        <label>Measures in <ElInput v-model="draft.unit" style="width: 80px" /></label>
      </div>
      <div class="both">
        <textarea
          v-model="draft.text"
          rows="8"
          aria-label="The chart: a line a size, cells parted by tabs or semicolons"
          data-test="chart-text"
        />
        <table class="lines" data-test="chart-table">
          <tbody>
            <tr v-for="(row, at) in cells" :key="at">
              <component :is="at === 0 ? 'th' : 'td'" v-for="(cell, nth) in row" :key="nth">{{ cell }}</component>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
      <div class="line">
        <ElButton native-type="submit" type="primary" :disabled="!read?.success" data-test="keep-chart"
          >Keep the chart</ElButton
        >
        <ElButton @click="draft = null">Leave it</ElButton>
      </div>
    </form>
    <div v-else class="line"><ElButton data-test="new-chart" @click="edit()">Make a chart</ElButton></div>
  </div>
</template>

<style scoped>
@import './part.css';
.chart {
  align-items: baseline;
}
.draft {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.both {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}
textarea {
  font: 12px/1.6 var(--mono);
  color: inherit;
  border: 1px solid var(--line);
  padding: 6px 8px;
  tab-size: 10;
  background: var(--sheet);
}
</style>
