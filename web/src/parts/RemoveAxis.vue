<script setup lang="ts">
/** Removing an axis: which children would become alike, and which of each group stays. The others go to the shelf. */
import { computed, ref, watch } from 'vue';
import { ElButton, ElDialog, ElRadio, ElRadioGroup } from 'element-plus';
import { alikeWithout, type Axis } from '@loom-kin/core';
import { useFamily } from '../stores/family';

const axis = defineModel<Axis | null>({ required: true });
const store = useFamily();
const keep = ref('');
const one = ref<Record<string, string>>({});
watch(axis, (next) => {
  keep.value = next?.values[0]?.id ?? '';
  one.value = {};
});

const groups = computed(() => (axis.value && store.family ? alikeWithout(store.family, axis.value.id) : []));
const valueOf = (childId: string) => axis.value?.values.find((value) => value.id === store.family?.children[childId]?.at[axis.value!.id])?.label ?? '';
const skuOf = (childId: string) => String(store.family?.children[childId]?.fields.sku ?? 'no SKU');
const stays = (group: { key: string; childIds: string[] }) =>
  one.value[group.key] ?? group.childIds.find((id) => store.family?.children[id]?.at[axis.value!.id] === keep.value) ?? group.childIds[0]!;

function remove(): void {
  const byKey = Object.fromEntries(groups.value.map((group) => [group.key, stays(group)]));
  if (store.run({ do: 'removeAxis', axisId: axis.value!.id, keep: { byKey } })) axis.value = null;
}
</script>

<template>
  <ElDialog :model-value="axis !== null" :title="`Remove the axis ${axis?.label ?? ''}`" width="620px" @update:model-value="axis = null">
    <template v-if="axis">
      <p v-if="groups.length === 0">No two children would become alike. All of them stay as they are.</p>
      <template v-else>
        <p>{{ groups.length }} groups of children would become alike. One child of each stays in the weave; the others are kept on the shelf with SKU, prices and pictures.</p>
        <p class="choose">Keep
          <ElRadioGroup v-model="keep" @change="one = {}"><ElRadio v-for="value in axis.values" :key="value.id" :value="value.id">{{ value.label }}</ElRadio></ElRadioGroup>
        </p>
        <div class="groups">
          <table class="lines">
            <thead><tr><th>Child</th><th>What stays</th></tr></thead>
            <tbody>
              <tr v-for="group in groups" :key="group.key">
                <td>{{ group.labels.join(' · ') || 'the only child' }}</td>
                <td>
                  <select :value="stays(group)" aria-label="What stays" @change="one[group.key] = ($event.target as HTMLSelectElement).value">
                    <option v-for="id in group.childIds" :key="id" :value="id">{{ valueOf(id) }} — {{ skuOf(id) }}, {{ store.stock[id] ?? 0 }} pieces</option>
                  </select>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </template>
    </template>
    <template #footer><ElButton @click="axis = null">Leave it</ElButton> <ElButton type="danger" data-test="confirm-remove-axis" @click="remove">Remove the axis</ElButton></template>
  </ElDialog>
</template>

<style scoped>
.choose { display: flex; align-items: center; gap: 14px; margin: 10px 0; }
.groups { max-height: 320px; overflow: auto; border: 1px solid var(--line); }
select { font: inherit; border: 1px solid var(--line); background: var(--sheet); padding: 2px; }
</style>
