<script setup lang="ts">
/** Two axes made one: Colour and Lining become "Rust / Fleece". */
import { computed, ref, watch } from 'vue';
import type { Command } from '@loom-kin/core/change';
import type { Axis } from '@loom-kin/core/family';
import { useFamily } from '../../stores/family';
import StructureChange from './StructureChange.vue';

const props = defineProps<{ axis: Axis }>();
const emit = defineEmits<{ done: [] }>();
const store = useFamily();
const others = computed(() => store.family!.axes.filter(({ id }) => id !== props.axis.id));
const otherId = ref('');
const label = ref('');
const between = ref(' / ');
watch(
  () => props.axis.id,
  () => {
    otherId.value = others.value[0]?.id ?? '';
    label.value = props.axis.label;
  },
  { immediate: true },
);
const command = computed<Command | null>(() =>
  otherId.value === '' || label.value.trim() === '' || between.value === ''
    ? null
    : {
        do: 'joinAxes',
        axisIds: [props.axis.id, otherId.value],
        label: label.value,
        role: props.axis.role,
        between: between.value,
      },
);
</script>

<template>
  <StructureChange :title="`Join ${axis.label} with another axis`" :command="command" deed="Join" @done="emit('done')">
    <p class="soft">Only what children have becomes a value. Prices, pictures and wishes stay as they are.</p>
    <div class="line">
      <label
        >With
        <select v-model="otherId" data-test="join-with">
          <option v-for="one in others" :key="one.id" :value="one.id">{{ one.label }}</option>
        </select></label
      >
      <label>Called <input v-model="label" maxlength="40" data-test="join-label" /></label>
      <label>Between <input v-model="between" class="short" maxlength="10" data-test="join-between" /></label>
    </div>
  </StructureChange>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
}
select,
input {
  font: inherit;
  width: 110px;
}
.short {
  width: 40px;
}
</style>
