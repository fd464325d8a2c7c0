<script setup lang="ts">
/** What becomes of each row of a list, and moving rows into another family. */
import { computed, ref } from 'vue';
import { ElButton, ElOption, ElSelect } from 'element-plus';
import { LIST_VERDICTS } from '@loom-kin/core/intake';
import { leaveOut, moveRows } from './settling';
import { VERDICT_LOOKS, VERDICT_WORDS } from './verdicts';
import type { ListPage } from './useList';

const props = defineProps<{ page: ListPage; fixed: boolean }>();
const settlement = computed(() => props.page.list.value!.settlement);
const chosen = ref(new Set<number>());
function choose(row: number): void {
  const next = new Set(chosen.value);
  if (!next.delete(row)) next.add(row);
  chosen.value = next;
}
const OWN = '';
function move(key: string): void {
  const into = key === OWN ? null : (props.page.families.value.find((one) => one.key === key) ?? null);
  const next = moveRows(settlement.value, [...chosen.value], into);
  chosen.value = new Set();
  void props.page.say({ settlement: next });
}
function out(): void {
  const next = leaveOut(settlement.value, [...chosen.value]);
  chosen.value = new Set();
  void props.page.say({ settlement: next });
}
</script>

<template>
  <div class="sheet scrolls">
    <div class="tools">
      <ElSelect
        :model-value="page.rowsShown.value"
        size="small"
        style="width: 170px"
        aria-label="Rows shown"
        @update:model-value="page.showRows"
      >
        <ElOption value="all" label="every row" />
        <ElOption v-for="verdict in LIST_VERDICTS" :key="verdict" :value="verdict" :label="VERDICT_WORDS[verdict]" />
      </ElSelect>
      <template v-if="chosen.size && !fixed">
        <ElSelect
          size="small"
          filterable
          style="width: 300px"
          :model-value="undefined"
          :placeholder="`Move ${chosen.size === 1 ? 'the row' : `${chosen.size} rows`} into…`"
          aria-label="Move the rows into"
          @update:model-value="move"
        >
          <ElOption :value="OWN" label="a family of their own" />
          <ElOption v-for="family in page.families.value" :key="family.key" :value="family.key" :label="family.name" />
        </ElSelect>
        <ElButton size="small" @click="out">Leave out</ElButton>
      </template>
      <span class="grow" />
      <span class="soft">{{ page.rowCount.value.toLocaleString('en') }} shown</span>
    </div>
    <table class="lines">
      <thead>
        <tr>
          <th v-if="!fixed" />
          <th class="number">Row</th>
          <th>Becomes</th>
          <th>Family</th>
          <th>Child</th>
          <th>Why, or what changes</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, at) in page.rows.value" :key="at" data-test="list-row">
          <td v-if="!fixed">
            <input
              type="checkbox"
              :checked="chosen.has(row.row)"
              :aria-label="`Choose row ${row.row}`"
              @click="choose(row.row)"
            />
          </td>
          <td class="number">{{ row.row }}</td>
          <td :class="VERDICT_LOOKS[row.verdict]">{{ VERDICT_WORDS[row.verdict] }}</td>
          <td>{{ row.family }}</td>
          <td class="child">{{ row.child }}</td>
          <td>
            <div v-for="(one, place) in row.problems" :key="place" class="stops">
              <template v-if="one.column">{{ one.column }}: </template>{{ one.message }}
            </div>
            <div v-if="row.doubt" class="warns">{{ row.doubt }}</div>
            <!-- Of new children everything is new; what is made of the row that names a family is worth a look. -->
            <template v-if="row.verdict === 'changed' || row.child === ''">
              <span v-for="(one, place) in row.changes.slice(0, 5)" :key="place" class="change"
                ><span class="soft">{{ one.column }}</span> {{ one.before || 'nothing' }} →
                {{ one.after || 'nothing' }}</span
              ><span v-if="row.changes.length > 5" class="soft">and {{ row.changes.length - 5 }} more</span>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="page.rows.value.length < page.rowCount.value" class="more">
      <ElButton size="small" @click="page.moreRows">Show more</ElButton>
    </p>
  </div>
</template>

<style scoped>
@import './list.css';
.child {
  white-space: nowrap;
}
.change {
  margin-right: 14px;
}
</style>
