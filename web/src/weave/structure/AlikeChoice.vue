<script setup lang="ts">
/** Where children would become alike: which of each group stays, by option or one by one, and where the others go. */
import { ref, watch } from 'vue';
import { ElRadio, ElRadioGroup } from 'element-plus';
import type { AlikeGroup } from '@loom-kin/core/axes';
import type { Axis } from '@loom-kin/core/family';
import { useFamily } from '../../stores/family';

const props = defineProps<{ axis: Axis; groups: readonly AlikeGroup[]; among: readonly string[] }>();
/** Group → the child that stays. */
const stays = defineModel<Record<string, string>>({ required: true });
/** The others that leave, to be families of their own; none where they go to the shelf. */
const leavers = defineModel<string[]>('leavers', { required: true });
const leave = ref(false);
const store = useFamily();
const valueId = ref('');
const one = ref<Record<string, string>>({});

const childOf = (childId: string) => store.family!.children[childId]!;
const valueOf = (childId: string) =>
  props.axis.values.find((value) => value.id === childOf(childId).at[props.axis.id])?.label ?? '';
const chosen = (group: AlikeGroup) =>
  one.value[group.key] ??
  group.childIds.find((id) => childOf(id).at[props.axis.id] === valueId.value) ??
  group.childIds[0]!;
const describe = (childId: string) =>
  `${valueOf(childId)} · ${String(childOf(childId).fields.sku ?? 'no SKU')} · ${store.stock[childId] ?? 0} pieces`;

watch(
  () => props.among.join(),
  () => {
    valueId.value = props.among[0] ?? '';
    one.value = {};
  },
  { immediate: true },
);
watch(
  [() => props.groups, valueId, one, leave],
  () => {
    stays.value = Object.fromEntries(props.groups.map((group) => [group.key, chosen(group)]));
    const go = props.groups.flatMap((group) => group.childIds.filter((id) => id !== chosen(group)));
    leavers.value = leave.value ? go : [];
  },
  { immediate: true },
);
</script>

<template>
  <div v-if="groups.length" class="alike" data-test="alike">
    <p>
      {{ groups.length }} {{ groups.length === 1 ? 'group of children' : 'groups of children' }} would become alike. One
      child of each stays; the others, lit in the weave, keep SKU, prices and pictures, and
    </p>
    <ElRadioGroup v-model="leave" data-test="alike-others"
      ><ElRadio :value="false" size="small">wait on the shelf</ElRadio
      ><ElRadio :value="true" size="small">leave, each a family of its own</ElRadio></ElRadioGroup
    >
    <p>Keep</p>
    <ElRadioGroup v-model="valueId" @change="one = {}"
      ><ElRadio v-for="id in among" :key="id" :value="id" size="small">{{
        axis.values.find((value) => value.id === id)?.label
      }}</ElRadio></ElRadioGroup
    >
    <div v-for="group in groups" :key="group.key" class="group">
      <span>{{ group.labels.join(' · ') || 'the only child' }}</span>
      <select
        :value="chosen(group)"
        :aria-label="`What stays of ${group.labels.join(' · ')}`"
        @change="one = { ...one, [group.key]: ($event.target as HTMLSelectElement).value }"
      >
        <option v-for="id in group.childIds" :key="id" :value="id">{{ describe(id) }}</option>
      </select>
    </div>
  </div>
</template>

<style scoped>
.alike {
  padding: 8px 12px;
  border-bottom: 1px solid var(--line);
}
.group {
  padding: 5px 0;
  border-top: 1px solid var(--line-soft);
  display: flex;
  flex-direction: column;
  gap: 2px;
}
select {
  font: inherit;
  font-size: 12px;
  width: 100%;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 2px;
}
</style>
