<script setup lang="ts">
/** What a sheet that was read does or would do, row by row, as many rows at a time as are looked at. */
import { computed, ref, shallowRef, watch } from 'vue';
import { ElButton, ElOption, ElSelect } from 'element-plus';
import type { IntakeReport } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { latest } from '../api/latest';

const props = defineProps<{ jobId: string; report: IntakeReport }>();
type Verdict = IntakeReport['rows'][number]['verdict'];

const PAGE = 500;
const only = ref<Verdict | 'all'>('all');
const rows = shallowRef<IntakeReport['rows']>([]);
watch(
  () => props.report,
  (report) => {
    only.value = 'all';
    rows.value = report.rows;
  },
  { immediate: true },
);

const ask = latest();
async function load(from: number): Promise<void> {
  try {
    const query = { only: only.value, from, limit: PAGE };
    await ask(
      () => call(api.sheetReport, { params: { id: props.jobId }, query }),
      (page) => (rows.value = from === 0 ? page.rows : [...rows.value, ...page.rows]),
    );
  } catch (error) {
    tell(error);
  }
}
const all = computed(() => {
  const { counts } = props.report;
  return only.value === 'all' ? counts.new + counts.changed + counts.same + counts.refused : counts[only.value];
});
const LOOKS: Record<Verdict, string> = { new: 'fits', changed: 'warns', same: 'soft', refused: 'stops' };
</script>

<template>
  <div class="sheet rows">
    <table class="lines">
      <thead>
        <tr>
          <th class="number">Row</th>
          <th>Child</th>
          <th class="verdict">
            <ElSelect v-model="only" size="small" aria-label="Rows shown" @change="load(0)">
              <ElOption value="all" label="every verdict" />
              <ElOption value="refused" label="refused" />
              <ElOption value="new" label="new" />
              <ElOption value="changed" label="changed" />
              <ElOption value="same" label="already so" />
            </ElSelect>
          </th>
          <th>Why, or what changes</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.row">
          <td class="number">{{ row.row }}</td>
          <td class="child">{{ row.child }}</td>
          <td :class="LOOKS[row.verdict]">{{ row.verdict === 'same' ? 'already so' : row.verdict }}</td>
          <td>
            <div v-for="(one, at) in row.problems" :key="at" class="stops">{{ one.column }}: {{ one.message }}</div>
            <span v-for="(one, at) in row.changes.slice(0, 6)" :key="at" class="change"
              ><span class="soft">{{ one.column }}</span> {{ one.before || 'nothing' }} →
              {{ one.after || 'nothing' }}</span
            ><span v-if="row.changes.length > 6" class="soft">and {{ row.changes.length - 6 }} more</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="rows.length < all" class="more soft">
      {{ rows.length.toLocaleString('en') }} of {{ all.toLocaleString('en') }} rows
      <ElButton size="small" @click="load(rows.length)">Show more</ElButton>
    </p>
  </div>
</template>

<style scoped>
.rows {
  overflow: auto;
  flex: 1;
  min-height: 0;
}
.verdict {
  width: 140px;
}
.child {
  white-space: nowrap;
}
.change {
  margin-right: 16px;
}
.more {
  padding: 8px 14px;
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
