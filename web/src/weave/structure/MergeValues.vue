<script setup lang="ts">
/** Values of an axis made one: "gray" into "grey". */
import { computed, ref, watch } from 'vue';
import { ElCheckbox } from 'element-plus';
import { alikeWithout } from '@loom-kin/core/axes';
import type { Command } from '@loom-kin/core/change';
import type { Axis } from '@loom-kin/core/family';
import { useFamily } from '../../stores/family';
import AlikeChoice from './AlikeChoice.vue';
import StructureChange from './StructureChange.vue';

const props = defineProps<{ axis: Axis }>();
const emit = defineEmits<{ done: [] }>();
const store = useFamily();
const into = ref('');
const from = ref<string[]>([]);
const stays = ref<Record<string, string>>({});
const leavers = ref<string[]>([]);
watch(
  () => props.axis.id,
  () => {
    into.value = props.axis.values[0]?.id ?? '';
    from.value = [];
  },
  { immediate: true },
);
const gone = computed(() => props.axis.values.filter(({ id }) => id !== into.value && from.value.includes(id)));
const among = computed(() => [into.value, ...gone.value.map(({ id }) => id)]);
const groups = computed(() =>
  gone.value.length === 0 ? [] : alikeWithout(store.family!, props.axis.id, new Set(among.value)),
);
const command = computed<Command | null>(() =>
  gone.value.length === 0
    ? null
    : {
        do: 'mergeValues',
        axisId: props.axis.id,
        from: gone.value.map(({ id }) => id),
        into: into.value,
        keep: { byKey: stays.value },
      },
);
const toggle = (id: string, on: boolean) =>
  (from.value = on ? [...from.value, id] : from.value.filter((one) => one !== id));
</script>

<template>
  <StructureChange
    :title="`Merge values of ${axis.label}`"
    :command="command"
    :leavers="leavers"
    deed="Merge"
    @done="emit('done')"
  >
    <p class="soft">Children of the values that are ticked go over to one value. What they hold stays as it is.</p>
    <label
      >Into
      <select v-model="into" data-test="merge-into">
        <option v-for="value in axis.values" :key="value.id" :value="value.id">{{ value.label }}</option>
      </select></label
    >
    <div class="values">
      <ElCheckbox
        v-for="value in axis.values.filter(({ id }) => id !== into)"
        :key="value.id"
        :model-value="from.includes(value.id)"
        size="small"
        :data-test="`merge-${value.label}`"
        @update:model-value="toggle(value.id, Boolean($event))"
        >{{ value.label }}</ElCheckbox
      >
    </div>
    <template #choices
      ><AlikeChoice v-model="stays" v-model:leavers="leavers" :axis="axis" :groups="groups" :among="among"
    /></template>
  </StructureChange>
</template>

<style scoped>
.values {
  max-height: 180px;
  overflow: auto;
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
}
select {
  font: inherit;
}
</style>
