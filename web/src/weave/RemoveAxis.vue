<script setup lang="ts">
/**
 * Removing an axis, beside the weave: which children would become alike, and which of each group stays. The others go
 * to the shelf.
 */
import { computed, onUnmounted, ref, watch } from 'vue';
import { ElButton, ElRadio, ElRadioGroup } from 'element-plus';
import { alikeWithout, type AlikeGroup, type Axis } from '@loom-kin/core';
import { useFamily } from '../stores/family';

const props = defineProps<{ axis: Axis }>();
const emit = defineEmits<{ done: [] }>();
const store = useFamily();
const keep = ref('');
const one = ref<Record<string, string>>({});

const groups = computed(() => alikeWithout(store.family!, props.axis.id));
const childOf = (childId: string) => store.family!.children[childId]!;
const valueOf = (childId: string) =>
  props.axis.values.find((value) => value.id === childOf(childId).at[props.axis.id])?.label ?? '';
const stays = (group: AlikeGroup) =>
  one.value[group.key] ??
  group.childIds.find((id) => childOf(id).at[props.axis.id] === keep.value) ??
  group.childIds[0]!;
const describe = (childId: string) =>
  `${valueOf(childId)} · ${String(childOf(childId).fields.sku ?? 'no SKU')} · ${store.stock[childId] ?? 0} pieces`;

watch(
  () => props.axis,
  (axis) => {
    keep.value = axis.values[0]!.id;
    one.value = {};
  },
  { immediate: true },
);
/** The weave lights up the children that would go. */
watch(
  [groups, keep, one],
  () => {
    store.lit = new Set(groups.value.flatMap((group) => group.childIds.filter((id) => id !== stays(group))));
  },
  { immediate: true, deep: true },
);
onUnmounted(() => (store.lit = new Set()));

function remove(): void {
  const byKey = Object.fromEntries(groups.value.map((group) => [group.key, stays(group)]));
  if (store.run({ do: 'removeAxis', axisId: props.axis.id, keep: { byKey } })) emit('done');
}
</script>

<template>
  <aside class="sheet remove" aria-label="Remove an axis" data-test="remove-axis" @keydown.esc="emit('done')">
    <header>
      <h2>Remove the axis {{ axis.label }}</h2>
      <p v-if="groups.length === 0" class="soft">No two children would become alike. All of them stay as they are.</p>
      <template v-else>
        <p class="soft">
          {{ groups.length }} groups of children would become alike. One child of each stays; the others, lit in the
          weave, are kept on the shelf with SKU, prices and pictures.
        </p>
        <p>Keep</p>
        <ElRadioGroup v-model="keep" @change="one = {}"
          ><ElRadio v-for="value in axis.values" :key="value.id" :value="value.id" size="small">{{
            value.label
          }}</ElRadio></ElRadioGroup
        >
      </template>
      <div class="acts">
        <ElButton size="small" @click="emit('done')">Leave it</ElButton>
        <ElButton size="small" type="danger" data-test="confirm-remove-axis" @click="remove">Remove the axis</ElButton>
      </div>
    </header>
    <div v-for="group in groups" :key="group.key" class="group">
      <span>{{ group.labels.join(' · ') || 'the only child' }}</span>
      <select
        :value="stays(group)"
        :aria-label="`What stays of ${group.labels.join(' · ')}`"
        @change="one = { ...one, [group.key]: ($event.target as HTMLSelectElement).value }"
      >
        <option v-for="id in group.childIds" :key="id" :value="id">{{ describe(id) }}</option>
      </select>
    </div>
  </aside>
</template>

<style scoped>
.remove {
  overflow: auto;
  min-height: 0;
  font-size: 13px;
}
header {
  padding: 10px 12px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--sheet);
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.acts {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
.group {
  padding: 5px 12px;
  border-bottom: 1px solid var(--line-soft);
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
