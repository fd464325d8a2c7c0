<script setup lang="ts">
/** Removing an axis: which children would become alike, and which of each group stays. */
import { computed, ref } from 'vue';
import { alikeWithout } from '@loom-kin/core/axes';
import type { Command } from '@loom-kin/core/change';
import type { Axis } from '@loom-kin/core/family';
import { useFamily } from '../../stores/family';
import AlikeChoice from './AlikeChoice.vue';
import StructureChange from './StructureChange.vue';

const props = defineProps<{ axis: Axis }>();
const emit = defineEmits<{ done: [] }>();
const store = useFamily();
const stays = ref<Record<string, string>>({});
const leavers = ref<string[]>([]);

const groups = computed(() => alikeWithout(store.family!, props.axis.id));
const command = computed<Command>(() => ({ do: 'removeAxis', axisId: props.axis.id, keep: { byKey: stays.value } }));
</script>

<template>
  <StructureChange
    :title="`Remove the axis ${axis.label}`"
    :command="command"
    :leavers="leavers"
    deed="Remove the axis"
    is-danger
    @done="emit('done')"
  >
    <p v-if="groups.length === 0" class="soft">No two children would become alike. All of them stay.</p>
    <template #choices>
      <AlikeChoice
        v-model="stays"
        v-model:leavers="leavers"
        :axis="axis"
        :groups="groups"
        :among="axis.values.map((value) => value.id)"
      />
    </template>
  </StructureChange>
</template>
