<script setup lang="ts">
/** The columns of a list: what each is taken for, how sure that is, and what it is instead. */
import { computed } from 'vue';
import { ElOption, ElOptionGroup, ElSelect } from 'element-plus';
import type { Meaning } from '@loom-kin/core/intake';
import { useSetup } from '../../stores/setup';
import { isOffered, keyOf, meaningChoices, meaningText, REASONS } from './meanings';
import type { ListPage } from './useList';

const props = defineProps<{ page: ListPage; fixed: boolean }>();
const setup = useSetup();
const list = computed(() => props.page.list.value!);

function choose(header: string, value: string): void {
  const choice = meaningChoices(setup.registry, header)
    .flatMap(({ choices }) => choices)
    .find((one) => one.value === value);
  if (choice) void keep(header, choice.meaning);
}
const keep = (header: string, meaning: Meaning) =>
  props.page.say({
    mapping: {
      ...list.value.mapping,
      remembered: undefined,
      columns: { ...list.value.mapping.columns, [header]: meaning },
    },
  });
const headerAt = (row: number) =>
  props.page.say({ mapping: { ...list.value.mapping, remembered: undefined, headerRow: row } });
const decimalIs = (decimal: 'shown' | '.' | ',') => {
  const { decimal: _before, ...rest } = list.value.mapping;
  return props.page.say({ mapping: { ...rest, remembered: undefined, ...(decimal === 'shown' ? {} : { decimal }) } });
};
const sure = (confidence: number) => (confidence >= 0.85 ? 'sure' : confidence >= 0.6 ? 'likely' : 'a guess');
</script>

<template>
  <div class="sheet scrolls">
    <div class="tools">
      <label
        >The header stands in row
        <ElSelect
          :model-value="list.headerRows[0] ?? 0"
          size="small"
          style="width: 90px"
          aria-label="Row of the header"
          :disabled="fixed"
          @update:model-value="headerAt"
        >
          <ElOption v-if="list.headerRows.length === 0" :value="0" label="none" />
          <ElOption v-for="(_, at) in list.head" :key="at" :value="at + 1" :label="String(at + 1)" />
        </ElSelect>
      </label>
      <span v-if="list.headerRows.length === 2" class="soft">and in the one below</span>
      <label
        >Decimals are written
        <ElSelect
          :model-value="list.mapping.decimal ?? 'shown'"
          size="small"
          style="width: 170px"
          aria-label="Mark before decimals"
          :disabled="fixed"
          @update:model-value="decimalIs"
        >
          <ElOption value="shown" label="as the cells show" />
          <ElOption value="." label="9.90" />
          <ElOption value="," label="9,90" />
        </ElSelect>
      </label>
    </div>
    <table class="lines">
      <thead>
        <tr>
          <th>Column</th>
          <th>Some of its cells</th>
          <th class="meaning">Means</th>
          <th>Why</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="column in list.columns" :key="column.at" data-test="list-column">
          <td>{{ column.header }}</td>
          <td class="soft cells">{{ column.cells.join(' · ') || 'nothing' }}</td>
          <td>
            <ElSelect
              :model-value="keyOf(column.meaning)"
              size="small"
              filterable
              :disabled="fixed"
              :aria-label="`What ${column.header} means`"
              @update:model-value="choose(column.header, $event)"
            >
              <ElOption
                v-if="!isOffered(column.meaning)"
                :value="keyOf(column.meaning)"
                :label="meaningText(column.meaning)"
              />
              <ElOptionGroup
                v-for="group in meaningChoices(setup.registry, column.header)"
                :key="group.label"
                :label="group.label"
              >
                <ElOption v-for="one in group.choices" :key="one.value" :value="one.value" :label="one.label" />
              </ElOptionGroup>
            </ElSelect>
          </td>
          <td :class="column.reason === 'twice' ? 'warns' : 'soft'">
            {{ REASONS[column.reason]
            }}<template v-if="column.meaning.is !== 'ignored' && column.reason !== 'chosen'"
              >, {{ sure(column.confidence) }}</template
            >
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
@import './list.css';
.meaning {
  width: 230px;
}
.cells {
  max-width: 420px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
