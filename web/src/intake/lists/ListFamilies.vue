<script setup lang="ts">
/** The families that a list becomes: looked through, put together, parted and called otherwise before anything is written. */
import { computed, ref } from 'vue';
import { ElButton, ElOption, ElSelect } from 'element-plus';
import type { ListFamilyView } from '@loom-kin/contract';
import { useKeys } from '../../shell/keys';
import FamilyFound from './FamilyFound.vue';
import { leaveFamiliesOut, partBy, putTogether, rename, renameAxis } from './settling';
import type { ListPage } from './useList';

const props = defineProps<{ page: ListPage; fixed: boolean }>();
const emit = defineEmits<{ row: [row: number] }>();

const chosen = ref(new Set<string>());
const last = ref<string | null>(null);
const settlement = computed(() => props.page.list.value!.settlement);
const chosenFamilies = computed(() => props.page.families.value.filter(({ key }) => chosen.value.has(key)));

function choose({ key }: ListFamilyView, more: boolean): void {
  const next = new Set(more ? chosen.value : []);
  if (more && next.has(key)) next.delete(key);
  else next.add(key);
  chosen.value = next;
  last.value = key;
}
async function together(): Promise<void> {
  if (props.fixed || chosenFamilies.value.length < 2) return;
  const next = putTogether(settlement.value, chosenFamilies.value);
  chosen.value = new Set();
  await props.page.say({ settlement: next });
}
async function out(): Promise<void> {
  if (props.fixed || chosenFamilies.value.length === 0) return;
  const next = leaveFamiliesOut(settlement.value, chosenFamilies.value);
  chosen.value = new Set();
  await props.page.say({ settlement: next });
}
function step(by: 1 | -1): void {
  const { value: families } = props.page.families;
  const at = families.findIndex(({ key }) => key === last.value);
  const next = families[Math.max(0, Math.min(families.length - 1, at + by))];
  if (next) choose(next, false);
}

useKeys(
  {
    j: () => step(1),
    k: () => step(-1),
    m: () => void together(),
    Delete: () => void out(),
    'Ctrl+z': () => void props.page.undo(),
    'Ctrl+y': () => void props.page.redo(),
  },
  { quietWhileTyping: ['Ctrl+z', 'Ctrl+y'] },
);
</script>

<template>
  <div class="sheet scrolls">
    <div class="tools">
      <ElSelect
        :model-value="page.familiesShown.value"
        size="small"
        style="width: 190px"
        aria-label="Families shown"
        @update:model-value="page.showFamilies"
      >
        <ElOption value="all" label="every family" />
        <ElOption value="doubtful" label="with rows in doubt" />
        <ElOption value="refused" label="with rows refused" />
        <ElOption value="single" label="sold singly" />
      </ElSelect>
      <template v-if="!fixed">
        <ElButton size="small" :disabled="chosenFamilies.length < 2" data-test="together" @click="together"
          >Put together <kbd>M</kbd></ElButton
        >
        <ElButton size="small" :disabled="chosenFamilies.length === 0" @click="out">Leave out <kbd>Del</kbd></ElButton>
        <ElButton size="small" :disabled="page.said.value.length === 0" data-test="step-back" @click="page.undo()"
          >Take back <kbd>Ctrl Z</kbd></ElButton
        >
      </template>
      <span class="grow" />
      <span class="soft">{{ page.familyCount.value.toLocaleString('en') }} shown</span>
    </div>
    <ul class="list">
      <FamilyFound
        v-for="family in page.families.value"
        :key="family.key"
        :family="family"
        :chosen="chosen.has(family.key)"
        :fixed="fixed"
        @choose="choose(family, $event)"
        @rename="page.say({ settlement: rename(settlement, family.key, $event) })"
        @axis="(was, to) => page.say({ settlement: renameAxis(settlement, family.key, was, to) })"
        @part="page.say({ settlement: partBy(settlement, family, $event) })"
        @leave-out="page.say({ settlement: leaveFamiliesOut(settlement, [family]) })"
        @rows="emit('row', $event)"
      />
    </ul>
    <p v-if="page.families.value.length === 0" class="empty">None.</p>
    <p v-if="page.families.value.length < page.familyCount.value" class="more">
      <ElButton size="small" @click="page.moreFamilies">Show more</ElButton>
    </p>
  </div>
</template>

<style scoped>
@import './list.css';
.list {
  list-style: none;
  margin: 0;
  padding: 0;
}
.tools kbd {
  margin-left: 8px;
}
</style>
